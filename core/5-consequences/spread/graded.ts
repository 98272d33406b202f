import { gradedVerdict } from '../../4-clearance/case/standard';
import type { Evaluation } from '../../4-clearance/verdict/evaluate';
import type { CornerSpread } from './spread';

/** The verdicts of a corner with what its spread says of them: the chance of falling short is part of the grade. */
export function gradedEvaluation(evaluation: Evaluation, spread: CornerSpread | null): Evaluation {
  if (!spread) return evaluation;
  const chances = new Map(spread.obstacles.map(({ id, chanceOfRub }) => [id, chanceOfRub]));
  const obstacles = evaluation.obstacles.map((o) =>
    o.corner === spread.corner ? { ...o, verdict: gradedVerdict(o.verdict, chances.get(o.id) ?? null) } : o,
  );
  const { lowGap } = evaluation;
  const low =
    lowGap?.corner === spread.corner
      ? { ...lowGap, verdict: gradedVerdict(lowGap.verdict, chances.get(lowGap.obstacle) ?? null) }
      : lowGap;
  return { ...evaluation, obstacles, lowGap: low };
}
