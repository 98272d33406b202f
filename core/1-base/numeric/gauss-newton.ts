import { CholeskyDecomposition, Matrix } from 'ml-matrix';

/** How a least-squares search ended: `outOfSteps` leaves the best numbers found. */
export interface Minimum {
  readonly at: Float64Array;
  /** Sum of squares left. */
  readonly cost: number;
  /** Of the numbers, where every residual is in standard deviations. */
  readonly covariance: Matrix;
  readonly status: 'converged' | 'outOfSteps';
  readonly iterations: number;
}

const SETTLED = 1e-6;

/** A step damped so much no longer moves anything. */
const MOST_DAMPING = 1e9;

/**
 * Numbers with the least sum of squared residuals, from `start` on: Gauss-Newton with Levenberg's damping (Nocedal and Wright,
 * Numerical Optimization, 10.3). Slopes are differences over `steps`, one for each number, in its unit. Residuals that are not finite refuse a step. The
 * residuals must hold every number (a prior on each does).
 */
export function gaussNewton(
  residualsOf: (numbers: Float64Array) => Float64Array,
  start: Float64Array,
  steps: readonly number[],
  mostIterations = 40,
): Minimum {
  let at = start.slice();
  let here = residualsOf(at);
  let cost = sumOfSquares(here);
  let slopes = slopesOf(residualsOf, at, here, steps);
  let damping = 1e-3;
  let iterations = 0;
  let status: Minimum['status'] = 'outOfSteps';
  while (iterations < mostIterations) {
    iterations++;
    const normal = slopes.transpose().mmul(slopes);
    for (let k = 0; k < at.length; k++) normal.set(k, k, normal.get(k, k) * (1 + damping));
    const gradient = slopes.transpose().mmul(Matrix.columnVector([...here]));
    const step = new CholeskyDecomposition(normal).solve(gradient);
    const next = at.map((v, k) => v - step.get(k, 0));
    const there = residualsOf(next);
    const nextCost = sumOfSquares(there);
    if (nextCost <= cost) {
      const gained = cost - nextCost;
      at = next;
      here = there;
      cost = nextCost;
      slopes = slopesOf(residualsOf, at, here, steps);
      damping = Math.max(1e-7, damping / 5);
      if (gained <= SETTLED * (1 + cost)) {
        status = 'converged';
        break;
      }
    } else {
      damping *= 6;
      if (damping > MOST_DAMPING) {
        status = 'converged';
        break;
      }
    }
  }
  const inverse = new CholeskyDecomposition(slopes.transpose().mmul(slopes)).solve(Matrix.eye(at.length));
  // Off by rounding from being symmetric.
  const covariance = inverse.clone().add(inverse.transpose()).mul(0.5);
  return { at, cost, covariance, status, iterations };
}

const sumOfSquares = (values: Float64Array): number => values.reduce((sum, v) => sum + v * v, 0);

function slopesOf(
  residualsOf: (numbers: Float64Array) => Float64Array,
  at: Float64Array,
  here: Float64Array,
  steps: readonly number[],
): Matrix {
  const slopes = Matrix.zeros(here.length, at.length);
  const moved = at.slice();
  steps.forEach((step, k) => {
    moved[k] = at[k]! + step;
    const up = residualsOf(moved);
    moved[k] = at[k]! - step;
    const down = residualsOf(moved);
    moved[k] = at[k]!;
    for (let i = 0; i < here.length; i++) slopes.set(i, k, (up[i]! - down[i]!) / (2 * step));
  });
  return slopes;
}
