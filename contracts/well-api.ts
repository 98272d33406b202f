/** The shop's library of surveyed wells. */
import { z } from 'zod';
import { VEHICLE_KINDS } from '@/core/2-vehicle/setup/vehicle-kind';
import { CORNER_KEYS } from '@/core/2-vehicle/setup/corner-key';
import { cornerSchema } from './lowgap-file';
import { plainText } from './plain-text';

export const wellContentSchema = z.strictObject({
  /** Kind of vehicle, as somebody will look for it. */
  title: plainText(120).trim().min(1),
  /** Absent: nobody said. */
  kind: z.enum(VEHICLE_KINDS).nullish(),
  cornerKey: z.enum(CORNER_KEYS),
  corner: cornerSchema,
});

export const wellSchema = wellContentSchema.extend({ id: z.uuid(), createdAt: z.string() });

export const wellListSchema = z.object({ wells: z.array(wellSchema) });

export type WellContent = z.output<typeof wellContentSchema>;
export type Well = z.output<typeof wellSchema>;
