import { ClearSection } from './clear-section';
import type { CornerDescription, CornerKey, ObstacleDescription, SetupDescription } from './description';
import { surveyedObstacles, type KnownObstacles, type PreparedCorner, type PreparedObstacle } from './prepare';

/**
 * Keeps what was worked out for a corner for as long as what it depends on stays the same: the places of the survey,
 * and the clear section under an alignment and envelope. One for each conversation (a browser's worker, a command).
 */
export class SectionShelf {
  readonly #known = new ObstacleShelf();
  readonly #sections = new Map<CornerKey, { of: string; section: ClearSection }>();

  /** As `surveyedObstacles`, obstacle by obstacle remembered. */
  readonly survey = (key: CornerKey, corner: CornerDescription): PreparedObstacle[] =>
    surveyedObstacles(key, corner, this.#known);

  /** The clear section of a prepared corner; the tire, wheel, offset and spacer do not matter to it. */
  section(prepared: PreparedCorner, corner: CornerDescription, setup: SetupDescription): ClearSection {
    const { camberChangeDeg, casterChangeDeg, axleShiftMm, linkageDropMm, bodyLiftMm, parts } = setup;
    const { steerStopLeftDeg, steerStopRightDeg } = setup;
    const { motion, steering, staticCamberDeg, staticToeDeg } = corner;
    const { kind, limits, breaks } = prepared.envelope;
    const { droop, ride, bump } = limits;
    const of = JSON.stringify([
      [motion, steering, staticCamberDeg, staticToeDeg],
      [camberChangeDeg, casterChangeDeg, axleShiftMm, linkageDropMm, bodyLiftMm, parts],
      [steerStopLeftDeg, steerStopRightDeg],
      // In the trail envelope the parked height chooses no posture.
      [kind, droop, bump, breaks, ...(kind === 'trail' ? [] : [ride, corner.loadedSagMm])],
      kind === 'drawn' ? breaks.map((t) => prepared.envelope.steerRange(t, FREE)) : [],
    ]);
    const known = this.#sections.get(prepared.key);
    if (known?.of === of) return known.section;
    const section = new ClearSection(prepared.motion, prepared.envelope);
    this.#sections.set(prepared.key, { of, section });
    return section;
  }
}

/** Finds an obstacle by the object that described it, else by its text. */
class ObstacleShelf implements KnownObstacles {
  readonly #byObject = new WeakMap<ObstacleDescription, { baseline: string; made: PreparedObstacle }>();
  readonly #byText = new Map<string, PreparedObstacle>();

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

/** Locks that do not limit a drawn envelope. */
const FREE = { left: Math.PI, right: Math.PI };
