/**
 * When the fitted tire rubs on a thing, as a mark shows or a driver tells: somewhere in these postures they touch. Or that it
 * does not: nowhere in them do they.
 */
export interface RubDescription {
  readonly seen: 'mark' | 'driver';
  /** `false`: looked for, or asked, and there is none. */
  readonly touches?: false | undefined;
  readonly steer: 'left' | 'right' | 'straight' | 'any';
  /** `ride`: at ride height; `bump`: from a quarter of bump up; `any`: anywhere the stops allow. */
  readonly height: 'ride' | 'bump' | 'any';
  readonly going?: 'forward' | 'reverse' | undefined;
  readonly loaded?: boolean | undefined;
  readonly note?: string | undefined;
}

/** Steer as a share of the lock, + = left; travel as a share of bump, - of droop. */
export type RubPosture = readonly [steer: number, travel: number];

/** Postures in which a rub may be. */
export function rubPostures({ steer, height }: RubDescription): readonly RubPosture[] {
  const steers = STEERS[steer];
  return HEIGHTS[height].flatMap((travel) => steers.map((share) => [share, travel] as const));
}

const STEERS: Readonly<Record<RubDescription['steer'], readonly number[]>> = {
  left: [0.25, 0.5, 0.75, 1],
  right: [-0.25, -0.5, -0.75, -1],
  straight: [0],
  any: [-1, -0.67, -0.33, 0, 0.33, 0.67, 1],
};

const HEIGHTS: Readonly<Record<RubDescription['height'], readonly number[]>> = {
  ride: [0],
  bump: [0.25, 0.5, 0.75, 1],
  any: [-1, -0.5, 0, 0.33, 0.67, 1],
};
