import type { Vec3 } from '../../1-base/geometry/vec3';

/**
 * A family of edges: some numbers say which one it is, where it ends among them, and `dims` numbers where on it a place is. Prior means
 * and standard deviations say what edges of the kind usually look like; working values of this project, no published source.
 */
export interface EdgeModel {
  readonly mean: Float64Array;
  readonly sigma: Float64Array;
  /** Which of the numbers say where it is as a whole. */
  readonly anywhere: readonly number[];
  readonly dims: 0 | 1 | 2;
  /** mm from the middle line to the surface. */
  readonly radiusMm: number;
  /** Places to start a search for the nearest from, `dims` numbers each; spread over the whole edge. */
  readonly seeds: readonly (readonly [number, number])[];
  /** Limits of the place's numbers around a seed: it stays on the seed's own stretch or face. */
  limits(seed: readonly [number, number]): readonly [lowS: number, highS: number, lowT: number, highT: number];
  /** The place (mount's frame, mm) into `out`. */
  at(q: Float64Array, s: number, t: number, out: Float64Array): void;
  /** The fitted edge as straight pieces (mount's frame, mm). */
  pieces(q: Float64Array): (readonly Vec3[])[];
}

/** The place of an edge at its numbers (mount's frame, mm). */
export function edgePlace({ at }: Pick<EdgeModel, 'at'>, q: Float64Array, [s, t]: readonly [number, number]): Vec3 {
  const out = new Float64Array(3);
  at(q, s, t, out);
  return [out[0]!, out[1]!, out[2]!];
}
