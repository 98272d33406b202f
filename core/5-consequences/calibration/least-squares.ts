import { CholeskyDecomposition, Matrix } from 'ml-matrix';

/** One thing seen, to first order about where the unknowns stand: `slopes` times their change is the change of the prediction. */
export interface Row {
  readonly slopes: ArrayLike<number>;
  /** What was seen less what is predicted where the unknowns stand. */
  readonly miss: number;
  readonly sigma: number;
}

/**
 * The likeliest unknowns under a normal prior about 0 (`precision`, symmetric) and rows of evidence taken about `at`: the normal equations.
 * Also their covariance.
 */
export function likeliest(
  precision: Matrix,
  rows: readonly Row[],
  at: ArrayLike<number>,
): { readonly unknowns: Float64Array; readonly covariance: Matrix } {
  const n = precision.rows;
  const hessian = precision.clone();
  const right = Matrix.zeros(n, 1);
  for (const { slopes, miss, sigma } of rows) {
    const weight = 1 / (sigma * sigma);
    let toZero = miss;
    for (let k = 0; k < n; k++) toZero += slopes[k]! * at[k]!;
    for (let r = 0; r < n; r++) {
      if (slopes[r] === 0) continue;
      right.set(r, 0, right.get(r, 0) + weight * slopes[r]! * toZero);
      for (let c = 0; c < n; c++) hessian.set(r, c, hessian.get(r, c) + weight * (slopes[r]! * slopes[c]!));
    }
  }
  const factor = new CholeskyDecomposition(hessian);
  const inverse = factor.solve(Matrix.eye(n));
  const found = factor.solve(right);
  return {
    unknowns: Float64Array.from({ length: n }, (_, k) => found.get(k, 0)),
    // Off by rounding from being symmetric.
    covariance: inverse.clone().add(inverse.transpose()).mul(0.5),
  };
}

/** Variance of a prediction. */
export function varianceOf(slopes: ArrayLike<number>, covariance: Matrix): number {
  let sum = 0;
  for (let r = 0; r < covariance.rows; r++) {
    if (slopes[r] === 0) continue;
    for (let c = 0; c < covariance.columns; c++) sum += slopes[r]! * covariance.get(r, c) * slopes[c]!;
  }
  return sum;
}
