import { describe, expect, test } from '@jest/globals';
import { hatch, HATCH_MM, type SheetTriangle } from './hatch';

const SQUARE: readonly SheetTriangle[] = [
  [
    [0, 0],
    [100, 0],
    [100, 100],
  ],
  [
    [0, 0],
    [100, 100],
    [0, 100],
  ],
];
const lengths = (lines: ReturnType<typeof hatch>): number =>
  lines.reduce((sum, [a, b]) => sum + Math.hypot(b![0] - a![0], b![1] - a![1]), 0);

describe('hatching', () => {
  test('lines so far apart cover an area: their length times the distance is the area, to a line’s width', () => {
    expect(Math.abs(lengths(hatch(SQUARE)) * HATCH_MM - 100 * 100)).toBeLessThan(100 * HATCH_MM);
  });

  test('no line leaves the area, and triangles side by side share one line without a gap', () => {
    for (const line of hatch(SQUARE)) {
      for (const [x, y] of line) {
        expect(x).toBeGreaterThanOrEqual(-1e-9);
        expect(y).toBeLessThanOrEqual(100 + 1e-9);
        expect(
          Math.abs((x - y) / (HATCH_MM * Math.SQRT2) - Math.round((x - y) / (HATCH_MM * Math.SQRT2))),
        ).toBeLessThan(1e-9);
      }
    }
    const offsets = hatch(SQUARE).map(([[x, y] = [0, 0]]) => Math.round((x - y) / (HATCH_MM * Math.SQRT2)));
    expect(new Set(offsets).size).toBe(offsets.length);
  });

  test('nothing has no lines', () => expect(hatch([])).toEqual([]));
});
