import { type PreparedObstacle, preparedUnder } from '../../3-survey/prepared/prepared-obstacle';
import { CholeskyDecomposition } from 'ml-matrix';
import { edgePlace } from '../../3-survey/edge-fit/edge-model';
import { type ReadEdge } from '../../3-survey/edge-fit/read-edge';
import { attempt } from '../../1-base/problem';
import type { Disturbed } from './disturbed-corner';
import type { OwnError } from './moved-readings';

/** How a fitted edge shifts when what it was fitted under turns out otherwise. */
export interface EdgeShifts {
  /** Where its own errors begin among `e`; one for each of the edge's numbers. */
  readonly first: number;
  /** Shift of a place (mount's frame, three numbers each) by each own error, and per standard deviation of each shared number. */
  at(onEdge: readonly [number, number]): { readonly own: Float64Array; readonly shared: Float64Array };
}

/** The numbers of an edge per independent error: the lower triangle L with L L' = covariance, by columns. */
export const edgeFactors = ({ fit }: ReadEdge): Float64Array[] => {
  const lower = new CholeskyDecomposition(fit.covariance).lowerTriangularMatrix;
  return Array.from({ length: fit.q.length }, (_, m) =>
    Float64Array.from({ length: fit.q.length }, (_, k) => lower.get(k, m)),
  );
};

/** Adds the own errors of an edge: one per number, independent, in standard deviations. */
export function edgeShifts(
  own: OwnError[],
  index: number,
  obstacle: PreparedObstacle,
  edge: ReadEdge,
  off: readonly (Disturbed | null)[],
): EdgeShifts {
  const { model, fit } = edge;
  const first = own.length;
  const factors = edgeFactors(edge);
  factors.forEach((_, m) => {
    own.push({ name: `${obstacle.id} edge ${m}`, obstacle: index, reading: null, sigma: 1, of: 'edge' });
  });
  // What is off with the setup alone leaves the survey, and so the edge, where it is.
  const moves = off.map((disturbed) =>
    disturbed && disturbed.scene.corner !== obstacle.survey.corner ? refitted(obstacle, edge, disturbed) : null,
  );
  const shiftBy = (change: Float64Array | null, onEdge: readonly [number, number]): readonly number[] => {
    if (!change) return [0, 0, 0];
    const from = edgePlace(model, fit.q, onEdge);
    const to = edgePlace(
      model,
      fit.q.map((v, k) => v + change[k]!),
      onEdge,
    );
    return [0, 1, 2].map((k) => to[k]! - from[k]!);
  };
  return {
    first,
    at: (onEdge) => ({
      own: Float64Array.from(factors.flatMap((column) => shiftBy(column, onEdge))),
      shared: Float64Array.from(moves.flatMap((change) => shiftBy(change, onEdge))),
    }),
  };
}

/** By how much the edge's numbers change per standard deviation of a shared one: the same readings fitted again. */
function refitted(obstacle: PreparedObstacle, edge: ReadEdge, { scene, sign }: Disturbed): Float64Array | null {
  const again = attempt(() => preparedUnder(obstacle, scene).edge);
  const next = again.ok ? again.value : null;
  return next && edge.fit.q.map((v, k) => sign * (next.fit.q[k]! - v));
}
