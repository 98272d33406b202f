import { cornerName, type CornerKey } from '@/core/2-vehicle/setup/corner-key';
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
  { obstacles, lowGap }: Evaluation,
  rideOf: (key: CornerKey) => number,
  unit: LengthUnit,
): CustomerAnswer {
  const sorted = [...obstacles].sort((a, b) => a.marginMm - b.marginMm);
  const short = sorted.filter(({ verdict }) => fallsShort(verdict));
  const where = (one: ObstacleVerdict): string =>
    `${one.label}, ${cornerName(one.corner)}, ${plainPosture(one.steerDeg, one.travelMm, rideOf(one.corner))}`;
  const lineOf = (one: ObstacleVerdict): string =>
    one.gapMm < 0
      ? `${where(one)}: it rubs, by ${length(-one.gapMm, unit)}.`
      : `${where(one)}: ${length(one.gapMm, unit)} of room, ${length(one.requiredMm, unit)} wanted.`;
  const verdict = lowGap?.verdict ?? 'notKnown';
  const shown = (short.length > 0 ? short : sorted).slice(0, MOST_SHOWN);
  if (short.length > 0) {
    const rubs = short.some(({ gapMm }) => gapMm < 0);
    return {
      verdict,
      headline: rubs ? 'It rubs as it is.' : 'Too close as it is.',
      lines: short.map(lineOf),
      shown,
    };
  }
  if (verdict === 'notKnown' || !sorted[0])
    return {
      verdict: 'notKnown',
      headline: 'Not known yet: too little was measured.',
      lines: sorted[0] ? [`Nearest so far: ${lineOf(sorted[0])}`] : [],
      shown,
    };
  return {
    verdict,
    headline: verdict === 'close' ? 'It clears what was measured, closely.' : 'It clears all that was measured.',
    lines: [`Nearest: ${lineOf(sorted[0])}`],
    shown,
  };
}
