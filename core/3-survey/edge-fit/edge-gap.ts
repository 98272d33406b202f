import type { Matrix } from 'ml-matrix';
import type { Vec3 } from '../../1-base/geometry/vec3';
import type { EdgeModel } from './edge-model';
import { gapThere, type TapeEvidence } from './evidence';

/** A rotor standing somewhere about a mount. */
export type Standing = Pick<TapeEvidence, 'toWheel' | 'rotor'>;

/** Least gap (mm) of an edge to a rotor, and its slope by each of the edge's numbers. */
export interface EdgeGap {
  readonly gapMm: number;
  /** The nearest place, mount's frame, mm. */
  readonly at: Vec3;
  readonly slope: Float64Array;
}

/** Share of a number's prior deviation by which slopes are taken. */
const SLOPE_SHARE = 1e-4;

export function edgeGap(model: EdgeModel, q: Float64Array, standing: Standing): EdgeGap {
  const at = new Float64Array(3);
  const gapAt = (numbers: Float64Array, [s, t]: readonly [number, number]): number => {
    model.at(numbers, s, t, at);
    return gapThere(standing, at, model.radiusMm);
  };
  let least = Infinity;
  let nearest = model.seeds[0]!;
  for (const seed of model.seeds) {
    const gap = gapAt(q, seed);
    if (gap < least) {
      least = gap;
      nearest = seed;
    }
  }
  const moved = q.slice();
  const slope = q.map((v, k) => {
    const step = SLOPE_SHARE * model.sigma[k]!;
    moved[k] = v + step;
    const up = gapAt(moved, nearest);
    moved[k] = v;
    return (up - least) / step;
  });
  model.at(q, nearest[0], nearest[1], at);
  return { gapMm: least, at: [at[0]!, at[1]!, at[2]!], slope };
}

/** a' C b. */
export function covarianceOf(a: Float64Array, covariance: Matrix, b: Float64Array): number {
  let sum = 0;
  for (let j = 0; j < a.length; j++) for (let k = 0; k < b.length; k++) sum += a[j]! * covariance.get(j, k) * b[k]!;
  return sum;
}
