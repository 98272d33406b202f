import { CORNER_KEYS, cornerName, type CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { fallsShort, type Verdict } from '@/core/4-clearance/case/standard';
import type { Evaluation, ObstacleVerdict } from '@/core/4-clearance/verdict/evaluate';
import { formatFraction, formatMm, type LengthUnit } from '@/core/1-base/units/length';

/** How a setup that was tried stands, as it is said to whoever pays for it. */
export interface CustomerAnswer {
  readonly verdict: Verdict;
  readonly headline: string;
  /** Where it is short, the worst first; with the tightest place where it is nowhere. */
  readonly lines: readonly string[];
  /** The parts that the picture shows. */
  readonly shown: readonly ObstacleVerdict[];
}

const length = (mm: number, unit: LengthUnit): string =>
  unit === 'mm' ? `${formatMm(mm, 0)} mm` : `${formatFraction(mm)} in`;

const LEAST_DEG = 3;
/** mm from ride height from which a wheel is up or hanging to somebody who looks at it. */
const MOVED_MM = 15;

/** `with the wheel turned right and hanging`: without numbers. */
export function plainPosture(steerDeg: number, travelMm: number, rideMm: number): string {
  const steer = Math.abs(steerDeg) < LEAST_DEG ? 'straight' : `turned ${steerDeg > 0 ? 'left' : 'right'}`;
  const height = travelMm - rideMm;
  const travel = height > MOVED_MM ? ' and pushed up' : height < -MOVED_MM ? ' and hanging' : '';
  return steer === 'straight' && travel === '' ? 'as it stands' : `with the wheel ${steer}${travel}`;
}

const MOST_SHOWN = 5;

export function customerAnswer(
  { obstacles, lowGap, pairs }: Evaluation,
  rideOf: (key: CornerKey) => number,
  unit: LengthUnit,
  labelOf: (corner: CornerKey, id: string) => string = (_, id) => id,
): CustomerAnswer {
  const sorted = [...obstacles].sort((a, b) => a.marginMm - b.marginMm);
  const short = sorted.filter(({ verdict }) => fallsShort(verdict));
  const where = (one: ObstacleVerdict): string =>
    `${one.label}, ${cornerName(one.corner)}, ${plainPosture(one.steerDeg, one.travelMm, rideOf(one.corner))}`;
  const lineOf = (one: ObstacleVerdict): string =>
    one.gapMm < 0
      ? `${where(one)}: it rubs, by ${length(-one.gapMm, unit)}.`
      : `${where(one)}: ${length(one.gapMm, unit)} of room, ${length(one.requiredMm, unit)} wanted.`;
  const shortPairs = pairs.filter(({ marginMm }) => marginMm < 0);
  const pairLine = ({ corner, a, b, gapMm, requiredMm }: (typeof pairs)[number]): string =>
    `${labelOf(corner, a)} and ${labelOf(corner, b)}, ${cornerName(corner)}, come near each other: ${length(Math.max(0, gapMm), unit)} between them, ${length(requiredMm, unit)} wanted.`;
  const silent = CORNER_KEYS.filter((key) => !obstacles.some(({ corner }) => corner === key));
  const unsaid =
    silent.length > 0 && obstacles.length > 0 ? [`Not measured: ${silent.map(cornerName).join(', ')}.`] : [];
  const verdict = lowGap?.verdict ?? 'notKnown';
  const shown = (short.length > 0 ? short : sorted).slice(0, MOST_SHOWN);
  if (short.length + shortPairs.length > 0) {
    const rubs = [...short, ...shortPairs].some(({ gapMm }) => gapMm < 0);
    return {
      // Parts that come near each other are short where no tire is.
      verdict: short.length > 0 ? verdict : rubs ? 'rubs' : 'tooClose',
      headline: rubs ? 'It rubs as it is.' : 'Too close as it is.',
      lines: [...short.map(lineOf), ...shortPairs.map(pairLine), ...unsaid],
      shown,
    };
  }
  if (verdict === 'notKnown' || !sorted[0])
    return {
      verdict: 'notKnown',
      headline: 'Not known yet: too little was measured.',
      lines: sorted[0] ? [`Nearest so far: ${lineOf(sorted[0])}`, ...unsaid] : [],
      shown,
    };
  return {
    verdict,
    headline: verdict === 'close' ? 'It clears what was measured, closely.' : 'It clears all that was measured.',
    lines: [`Nearest: ${lineOf(sorted[0])}`, ...unsaid],
    shown,
  };
}
