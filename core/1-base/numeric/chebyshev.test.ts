import { expect, test } from '@jest/globals';
import { chebyshevAt, chebyshevNodes, chebyshevSum, fitAlong } from './chebyshev';

/** Abramowitz & Stegun, Handbook of Mathematical Functions, table 22.3: T0..T5 in powers of x (value from memory). */
const WRITTEN_OUT: ((x: number) => number)[] = [
  () => 1,
  (x) => x,
  (x) => 2 * x ** 2 - 1,
  (x) => 4 * x ** 3 - 3 * x,
  (x) => 8 * x ** 4 - 8 * x ** 2 + 1,
  (x) => 16 * x ** 5 - 20 * x ** 3 + 5 * x,
];

test.each([-1, -0.83, 0, 0.31, 1])('the polynomials and their slopes at %f', (x) => {
  const values = new Float64Array(6);
  const slopes = new Float64Array(6);
  chebyshevAt(6, x, values, slopes);
  WRITTEN_OUT.forEach((polynomial, k) => {
    expect(values[k]).toBeCloseTo(polynomial(x), 12);
    const step = 1e-6;
    expect(slopes[k]).toBeCloseTo((polynomial(x + step) - polynomial(x - step)) / (2 * step), 6);
    const alone = new Float64Array(6);
    alone[k] = 1;
    expect(chebyshevSum(alone, x)).toBeCloseTo(polynomial(x), 12);
  });
});

test('a polynomial is fitted exactly, along either direction of a grid', () => {
  const f = (x: number, y: number): number => 3 - x + 0.5 * x ** 3 + 2 * x * y - y ** 2;
  const [nx, ny] = [5, 4];
  const data = Float64Array.from(chebyshevNodes(nx).flatMap((x) => chebyshevNodes(ny).map((y) => f(x, y))));
  fitAlong(data, ny, 1, [0, 4, 8, 12, 16]);
  fitAlong(data, nx, ny, [0, 1, 2, 3]);
  for (const [x, y] of [
    [0.2, -0.7],
    [-1, 1],
    [0.9, 0.05],
  ] as const) {
    const inX = Array.from({ length: nx }, (_, i) => chebyshevSum(data.subarray(i * ny, (i + 1) * ny), y));
    expect(chebyshevSum(inX, x)).toBeCloseTo(f(x, y), 12);
  }
});

test('one term is the value in the middle', () => {
  const [node] = chebyshevNodes(1);
  expect(node).toBeCloseTo(0, 12);
  const values = new Float64Array(1);
  const slopes = new Float64Array(1);
  chebyshevAt(1, 0.4, values, slopes);
  expect([values[0], slopes[0]]).toEqual([1, 0]);
});
