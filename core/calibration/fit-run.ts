import type { CornerDescription, DrawnRow, SetupDescription } from '../clearance/description';
import { travelLimits } from '../clearance/envelope';
import { withPartsCounted } from '../stance/lift-part';

/**
 * Postures a wheel was really taken through: heights from the surveyed ride height (mm, + bump), steer of this wheel (degrees, + = left,
 * `rightDeg` the other way; one angle alone has `rightDeg` = -`leftDeg`).
 */
export interface FitRun {
  readonly lowMm: number;
  readonly highMm: number;
  readonly leftDeg: number;
  readonly rightDeg: number;
}

/** mm: a single height is a range too. */
const LEAST_RANGE_MM = 0.02;

/** A setup whose stops let the wheel go through a run and no further, with the steer it was given. Its parts are counted. */
export function runSetup(
  corner: CornerDescription,
  entered: SetupDescription,
  run: FitRun,
): { readonly setup: SetupDescription; readonly drawn: readonly DrawnRow[] } {
  const setup = withPartsCounted(entered);
  const limits = travelLimits(corner, setup);
  const lowMm = Math.min(run.lowMm, run.highMm - LEAST_RANGE_MM);
  const parked = Math.min(run.highMm, Math.max(lowMm, limits.ride));
  return {
    setup: {
      ...setup,
      suspensionLiftMm: -parked,
      droopLimitShiftMm: setup.droopLimitShiftMm + lowMm - limits.droop,
      bumpLimitShiftMm: setup.bumpLimitShiftMm + run.highMm - limits.bump,
    },
    drawn: [{ travelMm: 0, leftDeg: run.leftDeg, rightDeg: run.rightDeg }],
  };
}

/** Steer of a run lock to lock, degrees: more than any lock, so that the locks themselves end it, however they turn out. */
export const LOCK_TO_LOCK = { leftDeg: 90, rightDeg: 90 } as const;
