/** What is asked of the finder and what a job keeps of the answer, as Zod schemas. Units in the names. */
import { z } from 'zod';
import { FITS, LIFT_KINDS } from '@/core/6-decisions/finder/question';
import { REMEDIES } from '@/core/6-decisions/finder/remedies';
import { LIMITS } from '@/core/1-base/limits';
import { TIRE_KINDS } from '@/core/2-vehicle/tire/tire-kind';
import { SPEED_SYMBOLS } from '@/core/5-consequences/road/load-and-speed';
import { boltPatternSchema, sizeTextSchema, tireMakingFields, tireShapeFields, wheelInsideFields } from './catalogue';
import { within } from './motion-schema';
import { plainText } from './plain-text';

const MOST_LISTED = 600;

const label = plainText(80).optional();

/** Money in minor units of the shop's own. */
export const priceSchema = z.int().min(0).max(100_000_000);

const spanOf = (range: Parameters<typeof within>[0]) =>
  z.strictObject({ from: within(range), to: within(range), step: z.number().min(0.1).max(500) });

export const tireChoiceSchema = z.strictObject({
  size: sizeTextSchema,
  label,
  ...tireShapeFields,
  ...tireMakingFields,
  measuringRimIn: within(LIMITS.rimWidthIn).optional(),
  loadIndex: z.int().min(0).max(204).optional(),
  speedSymbol: z.string().max(3).optional(),
  priceMinor: priceSchema.optional(),
});

export const wheelChoiceSchema = z.strictObject({
  diameterIn: within(LIMITS.rimDiameterIn),
  widthIn: within(LIMITS.rimWidthIn),
  label,
  offsetMm: within(LIMITS.offsetMm).optional(),
  backspacingMm: within(LIMITS.backspacingMm).optional(),
  backspacingSchool: z.enum(['lipToPad', 'nominal']).optional(),
  studPocketMm: within(LIMITS.studMm).optional(),
  ...wheelInsideFields,
  boreMm: z.number().min(20).max(300).optional(),
  boltPattern: boltPatternSchema.optional(),
  loadKg: z.number().min(50).max(10_000).optional(),
  priceMinor: priceSchema.optional(),
});

export const spacerChoiceSchema = z.strictObject({
  thicknessMm: within(LIMITS.spacerMm),
  type: z.enum(['slipOn', 'boltOn']).optional(),
  label,
  boreMm: z.number().min(20).max(300).optional(),
  boltPattern: boltPatternSchema.optional(),
  priceMinor: priceSchema.optional(),
});

const tireFieldSchema = z.discriminatedUnion('from', [
  z.strictObject({ from: z.literal('list'), list: z.array(tireChoiceSchema).max(MOST_LISTED) }),
  z.strictObject({
    from: z.literal('common'),
    leastDiameterMm: within(LIMITS.tireDiameterMm),
    mostDiameterMm: within(LIMITS.tireDiameterMm),
    kind: z.enum(TIRE_KINDS).optional(),
  }),
  z.strictObject({
    from: z.literal('ranges'),
    diameterMm: spanOf(LIMITS.tireDiameterMm),
    widthMm: spanOf(LIMITS.tireWidthMm),
    kind: z.enum(TIRE_KINDS).optional(),
  }),
]);

const wheelFieldSchema = z.discriminatedUnion('from', [
  z.strictObject({ from: z.literal('list'), list: z.array(wheelChoiceSchema).max(MOST_LISTED) }),
  z.strictObject({
    from: z.literal('ranges'),
    diametersIn: z.array(within(LIMITS.rimDiameterIn)).max(12),
    widthsIn: z.array(within(LIMITS.rimWidthIn)).max(24),
    offsetMm: spanOf(LIMITS.offsetMm),
  }),
]);

const most = within(LIMITS.changeMm).default(0);

export const allowedChangesSchema = z.strictObject({
  unbolt: z.boolean().default(false),
  rerouteMm: most,
  tuckLinerMm: most,
  trimPlasticMm: most,
  foldLipMm: most,
  cutSheetMetalMm: most,
  bodyMountMm: most,
  bumpStopsMm: z.array(within(LIMITS.bumpStopMm)).max(12).default([]),
  steeringStopsDeg: z.array(within(LIMITS.lockDeg)).max(12).default([]),
  axleShiftsMm: z.array(within(LIMITS.shiftMm)).max(12).default([]),
});

export const constraintsSchema = z.strictObject({
  loadIndexLeast: z.int().min(60).max(150).optional(),
  speedSymbolLeast: z.enum(SPEED_SYMBOLS as [string, ...string[]]).optional(),
  rimOffMostIn: z.number().min(0).max(6).optional(),
  rimDiameterLeastIn: within(LIMITS.rimDiameterIn).optional(),
  boltPattern: boltPatternSchema.optional(),
  hubBoreMm: z.number().min(20).max(300).optional(),
  pokeLeastMm: within(LIMITS.pokeMm).optional(),
  pokeMostMm: within(LIMITS.pokeMm).optional(),
  covered: z.boolean().optional(),
  groundClearance: z
    .strictObject({
      nowMm: within(LIMITS.underbodyMm),
      leastMm: within(LIMITS.underbodyMm),
      at: z.enum(['frame', 'axle']),
    })
    .optional(),
  speedometerErrorShare: z.number().min(-0.1).max(0.2).optional(),
  budgetMinor: priceSchema.optional(),
  chain: z.strictObject({ treadMm: within(LIMITS.chainRoomMm), sidewallMm: within(LIMITS.chainRoomMm) }).optional(),
  spare: z
    .strictObject({ mostDiameterMm: within(LIMITS.tireDiameterMm), mostWidthMm: within(LIMITS.tireWidthMm) })
    .optional(),
  staggerMostShare: z.number().min(0).max(0.5).optional(),
});

export const PRICED_CHANGES = [...REMEDIES, 'lift', 'bumpStop', 'steeringStop', 'axleShift'] as const;

export const finderQuestionSchema = z.strictObject({
  fit: z.enum(FITS).default('allRound'),
  tires: tireFieldSchema,
  wheels: wheelFieldSchema,
  spacers: z.array(spacerChoiceSchema).max(40).default([]),
  lift: z
    .strictObject({ kind: z.enum(LIFT_KINDS), amountsMm: z.array(within(LIMITS.suspensionLiftMm)).max(40) })
    .optional(),
  allowed: allowedChangesSchema.prefault({}),
  constraints: constraintsSchema.prefault({}),
  prices: z.partialRecord(z.enum(PRICED_CHANGES), priceSchema).optional(),
});

const mm = z.number().min(-2000).max(2000);

/** One line of an answer that was kept. */
export const keptRowSchema = z.strictObject({
  axle: z.enum(['all', 'front', 'rear']),
  size: plainText(60),
  diameterMm: mm,
  widthMm: mm,
  wheelDiameterIn: within(LIMITS.rimDiameterIn),
  wheelWidthIn: within(LIMITS.rimWidthIn),
  offsetMm: mm,
  spacerMm: mm,
  liftMm: mm,
  result: z.enum(['clears', 'withChanges']),
  lowGapMm: mm,
  requiredMm: mm.optional(),
  obstacle: plainText(80).optional(),
  remedies: z.array(z.enum(REMEDIES)),
  depthMm: z.number().min(0).max(2000),
  permanence: z.int().min(0).max(9),
  costMinor: priceSchema.optional(),
});

export const MOST_KEPT_ROWS = 60;

/** The answer to a question as it was found; `of` names the survey and setup it was found on. */
export const keptAnswerSchema = z.strictObject({
  of: z.int(),
  combinations: z.int().min(0),
  clears: z.int().min(0),
  withChanges: z.int().min(0),
  rows: z.array(keptRowSchema).max(MOST_KEPT_ROWS),
});

export const finderSchema = z.strictObject({
  question: finderQuestionSchema.optional(),
  kept: keptAnswerSchema.optional(),
  claims: z.array(plainText(120)).max(10).optional(),
});

export type FinderQuestionEntry = z.output<typeof finderQuestionSchema>;
export type KeptAnswer = z.output<typeof keptAnswerSchema>;
export type KeptRow = z.output<typeof keptRowSchema>;
