import { multiply, transpose, type Rotation } from '../../1-base/geometry/pose';
import type { CarrierState } from '../../2-vehicle/motion/carrier';
import { toDegrees } from '../../1-base/units/angle';

/** How far each ball joint, and each arm at the frame, is swung from how it stands at the survey, degrees; null: the motion has none, or none that was measured. */
export interface JointSwing {
  readonly upperJointDeg: number | null;
  readonly lowerJointDeg: number | null;
  readonly upperArmDeg: number | null;
  readonly lowerArmDeg: number | null;
}

const UNKNOWN: JointSwing = { upperJointDeg: null, lowerJointDeg: null, upperArmDeg: null, lowerArmDeg: null };

/** Angle by which the knuckle is turned against each arm since the survey, straight ahead, and each arm against the frame. */
export function jointSwing({ knuckle, upperArm, lowerArm, armsStandIn }: CarrierState): JointSwing {
  if (armsStandIn) return UNKNOWN;
  const joint = (arm: typeof upperArm): number | null =>
    arm ? turnDeg(multiply(transpose(arm.rotation), knuckle.rotation)) : null;
  const arm = (of: typeof upperArm): number | null => (of ? turnDeg(of.rotation) : null);
  return {
    upperJointDeg: joint(upperArm),
    lowerJointDeg: joint(lowerArm),
    upperArmDeg: arm(upperArm),
    lowerArmDeg: arm(lowerArm),
  };
}

/** Angle of a rotation, degrees. */
const turnDeg = (rotation: Rotation): number =>
  toDegrees(Math.acos(Math.min(1, Math.max(-1, (rotation[0] + rotation[4] + rotation[8] - 1) / 2))));
