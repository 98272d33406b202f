/** What a job keeps after the hand-over, as Zod schemas. */
import { OPEN_MATTERS } from '@/core/7-job/follow-up/still-open';
import { z } from 'zod';
import type { ALIGNMENT_STATES } from '@/core/7-job/follow-up/alignment';
import { COMEBACK_CAUSES, FOLLOW_UP_KINDS } from '@/core/7-job/follow-up/due';
import { LIMITS } from '@/core/1-base/limits';
import { within } from './motion-schema';
import { plainText } from './plain-text';
import { byCornerOptional } from './test-fit';

const words = (max: number) => plainText(max).trim().min(1);

export const dueSchema = z.strictObject({
  id: plainText(60).trim().min(1),
  kind: z.enum(FOLLOW_UP_KINDS),
  text: words(200),
  due: z.iso.date(),
  /** Sooner after so many km, as the maker writes it. */
  orAfterKm: z.number().min(0).max(100_000).optional(),
  doneOn: z.iso.date().optional(),
  note: plainText(400).optional(),
});

/** As an alignment bench prints it; toe of the one wheel, + in. */
export const cornerAlignmentSchema = z.strictObject({
  camberDeg: within(LIMITS.camberDeg).optional(),
  casterDeg: within(LIMITS.casterDeg).optional(),
  toeDeg: within(LIMITS.toeDeg).optional(),
});

export const followUpSchema = z.strictObject({
  handedOver: z.iso.date().optional(),
  /** What was open when it went home, and why it went all the same; both are printed. */
  openThen: z
    .array(z.strictObject({ matter: z.enum(OPEN_MATTERS), count: z.int().min(1).max(999) }))
    .max(OPEN_MATTERS.length)
    .optional(),
  openReason: plainText(300).optional(),
  /** Its measurements may go into the shop record. */
  inRecord: z.boolean().optional(),
  /** What the customer is told: pressures, spare, speedometer, what to watch. */
  pressures: plainText(120).optional(),
  spare: plainText(200).optional(),
  watch: plainText(1000).optional(),
  due: z.array(dueSchema).max(60).default([]),
  alignment: z
    .strictObject({
      before: byCornerOptional(cornerAlignmentSchema).optional(),
      after: byCornerOptional(cornerAlignmentSchema).optional(),
    } satisfies Record<(typeof ALIGNMENT_STATES)[number], unknown>)
    .prefault({}),
  comebacks: z
    .array(
      z.strictObject({
        date: z.iso.date(),
        cause: z.enum(COMEBACK_CAUSES),
        note: plainText(400).optional(),
      }),
    )
    .max(60)
    .default([]),
});

export type FollowUpEntry = z.output<typeof followUpSchema>;
export type DueEntry = z.output<typeof dueSchema>;
