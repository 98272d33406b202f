import { describe, expect, test } from '@jest/globals';
import { mat4, quat, vec3 } from 'gl-matrix';
import { place, toMatrix4, type Pose } from '../../1-base/geometry/pose';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { attempt } from '../../1-base/problem';
import { toDegrees, toRadians } from '../../1-base/units/angle';
import { cornerMotion, type CornerMotionInput } from './corner-motion';
import { axisAngleForHeading, steeringAxis, steerTurn, type SteeringDescription } from './steering';
import { swingArmPose, type SwingArmDescription } from './swing-arm';

const ARM: SwingArmDescription = { type: 'swingArm', frontView: { y: -900, z: -40 }, sideView: { x: -1500, z: 60 } };
const STEERING: SteeringDescription = {
  inclinationDeg: 12,
  casterDeg: 3,
  kingpinOffsetMm: 95,
  casterTrailMm: 14,
  lockLeftDeg: 35,
  lockRightDeg: 31,
};

/** Largest difference of two 4 x 4 matrices; gl-matrix stores columns. */
function difference(pose: Pose, other: mat4): number {
  return Math.max(
    ...toMatrix4(pose).flatMap((row, i) => row.map((v, j) => Math.abs(v - (other[j * 4 + i] as number)))),
  );
}

const double = (): mat4 => mat4.identity(new Float64Array(16) as unknown as mat4);

/** Independent solve: the angle about the line that brings the origin to height t, by bisection on gl-matrix turns. */
function turnToHeight(centre: Vec3, axis: Vec3, t: number, reach: number): mat4 {
  const about = (angle: number): mat4 => {
    const m = double();
    mat4.translate(m, m, centre as unknown as vec3);
    mat4.rotate(m, m, angle, axis as unknown as vec3);
    mat4.translate(m, m, [-centre[0], -centre[1], -centre[2]]);
    return m;
  };
  let low = -reach;
  let high = reach;
  const rising = (about(0.01)[14] as number) > (about(0)[14] as number);
  for (let i = 0; i < 100; i++) {
    const middle = (low + high) / 2;
    if ((about(middle)[14] as number) < t === rising) low = middle;
    else high = middle;
  }
  return about((low + high) / 2);
}

describe('swing arm against a general matrix library (gl-matrix) and bisection', () => {
  test.each([-100, -55, 0, 13, 90])('travel %s mm', (t) => {
    const front = turnToHeight([0, -900, -40], [1, 0, 0], t, 0.6);
    const side = turnToHeight([-1500, 0, 60], [0, 1, 0], t, 0.6);
    const expected = double();
    mat4.multiply(expected, side, front);
    expected[12] = side[12] as number;
    expected[13] = front[13] as number;
    expected[14] = t;
    expect(difference(swingArmPose(ARM, t), expected)).toBeLessThan(1e-9);
  });

  test('without instant centres it goes straight up', () => {
    expect(
      difference(
        swingArmPose({ type: 'swingArm', frontView: null }, 40),
        mat4.translate(double(), double(), [0, 0, 40]),
      ),
    ).toBe(0);
  });

  test('an arm shorter than the travel is refused by name', () => {
    const short: SwingArmDescription = { type: 'swingArm', frontView: { y: -60, z: 0 } };
    expect(attempt(() => swingArmPose(short, 90, 'corners.frontLeft.motion'))).toMatchObject({
      ok: false,
      problems: [{ code: 'impossiblePosture', path: 'corners.frontLeft.motion.frontView' }],
    });
  });
});

describe('steering axis against quaternions (gl-matrix)', () => {
  test.each([-31, -8, 0, 20, 35])('steer %s degrees', (degrees) => {
    const direction = vec3.normalize(vec3.create(), [-Math.tan(toRadians(3)), -Math.tan(toRadians(12)), 1]);
    const turn = quat.setAxisAngle(quat.create(), direction, toRadians(degrees));
    const pose = steerTurn(steeringAxis(STEERING), toRadians(degrees));
    for (const point of [
      [0, 0, 0],
      [100, 20, -300],
      [-250, 60, 380],
    ] as const) {
      const rotated = vec3.transformQuat(vec3.create(), [point[0] - 14, point[1] + 95, point[2]], turn);
      const mine = place(pose, point);
      // gl-matrix quaternions are single precision.
      expect(Math.hypot(mine[0] - rotated[0] - 14, mine[1] - rotated[1] + 95, mine[2] - rotated[2])).toBeLessThan(1e-3);
    }
  });

  test('a lock read as a heading is the angle whose heading it is', () => {
    const axis = steeringAxis(STEERING);
    for (const heading of [-0.6, -0.1, 0, 0.3, 0.62]) {
      // The wheel plane's trace stands across the spin axis seen in plan.
      const r = steerTurn(axis, axisAngleForHeading(axis, heading)).rotation;
      expect(Math.atan2(-r[1], r[4])).toBeCloseTo(heading, 9);
    }
  });
});

const INPUT: CornerMotionInput = {
  path: 'corners.frontLeft',
  side: 'left',
  motion: ARM,
  steering: STEERING,
  camberDeg: 0,
  toeDeg: 0,
  casterChangeDeg: 0,
  axleShiftMm: 0,
  linkageDropMm: 0,
  bodyLiftMm: 0,
};

describe('signs of the corner (ISO 8855 sense; facts of the trade: common practice, no source)', () => {
  const axleAt = (input: Partial<CornerMotionInput>, travel = 0, steerDeg = 0): Vec3 => {
    const r = cornerMotion({ ...INPUT, ...input }).wheelPose({ travel, steer: toRadians(steerDeg) }).rotation;
    return [r[1], r[4], r[7]];
  };

  test('steering left turns the front of a left wheel outboard and of a right wheel inboard', () => {
    const forward = (side: 'left' | 'right'): number =>
      cornerMotion({ ...INPUT, side }).wheelPose({ travel: 0, steer: toRadians(20) }).rotation[3];
    expect(forward('left')).toBeGreaterThan(0.3);
    expect(forward('right')).toBeLessThan(-0.3);
  });

  test('camber + leans the top out, so the spin axis points down outboard; toe + points it forward', () => {
    expect(toDegrees(Math.asin(axleAt({ camberDeg: 2 })[2]))).toBeCloseTo(-2, 9);
    expect(toDegrees(Math.asin(axleAt({ toeDeg: 1 })[0]))).toBeCloseTo(1, 9);
  });

  test('caster leans the wheel into the turn: the outer wheel gains negative camber', () => {
    const upright = { steering: { ...STEERING, inclinationDeg: 0, casterDeg: 8 } };
    // Left wheel, steering right: it is the outer one. A spin axis that rises outboard has its top inboard.
    expect(axleAt(upright, 0, -25)[2]).toBeGreaterThan(0.02);
    expect(axleAt(upright, 0, 25)[2]).toBeLessThan(-0.02);
  });

  test('an arm that points outboard from its center leans the top in as it rises', () => {
    expect(axleAt({}, 80)[2]).toBeGreaterThan(0);
    expect(axleAt({}, -80)[2]).toBeLessThan(0);
  });

  test('shifts move what they name', () => {
    const motion = cornerMotion({ ...INPUT, axleShiftMm: 20, linkageDropMm: 35, bodyLiftMm: 50 });
    const still = { travel: 0, steer: 0 };
    expect(motion.wheelPose(still).origin).toEqual([20, 0, -35]);
    expect(motion.mountPose('axle', still).origin).toEqual([20, 0, -35]);
    expect(motion.mountPose('body', still).origin).toEqual([0, 0, 50]);
    expect(motion.mountPose('frame', still).origin).toEqual([0, 0, 0]);
  });
});
