import type { Vec3 } from '../../../1-base/geometry/vec3';
import type { EdgeModel } from '../edge-model';
import { ANYWHERE_MM, curveFamily, mean, type Beyond, type Prior } from './numbers';

const { cos, sin } = Math;

/** Functions of the angle from straight up (rad): of the distance from the hub's line, and of y. */
const RADIUS = [(u: number) => cos(u) - 1, sin, (u: number) => cos(2 * u) - 1, (u: number) => sin(2 * u)] as const;
const LATERAL = [(u: number) => cos(u) - 1, sin, (u: number) => sin(2 * u)] as const;

/** mm, of each of them. */
const RADIUS_SIGMA = [60, 60, 15, 15] as const;
const LATERAL_SIGMA = [40, 30, 8] as const;

const BEYOND: Beyond = { usualMm: 45, sigmaMm: 30 };

/** mm: a fender's lip stands about as far outboard as the tire it came with (common practice, no source). */
const LIP_SIGMA_MM = 40;

/** rad between the places an edge round the wheel is followed by. */
const ARC_STEP = (3 * Math.PI) / 180;

/** An edge round the hub's line (parallel to y through the origin): distance and y as functions of the angle, and where it ends. */
export function archFamily(landed: readonly Vec3[], lipAtMm: number | null): EdgeModel {
  const towards = Math.atan2(mean(landed.map(([x]) => x)), mean(landed.map(([, , z]) => z)));
  const turns = landed.map(([x, , z]) => {
    const turn = Math.atan2(x, z) - towards;
    return Math.atan2(sin(turn), cos(turn));
  });
  const radius = mean(landed.map(([x, , z]) => Math.hypot(x, z)));
  const [beyond, sigma] = [BEYOND.usualMm / radius, BEYOND.sigmaMm / radius];
  const from = Math.min(...turns) - beyond;
  const to = Math.max(...turns) + beyond;
  const numbers: Prior[] = [
    [radius, ANYWHERE_MM],
    ...RADIUS_SIGMA.map((mm): Prior => [0, mm]),
    lipAtMm === null ? [mean(landed.map(([, y]) => y)), ANYWHERE_MM] : [lipAtMm, LIP_SIGMA_MM],
    ...LATERAL_SIGMA.map((mm): Prior => [0, mm]),
    [from, sigma],
    [to, sigma],
  ];
  const lateral = 1 + RADIUS.length;
  const ends = lateral + 1 + LATERAL.length;
  return curveFamily(numbers, [0, lateral], Math.max(2, Math.ceil((to - from) / ARC_STEP)), (q, s, _t, out) => {
    const u = q[ends]! + (q[ends + 1]! - q[ends]!) * s;
    let r = q[0]!;
    let y = q[lateral]!;
    for (let k = 0; k < RADIUS.length; k++) r += q[1 + k]! * RADIUS[k]!(u);
    for (let k = 0; k < LATERAL.length; k++) y += q[lateral + 1 + k]! * LATERAL[k]!(u);
    out[0] = r * sin(towards + u);
    out[1] = y;
    out[2] = r * cos(towards + u);
  });
}
