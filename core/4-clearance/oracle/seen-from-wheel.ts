import { unplace, type Pose } from '../../1-base/geometry/pose';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { COS_NEAR_GROUND, solidDistance, type Rotor } from '../../2-vehicle/setup/rotor';
import type { Measured } from './posture-gap';

/**
 * Numbers of a mount seen from the wheel: mount frame to wheel frame as three rows of four (rotation, then mm), then
 * vehicle-down in the wheel plane (x, z), a unit vector there.
 */
export const SEEN_NUMBERS = 14;
export const DOWN = 12;

const { sqrt } = Math;

/** A mount seen from the wheel in one posture, into `out` from `at`. */
export function seenFromWheel(wheel: Pose, mount: Pose, out: Float64Array, at = 0): void {
  const w = wheel.rotation;
  const m = mount.rotation;
  const origin = unplace(wheel, mount.origin);
  for (let i = 0; i < 3; i++) {
    for (let j = 0; j < 3; j++) {
      out[at + 4 * i + j] = w[i]! * m[j]! + w[i + 3]! * m[j + 3]! + w[i + 6]! * m[j + 6]!;
    }
    out[at + 4 * i + 3] = origin[i]!;
  }
  const upright = sqrt(w[6] * w[6] + w[8] * w[8]);
  out[at + DOWN] = -w[6] / upright;
  out[at + DOWN + 1] = -w[8] / upright;
}

/** As `placeGap` (mm), of a place in the mount's frame with the mount as it is seen: for many places in one posture. */
export function gapSeen(rotor: Rotor, measured: Measured, seen: Float64Array, [px, py, pz]: Vec3): number {
  const x = seen[0]! * px + seen[1]! * py + seen[2]! * pz + seen[3]!;
  const a = seen[4]! * px + seen[5]! * py + seen[6]! * pz + seen[7]!;
  const z = seen[8]! * px + seen[9]! * py + seen[10]! * pz + seen[11]!;
  const r = sqrt(x * x + z * z);
  const free = measured.insideWheel ? rotor.hollow : rotor.filled;
  const isLoaded = !measured.insideWheel && x * seen[DOWN]! + z * seen[DOWN + 1]! >= r * COS_NEAR_GROUND;
  const gap = solidDistance(isLoaded ? rotor.loaded : free, a - rotor.centrePlaneMm, r);
  return gap - measured.radiusMm - measured.complianceMm;
}
