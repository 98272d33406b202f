/** What was thrown away and can be brought back. */
import { z } from 'zod';
import { catalogueItemSchema } from './catalogue';
import { jobHeadSchema } from './job-api';
import { wellSchema } from './well-api';

export const BIN_KINDS = ['jobs', 'wells', 'catalogue'] as const;
export type BinKind = (typeof BIN_KINDS)[number];

const removedAt = z.string();

export const binSchema = z.object({
  jobs: z.array(jobHeadSchema.extend({ removedAt })),
  wells: z.array(wellSchema.pick({ id: true, title: true, cornerKey: true, createdAt: true }).extend({ removedAt })),
  catalogue: z.array(catalogueItemSchema.extend({ removedAt })),
});

export type Bin = z.output<typeof binSchema>;
