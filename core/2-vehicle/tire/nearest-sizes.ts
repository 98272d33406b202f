import { attempt } from '../../1-base/problem';
import { tireSection } from './section';
import { commonSizes, type CommonSize } from './common-sizes';

/** A size in use beside a tire that was drawn: how it stands on the rim, and how far it is off, mm. */
export interface NearestSize {
  readonly size: string;
  readonly diameterMm: number;
  readonly widthMm: number;
}

let sizes: readonly CommonSize[] | null = null;
const known = (): readonly CommonSize[] => (sizes ??= commonSizes());

/** Sizes in use for a rim, mounted on it, nearest in diameter and width (mm of each count alike) first. */
export function nearestSizes(
  rimDiameterIn: number,
  rimWidthIn: number,
  diameterMm: number,
  widthMm: number,
  count: number,
): NearestSize[] {
  return mounted(rimDiameterIn, rimWidthIn)
    .map((size) => ({ size, off: Math.hypot(size.diameterMm - diameterMm, size.widthMm - widthMm) }))
    .sort((a, b) => a.off - b.off)
    .slice(0, count)
    .map(({ size }) => size);
}

/**
 * The next taller (or lower) size in use on a rim, of those about as wide: the least step in diameter, then in width.
 * null at the end of the table.
 */
export function nextSize(
  rimDiameterIn: number,
  rimWidthIn: number,
  diameterMm: number,
  widthMm: number,
  direction: 1 | -1,
): NearestSize | null {
  const steps = mounted(rimDiameterIn, rimWidthIn).filter(
    (size) =>
      direction * (size.diameterMm - diameterMm) > LEAST_STEP_MM && Math.abs(size.widthMm - widthMm) <= ALIKE_MM,
  );
  const order = (a: NearestSize, b: NearestSize): number =>
    direction * (a.diameterMm - b.diameterMm) || Math.abs(a.widthMm - widthMm) - Math.abs(b.widthMm - widthMm);
  return steps.sort(order)[0] ?? null;
}

/** mm of diameter that count as a step, and of width that count as about as wide. */
const LEAST_STEP_MM = 3;
const ALIKE_MM = 16;

/** The last rim's, as a hand that steps through sizes stays on it. */
let lastMounted: { readonly rim: string; readonly sizes: readonly NearestSize[] } | null = null;

function mounted(rimDiameterIn: number, rimWidthIn: number): readonly NearestSize[] {
  const rim = `${rimDiameterIn}x${rimWidthIn}`;
  if (lastMounted?.rim !== rim) lastMounted = { rim, sizes: mountedOn(rimDiameterIn, rimWidthIn) };
  return lastMounted.sizes;
}

function mountedOn(rimDiameterIn: number, rimWidthIn: number): NearestSize[] {
  return known().flatMap(({ size, rimDiameterIn: rim, measuringRimIn }) => {
    if (rim !== rimDiameterIn || Math.abs(measuringRimIn - rimWidthIn) > MOST_RIM_STEP_IN) return [];
    const section = attempt(() => tireSection({ size }, rimWidthIn));
    return section.ok ? [{ size, diameterMm: section.value.diameterMm, widthMm: section.value.widthMm }] : [];
  });
}

/** Inches a rim may be off a tire's measuring rim; about what makers allow (common practice, no source). */
const MOST_RIM_STEP_IN = 1.5;
