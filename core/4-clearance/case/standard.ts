import { formatMm } from '../../1-base/units/length';
import type { Material } from '../../3-survey/shape/material';

export const STANDARD_IDS = ['neverRub', 'plasticKiss', 'cutToFit'] as const;
export type StandardId = (typeof STANDARD_IDS)[number];

/** Gap required of each material, mm; negative: may be pressed in by that much. */
export type RequiredGaps = Readonly<Record<Material | 'caliper', number>>;

/** Under which name a standard asks for room to a thing: a brake inside the wheel is asked for as a caliper. */
export const wantedAs = ({
  material,
  insideWheel,
}: {
  readonly material: Material;
  readonly insideWheel?: boolean | undefined;
}): keyof RequiredGaps => (insideWheel && material === 'brake' ? 'caliper' : material);

/** What a standard lets a shop do to gain room. */
export type Allowed = 'unbolt' | 'reroute' | 'tuckLiner' | 'trimPlastic' | 'foldLip' | 'cutSheetMetal';

/** How much room each material must be left in each part of the travel, and when a margin counts as close. */
export interface Standard {
  readonly id: StandardId;
  readonly requiredMm: RequiredGaps;
  /** Other gaps beyond a share of the bump travel (0 = parked, 1 = full squash). */
  readonly nearFullBump?: { readonly fromShare: number; readonly requiredMm: RequiredGaps } | undefined;
  readonly allows: readonly Allowed[];
  /** mm of margin below which a clear obstacle is called close. */
  readonly closeMm: number;
}

const METAL_MM = 8;
const HOSE_MM = 15;
const SOFT_MM = 5;
/** Makers live with 3 to 5 mm between wheel and caliper (common practice, no source). */
const CALIPER_MM = 5;

const CLEAR_OF_ALL: RequiredGaps = {
  sheetMetal: METAL_MM,
  bodyMount: METAL_MM,
  frame: METAL_MM,
  arm: METAL_MM,
  knuckle: METAL_MM,
  brake: METAL_MM,
  caliper: CALIPER_MM,
  spring: METAL_MM,
  swayBar: METAL_MM,
  hose: HOSE_MM,
  wire: HOSE_MM,
  plastic: SOFT_MM,
  liner: SOFT_MM,
};

const CLOSE_MM = 6;

/** The three schools. Working values of this project, no published source. */
export const STANDARDS: Readonly<Record<StandardId, Standard>> = {
  /** Never rub, at any lock, ever. */
  neverRub: {
    id: 'neverRub',
    requiredMm: CLEAR_OF_ALL,
    allows: ['unbolt', 'reroute', 'tuckLiner'],
    closeMm: CLOSE_MM,
  },
  /** As never rub, but liner and soft plastic may be kissed near full bump. */
  plasticKiss: {
    id: 'plasticKiss',
    requiredMm: CLEAR_OF_ALL,
    nearFullBump: { fromShare: 0.75, requiredMm: { ...CLEAR_OF_ALL, liner: -5, plastic: -2 } },
    allows: ['unbolt', 'reroute', 'tuckLiner', 'trimPlastic'],
    closeMm: CLOSE_MM,
  },
  /** As never rub, after cutting what it takes. */
  cutToFit: {
    id: 'cutToFit',
    requiredMm: CLEAR_OF_ALL,
    allows: ['unbolt', 'reroute', 'tuckLiner', 'trimPlastic', 'foldLip', 'cutSheetMetal'],
    closeMm: CLOSE_MM,
  },
};

/** A stretch of travel with one set of required gaps. */
export interface StandardRegion {
  readonly from: number;
  readonly to: number;
  readonly requiredMm: RequiredGaps;
}

/** Heights of a corner as `TravelLimits` has them. */
interface RegionLimits {
  readonly ride: number;
  readonly bump: number;
  readonly lowest: number;
  readonly highest: number;
}

/** The standard's regions over the travel limits, in order; together they cover all that the wheel reaches. */
export function standardRegions(
  { requiredMm, nearFullBump }: Standard,
  { ride, bump, lowest, highest }: RegionLimits,
): StandardRegion[] {
  if (!nearFullBump) return [{ from: lowest, to: highest, requiredMm }];
  const split = ride + nearFullBump.fromShare * (bump - ride);
  if (!(split > lowest && split < highest)) return [{ from: lowest, to: highest, requiredMm }];
  return [
    { from: lowest, to: split, requiredMm },
    { from: split, to: highest, requiredMm: nearFullBump.requiredMm },
  ];
}

/** A stretch of travel with one gap required of a material. */
export interface MaterialStretch {
  readonly from: number;
  readonly to: number;
  readonly requiredMm: number;
}

/** What is wanted of one material from the lowest height up to `highest`; neighbouring regions that want the same of it are one. */
export function materialStretches(
  standard: Standard,
  limits: RegionLimits,
  material: keyof RequiredGaps,
  highest = limits.highest,
): MaterialStretch[] {
  return standardRegions(standard, limits)
    .filter(({ from }) => from < highest)
    .reduce<MaterialStretch[]>((joined, region) => {
      const last = joined.at(-1);
      const requiredMm = region.requiredMm[material];
      const to = Math.min(region.to, highest);
      if (last?.requiredMm === requiredMm) return [...joined.slice(0, -1), { ...last, to }];
      return [...joined, { from: region.from, to, requiredMm }];
    }, []);
}

/**
 * clear: room to spare; close: what is wanted is left, and little more; tooClose: a gap, but less than is wanted; rubs: no gap;
 * notKnown: what was measured falls nowhere short, but too little was measured to say that it clears.
 */
export const VERDICTS = ['clear', 'close', 'tooClose', 'rubs', 'notKnown'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** The one decision on a gap and its margin (gap less what is wanted), mm. */
export function verdictOf(
  { gapMm, marginMm }: { readonly gapMm: number; readonly marginMm: number },
  standard: Pick<Standard, 'closeMm'>,
  isKnown: boolean,
): Verdict {
  if (marginMm < 0) return gapMm < 0 ? 'rubs' : 'tooClose';
  if (!isKnown) return 'notKnown';
  return marginMm >= standard.closeMm ? 'clear' : 'close';
}

/** Whether less is left than is wanted. */
export const fallsShort = (verdict: string): boolean => verdict === 'tooClose' || verdict === 'rubs';

/** Chance of leaving less than is wanted from which a gap is no longer clear, and from which it counts as too close. Working values. */
export const CHANCE_CLOSE = 0.1;
export const CHANCE_TOO_CLOSE = 0.5;

/**
 * A verdict with what is known of how far off it may be: a gap that more likely than not falls short is too close, one that
 * may is close at best.
 * @param chanceOfShort of leaving less than is wanted, 0 to 1; null: not known (yet), the verdict stands.
 */
export function gradedVerdict(verdict: Verdict, chanceOfShort: number | null): Verdict {
  if (chanceOfShort === null || (verdict !== 'clear' && verdict !== 'close')) return verdict;
  if (chanceOfShort >= CHANCE_TOO_CLOSE) return 'tooClose';
  return chanceOfShort >= CHANCE_CLOSE ? 'close' : verdict;
}

/** A margin as it is said beside its gap: `short by 4.7 mm`, `1.3 mm to spare`. */
export const marginWords = (marginMm: number): string =>
  marginMm < 0 ? `short by ${formatMm(-marginMm)} mm` : `${formatMm(marginMm)} mm to spare`;

/** What a gap is held against: `needs 8 mm`. */
export const needsWords = (requiredMm: number): string => `needs ${formatMm(requiredMm)} mm`;
