import { expect, test } from '@jest/globals';
import { cellDistances } from './distance-transform';
import { seededRandom } from './seeded-random';

/** Every cell against every mark. */
function plain(marks: Uint8Array, columns: number, rows: number): number[] {
  const marked = [...marks.keys()].filter((i) => marks[i]);
  return Array.from({ length: columns * rows }, (_, i) =>
    Math.min(
      Infinity,
      ...marked.map(
        (m) => ((m % columns) - (i % columns)) ** 2 + (Math.floor(m / columns) - Math.floor(i / columns)) ** 2,
      ),
    ),
  );
}

test.each([
  [1, 37, 23, 0.02],
  [2, 5, 60, 0.1],
  [3, 60, 5, 0.3],
  [4, 31, 31, 0.002],
  [5, 12, 17, 0],
])('seed %i, %i x %i cells, share marked %f: as every cell against every mark', (seed, columns, rows, share) => {
  const random = seededRandom(seed);
  const marks = Uint8Array.from({ length: columns * rows }, () => (random() < share ? 1 : 0));
  const { squared, nearest } = cellDistances(marks, columns, rows);
  expect([...squared]).toEqual(plain(marks, columns, rows));
  nearest.forEach((m, i) => {
    if (squared[i] === Infinity) {
      expect(m).toBe(-1);
      return;
    }
    expect(marks[m]).toBe(1);
    const away = ((m % columns) - (i % columns)) ** 2 + (Math.floor(m / columns) - Math.floor(i / columns)) ** 2;
    expect(away).toBe(squared[i]);
  });
});
