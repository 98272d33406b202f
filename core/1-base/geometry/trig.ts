/**
 * Roots of `a cos(x) + b sin(x) = c` lie to both sides of atan2(b, a). All angles rad; NaN when there is no root.
 */

/** The root nearest to `near`, within half a turn of it. */
export function cosSinRoot(a: number, b: number, c: number, near = 0): number {
  const middle = Math.atan2(b, a);
  const half = Math.acos(c / Math.hypot(a, b));
  const first = wrapped(middle + half, near);
  const second = wrapped(middle - half, near);
  return Math.abs(first - near) <= Math.abs(second - near) ? first : second;
}

export type Branch = 1 | -1;

/** Which of the two roots `x` is, for coefficients a and b: `cosSinBranchRoot` with it leads back to `x`. */
export const cosSinBranch = (a: number, b: number, x: number): Branch =>
  wrapped(x - Math.atan2(b, a), 0) >= 0 ? 1 : -1;

/** The root on one branch, within half a turn of 0. */
export const cosSinBranchRoot = (a: number, b: number, c: number, branch: Branch): number =>
  wrapped(Math.atan2(b, a) + branch * Math.acos(c / Math.hypot(a, b)), 0);

/** The angle plus whole turns, within half a turn of `near`. */
function wrapped(angle: number, near: number): number {
  return angle - Math.round((angle - near) / (2 * Math.PI)) * 2 * Math.PI;
}
