import { formatFraction, MM_PER_IN, type LengthUnit } from '@/core/1-base/units/length';

/** What nobody measured is not known closer: 5 mm, or a quarter of an inch. */
const step = (unit: LengthUnit): number => (unit === 'mm' ? 5 : MM_PER_IN / 4);
const rounded = (mm: number, unit: LengthUnit): number => step(unit) * Math.round(mm / step(unit));

const said = (mm: number, unit: LengthUnit): string =>
  unit === 'mm' ? String(rounded(mm, unit)) : formatFraction(rounded(mm, unit));

/** `usually 55 to 115 mm`. */
export const usualWords = (fromMm: number, toMm: number, unit: LengthUnit): string =>
  `usually ${said(fromMm, unit)} to ${said(toMm, unit)} ${unit}`;

/** `about 40 mm`. */
export const aboutWords = (mm: number, unit: LengthUnit): string => `about ${said(mm, unit)} ${unit}`;
