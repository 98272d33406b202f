import { edgeThrough } from '../shape/edge-through';
import { readEdge, type ReadEdge } from '../edge-fit/read-edge';
import { surveyedReadings, type SurveyedReadings } from '../edge-fit/surveyed-readings';
import { add, type Vec3 } from '../../1-base/geometry/vec3';
import type { Mount } from '../../2-vehicle/motion/mount';
import type { Material } from '../shape/material';
import { chain, makePieces, shapePieces, type PieceSet } from '../shape/shape';
import { joinPath, ProblemError } from '../../1-base/problem';
import type { ObstacleDescription } from '../description/obstacle-description';
import { landedReadings, type LandingError, type SurveyScene } from '../landing/landed-readings';

export interface PreparedObstacle {
  readonly id: string;
  readonly label: string;
  readonly mount: Mount;
  readonly material: Material;
  readonly insideWheel: boolean;
  /** Mount's frame, mm. */
  readonly pieces: PieceSet;
  /** mm every piece is thick each way: a rod's radius, half a sheet. */
  readonly radiusMm: number;
  /** mm by which bushings let it and the wheel come closer. */
  readonly complianceMm: number;
  /** By how much a test fit moved it from where shape and readings put it, mount's frame, mm; in the pieces already. */
  readonly shiftMm: Vec3;
  /** The edge that its readings were fitted to; null where they are taken one by one, or there is none. */
  readonly edge: ReadEdge | null;
  /** That edge's numbers with what test fits added to them. */
  readonly edgeQ: Float64Array | null;
  readonly surveyed: SurveyedReadings;
  /** Largest lateral uncertainty of its readings, mm. */
  readonly lateralToleranceMm: number;
}

const UNMOVED: Vec3 = [0, 0, 0];

/** An obstacle where its positions and readings put it. @throws ProblemError for what cannot be taken. */
export function prepareObstacle(
  obstacle: ObstacleDescription,
  survey: SurveyScene,
  path: string,
  errors: readonly LandingError[] = [],
): PreparedObstacle {
  if (obstacle.shape === undefined && obstacle.readings === undefined) {
    throw new ProblemError({
      code: 'missing',
      path,
      expected: 'a shape, or readings (an empty list while none is taken)',
      found: 'neither',
    });
  }
  const insideWheel = obstacle.insideWheel === true;
  if (insideWheel && (obstacle.readings?.length ?? 0) > 0) {
    throw new ProblemError({
      code: 'contradiction',
      path: joinPath(path, 'readings'),
      expected: 'positions for a thing inside the wheel: a gap from the tire cannot reach it',
      found: 'readings',
    });
  }
  const shape = obstacle.shape ? shapePieces(obstacle.shape, joinPath(path, 'shape')) : { pieces: [], radiusMm: 0 };
  const landed = landedReadings(obstacle, survey, path, errors);
  const edge = readEdge(obstacle, survey, path, landed);
  const edgeBy = obstacle.learned?.edgeBy;
  const edgeQ = edge && edge.fit.q.map((v, k) => v + (edgeBy?.[k] ?? 0));
  const read: (readonly Vec3[])[] =
    edge && edgeQ
      ? edge.model.pieces(edgeQ)
      : obstacle.readingsAs === 'polyline' && landed.length > 0
        ? chain(edgeThrough(landed.map((r) => r.point)).map(({ at }) => at))
        : landed.map((r) => [r.point]);
  const shiftMm = obstacle.learned?.shiftMm ?? UNMOVED;
  return {
    id: obstacle.id,
    label: obstacle.label ?? obstacle.id,
    mount: obstacle.mount,
    material: obstacle.material,
    insideWheel,
    pieces: makePieces([...shape.pieces, ...read].map((piece) => piece.map((at) => add(at, shiftMm)))),
    shiftMm,
    radiusMm: Math.max(shape.radiusMm, edge?.model.radiusMm ?? 0),
    complianceMm: survey.corner.complianceMm?.[obstacle.mount] ?? 0,
    edge,
    edgeQ,
    surveyed: surveyedReadings(obstacle.id, landed, edge),
    lateralToleranceMm: edge ? 0 : Math.max(0, ...landed.map((r) => r.lateralToleranceMm)),
  };
}
