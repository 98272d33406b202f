import type { Pose } from '../../1-base/geometry/pose';
import { ProblemError } from '../../1-base/problem';
import type { HeightAnswer } from './height-solver';
import type { SteeringAxis } from './steering';

/**
 * A corner's suspension at one height, before it is steered. Poses carry a place from the survey (ride height,
 * straight ahead, corner frame, mm) to where it is now.
 */
export interface CarrierState {
  /** Knuckle at zero steer. */
  readonly knuckle: Pose;
  /** Steering axis now, corner frame; null where the wheel does not steer. */
  readonly axis: SteeringAxis | null;
  /** What moves up and down with the wheel but does not steer; the whole axle on a beam axle. */
  readonly axle: Pose;
  readonly upperArm: Pose | null;
  readonly lowerArm: Pose | null;
  /** Arms of a linkage that nobody measured: good for where a thing on them goes, not for the angles of their joints. */
  readonly armsStandIn?: true;
}

/** One suspension's motion: where everything is at a travel (mm) and a cross-articulation (other wheel's less this). */
export interface Carrier {
  /** Whether the other wheel's height matters (beam axle). */
  readonly crossArticulates: boolean;
  /** @throws ProblemError `impossiblePosture` with the travel at which the linkage locks. */
  state(travel: number, cross: number): CarrierState;
}

/** The angle of a height solve. @throws ProblemError naming the travel at which the linkage locks. */
export function solvedAngle(answer: HeightAnswer, travel: number, path: string): number {
  if (answer.status === 'solved') return answer.angle;
  throw new ProblemError({
    code: 'impossiblePosture',
    path,
    expected: `a linkage that reaches ${travel.toFixed(1)} mm of travel`,
    found: `one that locks at ${answer.travel.toFixed(1)} mm`,
  });
}
