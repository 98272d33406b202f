import { ClearSection } from './clear-section';
import type { CornerDescription, CornerKey, SetupDescription } from './description';
import { surveyedObstacles, type PreparedCorner, type PreparedObstacle } from './prepare';

/**
 * Keeps what was worked out for a corner for as long as what it depends on stays the same: the places of the survey,
 * and the clear section under an alignment and envelope. One for each conversation (a browser's worker, a command).
 */
export class SectionShelf {
  readonly #surveys = new Map<CornerKey, { of: string; obstacles: PreparedObstacle[] }>();
  readonly #sections = new Map<CornerKey, { of: string; section: ClearSection }>();

  /** As `surveyedObstacles`, remembered. */
  readonly survey = (key: CornerKey, corner: CornerDescription): PreparedObstacle[] => {
    const of = JSON.stringify(corner);
    const known = this.#surveys.get(key);
    if (known?.of === of) return known.obstacles;
    const obstacles = surveyedObstacles(key, corner);
    this.#surveys.set(key, { of, obstacles });
    return obstacles;
  };

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

/** Locks that do not limit a drawn envelope. */
const FREE = { left: Math.PI, right: Math.PI };
