import type { Range } from '../limits';
import { attempt, ProblemError } from '../problem';
import { SAME_LENGTH_MM } from '../tolerances';
import { formatMm, mmToIn, parseLength, type LengthUnit, type ParsedLength } from './length';

/**
 * A length as it was meant: a bare number is in `bare`, unless it can hardly be so while the same number in the other unit
 * can: then nobody guesses, and the unit is asked for.
 * @param range in mm.
 * @throws ProblemError `unreadableLength`; `unitUnclear` for a bare number that wants its unit; `outOfRange` in both units.
 */
export function meantLength(text: string, range: Range, bare: LengthUnit): ParsedLength {
  const read = parseLength(text, bare);
  const isIn = within(read.mm, range);
  if (isIn && (read.stated || isLikely(read.mm, range))) return read;
  const other: LengthUnit = bare === 'mm' ? 'in' : 'mm';
  const swapped = read.stated ? null : parseLength(text, other).mm;
  const found = text.trim();
  if (swapped !== null && within(swapped, range) && isLikely(swapped, range)) {
    throw new ProblemError({
      code: 'unitUnclear',
      path: '',
      expected: isIn
        ? `its unit too, ${found} ${other} or ${found} ${bare}`
        : `${rangeText(range, bare)}, or ${found} ${other} with its unit`,
      found,
    });
  }
  if (isIn) return read;
  throw new ProblemError({ code: 'outOfRange', path: '', expected: rangeText(range, read.unit), found });
}

/** `50 to 1500 mm`, for a shop of inches `2 to 59.1 in (50 to 1500 mm)`. */
export function rangeText({ min, max, unit }: Range, bare: LengthUnit): string {
  const mm = `${min} to ${max} ${unit}`;
  return bare === 'in' && unit === 'mm' ? `${formatMm(mmToIn(min))} to ${formatMm(mmToIn(max))} in (${mm})` : mm;
}

const within = (mm: number, { min, max }: Range): boolean => mm >= min - SAME_LENGTH_MM && mm <= max + SAME_LENGTH_MM;
const isLikely = (mm: number, { likely }: Range): boolean =>
  mm === 0 || !likely || (Math.abs(mm) >= likely.min && Math.abs(mm) <= likely.max);

/** What was typed with its unit beside it, so that it means the same wherever it is read again: `4` -> `4 in`. */
export function withItsUnit(text: string, bare: LengthUnit): string {
  const read = attempt(() => parseLength(text, bare));
  return !read.ok || read.value.stated || read.value.mm === 0 ? text.trim() : `${text.trim()} ${bare}`;
}

/**
 * The unit of a bare number that goes on in a run of `run` where the job works in `shop`: the run's, unless it cannot be and
 * the shop's can (a 60 after 2 1/4 in, between readings in mm).
 */
export function unitInRun(text: string, range: Range, run: LengthUnit, shop: LengthUnit): LengthUnit {
  const isMeant = (unit: LengthUnit): boolean => attempt(() => meantLength(text, range, unit)).ok;
  return run !== shop && !isMeant(run) && isMeant(shop) ? shop : run;
}
