import type { ObstacleDescription } from '../description/obstacle-description';
import { CholeskyDecomposition } from 'ml-matrix';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { type Landed } from '../landing/landed-readings';
import { readingScene, type SurveyScene } from '../landing/survey-scene';
import { compose, inverse, type Pose } from '../../1-base/geometry/pose';
import { joinPath } from '../../1-base/problem';
import { isEdgeKind } from '../description/edge-kind';
import type { ReadingDescription } from '../reading/reading';
import { edgePlace, type EdgeModel } from './edge-model';
import { edgeFamilies, type EdgeFamily } from './family/families';
import {
  evidenceOf,
  gapThere,
  isTape,
  sightEvidence,
  type Evidence,
  type SightEvidence,
  type TapeEvidence,
} from './evidence';
import { sightedFamily } from './sighted-edge';
import { sightsOf, sightUnder } from '../photo/sight';
import type { RubEvidence } from './belonging';
import { fitEdge, type EdgeFit, type ReadingFit } from './fit-edge';
import { rubPostures, type RubPosture } from '../description/rub';

/** An obstacle's readings fitted to its kind of edge. */
export interface ReadEdge {
  readonly model: EdgeModel;
  /** What its evidence was taken against. */
  readonly survey: SurveyScene;
  readonly fit: EdgeFit;
  /** Of its readings in their order, then of what photos show. */
  readonly evidence: readonly Evidence[];
  /** Readings that contradict what the others say together: set aside until they are taken again or confirmed. */
  readonly contradicting: ReadonlySet<number>;
}

/**
 * The edge that an obstacle's readings and what photos show of it make together; null where they are taken one by one, or where there is none.
 * `landed` are its readings each on its own; `start`: an edge they were fitted to before, kept but for its numbers.
 * @throws ProblemError for a reading that cannot be.
 */
export function readEdge(
  obstacle: ObstacleDescription,
  survey: SurveyScene,
  path: string,
  landed: readonly Landed[],
  start?: ReadEdge,
): ReadEdge | null {
  const { readingsAs, readings = [], form = {} } = obstacle;
  if (!isEdgeKind(readingsAs)) return null;
  const rubs = rubEvidence(obstacle, survey);
  if (start) {
    const { model, contradicting } = start;
    const tapes = edgeEvidence(obstacle, survey, path, landed);
    const evidence = start.evidence.map((e, i): Evidence => {
      if (!isTape(e)) return { ...e, ...sightHeld(e, obstacle, start.survey, survey) };
      const known = { ...tapes[i]!, nearest: e.nearest };
      return contradicting.has(i) ? setAside(known) : known;
    });
    return { model, survey, evidence, contradicting, fit: fitEdge(model, evidence, rubs, start.fit.q) };
  }
  const seen = sightsOf(obstacle, survey);
  if (readings.length + seen.sights.length === 0) return null;
  const asWritten: Evidence[] = [...edgeEvidence(obstacle, survey, path, landed), ...sightEvidence(seen)];
  const lipAtMm = isLip(obstacle) ? survey.rotor.centrePlaneMm + survey.rotor.section.widthMm / 2 : null;
  const places = [...landed.map(({ point }) => point), ...seen.near];
  const families = edgeFamilies(readingsAs, form, lipAtMm).map((family) => sightedFamily(family, seen.errorCount));
  const likeliest = (evidence: readonly Evidence[]): Fitted =>
    families
      .map((family) => fittedTo(family, places, evidence, rubs))
      .reduce((best, next) => (disbelief(next) < disbelief(best) ? next : best));
  const plain = likeliest(asWritten);
  const taken = readingsAs === 'arch' ? null : takenNearest(readings, asWritten);
  const nearest = taken && likeliest(taken);
  const isNearest = nearest !== null && nearest.fit.cost - plain.fit.cost < UNLIKELY * nearest.fit.readings.length;
  const evidence = isNearest && taken ? taken : asWritten;
  const { model, fit: first } = isNearest ? nearest : plain;
  let fit = first;
  const contradicting = new Set<number>();
  const aside = (index: number): Evidence[] =>
    evidence.map((e, i) => (i === index || contradicting.has(i) ? setAside(e) : e));
  for (let round = 0; round < MOST_ASIDE; round++) {
    if (readings.length < ENOUGH || !fit.readings.some(isFar)) break;
    const without = readings.flatMap((_, index) =>
      contradicting.has(index) ? [] : [{ index, fit: fitEdge(model, aside(index), rubs, fit.q, FEW_STEPS) }],
    );
    const best = without.reduce<(typeof without)[number] | null>(
      (a, b) => (a && a.fit.cost <= b.fit.cost ? a : b),
      null,
    );
    // One that was confirmed stands, and nobody else is doubted in its place.
    if (!best || readings[best.index]!.confirmed || fit.cost - best.fit.cost < DOUBT) break;
    contradicting.add(best.index);
    fit = fitEdge(model, aside(-1), rubs, best.fit.q);
  }
  return { model, survey, evidence: aside(-1), fit, contradicting };
}

function sightHeld(
  { sight }: SightEvidence,
  obstacle: ObstacleDescription,
  before: SurveyScene,
  survey: SurveyScene,
): Pick<SightEvidence, 'sight' | 'toWheel'> {
  const moved = sightUnder(sight, obstacle, before, survey);
  return { sight: moved, toWheel: moved.toWheel };
}

/** An arch of the body's outside, not of what lines the well. */
const isLip = ({ mount, material }: ObstacleDescription): boolean =>
  mount === 'body' && (material === 'sheetMetal' || material === 'plastic');

/** Squares a reading by which it must be harder to believe that a tape was held where the gap was least before it was not. */
const UNLIKELY = 1.5;

/**
 * The evidence with the least gap of each posture as one taken where it was nearest; null where some are marked so, for then the others
 * are not. Most people hold the tape to a small thing where it is nearest and say nothing of it (common practice, no source).
 */
function takenNearest(readings: readonly ReadingDescription[], evidence: readonly Evidence[]): Evidence[] | null {
  if (readings.some(({ nearest }) => nearest !== undefined)) return null;
  const least = new Map<string, number>();
  readings.forEach(({ steer, travelMm, hubToLipMm, outboardMm, gapMm }, i) => {
    if (outboardMm !== undefined) return;
    const posture = `${steer} ${travelMm ?? ''} ${hubToLipMm ?? ''}`;
    const other = least.get(posture);
    if (other === undefined || gapMm < readings[other]!.gapMm) least.set(posture, i);
  });
  const found = new Set(least.values());
  return found.size === 0 ? null : evidence.map((e, i) => (found.has(i) && isTape(e) ? { ...e, nearest: true } : e));
}

interface Fitted {
  readonly model: EdgeModel;
  readonly fit: EdgeFit;
}

const PASSES = 2;

/** One by one, readings may land far along the edge from where all together put them: how far it reaches is seen then. */
function fittedTo(
  family: EdgeFamily,
  landed: readonly Vec3[],
  evidence: readonly Evidence[],
  rubs: readonly RubEvidence[],
): Fitted {
  let model = family(landed);
  let fit = bestFit(model, evidence, rubs);
  for (let pass = 1; pass < PASSES && model.dims === 1; pass++) {
    const { at } = model;
    model = family(fit.readings.map(({ s, t }) => edgePlace({ at }, fit.q, [s, t])));
    fit = fitEdge(model, evidence, rubs);
  }
  return { model, fit };
}

/**
 * Minus twice the logarithm of a family's evidence, but for what all families share (Laplace's approximation; MacKay 1992): a family is
 * believed for fitting well, and disbelieved for all it might have been besides.
 */
function disbelief({ model, fit }: Fitted): number {
  const lower = new CholeskyDecomposition(fit.covariance).lowerTriangularMatrix;
  let sum = fit.cost;
  model.sigma.forEach((sigma, k) => (sum += 2 * Math.log(sigma / lower.get(k, k))));
  return sum;
}

/** Squares left per reading above which a fit may have stuck beside the best one. */
const STUCK = 2;

/** Steps that show whether a fit is going to be better. */
export const FEW_STEPS = 8;

/** mm by which a fit is begun elsewhere, along each axis of the place it begins from. */
const ELSEWHERE_MM = 60;

/** The fit from the usual start, or where that leaves much, the best of several starts. */
function bestFit(model: EdgeModel, evidence: readonly Evidence[], rubs: readonly RubEvidence[]): EdgeFit {
  let best = fitEdge(model, evidence, rubs);
  if (best.cost < STUCK * evidence.length) return best;
  for (const k of model.anywhere) {
    for (const by of [ELSEWHERE_MM, -ELSEWHERE_MM]) {
      const start = model.mean.slice();
      start[k]! += by;
      const other = fitEdge(model, evidence, rubs, start, FEW_STEPS);
      if (other.cost < best.cost) best = other;
    }
  }
  return fitEdge(model, evidence, rubs, best.q);
}

/** Readings of one obstacle set aside at most. */
const MOST_ASIDE = 2;

/** Fewer readings cannot say which of them is wrong. */
const ENOUGH = 5;

/** By how much the sum of squares must fall without a reading before it is questioned and set aside. */
const DOUBT = 20;

/** Standard deviations by which a reading is far off the edge. */
const FAR = 2.5;

const isFar = ({ misses }: ReadingFit): boolean => Math.abs(misses[0]!) > FAR || Math.abs(misses[2]!) > FAR;

/** The same reading, counting for next to nothing; a sight stands. */
export const setAside = (e: Evidence): Evidence =>
  isTape(e)
    ? {
        ...e,
        gapSigmaMm: ASIDE * e.gapSigmaMm,
        acrossSigmaMm: ASIDE * e.acrossSigmaMm,
        clockSigmaRad: ASIDE * e.clockSigmaRad,
      }
    : e;

const ASIDE = 100;

function edgeEvidence(
  { readings = [], mount }: ObstacleDescription,
  survey: SurveyScene,
  path: string,
  landed: readonly Landed[],
): TapeEvidence[] {
  return readings.map((reading, i) => {
    const at = joinPath(joinPath(path, 'readings'), i);
    const { scene, mountPose } = readingScene(reading, mount, survey, at);
    const { point } = landed.find(({ index }) => index === i)!;
    const lower = readingScene(reading, mount, survey, at, -1);
    const gapAt = (wheelPose: Pose, pose: Pose): number =>
      gapThere({ toWheel: compose(inverse(wheelPose), pose), rotor: survey.rotor }, Float64Array.from(point), 0);
    const gapPerTravel = gapAt(lower.scene.wheelPose, lower.mountPose) - gapAt(scene.wheelPose, mountPose);
    return evidenceOf(reading, survey.rotor, { wheelPose: scene.wheelPose, mountPose, gapPerTravel });
  });
}

/** Postures in which a vehicle that is driven clears everything, unless somebody says that it rubs: at ride height from lock to lock. */
const DRIVEN: readonly RubPosture[] = [
  [0, 0],
  [1, 0],
  [-1, 0],
];

/** Rubs as the fit takes them: the postures each may be in; where none was told, that the fitted tire turns freely at ride height. */
export function rubEvidence(
  { rubs = [], mount }: ObstacleDescription,
  { motion, rotor, corner }: SurveyScene,
): RubEvidence[] {
  const { bumpMm, droopMm } = corner.travel;
  const standing = ([steerShare, travelShare]: RubPosture): RubEvidence['postures'][number] => {
    const state = motion.carrierAt(travelShare * (travelShare > 0 ? bumpMm : droopMm), 0);
    const locks = motion.locksAt(state);
    const steer = steerShare * (steerShare > 0 ? locks.left : locks.right);
    return {
      toWheel: compose(inverse(motion.wheelFrom(state, steer)), motion.mountFrom(state, mount, steer)),
      rotor,
    };
  };
  const told = rubs.map((rub) => ({ touches: rub.touches !== false, postures: rubPostures(rub).map(standing) }));
  if (told.some(({ touches }) => touches)) return told;
  // A wheel that does not steer stands one way only.
  const driven = corner.steering === undefined ? DRIVEN.slice(0, 1) : DRIVEN;
  return [...told, ...driven.map((posture) => ({ touches: false, postures: [standing(posture)] }))];
}
