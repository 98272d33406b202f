import type { Range } from '@/core/1-base/limits';
import { attempt, ProblemError, type Result } from '@/core/1-base/problem';
import { SAME_LENGTH_MM } from '@/core/1-base/tolerances';
import { formatFraction, formatMm, MM_PER_IN, parseLength } from '@/core/1-base/units/length';

/** What a field holds: a length in mm, a rim dimension in inches, or an angle in degrees. */
export type Quantity = 'length' | 'inches' | 'degrees';

/** Number in the field's own unit from what was typed, within `range`. */
export function parseQuantity(text: string, quantity: Quantity, range: Range): Result<number> {
  return attempt(() => {
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

function readQuantity(text: string, quantity: Quantity): number {
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
  const { mm } = parseLength(text, quantity === 'inches' ? 'in' : 'mm');
  return tidy(quantity === 'inches' ? mm / MM_PER_IN : mm);
}

/** Off with the rounding noise of unit conversion: whole micrometres. */
const tidy = (value: number): number => Math.round(value * 1000) / 1000;

/** Text of a stored number: as it was typed while that still means the same, else in the field's unit. */
export function quantityText(value: number | undefined, typed: string | undefined, quantity: Quantity): string {
  if (value === undefined) return '';
  if (typed !== undefined) {
    const meant = attempt(() => readQuantity(typed, quantity));
    if (meant.ok && Math.abs(meant.value - value) <= SAME_LENGTH_MM) return typed;
  }
  return quantity === 'length' ? formatMm(value) : formatMm(value, 2);
}

/** The same length in the other unit of the job, beside what was typed. */
export function otherUnitText(value: number | undefined, shown: string, quantity: Quantity): string {
  if (value === undefined || value === 0 || quantity === 'degrees') return '';
  if (quantity === 'inches') return `${formatMm(value * MM_PER_IN, 0)} mm`;
  const parsed = attempt(() => parseLength(shown, 'mm'));
  return parsed.ok && parsed.value.unit === 'in' ? `${formatMm(value)} mm` : `${formatFraction(value)} in`;
}
