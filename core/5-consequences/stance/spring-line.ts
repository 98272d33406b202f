import { place } from '../../1-base/geometry/pose';
import { distance, type Vec3 } from '../../1-base/geometry/vec3';
import type { CornerMotion } from '../../2-vehicle/motion/corner-motion';
import type { Mount } from '../../2-vehicle/motion/mount';

/** A spring or shock between the frame and what moves, both ends in the corner frame at the survey, mm. */
export interface SpringLine {
  readonly top: Vec3;
  readonly bottom: Vec3;
  readonly on: Extract<Mount, 'axle' | 'knuckle' | 'upperArm' | 'lowerArm'>;
}

/** Eye to eye at a height, straight ahead. @throws ProblemError where the linkage does not reach it. */
export const springLengthMm = (motion: CornerMotion, { top, bottom, on }: SpringLine, travelMm: number): number =>
  distance(top, place(motion.mountPose(on, { travel: travelMm, steer: 0 }), bottom));

/** mm of travel over which the ratio is taken. */
const STEP_MM = 2;

/**
 * Motion ratio: how much the spring is pressed together over how much the wheel rises, by the linkage itself, about a height.
 * @throws ProblemError as `springLengthMm`.
 */
export const motionRatio = (motion: CornerMotion, line: SpringLine, travelMm: number): number =>
  (springLengthMm(motion, line, travelMm - STEP_MM / 2) - springLengthMm(motion, line, travelMm + STEP_MM / 2)) /
  STEP_MM;

/** A shock as it was measured, mm; `ratio` where its ends are not known. */
export interface ShockMeasured {
  readonly openMm: number;
  readonly closedMm: number;
  /** Eye to eye at the surveyed ride height. */
  readonly nowMm: number;
  readonly ratio: number;
}

/** What a shock does between two heights, mm. */
export interface ShockTravel {
  /** Length it would have at full droop, ride and full bump. */
  readonly droopMm: number;
  readonly rideMm: number;
  readonly bumpMm: number;
  /** How much it is too short at full droop (it stops the wheel before), and too long at full bump (it bottoms); 0: none. */
  readonly shortMm: number;
  readonly bottomsMm: number;
  /** Stroke it has left at both ends; negative: as much too little. */
  readonly droopSpareMm: number;
  readonly bumpSpareMm: number;
  /** Highest and lowest travel it lets the wheel reach. */
  readonly droopReachedMm: number;
  readonly bumpReachedMm: number;
}

/** A shock over a range of heights, its length taken to change by its ratio. */
export function shockTravel(
  { openMm, closedMm, nowMm, ratio }: ShockMeasured,
  limits: { readonly droop: number; readonly ride: number; readonly bump: number },
): ShockTravel {
  const lengthAt = (travel: number): number => nowMm - ratio * travel;
  const droopSpareMm = openMm - lengthAt(limits.droop);
  const bumpSpareMm = lengthAt(limits.bump) - closedMm;
  return {
    droopMm: lengthAt(limits.droop),
    rideMm: lengthAt(limits.ride),
    bumpMm: lengthAt(limits.bump),
    shortMm: Math.max(0, -droopSpareMm),
    bottomsMm: Math.max(0, -bumpSpareMm),
    droopSpareMm,
    bumpSpareMm,
    droopReachedMm: Math.max(limits.droop, (nowMm - openMm) / ratio),
    bumpReachedMm: Math.min(limits.bump, (nowMm - closedMm) / ratio),
  };
}
