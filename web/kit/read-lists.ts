import type { Range } from '@/core/1-base/limits';
import { attempt, ProblemError, type Result } from '@/core/1-base/problem';
import { bothUnits, formatMm, lengthIn, type LengthUnit } from '@/core/1-base/units/length';
import { meantLength } from '@/core/1-base/units/meant-length';

/** Lengths (mm) one after another: `0, 25, 2 in`; a decimal comma stands between digits, a separating one before a space or `;`. */
export const readLengths =
  (range: Range, unit: LengthUnit) =>
  (text: string): Result<number[]> =>
    readList(text, (part) => Math.round(meantLength(part, range, unit).mm * 1000) / 1000);

/** Lengths (mm) as somebody who works in `unit` lists them. */
export const writeLengths =
  (unit: LengthUnit) =>
  (values: readonly number[]): string =>
    values.map((mm) => lengthIn(mm, unit)).join('; ');

/** Plain numbers one after another. */
export const readNumbers =
  (range: Range) =>
  (text: string): Result<number[]> =>
    readList(text, (part) => inRange(Number(part.replace(',', '.')), range, part));

/** One plain number. */
export const readNumber =
  (range: Range) =>
  (text: string): Result<number> =>
    attempt(() => inRange(Number(text.trim().replace(',', '.')), range, text));

/** Lengths (mm) in both units, for an echo under their field. */
export const bothUnitsOf = (values: readonly number[]): string =>
  values
    .filter((mm) => mm !== 0)
    .map(bothUnits)
    .join('; ');

export const writeList = (values: readonly number[]): string => values.map((value) => formatMm(value, 2)).join('; ');
export const writeNumber = (value: number): string => String(value);

function readList(text: string, read: (part: string) => number): Result<number[]> {
  const parts = text.split(/;|,\s|\s,/).flatMap((part) => (part.trim() === '' ? [] : [part.trim()]));
  return attempt(() => parts.map(read));
}

/** The value, where it lies in the range. @throws ProblemError that names both. */
export function inRange(value: number, range: Range, found: string): number {
  if (value >= range.min && value <= range.max) return value;
  throw new ProblemError({
    code: 'outOfRange',
    path: '',
    expected: `${range.min} to ${range.max} ${range.unit}`,
    found: found.trim() || 'nothing',
  });
}
