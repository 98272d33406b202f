/** Drawings and work orders that the server writes as PDF, over HTTP. */
import { z } from 'zod';
import { SHEET_LAYERS } from '@/sheets/sheet-layers';
import { PAPER_SIZES } from '@/sheets/paper';
import { plainText } from './plain-text';

const place = z.tuple([z.number().min(-20_000).max(20_000), z.number().min(-20_000).max(20_000)]);
const words = plainText(600);
const paper = z.enum(PAPER_SIZES);

/** Most pages a drawing may come to is bounded by its box. */
const side = z.number().min(1).max(4000);

export const sheetPdfRequestSchema = z.strictObject({
  paper,
  drawing: z.strictObject({
    lines: z
      .array(z.strictObject({ layer: z.enum(SHEET_LAYERS), points: z.array(place).min(1).max(20_000) }))
      .max(2000),
    texts: z.array(z.strictObject({ at: place, text: words })).max(200),
    box: z.strictObject({ left: z.number(), bottom: z.number(), width: side, height: side }),
  }),
});

const pair = z.tuple([words, words]);

export const orderPdfRequestSchema = z.strictObject({
  paper,
  order: z.strictObject({
    title: words,
    facts: z.array(pair).max(20),
    gaps: z
      .array(z.strictObject({ thing: words, wanted: words, before: words, after: words, verdict: words }))
      .max(800),
    steps: z
      .array(z.strictObject({ what: words, time: words, money: words, cautions: z.array(words).max(20) }))
      .max(600),
    parts: z.array(z.strictObject({ name: words, where: words, quantity: words, unit: words, sum: words })).max(600),
    sums: z.array(pair).max(20),
    notes: z.array(words).max(400),
    statements: z.array(words).max(40),
    signatures: z.array(words).max(10),
    closing: words,
  }),
});

export const calendarRequestSchema = z.strictObject({
  title: words,
  events: z
    .array(z.strictObject({ id: plainText(60).min(1), due: z.iso.date(), text: words, note: words }))
    .min(1)
    .max(200),
});

export type CalendarRequest = z.output<typeof calendarRequestSchema>;
export type SheetPdfRequest = z.output<typeof sheetPdfRequestSchema>;
export type OrderPdfRequest = z.output<typeof orderPdfRequestSchema>;
