import { expect, test } from '@jest/globals';
import { sweptOutline } from './swept-outline';

/** An octahedron about (10, 20, 30), 100 mm each way, 60 mm along y. */
const from = [10, 20, 30] as const;
const corners = [
  [100, 0, 0],
  [-100, 0, 0],
  [0, 60, 0],
  [0, -60, 0],
  [0, 0, 100],
  [0, 0, -100],
];
const places = Float64Array.from(corners.flatMap((c) => c.map((v, k) => v + from[k]!)));
const triangles = Uint32Array.from([0, 2, 4, 2, 1, 4, 1, 3, 4, 3, 0, 4, 2, 0, 5, 1, 2, 5, 3, 1, 5, 0, 3, 5]);

test('the shadow of a closed shape, in each direction as far as its sides reach', () => {
  const outline = sweptOutline({ from, places, triangles }, ([x, , z]) => [x, z]);
  for (const [x, z] of outline) {
    // The shadow is a square on its corner: |x| + |z| = 100.
    expect(Math.abs(x - 10) + Math.abs(z - 30)).toBeCloseTo(100, 6);
  }
  const front = sweptOutline({ from, places, triangles }, ([, y, z]) => [y, z]);
  expect(Math.max(...front.map(([y]) => y))).toBeCloseTo(80, 6);
});
