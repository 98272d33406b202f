import { z } from 'zod';
import { MISS_KINDS, type MissKind } from '@/core/6-decisions/practice/task';

/** One's own misses by kind, kept in this browser. */
const recordSchema = z.strictObject({
  asked: z.int().min(0),
  right: z.int().min(0),
  missed: z.partialRecord(z.enum(MISS_KINDS), z.int().min(0)),
});
export type PracticeRecord = z.output<typeof recordSchema>;

const KEY = 'lowgap.practice';
const EMPTY: PracticeRecord = { asked: 0, right: 0, missed: {} };

export function readRecord(): PracticeRecord {
  try {
    return recordSchema.parse(JSON.parse(localStorage.getItem(KEY) ?? 'null'));
  } catch {
    return EMPTY;
  }
}

export function withMisses({ asked, right, missed }: PracticeRecord, misses: readonly MissKind[]): PracticeRecord {
  const next = { ...missed };
  for (const kind of misses) next[kind] = (next[kind] ?? 0) + 1;
  return { asked: asked + 1, right: right + (misses.length === 0 ? 1 : 0), missed: next };
}

export function keepRecord(record: PracticeRecord): void {
  try {
    localStorage.setItem(KEY, JSON.stringify(record));
  } catch {
    // A full shelf keeps no practice; nothing of a job is lost by that.
  }
}
