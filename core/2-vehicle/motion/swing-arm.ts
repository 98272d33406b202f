import { compose, multiply, place, rotationX, rotationY, translation, type Pose } from '../../1-base/geometry/pose';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { ProblemError } from '../../1-base/problem';

/**
 * Swing-arm motion: the wheel swings about an instant centre in front view and one in side view, both fixed at
 * the surveyed ride height. Corner frame, mm. `null` (or absent): straight up in that view, without rotation.
 */
export interface SwingArmDescription {
  readonly type: 'swingArm';
  /** Instant centre in the y-z plane; y outboard, so usually negative. */
  readonly frontView?: { readonly y: number; readonly z: number } | null | undefined;
  /** Instant centre in the x-z plane. */
  readonly sideView?: { readonly x: number; readonly z: number } | null | undefined;
  /** Inner pivots of the arms, where there are any: how far outboard (negative: inboard) of the hub's face. Only what is fixed to an arm goes by them. */
  readonly upperPivotYMm?: number | undefined;
  readonly lowerPivotYMm?: number | undefined;
}

/**
 * Arms of a wheel whose linkage nobody measured, seen from the front, mm: where their joints usually are, and their pivots unless
 * measured. Working values of this project (common practice, no source).
 */
export const USUAL_ARMS = {
  upper: { pivotY: -340, pivotZ: 145, joint: [0, -100, 165] },
  lower: { pivotY: -430, pivotZ: -95, joint: [0, -55, -120] },
} as const;

/**
 * Pose of the hub carrier at travel `t` mm (height of the origin at zero steer), in the corner frame.
 * Front view alone raises the origin by t and gives y and alpha; side view alone gives x and beta;
 * position (x, y, t), rotation Ry(beta) Rx(alpha) about fixed axes.
 * @throws ProblemError `impossiblePosture` when the arm cannot reach t.
 */
export function swingArmPose(arm: SwingArmDescription, t: number, path = 'motion'): Pose {
  const front = arm.frontView ?? null;
  const side = arm.sideView ?? null;
  let y = 0;
  let alpha = 0;
  if (front) {
    alpha = swingAngle(-front.y, -front.z, t, `${path}.frontView`);
    y = front.y - front.y * Math.cos(alpha) + front.z * Math.sin(alpha);
  }
  let x = 0;
  let beta = 0;
  if (side) {
    // Ry takes z toward x, so seen with x to the right the angle runs the other way.
    beta = -swingAngle(-side.x, -side.z, t, `${path}.sideView`);
    x = side.x - side.x * Math.cos(beta) - side.z * Math.sin(beta);
  }
  return { rotation: multiply(rotationY(beta), rotationX(alpha)), origin: [x, y, t] };
}

/**
 * Angle (rad, from the horizontal axis toward up) that raises by `t` a point that stands (`across`, `up`) from
 * its center; the solution that starts at 0 for t = 0.
 */
export function swingAngle(across: number, up: number, t: number, path: string): number {
  const radius = Math.hypot(across, up);
  const start = Math.atan2(up, across);
  const sine = (t + up) / radius;
  if (!(Math.abs(sine) <= 1) || across === 0) {
    throw new ProblemError({
      code: 'impossiblePosture',
      path,
      expected: `an instant centre whose arm (${radius.toFixed(0)} mm) reaches ${t.toFixed(0)} mm of travel`,
      found: `(${-across}, ${-up})`,
    });
  }
  const rise = Math.asin(sine);
  const end = across > 0 ? rise : Math.PI - rise;
  const angle = end - start;
  return Math.atan2(Math.sin(angle), Math.cos(angle));
}

/** Share of an arm's length that its joint may stand above or below its pivot: nobody's arm goes further. */
const MOST_SWING = 0.95;

/** Pose of an arm that swings about a pivot line fore and aft, its joint at the height to which `carrier` takes it, corner frame. */
export function swungArmPose(arm: SwingArmDescription, which: 'upper' | 'lower', carrier: Pose): Pose {
  const { pivotZ, joint, pivotY: usualY } = USUAL_ARMS[which];
  const pivotY = arm[`${which}PivotYMm`] ?? usualY;
  const across = joint[1] - pivotY;
  const up = joint[2] - pivotZ;
  const most = MOST_SWING * Math.hypot(across, up);
  const wanted = place(carrier, joint as Vec3)[2] - pivotZ;
  const height = Math.min(most, Math.max(-most, wanted));
  const angle = Math.asin(height / Math.hypot(across, up)) - Math.atan2(up, across);
  return compose(
    translation([0, pivotY, pivotZ]),
    compose({ rotation: rotationX(angle), origin: [0, 0, 0] }, translation([0, -pivotY, -pivotZ])),
  );
}
