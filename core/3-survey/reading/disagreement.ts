import { READING_REPEAT_MM } from '../../1-base/tolerances';
import { parseClock } from '../../1-base/units/clock';
import type { ReadingDescription } from './reading';

/** Two readings of one place in one posture that cannot both be right; indices into the obstacle's readings. */
export interface Disagreement {
  readonly first: number;
  readonly second: number;
  readonly apartMm: number;
}

/** Degrees of clock and mm of height within which two readings are of the same place. */
const SAME_CLOCK_DEG = 2.5;
const SAME_HEIGHT_MM = 2;

/** Pairs of readings that name one place and differ by more than a tape held twice does. */
export function disagreements(readings: readonly ReadingDescription[]): Disagreement[] {
  return readings.flatMap((a, first) =>
    readings.slice(first + 1).flatMap((b, k) => {
      const apartMm = Math.abs(a.gapMm - b.gapMm);
      return samePlace(a, b) && apartMm > READING_REPEAT_MM ? [{ first, second: first + 1 + k, apartMm }] : [];
    }),
  );
}

function samePlace(a: ReadingDescription, b: ReadingDescription): boolean {
  const turn = Math.abs(parseClock(a.clock) - parseClock(b.clock));
  const near = (x: number | undefined, y: number | undefined): boolean =>
    x === undefined || y === undefined ? x === y : Math.abs(x - y) <= SAME_HEIGHT_MM;
  return (
    a.across === b.across &&
    a.steer === b.steer &&
    Math.min(turn, 360 - turn) <= SAME_CLOCK_DEG &&
    near(
      a.travelMm ?? (a.hubToLipMm === undefined ? 0 : undefined),
      b.travelMm ?? (b.hubToLipMm === undefined ? 0 : undefined),
    ) &&
    near(a.hubToLipMm, b.hubToLipMm) &&
    near(a.outboardMm, b.outboardMm)
  );
}
