import { toRadians } from '../../1-base/units/angle';

/**
 * Diameter of the circle that the outer front wheel's contact runs on, mm: with low-speed (Ackermann) steering every wheel
 * turns about one point on the rear axle's line, so that the outer steering axis stands wheelbase / sin(lock) from it, and
 * the contact lies the scrub radius further out. `outerLockDeg` is that wheel's own angle. Infinite without lock.
 */
export const turningCircleMm = (wheelbaseMm: number, outerLockDeg: number, scrubRadiusMm: number): number =>
  2 * (wheelbaseMm / Math.sin(toRadians(outerLockDeg)) + scrubRadiusMm);
