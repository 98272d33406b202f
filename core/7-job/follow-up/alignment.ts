import { toDegrees, toRadians } from '../../1-base/units/angle';

export const ALIGNMENT_STATES = ['before', 'after'] as const;

/**
 * Toe of one wheel as a length: how much nearer the vehicle's middle the front of a circle of that diameter stands than its rear (toe-in +).
 * By the angle's definition (ISO 8855:2011, from memory) that is the diameter times its sine.
 */
export const toeMm = (toeDeg: number, diameterMm: number): number => diameterMm * Math.sin(toRadians(toeDeg));

/** The angle for a length measured at a diameter, degrees; NaN for more than the diameter. */
export const toeDegFromMm = (mm: number, diameterMm: number): number => toDegrees(Math.asin(mm / diameterMm));

/** Total toe of an axle and the angle its wheels share out to one side, degrees; + = to the left. */
export function axleToe(leftDeg: number, rightDeg: number): { readonly totalDeg: number; readonly crabDeg: number } {
  // Toe-in of the left wheel turns it right.
  return { totalDeg: leftDeg + rightDeg, crabDeg: (rightDeg - leftDeg) / 2 };
}
