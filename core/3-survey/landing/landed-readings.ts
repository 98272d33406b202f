import { type SurveyScene, readingScene } from './survey-scene';
import { unplace } from '../../1-base/geometry/pose';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { landReading, type ReadingError } from '../reading/reading';
import { joinPath } from '../../1-base/problem';
import { parseClock } from '../../1-base/units/clock';
import type { ObstacleDescription } from '../description/obstacle-description';

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
