import type { Pose } from '../../1-base/geometry/pose';
import type { CornerMotion } from '../../2-vehicle/motion/corner-motion';
import type { Mount } from '../../2-vehicle/motion/mount';
import { type CornerKey, sideOf } from '../../2-vehicle/setup/corner-key';
import type { Side } from '../../2-vehicle/motion/steering';
import { surveyMotion } from '../../2-vehicle/setup/motion-under';
import { prepareRotor, type Rotor } from '../../2-vehicle/setup/rotor';
import type { CornerDescription } from '../description/corner-description';
import type { HeldAt, ReadingScene } from '../reading/reading';
import { readingPosture } from './reading-posture';

/** The fitted tire and the linkage as they were when a corner was surveyed. */
export interface SurveyScene {
  readonly corner: CornerDescription;
  readonly motion: CornerMotion;
  readonly rotor: Rotor;
  readonly side: Side;
}

/** @throws ProblemError for a linkage or a fitment that cannot be. */
export const surveyScene = (key: CornerKey, corner: CornerDescription): SurveyScene => ({
  corner,
  motion: surveyMotion(key, corner),
  rotor: prepareRotor(corner.fitted, `corners.${key}.fitted`),
  side: sideOf(key),
});

/** Where the fitted tire and a mount were when a reading was taken. @throws ProblemError for a posture that cannot be. */
export function readingScene(
  reading: HeldAt,
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
