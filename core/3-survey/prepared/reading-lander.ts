import { unplace } from '../../1-base/geometry/pose';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { readingScene } from '../landing/survey-scene';
import { landReading, type ReadingError } from '../reading/reading';
import type { PreparedObstacle } from './prepared-obstacle';

/** Lands the readings of an obstacle once more, each with an error of its own; for many draws of errors. */
export interface ReadingLander {
  /** Mount's frame, mm. */
  land(index: number, error: ReadingError): Vec3;
  /** By how much a reading's place moves when its posture was 1 mm lower than said, mount's frame, mm. */
  perTravel(index: number): Vec3;
}

/** @throws ProblemError for a reading that cannot be. */
export function readingLander({ description, survey }: PreparedObstacle): ReadingLander {
  const { readings = [], mount } = description;
  const scenes = readings.map((reading) => readingScene(reading, mount, survey, ''));
  const land = (index: number, error?: ReadingError): Vec3 => {
    const { scene, mountPose } = scenes[index]!;
    return unplace(mountPose, landReading(readings[index]!, scene, '', error).point);
  };
  return {
    land,
    perTravel: (index) => {
      const lower = readingScene(readings[index]!, mount, survey, '', -1);
      const from = land(index);
      const to = unplace(lower.mountPose, landReading(readings[index]!, lower.scene).point);
      return [from[0] - to[0], from[1] - to[1], from[2] - to[2]];
    },
  };
}
