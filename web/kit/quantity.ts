import type { Range } from '@/core/1-base/limits';
import { attempt, ProblemError, type Result } from '@/core/1-base/problem';
import { SAME_LENGTH_MM } from '@/core/1-base/tolerances';
import {
  bothUnits,
  formatFraction,
  formatMm,
  lengthIn,
  MM_PER_IN,
  parseLength,
  type LengthUnit,
} from '@/core/1-base/units/length';
import { meantLength, withItsUnit } from '@/core/1-base/units/meant-length';

/**
 * What a field holds: a length in mm, an offset in mm (which every shop says in mm), a rim dimension in inches, or an angle
 * in degrees.
 */
export type Quantity = 'length' | 'offset' | 'inches' | 'degrees';

/** The unit a bare number of a quantity is in, where lengths are in `unit`. */
export const bareUnit = (quantity: Quantity, unit: LengthUnit): LengthUnit =>
  quantity === 'inches' ? 'in' : quantity === 'offset' ? 'mm' : unit;

/** Number in the field's own unit from what was typed, within `range`; a bare length is in `unit`. */
export function parseQuantity(text: string, quantity: Quantity, range: Range, unit: LengthUnit): Result<number> {
  return attempt(() => {
    if (quantity === 'length') return tidy(meantLength(text, range, unit).mm);
    const value = readQuantity(text, quantity);
    if (value >= range.min - SAME_LENGTH_MM && value <= range.max + SAME_LENGTH_MM) return value;
    throw new ProblemError({
      code: 'outOfRange',
      path: '',
      expected: `${range.min} to ${range.max} ${range.unit}`,
      found: text.trim(),
    });
  });
}

function readQuantity(text: string, quantity: Exclude<Quantity, 'length'>): number {
  if (quantity === 'degrees') {
    const cleaned = text
      .trim()
      .replace(',', '.')
      .replace(/(°|deg)$/, '')
      .trim();
    const value = cleaned === '' ? Number.NaN : Number(cleaned);
    if (Number.isFinite(value)) return value;
    throw new ProblemError({ code: 'wrongType', path: '', expected: 'an angle in degrees', found: text || 'nothing' });
  }
  const { mm } = parseLength(text, bareUnit(quantity, 'mm'));
  return tidy(quantity === 'inches' ? mm / MM_PER_IN : mm);
}

/** Off with the rounding noise of unit conversion: whole micrometres. */
const tidy = (value: number): number => Math.round(value * 1000) / 1000;

/** What was typed, to be kept: a bare length gets the unit it was understood in. @throws nothing for what could be read. */
export const keptText = (text: string, quantity: Quantity, unit: LengthUnit): string =>
  quantity === 'length' ? withItsUnit(text, unit) : text.trim();

/** Text of a stored number: as it was typed while that still means the same, else as somebody types it in `unit`. */
export function quantityText(
  value: number | undefined,
  typed: string | undefined,
  quantity: Quantity,
  unit: LengthUnit,
): string {
  if (value === undefined) return '';
  if (typed !== undefined && meansTheSame(value, typed, quantity, unit)) return typed;
  return quantity === 'length' ? lengthIn(value, unit, 1) : formatMm(value, quantity === 'offset' ? 1 : 2);
}

/** What stands in for a number until it is measured, with its unit: in inches to the nearest sixteenth, for nobody types it. */
export function standingText(value: number | undefined, quantity: Quantity, unit: LengthUnit): string {
  if (value === undefined) return '';
  if (quantity === 'length' && unit === 'in') return `${formatFraction(value)} in`;
  return `${quantityText(value, undefined, quantity, unit)} ${quantity === 'degrees' ? '°' : bareUnit(quantity, unit)}`;
}

const meansTheSame = (value: number, typed: string, quantity: Quantity, unit: LengthUnit): boolean => {
  const meant = attempt(() => (quantity === 'length' ? parseLength(typed, unit).mm : readQuantity(typed, quantity)));
  return meant.ok && Math.abs(meant.value - value) <= SAME_LENGTH_MM;
};

/** The same length in the other unit, beside what was typed. */
export function otherUnitText(value: number | undefined, shown: string, quantity: Quantity, unit: LengthUnit): string {
  if (value === undefined || value === 0 || quantity === 'degrees') return '';
  if (quantity === 'inches') return `${formatMm(value * MM_PER_IN, 0)} mm`;
  const parsed = attempt(() => parseLength(shown, bareUnit(quantity, unit)));
  return parsed.ok && parsed.value.unit === 'in' ? `${formatMm(value)} mm` : `${formatFraction(value)} in`;
}

/** What a typed length is understood as, in both units; '' while it cannot be read. */
export function heardText(text: string, range: Range, unit: LengthUnit): string {
  const read = attempt(() => meantLength(text, range, unit));
  return read.ok ? `understood as ${bothUnits(read.value.mm)}` : '';
}
