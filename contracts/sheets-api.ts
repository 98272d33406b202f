/** What is due, as a calendar over HTTP. */
import { z } from 'zod';
import { plainText } from './plain-text';

const words = plainText(600);

export const calendarRequestSchema = z.strictObject({
  title: words,
  job: plainText(60).optional(),
  events: z
    .array(
      z.strictObject({
        id: plainText(60).min(1),
        due: z.iso.date(),
        text: words,
        note: words,
        done: z.boolean().optional(),
      }),
    )
    .min(1)
    .max(200),
});

export type CalendarRequest = z.output<typeof calendarRequestSchema>;
