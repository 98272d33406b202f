import type { CornerMotion } from '../../2-vehicle/motion/corner-motion';
import type { Side } from '../../2-vehicle/motion/steering';
import { ProblemError } from '../../1-base/problem';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import { type CornerKey, sideOf } from '../../2-vehicle/setup/corner-key';
import type { DrawnRow, EnvelopeKind } from '../envelope/envelope-kind';
import type { ObstacleDescription } from '../../3-survey/description/obstacle-description';
import type { Setup } from '../../2-vehicle/setup/setup';
import { otherRange } from '../../2-vehicle/motion/axle-stops';
import { makeEnvelope, otherLimitsOf, travelLimits, type Envelope } from '../envelope/envelope';
import { motionUnder } from '../../2-vehicle/setup/motion-under';
import { prepareRotor, type Rotor } from '../../2-vehicle/setup/rotor';
import type { PreparedObstacle } from '../../3-survey/prepared/prepared-obstacle';
import { cornerKnown, knownUnder, knownWith, type Known, type Unsettled } from '../../3-survey/known/known';
import { surveyedObstacles } from '../../3-survey/prepared/surveyed-obstacles';

/** A thing about which nothing can be said: no place known, or nobody looked behind a part that comes off. */
export interface UnknownObstacle {
  readonly id: string;
  readonly label: string;
  readonly why: 'notMeasured' | 'behindRemoved';
}

export interface PreparedCorner {
  readonly key: CornerKey;
  readonly side: Side;
  readonly motion: CornerMotion;
  readonly envelope: Envelope;
  readonly rotor: Rotor;
  readonly obstacles: readonly PreparedObstacle[];
  readonly unknown: readonly UnknownObstacle[];
  /** How much of it was measured. */
  readonly known: Known;
  /** Locks as they were read or set, degrees; null: the wheel does not steer. */
  readonly locksRead: { readonly leftDeg: number; readonly rightDeg: number } | null;
}

/** Postures of a corner under a setup. @throws ProblemError for limits that cannot be. */
export const envelopeUnder = (
  key: CornerKey,
  corner: CornerDescription,
  setup: Setup,
  kind: EnvelopeKind,
  drawn?: readonly DrawnRow[],
): Envelope =>
  makeEnvelope(
    kind,
    travelLimits(corner, setup, 'setup', `corners.${key}`),
    { loadedSagMm: corner.loadedSagMm, drawn },
    `corners.${key}`,
  );

/**
 * Checks a described corner and setup and fills in everything the engine needs.
 * @throws ProblemError naming the field below `corners.<key>` or `setup`.
 */
export function prepareCorner(
  key: CornerKey,
  corner: CornerDescription,
  setup: Setup,
  kind: EnvelopeKind,
  drawn?: readonly DrawnRow[],
  survey: (key: CornerKey, corner: CornerDescription) => PreparedObstacle[] = surveyedObstacles,
): PreparedCorner {
  // The survey first: a file without a setup is judged as fitted, and its faults then lie in the corner.
  const surveyed = survey(key, corner);
  const { obstacles, unknown } = inPlace(
    corner,
    surveyed.map((one) => carriedUnder(setup, one)),
    setup.removed ?? [],
  );
  const motion = motionUnder(key, corner, setup);
  const envelope = envelopeUnder(key, corner, setup, kind, drawn);
  requireReach(motion, envelope, obstacles);
  return {
    key,
    side: sideOf(key),
    motion,
    envelope,
    rotor: prepareRotor(setup, 'setup', setup.allowances),
    obstacles,
    unknown,
    locksRead: corner.steering
      ? {
          leftDeg: setup.steerStopLeftDeg ?? corner.steering.lockLeftDeg,
          rightDeg: setup.steerStopRightDeg ?? corner.steering.lockRightDeg,
        }
      : null,
    known: knownUnder(
      knownWith(cornerKnown(corner, seenOf(surveyed)), surveyed.map(unsettledOf)),
      setup.countedParts,
      obstacles,
    ),
  };
}

/** Things that photos show. */
const seenOf = (surveyed: readonly PreparedObstacle[]): Set<string> =>
  new Set(surveyed.filter(({ seenCount }) => seenCount > 0).map(({ id }) => id));

/** The linkage must reach both stops at full lock, and every mount must be one it has. @throws ProblemError. */
function requireReach(motion: CornerMotion, envelope: Envelope, obstacles: readonly PreparedObstacle[]): void {
  const { limits } = envelope;
  const other = otherLimitsOf(envelope);
  for (const travel of [limits.lowest, limits.highest]) {
    const { low, high } = otherRange(other, travel);
    const state = motion.carrierAt(travel, motion.crossArticulates ? high - travel : 0);
    const locks = motion.locksAt(state);
    for (const { mount } of obstacles) motion.mountFrom(state, mount, locks.left);
    if (motion.crossArticulates) motion.carrierAt(travel, low - travel);
  }
}

/** A brake goes with the hub where that parts from its knuckle. */
const carriedUnder = ({ hubDropMm }: Setup, obstacle: PreparedObstacle): PreparedObstacle =>
  hubDropMm !== 0 && obstacle.material === 'brake' && obstacle.mount === 'knuckle'
    ? { ...obstacle, mount: 'hub' }
    : obstacle;

/** What is there once the removed parts are off, and what nobody knows. @throws ProblemError for unknown ids. */
function inPlace(
  corner: CornerDescription,
  surveyed: readonly PreparedObstacle[],
  removed: readonly string[],
): Pick<PreparedCorner, 'obstacles' | 'unknown'> {
  const unknown: UnknownObstacle[] = [];
  const obstacles: PreparedObstacle[] = [];
  surveyed.forEach((obstacle, i) => {
    const { removable, behind } = corner.obstacles[i] as ObstacleDescription;
    const { id, label } = obstacle;
    if (removable && removed.includes(id)) {
      const looked = behind?.every((other) => surveyed.some((o) => o.id === other && o.pieces.corners.length > 0));
      if (!looked) unknown.push({ id, label, why: 'behindRemoved' });
      return;
    }
    if (obstacle.pieces.corners.length === 0) unknown.push({ id, label, why: 'notMeasured' });
    else obstacles.push(obstacle);
  });
  removed.forEach((id, i) => {
    const listed = corner.obstacles.find((o) => o.id === id);
    if (!listed || listed.removable) return;
    throw new ProblemError({
      code: 'contradiction',
      path: `setup.removed[${i}]`,
      expected: 'an obstacle marked as removable',
      found: `"${id}", which is not`,
    });
  });
  return { obstacles, unknown };
}

/** Standard deviations by which a reading that nobody confirmed misses its edge before the thing counts as not settled. */
const FAR_OFF = 5;

function unsettledOf({ label, description, edge }: PreparedObstacle): Unsettled {
  const { readings = [] } = description;
  const contradicts = (i: number): boolean =>
    edge !== null &&
    (edge.contradicting.has(i) || Math.abs(edge.fit.readings[i]!.misses[0]!) > FAR_OFF) &&
    readings[i]!.confirmed !== true;
  return { label, contradicts: readings.some((_, i) => contradicts(i)), rubMiss: edge?.fit.rubMiss ?? 0 };
}
