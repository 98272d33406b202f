/** What goes over HTTP about jobs. Dates as ISO 8601 text, lengths as in the file contract. */
import { z } from 'zod';
import { lowgapFileSchema } from './lowgap-file';
import { plainText } from './plain-text';

export const jobIdSchema = z.uuid();

export const jobContentSchema = z.strictObject({
  title: plainText(120).trim().min(1),
  customer: plainText(120).trim().default(''),
  document: lowgapFileSchema,
});

export const jobUpdateSchema = jobContentSchema.extend({
  /** The revision the writer read. */
  revision: z.int().min(1),
  /** Names this one save, so that a writer whose answer got lost finds out that it was taken. */
  save: plainText(64).min(8).optional(),
});

export const jobSchema = z.object({
  id: jobIdSchema,
  title: z.string(),
  customer: z.string(),
  revision: z.number(),
  document: lowgapFileSchema,
  /** The save that made this revision, where it was named. */
  savedBy: z.string().nullish(),
  createdAt: z.string(),
  updatedAt: z.string(),
});

export const jobListSchema = z.object({ jobs: z.array(jobSchema) });

export type Job = z.output<typeof jobSchema>;
export type JobContent = z.output<typeof jobContentSchema>;
export type JobUpdate = z.output<typeof jobUpdateSchema>;
