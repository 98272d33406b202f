import { ProblemError } from '../../1-base/problem';
import { MM_PER_IN } from '../../1-base/units/length';

/** Studs of a hub or wheel: how many, on a circle of which diameter. */
export interface BoltPattern {
  readonly studs: number;
  readonly circleMm: number;
}

/** Circles below this were meant in inches. */
const LEAST_CIRCLE_MM = 50;

/** mm to which two circles are the same: 5x4.5 in and 5x114.3 mm. */
const SAME_CIRCLE_MM = 0.15;

/** `6x139.7`, `5 x 4.5 in` or `5x114.3`. @throws ProblemError for anything else. */
export function parseBoltPattern(text: string, path = ''): BoltPattern {
  const match = /^\s*(\d{1,2})\s*[x×]\s*(\d{1,3}(?:[.,]\d{1,2})?)\s*(mm|in|")?\s*$/i.exec(text);
  const studs = Number(match?.[1]);
  const circle = Number(match?.[2]?.replace(',', '.'));
  const inches = match?.[3] !== undefined ? match[3].toLowerCase() !== 'mm' : circle < LEAST_CIRCLE_MM;
  const circleMm = inches ? circle * MM_PER_IN : circle;
  if (match && studs >= 3 && studs <= 12 && circleMm >= LEAST_CIRCLE_MM && circleMm <= 400) return { studs, circleMm };
  throw new ProblemError({
    code: 'wrongType',
    path,
    expected: 'studs x circle, such as 6x139.7 or 5x4.5 in',
    found: text.trim() === '' ? 'nothing' : text.trim(),
  });
}

export const samePattern = (a: BoltPattern, b: BoltPattern): boolean =>
  a.studs === b.studs && Math.abs(a.circleMm - b.circleMm) <= SAME_CIRCLE_MM;
