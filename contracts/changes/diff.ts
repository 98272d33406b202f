import same from 'fast-deep-equal';
import { isFields, isKeyed, type Change, type Entry, type Fields, type Step } from './change';

/** What turns `before` into `after`, field by field; nothing where they are alike. Both are JSON values. */
export function changesBetween(before: unknown, after: unknown): Change[] {
  const found: Change[] = [];
  compare([], before, after, found);
  return found;
}

/** The same change the other way round: takes it back. */
export const takenBack = (changes: readonly Change[]): Change[] =>
  changes
    .map(({ path, after, ...rest }) => ({
      path,
      ...('now' in rest ? { was: rest.now } : {}),
      ...('was' in rest ? { now: rest.was } : {}),
      ...(after === undefined ? {} : { after }),
    }))
    .reverse();

function compare(path: readonly Step[], before: unknown, after: unknown, found: Change[]): void {
  if (before === after) return;
  if (isFields(before) && isFields(after)) compareFields(path, before, after, found);
  else if (isKeyed(before) && isKeyed(after)) compareEntries(path, before, after, found);
  else if (!same(before, after)) found.push(change(path, before, after));
}

const change = (path: readonly Step[], was: unknown, now: unknown): Change => ({
  path,
  ...(was === undefined ? {} : { was }),
  ...(now === undefined ? {} : { now }),
});

function compareFields(path: readonly Step[], before: Fields, after: Fields, found: Change[]): void {
  for (const key of new Set([...Object.keys(before), ...Object.keys(after)])) {
    compare([...path, key], before[key], after[key], found);
  }
}

function compareEntries(
  path: readonly Step[],
  before: readonly Entry[],
  after: readonly Entry[],
  found: Change[],
): void {
  const [old, next] = [byId(before), byId(after)];
  const kept = before.filter(({ id }) => next.has(id)).map(({ id }) => id);
  const keptNow = after.filter(({ id }) => old.has(id)).map(({ id }) => id);
  if (!same(kept, keptNow)) {
    // Another order is a change of the list itself.
    found.push({ path, was: before, now: after });
    return;
  }
  // Taken away from the end and put in from the head, so that each one's place is told by an entry that is there.
  for (const [i, entry] of [...before.entries()].reverse()) {
    if (!next.has(entry.id)) {
      found.push({ path: [...path, { id: entry.id }], was: entry, after: before[i - 1]?.id ?? null });
    }
  }
  for (const [i, entry] of after.entries()) {
    const known = old.get(entry.id);
    const at = [...path, { id: entry.id }];
    if (known) compare(at, known, entry, found);
    else found.push({ path: at, now: entry, after: after[i - 1]?.id ?? null });
  }
}

const byId = (list: readonly Entry[]): ReadonlyMap<string, Entry> => new Map(list.map((entry) => [entry.id, entry]));
