/** What a job keeps of its stance beside the setup's own numbers, as Zod schemas. Units in the names. */
import { z } from 'zod';
import { LIMITS } from '@/core/1-base/limits';
import { pointSchema, within } from './motion-schema';
import { photoPlaceSchema } from './wheel-photo-schema';

const degrees = z.number().min(0).max(30).optional();
const length = within(LIMITS.underbodyMm).optional();

/** One side's arm of the sway bar and its link, from the side, at the surveyed ride height. */
export const swayBarSchema = z.strictObject({
  armMm: within(LIMITS.linkMm).optional(),
  armRiseMm: within(LIMITS.riseMm).optional(),
  linkMm: within(LIMITS.linkMm).optional(),
  linkLeanMm: within(LIMITS.riseMm).optional(),
  linkRunsUp: z.boolean().optional(),
  linkRatio: within(LIMITS.motionRatio).optional(),
});

/** The drag link of a steered beam axle, at the surveyed ride height. */
export const dragLinkSchema = z.strictObject({
  runsTo: z.enum(['left', 'right']).optional(),
  acrossMm: within(LIMITS.armMm).optional(),
  riseMm: within(LIMITS.riseMm).optional(),
  armMm: within(LIMITS.linkMm).optional(),
  armAhead: z.boolean().optional(),
  steeringRatio: within(LIMITS.steeringRatio).optional(),
});

/** What an axle's adjusters and joints can do, and how its links stand. */
export const axleAbilitySchema = z.strictObject({
  camberByDeg: degrees,
  casterByDeg: degrees,
  jointMostDeg: z.number().min(0).max(60).optional(),
  upperJointMostDeg: z.number().min(0).max(60).optional(),
  /** Of the arms at the frame, by their bushings. */
  armMostDeg: z.number().min(0).max(60).optional(),
  /** Spring travel over wheel travel; asked once, for all parts on the springs. */
  springRatio: within(LIMITS.motionRatio).optional(),
  /** Shock travel over wheel travel. */
  shockRatio: within(LIMITS.motionRatio).optional(),
  /** Working angle that joints of half shafts or driveshaft stand. */
  shaftMostDeg: z.number().min(0).max(60).optional(),
  /** Rate at one wheel: the spring's times the motion ratio squared. */
  wheelRateNPerMm: within(LIMITS.springRateNPerMm).optional(),
  /** A weight put over it, and how far it was seen to sink: stands for the rate where none is entered. */
  sankKg: z.number().min(1).max(5000).optional(),
  sankMm: within(LIMITS.sagMm).optional(),
  /** Sprung weight on both its wheels as it stands. */
  standsKg: within(LIMITS.axleKg).optional(),
  /** Of a leaf spring to its axle. */
  leafSits: z.enum(['overAxle', 'underAxle']).optional(),
  swayBar: swayBarSchema.optional(),
  dragLink: dragLinkSchema.optional(),
});

/** A spring or shock by its ends, corner frame, surveyed ride height. */
export const springEndsSchema = z.strictObject({
  top: pointSchema,
  bottom: pointSchema,
  on: z.enum(['axle', 'knuckle', 'upperArm', 'lowerArm']),
});

const markedWheel = z.strictObject({ hub: photoPlaceSchema, tireEdge: photoPlaceSchema });

/** A photo of the vehicle's side with its wheels marked, as shares of the picture's width and height. */
export const sidePhotoSchema = z.strictObject({
  photoId: z.uuid(),
  side: z.enum(['left', 'right']),
  front: markedWheel.optional(),
  rear: markedWheel.optional(),
});

/** What stands how high over the ground, and what the vehicle is geared for; as it is today, on the fitted tires. */
export const roadSchema = z.strictObject({
  frontReachMm: length,
  frontHeightMm: length,
  rearReachMm: length,
  rearHeightMm: length,
  /** What those lowest places are fixed to. */
  frontFixedTo: z.enum(['body', 'frame']).optional(),
  rearFixedTo: z.enum(['body', 'frame']).optional(),
  bellyBehindMm: within(LIMITS.wheelbaseMm).optional(),
  bellyHeightMm: length,
  axleClearanceMm: length,
  centreOfGravityMm: length,
  axleRatio: z.number().min(1).max(12).optional(),
  gearRatio: z.number().min(0.2).max(10).optional(),
  cruiseKmh: z.number().min(5).max(250).optional(),
  /** By how much the speedometer shows too much today, a share of the truth. */
  speedometerErrorShare: z.number().min(-0.1).max(0.2).optional(),
  /** The heaviest each axle may be, both wheels. */
  frontAxleKg: within(LIMITS.axleKg).optional(),
  rearAxleKg: within(LIMITS.axleKg).optional(),
  /** Of the tires tried, where their size does not say it, and the pressure at which it holds. */
  tireLoadIndex: z.int().min(60).max(140).optional(),
  tireReferenceKpa: within(LIMITS.pressureKpa).optional(),
  /** What the vehicle counts as for its tires' load: passenger tires carry less on a truck, van or off-road vehicle. */
  vehicle: z.enum(['car', 'truck']).optional(),
  /** The fastest it is driven. */
  topKmh: z.number().min(5).max(350).optional(),
});

/** Driveshaft of a beam axle, or half shafts of an independent one, by tape at the surveyed ride height. */
export const driveSchema = z.strictObject({
  shaftLengthMm: within(LIMITS.wheelbaseMm).optional(),
  shaftRiseMm: within(LIMITS.riseMm).optional(),
  outputDeg: z.number().min(-40).max(40).optional(),
  pinionDeg: z.number().min(-40).max(40).optional(),
  pinionReachMm: within(LIMITS.pinionReachMm).optional(),
  pinionRiseMm: within(LIMITS.riseMm).optional(),
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

const byCorner = <T extends z.ZodType>(schema: T) =>
  z.strictObject({ frontLeft: schema, frontRight: schema, rearLeft: schema, rearRight: schema });

export const stanceSchema = z.strictObject({
  front: axleAbilitySchema.optional(),
  rear: axleAbilitySchema.optional(),
  /** Rear lip over front lip that is wanted. */
  rakeMm: z.number().min(-300).max(300).optional(),
  /** Fender lip over the ground that is wanted. */
  wantedLip: z
    .strictObject({
      frontMm: within(LIMITS.groundToLipMm).optional(),
      rearMm: within(LIMITS.groundToLipMm).optional(),
    })
    .optional(),
  /** Whether that rake is to be left with the cargo on. */
  rakeLoaded: z.boolean().optional(),
  cargo: z
    .strictObject({
      weightKg: z.number().min(0).max(5000).optional(),
      behindFrontMm: z.number().min(-3000).max(12_000).optional(),
    })
    .optional(),
  springs: byCorner(springEndsSchema.optional()).optional(),
  sidePhoto: sidePhotoSchema.optional(),
  road: roadSchema.optional(),
  cycles: byCorner(cycle).optional(),
  drive: z.strictObject({ front: driveSchema.optional(), rear: driveSchema.optional() }).optional(),
});

export type AxleAbilityEntry = z.output<typeof axleAbilitySchema>;
export type CycleStepEntry = z.output<typeof cycleStepSchema>;
export type DriveEntry = z.output<typeof driveSchema>;
export type DragLinkEntry = z.output<typeof dragLinkSchema>;
export type SidePhotoEntry = z.output<typeof sidePhotoSchema>;
export type SpringEndsEntry = z.output<typeof springEndsSchema>;
export type SwayBarEntry = z.output<typeof swayBarSchema>;
export type RoadEntry = z.output<typeof roadSchema>;
