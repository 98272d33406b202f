import Delaunator from 'delaunator';
import { cross, dot, length, normalize, scale, subtract, add, type Vec3 } from '../../1-base/geometry/vec3';
import type { ShapeDescription } from './shape';
import { joinPath, ProblemError } from '../../1-base/problem';

/** A sheet of triangles, mount's frame, mm. */
export interface PanelMesh {
  readonly points: readonly Vec3[];
  readonly triangles: readonly (readonly [number, number, number])[];
  /** Of a sheet made from an edge: that edge, where the sheet ends on the vehicle; its other sides are how far it was taken. */
  readonly edge?: readonly Vec3[] | undefined;
}

/** mm: triangles of a triangulated panel with a longer side bridge what was not measured. */
const WIDEST_SIDE_MM = 400;

/** Share of the spread of points by which they must lie beside one line. */
const LEAST_BREADTH = 0.01;

/**
 * The sheet of an obstacle: a panel as described; a few points or a scan joined into triangles in the plane that fits
 * them best; an edge, as far back from the wheel as `depthMm`.
 * @throws ProblemError for fewer than three points, or points in one line.
 */
export function panelMesh(shape: ShapeDescription, path: string, depthMm = 80): PanelMesh {
  switch (shape.type) {
    case 'panel':
      return { points: shape.points, triangles: shape.triangles };
    case 'polyline':
      return panelFromEdge(shape.points, depthMm);
    case 'points':
    case 'scan':
      return panelThrough(shape.points, joinPath(path, 'points'));
    case 'capsule':
      throw new ProblemError({
        code: 'contradiction',
        path: joinPath(path, 'type'),
        expected: 'a panel, an edge, points or a scan: a rod has no sheet to cut',
        found: 'a capsule',
      });
  }
}

/** A strip behind an edge seen from the hub's line: as a fender stands up from its lip. Corner frame, mm. */
export function panelFromEdge(edge: readonly Vec3[], depthMm: number): PanelMesh {
  const back = edge.map(([x, y, z]): Vec3 => {
    const r = Math.hypot(x, z) || 1;
    return [x + (depthMm * x) / r, y, z + (depthMm * z) / r];
  });
  const n = edge.length;
  const triangles = edge.slice(1).flatMap((_, i): (readonly [number, number, number])[] => [
    [i, i + 1, n + i],
    [i + 1, n + i + 1, n + i],
  ]);
  return { points: [...edge, ...back], triangles, edge };
}

/** Points joined in the plane that fits them best (Delaunay triangulation, by the delaunator package). */
export function panelThrough(points: readonly Vec3[], path: string): PanelMesh {
  if (points.length < 3) {
    throw new ProblemError({
      code: 'missing',
      path,
      expected: 'at least three places that span a panel',
      found: String(points.length),
    });
  }
  const { u, v, breadth } = planeThrough(points);
  if (!(breadth > LEAST_BREADTH)) {
    throw new ProblemError({ code: 'contradiction', path, expected: 'places that span a panel', found: 'one line' });
  }
  const { triangles } = Delaunator.from(points.map((p) => [dot(p, u), dot(p, v)]));
  const kept: (readonly [number, number, number])[] = [];
  for (let i = 0; i < triangles.length; i += 3) {
    const corners = [triangles[i]!, triangles[i + 1]!, triangles[i + 2]!] as const;
    const [a, b, c] = corners.map((k) => points[k]!) as [Vec3, Vec3, Vec3];
    const longest = Math.max(length(subtract(b, a)), length(subtract(c, b)), length(subtract(a, c)));
    if (longest <= WIDEST_SIDE_MM) kept.push(corners);
  }
  return { points, triangles: kept };
}

/**
 * Two directions across the plane that fits points best, and how broad they lie beside their longest direction. The
 * longest by power iteration on their covariance, the second likewise across it.
 */
export function planeThrough(points: readonly Vec3[]): { u: Vec3; v: Vec3; breadth: number } {
  const centre = scale(
    points.reduce((sum, p) => add(sum, p), [0, 0, 0] as Vec3),
    1 / points.length,
  );
  const off = points.map((p) => subtract(p, centre));
  const spreadAlong = (direction: Vec3): number => Math.sqrt(off.reduce((sum, p) => sum + dot(p, direction) ** 2, 0));
  const longest = (start: Vec3, without: Vec3 | null): Vec3 => {
    let direction = start;
    for (let round = 0; round < 60; round++) {
      let next = off.reduce((sum, p) => add(sum, scale(p, dot(p, direction))), [0, 0, 0] as Vec3);
      if (without) next = subtract(next, scale(without, dot(next, without)));
      if (!(length(next) > 0)) break;
      direction = normalize(next);
    }
    return direction;
  };
  const u = longest(normalize([1, 0.7, 0.3]), null);
  const across = Math.abs(u[0]) < 0.9 ? ([1, 0, 0] as const) : ([0, 1, 0] as const);
  const v = longest(normalize(cross(u, across)), u);
  const all = spreadAlong(u);
  return { u, v, breadth: all > 0 ? spreadAlong(v) / all : 0 };
}
