import { expect, test } from '@jest/globals';
import type { PostureMap } from '@/core/4-clearance/pictures/posture-map';
import { areasBelow, leastMargins, levelsWithin } from './gap-lines';

const COLUMNS = 21;
const ROWS = 11;
/** A slope: 3 mm more a column, so every line of equal gap is upright. */
const slope = Float32Array.from({ length: COLUMNS * ROWS }, (_, i) => 3 * (i % COLUMNS) - 12);

test('a line of equal gap lies where the map has that gap', () => {
  const [zero] = areasBelow(slope, COLUMNS, ROWS, [0]);
  const inner = zero!.rings[0]!.filter(([column, row]) => column > 0.5 && row > 0 && row < ROWS - 1);
  expect(inner.length).toBeGreaterThan(5);
  for (const [column] of inner) expect(column).toBeCloseTo(4, 6);
});

test('levels lie within the map, closest near touch', () => {
  expect(levelsWithin(slope)).toEqual([-10, 0, 5, 10, 20, 30, 40]);
  expect(levelsWithin([Infinity])).toEqual([]);
});

test('the least margin of all obstacles, and whose it is', () => {
  const map = {
    steersDeg: Float64Array.of(-1, 1),
    travelsMm: Float64Array.of(0),
    obstacles: [
      { id: 'a', gapMm: Float32Array.of(20, 3), marginMm: Float32Array.of(12, -5) },
      { id: 'b', gapMm: Float32Array.of(9, 30), marginMm: Float32Array.of(1, 22) },
    ],
  } as unknown as PostureMap;
  const { mm, of } = leastMargins(map);
  expect([...mm]).toEqual([1, -5]);
  expect([...of]).toEqual([1, 0]);
});
