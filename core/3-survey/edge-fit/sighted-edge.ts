import type { Vec3 } from '../../1-base/geometry/vec3';
import type { EdgeModel } from './edge-model';
import type { EdgeFamily } from './family/families';

/**
 * A family whose edges carry, after their own numbers, so many errors of the cameras they were seen by, in standard deviations: the fit then
 * finds those with the edge, and what is not known of the camera is not known of the edge either.
 */
export function sightedFamily(family: EdgeFamily, errorCount: number): EdgeFamily {
  if (errorCount === 0) return family;
  return (near: readonly Vec3[]): EdgeModel => {
    const model = family(near);
    const own = model.mean.length;
    return {
      ...model,
      mean: Float64Array.from([...model.mean, ...Array.from({ length: errorCount }, () => 0)]),
      sigma: Float64Array.from([...model.sigma, ...Array.from({ length: errorCount }, () => 1)]),
      at: (q, s, t, out) => model.at(q.subarray(0, own), s, t, out),
      pieces: (q) => model.pieces(q.subarray(0, own)),
      limits: (seed) => model.limits(seed),
    };
  };
}
