/** Where a wheel stands to its bearing, mm: middle of the tire outboard of the middle of the bearing, and hub to ground. */
export interface WheelLever {
  readonly leverMm: number;
  readonly loadedRadiusMm: number;
}

/** Side force in a hard corner over the load on the wheel. Working value of this project, no published source. */
const CORNERING = 0.5;

/**
 * Moment on a wheel bearing in a hard corner, over what it was. The wheel's load acts at the lever and the side force at the ground, one
 * loaded radius below; they turn the same way in one of the two turns, which is the one that counts. With the load alone a wheel that stands
 * over its bearing today would seem to be loaded many times as much by a thin spacer.
 */
export const bearingMomentRatio = (before: WheelLever, after: WheelLever): number => momentMm(after) / momentMm(before);

const momentMm = ({ leverMm, loadedRadiusMm }: WheelLever): number => Math.abs(leverMm) + CORNERING * loadedRadiusMm;
