import type { Vec3 } from '../../../1-base/geometry/vec3';
import { chain } from '../../shape/shape';
import { edgePlace, type EdgeModel } from '../edge-model';

/** mm by which nobody knows beforehand where a thing is. */
export const ANYWHERE_MM = 250;

export const mean = (values: readonly number[]): number => values.reduce((sum, v) => sum + v, 0) / values.length;

/** One number of an edge: what it usually is, and its standard deviation. */
export type Prior = readonly [mean: number, sigma: number];

/** How far an edge goes on beyond the outermost places it was read at, mm. */
export interface Beyond {
  readonly usualMm: number;
  readonly sigmaMm: number;
}

/** A family of curves: `s` runs over it from 0 to 1, followed by straight pieces between `count` + 1 places. */
export function curveFamily(
  numbers: readonly Prior[],
  anywhere: readonly number[],
  count: number,
  at: EdgeModel['at'],
  radiusMm = 0,
): EdgeModel {
  const seeds = Array.from({ length: count + 1 }, (_, i) => [i / count, 0] as const);
  return {
    mean: Float64Array.from(numbers, ([usual]) => usual),
    sigma: Float64Array.from(numbers, ([, sigma]) => sigma),
    anywhere,
    dims: 1,
    radiusMm,
    seeds,
    limits: () => [0, 1, 0, 0],
    at,
    pieces: (q) => chain(seeds.map((seed): Vec3 => edgePlace({ at }, q, seed))),
  };
}
