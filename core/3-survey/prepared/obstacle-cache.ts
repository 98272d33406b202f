import type { CornerDescription } from '../description/corner-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import type { ObstacleDescription } from '../description/obstacle-description';
import { surveyedObstacles, type KnownObstacles } from './surveyed-obstacles';
import type { PreparedObstacle } from './prepared-obstacle';

/** Keeps where surveyed obstacles lie: found by the object that described one, else by its text. */
export class ObstacleCache implements KnownObstacles {
  readonly #byObject = new WeakMap<ObstacleDescription, { baseline: string; made: PreparedObstacle }>();
  readonly #byText = new Map<string, PreparedObstacle>();

  /** As `surveyedObstacles`, obstacle by obstacle remembered. */
  readonly survey = (key: CornerKey, corner: CornerDescription): PreparedObstacle[] =>
    surveyedObstacles(key, corner, this);

  find(obstacle: ObstacleDescription, baseline: string): PreparedObstacle | undefined {
    const seen = this.#byObject.get(obstacle);
    if (seen?.baseline === baseline) return seen.made;
    const made = this.#byText.get(baseline + JSON.stringify(obstacle));
    if (made) this.#byObject.set(obstacle, { baseline, made });
    return made;
  }

  keep(obstacle: ObstacleDescription, baseline: string, made: PreparedObstacle): void {
    if (this.#byText.size >= KEPT_OBSTACLES) this.#byText.clear();
    this.#byText.set(baseline + JSON.stringify(obstacle), made);
    this.#byObject.set(obstacle, { baseline, made });
  }
}

/** Obstacles remembered before all are forgotten: enough for a vehicle and a long afternoon of readings. */
const KEPT_OBSTACLES = 1000;
