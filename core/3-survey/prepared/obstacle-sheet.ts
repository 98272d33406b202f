import { add, type Vec3 } from '../../1-base/geometry/vec3';
import { cornersOf, vertexOf } from '../shape/shape';
import { panelFromEdge, panelMesh, panelThrough, type PanelMesh } from '../shape/panel-mesh';
import type { PreparedObstacle } from './prepared-obstacle';

/**
 * The sheet of an obstacle where it lies, test fits counted: its panel, or what stands behind its edge as far back as
 * `depthMm`, the faces of a box, or its places joined. Mount's frame.
 * @throws ProblemError for a thing without a sheet: a rod, fewer than three places, places in one line.
 */
export function obstacleSheet(
  { description, edge, pieces, readPlaces, shiftMm }: PreparedObstacle,
  path: string,
  depthMm: number,
): PanelMesh {
  if (description.shape) {
    const { points, triangles, edge: end } = panelMesh(description.shape, `${path}.shape`, depthMm);
    const shifted = (point: Vec3): Vec3 => add(point, shiftMm);
    return { points: points.map(shifted), triangles, edge: end?.map(shifted) };
  }
  const count = pieces.corners.length;
  if (count > 0 && Array.from({ length: count }, (_, i) => cornersOf(pieces, i)).every((corners) => corners === 3)) {
    return {
      points: Array.from({ length: 3 * count }, (_, k) => vertexOf(pieces, Math.floor(k / 3), k % 3)),
      triangles: Array.from({ length: count }, (_, i) => [3 * i, 3 * i + 1, 3 * i + 2] as const),
    };
  }
  const places = readPlaces.map(({ at }) => at);
  const isLine = edge ? edge.model.dims === 1 : description.readingsAs === 'polyline';
  return isLine ? panelFromEdge(places, depthMm) : panelThrough(places, `${path}.readings`);
}
