import {
  compose,
  multiply,
  place,
  rotate,
  rotationX,
  rotationZ,
  translation,
  turn,
  type Pose,
} from '../../1-base/geometry/pose';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { joinPath, ProblemError } from '../../1-base/problem';
import { toRadians } from '../../1-base/units/angle';
import { beamAxleCarrier } from './beam-axle';
import type { Carrier, CarrierState } from './carrier';
import { doubleWishboneCarrier } from './double-wishbone';
import { doubleWishboneFromTape, macphersonStrutFromTape, trailingArmFromTape } from './from-tape';
import { macphersonStrutCarrier } from './macpherson-strut';
import type { ByPointsOrTape, MotionDescription } from './motion-description';
import type { Carriage } from './mount';
import {
  axisAngleForHeading,
  steeringAxis,
  steerSign,
  steerTurn,
  type Side,
  type SteeringAxis,
  type SteeringDescription,
} from './steering';
import { swingArmPose, swungArmPose } from './swing-arm';
import { angleForRack, makeTieRod, rackFor, setStraight, tieRodPose, type TieRod } from './tie-rod';
import { carriedAxis, trailingArmCarrier } from './trailing-arm';

/** A posture: travel in mm (+ bump); steer in rad, vehicle sense (+ = left); the other wheel's travel less this one's. */
export interface Posture {
  readonly travel: number;
  readonly steer: number;
  /** mm; 0 by default; matters on a beam axle only. */
  readonly cross?: number | undefined;
}

/** Steering locks of this wheel in rad, vehicle sense: `left` >= 0 when the vehicle steers left, `right` >= 0. */
export interface Locks {
  readonly left: number;
  readonly right: number;
}

export interface SteeringStops {
  readonly steerStopLeftDeg?: number | undefined;
  readonly steerStopRightDeg?: number | undefined;
}

export interface CornerMotionInput {
  /** Document path of the corner, for problems. */
  readonly path: string;
  readonly side: Side;
  readonly motion: MotionDescription;
  readonly steering?: SteeringDescription | undefined;
  /** Replace the surveyed locks. */
  readonly stops?: SteeringStops | undefined;
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
  /** mm the strut's upper mount sits below the survey. */
  readonly strutTopDropMm?: number | undefined;
  /** mm the hub sits lower on its knuckle. */
  readonly hubDropMm?: number | undefined;
  /** mm the frame ends of a beam axle's arms sit below the survey. */
  readonly armDropMm?: number | undefined;
  /** Travel (mm) at which the tie rod was set so that the wheel stands straight; left out: as surveyed. */
  readonly rodSetAtMm?: number | undefined;
}

/** Where the wheel and the mounts are in each posture; all poses map to the corner frame, mm. */
export interface CornerMotion {
  readonly side: Side;
  /** Whether the other wheel's height matters. */
  readonly crossArticulates: boolean;
  /** The suspension at a height; poses below are cheap once it is known. @throws ProblemError where it locks. */
  carrierAt(travel: number, cross: number): CarrierState;
  /** Locks at that height: constant, or what the rack's ends give when a tie rod is known. */
  locksAt(state: CarrierState): Locks;
  /** Wheel frame: origin at the hub face, y along the spin axis outboard; spacer and offset not included. */
  wheelFrom(state: CarrierState, steer: number): Pose;
  /** Steer (rad, + = vehicle left) that the tie rod gives with the rack at its middle: bump steer; 0 without a rod. */
  straightSteer(state: CarrierState): number;
  /** The line about which the wheel is steered at that height, + = vehicle left; null where it does not steer. */
  steerLine(state: CarrierState): SteeringAxis | null;
  /** Frame in which an obstacle of this mount was stored at survey (travel 0, straight ahead: the corner frame). */
  mountFrom(state: CarrierState, mount: Carriage, steer: number): Pose;
  wheelPose(posture: Posture): Pose;
  mountPose(mount: Carriage, posture: Posture): Pose;
}

/** Static camber and toe of the wheel in the knuckle: Rz(-toe) Rx(-camber). */
export const staticAlignment = (camberDeg: number, toeDeg: number): Pose =>
  turn(multiply(rotationZ(-toRadians(toeDeg)), rotationX(-toRadians(camberDeg))));

const IDENTITY = translation([0, 0, 0]);

/** @throws ProblemError for a linkage that cannot be, missing or zero locks, a missing steering axis. */
export function cornerMotion(input: CornerMotionInput): CornerMotion {
  const { steering, path } = input;
  const sign = steerSign(input.side);
  const alignment = staticAlignment(input.camberDeg, input.toeDeg);
  const spin = rotate(alignment.rotation, [0, 1, 0]);
  const { carrier, tieRod: surveyedRod } = makeCarrier(input, spin);
  const home = carrier.state(0, 0);
  const locks = surveyedLocks(input, home.axis, spin, sign);
  const tieRod =
    surveyedRod && input.rodSetAtMm !== undefined
      ? setStraight(surveyedRod, carrier.state(input.rodSetAtMm, 0))
      : surveyedRod;
  const rack =
    surveyedRod && tieRod && home.axis && steering
      ? rackEnds({ surveyed: surveyedRod, now: tieRod }, home, home.axis, locks, sign, path)
      : null;

  const linkageShift = translation([0, 0, -input.linkageDropMm]);
  const wheelShift = translation([input.axleShiftMm, 0, -input.linkageDropMm]);
  const bodyPose = translation([0, 0, input.bodyLiftMm]);
  const shifted = input.axleShiftMm !== 0 || input.linkageDropMm !== 0;
  const move = (shift: Pose, pose: Pose): Pose => (shifted ? compose(shift, pose) : pose);

  const knuckleFrom = (state: CarrierState, steer: number): Pose =>
    state.axis ? compose(steerTurn(state.axis, sign * steer), state.knuckle) : state.knuckle;

  const hubOnKnuckle = translation([0, 0, -(input.hubDropMm ?? 0)]);
  const hubFrom = (state: CarrierState, steer: number): Pose =>
    input.hubDropMm ? compose(knuckleFrom(state, steer), hubOnKnuckle) : knuckleFrom(state, steer);

  const mountFrom = (state: CarrierState, mount: Carriage, steer: number): Pose => {
    switch (mount) {
      case 'body':
        return bodyPose;
      case 'frame':
        return IDENTITY;
      case 'axle':
        return move(wheelShift, state.axle);
      case 'knuckle':
        return move(wheelShift, knuckleFrom(state, steer));
      case 'hub':
        return move(wheelShift, hubFrom(state, steer));
      case 'upperArm':
        return move(linkageShift, state.upperArm ?? absent(mount));
      case 'lowerArm':
        return move(linkageShift, state.lowerArm ?? absent(mount));
      case 'tieRod':
        if (!tieRod || !state.axis) return absent(mount);
        return move(linkageShift, tieRodPose(tieRod, state, state.axis, sign * steer));
    }
  };
  const absent = (mount: Carriage): never => {
    throw new ProblemError({
      code: 'missing',
      path: joinPath(path, 'motion'),
      expected:
        mount === 'tieRod'
          ? 'tieRodInner and tieRodOuter, as something is mounted on the rod'
          : `a motion with an ${mount}`,
      found: input.motion.type,
    });
  };
  const wheelFrom = (state: CarrierState, steer: number): Pose =>
    move(wheelShift, compose(hubFrom(state, steer), alignment));

  return {
    side: input.side,
    crossArticulates: carrier.crossArticulates,
    carrierAt: (travel, cross) => carrier.state(travel, cross),
    locksAt: (state) => (rack && state.axis ? rack.locksAt(state, state.axis) : locks),
    wheelFrom,
    straightSteer: (state) => (tieRod && state.axis ? sign * angleForRack(tieRod, state, state.axis, 0, 0) : 0),
    steerLine: ({ axis }) =>
      axis && {
        point: place(wheelShift, axis.point),
        direction: [sign * axis.direction[0], sign * axis.direction[1], sign * axis.direction[2]],
      },
    mountFrom,
    wheelPose: ({ travel, steer, cross = 0 }) => wheelFrom(carrier.state(travel, cross), steer),
    mountPose: (mount, { travel, steer, cross = 0 }) => mountFrom(carrier.state(travel, cross), mount, steer),
  };
}

function makeCarrier(input: CornerMotionInput, spin: Vec3): { carrier: Carrier; tieRod: TieRod | null } {
  const { motion, steering, casterChangeDeg } = input;
  const path = joinPath(input.path, 'motion');
  const entered = (): SteeringAxis | null =>
    steering ? steeringAxis(steering, casterChangeDeg, joinPath(input.path, 'steering')) : null;
  switch (motion.type) {
    case 'swingArm': {
      const axis = entered();
      const state = (travel: number): CarrierState => {
        const knuckle = swingArmPose(motion, travel, path);
        return {
          knuckle,
          axis: carriedAxis(knuckle, axis),
          axle: knuckle,
          upperArm: swungArmPose(motion, 'upper', knuckle),
          lowerArm: swungArmPose(motion, 'lower', knuckle),
          armsStandIn: true,
        };
      };
      return { carrier: { crossArticulates: false, state }, tieRod: null };
    }
    case 'doubleWishbone': {
      const points = pointsOf(motion, doubleWishboneFromTape, path);
      return {
        carrier: unsteered(doubleWishboneCarrier(points, spin, casterChangeDeg, path), steering),
        tieRod: rodOf(points, path),
      };
    }
    case 'macphersonStrut': {
      const points = pointsOf(motion, macphersonStrutFromTape, path);
      return {
        carrier: unsteered(macphersonStrutCarrier(points, spin, casterChangeDeg, path, input.strutTopDropMm), steering),
        tieRod: rodOf(points, path),
      };
    }
    case 'trailingArm':
      return {
        carrier: trailingArmCarrier(pointsOf(motion, trailingArmFromTape, path), entered(), path),
        tieRod: null,
      };
    case 'beamAxle':
      return { carrier: beamAxleCarrier(motion, entered(), path, input.armDropMm), tieRod: null };
  }
}

/** Hard points as given or from tape. @throws ProblemError when neither or both are there. */
function pointsOf<Points, Tape>(
  motion: ByPointsOrTape<string, Points, Tape>,
  fromTape: (tape: Tape) => Points,
  path: string,
): Points {
  if (motion.points !== undefined && motion.tape === undefined) return motion.points;
  if (motion.tape !== undefined && motion.points === undefined) return fromTape(motion.tape);
  const both = motion.points !== undefined;
  throw new ProblemError({
    code: both ? 'contradiction' : 'missing',
    path: joinPath(path, both ? 'tape' : 'points'),
    expected: 'points or tape measurements, one of the two',
    found: both ? 'both' : 'neither',
  });
}

function rodOf(
  points: { readonly tieRodInner?: Vec3 | undefined; readonly tieRodOuter?: Vec3 | undefined },
  path: string,
): TieRod | null {
  const { tieRodInner, tieRodOuter } = points;
  if (tieRodInner && tieRodOuter) return makeTieRod(tieRodInner, tieRodOuter);
  if (!tieRodInner && !tieRodOuter) return null;
  throw new ProblemError({
    code: 'missing',
    path: `${path}.points.${tieRodInner ? 'tieRodOuter' : 'tieRodInner'}`,
    expected: 'both ends of the tie rod, or neither',
    found: 'one',
  });
}

/** A linkage without locks does not steer, whatever its ball joints could do. */
function unsteered(carrier: Carrier, steering: SteeringDescription | undefined): Carrier {
  if (steering) return carrier;
  return { ...carrier, state: (travel, cross) => ({ ...carrier.state(travel, cross), axis: null }) };
}

function surveyedLocks(input: CornerMotionInput, axis: SteeringAxis | null, spin: Vec3, sign: 1 | -1): Locks {
  const { steering, stops, path } = input;
  if (!steering || !axis) return { left: 0, right: 0 };
  const solve = (lockDeg: number, stopDeg: number | undefined, key: string, toward: 1 | -1): number => {
    if (!(lockDeg > 0)) {
      throw new ProblemError({
        code: 'outOfRange',
        path: joinPath(joinPath(path, 'steering'), key),
        expected: 'a lock angle above 0 degrees (leave steering out for a wheel that does not steer)',
        found: String(lockDeg),
      });
    }
    const angle = toRadians(stopDeg ?? lockDeg);
    if (steering.lockMeasured !== 'heading') return angle;
    const sense = toward * sign;
    return sense * axisAngleForHeading(axis, sense * angle, spin);
  };
  return {
    left: solve(steering.lockLeftDeg, stops?.steerStopLeftDeg, 'lockLeftDeg', 1),
    right: solve(steering.lockRightDeg, stops?.steerStopRightDeg, 'lockRightDeg', -1),
  };
}

/** The rack travels of the two locks at survey height, and what they give at another height. */
function rackEnds(
  { surveyed, now: rod }: { readonly surveyed: TieRod; readonly now: TieRod },
  home: CarrierState,
  homeAxis: SteeringAxis,
  locks: Locks,
  sign: 1 | -1,
  path: string,
): { locksAt(state: CarrierState, axis: SteeringAxis): Locks } {
  // Where the rack ends does not change with the rod's length.
  const atLeft = rackFor(surveyed, home, homeAxis, sign * locks.left);
  const atRight = rackFor(surveyed, home, homeAxis, -sign * locks.right);
  const check = (value: number, what: string, key: string): number => {
    if (Number.isFinite(value)) return value;
    throw new ProblemError({
      code: 'impossiblePosture',
      path: joinPath(path, key),
      expected: `a tie rod (${rod.lengthMm.toFixed(0)} mm) that reaches ${what}`,
      found: 'one that goes over center or is too short',
    });
  };
  check(atLeft, 'full left lock', 'steering.lockLeftDeg');
  check(atRight, 'full right lock', 'steering.lockRightDeg');
  return {
    locksAt(state, axis) {
      const left = sign * angleForRack(rod, state, axis, atLeft, sign * locks.left);
      const right = -sign * angleForRack(rod, state, axis, atRight, -sign * locks.right);
      const at = `both locks at ${place(state.knuckle, [0, 0, 0])[2].toFixed(0)} mm of travel`;
      return {
        left: check(left, at, 'motion.points.tieRodOuter'),
        right: check(right, at, 'motion.points.tieRodOuter'),
      };
    },
  };
}
