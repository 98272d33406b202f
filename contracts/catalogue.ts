/** Tires, wheels and spacers of a shop, as Zod schemas. Units in the names. */
import { z } from 'zod';
import { LIMITS } from '@/core/1-base/limits';
import { attempt } from '@/core/1-base/problem';
import { SPEED_SYMBOLS } from '@/core/5-consequences/road/load-and-speed';
import { SHOULDERS, TIRE_KINDS } from '@/core/2-vehicle/tire/tire-kind';
import { parseBoltPattern } from '@/core/2-vehicle/wheel/bolt-pattern';
import { parseTireSize } from '@/core/2-vehicle/tire/size';
import { within } from './motion-schema';
import { plainText } from './plain-text';

export const CATALOGUE_KINDS = ['tire', 'wheel', 'spacer'] as const;
export type CatalogueKind = (typeof CATALOGUE_KINDS)[number];

const label = plainText(80).trim();

/** A tire size the engine can read. */
export const sizeTextSchema = plainText(60)
  .trim()
  .min(1)
  .superRefine((size, context) => {
    const parsed = attempt(() => parseTireSize(size));
    if (parsed.ok) return;
    for (const problem of parsed.problems) {
      context.addIssue({ code: 'custom', message: problem.expected, params: { problem } });
    }
  });

const shapeLength = within(LIMITS.allowanceMm).optional();

/** What somebody measured or knows of a tire beyond its size. */
export const tireShapeFields = {
  measuredDiameterMm: within(LIMITS.tireDiameterMm).optional(),
  measuredWidthMm: within(LIMITS.tireWidthMm).optional(),
  underPrintMm: shapeLength,
  kind: z.enum(TIRE_KINDS).optional(),
  treadWidthMm: within(LIMITS.tireWidthMm).optional(),
  shoulder: z.enum(SHOULDERS).optional(),
  shoulderRadiusMm: within(LIMITS.shoulderRadiusMm).optional(),
  lugsMm: shapeLength,
  rimProtectorMm: shapeLength,
  loadedRadiusMm: within(LIMITS.loadedRadiusMm).optional(),
  rollingMm: within(LIMITS.rollingMm).optional(),
};

/** What a tire may be beyond that by its making, and in service. */
export const tireMakingFields = {
  radiusToleranceMm: shapeLength,
  sideToleranceMm: shapeLength,
  growthMm: shapeLength,
};

/** What was measured inside a wheel, across. */
export const wheelInsideFields = {
  insideDiameterMm: within(LIMITS.insideDiameterMm).optional(),
  dropCentreInsideMm: within(LIMITS.insideDiameterMm).optional(),
};

/** `6x139.7` or `6x5.5`: studs by pitch circle, mm or inches. */
export const boltPatternSchema = plainText(20)
  .trim()
  .refine((pattern) => attempt(() => parseBoltPattern(pattern)).ok, 'a bolt pattern such as 6x139.7 or 6x5.5 in');

/** Of one piece, in minor units of the shop's money. */
const price = z.int().min(0).max(100_000_000);

export const tireItemSchema = z.strictObject({
  size: sizeTextSchema,
  label: label.optional(),
  ...tireShapeFields,
  ...tireMakingFields,
  measuringRimIn: within(LIMITS.rimWidthIn).optional(),
  loadIndex: z.int().min(0).max(204).optional(),
  speedSymbol: z.enum(SPEED_SYMBOLS as [string, ...string[]]).optional(),
  revolutionsPerKm: z.number().min(150).max(1500).optional(),
  priceMinor: price.optional(),
});

export const wheelItemSchema = z
  .strictObject({
    diameterIn: within(LIMITS.rimDiameterIn),
    widthIn: within(LIMITS.rimWidthIn),
    label: label.optional(),
    offsetMm: within(LIMITS.offsetMm).optional(),
    backspacingMm: within(LIMITS.backspacingMm).optional(),
    boreMm: z.number().min(20).max(300).optional(),
    boltPattern: boltPatternSchema.optional(),
    studPocketMm: within(LIMITS.studMm).optional(),
    ...wheelInsideFields,
    loadKg: z.number().min(50).max(10_000).optional(),
    priceMinor: price.optional(),
  })
  .superRefine((wheel, context) => {
    const beyond = wheel.backspacingMm !== undefined && wheel.backspacingMm > (wheel.widthIn + 1) * 25.4 + 25;
    const neither = wheel.offsetMm === undefined && wheel.backspacingMm === undefined;
    if (!beyond && !neither) return;
    const problem = neither
      ? { code: 'missing', path: '', expected: 'an offset or a backspacing', found: 'neither' }
      : {
          code: 'contradiction',
          path: '',
          expected: `a backspacing within the rim, about ${Math.round((wheel.widthIn + 1) * 25.4)} mm wide overall`,
          found: `${wheel.backspacingMm} mm`,
        };
    context.addIssue({ code: 'custom', message: problem.expected, path: ['backspacingMm'], params: { problem } });
  });

export const spacerItemSchema = z.strictObject({
  thicknessMm: within(LIMITS.spacerMm),
  label: label.optional(),
  type: z.enum(['slipOn', 'boltOn']).optional(),
  boltPattern: boltPatternSchema.optional(),
  boreMm: z.number().min(20).max(300).optional(),
  priceMinor: price.optional(),
});

export const ITEM_SCHEMAS = { tire: tireItemSchema, wheel: wheelItemSchema, spacer: spacerItemSchema } as const;

export type TireItem = z.output<typeof tireItemSchema>;
export type WheelItem = z.output<typeof wheelItemSchema>;
export type SpacerItem = z.output<typeof spacerItemSchema>;
export type CatalogueData = TireItem | WheelItem | SpacerItem;

export const catalogueContentSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('tire'), data: tireItemSchema }),
  z.strictObject({ kind: z.literal('wheel'), data: wheelItemSchema }),
  z.strictObject({ kind: z.literal('spacer'), data: spacerItemSchema }),
]);

export const catalogueItemSchema = z.object({
  id: z.uuid(),
  kind: z.enum(CATALOGUE_KINDS),
  data: z.record(z.string(), z.union([z.string(), z.number()])),
  revision: z.int(),
});

/** An item over the revision that was read. */
export const catalogueChangeSchema = z.strictObject({ revision: z.int().min(1), item: catalogueContentSchema });

export const catalogueListSchema = z.object({ items: z.array(catalogueItemSchema) });

/** Many at once, as from a table; all or none. */
export const catalogueImportSchema = z.strictObject({ items: z.array(catalogueContentSchema).min(1).max(5000) });

export type CatalogueContent = z.output<typeof catalogueContentSchema>;
export type CatalogueItem = z.output<typeof catalogueItemSchema>;
