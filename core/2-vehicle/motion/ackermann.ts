import { toDegrees, toRadians } from '../../1-base/units/angle';
import type { Side } from './steering';

/** The base over which a vehicle turns, mm. */
export interface SteeringBase {
  readonly wheelbaseMm: number;
  readonly trackMm: number;
}

/**
 * Lock of the other way for one wheel where one lock of it is known, degrees, by Ackermann's condition: cot(outer) - cot(inner) = track /
 * wheelbase. `isInner`: the known one is that of the inner wheel of the turn.
 */
export function ackermannLockDeg(lockDeg: number, isInner: boolean, { wheelbaseMm, trackMm }: SteeringBase): number {
  const cotangent = 1 / Math.tan(toRadians(lockDeg));
  const other = cotangent + (isInner ? 1 : -1) * (trackMm / wheelbaseMm);
  return other > 0 ? toDegrees(Math.atan(1 / other)) : 90;
}

/** Whether steering this way makes this side's wheel the inner one. */
export const isInnerLock = (side: Side, toward: 'left' | 'right'): boolean => side === toward;

/**
 * Locks that nobody read, as headings on turn plates: inner 36 to 38 degrees, outer some 30 to 34 (common practice, no source), both in the
 * middle.
 */
export const STARTING_LOCKS = { innerDeg: 37, outerDeg: 32 } as const;
