import type { CornerDescription } from '../description/corner-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import type { ObstacleDescription } from '../description/obstacle-description';
import { surveyScene } from '../landing/survey-scene';
import { prepareObstacle, type PreparedObstacle } from '../prepared/prepared-obstacle';
import { cornersOf, vertexOf, type ShapeDescription } from '../shape/shape';
import type { Vec3 } from '../../1-base/geometry/vec3';

/** mm within which 95 of 100 places of another vehicle of the kind lie, before and after it was checked; working values. */
export const BORROWED_TOLERANCE_MM = { unchecked: 24, checked: 10 } as const;

/** An obstacle as it is borrowed: its shape, what test fits taught in it, and nothing that was read on the other vehicle. */
export type BorrowedObstacle = Omit<ObstacleDescription, 'readings' | 'readingsAs' | 'form' | 'rubs' | 'learned'> & {
  readonly shape: ShapeDescription;
  readonly toleranceMm: number;
};

/**
 * The obstacles of a well surveyed on another vehicle of the same kind, as positions with the tolerance that unchecked
 * ones deserve. Corner frames of both sides are mirror images, so a left well serves a right corner. Those without any place are left out.
 * @throws ProblemError for a corner the engine cannot take.
 */
export function borrowWell(key: CornerKey, corner: CornerDescription): BorrowedObstacle[] {
  const scene = surveyScene(key, corner);
  return corner.obstacles.flatMap((obstacle, i) => {
    const prepared = prepareObstacle(obstacle, scene, `corners.${key}.obstacles[${i}]`);
    const shape = shapeOf(prepared);
    if (!shape) return [];
    const { readings: _read, readingsAs: _as, form: _form, rubs: _rubs, learned: _in, ...kept } = obstacle;
    const toleranceMm = Math.max(obstacle.toleranceMm ?? 0, BORROWED_TOLERANCE_MM.unchecked);
    return [{ ...kept, shape, toleranceMm }];
  });
}

/** Pieces as one shape of the file contract; a mixture of kinds becomes a sheet only where it has triangles alone. */
function shapeOf({ pieces, radiusMm }: PreparedObstacle): ShapeDescription | null {
  const count = pieces.corners.length;
  if (count === 0) return null;
  const all = Array.from({ length: count }, (_, i) =>
    Array.from({ length: cornersOf(pieces, i) }, (_, j): Vec3 => vertexOf(pieces, i, j)),
  );
  if (all.every((piece) => piece.length === 3)) {
    const triangles = all.map((_, i): [number, number, number] => [3 * i, 3 * i + 1, 3 * i + 2]);
    return { type: 'panel', points: all.flat(), triangles, ...(radiusMm > 0 ? { thicknessMm: 2 * radiusMm } : {}) };
  }
  if (isChain(all)) {
    const points = [all[0]![0]!, ...all.flatMap((piece) => piece.slice(1))];
    return radiusMm > 0 ? { type: 'capsule', points, radiusMm } : { type: 'polyline', points };
  }
  const points = all.flat();
  return radiusMm > 0 && points.length === 1 ? { type: 'capsule', points, radiusMm } : { type: 'points', points };
}

const isChain = (pieces: readonly (readonly Vec3[])[]): boolean =>
  pieces.every((piece, i) => piece.length === 2 && (i === 0 || pieces[i - 1]![1]!.every((v, k) => v === piece[0]![k])));
