import type { SweptShape } from '@/core/4-clearance/pictures/swept-shape';
import type { Vec3 } from '@/core/1-base/geometry/vec3';

/** Directions the outline is drawn in. */
const DIRECTIONS = 180;

/**
 * Outline of a swept shape in a drawing plane: it reaches one distance in every direction from the place inside it, so
 * its shadow does too.
 */
export function sweptOutline(
  { from, places, triangles }: SweptShape,
  project: (p: Vec3) => readonly [number, number],
): [number, number][] {
  const centre = project(from);
  const flat = Array.from({ length: places.length / 3 }, (_, i) => {
    const [x, y] = project([places[3 * i]!, places[3 * i + 1]!, places[3 * i + 2]!]);
    return [x - centre[0], y - centre[1]] as const;
  });
  const reach = new Float64Array(DIRECTIONS);
  const step = (2 * Math.PI) / DIRECTIONS;
  const side = (i: number, j: number): void => {
    const [ax, ay] = flat[i]!;
    const [bx, by] = flat[j]!;
    const start = Math.atan2(ay, ax);
    let turn = Math.atan2(by, bx) - start;
    if (turn > Math.PI) turn -= 2 * Math.PI;
    if (turn < -Math.PI) turn += 2 * Math.PI;
    const low = Math.min(start, start + turn);
    for (let k = Math.ceil(low / step); k * step <= low + Math.abs(turn); k++) {
      const c = Math.cos(k * step);
      const s = Math.sin(k * step);
      // Where the ray crosses the side.
      const across = (bx - ax) * s - (by - ay) * c;
      const far = Math.abs(across) < 1e-9 ? Math.hypot(ax, ay) : (ay * (bx - ax) - ax * (by - ay)) / across;
      const at = ((k % DIRECTIONS) + DIRECTIONS) % DIRECTIONS;
      if (far > reach[at]!) reach[at] = far;
    }
  };
  for (let t = 0; t < triangles.length; t += 3) {
    side(triangles[t]!, triangles[t + 1]!);
    side(triangles[t + 1]!, triangles[t + 2]!);
    side(triangles[t + 2]!, triangles[t]!);
  }
  return [...reach].map((far, k) => [centre[0] + far * Math.cos(k * step), centre[1] + far * Math.sin(k * step)]);
}
