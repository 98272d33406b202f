import { place, rotate, type Pose } from '../../1-base/geometry/pose';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { solvedAngle, type Carrier, type CarrierState } from './carrier';
import { requireApart } from './double-wishbone';
import { HeightSolver } from './height-solver';
import { TurningPoint } from './knuckle';
import type { SteeringAxis } from './steering';

/** The arm's pivots in the corner frame at the surveyed ride height, mm; a slanted line is a semi-trailing arm. */
export interface TrailingArmPoints {
  readonly pivotInner: Vec3;
  readonly pivotOuter: Vec3;
}

/** Trailing arm: hub and arm turn as one about the line of the pivots. @throws ProblemError for pivots in one place. */
export function trailingArmCarrier(points: TrailingArmPoints, axis: SteeringAxis | null, path: string): Carrier {
  requireApart(points.pivotInner, points.pivotOuter, `${path}.points.pivotOuter`, 'the pivots');
  const hub = new TurningPoint(points.pivotInner, points.pivotOuter, [0, 0, 0]);
  const heights = new HeightSolver((angle) => hub.at(angle)[2]);
  return {
    crossArticulates: false,
    state(travel): CarrierState {
      const arm = hub.pose(solvedAngle(heights.angleFor(travel), travel, path));
      return { knuckle: arm, axis: carriedAxis(arm, axis), axle: arm, upperArm: null, lowerArm: arm };
    },
  };
}

/** A steering axis known at survey, where the carrier has taken it. */
export const carriedAxis = (carrier: Pose, axis: SteeringAxis | null): SteeringAxis | null =>
  axis && { point: place(carrier, axis.point), direction: rotate(carrier.rotation, axis.direction) };
