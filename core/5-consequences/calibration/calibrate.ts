import type { Matrix } from 'ml-matrix';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import type { DrawnRow, EnvelopeKind } from '../../4-clearance/envelope/envelope-kind';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { attempt } from '../../1-base/problem';
import type { Fit, SharedSource } from '../spread/shared-errors';
import { USUAL } from '../../3-survey/reading/usual-errors';
import type { FitStatus } from '../../3-survey/edge-fit/fit-edge';
import { runFit } from './fit-run';
import { gapSlopes, leastGapsMm, type GapSlopes } from './gap-slopes';
import { likeliest, varianceOf, type Row } from './least-squares';
import type { Observation, Seen } from './observation';
import { movedFit, movedThere, openOf, precisionOf, sameRun, slopesIn, unknownsOf, type Unknowns } from './unknowns';

/** One number of the corner or the setup, moved by what was seen. */
export interface MovedNumber {
  readonly source: SharedSource;
  readonly name: string;
  /** In standard deviations of what is usual, and what is left of one. */
  readonly by: number;
  readonly leftSd: number;
}

export interface MovedObstacle {
  readonly id: string;
  /** Mount's frame, mm. */
  readonly shiftMm: Vec3;
  readonly sdMm: Vec3;
}

/** One thing seen beside what was predicted before and is after; lengths mm. */
export interface SeenBeside {
  readonly observation: Observation;
  readonly beforeMm: number;
  readonly afterMm: number;
  /** How far off the prediction was, in its own standard deviations with the tape's; 0 for one-sided evidence that agreed. */
  readonly missSd: number;
  /** It cannot be true together with the rest: left out until it is taken again or confirmed. */
  readonly setAside: boolean;
}

/** A gap over all the envelope, and where it lies in 90 of 100 cases. */
export interface PredictedGap {
  readonly id: string;
  readonly before: Band;
  readonly after: Band;
}
export interface Band {
  readonly gapMm: number;
  readonly lowMm: number;
  readonly highMm: number;
}

export interface Calibration {
  readonly status: FitStatus;
  readonly iterations: number;
  /** mm by which one more step, were it to lead anywhere, would move the predictions of what was seen at most. */
  readonly leftMm: number;
  /** Corner and setup with everything moved. */
  readonly fit: Fit;
  readonly numbers: readonly MovedNumber[];
  readonly obstacles: readonly MovedObstacle[];
  readonly seen: readonly SeenBeside[];
  readonly predicted: readonly PredictedGap[];
}

export interface CalibrationQuestion {
  readonly key: CornerKey;
  readonly fit: Fit;
  readonly envelope: EnvelopeKind;
  readonly drawn?: readonly DrawnRow[] | undefined;
  readonly observations: readonly Observation[];
}

/** mm: how exactly a mark says that it just touched, and how sharp the limit between touching and not is. */
const MARK_MM = 1.5;
const TOUCH_MM = 1;

/** Standard deviations of the prediction beyond which a thing seen is questioned. */
const QUESTIONED_SD = 4;

const MOST_STEPS = 10;

/** A step halved so often without a gain leads nowhere: the likeliest is found, or the search is stuck beside it. */
const MOST_HALVES = 5;

/** mm: predictions that change by less have settled. */
const SETTLED_MM = 0.05;

/** 5 and 95 % of a normal distribution. */
const BAND_SD = 1.6449;

/** mm by which a step would change the predictions most, to first order. */
const changeMm = (here: readonly { readonly slopes: Float64Array }[], from: Float64Array, to: Float64Array): number =>
  Math.max(0, ...here.map(({ slopes }) => Math.abs(slopes.reduce((sum, v, k) => sum + v * (to[k]! - from[k]!), 0))));

/**
 * Re-estimates a corner from what was seen in test fits: least squares over everything that may be off, each with its usual tolerance
 * as the prior; each observed obstacle may lie elsewhere, its fitted edge as its readings left it open. Measured gaps and marks count both ways, rubs and clear ones only where the
 * prediction is on the wrong side. Gauss-Newton about exact predictions. @throws ProblemError for a run or setup that cannot be.
 */
export function calibrate({ key, fit, envelope, drawn, observations }: CalibrationQuestion): Calibration {
  const unknowns = unknownsOf(key, fit, observations);
  const x = new Float64Array(unknowns.count);
  const atStart = predict(key, fit, unknowns, observations);
  const precision = precisionOf(unknowns, atStart);
  const prior = likeliest(precision, [], x).covariance;
  const before = atStart.map(({ gapMm }) => gapMm);
  const missSd = observations.map((observation, i) => {
    const { miss, sigma } = missOf(observation.seen, before[i]!);
    return miss === 0 ? 0 : miss / Math.sqrt(sigma ** 2 + varianceOf(atStart[i]!.slopes, prior));
  });
  const setAside = observations.map(({ confirmed }, i) => confirmed !== true && Math.abs(missSd[i]!) > QUESTIONED_SD);

  let here = atStart;
  let point: Float64Array = x;
  let status: Calibration['status'] = 'outOfSteps';
  let iterations = 0;
  let leftMm = 0;
  /** Where the linkage does not reach, nothing is likely. */
  const costAt = (x: Float64Array): number => {
    const gaps = attempt(() => exactGaps(key, movedFit(fit, unknowns, x), unknowns, observations));
    return gaps.ok ? costOf(precision, observations, gaps.value, setAside, x) : Infinity;
  };
  while (iterations < MOST_STEPS) {
    iterations++;
    const full = likeliest(precision, rowsOf(observations, here, setAside), point).unknowns;
    let next = full;
    const costHere = costOf(
      precision,
      observations,
      here.map(({ gapMm }) => gapMm),
      setAside,
      point,
    );
    let cost = costAt(next);
    let halves = 0;
    // Where the linkage or an edge bends, or another place becomes the nearest, the step is taken by half.
    while (cost > costHere && halves < MOST_HALVES) {
      halves++;
      next = next.map((v, k) => (v + point[k]!) / 2);
      cost = costAt(next);
    }
    leftMm = changeMm(here, point, full);
    if (cost > costHere) {
      status = leftMm < SETTLED_MM ? 'converged' : 'stuck';
      break;
    }
    const there = predict(key, movedFit(fit, unknowns, next), unknowns, observations);
    const change = Math.max(0, ...there.map(({ gapMm }, i) => Math.abs(gapMm - here[i]!.gapMm)));
    point = next;
    here = there;
    if (change < SETTLED_MM) {
      leftMm = change;
      status = 'converged';
      break;
    }
  }
  const { covariance } = likeliest(precision, rowsOf(observations, here, setAside), point);

  const after = movedFit(fit, unknowns, point);
  const obstacles = unknowns.obstacles.map((place): MovedObstacle => {
    const { gap } = here.find((one) => one.gap.id === place.id)!;
    return { id: place.id, ...movedThere(place, gap, point, covariance) };
  });
  const beforeAll = gapSlopes(key, fit, envelope, drawn);
  const afterAll = gapSlopes(key, after, envelope, drawn);
  return {
    status,
    iterations,
    leftMm,
    fit: settled(after, obstacles),
    numbers: unknowns.shared.map(({ source, name }, k) => ({
      source,
      name,
      by: point[k]!,
      leftSd: Math.sqrt(covariance.get(k, k)),
    })),
    obstacles,
    seen: observations.map((observation, i) => ({
      observation,
      beforeMm: before[i]!,
      afterMm: here[i]!.gapMm,
      missSd: missSd[i]!,
      setAside: setAside[i]!,
    })),
    predicted: [...afterAll.values()].map((gap) => ({
      id: gap.id,
      before: bandOf(unknowns, beforeAll.get(gap.id) ?? gap, prior),
      after: bandOf(unknowns, gap, covariance),
    })),
  };
}

interface Prediction {
  readonly gapMm: number;
  readonly slopes: Float64Array;
  readonly gap: GapSlopes;
}

/** The least gap of each observation in its run. */
function predict(key: CornerKey, fit: Fit, unknowns: Unknowns, observations: readonly Observation[]): Prediction[] {
  const byRun = unknowns.runs.map((run) => {
    const { drawn, ...ran } = runFit(fit, run);
    return gapSlopes(key, ran, 'drawn', drawn);
  });
  return observations.map(({ obstacle, run, gainedMm = 0 }) => {
    const r = unknowns.runs.findIndex((known) => sameRun(known, run));
    const gap = byRun[r]!.get(obstacle);
    if (!gap) throw new RangeError(`obstacle ${obstacle} is not surveyed`);
    return { gapMm: gap.gapMm + gainedMm, slopes: slopesIn(unknowns, gap, r), gap };
  });
}

/** The same without slopes, mm. */
function exactGaps(key: CornerKey, fit: Fit, unknowns: Unknowns, observations: readonly Observation[]): number[] {
  const byRun = unknowns.runs.map((run) => {
    const { drawn, ...ran } = runFit(fit, run);
    return leastGapsMm(key, ran, 'drawn', drawn);
  });
  return observations.map(({ obstacle, run, gainedMm = 0 }) => {
    const r = unknowns.runs.findIndex((known) => sameRun(known, run));
    return byRun[r]!.get(obstacle)! + gainedMm;
  });
}

/** From here on what was learned, not the readings, says how far off an obstacle may be. */
function settled(fit: Fit, moves: readonly MovedObstacle[]): Fit {
  const obstacles = fit.corner.obstacles.map((obstacle) => {
    const sdMm = moves.find(({ id }) => id === obstacle.id)?.sdMm;
    return obstacle.learned && sdMm ? { ...obstacle, learned: { ...obstacle.learned, sdMm } } : obstacle;
  });
  return { ...fit, corner: { ...fit.corner, obstacles } };
}

/** What was seen less what is predicted; 0 where one-sided evidence agrees. */
function missOf(seen: Seen, gapMm: number): { readonly miss: number; readonly sigma: number } {
  switch (seen.kind) {
    case 'gap':
      return { miss: seen.mm - gapMm, sigma: USUAL.gapMm };
    case 'mark':
      return { miss: -gapMm, sigma: MARK_MM };
    case 'rubs':
      return { miss: Math.min(0, -gapMm), sigma: TOUCH_MM };
    case 'clear':
      return { miss: Math.max(0, -gapMm), sigma: TOUCH_MM };
  }
}

function rowsOf(
  observations: readonly Observation[],
  predictions: readonly Prediction[],
  setAside: readonly boolean[],
): Row[] {
  return observations.flatMap(({ seen }, i) => {
    const { gapMm, slopes } = predictions[i]!;
    const { miss, sigma } = missOf(seen, gapMm);
    const counts = seen.kind === 'gap' || seen.kind === 'mark' || miss !== 0;
    return counts && !setAside[i] ? [{ slopes, miss, sigma }] : [];
  });
}

function costOf(
  precision: Matrix,
  observations: readonly Observation[],
  gapsMm: readonly number[],
  setAside: readonly boolean[],
  x: Float64Array,
): number {
  const seen = observations.reduce((sum, observation, i) => {
    const { miss, sigma } = missOf(observation.seen, gapsMm[i]!);
    return setAside[i] ? sum : sum + (miss / sigma) ** 2;
  }, 0);
  return seen + varianceOf(x, precision);
}

function bandOf(unknowns: Unknowns, gap: GapSlopes, covariance: Matrix): Band {
  const slopes = slopesIn(unknowns, gap, null);
  // The corner's own stops and height, which no run tells of; and an obstacle that nobody observed.
  const open = unknowns.ofRun.reduce((sum, name) => sum + (gap.shared.get(name) ?? 0) ** 2, 0);
  const isObserved = unknowns.obstacles.some(({ id }) => id === gap.id);
  const own = isObserved ? 0 : varianceOf(gap.shift, openOf(gap.own));
  const sd = Math.sqrt(varianceOf(slopes, covariance) + open + own);
  return { gapMm: gap.gapMm, lowMm: gap.gapMm - BAND_SD * sd, highMm: gap.gapMm + BAND_SD * sd };
}
