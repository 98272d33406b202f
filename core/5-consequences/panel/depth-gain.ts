import { interpolate, type Vec3 } from '../../1-base/geometry/vec3';
import { distanceToLines } from './cut-line';
import type { PanelAnswer } from './panel-case';

/** What a cut of one depth all along the present edge does. Lengths mm. */
export interface DepthGain {
  readonly depthMm: number;
  /** Gap less what is wanted that is left; null: nothing of the sheet is left. */
  readonly marginMm: number | null;
  /** By how much more than before; null with it. */
  readonly gainedMm: number | null;
}

/** mm of depth to which the new edge is found along a side of the field. */
const FOUND_MM = 0.05;

/**
 * The gap that a cut `depthMm` deep all along the present edge leaves: the least margin of what stands further from that edge, with the new
 * edge itself measured where it crosses the sides of the field and between.
 */
export function depthGain({ field, cut, marginAt }: PanelAnswer, depthMm: number): DepthGain {
  const { points, triangles, marginsMm } = field;
  const depths = points.map((point) =>
    cut.presentEdge.length > 0 ? distanceToLines(point, cut.presentEdge) : Infinity,
  );
  const before = Math.min(...marginsMm);
  const used = new Set(triangles.flat());
  let margin = Infinity;
  points.forEach((_, i) => {
    if (used.has(i) && depths[i]! >= depthMm) margin = Math.min(margin, marginsMm[i]!);
  });
  const found = new Map<string, Vec3>();
  const crossing = (i: number, j: number): Vec3 => {
    const key = i < j ? `${i}:${j}` : `${j}:${i}`;
    const known = found.get(key);
    if (known) return known;
    const at = crossingOf(
      points[i]!,
      points[j]!,
      depths[i]! < depthMm,
      (point) => distanceToLines(point, cut.presentEdge) - depthMm,
    );
    found.set(key, at);
    margin = Math.min(margin, marginAt(at));
    return at;
  };
  for (const triangle of triangles) {
    const sides = [0, 1, 2].map((k) => [triangle[k]!, triangle[(k + 1) % 3]!] as const);
    const crossed = sides.filter(([i, j]) => depths[i]! < depthMm !== depths[j]! < depthMm);
    if (crossed.length !== 2) continue;
    const [a, b] = crossed.map(([i, j]) => crossing(i, j)) as [Vec3, Vec3];
    margin = Math.min(margin, marginAt(interpolate(a, b, 0.5)));
  }
  return Number.isFinite(margin)
    ? { depthMm, marginMm: margin, gainedMm: margin - before }
    : { depthMm, marginMm: null, gainedMm: null };
}

/** Where a side passes from one sign of `over` to the other. */
function crossingOf(from: Vec3, to: Vec3, isUnderFirst: boolean, over: (point: Vec3) => number): Vec3 {
  let [low, high] = [0, 1];
  const side = Math.hypot(to[0] - from[0], to[1] - from[1], to[2] - from[2]);
  while ((high - low) * side > FOUND_MM) {
    const middle = (low + high) / 2;
    if (over(interpolate(from, to, middle)) < 0 === isUnderFirst) low = middle;
    else high = middle;
  }
  return interpolate(from, to, (low + high) / 2);
}
