import { ProblemError } from '@/core/1-base/problem';
import { createHash } from 'node:crypto';

/** Shorter lists stay where they are. */
const LEAST_ENTRIES = 256;

/**
 * Stands in a document for a list of numbers that is kept by itself: `apart:` and the SHA-256 of its JSON text. A text, so that
 * another list is another value, and never looked into.
 */
const MARK = /^apart:([0-9a-f]{64})$/;

/** The name of the list that a value stands for. */
const nameApart = (value: unknown): string | undefined =>
  typeof value === 'string' ? MARK.exec(value)?.[1] : undefined;

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
    if (nameApart(value) !== undefined && from === 'outside') {
      const expected = 'a text that stands for nothing';
      throw new ProblemError({ code: 'wrongType', path: '', expected, found: 'one that stands for a list' });
    }
    if (typeof value !== 'object' || value === null) return value;
    if (Array.isArray(value)) {
      if (!isLong(value)) return mapped(value, walk);
      const text = JSON.stringify(value);
      const name = createHash('sha256').update(text).digest('hex');
      lists.set(name, text);
      return `apart:${name}`;
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
  const name = nameApart(value);
  if (name !== undefined) return found.add(name);
  if (typeof value !== 'object' || value === null) return found;
  for (const inner of Object.values(value)) namesApart(inner, found);
  return found;
}

/** The value whole again; `listOf` is told under which key a list stands. @throws Error that names a list that is not there. */
export function putTogether(value: unknown, listOf: (name: string, key: string) => unknown, key = ''): unknown {
  const name = nameApart(value);
  if (name !== undefined) {
    const list = listOf(name, key);
    if (list === undefined) throw new Error(`the list ${name.slice(0, 12)} is not there`);
    return list;
  }
  if (typeof value !== 'object' || value === null) return value;
  if (Array.isArray(value)) return mapped(value, (inner) => putTogether(inner, listOf, key));
  const entries = Object.entries(value);
  const next = entries.map(([own, inner]) => [own, putTogether(inner, listOf, own)] as const);
  return next.every(([, inner], i) => inner === entries[i]![1]) ? value : Object.fromEntries(next);
}

/** Stand, when a document is checked, for lists that were checked when they came: the shortest that every shape takes. */
const CHECKED: Readonly<Record<string, unknown>> = {
  points: [
    [0, 0, 0],
    [1, 0, 0],
    [0, 1, 0],
  ],
  triangles: [[0, 1, 2]],
};

/** The document as its schema can check it, all but the lists that are kept already; `listOf` gives the new ones. */
export const checkable = (document: unknown, listOf: (name: string) => unknown): unknown =>
  putTogether(document, (name, key) => listOf(name) ?? CHECKED[key] ?? []);
