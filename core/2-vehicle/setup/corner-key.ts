import type { Side } from '../motion/steering';

export const CORNER_KEYS = ['frontLeft', 'frontRight', 'rearLeft', 'rearRight'] as const;
export type CornerKey = (typeof CORNER_KEYS)[number];

/** What a corner is called at the head of a line; `cornerName` within a sentence. */
export const CORNER_NAMES: Readonly<Record<CornerKey, string>> = {
  frontLeft: 'Front left',
  frontRight: 'Front right',
  rearLeft: 'Rear left',
  rearRight: 'Rear right',
};

export const cornerName = (key: CornerKey): string => CORNER_NAMES[key].toLowerCase();

export const AXLES = ['front', 'rear'] as const;
export type Axle = (typeof AXLES)[number];

/** Corners of each axle, left before right. */
export const CORNERS_OF = { front: ['frontLeft', 'frontRight'], rear: ['rearLeft', 'rearRight'] } as const;

export const axleOf = (key: CornerKey): Axle => (key === 'frontLeft' || key === 'frontRight' ? 'front' : 'rear');

export const sideOf = (key: CornerKey): Side => (key === 'frontLeft' || key === 'rearLeft' ? 'left' : 'right');

/** The corner across the same axle. */
export const acrossFrom = (key: CornerKey): CornerKey => {
  const [left, right] = CORNERS_OF[axleOf(key)];
  return key === left ? right : left;
};
