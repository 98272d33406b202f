import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import type { EdgeModel } from './edge-model';
import { gapThere, isOutOfReach, MISSES, missBy, type Evidence } from './evidence';

/** A rub: somewhere in these postures the fitted tire touches the thing. */
export type RubEvidence = readonly Pick<Evidence, 'toWheel' | 'rotor'>[];

export interface EdgeFit {
  readonly q: Float64Array;
  /** Of the numbers, as far as readings and priors tell. */
  readonly covariance: Matrix;
  /** By reading: place on the edge it belongs to, and its misses (gap, across, clock) in standard deviations. */
  readonly readings: readonly ReadingFit[];
  readonly status: 'converged' | 'outOfSteps';
  readonly iterations: number;
  /** Sum of squares left: readings, rubs and priors. */
  readonly cost: number;
}

export interface ReadingFit {
  readonly s: number;
  readonly t: number;
  readonly misses: Float64Array;
  /** Standard deviation of the gap (mm) the others alone would leave open here, as a share: 1 = the reading tells nothing new. */
  readonly leverage: number;
}

const MOST_STEPS = 40;

/** Standard deviations beyond which a reading counts less and less (Huber), so that one slip does not bend the edge. */
const HUBER = 2;

/** mm: how near touch a rub must come. */
const RUB_SIGMA_MM = 3;

const SETTLED = 1e-6;

/**
 * The likeliest edge of a family under its readings: each reading belongs to the place of the edge that it fits best. Gauss-Newton
 * with a Levenberg damping; places are eliminated from the normal equations (variable projection), so their own freedom
 * is counted in the covariance.
 */
export function fitEdge(
  model: EdgeModel,
  evidence: readonly Evidence[],
  rubs: readonly RubEvidence[] = [],
  start: Float64Array = model.mean,
): EdgeFit {
  const n = model.mean.length;
  let q = Float64Array.from(start);
  let here = stand(model, evidence, rubs, q, null);
  let damping = 1e-3;
  let status: EdgeFit['status'] = 'outOfSteps';
  let iterations = 0;
  let normal = normalEquations(model, evidence, q, here);
  while (iterations < MOST_STEPS) {
    iterations++;
    const damped = normal.hessian.clone();
    for (let k = 0; k < n; k++) damped.set(k, k, damped.get(k, k) * (1 + damping));
    const step = new CholeskyDecomposition(damped).solve(Matrix.columnVector([...normal.gradient]));
    const next = q.map((v, k) => v - step.get(k, 0));
    const there = stand(model, evidence, rubs, next, iterations % 4 === 0 ? null : here);
    if (there.cost <= here.cost) {
      const gained = here.cost - there.cost;
      q = next;
      here = there;
      damping = Math.max(1e-6, damping / 5);
      normal = normalEquations(model, evidence, q, here);
      if (gained < SETTLED * (1 + here.cost)) {
        status = 'converged';
        break;
      }
    } else {
      damping *= 6;
      if (damping > 1e8) {
        status = 'converged';
        break;
      }
    }
  }
  const inverse = new CholeskyDecomposition(normal.hessian).solve(Matrix.eye(n));
  // Off by rounding from being symmetric.
  const covariance = inverse.clone().add(inverse.transpose()).mul(0.5);
  return {
    q,
    covariance,
    readings: here.places.map((place, i) => ({ ...place, leverage: leverageOf(normal.gapRows[i]!, covariance) })),
    status,
    iterations,
    cost: here.cost,
  };
}

function leverageOf(row: Float64Array, covariance: Matrix): number {
  let sum = 0;
  for (let j = 0; j < row.length; j++)
    for (let k = 0; k < row.length; k++) sum += row[j]! * covariance.get(j, k) * row[k]!;
  return Math.min(1, sum);
}

interface PlaceOfReading {
  readonly s: number;
  readonly t: number;
  readonly misses: Float64Array;
}

interface RubTouch {
  readonly posture: Pick<Evidence, 'toWheel' | 'rotor'>;
  readonly s: number;
  readonly t: number;
  readonly miss: number;
}

interface Stand {
  readonly places: readonly PlaceOfReading[];
  readonly touches: readonly RubTouch[];
  readonly cost: number;
}

/** Squares up to the Huber limit, straight beyond. */
const huber = (squares: number): number => {
  const size = Math.sqrt(squares);
  return size <= HUBER ? squares : HUBER * (2 * size - HUBER);
};

const squaresOf = (misses: Float64Array): number => misses.reduce((sum, v) => sum + v * v, 0);

function stand(
  model: EdgeModel,
  evidence: readonly Evidence[],
  rubs: readonly RubEvidence[],
  q: Float64Array,
  before: Stand | null,
): Stand {
  const places = evidence.map((e, i) => placeOf(model, e, q, before?.places[i] ?? null));
  const touches = rubs.flatMap((postures) => nearestTouch(model, postures, q));
  let cost = 0;
  for (const { misses } of places) cost += huber(squaresOf(misses));
  for (const { miss } of touches) cost += miss * miss;
  for (let k = 0; k < q.length; k++) cost += ((q[k]! - model.mean[k]!) / model.sigma[k]!) ** 2;
  return { places, touches, cost };
}

/**
 * The place of the edge that a reading belongs to: the nearest to the tire, or for one at a chosen clock the one it fits
 * best. `near`: start from there alone.
 */
function placeOf(
  model: EdgeModel,
  evidence: Evidence,
  q: Float64Array,
  near: { readonly s: number; readonly t: number } | null,
): PlaceOfReading {
  const at = new Float64Array(3);
  const misses = new Float64Array(MISSES);
  const missesAt = (s: number, t: number): void => {
    model.at(q, s, t, at);
    missBy(evidence, at, model.radiusMm, misses);
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

function nearestTouch(model: EdgeModel, postures: RubEvidence, q: Float64Array): RubTouch[] {
  const at = new Float64Array(3);
  let least: { posture: RubEvidence[number]; s: number; t: number; gap: number } | null = null;
  for (const posture of postures) {
    for (const [s, t] of model.seeds) {
      model.at(q, s, t, at);
      const gap = gapThere(posture, at, model.radiusMm);
      if (!least || gap < least.gap) least = { posture, s, t, gap };
    }
  }
  return least && least.gap > 0 ? [{ ...least, miss: least.gap / RUB_SIGMA_MM }] : [];
}

interface NormalEquations {
  readonly hessian: Matrix;
  readonly gradient: Float64Array;
  /** By reading, the slope of its gap's miss. */
  readonly gapRows: readonly Float64Array[];
}

/** Step by which slopes are taken, as a share of each number's prior deviation. */
const SLOPE_SHARE = 1e-4;

/** The same where the nearest place is searched anew, which is not exact. */
const NEAREST_SLOPE_SHARE = 2e-3;

function normalEquations(
  model: EdgeModel,
  evidence: readonly Evidence[],
  q: Float64Array,
  here: Stand,
): NormalEquations {
  const n = q.length;
  const hessian = Matrix.zeros(n, n);
  const gradient = new Float64Array(n);
  const gapRows: Float64Array[] = [];
  const add = (row: Float64Array, miss: number, weight: number): void => {
    for (let j = 0; j < n; j++) {
      gradient[j]! += weight * row[j]! * miss;
      for (let k = 0; k <= j; k++) {
        const sum = hessian.get(j, k) + weight * row[j]! * row[k]!;
        hessian.set(j, k, sum);
        hessian.set(k, j, sum);
      }
    }
  };
  evidence.forEach((e, i) => {
    const place = here.places[i]!;
    const { rows, along } = slopes(model, e, q, place);
    gapRows.push(Float64Array.from(rows[0]!));
    const misses = Float64Array.from(place.misses);
    // What moving along the edge can take up is no evidence.
    for (const direction of along) {
      projectOut(direction, misses);
      const column = new Float64Array(MISSES);
      for (let k = 0; k < n; k++) {
        for (let m = 0; m < MISSES; m++) column[m] = rows[m]![k]!;
        projectOut(direction, column);
        for (let m = 0; m < MISSES; m++) rows[m]![k] = column[m]!;
      }
    }
    const size = Math.sqrt(squaresOf(place.misses));
    const weight = size <= HUBER ? 1 : HUBER / size;
    rows.forEach((row, m) => add(row, misses[m]!, weight));
  });
  const at = new Float64Array(3);
  for (const { posture, s, t, miss } of here.touches) {
    const row = new Float64Array(n);
    for (let k = 0; k < n; k++) {
      const step = SLOPE_SHARE * model.sigma[k]!;
      const moved = q.slice();
      moved[k]! += step;
      model.at(moved, s, t, at);
      row[k] = (gapThere(posture, at, model.radiusMm) / RUB_SIGMA_MM - miss) / step;
    }
    add(row, miss, 1);
  }
  for (let k = 0; k < n; k++) {
    const weight = model.sigma[k]! ** -2;
    hessian.set(k, k, hessian.get(k, k) + weight);
    gradient[k]! += weight * (q[k]! - model.mean[k]!);
  }
  return { hessian, gradient, gapRows };
}

/** Slopes of a reading's misses by the edge's numbers, and unit directions in which moving along the edge changes them. */
function slopes(
  model: EdgeModel,
  evidence: Evidence,
  q: Float64Array,
  { s, t, misses }: PlaceOfReading,
): { readonly rows: readonly Float64Array[]; readonly along: readonly Float64Array[] } {
  const n = q.length;
  const at = new Float64Array(3);
  const out = new Float64Array(MISSES);
  const missesOf = (numbers: Float64Array, atS: number, atT: number): Float64Array => {
    model.at(numbers, atS, atT, at);
    missBy(evidence, at, model.radiusMm, out);
    return out;
  };
  const rows = Array.from({ length: MISSES }, () => new Float64Array(n));
  const moved = q.slice();
  for (let k = 0; k < n; k++) {
    const step = (evidence.nearest ? NEAREST_SLOPE_SHARE : SLOPE_SHARE) * model.sigma[k]!;
    moved[k] = q[k]! + step;
    // The nearest place moves with the edge; the place at a chosen clock is eliminated below.
    const there = evidence.nearest ? placeOf(model, evidence, moved, { s, t }).misses : missesOf(moved, s, t);
    for (let m = 0; m < MISSES; m++) rows[m]![k] = (there[m]! - misses[m]!) / step;
    moved[k] = q[k]!;
  }
  if (evidence.nearest) return { rows, along: [] };
  const along: Float64Array[] = [];
  const [lowS, highS, lowT, highT] = model.limits([s, t]);
  const free = (v: number, low: number, high: number): boolean => v > low + 1e-9 && v < high - 1e-9;
  const tryAlong = (ds: number, dt: number): void => {
    const direction = Float64Array.from(missesOf(q, s + ds, t + dt), (v, m) => v - misses[m]!);
    for (const known of along) projectOut(known, direction);
    const size = Math.sqrt(squaresOf(direction));
    if (size > 1e-9) along.push(direction.map((v) => v / size));
  };
  if (model.dims > 0 && free(s, lowS, highS)) tryAlong(1e-5 * (highS - lowS), 0);
  if (model.dims > 1 && free(t, lowT, highT)) tryAlong(0, 1e-5 * (highT - lowT));
  return { rows, along };
}

function projectOut(direction: Float64Array, vector: Float64Array): void {
  let share = 0;
  for (let m = 0; m < MISSES; m++) share += direction[m]! * vector[m]!;
  for (let m = 0; m < MISSES; m++) vector[m]! -= share * direction[m]!;
}
