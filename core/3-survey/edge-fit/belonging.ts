import type { EdgeModel } from './edge-model';
import { gapThere, isOutOfReach, MISSES, missBy, squaresOf, type Evidence, type TapeEvidence } from './evidence';

/** A rub: somewhere in these postures the fitted tire touches the thing; or none: nowhere in them does it. */
export interface RubEvidence {
  readonly postures: readonly Pick<TapeEvidence, 'toWheel' | 'rotor'>[];
  readonly touches: boolean;
}

/** The place of the edge that a reading belongs to, and by how much it misses. */
export interface PlaceOfReading {
  readonly s: number;
  readonly t: number;
  readonly misses: Float64Array;
}

/** Where a rub comes nearest to being one (or what does not rub, deepest), in standard deviations from touch. */
export interface RubTouch {
  readonly posture: Pick<TapeEvidence, 'toWheel' | 'rotor'>;
  readonly s: number;
  readonly t: number;
  readonly miss: number;
}

/** mm: how near touch a rub must come. */
export const RUB_SIGMA_MM = 3;

/**
 * The place of the edge that a reading belongs to: the nearest to the tire, or for one at a chosen clock the one it fits
 * best. `near`: start from there alone.
 */
export function placeOf(
  model: EdgeModel,
  evidence: Evidence,
  q: Float64Array,
  near: { readonly s: number; readonly t: number } | null,
): PlaceOfReading {
  const at = new Float64Array(3);
  const misses = new Float64Array(MISSES);
  const missesAt = (s: number, t: number): void => {
    model.at(q, s, t, at);
    missBy(evidence, at, model.radiusMm, q, misses);
  };
  const costAt = (s: number, t: number): number => {
    if (evidence.nearest) {
      model.at(q, s, t, at);
      return gapThere(evidence, at, model.radiusMm) + (isOutOfReach(evidence, at) ? FAR_MM : 0);
    }
    missesAt(s, t);
    return squaresOf(misses);
  };
  let best = near ? [near.s, near.t] : [0, 0];
  if (!near) {
    let least = Infinity;
    for (const [s, t] of model.seeds) {
      const cost = costAt(s, t);
      if (cost < least) {
        least = cost;
        best = [s, t];
      }
    }
  }
  const [s, t] = refine(model, costAt, best as [number, number]);
  missesAt(s, t);
  return { s, t, misses };
}

/** mm: added to a gap that no tape reaches. */
const FAR_MM = 1e4;

/** Steps of a compass search along a place's numbers, as shares of its stretch. */
const FIRST_SHARE = 0.05;
const LAST_SHARE = 2e-5;

/** The least of `costAt` near a place, by a compass search within the limits of its stretch. */
function refine(
  model: EdgeModel,
  costAt: (s: number, t: number) => number,
  from: readonly [number, number],
): [number, number] {
  if (model.dims === 0) return [from[0], from[1]];
  const [lowS, highS, lowT, highT] = model.limits(from);
  let [s, t] = from;
  let least = costAt(s, t);
  for (let share = FIRST_SHARE; share > LAST_SHARE;) {
    let moved = false;
    for (const [ds, dt] of model.dims === 1 ? COMPASS.slice(0, 2) : COMPASS) {
      const s2 = Math.min(highS, Math.max(lowS, s + ds * share * (highS - lowS)));
      const t2 = Math.min(highT, Math.max(lowT, t + dt * share * (highT - lowT)));
      if (s2 === s && t2 === t) continue;
      const cost = costAt(s2, t2);
      if (cost < least) {
        least = cost;
        s = s2;
        t = t2;
        moved = true;
        break;
      }
    }
    if (!moved) share /= 3;
  }
  return [s, t];
}

const COMPASS = [
  [1, 0],
  [-1, 0],
  [0, 1],
  [0, -1],
] as const;

/** Where the edge comes nearest in the postures of a rub; none where all is as it was seen. */
export function nearestTouch(model: EdgeModel, { postures, touches }: RubEvidence, q: Float64Array): RubTouch[] {
  const at = new Float64Array(3);
  let least: { posture: RubTouch['posture']; s: number; t: number; gap: number } | null = null;
  for (const posture of postures) {
    for (const [s, t] of model.seeds) {
      model.at(q, s, t, at);
      const gap = gapThere(posture, at, model.radiusMm);
      if (!least || gap < least.gap) least = { posture, s, t, gap };
    }
  }
  return least && (touches ? least.gap > 0 : least.gap < 0) ? [{ ...least, miss: least.gap / RUB_SIGMA_MM }] : [];
}
