/** Room a snow chain takes off the tread and off the sidewall, mm. */
export interface ChainRoom {
  readonly treadMm: number;
  readonly sidewallMm: number;
}

export const CHAIN_CLASSES = ['lowProfile', 'classS', 'classU', 'classW'] as const;
export type ChainClass = (typeof CHAIN_CLASSES)[number];

/**
 * Class S, U and W by SAE J1232 (1.46 / 0.59, 1.97 / 0.91 and 2.50 / 1.50 in; values from memory); low-profile chains for cars 12 and
 * 10 mm (common practice, no source). What the chain's own maker asks goes before them.
 */
export const CHAIN_ROOM: Readonly<Record<ChainClass, ChainRoom>> = {
  lowProfile: { treadMm: 12, sidewallMm: 10 },
  classS: { treadMm: 37, sidewallMm: 15 },
  classU: { treadMm: 50, sidewallMm: 23 },
  classW: { treadMm: 63.5, sidewallMm: 38.1 },
};

/** The class whose room this is; null for none of them. */
export const chainClassOf = (room: ChainRoom | undefined): ChainClass | null =>
  CHAIN_CLASSES.find(
    (one) => CHAIN_ROOM[one].treadMm === room?.treadMm && CHAIN_ROOM[one].sidewallMm === room.sidewallMm,
  ) ?? null;
