import { place, unplace, type Pose } from '../../1-base/geometry/pose';
import type { Vec3 } from '../../1-base/geometry/vec3';
import type { Posture } from '../../2-vehicle/motion/corner-motion';
import type { Carriage } from '../../2-vehicle/motion/mount';
import { SAME_GAP_MM } from '../../1-base/tolerances';
import type { PreparedCorner } from '../case/prepared-corner';
import {
  isNearGround,
  nearestOnSolid,
  solidDistance,
  type Rotor,
  type RotorPlace,
  type Solid,
} from '../../2-vehicle/setup/rotor';

/** The least gap of one obstacle, and where it is met. */
export interface LeastGap {
  /** mm, + clear, - depth of overlap. */
  readonly gapMm: number;
  readonly posture: Posture;
  /** The obstacle's place, corner frame, in that posture: on its axis or middle sheet where it has a thickness. */
  readonly at: Vec3;
  readonly across: RotorPlace;
  /** Nearest place on the section: mm outboard of the tire's centre plane, and radius. */
  readonly section: { readonly a: number; readonly r: number };
}

/** What an obstacle's gap depends on besides postures and places. */
export interface Measured {
  readonly insideWheel: boolean;
  readonly radiusMm: number;
  readonly complianceMm: number;
}

const { acos, min, sqrt } = Math;

/**
 * The solid that counts for a place at (x, z) from the spin axis: hollow for things inside the wheel; the loaded shape
 * near the ground, else the free one. `down` is vehicle-down in the wheel frame.
 */
function solidFor(rotor: Rotor, insideWheel: boolean, x: number, z: number, down: Vec3): Solid {
  if (insideWheel) return rotor.hollow;
  const cosine = (x * down[0] + z * down[2]) / (sqrt(x * x + z * z) * sqrt(down[0] * down[0] + down[2] * down[2]));
  return isNearGround(acos(min(1, cosine))) ? rotor.loaded : rotor.filled;
}

const downIn = ({ rotation }: Pose): Vec3 => [-rotation[6], -rotation[7], -rotation[8]];

/** The solid that counts for a place of an obstacle (corner frame) with the wheel at `wheel`. */
export function solidAt(rotor: Rotor, insideWheel: boolean, wheel: Pose, point: Vec3): Solid {
  const [x, , z] = unplace(wheel, point);
  return solidFor(rotor, insideWheel, x, z, downIn(wheel));
}

/** Gap (mm) between a place of an obstacle (corner frame) and the rotor carried by `wheel`. */
export function placeGap(rotor: Rotor, measured: Measured, wheel: Pose, point: Vec3): number {
  const [x, a, z] = unplace(wheel, point);
  const solid = solidFor(rotor, measured.insideWheel, x, z, downIn(wheel));
  return solidDistance(solid, a - rotor.centrePlaneMm, sqrt(x * x + z * z)) - measured.radiusMm - measured.complianceMm;
}

/**
 * The full description of a gap met in a posture at a place (mount's frame). A thing that goes with the wheel mostly keeps
 * its gap in every posture: where the parked one is no worse, that is the one named.
 */
export function describeGap(
  { rotor, motion, envelope }: Pick<PreparedCorner, 'rotor' | 'motion' | 'envelope'>,
  obstacle: Measured & { readonly mount: Carriage },
  met: Posture,
  point: Vec3,
): LeastGap {
  const parked = { travel: envelope.limits.ride, steer: 0, cross: 0 };
  const gapIn = (posture: Posture): number =>
    placeGap(rotor, obstacle, motion.wheelPose(posture), place(motion.mountPose(obstacle.mount, posture), point));
  const posture = obstacle.mount === 'knuckle' && gapIn(parked) <= gapIn(met) + SAME_GAP_MM ? parked : met;
  const wheel = motion.wheelPose(posture);
  const at = place(motion.mountPose(obstacle.mount, posture), point);
  const [x, a, z] = unplace(wheel, at);
  const solid = solidFor(rotor, obstacle.insideWheel, x, z, downIn(wheel));
  const nearest = nearestOnSolid(solid, a - rotor.centrePlaneMm, Math.hypot(x, z));
  return {
    gapMm: nearest.distance - obstacle.radiusMm - obstacle.complianceMm,
    posture,
    at,
    across: nearest.tag,
    section: { a: nearest.a, r: nearest.r },
  };
}
