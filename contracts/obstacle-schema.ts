/** What stands near a tire: where it is by positions and readings, and the cuts that were measured of it. Zod schemas; units in the names. */
import { z } from 'zod';
import { LIMITS } from '@/core/1-base/limits';
import { MOUNTS } from '@/core/2-vehicle/motion/mount';
import { EDGE_KINDS, ROD_RUNS } from '@/core/3-survey/description/edge-kind';
import { READING_PLACES, READING_SOURCES } from '@/core/3-survey/reading/reading';
import { MATERIALS } from '@/core/3-survey/shape/material';
import { PART_KINDS } from '@/core/3-survey/shape/part-kind';
import { RESHAPES } from '@/core/6-decisions/plan/modification';
import { pointSchema as point, within } from './motion-schema';
import { plainText, typedTexts as typed } from './plain-text';
import { learnedSchema } from './test-fit';

const text = (max: number) => plainText(max).trim().min(1);

const index = z.int().min(0).max(99_999);

export const shapeSchema = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('points'), points: z.array(point).min(1).max(10_000) }),
  z.strictObject({ type: z.literal('polyline'), points: z.array(point).min(2).max(2_000) }),
  z.strictObject({
    type: z.literal('capsule'),
    points: z.array(point).min(1).max(2_000),
    radiusMm: within(LIMITS.radiusMm),
  }),
  z.strictObject({
    type: z.literal('panel'),
    points: z.array(point).min(3).max(20_000),
    triangles: z
      .array(z.tuple([index, index, index]))
      .min(1)
      .max(40_000),
    thicknessMm: within(LIMITS.thicknessMm).optional(),
  }),
  z.strictObject({ type: z.literal('scan'), points: z.array(point).min(1).max(100_000) }),
]);

export const readingSchema = z.strictObject({
  clock: plainText(10),
  across: z.enum(READING_PLACES),
  gapMm: within(LIMITS.gapMm),
  outboardMm: within(LIMITS.outboardMm).optional(),
  steer: z.union([z.enum(['straight', 'left', 'right']), within(LIMITS.steerDeg)]).default('straight'),
  travelMm: within(LIMITS.travelMm).optional(),
  hubToLipMm: within(LIMITS.hubToLipMm).optional(),
  nearest: z.boolean().optional(),
  outboardAsBefore: z.boolean().optional(),
  confirmed: z.boolean().optional(),
  by: z.enum(READING_SOURCES).optional(),
  walkStep: z.int().min(0).max(99).optional(),
  average: z.array(within(LIMITS.gapMm)).max(20).optional(),
  typed,
});

const boxSide = within(LIMITS.boxMm);

export const edgeFormSchema = z.strictObject({
  runs: z.enum(ROD_RUNS).optional(),
  rodDiameterMm: within(LIMITS.rodDiameterMm).optional(),
  boxMm: z.tuple([boxSide, boxSide, boxSide]).optional(),
});

export const rubSchema = z.strictObject({
  seen: z.enum(['mark', 'driver']),
  touches: z.literal(false).optional(),
  steer: z.enum(['left', 'right', 'straight', 'any']),
  height: z.enum(['ride', 'bump', 'any']),
  going: z.enum(['forward', 'reverse']).optional(),
  loaded: z.boolean().optional(),
  note: plainText(300).optional(),
});

/** Where a thing is: by positions, by readings, by what test fits taught. */
const placeFields = {
  shape: shapeSchema.optional(),
  readings: z.array(readingSchema).max(500).optional(),
  readingsAs: z.enum(['points', 'polyline', ...EDGE_KINDS]).optional(),
  form: edgeFormSchema.optional(),
  rubs: z.array(rubSchema).max(30).optional(),
  toleranceMm: within(LIMITS.positionToleranceMm).optional(),
  /** What test fits taught of its place. */
  learned: learnedSchema.optional(),
};

/** A cut that was measured: where the thing is since then stands in the thing itself. */
export const cutSchema = z.strictObject({
  date: z.iso.date(),
  /** The round of the test fit after which it was cut. */
  round: text(60),
  kind: z.enum(RESHAPES),
  fromClock: plainText(10),
  toClock: plainText(10),
  readings: z
    .array(
      z.strictObject({
        clock: plainText(10),
        gapMm: within(LIMITS.gapMm),
        outboardMm: within(LIMITS.outboardMm).optional(),
        steer: z.enum(['straight', 'left', 'right']),
        gainedMm: z.number().min(-20).max(300).optional(),
      }),
    )
    .min(1)
    .max(40),
  /** By how much the lip that heights are read to came up, where that is what was cut. */
  lipRaisedMm: z.number().min(-20).max(300).optional(),
  /** Where the thing was before it. */
  before: z.strictObject(placeFields),
});

export const obstacleSchema = z.strictObject({
  id: text(60),
  label: text(80).optional(),
  mount: z.enum(MOUNTS),
  material: z.enum(MATERIALS),
  ...placeFields,
  cuts: z.array(cutSchema).max(12).optional(),
  borrowed: z
    .strictObject({
      from: plainText(120),
      checks: z.array(readingSchema).max(100),
      settled: z.boolean().optional(),
    })
    .optional(),
  insideWheel: z.boolean().optional(),
  part: z.enum(PART_KINDS).optional(),
  removable: z.boolean().optional(),
  behind: z.array(text(60)).max(50).optional(),
});
