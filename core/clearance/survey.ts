import { unplace, type Pose } from '../geometry/pose';
import type { Vec3 } from '../geometry/vec3';
import type { CornerMotion } from '../motion/corner-motion';
import type { Mount } from '../motion/mount';
import { edgeThrough } from '../obstacle/edge';
import type { Material } from '../obstacle/material';
import { landReading, type ReadingDescription, type ReadingError, type ReadingScene } from '../obstacle/reading';
import { chain, makePieces, shapePieces, type PieceSet } from '../obstacle/shape';
import { joinPath, ProblemError } from '../problem';
import { parseClock } from '../units/clock';
import type { CornerDescription, CornerKey, ObstacleDescription } from './description';
import { surveyMotion } from './motion-under';
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

/** The fitted tire and the linkage as they were when a corner was surveyed. */
export interface SurveyScene {
  readonly corner: CornerDescription;
  readonly motion: CornerMotion;
  readonly rotor: Rotor;
}

/** @throws ProblemError for a linkage or a fitment that cannot be. */
export const surveyScene = (key: CornerKey, corner: CornerDescription): SurveyScene => ({
  corner,
  motion: surveyMotion(key, corner),
  rotor: prepareRotor(corner.fitted, `corners.${key}.fitted`),
});

/** An obstacle where its positions and readings put it. @throws ProblemError for what cannot be taken. */
export function prepareObstacle(
  obstacle: ObstacleDescription,
  survey: SurveyScene,
  path: string,
  errors: readonly LandingError[] = [],
): PreparedObstacle {
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
  const landed = landedReadings(obstacle, survey, path, errors);
  const read: (readonly Vec3[])[] =
    obstacle.readingsAs === 'polyline' && landed.length > 0
      ? chain(edgeThrough(landed.map((r) => r.point)).map(({ at }) => at))
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

/** By how much a reading is off, its posture's height included (mm, + bump). */
export interface LandingError extends ReadingError {
  readonly travelMm: number;
}

export interface Landed {
  /** Mount's frame, mm. */
  readonly point: Vec3;
  readonly lateralToleranceMm: number;
  /** Which of the obstacle's readings it is. */
  readonly index: number;
}

/** Where the fitted tire and a mount were when a reading was taken. @throws ProblemError for a posture that cannot be. */
export function readingScene(
  reading: ReadingDescription,
  mount: Mount,
  { corner, motion, rotor }: SurveyScene,
  path: string,
  travelErrorMm = 0,
): { readonly scene: ReadingScene; readonly mountPose: Pose } {
  const { state, steer } = readingPosture(reading, corner, motion, path, travelErrorMm);
  return {
    scene: { ...rotor, wheelPose: motion.wheelFrom(state, steer) },
    mountPose: motion.mountFrom(state, mount, steer),
  };
}

/**
 * Where the readings of an obstacle land; along an edge in clock order. `errors`, where given, are those of its readings.
 * @throws ProblemError for a reading that cannot be.
 */
export function landedReadings(
  { readings = [], readingsAs, mount }: ObstacleDescription,
  survey: SurveyScene,
  path: string,
  errors: readonly LandingError[] = [],
): Landed[] {
  const landed = readings.map((reading, index) => {
    const place = joinPath(joinPath(path, 'readings'), index);
    const error = errors[index];
    const { scene, mountPose } = readingScene(reading, mount, survey, place, error?.travelMm);
    const { point, lateralToleranceMm } = landReading(reading, scene, place, error);
    return {
      point: unplace(mountPose, point),
      lateralToleranceMm,
      index,
      clock: parseClock(reading.clock),
    };
  });
  return readingsAs === 'polyline' ? inClockOrder(landed) : landed;
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
