import type { Pose } from '../../1-base/geometry/pose';
import { add, distance, dot, normalize, scale, subtract, type Vec3 } from '../../1-base/geometry/vec3';
import { solvedAngle, type Carrier, type CarrierState } from './carrier';
import { requireApart, withCaster } from './double-wishbone';
import { HeightSolver } from './height-solver';
import { knuckleKeepingHeading, TurningPoint } from './knuckle';

/** Hard points in the corner frame at the surveyed ride height, mm. Tie-rod ends: both or neither. */
export interface MacphersonStrutPoints {
  /** Centre of the upper mount. */
  readonly strutTop: Vec3;
  /** A place on the strut's sliding axis, low on the knuckle; absent: the axis runs through the ball joint. */
  readonly strutLower?: Vec3 | undefined;
  readonly lcaFrontPivot: Vec3;
  readonly lcaRearPivot: Vec3;
  readonly lowerBallJoint: Vec3;
  readonly tieRodInner?: Vec3 | undefined;
  readonly tieRodOuter?: Vec3 | undefined;
}

/**
 * MacPherson strut: the lower ball joint turns with its arm; the sliding axis, fixed in the knuckle, always runs
 * through the upper mount. The steering axis is the line from the ball joint to the mount. `topDropMm`: the mount sits that much lower than
 * at the survey (a spacer on the strut), so that knuckle and axis lean otherwise at each height.
 * @throws ProblemError for points that make no linkage.
 */
export function macphersonStrutCarrier(
  given: MacphersonStrutPoints,
  spin: Vec3,
  casterChangeDeg: number,
  path: string,
  topDropMm = 0,
): Carrier {
  requireApart(given.lcaFrontPivot, given.lcaRearPivot, `${path}.points.lcaRearPivot`, 'the arm pivots');
  requireApart(given.strutTop, given.lowerBallJoint, `${path}.points.strutTop`, 'strut top and ball joint');
  const [dx, , dz] = subtract(given.strutTop, given.lowerBallJoint);
  const top = withCaster(given.strutTop, dx / dz, casterChangeDeg);
  const jointHome = withCaster(given.lowerBallJoint, dx / dz, casterChangeDeg);
  const slideFrom = given.strutLower ?? jointHome;
  requireApart(top, slideFrom, `${path}.points.strutLower`, 'the ends of the strut');
  const slide = normalize(subtract(top, slideFrom));
  const joint = new TurningPoint(given.lcaFrontPivot, given.lcaRearPivot, jointHome);

  // In the knuckle the mount lies on the sliding axis, as far from the ball joint as it is now.
  const fromSlide = subtract(jointHome, slideFrom);
  const foot = dot(fromSlide, slide);
  const besideSquared = dot(fromSlide, fromSlide) - foot * foot;
  const mountInKnuckle = (apart: number): Vec3 =>
    add(slideFrom, scale(slide, foot + Math.sqrt(apart * apart - besideSquared)));

  const topNow = subtract(top, [0, 0, topDropMm]);
  const knuckleAt = (angle: number): Pose | null => {
    const below = joint.at(angle);
    const mount = mountInKnuckle(distance(topNow, below));
    if (!Number.isFinite(mount[0])) return null;
    return knuckleKeepingHeading(below, topNow, jointHome, mount, spin);
  };
  const heights = new HeightSolver((angle) => knuckleAt(angle)?.origin[2] ?? Number.NaN);

  return {
    crossArticulates: false,
    state(travel): CarrierState {
      const angle = solvedAngle(heights.angleFor(travel), travel, path);
      const knuckle = knuckleAt(angle) as Pose;
      const below = joint.at(angle);
      return {
        knuckle,
        axis: { point: below, direction: normalize(subtract(topNow, below)) },
        axle: knuckle,
        upperArm: null,
        lowerArm: joint.pose(angle),
      };
    },
  };
}
