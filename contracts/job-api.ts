/** What goes over HTTP about jobs. Dates as ISO 8601 text, lengths as in the file contract. */
import { z } from 'zod';
import {
  changeSchema,
  changeSetSchema,
  clashSchema,
  MOST_CHANGES,
  type Change,
  type ChangeSet,
  type Clash,
} from './changes/change';
import { jobSummarySchema } from './job-summary';
import { lowgapFileSchema } from './lowgap-file';
import { plainText } from './plain-text';
import { problemSchema } from './problems';

export const jobIdSchema = z.uuid();

export const jobContentSchema = z.strictObject({
  title: plainText(120).trim().min(1),
  customer: plainText(120).trim().default(''),
  document: lowgapFileSchema,
});

/** What was changed since a revision, field by field; paths begin at `title`, `customer` or `document`. */
export const jobChangeSchema = z.strictObject({
  /** The revision the writer knows. */
  revision: z.int().min(1),
  /** Names this one save, so that a writer whose answer got lost finds out that it was taken. */
  save: plainText(64).min(8),
  changes: z.array(changeSchema).max(MOST_CHANGES),
});

export const jobSchema = z.object({
  id: jobIdSchema,
  title: z.string(),
  customer: z.string(),
  revision: z.number(),
  document: lowgapFileSchema,
  /** Who changed it last, where people are known. */
  changedBy: z.string().nullish(),
  createdAt: z.string(),
  updatedAt: z.string(),
});

/** A save that was taken. `since`: every save after the revision its writer knew, its own among them, oldest first. */
export const jobSavedSchema = z.object({
  revision: z.int(),
  updatedAt: z.string(),
  since: z.array(changeSetSchema),
});

/**
 * A save that was not taken: the fields that somebody else changed to something else (none: the two do not go together as a
 * whole), and all that was saved since; `job` where that is not known any more.
 */
export const jobClashSchema = z.object({
  problems: z.array(problemSchema),
  clashes: z.array(clashSchema),
  since: z.array(changeSetSchema),
  job: jobSchema.optional(),
});

export const jobChangesSchema = z.object({ since: z.array(changeSetSchema) });

/** One job on the bay board. */
export const jobHeadSchema = jobSchema.omit({ document: true }).extend({
  /** null: this version of the program cannot read what is kept of it; its text can be had. */
  summary: jobSummarySchema.nullable(),
});

export const jobListSchema = z.object({ jobs: z.array(jobHeadSchema) });

/** The saves of a job, newest first, without what they changed. */
export const jobHistorySchema = z.object({
  sets: z.array(
    z.object({
      revision: z.int(),
      at: z.string(),
      by: z.string().nullish(),
      /** How many fields, and the first of them. */
      count: z.int(),
      paths: z.array(z.string()),
    }),
  ),
});

/** What a job was at an earlier revision. */
export const jobThenSchema = jobSchema.pick({ title: true, customer: true, document: true, revision: true });

export type Job = z.output<typeof jobSchema>;
export type JobHead = z.output<typeof jobHeadSchema>;
export type JobContent = z.output<typeof jobContentSchema>;
export type JobChange = Omit<z.output<typeof jobChangeSchema>, 'changes'> & { readonly changes: readonly Change[] };
export type JobSaved = Omit<z.output<typeof jobSavedSchema>, 'since'> & { readonly since: readonly ChangeSet[] };
export type JobClash = Omit<z.output<typeof jobClashSchema>, 'since' | 'clashes'> & {
  readonly since: readonly ChangeSet[];
  readonly clashes: readonly Clash[];
};
export type JobHistory = z.output<typeof jobHistorySchema>;
