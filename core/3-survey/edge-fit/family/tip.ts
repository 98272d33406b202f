import type { Vec3 } from '../../../1-base/geometry/vec3';
import type { EdgeModel } from '../edge-model';
import { ANYWHERE_MM, mean } from './numbers';

/** One small place, or the middle of the ball that a thing ends in. */
export function tipFamily(landed: readonly Vec3[], radiusMm: number): EdgeModel {
  return {
    mean: Float64Array.from([0, 1, 2].map((axis) => mean(landed.map((point) => point[axis]!)))),
    sigma: Float64Array.from([ANYWHERE_MM, ANYWHERE_MM, ANYWHERE_MM]),
    anywhere: [0, 1, 2],
    dims: 0,
    radiusMm,
    seeds: [[0, 0]],
    limits: () => [0, 0, 0, 0],
    at: (q, _s, _t, out) => {
      for (let k = 0; k < 3; k++) out[k] = q[k]!;
    },
    pieces: (q) => [[[q[0]!, q[1]!, q[2]!]]],
  };
}
