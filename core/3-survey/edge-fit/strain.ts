import type { ObstacleDescription } from '../description/obstacle-description';
import type { SurveyScene } from '../landing/survey-scene';
import type { RubEvidence } from './belonging';
import { fitEdge } from './fit-edge';
import { FEW_STEPS, rubEvidence, setAside, type ReadEdge } from './read-edge';

/** Sums of squares of an edge under what its readings say and `rubs` more: with all of them, and with each reading set aside. */
export interface Strain {
  readonly all: number;
  readonly without: readonly number[];
}

/** How hard an edge's readings and `rubs`, beside those it has, are to believe together. */
export function strainOf(
  obstacle: ObstacleDescription,
  survey: SurveyScene,
  { model, evidence, fit }: ReadEdge,
  more: readonly RubEvidence[],
): Strain {
  const rubs = [...rubEvidence(obstacle, survey), ...more];
  const all = fitEdge(model, evidence, rubs, fit.q);
  return {
    all: all.cost,
    without: evidence.map(
      (_, index) =>
        fitEdge(
          model,
          evidence.map((e, i) => (i === index ? setAside(e) : e)),
          rubs,
          all.q,
          FEW_STEPS,
        ).cost,
    ),
  };
}
