import { alignHeightMm } from '../../2-vehicle/setup/setup';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { DrawnRow } from '../../4-clearance/envelope/envelope-kind';
import type { Fit } from '../spread/shared-errors';
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

/**
 * A corner and setup whose stops let the wheel go through a run and no further, with the steer it was given. Its parts are counted. On a
 * beam axle each wheel is stopped for itself: how the axle really stood is not known of a run.
 */
export function runFit({ corner: surveyed, setup }: Fit, run: FitRun): Fit & { readonly drawn: readonly DrawnRow[] } {
  const corner = stoppedAtHubs(surveyed);
  const limits = travelLimits(corner, setup);
  const lowMm = Math.min(run.lowMm, run.highMm - LEAST_RANGE_MM);
  const parked = Math.min(run.highMm, Math.max(lowMm, limits.ride));
  return {
    corner,
    setup: {
      ...setup,
      alignAtMm: alignHeightMm(setup),
      suspensionLiftMm: -parked,
      droopLimitShiftMm: setup.droopLimitShiftMm + lowMm - limits.droop,
      bumpLimitShiftMm: setup.bumpLimitShiftMm + run.highMm - limits.bump,
    },
    drawn: [{ travelMm: 0, leftDeg: run.leftDeg, rightDeg: run.rightDeg }],
  };
}

function stoppedAtHubs(corner: CornerDescription): CornerDescription {
  if (corner.motion.type !== 'beamAxle') return corner;
  const { stopSpacingMm: _stops, shockSpacingMm: _shocks, ...motion } = corner.motion;
  const { rampHereMm: _here, rampOtherMm: _other, ...travel } = corner.travel;
  return { ...corner, motion, travel };
}

/** Steer of a run lock to lock, degrees: more than any lock, so that the locks themselves end it, however they turn out. */
export const LOCK_TO_LOCK = { leftDeg: 90, rightDeg: 90 } as const;
