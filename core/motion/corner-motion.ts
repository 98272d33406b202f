import { compose, multiply, rotationX, rotationZ, translation, turn, type Pose } from '../geometry/pose';
import { toRadians } from '../units/angle';
import { steerSign, steerTurn, steeringAxis, type Side, type SteeringDescription } from './steering';
import { swingArmPose, type SwingArmDescription } from './swing-arm';

export type MotionDescription = SwingArmDescription;

/** What moves an obstacle: fixed to the body or the frame, or carried with the wheel. */
export type Mount = 'body' | 'frame' | 'axle' | 'knuckle';

/** A posture: travel in mm (+ bump), steer in rad, vehicle sense (+ = left). */
export interface Posture {
  readonly travel: number;
  readonly steer: number;
}

export interface CornerMotionInput {
  /** Document path of the motion, for problems. */
  readonly path: string;
  readonly side: Side;
  readonly motion: MotionDescription;
  readonly steering?: SteeringDescription | undefined;
  /** + = top outboard. */
  readonly camberDeg: number;
  /** + = in. */
  readonly toeDeg: number;
  readonly casterChangeDeg: number;
  /** mm the wheel, knuckle and axle-mounted things sit forward of the survey. */
  readonly axleShiftMm: number;
  /** mm the linkage and wheel sit below the survey. */
  readonly linkageDropMm: number;
  /** mm body-mounted things sit above the survey. */
  readonly bodyLiftMm: number;
}

/** Where the wheel and the mounts are in each posture; all poses map to the corner frame, mm. */
export interface CornerMotion {
  /** Wheel frame: origin at the hub face, y along the spin axis outboard; spacer and offset not included. */
  wheelPose(posture: Posture): Pose;
  /** Frame in which an obstacle of this mount was stored at survey (travel 0, straight ahead: the corner frame). */
  mountPose(mount: Mount, posture: Posture): Pose;
}

/** Static camber and toe of the wheel in the knuckle: Rz(-toe) Rx(-camber). */
export const staticAlignment = (camberDeg: number, toeDeg: number): Pose =>
  turn(multiply(rotationZ(-toRadians(toeDeg)), rotationX(-toRadians(camberDeg))));

export function cornerMotion(input: CornerMotionInput): CornerMotion {
  const sign = steerSign(input.side);
  const axis = input.steering ? steeringAxis(input.steering, input.casterChangeDeg) : null;
  const alignment = staticAlignment(input.camberDeg, input.toeDeg);
  const shift = translation([input.axleShiftMm, 0, -input.linkageDropMm]);
  const bodyPose = translation([0, 0, input.bodyLiftMm]);
  const framePose = translation([0, 0, 0]);

  const carrierPose = (travel: number): Pose => compose(shift, swingArmPose(input.motion, travel, input.path));
  const knucklePose = ({ travel, steer }: Posture): Pose =>
    axis ? compose(carrierPose(travel), steerTurn(axis, sign * steer)) : carrierPose(travel);

  return {
    wheelPose: (posture) => compose(knucklePose(posture), alignment),
    mountPose(mount, posture) {
      switch (mount) {
        case 'body':
          return bodyPose;
        case 'frame':
          return framePose;
        case 'axle':
          return carrierPose(posture.travel);
        case 'knuckle':
          return knucklePose(posture);
      }
    },
  };
}
