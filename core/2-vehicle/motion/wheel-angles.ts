import { rotate } from '../../1-base/geometry/pose';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { toDegrees } from '../../1-base/units/angle';
import type { CarrierState } from './carrier';
import type { CornerMotion } from './corner-motion';

/**
 * How a wheel and its steering axis stand straight ahead, degrees; signs of ISO 8855:2011 (from memory): camber + = top outboard, toe + =
 * in, caster + = axis leaned back, inclination + = axis leaned inboard. null where the wheel does not steer.
 */
export interface WheelAngles {
  readonly camberDeg: number;
  readonly toeDeg: number;
  readonly casterDeg: number | null;
  readonly inclinationDeg: number | null;
}

export function wheelAngles(motion: CornerMotion, state: CarrierState): WheelAngles {
  const spin = rotate(motion.wheelFrom(state, 0).rotation, [0, 1, 0]);
  const up = upward(motion, state);
  return {
    camberDeg: toDegrees(-Math.asin(spin[2])),
    toeDeg: toDegrees(Math.atan2(spin[0], spin[1])),
    casterDeg: up && toDegrees(Math.atan2(-up[0], up[2])),
    inclinationDeg: up && toDegrees(Math.atan2(-up[1], up[2])),
  };
}

/** The steering axis upward; null where the wheel does not steer. */
export function upward(motion: CornerMotion, state: CarrierState): Vec3 | null {
  const line = motion.steerLine(state);
  if (!line) return null;
  const [x, y, z] = line.direction;
  return z < 0 ? [-x, -y, -z] : line.direction;
}
