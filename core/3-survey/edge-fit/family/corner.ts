import type { Vec3 } from '../../../1-base/geometry/vec3';
import type { EdgeModel } from '../edge-model';
import { ANYWHERE_MM, curveFamily, mean } from './numbers';

/** Where it is, how its upright and its inboard leg lean, mm per 100 mm; how round it is, how far each leg goes, mm. */
const LEANS = { up: 20, sweep: 25, drop: 12 } as const;
const ROUND = { usualMm: 45, sigmaMm: 20 } as const;
const UP = { usualMm: 130, sigmaMm: 50 } as const;
const IN = { usualMm: 120, sigmaMm: 50 } as const;

const PLACES = 24;

/** mm: a leg as short as this is none. */
const SHORTEST_MM = 5;

/**
 * A lower corner of a bumper or fender: an edge that comes down, rounds a corner and runs inboard. Numbers: the place where its two legs
 * would meet, the upright leg's lean (x, y), the inboard leg's sweep and drop (x, z), how far from that place the rounding begins,
 * and the two lengths.
 */
export function cornerFamily(landed: readonly Vec3[]): EdgeModel {
  const middle = [0, 1, 2].map((axis) => mean(landed.map((point) => point[axis]!)));
  const lowest = Math.min(...landed.map(([, , z]) => z));
  const outermost = Math.max(...landed.map(([, y]) => y));
  const at: EdgeModel['at'] = (q, s, _t, out) => {
    const up = Math.max(SHORTEST_MM, q[8]!);
    const inboard = Math.max(SHORTEST_MM, q[9]!);
    const round = Math.min(up, inboard, Math.max(SHORTEST_MM, q[7]!));
    const past = s * (up + inboard) - up;
    const t = (past + round) / (2 * round);
    const above = t <= 0 ? -past : t >= 1 ? 0 : round * (1 - t) ** 2;
    const within = t <= 0 ? 0 : t >= 1 ? past : round * t * t;
    out[0] = q[0]! + (q[3]! * above + q[5]! * within) / 100;
    out[1] = q[1]! + (q[4]! * above) / 100 - within;
    out[2] = q[2]! + above + (q[6]! * within) / 100;
  };
  return curveFamily(
    [
      [middle[0]!, ANYWHERE_MM],
      [outermost, ANYWHERE_MM / 2],
      [lowest, ANYWHERE_MM / 3],
      [0, LEANS.up],
      [0, LEANS.up],
      [0, LEANS.sweep],
      [0, LEANS.drop],
      [ROUND.usualMm, ROUND.sigmaMm],
      [UP.usualMm, UP.sigmaMm],
      [IN.usualMm, IN.sigmaMm],
    ],
    [0, 1, 2],
    PLACES,
    at,
  );
}
