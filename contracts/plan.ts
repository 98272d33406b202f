/** What a job keeps of its plan, as Zod schemas. Units in the names; money in minor units of the shop's own. */
import { z } from 'zod';
import { CORNER_KEYS } from '@/core/2-vehicle/setup/corner-key';
import { LIMITS } from '@/core/1-base/limits';
import { MODIFICATIONS, TOOL_SETS } from '@/core/6-decisions/plan/modification';
import { boltPatternSchema } from './catalogue';
import { priceSchema } from './finder';
import { within } from './motion-schema';
import { plainText } from './plain-text';

const modification = z.enum(MODIFICATIONS);
const id = plainText(60).trim().min(1);
const corner = z.enum(CORNER_KEYS);
const minutes = z.int().min(0).max(6000);

export const shopTermsSchema = z.strictObject({
  toolSet: z.enum(TOOL_SETS).default('power'),
  labourMinorPerHour: priceSchema.default(0),
  /** 190 000 is 19 %. */
  taxMillionths: z.int().min(0).max(1_000_000).default(0),
  taxOn: z.enum(['all', 'parts', 'nothing']).default('all'),
  minutes: z.partialRecord(modification, minutes).default({}),
  partsMinor: z.partialRecord(modification, priceSchema).default({}),
});

const signedDegrees = within(LIMITS.casterDeg);
const signedMm = within(LIMITS.shiftMm);

const axleChange = {
  bumpStopMm: within(LIMITS.bumpStopMm),
  steeringStopDeg: within(LIMITS.lockDeg),
  spacerMm: within(LIMITS.spacerMm),
  otherWheelMm: signedMm,
  armAdjustDeg: signedDegrees,
  axleMoveMm: signedMm,
  liftMm: within(LIMITS.suspensionLiftMm),
};

const tried = <T extends z.ZodType>(of: T) => z.array(of).max(12).optional();

const axleTriedSchema = z.strictObject({
  bumpStopMm: tried(axleChange.bumpStopMm),
  steeringStopDeg: tried(axleChange.steeringStopDeg),
  spacerMm: tried(axleChange.spacerMm),
  otherWheelMm: tried(axleChange.otherWheelMm),
  armAdjustDeg: tried(axleChange.armAdjustDeg),
  axleMoveMm: tried(axleChange.axleMoveMm),
  liftMm: tried(axleChange.liftMm),
});

const axleChangesSchema = z.strictObject(axleChange);

export const chosenPlanSchema = z.strictObject({
  changes: z.strictObject({
    front: axleChangesSchema,
    rear: axleChangesSchema,
    bodyLiftMm: within(LIMITS.bodyLiftMm),
  }),
  fixes: z
    .array(z.strictObject({ corner, obstacle: id, kind: modification, amountMm: within(LIMITS.changeMm) }))
    .max(400),
});

/** The owner's consent to taking off one crash bracket. */
export const consentSchema = z.strictObject({
  corner,
  obstacle: id,
  owner: plainText(80).trim().min(1),
  date: z.iso.date(),
});

/** A spacer and the wheel on it as they were measured. Left out: not measured, and never assumed. */
export const spacerEntrySchema = z.strictObject({
  corner,
  type: z.enum(['slipOn', 'boltOn']),
  thicknessMm: within(LIMITS.spacerMm),
  studDiameterMm: z.number().min(4).max(40).optional(),
  threadPitchMm: z.number().min(0.5).max(4).optional(),
  padMm: z.number().min(1).max(80).optional(),
  nutDepthMm: z.number().min(0).max(80).optional(),
  flangeMm: z.number().min(1).max(80).optional(),
  underNutMm: z.number().min(1).max(80).optional(),
  ownStudMm: z.number().min(5).max(120).optional(),
  hubBoreMm: z.number().min(20).max(300).optional(),
  hubRegisterMm: z.number().min(0).max(80).optional(),
  spacerBoreMm: z.number().min(20).max(300).optional(),
  spacerLipMm: z.number().min(0).max(300).optional(),
  wheelBoreMm: z.number().min(20).max(300).optional(),
  hubPattern: boltPatternSchema.optional(),
  wheelPattern: boltPatternSchema.optional(),
  facesBare: z.boolean().optional(),
  /** Middle of the wheel bearing inboard of the mounting face. */
  bearingInboardMm: z.number().min(-100).max(300).optional(),
  /** As the part's maker writes it. */
  reTorqueAfter: plainText(80).optional(),
});

const drawnAt = z.number().min(-5000).max(5000);

/** How one cut sheet is drawn. */
export const sheetEntrySchema = z.strictObject({
  corner,
  obstacle: id,
  allowanceMm: z.number().min(0).max(60).default(5),
  flapMm: z.number().min(0).max(60).default(0),
  /** A depth that somebody would cut. */
  triedDepthMm: z.number().min(0).max(300).optional(),
  /** A line for looks: right and up on the drawing, mm. */
  looks: z
    .array(z.tuple([drawnAt, drawnAt]))
    .min(2)
    .max(40)
    .optional(),
});

/** A step a kit's maker prescribes. */
export const prescribedStepSchema = z.strictObject({
  text: plainText(300).trim().min(1),
  source: plainText(200).trim().min(1),
  minutes,
});

export const partEntrySchema = z.strictObject({
  name: plainText(120).trim().min(1),
  quantity: z.int().min(1).max(999),
  unitMinor: priceSchema,
});

export const planSchema = z.strictObject({
  shop: shopTermsSchema.prefault({}),
  allowed: z.partialRecord(modification, within(LIMITS.changeMm)).default({}),
  tried: z.strictObject({ front: axleTriedSchema, rear: axleTriedSchema }).prefault({ front: {}, rear: {} }),
  bodyLiftsMm: z.array(within(LIMITS.bodyLiftMm)).max(12).default([]),
  /** Absent: both sides of an axle alike. */
  sides: z.enum(['both', 'each']).optional(),
  consents: z.array(consentSchema).max(40).default([]),
  chosen: chosenPlanSchema.optional(),
  spacer: spacerEntrySchema.optional(),
  sheets: z.array(sheetEntrySchema).max(60).default([]),
  prescribed: z.array(prescribedStepSchema).max(40).default([]),
  parts: z.array(partEntrySchema).max(200).default([]),
});

export type PlanEntry = z.output<typeof planSchema>;
export type SpacerEntry = z.output<typeof spacerEntrySchema>;
export type SheetEntry = z.output<typeof sheetEntrySchema>;
export type Consent = z.output<typeof consentSchema>;
export type ShopTermsEntry = z.output<typeof shopTermsSchema>;
