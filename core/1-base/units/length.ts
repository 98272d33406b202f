import { ProblemError } from '../problem';

/** Units a shop or a job works in; a bare number takes the one in force. */
export const LENGTH_UNITS = ['in', 'mm'] as const;
export type LengthUnit = (typeof LENGTH_UNITS)[number];

export const MM_PER_IN = 25.4;

export const inToMm = (inches: number): number => inches * MM_PER_IN;
export const mmToIn = (mm: number): number => mm / MM_PER_IN;

export interface ParsedLength {
  readonly mm: number;
  /** Unit the text is in: written, implied by a fraction, or the default. */
  readonly unit: LengthUnit;
  /** The text itself says which: by a unit or a fraction. */
  readonly stated: boolean;
}

const UNIT_FACTORS: Readonly<Record<string, { unit: LengthUnit; mm: number }>> = {
  mm: { unit: 'mm', mm: 1 },
  cm: { unit: 'mm', mm: 10 },
  in: { unit: 'in', mm: MM_PER_IN },
  inch: { unit: 'in', mm: MM_PER_IN },
  inches: { unit: 'in', mm: MM_PER_IN },
  '"': { unit: 'in', mm: MM_PER_IN },
  '″': { unit: 'in', mm: MM_PER_IN },
  '”': { unit: 'in', mm: MM_PER_IN },
};

const LENGTH =
  /^([+-]?)\s*(?:(\d+)(?:\s+|\s*-\s*))?(\d+)\s*\/\s*(\d+)\s*([a-z"″”]*)$|^([+-]?)\s*(\d+(?:[.,]\d+)?|[.,]\d+)\s*([a-z"″”]*)$/;

/**
 * Reads a length as people type it: `57mm`, `57`, `1.25in`, `1,25 in`, `2 7/8`, `2-7/8"`, `3/4`, `5.5 cm`.
 * A fraction without a unit is in inches; a plain number without one is in `defaultUnit`.
 * @throws ProblemError `unreadableLength` at `path`.
 */
export function parseLength(text: string, defaultUnit: LengthUnit, path = ''): ParsedLength {
  const cleaned = text
    .trim()
    .toLowerCase()
    .replace(/\u00bd/g, ' 1/2')
    .replace(/\u00bc/g, ' 1/4')
    .replace(/\u00be/g, ' 3/4')
    .trim();
  const match = LENGTH.exec(cleaned);
  const refuse = (): never => {
    throw new ProblemError({
      code: 'unreadableLength',
      path,
      expected: 'a length such as 57 mm, 1.25 in or 2 7/8',
      found: text.trim() === '' ? 'nothing' : text,
    });
  };
  if (!match) return refuse();
  const fraction = match[4] !== undefined;
  const sign = (fraction ? match[1] : match[6]) === '-' ? -1 : 1;
  const unitText = (fraction ? match[5] : match[8]) ?? '';
  const size = fraction
    ? Number(match[2] ?? 0) + Number(match[3]) / Number(match[4])
    : Number((match[7] ?? '').replace(',', '.'));
  if (!Number.isFinite(size)) return refuse();
  const implied = fraction ? 'in' : defaultUnit;
  const known = UNIT_FACTORS[unitText === '' ? implied : unitText];
  if (!known) return refuse();
  return { mm: sign * size * known.mm, unit: known.unit, stated: fraction || unitText !== '' };
}

/** Inches to the nearest 1/16 as a tape shows them: `2 7/8`, `3/16`, `-1 1/2`, `0`. */
export const formatFraction = (mm: number): string => fractionText(Math.round((Math.abs(mm) / MM_PER_IN) * 16), mm < 0);

/** A length (mm, not negative) that is needed: inches to the next 1/16, never below it. */
export const formatFractionUp = (mm: number): string =>
  fractionText(Math.ceil((mm / MM_PER_IN) * 16 - SIXTEENTH_SLACK), false);

/** Sixteenths by which a whole number of them may be missed by rounding. */
const SIXTEENTH_SLACK = 1e-6;

function fractionText(sixteenths: number, isNegative: boolean): string {
  const whole = Math.floor(sixteenths / 16);
  let top = sixteenths % 16;
  let bottom = 16;
  while (top > 0 && top % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  const sign = isNegative && sixteenths > 0 ? '-' : '';
  if (top === 0) return `${sign}${whole}`;
  return whole === 0 ? `${sign}${top}/${bottom}` : `${sign}${whole} ${top}/${bottom}`;
}

/** Millimeters with one decimal, or none where it would be `.0`; never `-0`. */
export function formatMm(mm: number, decimals = 1): string {
  const rounded = Number(mm.toFixed(decimals));
  return String(rounded === 0 ? 0 : rounded);
}

/** The same with its sign always shown: `+3.5`, `-2`, `0`. */
export function signedMm(mm: number, decimals = 1): string {
  const text = formatMm(Math.abs(mm), decimals);
  return text === '0' ? text : `${mm < 0 ? '-' : '+'}${text}`;
}

/** A length as both schools read it: `12.7 mm (1/2 in)`. */
export const bothUnits = (mm: number): string => `${formatMm(mm)} mm (${formatFraction(mm)} in)`;

/** mm within which a length is a whole number of sixteenths, as a tape has them. */
const SIXTEENTH_MM = 0.02;

/**
 * A length as somebody who works in `unit` would type it: `2 7/8` or `31` in inches, `57` in mm. One that is no whole
 * sixteenth stays in mm and says so (`57.3 mm`), so that it reads back as itself.
 */
export function lengthIn(mm: number, unit: LengthUnit, decimals = 2): string {
  if (unit === 'mm') return formatMm(mm, decimals);
  const tape = formatFraction(mm);
  return Math.abs(parseLength(tape, 'in').mm - mm) <= SIXTEENTH_MM ? tape : `${formatMm(mm, decimals)} mm`;
}
