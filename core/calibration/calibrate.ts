import { inverse, Matrix } from 'ml-matrix';
import type { CornerKey, DrawnRow, EnvelopeKind, Learned, ObstacleDescription } from '../clearance/description';
import { surveyedObstacles } from '../clearance/prepare';
import { dot, type Vec3 } from '../geometry/vec3';
import { edgeFactors } from '../spread/moved-edge';
import { attempt } from '../problem';
import { sharedErrors, type Fit, type SharedSource } from '../spread/shared-errors';
import { USUAL } from '../spread/usual-errors';
import { runSetup, type FitRun } from './fit-run';
import { gapSlopes, leastGapsMm, type GapSlopes } from './gap-slopes';
import { likeliest, varianceOf, type Row } from './least-squares';
import type { Observation, Seen } from './observation';

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
  readonly status: 'converged' | 'outOfSteps';
  readonly iterations: number;
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

/** mm by which a fitted edge or a surveyed shape may differ from the real one where the tire meets it. Working value of this project. */
const SHAPE_MM = 2;

/** mm: how exactly a mark says that it just touched, and how sharp the limit between touching and not is. */
const MARK_MM = 1.5;
const TOUCH_MM = 1;

/** Standard deviations of the prediction beyond which a thing seen is questioned. */
const QUESTIONED_SD = 4;

const MOST_STEPS = 10;

/** A step halved so often leads nowhere: the likeliest is found. */
const MOST_HALVES = 5;

/** mm: predictions that change by less have settled. */
const SETTLED_MM = 0.05;

/** 5 and 95 % of a normal distribution. */
const BAND_SD = 1.6449;

/** How far the wheel really went is known by its own height, run by run: these say nothing of the corner's stops. */
const OF_THE_RUN: readonly SharedSource[] = ['bumpTravel', 'droopTravel', 'parkedHeight'];

/**
 * Re-estimates a corner from what was seen in test fits: least squares over everything that may be off, each with its usual tolerance
 * as the prior; each observed obstacle may lie elsewhere as a whole. Measured gaps and marks count both ways, rubs and clear ones only where the
 * prediction is on the wrong side. Gauss-Newton about exact predictions. @throws ProblemError for a run or setup that cannot be.
 */
export function calibrate({ key, fit, envelope, drawn, observations }: CalibrationQuestion): Calibration {
  const layout = layoutOf(key, fit, observations);
  const x = new Float64Array(layout.count);
  const atStart = predict(key, fit, layout, observations);
  const precision = precisionOf(layout, atStart);
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
  /** Where the linkage does not reach, nothing is likely. */
  const costAt = (x: Float64Array): number => {
    const gaps = attempt(() => exactGaps(key, moved(fit, layout, x), layout, observations));
    return gaps.ok ? costOf(precision, observations, gaps.value, setAside, x) : Infinity;
  };
  while (iterations < MOST_STEPS) {
    iterations++;
    let next = likeliest(precision, rowsOf(observations, here, setAside), point).unknowns;
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
    if (halves === MOST_HALVES) {
      status = 'converged';
      break;
    }
    const there = predict(key, moved(fit, layout, next), layout, observations);
    const change = Math.max(0, ...there.map(({ gapMm }, i) => Math.abs(gapMm - here[i]!.gapMm)));
    point = next;
    here = there;
    if (change < SETTLED_MM) {
      status = 'converged';
      break;
    }
  }
  const { covariance } = likeliest(precision, rowsOf(observations, here, setAside), point);

  const after = moved(fit, layout, point);
  const obstacles = layout.obstacles.map((place): MovedObstacle => {
    const { gap } = here.find((one) => one.gap.id === place.id)!;
    return { id: place.id, ...movedThere(place, gap, point, covariance) };
  });
  const beforeAll = gapSlopes(key, fit, envelope, drawn);
  const afterAll = gapSlopes(key, after, envelope, drawn);
  return {
    status,
    iterations,
    fit: settled(after, obstacles),
    numbers: layout.shared.map(({ source, name }, k) => ({
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
      before: bandOf(layout, beforeAll.get(gap.id) ?? gap, prior),
      after: bandOf(layout, gap, covariance),
    })),
  };
}

/**
 * Where the unknowns stand in their list: shared numbers, each run's own; then for each observed obstacle those of the edge its readings were
 * fitted to (independent, in standard deviations) and three for the whole of it (mm).
 */
interface Layout {
  readonly shared: readonly { readonly source: SharedSource; readonly name: string }[];
  readonly runs: readonly FitRun[];
  readonly ofRun: readonly string[];
  readonly obstacles: readonly ObstaclePlace[];
  readonly count: number;
}

interface ObstaclePlace {
  readonly id: string;
  /** By each of the edge's own unknowns, what is added to its numbers; none: readings taken one by one, or a shape. */
  readonly factors: readonly Float64Array[];
  /** Where its unknowns begin. */
  readonly first: number;
}

function layoutOf(key: CornerKey, fit: Fit, observations: readonly Observation[]): Layout {
  const all = sharedErrors(fit);
  const shared = all.filter(({ source }) => !OF_THE_RUN.includes(source));
  const ofRun = all.filter(({ source }) => OF_THE_RUN.includes(source)).map(({ name }) => name);
  const runs: FitRun[] = [];
  for (const { run } of observations) if (!runs.some((known) => sameRun(known, run))) runs.push(run);
  const prepared = surveyedObstacles(key, fit.corner);
  let count = shared.length + runs.length * ofRun.length;
  const obstacles = [...new Set(observations.map(({ obstacle }) => obstacle))].map((id): ObstaclePlace => {
    const found = prepared.find((obstacle) => obstacle.id === id);
    const isSettled = fit.corner.obstacles.some((obstacle) => obstacle.id === id && obstacle.learned?.sdMm);
    const factors = found?.edge && !isSettled ? edgeFactors(found.edge) : [];
    const first = count;
    count += factors.length + 3;
    return { id, factors, first };
  });
  return { shared, runs, ofRun, obstacles, count };
}

const sameRun = (a: FitRun, b: FitRun): boolean =>
  a.lowMm === b.lowMm && a.highMm === b.highMm && a.leftDeg === b.leftDeg && a.rightDeg === b.rightDeg;

interface Prediction {
  readonly gapMm: number;
  readonly slopes: Float64Array;
  readonly gap: GapSlopes;
}

/** The least gap of each observation in its run. */
function predict(key: CornerKey, fit: Fit, layout: Layout, observations: readonly Observation[]): Prediction[] {
  const byRun = layout.runs.map((run) => {
    const { setup, drawn } = runSetup(fit.corner, fit.setup, run);
    return gapSlopes(key, { corner: fit.corner, setup }, 'drawn', drawn);
  });
  return observations.map(({ obstacle, run, gainedMm = 0 }) => {
    const r = layout.runs.findIndex((known) => sameRun(known, run));
    const gap = byRun[r]!.get(obstacle);
    if (!gap) throw new RangeError(`obstacle ${obstacle} is not surveyed`);
    return { gapMm: gap.gapMm + gainedMm, slopes: slopesIn(layout, gap, r), gap };
  });
}

/** The same without slopes, mm. */
function exactGaps(key: CornerKey, fit: Fit, layout: Layout, observations: readonly Observation[]): number[] {
  const byRun = layout.runs.map((run) => {
    const { setup, drawn } = runSetup(fit.corner, fit.setup, run);
    return leastGapsMm(key, { corner: fit.corner, setup }, 'drawn', drawn);
  });
  return observations.map(({ obstacle, run, gainedMm = 0 }) => {
    const r = layout.runs.findIndex((known) => sameRun(known, run));
    return byRun[r]!.get(obstacle)! + gainedMm;
  });
}

/** Slopes by the unknowns; `run`: whose own numbers count, null: nobody's. */
function slopesIn(layout: Layout, { id, shared, shift, own }: GapSlopes, run: number | null): Float64Array {
  const slopes = new Float64Array(layout.count);
  layout.shared.forEach(({ name }, k) => (slopes[k] = shared.get(name) ?? 0));
  if (run !== null) {
    const first = layout.shared.length + run * layout.ofRun.length;
    layout.ofRun.forEach((name, k) => (slopes[first + k] = shared.get(name) ?? 0));
  }
  const place = layout.obstacles.find((one) => one.id === id);
  if (place) {
    place.factors.forEach((_, m) => (slopes[place.first + m] = dot(shift, own[m] ?? NO_SHIFT)));
    const whole = wholeAt(place);
    for (let k = 0; k < 3; k++) slopes[whole + k] = shift[k]!;
  }
  return slopes;
}

const NO_SHIFT: Vec3 = [0, 0, 0];

/** First of the three unknowns by which an obstacle is moved as a whole. */
const wholeAt = ({ first, factors }: ObstaclePlace): number => first + factors.length;

/** Prior: standard deviations of one, and for the whole of an obstacle what its readings or shape leave open. */
function precisionOf(layout: Layout, predictions: readonly Prediction[]): Matrix {
  const precision = Matrix.eye(layout.count);
  for (const place of layout.obstacles) {
    const { gap } = predictions.find((p) => p.gap.id === place.id)!;
    const inverted = inverse(openOf(place.factors.length > 0 ? [] : gap.own));
    const own = inverted.clone().add(inverted.transpose()).mul(0.5);
    const at = wholeAt(place);
    for (let r = 0; r < 3; r++) for (let c = 0; c < 3; c++) precision.set(at + r, at + c, own.get(r, c));
  }
  return precision;
}

/** Covariance (mm squared) of independent shifts, and of what a surveyed shape never says. */
function openOf(shifts: readonly Vec3[]): Matrix {
  const sum = Matrix.eye(3).mul(SHAPE_MM ** 2);
  for (const shift of shifts) {
    for (let r = 0; r < 3; r++) for (let c = 0; c < 3; c++) sum.set(r, c, sum.get(r, c) + shift[r]! * shift[c]!);
  }
  return sum;
}

/** The fit with its unknowns moved; runs' own numbers are no part of it. */
function moved(fit: Fit, layout: Layout, x: Float64Array): Fit {
  let next = fit;
  for (const error of sharedErrors(fit)) {
    const k = layout.shared.findIndex(({ name }) => name === error.name);
    if (k >= 0 && x[k] !== 0) next = error.disturb(next, x[k]!);
  }
  const obstacles = next.corner.obstacles.map((obstacle): ObstacleDescription => {
    const found = layout.obstacles.find(({ id }) => id === obstacle.id);
    return found ? { ...obstacle, learned: { ...obstacle.learned, ...placed(obstacle, found, x) } } : obstacle;
  });
  return { ...next, corner: { ...next.corner, obstacles } };
}

/** Where its unknowns put an obstacle, what test fits taught before included. */
function placed({ learned }: ObstacleDescription, place: ObstaclePlace, x: Float64Array): Learned {
  const whole = wholeAt(place);
  const shiftMm = [0, 1, 2].map((k) => (learned?.shiftMm[k] ?? 0) + x[whole + k]!) as unknown as Vec3;
  const [factor] = place.factors;
  if (!factor) return { shiftMm };
  const edgeBy = Array.from(factor, (_, k) =>
    place.factors.reduce((sum, column, m) => sum + column[k]! * x[place.first + m]!, learned?.edgeBy?.[k] ?? 0),
  );
  return { shiftMm, edgeBy };
}

/** How an obstacle was moved where the tire meets it, and how far off it may still be there, by axis. */
function movedThere(
  place: ObstaclePlace,
  { own }: GapSlopes,
  x: Float64Array,
  covariance: Matrix,
): Pick<MovedObstacle, 'shiftMm' | 'sdMm'> {
  const whole = wholeAt(place);
  const three = (of: (axis: number) => number): Vec3 => [of(0), of(1), of(2)];
  const along = (axis: number): Float64Array => {
    const slopes = new Float64Array(x.length);
    place.factors.forEach((_, m) => (slopes[place.first + m] = own[m]?.[axis] ?? 0));
    slopes[whole + axis] = 1;
    return slopes;
  };
  return {
    shiftMm: three((axis) => along(axis).reduce((sum, slope, k) => sum + slope * x[k]!, 0)),
    sdMm: three((axis) => Math.sqrt(varianceOf(along(axis), covariance))),
  };
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

function bandOf(layout: Layout, gap: GapSlopes, covariance: Matrix): Band {
  const slopes = slopesIn(layout, gap, null);
  // The corner's own stops and height, which no run tells of; and an obstacle that nobody observed.
  const open = layout.ofRun.reduce((sum, name) => sum + (gap.shared.get(name) ?? 0) ** 2, 0);
  const isObserved = layout.obstacles.some(({ id }) => id === gap.id);
  const own = isObserved ? 0 : varianceOf(gap.shift, openOf(gap.own));
  const sd = Math.sqrt(varianceOf(slopes, covariance) + open + own);
  return { gapMm: gap.gapMm, lowMm: gap.gapMm - BAND_SD * sd, highMm: gap.gapMm + BAND_SD * sd };
}
