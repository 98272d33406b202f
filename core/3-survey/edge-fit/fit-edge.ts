import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { nearestTouch, placeOf, type PlaceOfReading, type RubEvidence, type RubTouch } from './belonging';
import { covarianceOf } from './edge-gap';
import type { EdgeModel } from './edge-model';
import { squaresOf, type Evidence } from './evidence';
import { HUBER, normalEquations } from './normal-equations';

/** `stuck`: no step however short led further down, though the slopes say that one should. */
export type FitStatus = 'converged' | 'outOfSteps' | 'stuck';

export interface EdgeFit {
  readonly q: Float64Array;
  /** Of the numbers, as far as readings and priors tell. */
  readonly covariance: Matrix;
  /** By reading: place on the edge it belongs to, and its misses (gap, across, clock) in standard deviations. */
  readonly readings: readonly ReadingFit[];
  readonly status: FitStatus;
  readonly iterations: number;
  /** By how much rubs are not found where they were seen, or are found where there are none: largest, in standard deviations. */
  readonly rubMiss: number;
  /** Sum of squares left: readings, rubs and priors. */
  readonly cost: number;
}

export interface ReadingFit {
  readonly s: number;
  readonly t: number;
  readonly misses: Float64Array;
  /** The gap's variance left by the fit here, as a share of the reading's own: 1 = nothing but this reading holds the edge here. */
  readonly leverage: number;
}

const MOST_STEPS = 25;

const SETTLED = 1e-6;

/** Steps damped so much no longer move anything. */
const MOST_DAMPING = 1e8;

/**
 * The likeliest edge of a family under its readings: each reading belongs to the place of the edge that it fits best. Gauss-Newton
 * with a Levenberg damping; places are eliminated from the normal equations (variable projection), so their own freedom
 * is counted in the covariance.
 */
export function fitEdge(
  model: EdgeModel,
  evidence: readonly Evidence[],
  rubs: readonly RubEvidence[] = [],
  start: Float64Array = model.mean,
  mostSteps = MOST_STEPS,
): EdgeFit {
  const n = model.mean.length;
  let q = Float64Array.from(start);
  let here = stand(model, evidence, rubs, q, null);
  let damping = 1e-3;
  let status: EdgeFit['status'] = 'outOfSteps';
  let iterations = 0;
  let normal = normalEquations(model, evidence, q, here);
  while (iterations < mostSteps) {
    iterations++;
    const damped = normal.hessian.clone();
    for (let k = 0; k < n; k++) damped.set(k, k, damped.get(k, k) * (1 + damping));
    const step = new CholeskyDecomposition(damped).solve(Matrix.columnVector([...normal.gradient]));
    const next = q.map((v, k) => v - step.get(k, 0));
    const there = stand(model, evidence, rubs, next, iterations % 4 === 0 ? null : here);
    if (there.cost <= here.cost) {
      const gained = here.cost - there.cost;
      q = next;
      here = there;
      damping = Math.max(1e-6, damping / 5);
      normal = normalEquations(model, evidence, q, here);
      if (gained < SETTLED * (1 + here.cost)) {
        status = 'converged';
        break;
      }
    } else {
      damping *= 6;
      if (damping > MOST_DAMPING) {
        status = promisedGain(normal) < SETTLED * (1 + here.cost) ? 'converged' : 'stuck';
        break;
      }
    }
  }
  const inverse = new CholeskyDecomposition(normal.known).solve(Matrix.eye(n));
  // Off by rounding from being symmetric.
  const covariance = inverse.clone().add(inverse.transpose()).mul(0.5);
  return {
    q,
    covariance,
    readings: here.places.map((place, i) => ({
      ...place,
      leverage: Math.min(1, covarianceOf(normal.gapRows[i]!, covariance, normal.gapRows[i]!)),
    })),
    status,
    iterations,
    rubMiss: Math.max(0, ...here.touches.map(({ miss }) => Math.abs(miss))),
    cost: here.cost,
  };
}

/** By how much the cost would fall over a full step, were everything as straight as its slopes (Newton's decrement). */
function promisedGain({ hessian, gradient }: ReturnType<typeof normalEquations>): number {
  const step = new CholeskyDecomposition(hessian).solve(Matrix.columnVector([...gradient]));
  return gradient.reduce((sum, g, k) => sum + g * step.get(k, 0), 0);
}

interface Stand {
  readonly places: readonly PlaceOfReading[];
  readonly touches: readonly RubTouch[];
  readonly cost: number;
}

/** Squares up to the Huber limit, straight beyond. */
const huber = (squares: number): number => {
  const size = Math.sqrt(squares);
  return size <= HUBER ? squares : HUBER * (2 * size - HUBER);
};

function stand(
  model: EdgeModel,
  evidence: readonly Evidence[],
  rubs: readonly RubEvidence[],
  q: Float64Array,
  before: Stand | null,
): Stand {
  const places = evidence.map((e, i) => placeOf(model, e, q, before?.places[i] ?? null));
  const touches = rubs.flatMap((rub) => nearestTouch(model, rub, q));
  let cost = 0;
  for (const { misses } of places) cost += huber(squaresOf(misses));
  // One word against many readings must not carry the edge off, any more than one slip of the tape.
  for (const { miss } of touches) cost += huber(miss * miss);
  for (let k = 0; k < q.length; k++) cost += ((q[k]! - model.mean[k]!) / model.sigma[k]!) ** 2;
  return { places, touches, cost };
}
