import { ProblemError } from '@/core/1-base/problem';
import { createHash } from 'node:crypto';

/** Shorter lists stay where they are. */
const LEAST_ENTRIES = 256;

/** Stands in a document for a list of numbers that is kept by itself, by the SHA-256 of its JSON text. */
interface Apart {
  readonly apart: string;
}

const isApart = (value: unknown): value is Apart =>
  typeof value === 'object' &&
  value !== null &&
  /^[0-9a-f]{64}$/.test(String((value as Partial<Apart>).apart)) &&
  Object.keys(value).length === 1;

const isLong = (value: readonly unknown[]): boolean =>
  value.length >= LEAST_ENTRIES && (typeof value[0] === 'number' || Array.isArray(value[0]));

export interface TakenApart {
  readonly value: unknown;
  /** JSON text of every list that was taken out, by its name. */
  readonly lists: ReadonlyMap<string, string>;
}

/**
 * A value without its long lists of numbers (the points of scans and meshes): what changes at every key is small then, and
 * the lists, which hardly ever change, are written once. Alike lists have one name.
 * What lies in the database may have been taken apart already.
 * @throws ProblemError if a value from outside says of itself that something was taken out.
 */
export function takenApart(whole: unknown, from: 'outside' | 'database' = 'outside'): TakenApart {
  const lists = new Map<string, string>();
  const walk = (value: unknown): unknown => {
    if (typeof value !== 'object' || value === null) return value;
    if (isApart(value)) {
      if (from === 'database') return value;
      throw new ProblemError({
        code: 'unknownKey',
        path: 'apart',
        expected: 'only keys this version knows',
        found: '"apart"',
      });
    }
    if (Array.isArray(value)) {
      if (!isLong(value)) return mapped(value, walk);
      const text = JSON.stringify(value);
      const apart = createHash('sha256').update(text).digest('hex');
      lists.set(apart, text);
      return { apart } satisfies Apart;
    }
    const entries = Object.entries(value);
    const next = entries.map(([key, inner]) => [key, walk(inner)] as const);
    return next.every(([, inner], i) => inner === entries[i]![1]) ? value : Object.fromEntries(next);
  };
  return { value: walk(whole), lists };
}

function mapped(list: readonly unknown[], walk: (value: unknown) => unknown): readonly unknown[] {
  const next = list.map(walk);
  return next.every((inner, i) => inner === list[i]) ? list : next;
}

/** The names of the lists that were taken out of a value. */
export function namesApart(value: unknown, found: Set<string> = new Set()): Set<string> {
  if (typeof value !== 'object' || value === null) return found;
  if (isApart(value)) return found.add(value.apart);
  for (const inner of Object.values(value)) namesApart(inner, found);
  return found;
}

/** The value whole again. @throws Error that names a list that is not there. */
export function putTogether(value: unknown, listOf: (name: string) => unknown): unknown {
  if (typeof value !== 'object' || value === null) return value;
  if (isApart(value)) {
    const list = listOf(value.apart);
    if (list === undefined) throw new Error(`the list ${value.apart.slice(0, 12)} is not there`);
    return list;
  }
  if (Array.isArray(value)) return mapped(value, (inner) => putTogether(inner, listOf));
  const entries = Object.entries(value);
  const next = entries.map(([key, inner]) => [key, putTogether(inner, listOf)] as const);
  return next.every(([, inner], i) => inner === entries[i]![1]) ? value : Object.fromEntries(next);
}

/** Stands, when a document is checked, for a thing whose long list was checked when it came. */
export const CHECKED_THING = { id: 'checked', mount: 'frame', material: 'frame', readings: [] } as const;

/** The document as its schema can check it: `listOf` gives the lists that are new, things with others are taken as checked. */
export function checkable(document: unknown, listOf: (name: string) => unknown): unknown {
  const things = (list: readonly unknown[]): readonly unknown[] =>
    list.map((thing) =>
      [...namesApart(thing)].every((name) => listOf(name) !== undefined)
        ? putTogether(thing, listOf)
        : { ...CHECKED_THING, id: (thing as { id?: unknown }).id },
    );
  const walk = (value: unknown): unknown => {
    if (typeof value !== 'object' || value === null || isApart(value)) return value;
    if (Array.isArray(value)) return mapped(value, walk);
    return Object.fromEntries(
      Object.entries(value).map(([key, inner]) => [
        key,
        key === 'obstacles' && Array.isArray(inner) ? things(inner as unknown[]) : walk(inner),
      ]),
    );
  };
  return walk(document);
}
