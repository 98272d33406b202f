/** What a job keeps of its test fits, as Zod schemas. Units in the names. */
import { z } from 'zod';
import { CORNER_KEYS } from '@/core/2-vehicle/setup/corner-key';
import { LIMITS } from '@/core/1-base/limits';
import { FIT_POSTURES } from '@/core/7-job/test-fit/postures';
import { within } from './motion-schema';
import { plainText } from './plain-text';

const id = plainText(60).trim().min(1);
const corner = z.enum(CORNER_KEYS);

export const byCornerOptional = <T extends z.ZodType>(schema: T) =>
  z.strictObject({
    frontLeft: schema.optional(),
    frontRight: schema.optional(),
    rearLeft: schema.optional(),
    rearRight: schema.optional(),
  });

export const fitHeightsSchema = z.strictObject({
  hubToLipMm: within(LIMITS.hubToLipMm).optional(),
  groundToLipMm: within(LIMITS.groundToLipMm).optional(),
});

const expectedSchema = z.strictObject({ mm: z.number(), lowMm: z.number(), highMm: z.number() });

/** How far one corner really went in a posture. */
export const reachSchema = z.strictObject({
  hubToLipMm: within(LIMITS.hubToLipMm).optional(),
  /** Between the bump stop and what it bears on; 0: it was reached. */
  stopGapMm: within(LIMITS.underbodyMm).optional(),
});

export const triedPostureSchema = z.strictObject({
  kind: z.enum(FIT_POSTURES),
  done: z.boolean().default(false),
  reach: byCornerOptional(reachSchema).prefault({}),
});

export const findingSchema = z.strictObject({
  corner,
  obstacle: id,
  posture: z.enum(FIT_POSTURES),
  seen: z.enum(['gap', 'mark', 'rubs', 'clear']),
  gapMm: within(LIMITS.gapMm).optional(),
  /** What was predicted when it was seen: kept as it was made. */
  expectedMm: z.number().min(-2000).max(2000).optional(),
  place: plainText(120).optional(),
  photo: z.uuid().optional(),
  /** Looked at again: it stands, however odd. */
  confirmed: z.boolean().optional(),
});

/** `setup` is checked by the file's own schema: what was on the vehicle in this round. */
export const testFitSchema = <Setup extends z.ZodType>(setup: Setup) =>
  z.strictObject({
    id,
    date: z.iso.date(),
    title: plainText(80).trim().min(1),
    /** Where the setup comes from: the bench, the plan, or borrowed tires of their own. */
    of: z.enum(['bench', 'plan', 'borrowed']),
    setup: setup.optional(),
    heights: byCornerOptional(fitHeightsSchema).prefault({}),
    /** What was expected of the heights when the round was begun: what was learned since does not change it. */
    expected: byCornerOptional(
      z.strictObject({ hubToLip: expectedSchema.optional(), groundToLip: expectedSchema.optional() }),
    ).optional(),
    postures: z.array(triedPostureSchema).max(FIT_POSTURES.length).default([]),
    findings: z.array(findingSchema).max(300).default([]),
    /** Trimmed after this round, gap gained; measured: the survey holds the new edge. */
    trimmed: z
      .array(z.strictObject({ corner, obstacle: id, mm: within(LIMITS.changeMm), isMeasured: z.boolean().optional() }))
      .max(200)
      .default([]),
    note: plainText(1000).optional(),
    /** When what it taught was accepted, by corner; those findings are not counted again. */
    learned: byCornerOptional(z.iso.datetime()).prefault({}),
  });

export const learnedSchema = z.strictObject({
  shiftMm: z.tuple([within(LIMITS.shiftMm), within(LIMITS.shiftMm), within(LIMITS.shiftMm)]),
  edgeBy: z.array(z.number().min(-1e5).max(1e5)).max(24).optional(),
  sdMm: z.tuple([z.number().min(0).max(300), z.number().min(0).max(300), z.number().min(0).max(300)]).optional(),
});

export type FindingEntry = z.output<typeof findingSchema>;
export type TriedPostureEntry = z.output<typeof triedPostureSchema>;
