import type { SheetPoint } from '@/core/5-consequences/panel/flat-sheet';

export type SheetTriangle = readonly [SheetPoint, SheetPoint, SheetPoint];

/** mm between hatch lines. */
export const HATCH_MM = 6;

/** Lines at 45 degrees, rising to the right, over an area of triangles; neighbours are crossed without a gap. */
export function hatch(triangles: readonly SheetTriangle[], spacingMm = HATCH_MM): SheetPoint[][] {
  const step = spacingMm * Math.SQRT2;
  const spans = new Map<number, [from: number, to: number][]>();
  for (const triangle of triangles) {
    // A line is x - y = offset; along it x runs.
    const offsets = triangle.map(([x, y]) => x - y);
    for (let k = Math.ceil(Math.min(...offsets) / step); k * step <= Math.max(...offsets); k++) {
      const met = crossings(triangle, k * step);
      if (met.length === 2) spans.set(k, [...(spans.get(k) ?? []), [Math.min(...met), Math.max(...met)]]);
    }
  }
  return [...spans].flatMap(([k, found]) =>
    merged(found).map(([from, to]): SheetPoint[] => [
      [from, from - k * step],
      [to, to - k * step],
    ]),
  );
}

/** x at which a line meets the sides of a triangle: two, or none where it only touches a corner. */
function crossings(triangle: SheetTriangle, offset: number): number[] {
  const found = triangle.flatMap(([ax, ay], i) => {
    const [bx, by] = triangle[(i + 1) % 3]!;
    const [a, b] = [ax - ay - offset, bx - by - offset];
    return a < 0 === b < 0 ? [] : [ax + ((bx - ax) * a) / (a - b)];
  });
  return found.length === 2 ? found : [];
}

const TOUCH_MM = 0.05;

function merged(spans: readonly (readonly [number, number])[]): [number, number][] {
  const out: [number, number][] = [];
  for (const [from, to] of [...spans].sort((a, b) => a[0] - b[0])) {
    const last = out.at(-1);
    if (last && from <= last[1] + TOUCH_MM) last[1] = Math.max(last[1], to);
    else out.push([from, to]);
  }
  return out.filter(([from, to]) => to - from > TOUCH_MM);
}
