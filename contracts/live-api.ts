/** What a job's stream of events says (server-sent events), each one line of JSON. */
import { z } from 'zod';

export const liveEventSchema = z.discriminatedUnion('type', [
  /** The job is at this revision now; said at the beginning too. */
  z.object({ type: z.literal('saved'), revision: z.int() }),
  /** Who else has it open; '' where nobody knows their name. */
  z.object({ type: z.literal('here'), names: z.array(z.string()) }),
]);

export type LiveEvent = z.output<typeof liveEventSchema>;
