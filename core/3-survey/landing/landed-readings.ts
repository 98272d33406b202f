import { unplace, type Pose } from '../../1-base/geometry/pose';
import type { Vec3 } from '../../1-base/geometry/vec3';
import type { CornerMotion } from '../../2-vehicle/motion/corner-motion';
import type { Mount } from '../../2-vehicle/motion/mount';
import { landReading, type ReadingDescription, type ReadingError, type ReadingScene } from '../reading/reading';
import { joinPath } from '../../1-base/problem';
import { parseClock } from '../../1-base/units/clock';
import type { CornerDescription } from '../description/corner-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import type { ObstacleDescription } from '../description/obstacle-description';
import { surveyMotion } from '../../2-vehicle/setup/motion-under';
import { readingPosture } from './reading-posture';
import { prepareRotor, type Rotor } from '../../2-vehicle/setup/rotor';

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
