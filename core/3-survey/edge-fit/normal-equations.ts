import { Matrix } from 'ml-matrix';
import { RUB_SIGMA_MM, type PlaceOfReading, type RubTouch } from './belonging';
import type { EdgeModel } from './edge-model';
import { gapThere, MISSES, missBy, squaresOf, type Evidence, type TapeEvidence } from './evidence';

/** Standard deviations beyond which a reading counts less and less (Huber), so that one slip does not bend the edge. */
export const HUBER = 2;

/** The normal equations of a fit, priors included. */
export interface NormalEquations {
  readonly hessian: Matrix;
  /**
   * Of what tells where the edge is: without what only keeps it from where it cannot be. An edge held there is as likely anywhere on the free side,
   * not just where it is held.
   */
  readonly known: Matrix;
  readonly gradient: Float64Array;
  /** By reading, the slope of its gap's miss. */
  readonly gapRows: readonly Float64Array[];
}

/** Step by which slopes are taken, as a share of each number's prior deviation. */
const SLOPE_SHARE = 1e-4;

/** Share of a place's stretch by which the gap along it is felt for. */
const ALONG_SHARE = 2e-3;

export function normalEquations(
  model: EdgeModel,
  evidence: readonly Evidence[],
  q: Float64Array,
  here: { readonly places: readonly PlaceOfReading[]; readonly touches: readonly RubTouch[] },
): NormalEquations {
  const n = q.length;
  const hessian = Matrix.zeros(n, n);
  const barred = Matrix.zeros(n, n);
  const gradient = new Float64Array(n);
  const gapRows: Float64Array[] = [];
  const add = (row: Float64Array, miss: number, weight: number, onto = hessian): void => {
    for (let j = 0; j < n; j++) {
      gradient[j]! += weight * row[j]! * miss;
      for (let k = 0; k <= j; k++) {
        const sum = onto.get(j, k) + weight * row[j]! * row[k]!;
        onto.set(j, k, sum);
        onto.set(k, j, sum);
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
    // Found where nothing rubs: it bars a place, and tells of none.
    add(row, miss, Math.abs(miss) <= HUBER ? 1 : HUBER / Math.abs(miss), miss < 0 ? barred : hessian);
  }
  for (let k = 0; k < n; k++) {
    const weight = model.sigma[k]! ** -2;
    hessian.set(k, k, hessian.get(k, k) + weight);
    gradient[k]! += weight * (q[k]! - model.mean[k]!);
  }
  return { hessian: Matrix.add(hessian, barred), known: hessian, gradient, gapRows };
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
    missBy(evidence, at, model.radiusMm, numbers, out);
    return out;
  };
  const rows = Array.from({ length: MISSES }, () => new Float64Array(n));
  const moved = q.slice();
  const nearest = evidence.nearest ? nearestFollowed(model, evidence, q, s, t) : null;
  for (let k = 0; k < n; k++) {
    const step = SLOPE_SHARE * model.sigma[k]!;
    moved[k] = q[k]! + step;
    // The nearest place moves with the edge; the place at a chosen clock is eliminated below.
    const [atS, atT] = nearest ? nearest.after(moved) : [s, t];
    const there = missesOf(moved, atS, atT);
    for (let m = 0; m < MISSES; m++) rows[m]![k] = (there[m]! - misses[m]!) / step;
    moved[k] = q[k]!;
  }
  if (evidence.nearest) return { rows, along: [] };
  const along: Float64Array[] = [];
  const [lowS, highS, lowT, highT] = model.limits([s, t]);
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

const free = (v: number, low: number, high: number): boolean => v > low + 1e-9 && v < high - 1e-9;

/**
 * Where the nearest place goes when the edge's numbers change a little: it keeps the gap level along the edge (one step of Newton from
 * where it is); at an end, or where the gap has no bottom, it stays.
 */
function nearestFollowed(
  model: EdgeModel,
  evidence: TapeEvidence,
  q: Float64Array,
  s: number,
  t: number,
): { after(moved: Float64Array): [number, number] } {
  const [lowS, highS, lowT, highT] = model.limits([s, t]);
  const at = new Float64Array(3);
  const gap = (numbers: Float64Array, atS: number, atT: number): number => {
    model.at(numbers, atS, atT, at);
    return gapThere(evidence, at, model.radiusMm);
  };
  const along = (isT: boolean, low: number, high: number): ((moved: Float64Array) => number) => {
    const v = isT ? t : s;
    const h = Math.min(ALONG_SHARE * (high - low), v - low, high - v);
    if (!(h > 1e-6 * (high - low))) return () => v;
    const atV = (numbers: Float64Array, by: number): number =>
      isT ? gap(numbers, s, v + by) : gap(numbers, v + by, t);
    const [before, here, after] = [atV(q, -h), atV(q, 0), atV(q, h)];
    const bend = (before + after - 2 * here) / h ** 2;
    if (!(bend > 0)) return () => v;
    const slope = (after - before) / (2 * h);
    return (moved) => {
      const change = (atV(moved, h) - atV(moved, -h)) / (2 * h) - slope;
      return Math.min(high, Math.max(low, v - change / bend));
    };
  };
  const inS = model.dims > 0 ? along(false, lowS, highS) : () => s;
  const inT = model.dims > 1 ? along(true, lowT, highT) : () => t;
  return { after: (moved) => [inS(moved), inT(moved)] };
}

function projectOut(direction: Float64Array, vector: Float64Array): void {
  let share = 0;
  for (let m = 0; m < MISSES; m++) share += direction[m]! * vector[m]!;
  for (let m = 0; m < MISSES; m++) vector[m]! -= share * direction[m]!;
}
