import { ProblemError } from '../problem';
import { toDegrees } from './angle';
import { formatClock } from './clock';

/** Which half of the tire a place is in. */
export type TireHalf = 'front' | 'rear';

/** Clock of a place at `degrees` (0 to 180) from straight up, seen from the hub. */
export const clockFromAngle = (degrees: number, toward: TireHalf): string =>
  formatClock(toward === 'front' ? degrees : 360 - degrees);

/**
 * Clock of a place by two tapes: `awayMm` from the hub center straight to it, `aboveMm` above the hub (- below), by the
 * cosine in the right triangle. Both in the wheel's plane.
 * @throws ProblemError `contradiction` when it would stand higher than it is away.
 */
export function clockFromTapes(awayMm: number, aboveMm: number, toward: TireHalf): string {
  if (!(Math.abs(aboveMm) <= awayMm)) {
    throw new ProblemError({
      code: 'contradiction',
      path: 'aboveMm',
      expected: `at most ${awayMm} mm, the distance from the hub`,
      found: `${aboveMm} mm`,
    });
  }
  return clockFromAngle(toDegrees(Math.acos(aboveMm / awayMm)), toward);
}
