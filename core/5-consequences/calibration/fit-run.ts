import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { DrawnRow } from '../../4-clearance/envelope/envelope-kind';
import type { Setup } from '../../2-vehicle/setup/setup';
import { travelLimits } from '../../4-clearance/envelope/envelope';

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
  setup: Setup,
  run: FitRun,
): { readonly setup: Setup; readonly drawn: readonly DrawnRow[] } {
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
