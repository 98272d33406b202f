import { LIMITS, type Range } from '../limits';
import { ProblemError } from '../problem';
import { formatMm } from './length';

/** 4.4482216 N on a square inch. */
export const KPA_PER_PSI = 6.894757;

export type PressureUnit = 'kPa' | 'psi';

/** kPa in each unit people type. */
const KPA_PER: Readonly<Record<string, number>> = { kpa: 1, psi: KPA_PER_PSI, bar: 100 };

/**
 * Tire pressure in kPa from what was typed: `240 kPa`, `35 psi`, `2,4 bar`; a bare number is in `bare`, unless it can hardly
 * be so while the same number in the other unit can.
 * @throws ProblemError `wrongType`; `unitUnclear`; `outOfRange`.
 */
export function parsePressure(text: string, bare: PressureUnit, range: Range = LIMITS.pressureKpa): number {
  const found = text.trim() || 'nothing';
  const match = /^([\d.,]+) ?(kpa|psi|bar)?$/i.exec(text.trim());
  const value = Number(match?.[1]?.replace(',', '.'));
  if (!match || !Number.isFinite(value)) {
    throw new ProblemError({
      code: 'wrongType',
      path: '',
      expected: 'a pressure such as 240 kPa, 35 psi or 2.4 bar',
      found,
    });
  }
  const unit = match[2]?.toLowerCase();
  const kpa = value * KPA_PER[unit ?? bare.toLowerCase()]!;
  const { min, max, likely = range } = range;
  if (kpa >= min && kpa <= max && (unit !== undefined || (kpa >= likely.min && kpa <= likely.max))) return kpa;
  const other: PressureUnit = bare === 'kPa' ? 'psi' : 'kPa';
  const swapped = value * KPA_PER[other.toLowerCase()]!;
  if (unit === undefined && swapped >= likely.min && swapped <= likely.max)
    throw new ProblemError({
      code: 'unitUnclear',
      path: '',
      expected: `its unit too, such as ${found} ${other}`,
      found,
    });
  if (kpa >= min && kpa <= max) return kpa;
  throw new ProblemError({
    code: 'outOfRange',
    path: '',
    expected: `${min} to ${max} kPa (${formatMm(min / KPA_PER_PSI)} to ${formatMm(max / KPA_PER_PSI)} psi)`,
    found,
  });
}

/** As somebody who works in `unit` reads it off a gauge: `240 kPa`, `34.8 psi`. */
export const pressureIn = (kpa: number, unit: PressureUnit): string =>
  unit === 'kPa' ? `${formatMm(kpa, 0)} kPa` : `${formatMm(kpa / KPA_PER_PSI)} psi`;

/** In both units, the shop's first: `240 kPa (34.8 psi)`. */
export const pressureWords = (kpa: number, first: PressureUnit): string =>
  `${pressureIn(kpa, first)} (${pressureIn(kpa, first === 'kPa' ? 'psi' : 'kPa')})`;
