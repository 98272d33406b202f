import { joinPath, ProblemError } from '../../1-base/problem';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import type { CornerDescription } from '../description/corner-description';
import type { ObstacleDescription } from '../description/obstacle-description';
import { surveyScene, type SurveyScene } from '../landing/survey-scene';
import { prepareObstacle, type PreparedObstacle } from './prepared-obstacle';

/** Obstacles worked out before, found again by the object that described them or by what it said. */
export interface KnownObstacles {
  find(obstacle: ObstacleDescription, baseline: string): PreparedObstacle | undefined;
  keep(obstacle: ObstacleDescription, baseline: string, made: PreparedObstacle): void;
}

/**
 * Where everything surveyed lies, each obstacle in its mount's frame; depends on nothing but the survey. Obstacles found
 * in `known` under the same description and baseline are taken from there, and new ones are put in.
 */
export function surveyedObstacles(
  key: CornerKey,
  corner: CornerDescription,
  known?: KnownObstacles,
): PreparedObstacle[] {
  const path = `corners.${key}`;
  const { obstacles, ...baseline } = corner;
  const under = known ? `${key}${JSON.stringify(baseline)}` : '';
  // Only made when an obstacle is new: a linkage and a section cost more than looking them up.
  let scene: SurveyScene | null = null;
  const survey = (): SurveyScene => (scene ??= surveyScene(key, corner));
  if (obstacles.length === 0) survey();
  const seen = new Set<string>();
  return obstacles.map((obstacle, i) => {
    const place = joinPath(joinPath(path, 'obstacles'), i);
    if (seen.has(obstacle.id)) {
      throw new ProblemError({
        code: 'contradiction',
        path: joinPath(place, 'id'),
        expected: 'an id used once in this corner',
        found: `a second "${obstacle.id}"`,
      });
    }
    seen.add(obstacle.id);
    const before = known?.find(obstacle, under);
    if (before) return before;
    const made = prepareObstacle(obstacle, survey(), place);
    known?.keep(obstacle, under, made);
    return made;
  });
}
