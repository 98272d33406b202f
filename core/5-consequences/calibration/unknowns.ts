import { inverse, Matrix } from 'ml-matrix';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { learnedOfEdge } from '../../3-survey/edge-fit/learned-edge';
import type { Learned, ObstacleDescription } from '../../3-survey/description/obstacle-description';
import { surveyedObstacles } from '../../3-survey/prepared/surveyed-obstacles';
import { dot, type Vec3 } from '../../1-base/geometry/vec3';
import { edgeFactors } from '../spread/moved-edge';
import { sharedErrors, type Fit, type SharedSource } from '../spread/shared-errors';
import type { FitRun } from './fit-run';
import type { GapSlopes } from './gap-slopes';
import { varianceOf } from './least-squares';
import type { Observation } from './observation';

/** mm by which a fitted edge or a surveyed shape may differ from the real one where the tire meets it. Working value of this project. */
const SHAPE_MM = 2;

/** How far the wheel really went is known by its own height, run by run: these say nothing of the corner's stops. */
const OF_THE_RUN: readonly SharedSource[] = ['bumpTravel', 'droopTravel', 'parkedHeight'];

/** What the model leaves out is no number that a test fit could set right. */
const NOT_LEARNED: readonly SharedSource[] = ['compliance', 'articulation'];

/**
 * Where the unknowns stand in their list: shared numbers, each run's own; then for each observed obstacle those of the edge its readings were
 * fitted to (independent, in standard deviations) and three for the whole of it (mm).
 */
export interface Unknowns {
  readonly shared: readonly { readonly source: SharedSource; readonly name: string }[];
  readonly runs: readonly FitRun[];
  readonly ofRun: readonly string[];
  readonly obstacles: readonly ObstaclePlace[];
  readonly count: number;
}

export interface ObstaclePlace {
  readonly id: string;
  /** By each of the edge's own unknowns, what is added to its numbers; none: readings taken one by one, or a shape. */
  readonly factors: readonly Float64Array[];
  /** Where its unknowns begin. */
  readonly first: number;
}

export function unknownsOf(key: CornerKey, fit: Fit, observations: readonly Observation[]): Unknowns {
  const all = sharedErrors(fit);
  const shared = all.filter(({ source }) => !OF_THE_RUN.includes(source) && !NOT_LEARNED.includes(source));
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

export const sameRun = (a: FitRun, b: FitRun): boolean =>
  a.lowMm === b.lowMm && a.highMm === b.highMm && a.leftDeg === b.leftDeg && a.rightDeg === b.rightDeg;

/** Slopes by the unknowns; `run`: whose own numbers count, null: nobody's. */
export function slopesIn(unknowns: Unknowns, { id, shared, shift, own }: GapSlopes, run: number | null): Float64Array {
  const slopes = new Float64Array(unknowns.count);
  unknowns.shared.forEach(({ name }, k) => (slopes[k] = shared.get(name) ?? 0));
  if (run !== null) {
    const first = unknowns.shared.length + run * unknowns.ofRun.length;
    unknowns.ofRun.forEach((name, k) => (slopes[first + k] = shared.get(name) ?? 0));
  }
  const place = unknowns.obstacles.find((one) => one.id === id);
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
export function precisionOf(unknowns: Unknowns, predictions: readonly { readonly gap: GapSlopes }[]): Matrix {
  const precision = Matrix.eye(unknowns.count);
  for (const place of unknowns.obstacles) {
    const { gap } = predictions.find((p) => p.gap.id === place.id)!;
    const inverted = inverse(openOf(place.factors.length > 0 ? [] : gap.own));
    const own = inverted.clone().add(inverted.transpose()).mul(0.5);
    const at = wholeAt(place);
    for (let r = 0; r < 3; r++) for (let c = 0; c < 3; c++) precision.set(at + r, at + c, own.get(r, c));
  }
  return precision;
}

/** Covariance (mm squared) of independent shifts, and of what a surveyed shape never says. */
export function openOf(shifts: readonly Vec3[]): Matrix {
  const sum = Matrix.eye(3).mul(SHAPE_MM ** 2);
  for (const shift of shifts) {
    for (let r = 0; r < 3; r++) for (let c = 0; c < 3; c++) sum.set(r, c, sum.get(r, c) + shift[r]! * shift[c]!);
  }
  return sum;
}

/** The fit with its unknowns moved; runs' own numbers are no part of it. */
export function movedFit(fit: Fit, unknowns: Unknowns, x: Float64Array): Fit {
  let next = fit;
  for (const error of sharedErrors(fit)) {
    const k = unknowns.shared.findIndex(({ name }) => name === error.name);
    if (k >= 0 && x[k] !== 0) next = error.disturb(next, x[k]!);
  }
  const obstacles = next.corner.obstacles.map((obstacle): ObstacleDescription => {
    const found = unknowns.obstacles.find(({ id }) => id === obstacle.id);
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
  const before = learnedOfEdge(learned, factor.length);
  const edgeBy = before.map((by, k) =>
    place.factors.reduce((sum, column, m) => sum + column[k]! * x[place.first + m]!, by),
  );
  return { shiftMm, edgeBy };
}

/** How an obstacle was moved where the tire meets it, and how far off it may still be there, by axis. */
export function movedThere(
  place: ObstaclePlace,
  { own }: GapSlopes,
  x: Float64Array,
  covariance: Matrix,
): { readonly shiftMm: Vec3; readonly sdMm: Vec3 } {
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
