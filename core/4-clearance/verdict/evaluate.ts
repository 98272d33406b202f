import { alignmentBack, SAME_ALIGNMENT_DEG, type AlignmentBack } from '../../2-vehicle/setup/aligned';
import { flatten } from '../../1-base/geometry/outline';
import { toMatrix4 } from '../../1-base/geometry/pose';
import type { Vec3 } from '../../1-base/geometry/vec3';
import type { Carriage } from '../../2-vehicle/motion/mount';
import type { Material } from '../../3-survey/shape/material';
import { clockOfPoint } from '../../3-survey/reading/reading';
import { POLYGON_SAG_MM } from '../../1-base/tolerances';
import { pastLock, type PastLock } from './past-lock';
import { toDegrees, toRadians } from '../../1-base/units/angle';
import { formatClock } from '../../1-base/units/clock';
import { wheelSectionPolygon } from '../../2-vehicle/wheel/wheel-section';
import { disagreements, type Disagreement } from '../../3-survey/reading/disagreement';
import { ClearSection } from '../search/clear-section';
import type { SurveyedReadings } from '../../3-survey/edge-fit/surveyed-readings';
import { photosSaid, type PhotoSaid } from '../../3-survey/prepared/photos-said';
import { SectionCache } from '../search/section-cache';
import { describedCorner, describedCorners, prepareDescribed } from '../case/described-corner';
import { setupForCorner, type CaseDescription } from '../case/case-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { pairsInPlace, partPairGaps, type PairGap } from './part-pairs';
import type { TravelStretch } from '../oracle/plain-sweep';
import type { LeastGap } from '../oracle/posture-gap';
import { motionUnder } from '../../2-vehicle/setup/motion-under';
import { prepareCorner, type PreparedCorner, type UnknownObstacle } from '../case/prepared-corner';
import type { PreparedObstacle } from '../../3-survey/prepared/prepared-obstacle';
import type { RotorPlace } from '../../2-vehicle/setup/rotor';
import type { Known } from '../../3-survey/known/known';
import { highestUpTo } from '../envelope/envelope';
import {
  fallsShort,
  materialStretches,
  STANDARDS,
  verdictOf,
  type Standard,
  type Verdict,
  wantedAs,
} from '../case/standard';
import { studPocketGap, type StudPocketGap } from '../../2-vehicle/setup/stud-pocket';

/** Least gap of one obstacle over the envelope. Lengths mm, angles degrees, `at` in the corner frame. */
export interface ObstacleVerdict {
  readonly corner: CornerKey;
  readonly id: string;
  readonly label: string;
  readonly mount: Carriage;
  readonly material: Material;
  readonly gapMm: number;
  readonly requiredMm: number;
  readonly marginMm: number;
  readonly verdict: Verdict;
  /** Vehicle sense, + = left. */
  readonly steerDeg: number;
  /** Where that is more than the lock as it was read: why. */
  readonly pastLock?: PastLock;
  /** + = bump, from the surveyed ride height. */
  readonly travelMm: number;
  /** The other wheel's travel less this one's (beam axle); 0 otherwise. */
  readonly crossMm: number;
  readonly at: Vec3;
  readonly clock: string;
  readonly across: RotorPlace;
  /** mm by which the obstacle's lateral place is not known. */
  readonly lateralToleranceMm: number;
  /**
   * Where first touch of the bump stop was measured: whether what is wanted is kept up to full squash, up to first
   * touch only, or not even so far.
   */
  readonly keptUpTo?: 'fullSquash' | 'firstTouch' | 'neither';
  /** With `postures`: wheel frame to corner frame, rows of a 4 x 4 matrix, mm. */
  readonly wheelMatrix?: readonly (readonly number[])[];
}

export interface LowGap {
  readonly corner: CornerKey;
  readonly obstacle: string;
  /** Of that thing; where it falls nowhere short and any corner is not known: not known. */
  readonly verdict: Verdict;
  /** The least margin: gap less what the standard wants. */
  readonly mm: number;
  readonly gapMm: number;
  readonly requiredMm: number;
  readonly steerDeg: number;
  /** Where that is more than the lock as it was read: why. */
  readonly pastLock?: PastLock;
  readonly travelMm: number;
  /** How much higher the other wheel of a beam axle stands, mm. */
  readonly crossMm: number;
  readonly at: Vec3;
  readonly clock: string;
  readonly across: RotorPlace;
}

/** Polygons about the tire's centre plane, [y, r] in mm, y outboard. */
export interface CornerSections {
  /** Filled outside section: an open path from the axis round the tire to the axis. */
  readonly section: readonly PolygonPoint[];
  /** Hollow wheel, closed. */
  readonly wheelSection: readonly PolygonPoint[];
}

type PolygonPoint = readonly [y: number, r: number];

export interface Evaluation extends CornerSections {
  /** null when no obstacle has been surveyed yet. */
  readonly lowGap: LowGap | null;
  readonly obstacles: readonly ObstacleVerdict[];
  /** What nobody knows: listed things without a place, and what stands behind a part taken off. */
  readonly unmeasured: readonly ({ readonly corner: CornerKey } & UnknownObstacle)[];
  /** Gaps between pairs of parts over the travel. */
  readonly pairs: readonly ({ readonly corner: CornerKey } & PairGap)[];
  /** Readings of one place that cannot both be right. */
  readonly disagreements: readonly ({ readonly corner: CornerKey; readonly id: string } & Disagreement)[];
  /** Where every reading landed, and what the readings of one obstacle make together. */
  readonly surveyed: readonly ({ readonly corner: CornerKey } & SurveyedReadings)[];
  /** What came of the photos of each corner. */
  readonly photos: readonly ({ readonly corner: CornerKey } & PhotoSaid)[];
  /** Stud ends in the wheel's pockets, where both were measured. */
  readonly studPockets: readonly ({ readonly corner: CornerKey } & StudPocketGap)[];
  /** How much of each corner was measured. */
  readonly known: readonly ({ readonly corner: CornerKey } & Known)[];
  /** Where an alignment moves anything: what it takes back, and the low gap as the vehicle stands before it. */
  readonly beforeAlignment: BeforeAlignment | null;
  /** The corner that `section` and `wheelSection` belong to: the low gap's, or the first. */
  readonly sectionCorner: CornerKey;
}

export interface BeforeAlignment {
  readonly lowGap: LowGap | null;
  readonly corners: readonly ({ readonly corner: CornerKey } & AlignmentBack)[];
}

export interface EvaluateOptions {
  /** Adds to every obstacle the wheel's 4 x 4 matrix in its worst posture. */
  readonly postures?: boolean;
}

/** The low gap before the alignment that the verdict takes for granted; null where nothing is aligned, or nothing of it felt. */
function asItStands(
  description: CaseDescription,
  aligned: readonly ObstacleVerdict[],
  cache: SectionCache,
): BeforeAlignment | null {
  const corners = describedCorners(description).flatMap((key) => {
    const setup = setupForCorner(description, key);
    if (setup.alignment !== 'aligned') return [];
    const back = alignmentBack(key, describedCorner(description, key), setup);
    const isFelt = [back.camberDeg, back.casterDeg, back.toeDeg].some((by) => Math.abs(by) > SAME_ALIGNMENT_DEG);
    return isFelt ? [{ corner: key, ...back }] : [];
  });
  if (corners.length === 0) return null;
  const felt = (key: CornerKey): boolean => corners.some(({ corner }) => corner === key);
  const before = describedCorners(description)
    .filter(felt)
    .flatMap((key) => {
      const corner = describedCorner(description, key);
      const setup = { ...setupForCorner(description, key), alignment: 'asStands' as const };
      const prepared = prepareCorner(
        key,
        corner,
        setup,
        description.envelope,
        description.drawnEnvelope,
        cache.besides.survey,
      );
      const section = cache.besides.section(prepared, corner, setup);
      return cornerVerdicts(prepared, STANDARDS[description.standard], {}, section);
    });
  return { corners, lowGap: lowGapOf([...before, ...aligned.filter(({ corner }) => !felt(corner))]) };
}

/** Verdict on every described corner. @throws ProblemError for anything the engine cannot take. */
export function evaluateCase(
  description: CaseDescription,
  options: EvaluateOptions = {},
  cache = new SectionCache(),
): Evaluation {
  const prepared = describedCorners(description).map((key) => prepareDescribed(description, key, cache.survey));
  const obstacles = prepared.flatMap((corner) => {
    const { key } = corner;
    const section = cache.section(corner, describedCorner(description, key), setupForCorner(description, key));
    return cornerVerdicts(corner, STANDARDS[description.standard], options, section);
  });
  const beforeAlignment = asItStands(description, obstacles, cache);
  const lowGap = lowGapOf(obstacles);
  const shown = prepared.find((corner) => corner.key === lowGap?.corner) ?? (prepared[0] as PreparedCorner);
  return {
    lowGap,
    obstacles,
    unmeasured: prepared.flatMap(({ key, unknown }) => unknown.map((what) => ({ corner: key, ...what }))),
    pairs: prepared.flatMap((corner) =>
      partPairGaps(
        corner,
        pairsInPlace(describedCorner(description, corner.key), corner, setupForCorner(description, corner.key).removed),
      ).map((pair) => ({ corner: corner.key, ...pair })),
    ),
    disagreements: prepared.flatMap(({ key }) =>
      describedCorner(description, key).obstacles.flatMap(({ id, readings = [] }) =>
        disagreements(readings).map((found) => ({ corner: key, id, ...found })),
      ),
    ),
    surveyed: prepared.flatMap(({ key, obstacles: all }) => all.map(({ surveyed }) => ({ corner: key, ...surveyed }))),
    photos: prepared.flatMap(({ key, obstacles: all }) =>
      photosSaid(key, describedCorner(description, key), all).map((found) => ({ corner: key, ...found })),
    ),
    studPockets: prepared.flatMap(({ key }) => {
      const gap = studPocketGap(describedCorner(description, key).studProtrusionMm, setupForCorner(description, key));
      return gap ? [{ corner: key, ...gap }] : [];
    }),
    known: prepared.map(({ key, known }) => ({ corner: key, ...known })),
    beforeAlignment,
    sectionCorner: shown.key,
    ...cornerSections(shown),
  };
}

/** How the least gaps of a corner are found: the clear section, or the plain sweep as its oracle. */
export interface GapFinder {
  leastGap(corner: PreparedCorner, obstacle: PreparedObstacle, stretch?: TravelStretch): LeastGap;
}

/** Verdicts of one prepared corner, in the order its obstacles are listed. */
export function cornerVerdicts(
  corner: PreparedCorner,
  standard: Standard,
  { postures = false }: EvaluateOptions = {},
  finder: GapFinder = new ClearSection(corner.motion, corner.envelope),
): ObstacleVerdict[] {
  return corner.obstacles.map((obstacle) => {
    const { id, label, mount, material, lateralToleranceMm } = obstacle;
    const { least, requiredMm } = leastMargin(corner, obstacle, standard, finder);
    const marginMm = least.gapMm - requiredMm;
    const wheelPose = corner.motion.wheelPose(least.posture);
    const past = pastLock(corner, least.posture);
    return {
      corner: corner.key,
      id,
      label,
      mount,
      material,
      gapMm: least.gapMm,
      requiredMm,
      marginMm,
      verdict: verdictOf({ gapMm: least.gapMm, marginMm }, standard, corner.known.isEnough),
      steerDeg: toDegrees(least.posture.steer),
      travelMm: least.posture.travel,
      crossMm: least.posture.cross ?? 0,
      at: least.at,
      clock: formatClock(clockOfPoint(wheelPose, least.at)),
      across: least.across,
      lateralToleranceMm,
      ...(past ? { pastLock: past } : {}),
      ...keptUpTo(corner, obstacle, standard, finder, marginMm),
      ...(postures ? { wheelMatrix: toMatrix4(wheelPose) } : {}),
    };
  });
}

/** Least gap where it falls furthest below (or least above) what is wanted there, mm. */
export interface Margin {
  readonly least: LeastGap;
  readonly requiredMm: number;
}

/** The stretch of travel in which an obstacle's gap falls furthest below (or least above) what is wanted there; `bump`: with the stops squashed no further. */
export function leastMargin(
  corner: PreparedCorner,
  obstacle: PreparedObstacle,
  standard: Standard,
  finder: GapFinder,
  bump?: number,
): Margin {
  const { limits } = corner.envelope;
  const highest = bump === undefined ? limits.highest : highestUpTo(limits, bump);
  const stretches = materialStretches(standard, limits, wantedAs(obstacle), highest);
  return stretches
    .map(({ requiredMm, ...stretch }) => ({
      least: finder.leastGap(corner, obstacle, { ...stretch, bump }),
      requiredMm,
    }))
    .reduce((worst, next) =>
      next.least.gapMm - next.requiredMm < worst.least.gapMm - worst.requiredMm ? next : worst,
    );
}

/** What an obstacle's margin is not above, by the posture in which an earlier search met the least: no search at all. */
export function marginMet(
  corner: PreparedCorner,
  obstacle: PreparedObstacle,
  standard: Standard,
  section: ClearSection,
): number {
  const { limits } = corner.envelope;
  const stretches = materialStretches(standard, limits, wantedAs(obstacle), limits.highest);
  return Math.min(
    ...stretches.map(({ requiredMm, ...stretch }) => section.gapMet(corner, obstacle, stretch) - requiredMm),
  );
}

/** Whether an obstacle has less than `marginMm` over what is wanted anywhere: cheaper than how much it has. */
export function marginComesBelow(
  corner: PreparedCorner,
  obstacle: PreparedObstacle,
  standard: Standard,
  section: ClearSection,
  marginMm: number,
): boolean {
  const { limits } = corner.envelope;
  return materialStretches(standard, limits, wantedAs(obstacle), limits.highest).some(({ requiredMm, ...stretch }) =>
    section.comesBelow(corner, obstacle, stretch, requiredMm + marginMm),
  );
}

function keptUpTo(
  corner: PreparedCorner,
  obstacle: PreparedObstacle,
  standard: Standard,
  finder: GapFinder,
  marginMm: number,
): Pick<ObstacleVerdict, 'keptUpTo'> {
  const { firstTouch } = corner.envelope.limits;
  if (firstTouch === null) return {};
  if (marginMm >= 0) return { keptUpTo: 'fullSquash' };
  const { least, requiredMm } = leastMargin(corner, obstacle, standard, finder, firstTouch);
  return { keptUpTo: least.gapMm >= requiredMm ? 'firstTouch' : 'neither' };
}

/** Nothing is clear as a whole of which a part is not known. */
const wholeVerdict = (low: Verdict, all: readonly ObstacleVerdict[]): Verdict =>
  fallsShort(low) || !all.some(({ verdict }) => verdict === 'notKnown') ? low : 'notKnown';

/** The least margin of all; null for no obstacles. */
export function lowGapOf(obstacles: readonly ObstacleVerdict[]): LowGap | null {
  const least = obstacles.reduce<ObstacleVerdict | null>(
    (best, next) => (best === null || next.marginMm < best.marginMm ? next : best),
    null,
  );
  if (!least) return null;
  const { corner, id, marginMm, gapMm, requiredMm, steerDeg, travelMm, crossMm, at, clock, across } = least;
  return {
    ...(least.pastLock ? { pastLock: least.pastLock } : {}),
    corner,
    obstacle: id,
    verdict: wholeVerdict(least.verdict, obstacles),
    mm: marginMm,
    gapMm,
    requiredMm,
    steerDeg,
    travelMm,
    crossMm,
    at,
    clock,
    across,
  };
}

/** Polygons of the setup on one corner. */
export function cornerSections(corner: PreparedCorner): CornerSections {
  const { section, offsetMm, rimWidthIn, inside } = corner.rotor;
  return {
    section: flatten(section.outline, POLYGON_SAG_MM).map(({ a, r }) => [a, r] as const),
    wheelSection: wheelSectionPolygon({
      diameterIn: section.size.rimDiameterIn,
      widthIn: rimWidthIn,
      offsetMm,
      ...inside,
    }).map(({ a, r }) => [a, r] as const),
  };
}

/**
 * 4 x 4 matrix (rows, column vectors, mm) from the wheel frame to the corner frame at a travel and a steer,
 * under the description's setup. Limits are not enforced: any reachable posture may be asked for. `crossMm` is the
 * other wheel's travel less this one's (beam axle).
 */
export function poseMatrix(
  description: CaseDescription,
  key: CornerKey,
  travelMm: number,
  steerDeg: number,
  crossMm = 0,
): number[][] {
  const motion = motionUnder(key, describedCorner(description, key), setupForCorner(description, key));
  return toMatrix4(motion.wheelPose({ travel: travelMm, steer: toRadians(steerDeg), cross: crossMm }));
}
