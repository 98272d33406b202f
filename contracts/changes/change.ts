/** What somebody changed in a job, field by field: how it is sent, kept and taken back. */
import { z } from 'zod';
import { MOST_NESTED } from '../job-size';
import { plainText } from '../plain-text';

/** One step of a path: a key, or the entry of a list that has this id. */
export type Step = string | { readonly id: string };

/**
 * One field's change. `was` absent: there was nothing; `now` absent: it was taken away. `after`: the id of the list entry
 * it stands behind, null at the head of its list.
 */
export interface Change {
  readonly path: readonly Step[];
  readonly was?: unknown;
  readonly now?: unknown;
  readonly after?: string | null | undefined;
}

/** A field that two people changed, each to something else; what is absent was taken away. */
export interface Clash {
  readonly path: readonly Step[];
  readonly mine?: unknown;
  readonly theirs?: unknown;
}

const key = plainText(200);

/** Keys that would reach an object's make instead of a field. */
const stepSchema = z.union([
  plainText(200).regex(/^(?!(?:__proto__|constructor|prototype)$)/, 'the name of a field'),
  z.strictObject({ id: key }),
]);

export const changeSchema = z.strictObject({
  path: z.array(stepSchema).max(MOST_NESTED),
  was: z.unknown().optional(),
  now: z.unknown().optional(),
  after: key.nullish(),
});

export const clashSchema = z.object({
  path: z.array(stepSchema),
  mine: z.unknown().optional(),
  theirs: z.unknown().optional(),
});

/** More fields at once than any hand changes; a file that replaces a job stays under it, a list counting as one. */
export const MOST_CHANGES = 20_000;

/** All that one save changed, as it was taken. */
export const changeSetSchema = z.object({
  /** The revision it made. */
  revision: z.int(),
  changes: z.array(changeSchema),
  /** Its name, as its writer gave it. */
  save: z.string().nullish(),
  /** Who, and on which device, where people are known. */
  by: z.string().nullish(),
  at: z.string(),
});

export type ChangeSet = Omit<z.output<typeof changeSetSchema>, 'changes'> & { readonly changes: readonly Change[] };

export type Fields = Readonly<Record<string, unknown>>;

export const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** An entry of a list whose entries are told apart by their ids. */
export interface Entry extends Fields {
  readonly id: string;
}

/** A list whose entries are told apart by ids, each used once. An empty one is of either kind. */
export function isKeyed(value: unknown): value is readonly Entry[] {
  if (!Array.isArray(value)) return false;
  const ids = new Set<unknown>();
  for (const entry of value as unknown[]) {
    if (!isFields(entry) || typeof entry['id'] !== 'string' || ids.has(entry['id'])) return false;
    ids.add(entry['id']);
  }
  return true;
}

/** `path` as it is written of `whole`: `document.corners.frontLeft.obstacles[1].label`. */
export function pathText(path: readonly Step[], whole: unknown): string {
  let at: unknown = whole;
  let text = '';
  for (const step of path) {
    if (typeof step === 'string') {
      at = isFields(at) ? at[step] : undefined;
      text += text === '' ? step : `.${step}`;
      continue;
    }
    const index = isKeyed(at) ? at.findIndex(({ id }) => id === step.id) : -1;
    at = index < 0 ? undefined : (at as readonly Entry[])[index];
    text += index < 0 ? `.${step.id}` : `[${index}]`;
  }
  return text;
}
