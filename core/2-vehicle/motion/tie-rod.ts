import { place, rotationBetween, rotate, type Pose } from '../../1-base/geometry/pose';
import { cosSinRoot } from '../../1-base/geometry/trig';
import { cross, distance, dot, normalize, subtract, type Vec3 } from '../../1-base/geometry/vec3';
import type { CarrierState } from './carrier';
import { steerTurn, type SteeringAxis } from './steering';

/** A tie rod from a rack that slides across the vehicle; corner frame at survey, mm. */
export interface TieRod {
  readonly inner: Vec3;
  readonly outer: Vec3;
  readonly lengthMm: number;
}

export const makeTieRod = (inner: Vec3, outer: Vec3): TieRod => ({
  inner,
  outer,
  lengthMm: distance(inner, outer),
});

/** The rod set to the length that holds a wheel straight at this height with the rack at its middle. */
export const setStraight = (rod: TieRod, state: CarrierState): TieRod => ({
  ...rod,
  lengthMm: distance(rod.inner, place(state.knuckle, rod.outer)),
});

/** The rod's outer end on the knuckle, turned by `angle` (rad, + about the upward axis). */
const outerEnd = (rod: TieRod, state: CarrierState, axis: SteeringAxis, angle: number): Vec3 =>
  place(steerTurn(axis, angle), place(state.knuckle, rod.outer));

/** Rack travel (mm, + outboard for this corner) at which the knuckle stands at `angle`; NaN when the rod is too short. */
export function rackFor(rod: TieRod, state: CarrierState, axis: SteeringAxis, angle: number): number {
  const outer = outerEnd(rod, state, axis, angle);
  const [dx, dy, dz] = subtract(outer, rod.inner);
  const reach = rod.lengthMm * rod.lengthMm - dx * dx - dz * dz;
  const sense = rod.outer[1] >= rod.inner[1] ? 1 : -1;
  return dy - sense * Math.sqrt(reach);
}

/** Knuckle angle (rad) nearest to `near` that a rack travel gives; NaN when the rod does not reach. */
export function angleForRack(
  rod: TieRod,
  state: CarrierState,
  axis: SteeringAxis,
  rackMm: number,
  near: number,
): number {
  const inner: Vec3 = [rod.inner[0], rod.inner[1] + rackMm, rod.inner[2]];
  const fromAxis = subtract(place(state.knuckle, rod.outer), axis.point);
  const toInner = subtract(inner, axis.point);
  const up = dot(fromAxis, axis.direction);
  const across: Vec3 = subtract(fromAxis, [axis.direction[0] * up, axis.direction[1] * up, axis.direction[2] * up]);
  const ahead = cross(axis.direction, across);
  const rest =
    (dot(fromAxis, fromAxis) + dot(toInner, toInner) - rod.lengthMm * rod.lengthMm) / 2 -
    up * dot(axis.direction, toInner);
  return cosSinRoot(dot(across, toInner), dot(ahead, toInner), rest, near);
}

/** Pose of the rod: its ends go where they must, without turning about its own length. */
export function tieRodPose(rod: TieRod, state: CarrierState, axis: SteeringAxis, angle: number): Pose {
  const outer = outerEnd(rod, state, axis, angle);
  const rack = rackFor(rod, state, axis, angle);
  const inner: Vec3 = [rod.inner[0], rod.inner[1] + rack, rod.inner[2]];
  const rotation = rotationBetween(normalize(subtract(rod.outer, rod.inner)), normalize(subtract(outer, inner)));
  return { rotation, origin: subtract(inner, rotate(rotation, rod.inner)) };
}
