import { add, type Vec3 } from '../../1-base/geometry/vec3';
import { joinPath, ProblemError } from '../../1-base/problem';
import type { Carriage } from '../../2-vehicle/motion/mount';
import type { ObstacleDescription } from '../description/obstacle-description';
import { edgePlace } from '../edge-fit/edge-model';
import { isTape } from '../edge-fit/evidence';
import { learnedOfEdge } from '../edge-fit/learned-edge';
import { readEdge, type ReadEdge } from '../edge-fit/read-edge';
import { surveyedReadings, type SurveyedReadings } from '../edge-fit/surveyed-readings';
import { landedReadings, type Landed, type LandingError } from '../landing/landed-readings';
import type { SurveyScene } from '../landing/survey-scene';
import { positionSigmaMm } from '../reading/usual-errors';
import { edgeThrough } from '../shape/edge-through';
import type { Material } from '../shape/material';
import { chain, makePieces, shapePieces, type PieceSet } from '../shape/shape';

/** All that a gap depends on, beside the posture. */
export interface PlacedThing {
  readonly mount: Carriage;
  /** Measured to the hollow wheel. */
  readonly insideWheel: boolean;
  /** Mount's frame, mm. */
  readonly pieces: PieceSet;
  /** mm every piece is thick each way: a rod's radius, half a sheet. */
  readonly radiusMm: number;
  /** mm by which bushings let it and the wheel come closer. */
  readonly complianceMm: number;
}

/**
 * A surveyed obstacle where its positions, its readings and test fits put it: the one answer to where a thing lies, for
 * verdicts, pictures, spread, panels, cut sheets and the next reading alike. Places are in the mount's frame, mm.
 */
export interface PreparedObstacle extends PlacedThing {
  readonly id: string;
  readonly label: string;
  readonly material: Material;
  readonly description: ObstacleDescription;
  /** The fitted tire and the linkage that its readings were taken against. */
  readonly survey: SurveyScene;
  /** How many of the pieces, the first ones, come from its shape; the others from its readings. */
  readonly shapePieceCount: number;
  /** By how much a test fit moved it from where shape and readings put it, mm; in pieces and places already. */
  readonly shiftMm: Vec3;
  /** Readings where each landed on its own, before anything a test fit taught. */
  readonly landed: readonly Landed[];
  /** Places along what the readings say together: along the fitted edge, along the joined one, or one by one. */
  readonly readPlaces: readonly ReadPlace[];
  /** The edge that its readings were fitted to; null where they are taken one by one, or there is none. */
  readonly edge: ReadEdge | null;
  /** That edge's numbers with what test fits added to them. */
  readonly edgeQ: Float64Array | null;
  readonly surveyed: SurveyedReadings;
  /** Marks of photos that show it. */
  readonly seenCount: number;
  /** Largest lateral uncertainty of its readings, mm. */
  readonly lateralToleranceMm: number;
  /**
   * Standard deviation by axis, mm, of all of it after a test fit, else of its shape; null where readings alone say how far off
   * it may be.
   */
  readonly sigmaMm: Vec3 | null;
  /** A test fit said how far off all of it may still be; readings and shape then say no more of that. */
  readonly isSettled: boolean;
}

/** A place along an obstacle's readings, and what it moves with. */
export interface ReadPlace {
  readonly at: Vec3;
  /** Along an edge of readings: `part` of the way from this one (in landed order) to the next. */
  readonly reading: { readonly from: number; readonly part: number } | null;
  /** Where on an edge that its readings were fitted to. */
  readonly onEdge: readonly [s: number, t: number] | null;
}

const UNMOVED: Vec3 = [0, 0, 0];

/** An obstacle where its positions and readings put it. @throws ProblemError for what cannot be taken. */
export function prepareObstacle(
  obstacle: ObstacleDescription,
  survey: SurveyScene,
  path: string,
  errors: readonly LandingError[] = [],
  startEdge?: ReadEdge,
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
  const edge = readEdge(obstacle, survey, path, landed, startEdge);
  const edgeBy = learnedOfEdge(obstacle.learned, edge?.fit.q.length ?? 0);
  const edgeQ = edge && edge.fit.q.map((v, k) => v + edgeBy[k]!);
  const joined = obstacle.readingsAs === 'polyline' ? edgeThrough(landed.map(({ point }) => point)) : null;
  const read: (readonly Vec3[])[] =
    edge && edgeQ
      ? edge.model.pieces(edgeQ)
      : joined && joined.length > 0
        ? chain(joined.map(({ at }) => at))
        : landed.map(({ point }) => [point]);
  const places: ReadPlace[] =
    edge && edgeQ
      ? edge.model.seeds.map((onEdge) => ({ at: edgePlace(edge.model, edgeQ, onEdge), reading: null, onEdge }))
      : joined
        ? joined.map(({ at, from, part }) => ({ at, reading: { from, part }, onEdge: null }))
        : landed.map(({ point }, from) => ({ at: point, reading: { from, part: 0 }, onEdge: null }));
  // Asked of an evaluation, not of the many fits of its spread.
  let surveyed: SurveyedReadings | null = null;
  const shiftMm = obstacle.learned?.shiftMm ?? UNMOVED;
  const settled = obstacle.learned?.sdMm;
  const shapeSigma = obstacle.shape && positionSigmaMm(obstacle.shape.type, obstacle.toleranceMm);
  return {
    id: obstacle.id,
    label: obstacle.label ?? obstacle.id,
    mount: obstacle.mount,
    material: obstacle.material,
    insideWheel,
    description: obstacle,
    survey,
    pieces: makePieces([...shape.pieces, ...read].map((piece) => piece.map((at) => add(at, shiftMm)))),
    shapePieceCount: shape.pieces.length,
    radiusMm: Math.max(shape.radiusMm, edge?.model.radiusMm ?? 0),
    complianceMm: survey.corner.complianceMm?.[obstacle.mount] ?? 0,
    shiftMm,
    landed,
    readPlaces: places.map((place) => ({ ...place, at: add(place.at, shiftMm) })),
    edge,
    edgeQ,
    get surveyed() {
      return (surveyed ??= surveyedReadings(obstacle.id, landed, edge, joined && joined.map(({ at }) => at)));
    },
    seenCount: edge?.evidence.filter((one) => !isTape(one)).length ?? 0,
    lateralToleranceMm: edge ? 0 : Math.max(0, ...landed.map((r) => r.lateralToleranceMm)),
    sigmaMm: settled ?? (shapeSigma === undefined ? null : [shapeSigma, shapeSigma, shapeSigma]),
    isSettled: settled !== undefined,
  };
}

/**
 * The same obstacle under a survey scene that is off: its readings landed there, its edge fitted again from where it was.
 * @throws ProblemError for a reading that cannot be there.
 */
export const preparedUnder = ({ description, edge }: PreparedObstacle, scene: SurveyScene): PreparedObstacle =>
  prepareObstacle(description, scene, '', [], edge ?? undefined);
