import type { Vec3 } from '../../../1-base/geometry/vec3';
import type { EdgeModel } from '../edge-model';
import { ANYWHERE_MM, curveFamily, mean, type Beyond } from './numbers';

/** Angle (rad) by which distance and y are told: 15 degrees. */
const PER = (15 * Math.PI) / 180;

/** mm per such an angle, and per its square. */
const RADIUS_SIGMA = [30, 10] as const;
const LATERAL_SIGMA = [60, 20] as const;

const BEYOND: Beyond = { usualMm: 30, sigmaMm: 35 };

const PLACES = 24;

/** A fender's lower end that goes on round the wheel: distance from the hub's line and y quadratic in the angle, and where it ends. */
export function cornerArcFamily(landed: readonly Vec3[]): EdgeModel {
  const towards = Math.atan2(mean(landed.map(([x]) => x)), mean(landed.map(([, , z]) => z)));
  const turns = landed.map(([x, , z]) => {
    const turn = Math.atan2(x, z) - towards;
    return Math.atan2(Math.sin(turn), Math.cos(turn));
  });
  const radius = mean(landed.map(([x, , z]) => Math.hypot(x, z)));
  const at: EdgeModel['at'] = (q, s, _t, out) => {
    const u = q[6]! + (q[7]! - q[6]!) * s;
    const v = u / PER;
    const r = q[0]! + (q[1]! + q[2]! * v) * v;
    out[0] = r * Math.sin(towards + u);
    out[1] = q[3]! + (q[4]! + q[5]! * v) * v;
    out[2] = r * Math.cos(towards + u);
  };
  return curveFamily(
    [
      [radius, ANYWHERE_MM],
      [0, RADIUS_SIGMA[0]],
      [0, RADIUS_SIGMA[1]],
      [mean(landed.map(([, y]) => y)), ANYWHERE_MM],
      [0, LATERAL_SIGMA[0]],
      [0, LATERAL_SIGMA[1]],
      [Math.min(...turns) - BEYOND.usualMm / radius, BEYOND.sigmaMm / radius],
      [Math.max(...turns) + BEYOND.usualMm / radius, BEYOND.sigmaMm / radius],
    ],
    [0, 3],
    PLACES,
    at,
  );
}
