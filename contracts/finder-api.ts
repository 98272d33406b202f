/** A long search on the server, over HTTP. */
import { problemSchema } from './problems';
import { z } from 'zod';
import { finderQuestionSchema } from './finder';
import { lowgapFileSchema } from './lowgap-file';

export const findRequestSchema = z.strictObject({ document: lowgapFileSchema, question: finderQuestionSchema });

export const FIND_STATES = ['waiting', 'running', 'done', 'refused', 'failed', 'canceled'] as const;

export const findStateSchema = z.object({
  id: z.uuid(),
  state: z.enum(FIND_STATES),
  /** Searches before it, while it waits. */
  ahead: z.int().min(0),
  done: z.number(),
  total: z.number(),
  combinations: z.number(),
  problems: z.array(problemSchema),
  /** As `lowgap find` prints it. */
  result: z.unknown().optional(),
});

export type FindRequest = z.output<typeof findRequestSchema>;
export type FindState = z.output<typeof findStateSchema>;
