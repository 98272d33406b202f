import { contours } from 'd3-contour';
import type { PostureMap } from '@/core/4-clearance/pictures/posture-map';

/** Least margin of all obstacles in each posture, and which obstacle's it is. */
export function leastMargins({ obstacles, steersDeg, travelsMm }: PostureMap): {
  readonly mm: Float32Array;
  readonly of: Int16Array;
} {
  const mm = new Float32Array(steersDeg.length * travelsMm.length).fill(Infinity);
  const of = new Int16Array(mm.length).fill(-1);
  obstacles.forEach(({ marginMm }, k) => {
    marginMm.forEach((margin, i) => {
      if (margin >= mm[i]!) return;
      mm[i] = margin;
      of[i] = k;
    });
  });
  return { mm, of };
}

/** A line of equal millimeters; places in columns and rows of the map, from the middle of its first cell. */
export interface GapLine {
  readonly mm: number;
  readonly rings: readonly (readonly (readonly [column: number, row: number])[])[];
}

/** Where the map is below each of some levels: closed rings, along the map's border too. */
export function areasBelow(
  values: ArrayLike<number>,
  columns: number,
  rows: number,
  levels: readonly number[],
): GapLine[] {
  const turned = Array.from(values, (mm) => -(Number.isFinite(mm) ? mm : 1e6));
  const make = contours().size([columns, rows]);
  return levels.map((mm) => ({
    mm,
    rings: make
      .contour(turned, -mm)
      .coordinates.flat()
      .map((ring) => ring.map(([x, y]) => [x! - 0.5, y! - 0.5] as const)),
  }));
}

/** mm at which lines of equal gap are drawn: close together near touch, where it matters. */
const LEVELS_MM = [-60, -40, -30, -20, -10, 0, 5, 10, 20, 30, 40, 60, 80, 100, 150, 200, 300];

/** Of these, the levels that a map reaches. */
export function levelsWithin(values: ArrayLike<number>): number[] {
  let low = Infinity;
  let high = -Infinity;
  for (let i = 0; i < values.length; i++) {
    const mm = values[i]!;
    if (mm < low) low = mm;
    if (mm > high && mm < Infinity) high = mm;
  }
  return LEVELS_MM.filter((mm) => mm >= low && mm <= high);
}
