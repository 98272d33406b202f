import type { SteeringDescription } from '../motion/steering';
import { axisAngleForHeading, steeringAxis, steerSign, type Side } from '../motion/steering';
import { ProblemError } from '../problem';
import { toRadians } from '../units/angle';
import type { CornerDescription, EnvelopeKind, SetupDescription } from './description';

/** Heights of the wheel's origin in mm, + bump; `ride` is the parked position. */
export interface TravelLimits {
  readonly droop: number;
  readonly ride: number;
  readonly bump: number;
}

/** Steering locks of this wheel in rad, vehicle sense: `left` >= 0 when the vehicle steers left, `right` >= 0. */
export interface Locks {
  readonly left: number;
  readonly right: number;
}

export interface Envelope {
  readonly kind: EnvelopeKind;
  readonly limits: TravelLimits;
  readonly locks: Locks;
}

/** mm from the parked height within which the street envelope allows full lock. */
const STREET_FREE_MM = 25;

/** Share of the lock the street envelope still allows at the stop. */
const STREET_LEAST_SHARE = 0.25;

/**
 * Travel limits of a setup: -droop to bump - bump-stop extension, shifted by the limit shifts; ride at -lift.
 * @throws ProblemError when the lift hangs the wheel beyond its droop limit (or sits it on the stop), or the
 * limits pass each other.
 */
export function travelLimits(corner: CornerDescription, setup: SetupDescription, path = 'setup'): TravelLimits {
  const droop = -corner.travel.droopMm + setup.droopLimitShiftMm;
  const bump = corner.travel.bumpMm - setup.bumpStopMm + setup.bumpLimitShiftMm;
  const ride = -setup.suspensionLiftMm;
  if (!(bump > droop)) {
    throw new ProblemError({
      code: 'contradiction',
      path: `${path}.bumpStopMm`,
      expected: `a bump limit above the droop limit (${droop} mm)`,
      found: `bump limit at ${bump} mm`,
    });
  }
  if (!(ride >= droop && ride <= bump)) {
    throw new ProblemError({
      code: 'outOfRange',
      path: `${path}.suspensionLiftMm`,
      expected: `${-bump} to ${-droop} mm, so that the parked wheel stays between its stops`,
      found: `${setup.suspensionLiftMm} mm`,
    });
  }
  return { droop, ride, bump };
}

/** Locks of a wheel under a setup; a lock read as a heading is turned into an angle about the axis. */
export function steeringLocks(
  steering: SteeringDescription | undefined,
  setup: Pick<SetupDescription, 'steerStopLeftDeg' | 'steerStopRightDeg'>,
  side: Side,
): Locks {
  if (!steering) return { left: 0, right: 0 };
  const solve = (degrees: number, toward: 1 | -1): number => {
    const angle = toRadians(degrees);
    if (steering.lockMeasured !== 'heading') return angle;
    const sense = toward * steerSign(side);
    return sense * axisAngleForHeading(steeringAxis(steering), sense * angle);
  };
  return {
    left: solve(setup.steerStopLeftDeg ?? steering.lockLeftDeg, 1),
    right: solve(setup.steerStopRightDeg ?? steering.lockRightDeg, -1),
  };
}

/** Share (0..1] of the lock that the envelope allows at travel `t` mm. */
export function lockShare(envelope: Envelope, t: number): number {
  if (envelope.kind === 'trail') return 1;
  const { droop, ride, bump } = envelope.limits;
  const away = Math.abs(t - ride) - STREET_FREE_MM;
  const room = (t >= ride ? bump - ride : ride - droop) - STREET_FREE_MM;
  if (away <= 0 || room <= 0) return 1;
  return Math.max(STREET_LEAST_SHARE, 1 - 0.75 * Math.min(1, away / room));
}

/** Steer in rad (+ vehicle left) at travel `t`, for `share` from -1 (all right) to 1 (all left) of what is allowed. */
export function steerAt(envelope: Envelope, t: number, share: number): number {
  const lock = share >= 0 ? envelope.locks.left : envelope.locks.right;
  return share * lock * lockShare(envelope, t);
}
