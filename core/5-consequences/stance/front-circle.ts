import type { CornerDescription } from '../../3-survey/description/corner-description';
import { type CornerKey, axleOf } from '../../2-vehicle/setup/corner-key';
import type { Setup } from '../../2-vehicle/setup/setup';
import { turningCircleMm } from '../road/turning-circle';
import { scrubRadiusMm } from './scrub-radius';

/** The turn in which a front wheel is the outer one: a left wheel's is the right turn. */
export const outerTurn = (key: CornerKey): 'left' | 'right' => (key === 'frontLeft' ? 'right' : 'left');

/** The outer wheel's own lock in that turn, degrees; null: the wheel does not steer. */
export function outerLockDeg(key: CornerKey, { steering }: CornerDescription, setup: Setup): number | null {
  if (!steering || axleOf(key) !== 'front') return null;
  return outerTurn(key) === 'left'
    ? (setup.steerStopLeftDeg ?? steering.lockLeftDeg)
    : (setup.steerStopRightDeg ?? steering.lockRightDeg);
}

/** Circle of that wheel's contact, mm; null: it does not steer. @throws ProblemError as `scrubRadiusMm`. */
export function frontCircleMm(
  key: CornerKey,
  corner: CornerDescription,
  setup: Setup,
  wheelbaseMm: number,
): number | null {
  const lock = outerLockDeg(key, corner, setup);
  return lock === null ? null : turningCircleMm(wheelbaseMm, lock, scrubRadiusMm(key, corner, setup) ?? 0);
}
