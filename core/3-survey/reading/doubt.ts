import { LIMITS } from '../../1-base/limits';
import { toRadians } from '../../1-base/units/angle';
import { parseClock } from '../../1-base/units/clock';
import { attempt } from '../../1-base/problem';
import type { ReadingDescription } from './reading';

/** mm: a tape from the tire to the inside of a wheel well does not read more. Working value. */
const LARGEST_LIKELY_MM = LIMITS.gapMm.likely!.max;

/** mm, and share of what is foretold, by which a reading may differ from it. Working values. */
const FORETOLD = { mm: 15, share: 0.25 } as const;

/** How fast the gap to one thing changes along the tire: mm by mm of arc. An edge that leaves the tire by 15 degrees; working value. */
const SLOPE = Math.tan(toRadians(15));

/** Degrees of clock within which another reading says something about this one: an hour and a half. */
const NEIGHBOUR_DEG = 45;

/** Why a reading is asked about before it counts. */
export type Doubt =
  | { readonly kind: 'large' }
  /** The engine, from all other readings. */
  | { readonly kind: 'foretold'; readonly expectedMm: number }
  /** The nearest reading of the same thing, place and posture. */
  | { readonly kind: 'neighbour'; readonly expectedMm: number; readonly clock: string };

/** What a doubt is decided from. */
export type Doubted = Pick<ReadingDescription, 'clock' | 'across' | 'gapMm' | 'steer' | 'travelMm' | 'hubToLipMm'>;

/**
 * Whether a reading differs from what is known by more than the thing can, so that a slip (a 4 meant in inches) does not
 * count unasked; null: nothing speaks against it.
 * @param others readings of the same thing; those of another place or posture say nothing.
 * @param tireRadiusMm of the fitted tire.
 * @param expectedMm what the engine foretells, if it asked for this reading.
 */
export function doubtOf(
  reading: Doubted,
  others: readonly Doubted[],
  tireRadiusMm: number,
  expectedMm?: number,
): Doubt | null {
  const { gapMm } = reading;
  if (gapMm > LARGEST_LIKELY_MM) return { kind: 'large' };
  if (expectedMm !== undefined) {
    const isForetold = Math.abs(gapMm - expectedMm) <= Math.max(FORETOLD.mm, FORETOLD.share * expectedMm);
    return isForetold ? null : { kind: 'foretold', expectedMm };
  }
  const near = nearestOf(reading, others);
  if (!near) return null;
  const arcMm = toRadians(near.awayDeg) * (tireRadiusMm + near.gapMm);
  const most = Math.max(FORETOLD.mm, FORETOLD.share * near.gapMm) + SLOPE * arcMm;
  return Math.abs(gapMm - near.gapMm) <= most ? null : { kind: 'neighbour', expectedMm: near.gapMm, clock: near.clock };
}

function nearestOf(reading: Doubted, others: readonly Doubted[]) {
  const mine = angleOf(reading.clock);
  if (mine === null) return null;
  return others
    .filter((one) => isSamePosture(one, reading) && one.across === reading.across)
    .flatMap((one) => {
      const angle = angleOf(one.clock);
      if (angle === null) return [];
      const away = Math.abs(mine - angle) % 360;
      return [{ ...one, awayDeg: Math.min(away, 360 - away) }];
    })
    .filter(({ awayDeg }) => awayDeg <= NEIGHBOUR_DEG)
    .reduce<(Doubted & { awayDeg: number }) | null>(
      (best, one) => (!best || one.awayDeg < best.awayDeg ? one : best),
      null,
    );
}

/** Readings at about one height of the wheel: hub to lip or travel within 10 mm. */
const SAME_HEIGHT_MM = 10;
function isSamePosture(a: Doubted, b: Doubted): boolean {
  if (a.steer !== b.steer || (a.hubToLipMm === undefined) !== (b.hubToLipMm === undefined)) return false;
  const apart = a.hubToLipMm !== undefined ? a.hubToLipMm - b.hubToLipMm! : (a.travelMm ?? 0) - (b.travelMm ?? 0);
  return Math.abs(apart) <= SAME_HEIGHT_MM;
}

const angleOf = (clock: string): number | null => {
  const read = attempt(() => parseClock(clock));
  return read.ok ? read.value : null;
};

/** mm within which a number typed again is the same: half of a sixteenth of an inch. */
export const SAME_READING_MM = 0.8;

/** mm by which the two sides of an axle hardly stand apart: a slip of a digit does. Working value. */
const SIDES_DIFFER_MM = 50;

/** Whether a height at a corner is asked about, by what the other side of the axle reads. */
export const isHeightDoubted = (mm: number, otherSideMm: number | undefined): boolean =>
  otherSideMm !== undefined && Math.abs(mm - otherSideMm) > SIDES_DIFFER_MM;
