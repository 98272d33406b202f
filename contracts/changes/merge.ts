import same from 'fast-deep-equal';
import { diff3Merge } from 'node-diff3';
import { isFields, isKeyed, type Change, type Clash, type Entry, type Fields, type Step } from './change';
import { changesBetween } from './diff';

/** Entries of a list that is looked into; a longer one (a scan) is one value. */
const MOST_MERGED = 2000;

export interface Merged<T> {
  readonly value: T;
  /** Fields that were changed here and there to something else; `value` holds what the choice said, theirs unless it said otherwise. */
  readonly clashes: readonly Clash[];
}

/** Which of two stays where both changed one field. */
export type Choice = (clash: Clash) => 'mine' | 'theirs';

/**
 * `changes`, made on another state of the same thing, made on `value`, which stays as it was. Changes of other fields do not
 * meet; lists without ids are merged entry by entry (node-diff3), what both put in at one place stands one after the other.
 * The same change made twice is one.
 */
export function merged<T>(value: T, changes: readonly Change[], choose: Choice = () => 'theirs'): Merged<T> {
  const clashes: Clash[] = [];
  const clash = (one: Clash): unknown => {
    clashes.push(one);
    return choose(one) === 'mine' ? one.mine : one.theirs;
  };
  const result = changes.reduce<unknown>((now, change) => made(now, change, 0, clash), value);
  return { value: result as T, clashes };
}

type Settle = (clash: Clash) => unknown;

function made(at: unknown, change: Change, depth: number, settle: Settle): unknown {
  const step = change.path[depth];
  if (step === undefined) return settled(change.path, at, change.was, change.now, settle);
  if (typeof step === 'string') {
    if (!isFields(at)) return lost(at, change, settle);
    return withField(at, step, made(at[step], change, depth + 1, settle));
  }
  if (!isKeyed(at)) return lost(at, change, settle);
  const index = at.findIndex(({ id }) => id === step.id);
  const before = index < 0 ? undefined : at[index];
  const next = made(before, change, depth + 1, settle) as Entry | undefined;
  if (next === before) return at;
  if (index >= 0) return next === undefined ? at.toSpliced(index, 1) : at.with(index, next);
  // An entry put in goes behind the one it was put behind; where that one is gone, to the end.
  const behind = at.findIndex(({ id }) => id === change.after);
  return at.toSpliced(change.after === null ? 0 : behind < 0 ? at.length : behind + 1, 0, next!);
}

/** What the change was made in is gone: taking away from it is done already, anything else is asked. */
function lost(at: unknown, { path, now }: Change, settle: Settle): unknown {
  if (now !== undefined) settle({ path, mine: now });
  return at;
}

function withField(at: Fields, key: string, value: unknown): Fields {
  if (value === at[key] && (value !== undefined || !(key in at))) return at;
  const { [key]: _old, ...rest } = at;
  if (value === undefined) return rest;
  return key in at ? { ...at, [key]: value } : { ...rest, [key]: value };
}

/** One value that was `was`, is `theirs` there and `mine` here. */
function settled(path: readonly Step[], theirs: unknown, was: unknown, mine: unknown, settle: Settle): unknown {
  if (same(theirs, mine)) return theirs;
  if (same(theirs, was)) return mine;
  if (same(was, mine)) return theirs;
  if (isFields(theirs) && isFields(mine) && (was === undefined || isFields(was))) {
    return inside(path, theirs, was ?? {}, mine, settle);
  }
  if (isKeyed(theirs) && isKeyed(mine) && (was === undefined || isKeyed(was))) {
    return inside(path, theirs, was ?? [], mine, settle);
  }
  if (Array.isArray(theirs) && Array.isArray(mine) && (was === undefined || Array.isArray(was))) {
    const list = mergedLists(theirs, was ?? [], mine);
    if (list) return list;
  }
  return settle({ path, mine, theirs });
}

/** The fields or entries of both, each by itself. */
function inside(path: readonly Step[], theirs: unknown, was: unknown, mine: unknown, settle: Settle): unknown {
  const changes = changesBetween(was, mine);
  // Another order of entries is the whole list, and cannot be looked into further.
  if (changes.some((change) => change.path.length === 0)) return settle({ path, mine, theirs });
  return changes.reduce<unknown>(
    (now, change) => made(now, change, 0, (clash) => settle({ ...clash, path: [...path, ...clash.path] })),
    theirs,
  );
}

/** Lists whose entries have no ids; null: both changed the same stretch. */
function mergedLists(theirs: unknown[], was: unknown[], mine: unknown[]): unknown[] | null {
  if (Math.max(theirs.length, was.length, mine.length) > MOST_MERGED) return null;
  const texts = [theirs, was, mine].map((list) => list.map((entry) => JSON.stringify(entry)));
  const [a, o, b] = texts as [string[], string[], string[]];
  const regions = diff3Merge(a, o, b, { excludeFalseConflicts: true });
  const out: unknown[] = [];
  for (const { ok, conflict } of regions) {
    if (ok) out.push(...ok.map(parsed));
    else if (conflict) {
      const stretch = bothChanged(conflict.a.map(parsed), conflict.o.map(parsed), conflict.b.map(parsed));
      if (!stretch) return null;
      out.push(...stretch);
    }
  }
  return out;
}

const parsed = (text: string): unknown => JSON.parse(text);

/** A stretch of a list that both changed. */
function bothChanged(theirs: unknown[], was: unknown[], mine: unknown[]): unknown[] | null {
  if (was.length === 0) return [...theirs, ...mine.filter((entry) => !theirs.some((other) => same(other, entry)))];
  if (theirs.length !== was.length || mine.length !== was.length) return null;
  // As many as before: the same entries, changed in other fields.
  let meet = false;
  const entries = was.map((entry, i) => {
    if (same(theirs[i], entry)) return mine[i];
    if (same(mine[i], entry) || same(mine[i], theirs[i])) return theirs[i];
    if (!isFields(entry) || !isFields(theirs[i]) || !isFields(mine[i])) {
      meet = true;
      return theirs[i];
    }
    const { value, clashes } = merged(theirs[i], changesBetween(entry, mine[i]));
    meet ||= clashes.length > 0;
    return value;
  });
  return meet ? null : entries;
}
