import { ClearSection } from '../../4-clearance/search/clear-section';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import type { EnvelopeKind } from '../../4-clearance/envelope/envelope-kind';
import type { ObstacleDescription } from '../../3-survey/description/obstacle-description';
import { cornerVerdicts } from '../../4-clearance/verdict/evaluate';
import type { ReadEdge } from '../../3-survey/edge-fit/read-edge';
import { prepareCorner } from '../../4-clearance/case/prepared-corner';
import type { Standard } from '../../4-clearance/case/standard';
import { type LandingError } from '../../3-survey/landing/landed-readings';
import { surveyScene } from '../../3-survey/landing/survey-scene';
import { prepareObstacle, type PreparedObstacle } from '../../3-survey/prepared/prepared-obstacle';
import { makePieces, type ShapeDescription } from '../../3-survey/shape/shape';
import { edgeFactors } from './moved-edge';
import type { Fit } from './shared-errors';
import type { SpreadModel } from './spread-model';

/**
 * Gaps (mm) of one draw worked out from nothing: every number of the description put off by its error, then measured,
 * prepared and searched as if it had been entered so. Slow; the oracle of the fast draws. `z` and `e` as `SpreadModel`.
 */
export function plainDraw(
  key: CornerKey,
  fit: Fit,
  kind: EnvelopeKind,
  standard: Standard,
  { shared, own }: Pick<SpreadModel, 'shared' | 'own'>,
  z: readonly number[],
  e: readonly number[],
): number[] {
  const off = shared.reduce((so, error, k) => error.disturb(so, z[k]!), fit);
  const scene = surveyScene(key, off.corner);
  const survey = (): PreparedObstacle[] =>
    off.corner.obstacles.map((obstacle, i) => {
      const mine = own.flatMap((error, k) => (error.obstacle === i ? [{ ...error, by: e[k]! }] : []));
      const of = (what: string, reading: number | null): number =>
        mine.find((error) => error.of === what && error.reading === reading)?.by ?? 0;
      const errors = (obstacle.readings ?? []).map((_, n): LandingError => ({
        gapMm: of('gap', n),
        clockDeg: of('clock', n),
        acrossMm: of('across', n),
        travelMm: of('height', n),
      }));
      const made = prepareObstacle(shifted(obstacle, [of('x', null), of('y', null), of('z', null)]), scene, '', errors);
      return made.edge
        ? onMovedEdge(
            made,
            made.edge,
            mine.filter((error) => error.of === 'edge').map(({ by }) => by),
          )
        : made;
    });
  const corner = prepareCorner(key, off.corner, off.setup, kind, undefined, survey);
  const finder = new ClearSection(corner.motion, corner.envelope);
  return cornerVerdicts(corner, standard, {}, finder).map(({ gapMm }) => gapMm);
}

/** An obstacle whose edge lies as far off as these errors say; positions beside the readings are not kept. */
function onMovedEdge(made: PreparedObstacle, edge: ReadEdge, by: readonly number[]): PreparedObstacle {
  const factors = edgeFactors(edge);
  const q = edge.fit.q.map((v, k) => v + by.reduce((sum, much, m) => sum + factors[m]![k]! * much, 0));
  return { ...made, pieces: makePieces(edge.model.pieces(q)) };
}

function shifted(obstacle: ObstacleDescription, [dx, dy, dz]: readonly [number, number, number]): ObstacleDescription {
  if (!obstacle.shape) return obstacle;
  const points = obstacle.shape.points.map(([x, y, z]) => [x + dx, y + dy, z + dz] as const);
  return { ...obstacle, shape: { ...obstacle.shape, points } as ShapeDescription };
}
