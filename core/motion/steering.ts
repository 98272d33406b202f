import { rotate, turnAboutLine, type Pose } from '../geometry/pose';
import { normalize, type Vec3 } from '../geometry/vec3';
import { toRadians } from '../units/angle';

/**
 * Steering of one wheel as entered. Angles in degrees, lengths in mm, corner frame at ride height.
 * `lockLeftDeg` is *this wheel's* angle when the vehicle steers fully left; both locks are positive numbers.
 */
export interface SteeringDescription {
  /** Kingpin inclination, + = top inboard. */
  readonly inclinationDeg: number;
  /** Caster, + = top rearward. */
  readonly casterDeg: number;
  /** The axis passes this far inboard of the mounting face, at hub height. */
  readonly kingpinOffsetMm: number;
  /** The axis passes this far forward of the hub centre, at hub height. */
  readonly casterTrailMm: number;
  readonly lockLeftDeg: number;
  readonly lockRightDeg: number;
  /** `axis` (default): locks are turned about the steering axis. `heading`: read off a turn plate. */
  readonly lockMeasured?: 'axis' | 'heading' | undefined;
}

export interface SteeringAxis {
  readonly point: Vec3;
  /** Unit, upward. */
  readonly direction: Vec3;
}

export type Side = 'left' | 'right';

/** + when steering left turns this wheel positively about its upward axis, in the corner's own frame. */
export const steerSign = (side: Side): 1 | -1 => (side === 'left' ? 1 : -1);

/** Steering axis at zero travel, corner frame. */
export function steeringAxis(steering: SteeringDescription, casterChangeDeg = 0): SteeringAxis {
  const caster = toRadians(steering.casterDeg + casterChangeDeg);
  const inclination = toRadians(steering.inclinationDeg);
  return {
    point: [steering.casterTrailMm, -steering.kingpinOffsetMm, 0],
    direction: normalize([-Math.tan(caster), -Math.tan(inclination), 1]),
  };
}

/** Turn of the knuckle about its axis by `angle` rad (+ about the upward axis), in the carrier's frame. */
export const steerTurn = (axis: SteeringAxis, angle: number): Pose => turnAboutLine(axis.point, axis.direction, angle);

/**
 * Axis angle (rad) at which the wheel's heading in plan has turned by `heading` rad, both + about the upward
 * axis. Solved by bisection to 1e-12 rad; heading grows with angle as long as the axis stands up.
 */
export function axisAngleForHeading(axis: SteeringAxis, heading: number): number {
  const turned = (angle: number): number => {
    const forward = rotate(steerTurn(axis, angle).rotation, [1, 0, 0]);
    return Math.atan2(forward[1], forward[0]);
  };
  let low = -Math.PI / 2;
  let high = Math.PI / 2;
  for (let i = 0; i < 60 && high - low > 1e-12; i++) {
    const middle = (low + high) / 2;
    if (turned(middle) < heading) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
