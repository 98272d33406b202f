import type { PreparedObstacle } from '../../3-survey/prepared/prepared-obstacle';
import type { ObstacleVerdict } from '../../4-clearance/verdict/evaluate';
import type { SurveyScene } from '../../3-survey/landing/survey-scene';
import type { PreparedCorner } from '../../4-clearance/case/prepared-corner';
import { isNearGround, nearestOnSolid } from '../../2-vehicle/setup/rotor';
import { compose, inverse, place, translation } from '../../1-base/geometry/pose';
import { clockOfPoint, type ReadingDescription, type ReadingPlace } from '../../3-survey/reading/reading';
import { USUAL } from '../../3-survey/reading/usual-errors';
import { toRadians } from '../../1-base/units/angle';
import { formatClock } from '../../1-base/units/clock';
import { readingPlaceAt } from '../../3-survey/edge-fit/evidence';
import { HUMP_SHARE, WALK_HEIGHTS, type WalkHeight } from '../../3-survey/walk/walk-height';
import { covarianceOf, edgeGap, type Standing } from '../../3-survey/edge-fit/edge-gap';

/** A reading that would settle the low gap: slide the tape along the thing to where the gap is least. */
export interface NextReading {
  readonly id: string;
  readonly steer: 'left' | 'straight' | 'right';
  readonly height: WalkHeight;
  /** About where the gap will be least. */
  readonly clock: string;
  readonly across: ReadingPlace;
  /** About what the tape will show, mm. */
  readonly expectedMm: number;
  /** How much less uncertain (mm, standard deviation) the obstacle's least gap becomes, weighed by how near it is to the low gap. */
  readonly worthMm: number;
  /** Share of the doubt about the obstacle's least gap, as far as its readings leave one, that remains after it. */
  readonly doubtLeft: number;
  /** The thing's least gap falls at this lock, and nothing was read of it there: asked for whatever it is worth. */
  readonly isUnread?: true;
}

/** mm: an obstacle this far above the low gap still matters somewhat, whatever is known of it. */
const NEARBY_MM = 6;

/** mm: what a reading at another height costs in trouble. */
const TROUBLE_MM: Readonly<Record<WalkHeight, number>> = { ride: 0, bump: 0.5, hang: 0.3 };

/** A reading of less is not worth the walk. */
const LEAST_WORTH_MM = 0.2;

/**
 * Readings that would narrow the low gap of a corner under a setup most, best first; of obstacles whose readings are
 * fitted to a kind of edge. A gap taken where it is least tells by its slope on the edge's numbers, as their covariance says.
 */
export function nextReadings(corner: PreparedCorner, verdicts: readonly ObstacleVerdict[]): NextReading[] {
  const known = corner.obstacles.flatMap((obstacle) => {
    const verdict = verdicts.find(({ id }) => id === obstacle.id);
    const { edge, edgeQ, shiftMm } = obstacle;
    // A test fit said how far off it may still be: another reading is not what it wants.
    if (!edge || !edgeQ || obstacle.isSettled || !verdict) return [];
    const { model, fit } = edge;
    const posture = { travel: verdict.travelMm, steer: toRadians(verdict.steerDeg), cross: verdict.crossMm };
    const toWheel = compose(
      inverse(corner.motion.wheelPose(posture)),
      corner.motion.mountPose(obstacle.mount, posture),
    );
    const { slope } = edgeGap(model, edgeQ, { toWheel: compose(toWheel, translation(shiftMm)), rotor: corner.rotor });
    return [{ obstacle, edge, edgeQ, verdict, slope, variance: covarianceOf(slope, fit.covariance, slope) }];
  });
  const low = Math.min(...known.map(({ verdict }) => verdict.marginMm));
  return known
    .flatMap(({ obstacle, edge, edgeQ, verdict, slope, variance }) => {
      const { survey, description } = obstacle;
      const apart = (verdict.marginMm - low) / (NEARBY_MM + 2 * Math.sqrt(variance));
      const matters = Math.exp(-0.5 * apart * apart);
      const { readings = [] } = description;
      return standings(obstacle).flatMap(({ steer, height, standing, wheel }) => {
        if (readings.some((r) => r.nearest && r.steer === steer && heightOf(r, survey.corner.hubToLipMm) === height))
          return [];
        const { gapMm, at, slope: reads } = edgeGap(edge.model, edgeQ, standing);
        const isUnread =
          height === 'ride' && fallsAt(verdict.steerDeg) === steer && !readings.some((r) => r.steer === steer);
        const { covariance } = edge.fit;
        const shared = covarianceOf(slope, covariance, reads);
        const sigma = Math.hypot(USUAL.gapMm, height === 'ride' ? 0 : USUAL.heldHeightMm);
        const left = variance - shared ** 2 / (sigma ** 2 + covarianceOf(reads, covariance, reads));
        const worthMm = matters * (Math.sqrt(variance) - Math.sqrt(Math.max(0, left))) - TROUBLE_MM[height];
        const clockDeg = clockOfPoint(wheel, place(compose(wheel, standing.toWheel), at));
        if (!(worthMm > LEAST_WORTH_MM || isUnread) || isNearGround(Math.abs(toRadians(clockDeg) - Math.PI))) return [];
        const clock = formatClock(Math.round(clockDeg / 5) * 5);
        const [x, axial, z] = place(standing.toWheel, at);
        const { filled, section, centrePlaneMm } = survey.rotor;
        const across = readingPlaceAt(section, nearestOnSolid(filled, axial - centrePlaneMm, Math.hypot(x, z)));
        return [
          {
            id: obstacle.id,
            steer,
            height,
            clock,
            across,
            expectedMm: gapMm,
            worthMm,
            doubtLeft: variance > 0 ? Math.sqrt(Math.max(0, left) / variance) : 1,
            ...(isUnread ? { isUnread } : {}),
          },
        ];
      });
    })
    .sort((a, b) => b.worthMm - a.worthMm);
}

/** Degrees of steer beyond which a least gap is one of that lock. */
const AT_LOCK_DEG = 10;
const fallsAt = (steerDeg: number): NextReading['steer'] =>
  Math.abs(steerDeg) < AT_LOCK_DEG ? 'straight' : steerDeg > 0 ? 'left' : 'right';

function standings({ mount, shiftMm, survey: { motion, rotor, corner } }: PreparedObstacle): {
  steer: NextReading['steer'];
  height: WalkHeight;
  standing: Standing;
  wheel: ReturnType<SurveyScene['motion']['wheelFrom']>;
}[] {
  const { bumpMm, droopMm } = corner.travel;
  return WALK_HEIGHTS.flatMap((height) => {
    const state = motion.carrierAt(height === 'ride' ? 0 : height === 'bump' ? HUMP_SHARE * bumpMm : -droopMm, 0);
    const locks = motion.locksAt(state);
    const steers = [
      ['straight', 0],
      ...(locks.left > 0 ? [['left', locks.left] as const] : []),
      ...(locks.right > 0 ? [['right', -locks.right] as const] : []),
    ] as const;
    return steers.map(([steer, angle]) => {
      const wheel = motion.wheelFrom(state, angle);
      const mountPose = motion.mountFrom(state, mount, angle);
      return {
        steer,
        height,
        wheel,
        standing: { toWheel: compose(inverse(wheel), compose(mountPose, translation(shiftMm))), rotor },
      };
    });
  });
}

/** Which of the walk's heights a reading was taken at, about. */
function heightOf({ travelMm = 0, hubToLipMm }: ReadingDescription, hubToLipAtRideMm = 0): WalkHeight {
  const travel = hubToLipMm === undefined ? travelMm : hubToLipAtRideMm - hubToLipMm;
  return Math.abs(travel) < 15 ? 'ride' : travel > 0 ? 'bump' : 'hang';
}
