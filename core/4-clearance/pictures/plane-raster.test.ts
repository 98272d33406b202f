import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../1-base/numeric/seeded-random';
import { PlaneRaster, type PlaneWindow } from './plane-raster';

/** Sides that no block divides. */
const WINDOWS: readonly PlaneWindow[] = [
  { fromAMm: -37, fromRMm: 11, stepMm: 1, columns: 101, rows: 59 },
  { fromAMm: -90, fromRMm: 40, stepMm: 4, columns: 45, rows: 27 },
  { fromAMm: 0, fromRMm: 0, stepMm: 0.03, columns: 300, rows: 140 },
];

type Place = readonly [a: number, r: number];

/** Small triangles and lines all over a window and beyond its sides, some places many times. */
function strokes(window: PlaneWindow, seed: number): (readonly [Place, Place, Place])[] {
  const random = seededRandom(seed);
  const wide = window.columns * window.stepMm;
  const high = window.rows * window.stepMm;
  const around = (at: number, size: number): number => at + (random() - 0.5) * size;
  return Array.from({ length: 900 }, () => {
    const middle = [window.fromAMm + around(0.5, 1.3) * wide, window.fromRMm + around(0.5, 1.3) * high] as const;
    const place = (): Place => [around(middle[0], 0.3 * wide), around(middle[1], 0.3 * high)];
    return [place(), place(), place()];
  });
}

function draw(raster: PlaneRaster, [p, q, s]: readonly [Place, Place, Place], posture: number): void {
  raster.line(...p, ...q, 3, posture);
  raster.triangle(...p, ...q, ...s, 3, posture);
}

describe.each(WINDOWS)('cells of $stepMm mm', (window) => {
  test('what is not drawn where all is marked changes no cell', () => {
    const drawn = new PlaneRaster(window);
    const sparing = new PlaneRaster(window);
    let spared = 0;
    strokes(window, 7).forEach((stroke, posture) => {
      draw(drawn, stroke, posture);
      const [a, r] = [0, 1].map((axis) => stroke.map((place) => place[axis]!));
      if (sparing.isFull(Math.min(...a!), Math.max(...a!), Math.min(...r!), Math.max(...r!))) spared++;
      else draw(sparing, stroke, posture);
    });
    expect(sparing.marks).toEqual(drawn.marks);
    expect(spared).toBeGreaterThan(50);
  });

  test('is full where the last cell is marked, not before', () => {
    const raster = new PlaneRaster(window);
    const { fromAMm, fromRMm, stepMm, columns, rows } = window;
    const all = [fromAMm, fromAMm + columns * stepMm, fromRMm, fromRMm + rows * stepMm] as const;
    const middle = (column: number, row: number): Place => [
      fromAMm + (column + 0.5) * stepMm,
      fromRMm + (row + 0.5) * stepMm,
    ];
    const mark = (column: number, row: number): void => {
      raster.line(...middle(column, row), ...middle(column, row), 0, 0);
    };
    for (let row = 0; row < rows; row++)
      for (let column = 0; column < columns; column++) if (row + column) mark(column, row);
    expect(raster.isFull(...all)).toBe(false);
    mark(0, 0);
    mark(0, 0);
    expect(raster.isFull(...all)).toBe(true);
  });

  test('outside the window there is nothing to mark', () => {
    const raster = new PlaneRaster(window);
    const { fromAMm, fromRMm, stepMm } = window;
    expect(raster.isFull(fromAMm - 9 * stepMm, fromAMm - 2 * stepMm, fromRMm, fromRMm + stepMm)).toBe(true);
    expect(raster.isFull(fromAMm - 9 * stepMm, fromAMm + stepMm, fromRMm, fromRMm + stepMm)).toBe(false);
  });
});
