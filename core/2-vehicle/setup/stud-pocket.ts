import type { WheelAndTire } from './wheel-and-tire';

export interface StudPocketGap {
  /** mm the vehicle's studs stand out beyond what carries the wheel. */
  readonly protrusionMm: number;
  /** mm of room left in the wheel's pockets; negative: the studs keep the wheel off its seat. */
  readonly gapMm: number;
}

/**
 * A bolt-on spacer covers the vehicle's studs; what is longer than the spacer is thick must find room in pockets in the
 * wheel's pad. Null where this does not arise or was not measured.
 */
export function studPocketGap(studProtrusionMm: number | undefined, setup: WheelAndTire): StudPocketGap | null {
  if (setup.spacerType !== 'boltOn' || studProtrusionMm === undefined) return null;
  const protrusionMm = Math.max(0, studProtrusionMm - setup.spacerMm);
  return { protrusionMm, gapMm: (setup.wheel.studPocketMm ?? 0) - protrusionMm };
}
