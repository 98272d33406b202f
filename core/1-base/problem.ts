/**
 * Errors as data. A problem says what is wrong, where, what was expected and what was found; the
 * sentence shown to a person is made at the edge, in `contracts/problems.ts`.
 */
export const PROBLEM_CODES = [
  'invalidJson',
  'wrongFormat',
  'wrongVersion',
  'unknownKey',
  'missing',
  'wrongType',
  'outOfRange',
  'unreadableSize',
  'unreadableLength',
  'unitUnclear',
  'unreadableClock',
  'contradiction',
  'impossiblePosture',
  'notFound',
  'conflict',
  'tooLarge',
  'notAllowed',
  'busy',
  'internal',
] as const;
export type ProblemCode = (typeof PROBLEM_CODES)[number];

export interface Problem {
  readonly code: ProblemCode;
  /** Place in the document, e.g. `corners.frontLeft.obstacles[2].readings[0].gapMm`; '' for the whole. */
  readonly path: string;
  /** What would have been accepted, in plain words with units. */
  readonly expected: string;
  /** What was there, as the person wrote it. */
  readonly found: string;
}

export type Result<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly Problem[] };

/** Carries problems up to the nearest edge; never crosses a worker or network boundary itself. */
export class ProblemError extends Error {
  readonly problems: readonly Problem[];
  constructor(...problems: Problem[]) {
    super(problems.map((p) => `${p.path}: expected ${p.expected}, found ${p.found}`).join('; '));
    this.name = 'ProblemError';
    this.problems = problems;
  }
}

/** Runs `work`; a ProblemError becomes data, anything else is a fault of ours and goes on up. */
export function attempt<T>(work: () => T): Result<T> {
  try {
    return { ok: true, value: work() };
  } catch (error) {
    if (error instanceof ProblemError) return { ok: false, problems: error.problems };
    throw error;
  }
}

/** Throws `outOfRange` unless `min <= value <= max`; NaN and infinities never pass. */
export function requireRange(value: number, min: number, max: number, path: string, unit: string): number {
  if (!(value >= min && value <= max)) {
    throw new ProblemError({
      code: 'outOfRange',
      path,
      expected: `${min} to ${max} ${unit}`.trim(),
      found: String(value),
    });
  }
  return value;
}

/** Joins a document path and a key: `a.b` + `c` -> `a.b.c`, `a` + 2 -> `a[2]`. */
export function joinPath(path: string, key: string | number): string {
  if (typeof key === 'number') return `${path}[${key}]`;
  return path === '' ? key : `${path}.${key}`;
}
