import { toDegrees } from '../../1-base/units/angle';
import type { Posture } from '../../2-vehicle/motion/corner-motion';
import type { PreparedCorner } from '../case/prepared-corner';

/**
 * Why a wheel is turned further than the number of its lock: that was read as a heading, and a turn about a leaning axis is more; or the tie rod, its
 * rack at the end, turns the wheel further at another height.
 */
export interface PastLock {
  readonly lockDeg: number;
  readonly why: 'heading' | 'tieRod';
}

/** degrees that nobody reads off a lock. */
const SAME_DEG = 0.5;

/** null: the posture is within the locks as they were read. */
export function pastLock({ motion, locksRead }: PreparedCorner, { steer }: Posture): PastLock | null {
  if (!locksRead) return null;
  const lockDeg = steer > 0 ? locksRead.leftDeg : locksRead.rightDeg;
  const turnedDeg = toDegrees(Math.abs(steer));
  if (turnedDeg <= lockDeg + SAME_DEG) return null;
  const home = motion.locksAt(motion.carrierAt(0, 0));
  const homeDeg = toDegrees(steer > 0 ? home.left : home.right);
  return { lockDeg, why: turnedDeg > homeDeg + SAME_DEG ? 'tieRod' : 'heading' };
}
