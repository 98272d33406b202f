import { multiply, transpose } from '../../1-base/geometry/pose';
import type { CarrierState } from '../../2-vehicle/motion/carrier';
import { toDegrees } from '../../1-base/units/angle';

/** How far each ball joint is swung from how it stands at the survey, degrees; null: the motion has no such joint. */
export interface JointSwing {
  readonly upperJointDeg: number | null;
  readonly lowerJointDeg: number | null;
}

/** Angle by which the knuckle is turned against each arm since the survey, straight ahead. */
export function jointSwing({ knuckle, upperArm, lowerArm }: CarrierState): JointSwing {
  const between = (arm: typeof upperArm): number | null => {
    if (!arm) return null;
    const turned = multiply(transpose(arm.rotation), knuckle.rotation);
    return toDegrees(Math.acos(Math.min(1, Math.max(-1, (turned[0] + turned[4] + turned[8] - 1) / 2))));
  };
  return { upperJointDeg: between(upperArm), lowerJointDeg: between(lowerArm) };
}
