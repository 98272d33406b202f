/** What a job keeps of its stance beside the setup's own numbers, as Zod schemas. Units in the names. */
import { z } from 'zod';
import { LIMITS } from '@/core/limits';
import { within } from './motion-schema';

const degrees = z.number().min(0).max(30).optional();
const length = within(LIMITS.underbodyMm).optional();

/** What an axle's adjusters and joints can do. */
export const axleAbilitySchema = z.strictObject({
  camberByDeg: degrees,
  casterByDeg: degrees,
  jointMostDeg: z.number().min(0).max(60).optional(),
  /** Shock travel over wheel travel. */
  shockRatio: within(LIMITS.motionRatio).optional(),
});

/** What stands how high over the ground, and what the vehicle is geared for; as it is today, on the fitted tires. */
export const roadSchema = z.strictObject({
  frontReachMm: length,
  frontHeightMm: length,
  rearReachMm: length,
  rearHeightMm: length,
  bellyBehindMm: within(LIMITS.wheelbaseMm).optional(),
  bellyHeightMm: length,
  axleClearanceMm: length,
  centreOfGravityMm: length,
  axleRatio: z.number().min(1).max(12).optional(),
  gearRatio: z.number().min(0.2).max(10).optional(),
  cruiseKmh: z.number().min(5).max(250).optional(),
  /** By how much the speedometer shows too much today, a share of the truth. */
  speedometerErrorShare: z.number().min(-0.1).max(0.2).optional(),
});

/** Propshaft of a beam axle, or half shafts of an independent one, by tape at the surveyed ride height. */
export const driveSchema = z.strictObject({
  shaftLengthMm: within(LIMITS.wheelbaseMm).optional(),
  shaftRiseMm: within(LIMITS.riseMm).optional(),
  outputDeg: z.number().min(-40).max(40).optional(),
  pinionDeg: z.number().min(-40).max(40).optional(),
  innerInboardMm: within(LIMITS.jointMm).optional(),
  innerRiseMm: within(LIMITS.riseMm).optional(),
  outerInboardMm: within(LIMITS.jointMm).optional(),
  differentialDropMm: within(LIMITS.changeMm).optional(),
});

const watched = z.number().min(-200).max(2000).optional();

/** One step of a travel cycle as it was read. */
export const cycleStepSchema = z.strictObject({
  hubToLipMm: within(LIMITS.hubToLipMm),
  shockMm: watched,
  slipEngagedMm: watched,
  hoseSlackMm: watched,
  coilGapMm: watched,
  trackBarGapMm: watched,
});

const cycle = z.array(cycleStepSchema).max(40).optional();

export const stanceSchema = z.strictObject({
  front: axleAbilitySchema.optional(),
  rear: axleAbilitySchema.optional(),
  /** Rear lip over front lip that is wanted. */
  rakeMm: z.number().min(-300).max(300).optional(),
  road: roadSchema.optional(),
  cycles: z.strictObject({ frontLeft: cycle, frontRight: cycle, rearLeft: cycle, rearRight: cycle }).optional(),
  drive: z.strictObject({ front: driveSchema.optional(), rear: driveSchema.optional() }).optional(),
});

export type AxleAbilityEntry = z.output<typeof axleAbilitySchema>;
export type CycleStepEntry = z.output<typeof cycleStepSchema>;
export type DriveEntry = z.output<typeof driveSchema>;
export type RoadEntry = z.output<typeof roadSchema>;
