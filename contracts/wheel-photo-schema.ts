/** Pictures of the fitted wheel on which edges are traced. Zod schemas; places as shares of the picture, from the upper left. */
import { z } from 'zod';
import { LIMITS } from '@/core/1-base/limits';
import { PHOTO_MARKS } from '@/core/3-survey/description/wheel-photo';
import { within } from './motion-schema';
import { plainText, typedTexts as typed } from './plain-text';

const share = z.number().min(0).max(1);

export const photoPlaceSchema = z.strictObject({ x: share, y: share });

const pixels = z.int().min(1).max(20_000);

export const wheelPhotoSchema = z.strictObject({
  photoId: z.uuid(),
  widthPx: pixels,
  heightPx: pixels,
  focal35Mm: within(LIMITS.focal35Mm).optional(),
  rimEdgeMm: within(LIMITS.rimEdgeMm).optional(),
  edgeRisePx: z.number().min(0).max(20_000).optional(),
  edgeShare: share.optional(),
  steer: z.union([z.enum(['straight', 'left', 'right']), within(LIMITS.steerDeg)]).default('straight'),
  travelMm: within(LIMITS.travelMm).optional(),
  hubToLipMm: within(LIMITS.hubToLipMm).optional(),
  hub: photoPlaceSchema.optional(),
  rim: z.array(photoPlaceSchema).max(PHOTO_MARKS.rim.most),
  outline: z.array(photoPlaceSchema).max(PHOTO_MARKS.outline.most),
  plumb: z.tuple([photoPlaceSchema, photoPlaceSchema]).optional(),
  traces: z
    .array(
      z.strictObject({
        of: plainText(60).trim().min(1),
        along: z.array(photoPlaceSchema).min(1).max(PHOTO_MARKS.trace.most),
      }),
    )
    .max(20),
  typed,
});

export type WheelPhotoEntry = z.output<typeof wheelPhotoSchema>;
