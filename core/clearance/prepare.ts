import { unplace } from '../geometry/pose';
import type { Vec3 } from '../geometry/vec3';
import { cornerMotion, type CornerMotion } from '../motion/corner-motion';
import type { Mount } from '../motion/mount';
import type { Side } from '../motion/steering';
import { edgeThrough } from '../obstacle/edge';
import type { Material } from '../obstacle/material';
import { landReading } from '../obstacle/reading';
import { chain, makePieces, shapePieces, type PieceSet } from '../obstacle/shape';
import { joinPath, ProblemError } from '../problem';
import { withPartsCounted } from '../stance/lift-part';
import { parseClock } from '../units/clock';
import {
  fittedAsSetup,
  type CornerDescription,
  type CornerKey,
  type DrawnRow,
  type EnvelopeKind,
  type ObstacleDescription,
  type SetupDescription,
} from './description';
import { makeEnvelope, travelLimits, type Envelope } from './envelope';
import { readingPosture } from './reading-posture';
import { prepareRotor, type Rotor } from './rotor';

export interface PreparedObstacle {
  readonly id: string;
  readonly label: string;
  readonly mount: Mount;
  readonly material: Material;
  readonly insideWheel: boolean;
  /** Mount's frame, mm. */
  readonly pieces: PieceSet;
  /** mm every piece is thick each way: a rod's radius, half a sheet. */
  readonly radiusMm: number;
  /** mm by which bushings let it and the wheel come closer. */
  readonly complianceMm: number;
  /** Largest lateral uncertainty of its readings, mm. */
  readonly lateralToleranceMm: number;
}

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
}

export const sideOf = (key: CornerKey): Side => (key.endsWith('Left') ? 'left' : 'right');

/** Motion of a corner under a setup; `locks: 'surveyed'` leaves steering stops out. */
export function motionUnder(
  key: CornerKey,
  corner: CornerDescription,
  entered: SetupDescription,
  locks: 'surveyed' | 'stopped' = 'stopped',
): CornerMotion {
  const setup = withPartsCounted(entered);
  return cornerMotion({
    path: `corners.${key}`,
    side: sideOf(key),
    motion: corner.motion,
    steering: corner.steering,
    stops: locks === 'stopped' ? setup : undefined,
    camberDeg: corner.staticCamberDeg + setup.camberChangeDeg,
    toeDeg: corner.staticToeDeg,
    casterChangeDeg: setup.casterChangeDeg,
    axleShiftMm: setup.axleShiftMm,
    linkageDropMm: setup.linkageDropMm,
    bodyLiftMm: setup.bodyLiftMm,
  });
}

/** The motion as surveyed: what the readings were taken against. */
export const surveyMotion = (key: CornerKey, corner: CornerDescription): CornerMotion =>
  motionUnder(key, corner, fittedAsSetup(corner.fitted), 'surveyed');

/** Postures of a corner under a setup. @throws ProblemError for limits that cannot be. */
export const envelopeUnder = (
  key: CornerKey,
  corner: CornerDescription,
  setup: SetupDescription,
  kind: EnvelopeKind,
  drawn?: readonly DrawnRow[],
): Envelope =>
  makeEnvelope(
    kind,
    travelLimits(corner, withPartsCounted(setup), 'setup', `corners.${key}`),
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
  setup: SetupDescription,
  kind: EnvelopeKind,
  drawn?: readonly DrawnRow[],
  survey: (key: CornerKey, corner: CornerDescription) => PreparedObstacle[] = surveyedObstacles,
): PreparedCorner {
  // The survey first: a file without a setup is judged as fitted, and its faults then lie in the corner.
  const surveyed = survey(key, corner);
  const { obstacles, unknown } = inPlace(corner, surveyed, setup.removed ?? []);
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
  };
}

/** The linkage must reach both stops at full lock, and every mount must be one it has. @throws ProblemError. */
function requireReach(motion: CornerMotion, { limits }: Envelope, obstacles: readonly PreparedObstacle[]): void {
  for (const travel of [limits.droop, limits.bump]) {
    const state = motion.carrierAt(travel, 0);
    const locks = motion.locksAt(state);
    for (const { mount } of obstacles) motion.mountFrom(state, mount, locks.left);
    if (motion.crossArticulates) motion.carrierAt(travel, limits.droop + limits.bump - 2 * travel);
  }
}

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
  const survey = (): SurveyScene =>
    (scene ??= {
      corner,
      motion: surveyMotion(key, corner),
      rotor: prepareRotor(corner.fitted, joinPath(path, 'fitted')),
    });
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

interface SurveyScene {
  readonly corner: CornerDescription;
  readonly motion: CornerMotion;
  readonly rotor: Rotor;
}

function prepareObstacle(obstacle: ObstacleDescription, survey: SurveyScene, path: string): PreparedObstacle {
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
  const landed = landedReadings(obstacle, survey, path);
  const read: (readonly Vec3[])[] =
    obstacle.readingsAs === 'polyline' && landed.length > 0
      ? chain(edgeThrough(inClockOrder(landed).map((r) => r.point)))
      : landed.map((r) => [r.point]);
  return {
    id: obstacle.id,
    label: obstacle.label ?? obstacle.id,
    mount: obstacle.mount,
    material: obstacle.material,
    insideWheel,
    pieces: makePieces([...shape.pieces, ...read]),
    radiusMm: shape.radiusMm,
    complianceMm: survey.corner.complianceMm?.[obstacle.mount] ?? 0,
    lateralToleranceMm: Math.max(0, ...landed.map((r) => r.lateralToleranceMm)),
  };
}

interface Landed {
  /** Mount's frame, mm. */
  readonly point: Vec3;
  readonly lateralToleranceMm: number;
  readonly clock: number;
}

function landedReadings(obstacle: ObstacleDescription, survey: SurveyScene, path: string): Landed[] {
  return (obstacle.readings ?? []).map((reading, i) => {
    const place = joinPath(joinPath(path, 'readings'), i);
    const { state, steer } = readingPosture(reading, survey.corner, survey.motion, place);
    const landed = landReading(reading, { ...survey.rotor, wheelPose: survey.motion.wheelFrom(state, steer) }, place);
    const mountPose = survey.motion.mountFrom(state, obstacle.mount, steer);
    return { ...landed, point: unplace(mountPose, landed.point), clock: parseClock(reading.clock) };
  });
}

/** Sorted round the clock, starting after the widest empty stretch so that an edge over the top stays whole. */
function inClockOrder<T extends { readonly clock: number }>(readings: readonly T[]): T[] {
  const sorted = [...readings].sort((a, b) => a.clock - b.clock);
  let start = 0;
  let widest = -1;
  sorted.forEach((reading, i) => {
    const before = sorted[(i + sorted.length - 1) % sorted.length] as T;
    const empty = (reading.clock - before.clock + 360) % 360;
    if (empty > widest) {
      widest = empty;
      start = i;
    }
  });
  return [...sorted.slice(start), ...sorted.slice(0, start)];
}
