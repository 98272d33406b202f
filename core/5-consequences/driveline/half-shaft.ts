import { place, rotate } from '../../1-base/geometry/pose';
import { dot, length, subtract, type Vec3 } from '../../1-base/geometry/vec3';
import type { CornerMotion } from '../../2-vehicle/motion/corner-motion';
import { toDegrees } from '../../1-base/units/angle';

/** Half shaft of an independent suspension, by tape at the surveyed ride height, mm. */
export interface HalfShaft {
  /** Centre of the inner joint inboard of the wheel's mounting face, above its center and forward of it. */
  readonly innerInboardMm: number;
  readonly innerRiseMm: number;
  readonly innerForwardMm?: number | undefined;
  /** Centre of the outer joint inboard of the mounting face. */
  readonly outerInboardMm: number;
}

/** Working angles of both joints, degrees, and the length between them, mm. */
export interface HalfShaftState {
  readonly outerDeg: number;
  readonly innerDeg: number;
  readonly lengthMm: number;
}

/**
 * The shaft with the wheel at a height and steered; `dropMm` lowers the differential. The outer joint works between shaft and spin
 * axis, the inner one between shaft and the differential's output, which runs straight across.
 * @throws ProblemError where the linkage does not reach that height.
 */
export function halfShaftAt(
  motion: CornerMotion,
  { innerInboardMm, innerRiseMm, innerForwardMm = 0, outerInboardMm }: HalfShaft,
  posture: { readonly travel: number; readonly steer: number },
  dropMm = 0,
): HalfShaftState {
  const wheel = motion.wheelPose(posture);
  const outer = place(wheel, [0, -outerInboardMm, 0]);
  const shaft = subtract(outer, [innerForwardMm, -innerInboardMm, innerRiseMm - dropMm]);
  const lengthMm = length(shaft);
  const between = (axis: Vec3): number => toDegrees(Math.acos(Math.min(1, Math.max(-1, dot(shaft, axis) / lengthMm))));
  return { outerDeg: between(rotate(wheel.rotation, [0, 1, 0])), innerDeg: between([0, 1, 0]), lengthMm };
}
