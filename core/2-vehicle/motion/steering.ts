import { rotate, turnAboutLine, type Pose } from '../../1-base/geometry/pose';
import { normalize, type Vec3 } from '../../1-base/geometry/vec3';
import { joinPath, ProblemError } from '../../1-base/problem';
import { toRadians } from '../../1-base/units/angle';

/**
 * Steering of one wheel as entered. Angles in degrees, lengths in mm, corner frame at ride height. The four numbers of
 * the axis are needed unless the motion's own ball joints give it. `lockLeftDeg` is *this wheel's* angle when the
 * vehicle steers fully left; both locks are positive numbers.
 */
export interface SteeringDescription {
  /** Kingpin inclination, + = top inboard. */
  readonly inclinationDeg?: number | undefined;
  /** Caster, + = top rearward. */
  readonly casterDeg?: number | undefined;
  /** The axis passes this far inboard of the mounting face, at hub height. */
  readonly kingpinOffsetMm?: number | undefined;
  /** The axis passes this far forward of the hub center, at hub height; 0 by default. */
  readonly casterTrailMm?: number | undefined;
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

/** Steering axis at zero travel, corner frame, from the entered angles. @throws ProblemError for a missing one. */
export function steeringAxis(steering: SteeringDescription, casterChangeDeg = 0, path = 'steering'): SteeringAxis {
  const needed = (key: 'inclinationDeg' | 'casterDeg' | 'kingpinOffsetMm'): number => {
    const value = steering[key];
    if (value !== undefined) return value;
    throw new ProblemError({
      code: 'missing',
      path: joinPath(path, key),
      expected: 'the steering axis (or ball joints that give it)',
      found: 'nothing',
    });
  };
  const caster = toRadians(needed('casterDeg') + casterChangeDeg);
  const inclination = toRadians(needed('inclinationDeg'));
  return {
    point: [steering.casterTrailMm ?? 0, -needed('kingpinOffsetMm'), 0],
    direction: normalize([-Math.tan(caster), -Math.tan(inclination), 1]),
  };
}

/** Turn of the knuckle about its axis by `angle` rad (+ about the upward axis), in the carrier's frame. */
export const steerTurn = (axis: SteeringAxis, angle: number): Pose => turnAboutLine(axis.point, axis.direction, angle);

/**
 * Axis angle (rad) at which the wheel's heading in plan has turned by `heading` rad from straight ahead, both + about
 * the upward axis. The heading is that of the wheel plane's trace on the ground (ISO 8855 steer angle), so it follows
 * the spin axis `spin` (unit, straight ahead). Solved by bisection to 1e-12 rad.
 */
export function axisAngleForHeading(axis: SteeringAxis, heading: number, spin: Vec3 = [0, 1, 0]): number {
  const headingAt = (angle: number): number => {
    const [x, y] = rotate(steerTurn(axis, angle).rotation, spin);
    return Math.atan2(-x, y);
  };
  const start = headingAt(0);
  let low = -Math.PI / 2;
  let high = Math.PI / 2;
  for (let i = 0; i < 60 && high - low > 1e-12; i++) {
    const middle = (low + high) / 2;
    if (headingAt(middle) - start < heading) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
