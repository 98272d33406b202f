import { add, dot, length, scale, subtract, type Vec3 } from './vec3';

/** Shortest way between two straight stretches (a point is a stretch of no length), mm, and its two ends. */
export interface StretchGap {
  readonly distance: number;
  readonly onFirst: Vec3;
  readonly onSecond: Vec3;
}

const clamp01 = (value: number): number => Math.min(1, Math.max(0, value));

/**
 * Closest places of two segments a0-a1 and b0-b1: the unclamped lines' answer, clamped to the first, then to the second
 * and back (standard construction, e.g. Ericson, Real-Time Collision Detection, section 5.1.9; from memory).
 */
export function stretchGap(a0: Vec3, a1: Vec3, b0: Vec3, b1: Vec3): StretchGap {
  const u = subtract(a1, a0);
  const v = subtract(b1, b0);
  const w = subtract(a0, b0);
  const uu = dot(u, u);
  const vv = dot(v, v);
  const uv = dot(u, v);
  const uw = dot(u, w);
  const vw = dot(v, w);
  const cross = uu * vv - uv * uv;
  let s = cross > 1e-12 * uu * vv ? clamp01((uv * vw - vv * uw) / cross) : 0;
  let t = vv > 0 ? (uv * s + vw) / vv : 0;
  if (t < 0 || t > 1 || vv === 0) {
    t = clamp01(t);
    s = uu > 0 ? clamp01((uv * t - uw) / uu) : 0;
  }
  const onFirst = add(a0, scale(u, s));
  const onSecond = add(b0, scale(v, t));
  return { distance: length(subtract(onFirst, onSecond)), onFirst, onSecond };
}
