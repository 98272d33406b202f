import { setupForCorner, type CaseDescription } from '../../4-clearance/case/case-description';
import { describedCorner, describedCorners, prepareDescribed } from '../../4-clearance/case/described-corner';
import { STANDARDS } from '../../4-clearance/case/standard';
import { gapInPosture } from '../../4-clearance/oracle/plain-sweep';
import type { PreparedCorner } from '../../4-clearance/case/prepared-corner';
import { SectionCache } from '../../4-clearance/search/section-cache';
import { cornerVerdicts, type ObstacleVerdict } from '../../4-clearance/verdict/evaluate';
import { compose, inverse, unplace } from '../../1-base/geometry/pose';
import { attempt } from '../../1-base/problem';
import { toDegrees, toRadians } from '../../1-base/units/angle';
import type { Posture } from '../../2-vehicle/motion/corner-motion';
import type { Mount } from '../../2-vehicle/motion/mount';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { defaultMount } from '../../3-survey/description/default-mount';
import { rubPostures, type RubDescription } from '../../3-survey/description/rub';
import { RUB_SIGMA_MM } from '../../3-survey/edge-fit/belonging';
import { strainOf } from '../../3-survey/edge-fit/strain';
import type { StartingValue } from '../../3-survey/known/known';
import { prepareObstacle, type PreparedObstacle } from '../../3-survey/prepared/prepared-obstacle';
import { USUAL } from '../../3-survey/reading/usual-errors';

/**
 * The fitted tire as the judge of the survey: it stands on the vehicle and either rubs or does not. Where the numbers say
 * otherwise than marks and the driver do, one of them is wrong.
 */
export interface TodayDoubt {
  readonly corner: CornerKey;
  readonly id: string;
  readonly label: string;
  /**
   * `rubsUnseen`: by the numbers the fitted tire rubs, and nobody saw or said so. `saidNotTo`: somebody said it does not.
   * `rubUnfound`: it is said to rub, and by the numbers it does not come to it.
   */
  readonly kind: 'rubsUnseen' | 'saidNotTo' | 'rubUnfound';
  /** Of the fitted tire where it comes nearest, mm; below zero it would be in the thing. */
  readonly gapMm: number;
  readonly steerDeg: number;
  readonly travelMm: number;
  /** What is the likeliest to be wrong, largest evidence first; []: the readings leave it open either way. */
  readonly suspects: readonly Suspect[];
}

export type Suspect = {
  /** By how much the squares of all that was measured and seen fall without it: 4 is two standard deviations. */
  readonly evidence: number;
} & (
  | { readonly kind: 'reading'; readonly index: number }
  /** Fixed to this, all would agree. */
  | { readonly kind: 'mount'; readonly mount: Mount }
  /** Nobody measured it. */
  | { readonly kind: 'starting'; readonly value: StartingValue }
);

/** Evidence below which a suspect is not named. */
const LEAST_EVIDENCE = 2;

/** Suspects named. */
const MOST_NAMED = 3;

/** mm by which the numbers may let the tire into a thing that is said not to rub: how far such a word is to be trusted. */
const LET_MM = RUB_SIGMA_MM;

/**
 * Everything of which the numbers say otherwise than the fitted tire shows: all corners, the fitted setup in every posture of
 * the case.
 * @throws ProblemError as `evaluateCase`.
 */
export function doubtsOfToday({ setup: _, ...fitted }: CaseDescription, cache = new SectionCache()): TodayDoubt[] {
  return describedCorners(fitted).flatMap((key) => {
    const corner = prepareDescribed(fitted, key, cache.survey);
    const finder = cache.section(corner, describedCorner(fitted, key), setupForCorner(fitted, key));
    const verdicts = cornerVerdicts(corner, STANDARDS[fitted.standard], {}, finder);
    return corner.obstacles.flatMap((obstacle, i) => doubtOf(corner, obstacle, verdicts[i]!) ?? []);
  });
}

function doubtOf(corner: PreparedCorner, obstacle: PreparedObstacle, verdict: ObstacleVerdict): TodayDoubt | null {
  const { rubs = [] } = obstacle.description;
  const seen = rubs.filter(({ touches }) => touches !== false);
  const about = { corner: corner.key, id: obstacle.id, label: obstacle.label };
  if (seen.length === 0) {
    const kind = rubs.length > 0 ? 'saidNotTo' : 'rubsUnseen';
    if (verdict.gapMm >= (kind === 'saidNotTo' ? -LET_MM : 0)) return null;
    const { gapMm, steerDeg, travelMm } = verdict;
    const posture = { travel: travelMm, steer: toRadians(steerDeg), cross: verdict.crossMm };
    return { ...about, kind, gapMm, steerDeg, travelMm, suspects: suspectsOf(corner, obstacle, posture, gapMm, false) };
  }
  const furthest = seen
    .map((rub) => nearestIn(corner, obstacle, rub))
    .reduce((worst, next) => (next.gapMm > worst.gapMm ? next : worst));
  if (furthest.gapMm <= LET_MM) return null;
  const { posture, gapMm } = furthest;
  return {
    ...about,
    kind: 'rubUnfound',
    gapMm,
    steerDeg: toDegrees(posture.steer),
    travelMm: posture.travel,
    suspects: suspectsOf(corner, obstacle, posture, gapMm, true),
  };
}

/** Where the fitted tire comes nearest to a thing in the postures of a rub. */
function nearestIn({ motion, envelope, ...corner }: PreparedCorner, obstacle: PreparedObstacle, rub: RubDescription) {
  const { limits } = envelope;
  return rubPostures(rub)
    .map(([steerShare, travelShare]) => {
      const travel = travelShare === 0 ? 0 : Math.abs(travelShare) * limits[travelShare > 0 ? 'bump' : 'droop'];
      const locks = motion.locksAt(motion.carrierAt(travel, 0));
      const posture: Posture = {
        travel,
        steer: steerShare === 0 ? 0 : steerShare * (steerShare > 0 ? locks.left : locks.right),
      };
      return { posture, gapMm: gapInPosture({ motion, envelope, ...corner }, obstacle, posture).gapMm };
    })
    .reduce((least, next) => (next.gapMm < least.gapMm ? next : least));
}

/** What is likeliest to be wrong, were the fitted tire to touch (or not) in a posture where the numbers say otherwise. */
function suspectsOf(
  corner: PreparedCorner,
  obstacle: PreparedObstacle,
  posture: Posture,
  gapMm: number,
  touches: boolean,
): Suspect[] {
  const { edge, description, survey } = obstacle;
  const suspects: Suspect[] = [];
  let strain = (gapMm / RUB_SIGMA_MM) ** 2;
  if (edge) {
    const seen = { touches, postures: [standing(corner, obstacle, posture)] };
    const { all, without } = strainOf(description, survey, edge, touches ? [] : [seen]);
    strain = touches ? strain : Math.max(0, all - edge.fit.cost);
    without.forEach((cost, index) => suspects.push({ kind: 'reading', index, evidence: all - cost }));
  } else {
    const nearest = nearestReading(corner, obstacle, posture);
    if (nearest !== null) {
      const evidence = (gapMm / USUAL.gapMm) ** 2;
      suspects.push({ kind: 'reading', index: nearest, evidence });
      strain = evidence;
    }
  }
  // A default explains all of it: nobody said that it is so.
  for (const value of startingAt(corner, posture)) suspects.push({ kind: 'starting', value, evidence: strain });
  const usual = defaultMount(obstacle.material, survey.corner.motion);
  if (usual !== obstacle.mount && agreesOn(corner, obstacle, usual, posture, touches))
    suspects.push({ kind: 'mount', mount: usual, evidence: strain });
  return suspects
    .filter(({ evidence }) => evidence >= LEAST_EVIDENCE)
    .sort((a, b) => b.evidence - a.evidence || RANK[a.kind] - RANK[b.kind])
    .slice(0, MOST_NAMED);
}

/** Of equal evidence: what nobody measured first. */
const RANK: Readonly<Record<Suspect['kind'], number>> = { starting: 0, mount: 1, reading: 2 };

const standing = ({ motion, rotor }: PreparedCorner, { mount }: PreparedObstacle, posture: Posture) => ({
  toWheel: compose(inverse(motion.wheelPose(posture)), motion.mountPose(mount, posture)),
  rotor,
});

/** Degrees and mm beyond which a posture depends on a lock, a stop or how the wheel moves. */
const STEERED_DEG = 10;
const MOVED_MM = 10;

/** Values that nobody measured and that decide whether this posture is reached, or where the wheel is in it. */
function startingAt({ known, motion }: PreparedCorner, { travel, steer }: Posture): StartingValue[] {
  const lock = motion.locksAt(motion.carrierAt(0, 0));
  const isTurned = Math.abs(steer) > toRadians(STEERED_DEG);
  const decides: Partial<Record<StartingValue, boolean>> = {
    tire: true,
    wheel: true,
    bumpMm: travel > MOVED_MM,
    droopMm: travel < -MOVED_MM,
    lockLeftDeg: isTurned && steer > 0 && lock.left > 0,
    lockRightDeg: isTurned && steer < 0 && lock.right > 0,
    kingpinOffsetMm: isTurned,
    inclinationDeg: isTurned,
    motion: Math.abs(travel) > MOVED_MM,
  };
  return known.starting.filter((value) => decides[value]);
}

/** The reading that landed nearest to where the tire meets the thing; null: its place is not from readings. */
function nearestReading(corner: PreparedCorner, obstacle: PreparedObstacle, posture: Posture): number | null {
  const { at } = gapInPosture(corner, obstacle, posture);
  const mount = corner.motion.mountPose(obstacle.mount, posture);
  const inMount = unplace(mount, at);
  const far = ({ point }: PreparedObstacle['landed'][number]): number =>
    Math.hypot(point[0] - inMount[0], point[1] - inMount[1], point[2] - inMount[2]);
  const [first, ...others] = obstacle.landed;
  return first ? others.reduce((best, next) => (far(next) < far(best) ? next : best), first).index : null;
}

/** Whether the thing, read as it was but fixed to something else, is as the tire shows it in that posture. */
function agreesOn(
  corner: PreparedCorner,
  { description, survey }: PreparedObstacle,
  mount: Mount,
  posture: Posture,
  touches: boolean,
): boolean {
  const made = attempt(() => {
    const other = prepareObstacle({ ...description, mount, rubs: [] }, survey, '');
    return gapInPosture(corner, other, posture).gapMm;
  });
  return made.ok && (touches ? made.value <= LET_MM : made.value >= -LET_MM);
}
