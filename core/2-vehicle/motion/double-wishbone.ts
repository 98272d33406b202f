import type { Pose } from '../../1-base/geometry/pose';
import { distance, normalize, subtract, type Vec3 } from '../../1-base/geometry/vec3';
import { ProblemError } from '../../1-base/problem';
import { toRadians } from '../../1-base/units/angle';
import { solvedAngle, type Carrier, type CarrierState } from './carrier';
import { HeightSolver } from './height-solver';
import { knuckleKeepingHeading, TurningPoint } from './knuckle';

/** Hard points in the corner frame at the surveyed ride height, mm. Tie-rod ends: both or neither. */
export interface DoubleWishbonePoints {
  readonly ucaFrontPivot: Vec3;
  readonly ucaRearPivot: Vec3;
  readonly upperBallJoint: Vec3;
  readonly lcaFrontPivot: Vec3;
  readonly lcaRearPivot: Vec3;
  readonly lowerBallJoint: Vec3;
  readonly tieRodInner?: Vec3 | undefined;
  readonly tieRodOuter?: Vec3 | undefined;
}

/** mm: pivots or joints closer than this make no axis. */
const LEAST_SPAN_MM = 20;

/** @throws ProblemError when two points that must stand apart do not. */
export function requireApart(a: Vec3, b: Vec3, path: string, what: string): void {
  const apart = distance(a, b);
  if (apart >= LEAST_SPAN_MM) return;
  throw new ProblemError({
    code: 'contradiction',
    path,
    expected: `${what} at least ${LEAST_SPAN_MM} mm apart`,
    found: `${apart.toFixed(1)} mm`,
  });
}

/**
 * Joint moved fore or aft so that the steering axis leans `changeDeg` further back about its place at hub height.
 * `lean` is (x over z) of the axis now.
 */
export function withCaster(joint: Vec3, lean: number, changeDeg: number): Vec3 {
  const caster = Math.atan(-lean);
  return [joint[0] - joint[2] * (Math.tan(caster + toRadians(changeDeg)) - Math.tan(caster)), joint[1], joint[2]];
}

/**
 * Double wishbone: the lower arm turns about its pivots, the upper ball joint keeps its distance on its own arm, and
 * the knuckle between them keeps the spin axis' heading (steering comes after). `spin` is the spin axis at survey.
 * @throws ProblemError for points that make no linkage.
 */
export function doubleWishboneCarrier(
  given: DoubleWishbonePoints,
  spin: Vec3,
  casterChangeDeg: number,
  path: string,
): Carrier {
  requireApart(given.lcaFrontPivot, given.lcaRearPivot, `${path}.points.lcaRearPivot`, 'the lower pivots');
  requireApart(given.ucaFrontPivot, given.ucaRearPivot, `${path}.points.ucaRearPivot`, 'the upper pivots');
  requireApart(given.upperBallJoint, given.lowerBallJoint, `${path}.points.upperBallJoint`, 'the ball joints');
  const [dx, , dz] = subtract(given.upperBallJoint, given.lowerBallJoint);
  const upperHome = withCaster(given.upperBallJoint, dx / dz, casterChangeDeg);
  const lowerHome = withCaster(given.lowerBallJoint, dx / dz, casterChangeDeg);
  const lower = new TurningPoint(given.lcaFrontPivot, given.lcaRearPivot, lowerHome);
  const upper = new TurningPoint(given.ucaFrontPivot, given.ucaRearPivot, upperHome);
  const apart = distance(lowerHome, upperHome);
  const branch = upper.branchFrom(lowerHome);

  const knuckleAt = (angle: number): Pose | null => {
    const below = lower.at(angle);
    const turn = upper.angleAtDistance(below, apart, branch);
    if (!Number.isFinite(turn)) return null;
    return knuckleKeepingHeading(below, upper.at(turn), lowerHome, upperHome, spin);
  };
  const heights = new HeightSolver((angle) => knuckleAt(angle)?.origin[2] ?? Number.NaN);

  return {
    crossArticulates: false,
    state(travel): CarrierState {
      const angle = solvedAngle(heights.angleFor(travel), travel, path);
      const knuckle = knuckleAt(angle) as Pose;
      const below = lower.at(angle);
      const turn = upper.angleAtDistance(below, apart, branch);
      return {
        knuckle,
        axis: { point: below, direction: normalize(subtract(upper.at(turn), below)) },
        axle: knuckle,
        upperArm: upper.pose(turn),
        lowerArm: lower.pose(angle),
      };
    },
  };
}
