import { multiply, rotate, rotationAbout, rotationBetween, type Pose } from '../../1-base/geometry/pose';
import { cosSinBranch, cosSinBranchRoot, cosSinRoot, type Branch } from '../../1-base/geometry/trig';
import { cross, dot, normalize, subtract, type Vec3 } from '../../1-base/geometry/vec3';

/**
 * Pose of a knuckle held by two joints: `lower` and `upper` are where they are now, `lowerHome` and `upperHome`
 * their places in the knuckle (corner frame at survey); both pairs equally far apart. What is left, the turn about the
 * line of the joints, is set so that `spin` (unit, at survey) keeps its heading in plan. Null when no turn does.
 */
export function knuckleKeepingHeading(
  lower: Vec3,
  upper: Vec3,
  lowerHome: Vec3,
  upperHome: Vec3,
  spin: Vec3,
): Pose | null {
  const axis = normalize(subtract(upper, lower));
  const swung = rotationBetween(normalize(subtract(upperHome, lowerHome)), axis);
  // Across the heading, level: the turned spin axis must have no part along it.
  const across = normalize([spin[1], -spin[0], 0]);
  const v = rotate(swung, spin);
  const along = dot(across, axis) * dot(axis, v);
  const turn = cosSinRoot(dot(across, v) - along, dot(across, cross(axis, v)), -along);
  if (!Number.isFinite(turn)) return null;
  const rotation = multiply(rotationAbout(axis, turn), swung);
  return { rotation, origin: subtract(lower, rotate(rotation, lowerHome)) };
}

/** A point turning about the line through two pivots: `at(angle)`, at its surveyed place for angle 0. */
export class TurningPoint {
  readonly centre: Vec3;
  readonly axis: Vec3;
  readonly #across: Vec3;
  readonly #ahead: Vec3;

  constructor(frontPivot: Vec3, rearPivot: Vec3, point: Vec3) {
    this.axis = normalize(subtract(frontPivot, rearPivot));
    const arm = subtract(point, rearPivot);
    const foot = dot(arm, this.axis);
    this.centre = [
      rearPivot[0] + this.axis[0] * foot,
      rearPivot[1] + this.axis[1] * foot,
      rearPivot[2] + this.axis[2] * foot,
    ];
    this.#across = subtract(point, this.centre);
    this.#ahead = cross(this.axis, this.#across);
  }

  at(angle: number): Vec3 {
    const c = Math.cos(angle);
    const s = Math.sin(angle);
    const [u, v, o] = [this.#across, this.#ahead, this.centre];
    return [o[0] + u[0] * c + v[0] * s, o[1] + u[1] * c + v[1] * s, o[2] + u[2] * c + v[2] * s];
  }

  /** Of the two angles at which the point is a given way from `other`, which is the one it is at now (angle 0). */
  branchFrom(other: Vec3): Branch {
    const d = subtract(this.centre, other);
    return cosSinBranch(dot(d, this.#across), dot(d, this.#ahead), 0);
  }

  /** Angle on that branch at which the point is `distanceMm` from `other`; NaN when it never is. */
  angleAtDistance(other: Vec3, distanceMm: number, branch: Branch): number {
    const d = subtract(this.centre, other);
    const rest = (distanceMm * distanceMm - dot(d, d) - dot(this.#across, this.#across)) / 2;
    return cosSinBranchRoot(dot(d, this.#across), dot(d, this.#ahead), rest, branch);
  }

  /** The arm's pose at `angle`: a turn about its pivots. */
  pose(angle: number): Pose {
    const rotation = rotationAbout(this.axis, angle);
    return { rotation, origin: subtract(this.centre, rotate(rotation, this.centre)) };
  }
}
