import { expect, test } from '@jest/globals';
import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { dice } from './dice';
import { gaussNewton } from './gauss-newton';

const wave = (x: number, [height, rate, turn]: ArrayLike<number> & Iterable<number>): number =>
  height! * Math.sin(rate! * x + turn!);

test.each([1, 2, 3, 4])(
  'a curve through noise is the one a general-purpose library (ml-levenberg-marquardt) finds, seed %d',
  (seed) => {
    const d = dice(seed);
    const truth = [d.between(2, 5), d.between(0.5, 1.2), d.between(-0.5, 0.5)];
    const x = Array.from({ length: 25 }, (_, i) => 0.25 * i);
    const y = x.map((at) => wave(at, truth) + 0.05 * d.normal());
    const start = [truth[0]! + 0.4, truth[1]! + 0.05, truth[2]! - 0.2];
    const found = gaussNewton(
      (p) => Float64Array.from(x, (at, i) => wave(at, p) - y[i]!),
      Float64Array.from(start),
      [1e-6, 1e-6, 1e-6],
    );
    const library = levenbergMarquardt({ x, y }, (p) => (at: number) => wave(at, p), {
      initialValues: start,
      maxIterations: 500,
      gradientDifference: 1e-6,
      errorTolerance: 1e-14,
    });
    expect(found.status).toBe('converged');
    library.parameterValues.forEach((value, k) => expect(found.at[k]).toBeCloseTo(value, 3));
  },
);

test('the covariance of a straight line is that of the textbook', () => {
  // Var(slope) = sigma^2 / sum (x - mean)^2 (Press et al., Numerical Recipes, 15.2).
  const x = [0, 1, 2, 5, 9];
  const mean = x.reduce((sum, v) => sum + v, 0) / x.length;
  const { covariance } = gaussNewton(
    ([a, b]) => Float64Array.from(x, (at, i) => a! + b! * at - (2 + 3 * at + (i % 2))),
    Float64Array.from([0, 0]),
    [1e-4, 1e-4],
  );
  const spread = x.reduce((sum, v) => sum + (v - mean) ** 2, 0);
  expect(covariance.get(1, 1)).toBeCloseTo(1 / spread, 8);
  expect(covariance.get(0, 0)).toBeCloseTo(1 / x.length + mean ** 2 / spread, 8);
});

test('numbers where the residuals are none are never stepped to', () => {
  const { at } = gaussNewton(([v]) => Float64Array.from([Math.sqrt(v!) - 3]), Float64Array.from([0.5]), [1e-6]);
  expect(at[0]).toBeCloseTo(9, 3);
});
