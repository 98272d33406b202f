import { expect, test } from '@jest/globals';
import { Matrix } from 'ml-matrix';
import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { dice } from '../../1-base/numeric/dice';
import { contradictions, type Observation } from './observation';
import { likeliest, varianceOf } from './least-squares';

test.each([1, 2, 3])(
  'the likeliest unknowns are those of a general least-squares library (ml-levenberg-marquardt), seed %d',
  (seed) => {
    const d = dice(seed);
    const [n, rows] = [4, 7];
    const seen = Array.from({ length: rows }, () => ({
      slopes: Array.from({ length: n }, () => d.between(-2, 2)),
      miss: d.between(-5, 5),
      sigma: d.between(0.5, 3),
    }));
    const sigmas = Array.from({ length: n }, () => d.between(0.5, 2));
    const precision = Matrix.diag(sigmas.map((sigma) => 1 / sigma ** 2));
    const { unknowns, covariance } = likeliest(precision, seen, new Float64Array(n));

    // The library fits y(x; p): row x of all rows, priors as rows of their own that ask for 0.
    const all = [
      ...seen,
      ...sigmas.map((sigma, k) => ({ slopes: Array.from({ length: n }, (_, c) => (c === k ? 1 : 0)), miss: 0, sigma })),
    ];
    const fitted = levenbergMarquardt(
      { x: all.map((_, i) => i), y: all.map(({ miss }) => miss) },
      (p) => (x: number) => all[x]!.slopes.reduce((sum, slope, k) => sum + slope * p[k]!, 0),
      {
        initialValues: Array.from({ length: n }, () => 0.1),
        // It divides by 1 / weight squared.
        weights: all.map(({ sigma }) => 1 / sigma),
        maxIterations: 500,
        gradientDifference: 1e-4,
        errorTolerance: 1e-14,
      },
    );
    fitted.parameterValues.forEach((value, k) => expect(unknowns[k]).toBeCloseTo(value, 4));
    // A prediction's variance is never more than the prior's, and falls with every row.
    const slopes = [1, -1, 0.5, 2];
    expect(varianceOf(slopes, covariance)).toBeLessThan(
      slopes.reduce((sum, slope, k) => sum + (slope * sigmas[k]!) ** 2, 0),
    );
  },
);

test('one number read twice, by hand: the mean weighted by its variances, and its standard deviation', () => {
  const rows = [
    { slopes: [1], miss: 10, sigma: 2 },
    { slopes: [1], miss: 16, sigma: 1 },
  ];
  const { unknowns, covariance } = likeliest(Matrix.diag([1 / 4]), rows, [0]);
  // Weights 1/4 for 0, 1/4 for 10 and 1 for 16.
  expect(unknowns[0]).toBeCloseTo((2.5 + 16) / 1.5, 12);
  expect(covariance.get(0, 0)).toBeCloseTo(1 / 1.5, 12);
});

test('touched in a small run and clear in a larger one cannot both be; the other way round it can', () => {
  const small = { lowMm: 0, highMm: 40, leftDeg: 35, rightDeg: 0 };
  const large = { lowMm: -20, highMm: 90, leftDeg: 35, rightDeg: 31 };
  const see = (run: typeof small, seen: Observation['seen'], obstacle = 'lip'): Observation => ({
    obstacle,
    run,
    seen,
  });
  expect(contradictions([see(small, { kind: 'rubs' }), see(large, { kind: 'clear' })])).toEqual([
    { first: 0, second: 1 },
  ]);
  expect(contradictions([see(large, { kind: 'gap', mm: 20 }), see(small, { kind: 'mark' })])).toHaveLength(1);
  expect(contradictions([see(small, { kind: 'clear' }), see(large, { kind: 'rubs' })])).toEqual([]);
  expect(contradictions([see(small, { kind: 'rubs' }), see(large, { kind: 'clear' }, 'arm')])).toEqual([]);
});
