/** What a job keeps of its installation: parts received, the sheet, fasteners, surprises. Zod schemas; units in the names. */
import { z } from 'zod';
import { INSTALL_KINDS } from '@/core/7-job/install/install-kind';
import { PIECE_STATES } from '@/core/7-job/install/receiving';
import { LIMITS } from '@/core/1-base/limits';
import { PRECAUTIONS } from '@/core/6-decisions/plan/modification';
import { within } from './motion-schema';
import { plainText } from './plain-text';

const id = plainText(60).trim().min(1);
const words = (max: number) => plainText(max).trim().min(1);
const moment = z.iso.datetime();
const who = plainText(60).optional();
const minutes = z.number().min(0).max(6000);

/** One kind of piece of a kit, as its list says and as it was found. */
export const pieceSchema = z.strictObject({
  id,
  name: words(120),
  wanted: z.int().min(1).max(999),
  found: z.int().min(0).max(999).optional(),
  /** Where it goes, which side, which way up, its thread: as the list says. */
  place: plainText(80).optional(),
  side: z.enum(['both', 'left', 'right']).optional(),
  direction: plainText(80).optional(),
  thread: plainText(40).optional(),
  /** Laid beside the one it replaces. */
  besideOld: z.enum(['alike', 'asIntended', 'wrong']).optional(),
  claimedLiftMm: within(LIMITS.suspensionLiftMm).optional(),
  claimedSize: plainText(40).optional(),
  state: z.enum(PIECE_STATES).default('notLooked'),
  note: plainText(300).optional(),
});

export const installStepSchema = z.strictObject({
  id,
  kind: z.enum(INSTALL_KINDS),
  text: words(700),
  cautions: z.array(z.enum(PRECAUTIONS)).max(12).default([]),
  /** At hand for it. */
  tools: plainText(120).optional(),
  plannedMinutes: minutes.optional(),
  doneAt: moment.optional(),
  doneBy: who,
  spentMinutes: minutes.optional(),
  note: plainText(400).optional(),
});

/** A fastener with the torque that the maker's instructions give; none ships with the program. */
export const fastenerSchema = z.strictObject({
  id,
  name: words(120),
  torqueNm: within(LIMITS.torqueNm).optional(),
  /** As it was typed, with its unit. */
  torqueTyped: plainText(40).optional(),
  /** Made by the work itself; else somebody wrote it down. */
  joint: plainText(60).optional(),
  source: plainText(160).optional(),
  socket: plainText(30).optional(),
  count: z.int().min(1).max(99).default(1),
  doneAt: moment.optional(),
  doneBy: who,
});

export const installSchema = z.strictObject({
  pieces: z.array(pieceSchema).max(200).default([]),
  steps: z.array(installStepSchema).max(200).default([]),
  /** What the plan reckoned with when the sheet was made. */
  plannedMinutes: minutes.optional(),
  fasteners: z.array(fastenerSchema).max(200).default([]),
  used: z
    .array(z.strictObject({ name: words(120), fate: z.enum(['reused', 'replaced']), note: plainText(200).optional() }))
    .max(200)
    .default([]),
  surprises: z
    .array(z.strictObject({ what: words(200), minutes, at: moment }))
    .max(100)
    .default([]),
});

export type InstallEntry = z.output<typeof installSchema>;
export type InstallStep = z.output<typeof installStepSchema>;
export type PieceEntry = z.output<typeof pieceSchema>;
export type FastenerEntry = z.output<typeof fastenerSchema>;
