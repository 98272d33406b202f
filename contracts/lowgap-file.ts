/**
 * The `.lowgap.json` file and every part of it, as Zod schemas. The published JSON Schema is made from these
 * (`npm run schema`). Units are in the names; points `[x, y, z]` in the corner frame, mm; angles in degrees.
 */
import { z } from 'zod';
import { VEHICLE_KINDS } from '@/core/2-vehicle/setup/vehicle-kind';
import { CORNER_KEYS } from '@/core/2-vehicle/setup/corner-key';
import { ENVELOPES } from '@/core/4-clearance/envelope/envelope-kind';
import { STANDARD_IDS } from '@/core/4-clearance/case/standard';
import { STOP_PLACES } from '@/core/2-vehicle/setup/stop-place';
import { STARTING_VALUES } from '@/core/3-survey/known/known';
import { LIMITS } from '@/core/1-base/limits';
import { LENGTH_UNITS } from '@/core/1-base/units/length';
import { MOUNTS } from '@/core/2-vehicle/motion/mount';
import { sizeTextSchema, tireShapeFields, wheelInsideFields } from './catalogue';
import { finderSchema } from './finder';
import { planSchema } from './plan';
import { conditionsSchema, cornerUnderbodySchema, intakeSchema, underbodySchema } from './job-record';
import { motionSchema, within } from './motion-schema';
import { liftPartSchema } from './lift-part-schema';
import { cutSchema, obstacleSchema, readingSchema } from './obstacle-schema';
import { plainText, typedTexts as typed } from './plain-text';
import { wheelPhotoSchema } from './wheel-photo-schema';
import { followUpSchema } from './follow-up';
import { installSchema } from './install';
import { stanceSchema } from './stance';
import { testFitSchema } from './test-fit';

export const FILE_FORMAT = 'lowgap';
export const FILE_VERSION = 1;

const text = (max: number) => plainText(max).trim().min(1);

export const tireSchema = z.strictObject({
  size: sizeTextSchema,
  ...tireShapeFields,
});

export const wheelSchema = z.strictObject({
  diameterIn: within(LIMITS.rimDiameterIn),
  widthIn: within(LIMITS.rimWidthIn),
  offsetMm: within(LIMITS.offsetMm).optional(),
  backspacingMm: within(LIMITS.backspacingMm).optional(),
  backspacingSchool: z.enum(['lipToPad', 'nominal']).optional(),
  studPocketMm: within(LIMITS.studMm).optional(),
  ...wheelInsideFields,
  spokeBack: z
    .array(z.strictObject({ radiusMm: within(LIMITS.spokeRadiusMm), backMm: within(LIMITS.spokeBackMm) }))
    .max(12)
    .optional(),
});

const fitmentFields = {
  tire: tireSchema,
  wheel: wheelSchema,
  spacerMm: within(LIMITS.spacerMm).default(0),
  spacerType: z.enum(['slipOn', 'boltOn']).optional(),
  typed,
};

export const fittedSchema = z.strictObject(fitmentFields);

const allowance = within(LIMITS.allowanceMm).optional();

export const allowancesSchema = z.strictObject({
  radiusToleranceMm: allowance,
  sideToleranceMm: allowance,
  growthMm: allowance,
  lugsMm: allowance,
  rimProtectorMm: allowance,
  chain: z.strictObject({ treadMm: within(LIMITS.chainRoomMm), sidewallMm: within(LIMITS.chainRoomMm) }).optional(),
});

const alignmentSchema = z.enum(['aligned', 'asStands']);

/** Things a setup may say beside its numbers; the same for one corner's exceptions. */
const setupExtras = {
  allowances: allowancesSchema.optional(),
  parts: z.array(liftPartSchema).max(20).optional(),
  removed: z.array(text(60)).max(200).optional(),
};

const setupFields = {
  ...fitmentFields,
  suspensionLiftMm: within(LIMITS.suspensionLiftMm).default(0),
  bodyLiftMm: within(LIMITS.bodyLiftMm).default(0),
  bumpStopMm: within(LIMITS.bumpStopMm).default(0),
  axleShiftMm: within(LIMITS.shiftMm).default(0),
  bumpLimitShiftMm: within(LIMITS.shiftMm).default(0),
  droopLimitShiftMm: within(LIMITS.shiftMm).default(0),
  linkageDropMm: within(LIMITS.shiftMm).default(0),
  steerStopLeftDeg: within(LIMITS.lockDeg).optional(),
  steerStopRightDeg: within(LIMITS.lockDeg).optional(),
  camberChangeDeg: within(LIMITS.camberDeg).default(0),
  casterChangeDeg: within(LIMITS.casterDeg).default(0),
  alignment: alignmentSchema.optional(),
  ...setupExtras,
};

/** The same fields, each optional and without default, for one corner's exceptions. */
const overrideSchema = z.strictObject({
  tire: tireSchema.optional(),
  wheel: wheelSchema.optional(),
  spacerMm: within(LIMITS.spacerMm).optional(),
  spacerType: z.enum(['slipOn', 'boltOn']).optional(),
  typed,
  suspensionLiftMm: within(LIMITS.suspensionLiftMm).optional(),
  bodyLiftMm: within(LIMITS.bodyLiftMm).optional(),
  bumpStopMm: within(LIMITS.bumpStopMm).optional(),
  axleShiftMm: within(LIMITS.shiftMm).optional(),
  bumpLimitShiftMm: within(LIMITS.shiftMm).optional(),
  droopLimitShiftMm: within(LIMITS.shiftMm).optional(),
  linkageDropMm: within(LIMITS.shiftMm).optional(),
  steerStopLeftDeg: within(LIMITS.lockDeg).optional(),
  steerStopRightDeg: within(LIMITS.lockDeg).optional(),
  camberChangeDeg: within(LIMITS.camberDeg).optional(),
  casterChangeDeg: within(LIMITS.casterDeg).optional(),
  alignment: alignmentSchema.optional(),
  ...setupExtras,
});

const byCorner = <T extends z.ZodType>(schema: T) =>
  z.strictObject({
    frontLeft: schema.optional(),
    frontRight: schema.optional(),
    rearLeft: schema.optional(),
    rearRight: schema.optional(),
  } satisfies Record<(typeof CORNER_KEYS)[number], unknown>);

export const setupSchema = z.strictObject({ ...setupFields, corners: byCorner(overrideSchema).optional() });

export const steeringSchema = z.strictObject({
  inclinationDeg: within(LIMITS.inclinationDeg).optional(),
  casterDeg: within(LIMITS.casterDeg).optional(),
  kingpinOffsetMm: within(LIMITS.kingpinOffsetMm).optional(),
  casterTrailMm: within(LIMITS.casterTrailMm).optional(),
  lockLeftDeg: within(LIMITS.lockDeg),
  lockRightDeg: within(LIMITS.lockDeg),
  lockMeasured: z.enum(['axis', 'heading']).optional(),
});

const compliance = within(LIMITS.complianceMm).optional();

export const complianceSchema = z.strictObject({
  body: compliance,
  frame: compliance,
  axle: compliance,
  upperArm: compliance,
  lowerArm: compliance,
  knuckle: compliance,
  tieRod: compliance,
} satisfies Record<(typeof MOUNTS)[number], unknown>);

const adjusterReach = z.number().min(0).max(30).optional();

export const cornerSchema = z.strictObject({
  motion: motionSchema,
  steering: steeringSchema.optional(),
  staticCamberDeg: within(LIMITS.camberDeg).default(0),
  staticToeDeg: within(LIMITS.toeDeg).default(0),
  alignTo: z
    .strictObject({ camberDeg: within(LIMITS.camberDeg).optional(), casterDeg: within(LIMITS.casterDeg).optional() })
    .optional(),
  adjusters: z.strictObject({ camberByDeg: adjusterReach, casterByDeg: adjusterReach }).optional(),
  travel: z.strictObject({
    bumpMm: within(LIMITS.travelLimitMm),
    droopMm: within(LIMITS.travelLimitMm),
    firstTouchMm: within(LIMITS.travelLimitMm).optional(),
    stopSits: z.enum(STOP_PLACES).optional(),
    rampHereMm: within(LIMITS.travelMm).optional(),
    rampOtherMm: within(LIMITS.travelMm).optional(),
  }),
  loadedSagMm: within(LIMITS.sagMm).optional(),
  complianceMm: complianceSchema.optional(),
  pairs: z
    .array(z.strictObject({ a: text(60), b: text(60), requiredMm: within(LIMITS.requiredMm) }))
    .max(50)
    .optional(),
  studProtrusionMm: within(LIMITS.studMm).optional(),
  hubToLipMm: within(LIMITS.hubToLipMm).optional(),
  groundToLipMm: within(LIMITS.groundToLipMm).optional(),
  tirePressureKpa: within(LIMITS.pressureKpa).optional(),
  mirroredFrom: z.enum(CORNER_KEYS).optional(),
  underbody: cornerUnderbodySchema.optional(),
  skipped: z.array(text(80)).max(200).optional(),
  starting: z.array(z.enum(STARTING_VALUES)).max(STARTING_VALUES.length).optional(),
  fitted: fittedSchema,
  obstacles: z.array(obstacleSchema).max(200).default([]),
  photos: z.array(wheelPhotoSchema).max(6).optional(),
  typed,
});

/** Most setups kept side by side. */
export const MOST_COMPARED = 4;

export const comparedSchema = z.strictObject({ name: text(60), setup: setupSchema });

export const lowgapFileSchema = z.strictObject({
  format: z.literal(FILE_FORMAT),
  version: z.literal(FILE_VERSION),
  vehicle: z.strictObject({
    label: text(120),
    kind: z.enum(VEHICLE_KINDS).optional(),
    wheelbaseMm: within(LIMITS.wheelbaseMm).optional(),
    trackFrontMm: within(LIMITS.trackMm).optional(),
    trackRearMm: within(LIMITS.trackMm).optional(),
    notes: plainText(4000).optional(),
    vehicleId: text(40).optional(),
  }),
  /** What bare numbers are in, and what is shown first; absent: mm. */
  units: z.enum(LENGTH_UNITS).optional(),
  intake: intakeSchema.optional(),
  conditions: conditionsSchema.optional(),
  underbody: underbodySchema.optional(),
  corners: byCorner(cornerSchema),
  setup: setupSchema.optional(),
  /** On the vehicle already by a job before: work is what differs from it. */
  installed: setupSchema.optional(),
  compared: z.array(comparedSchema).max(MOST_COMPARED).optional(),
  finder: finderSchema.optional(),
  plan: planSchema.optional(),
  stance: stanceSchema.optional(),
  install: installSchema.optional(),
  testFits: z.array(testFitSchema(setupSchema)).max(60).optional(),
  followUp: followUpSchema.optional(),
  envelope: z.enum(ENVELOPES).default('trail'),
  drawnEnvelope: z
    .array(
      z.strictObject({
        travelMm: within(LIMITS.travelMm),
        leftDeg: within(LIMITS.lockDeg),
        rightDeg: within(LIMITS.lockDeg),
      }),
    )
    .min(1)
    .max(60)
    .optional(),
  standard: z.enum(STANDARD_IDS).default('neverRub'),
});

export type LowgapFile = z.output<typeof lowgapFileSchema>;
export type LowgapCorner = z.output<typeof cornerSchema>;
export type LowgapObstacle = z.output<typeof obstacleSchema>;
export type LowgapCut = z.output<typeof cutSchema>;
export type LowgapReading = z.output<typeof readingSchema>;
export type LowgapSetup = z.output<typeof setupSchema>;
export type LowgapTestFit = NonNullable<LowgapFile['testFits']>[number];
export type LowgapFitted = z.output<typeof fittedSchema>;
