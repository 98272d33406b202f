import { unplace } from '../geometry/pose';
import type { Vec3 } from '../geometry/vec3';
import { cornerMotion, type CornerMotion, type Mount, type Posture } from '../motion/corner-motion';
import type { Side } from '../motion/steering';
import type { Material } from '../obstacle/material';
import { landReading, type ReadingDescription } from '../obstacle/reading';
import { joinPath, ProblemError } from '../problem';
import { tireSection, type TireSection } from '../tire/section';
import { toRadians } from '../units/angle';
import { parseClock } from '../units/clock';
import { wheelOffsetMm } from '../wheel/rim';
import {
  fittedAsSetup,
  type CornerDescription,
  type CornerKey,
  type EnvelopeKind,
  type ObstacleDescription,
  type SetupDescription,
  type WheelAndTire,
} from './description';
import { steeringLocks, travelLimits, type Envelope, type Locks } from './envelope';

/** A tire on its wheel and spacer, as a solid of revolution carried by the hub. */
export interface Rotor {
  readonly section: TireSection;
  /** Tire's centre plane along the spin axis from the hub face: spacer - offset, mm. */
  readonly centrePlaneMm: number;
  readonly offsetMm: number;
  readonly rimWidthIn: number;
}

/** Places that belong together: a single point, or the corners of an open polyline. Mount's frame, mm. */
export type ObstacleStrand = readonly [Vec3, ...Vec3[]];

export interface PreparedObstacle {
  readonly id: string;
  readonly label: string;
  readonly mount: Mount;
  readonly material: Material;
  readonly strands: readonly ObstacleStrand[];
  /** Largest lateral uncertainty of its readings, mm. */
  readonly lateralToleranceMm: number;
}

export interface PreparedCorner {
  readonly key: CornerKey;
  readonly side: Side;
  readonly motion: CornerMotion;
  readonly envelope: Envelope;
  readonly rotor: Rotor;
  readonly obstacles: readonly PreparedObstacle[];
  /** Listed, but no place of it is known yet: neither clear nor touching. */
  readonly unmeasured: readonly PreparedObstacle[];
}

export const sideOf = (key: CornerKey): Side => (key.endsWith('Left') ? 'left' : 'right');

/** @throws ProblemError when tire and wheel do not go together or do not parse. */
export function prepareRotor(fitment: WheelAndTire, path: string): Rotor {
  const offsetMm = wheelOffsetMm(fitment.wheel, joinPath(path, 'wheel'));
  const section = tireSection(fitment.tire, fitment.wheel.widthIn, joinPath(path, 'tire'));
  if (section.size.rimDiameterIn !== fitment.wheel.diameterIn) {
    throw new ProblemError({
      code: 'contradiction',
      path: joinPath(path, 'wheel.diameterIn'),
      expected: `${section.size.rimDiameterIn} in, the rim that ${section.size.text} is made for`,
      found: `${fitment.wheel.diameterIn} in`,
    });
  }
  return { section, offsetMm, rimWidthIn: fitment.wheel.widthIn, centrePlaneMm: fitment.spacerMm - offsetMm };
}

/** Motion of a corner under a setup. */
export function motionUnder(key: CornerKey, corner: CornerDescription, setup: SetupDescription): CornerMotion {
  return cornerMotion({
    path: `corners.${key}.motion`,
    side: sideOf(key),
    motion: corner.motion,
    steering: corner.steering,
    camberDeg: corner.staticCamberDeg + setup.camberChangeDeg,
    toeDeg: corner.staticToeDeg,
    casterChangeDeg: setup.casterChangeDeg,
    axleShiftMm: setup.axleShiftMm,
    linkageDropMm: setup.linkageDropMm,
    bodyLiftMm: setup.bodyLiftMm,
  });
}

/**
 * Checks a described corner and setup and fills in everything the sweep needs.
 * @throws ProblemError naming the field below `corners.<key>` or `setup`.
 */
export function prepareCorner(
  key: CornerKey,
  corner: CornerDescription,
  setup: SetupDescription,
  envelope: EnvelopeKind,
): PreparedCorner {
  const side = sideOf(key);
  // The survey first: a file without a setup is judged as fitted, and its faults then lie in the corner.
  const listed = surveyedObstacles(key, corner);
  return {
    key,
    side,
    motion: motionUnder(key, corner, setup),
    envelope: {
      kind: envelope,
      limits: travelLimits(corner, setup),
      locks: steeringLocks(corner.steering, setup, side),
    },
    rotor: prepareRotor(setup, 'setup'),
    obstacles: listed.filter((o) => o.strands.length > 0),
    unmeasured: listed.filter((o) => o.strands.length === 0),
  };
}

/** Where everything surveyed lies, each obstacle in its mount's frame; depends on nothing but the survey. */
export function surveyedObstacles(key: CornerKey, corner: CornerDescription): PreparedObstacle[] {
  const path = `corners.${key}`;
  const side = sideOf(key);
  const survey: SurveyScene = {
    corner,
    motion: motionUnder(key, corner, fittedAsSetup(corner.fitted)),
    locks: steeringLocks(corner.steering, {}, side),
    rotor: prepareRotor(corner.fitted, joinPath(path, 'fitted')),
  };
  const seen = new Set<string>();
  return corner.obstacles.map((obstacle, i) => {
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
    return prepareObstacle(obstacle, survey, place);
  });
}

interface SurveyScene {
  readonly corner: CornerDescription;
  readonly motion: CornerMotion;
  readonly locks: Locks;
  readonly rotor: Rotor;
}

function prepareObstacle(obstacle: ObstacleDescription, survey: SurveyScene, path: string): PreparedObstacle {
  const strands: ObstacleStrand[] = [];
  const shape = obstacle.shape?.points ?? [];
  if (obstacle.shape?.type === 'polyline' && isStrand(shape)) strands.push(shape);
  else strands.push(...shape.map((point): ObstacleStrand => [point]));

  const readings = (obstacle.readings ?? []).map((reading, i) => {
    const place = joinPath(joinPath(path, 'readings'), i);
    const posture = readingPosture(reading, survey.corner, survey.locks, place);
    const wheelPose = survey.motion.wheelPose(posture);
    const landed = landReading(reading, { ...survey.rotor, wheelPose }, place);
    const mountPose = survey.motion.mountPose(obstacle.mount, posture);
    return { ...landed, point: unplace(mountPose, landed.point), clock: parseClock(reading.clock) };
  });
  if (obstacle.readingsAs === 'polyline') {
    const edge = inClockOrder(readings).map((r) => r.point);
    if (isStrand(edge)) strands.push(edge);
  } else {
    strands.push(...readings.map((r): ObstacleStrand => [r.point]));
  }
  if (obstacle.shape === undefined && obstacle.readings === undefined) {
    throw new ProblemError({
      code: 'missing',
      path,
      expected: 'a shape, or readings (an empty list while none is taken)',
      found: 'neither',
    });
  }
  return {
    id: obstacle.id,
    label: obstacle.label ?? obstacle.id,
    mount: obstacle.mount,
    material: obstacle.material,
    strands,
    lateralToleranceMm: Math.max(0, ...readings.map((r) => r.lateralToleranceMm)),
  };
}

const isStrand = (points: readonly Vec3[]): points is ObstacleStrand => points.length > 0;

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

/**
 * Posture a reading was taken in. Height comes from `travelMm`, or from the hub-to-lip distance at that moment.
 * @throws ProblemError when it lies beyond the surveyed travel or locks, or heights are missing.
 */
export function readingPosture(
  reading: ReadingDescription,
  corner: CornerDescription,
  locks: Locks,
  path: string,
): Posture {
  const travel = readingTravel(reading, corner, path);
  const { bumpMm, droopMm } = corner.travel;
  if (!(travel >= -droopMm && travel <= bumpMm)) {
    throw new ProblemError({
      code: 'outOfRange',
      path: joinPath(path, reading.hubToLipMm === undefined ? 'travelMm' : 'hubToLipMm'),
      expected: `a height within the surveyed travel, ${-droopMm} to ${bumpMm} mm from ride`,
      found: `${travel.toFixed(1)} mm from ride`,
    });
  }
  if (reading.steer === 'straight') return { travel, steer: 0 };
  if (reading.steer === 'left') return { travel, steer: locks.left };
  if (reading.steer === 'right') return { travel, steer: -locks.right };
  const steer = toRadians(reading.steer);
  if (!(steer <= locks.left + 1e-9 && steer >= -locks.right - 1e-9)) {
    throw new ProblemError({
      code: 'outOfRange',
      path: joinPath(path, 'steer'),
      expected: 'an angle between the surveyed locks',
      found: `${reading.steer} degrees`,
    });
  }
  return { travel, steer };
}

function readingTravel(reading: ReadingDescription, corner: CornerDescription, path: string): number {
  if (reading.hubToLipMm === undefined) return reading.travelMm ?? 0;
  const at = joinPath(path, 'hubToLipMm');
  if (reading.travelMm !== undefined) {
    throw new ProblemError({
      code: 'contradiction',
      path: at,
      expected: 'travelMm or hubToLipMm, not both',
      found: 'both',
    });
  }
  if (corner.hubToLipMm === undefined) {
    throw new ProblemError({
      code: 'missing',
      path: at,
      expected: "the corner's own hubToLipMm at ride height to compare with",
      found: 'none in the baseline',
    });
  }
  return corner.hubToLipMm - reading.hubToLipMm;
}
