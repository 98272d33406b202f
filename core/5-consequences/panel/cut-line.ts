import { add, cross, interpolate, length, subtract, type Vec3 } from '../../1-base/geometry/vec3';
import { LEAST_TRIANGLE_MM2 } from '../../3-survey/shape/shape';
import type { GapField, PlaceGauge } from './gap-field';
import type { PanelMesh } from '../../3-survey/shape/panel-mesh';

/** Where a sheet has to be cut so that what is wanted is left everywhere on the rest. Lengths in mm. */
export interface Cut {
  /** The line, in stretches from end to end; closed ones end where they began. Mount's frame. */
  readonly lines: readonly (readonly Vec3[])[];
  readonly lengthMm: number;
  readonly areaMm2: number;
  /** Furthest from the sheet's present edge that the line runs; where all of the sheet goes, as far as it reaches. */
  readonly depthMm: number;
  /** The present edge: where the sheet was made from one, that; else its border as far as it is taken off. */
  readonly presentEdge: readonly (readonly Vec3[])[];
  /** The sheet left and the part taken off. */
  readonly left: PanelMesh;
  readonly removed: PanelMesh;
}

/** mm of margin to which a place of the line is found; always on the side left. */
const LINE_MM = 0.02;

type Gauge = Pick<PlaceGauge, 'marginAt'>;

/** @see Cut. Nothing to cut gives no line; a sheet that is too near everywhere is removed whole. */
export function cutLine(field: GapField, gauge: Gauge): Cut {
  const { points, triangles, marginsMm } = field;
  const all = [...points];
  const onSide = new Map<string, number>();
  const isLeft = (i: number): boolean => marginsMm[i]! >= 0;
  const place = (i: number, j: number): number => {
    const key = i < j ? `${i}:${j}` : `${j}:${i}`;
    const known = onSide.get(key);
    if (known !== undefined) return known;
    const [left, taken] = isLeft(i) ? [i, j] : [j, i];
    all.push(crossing(points[left]!, points[taken]!, marginsMm[left]!, marginsMm[taken]!, gauge));
    onSide.set(key, all.length - 1);
    return all.length - 1;
  };
  const left: (readonly [number, number, number])[] = [];
  const removed: (readonly [number, number, number])[] = [];
  const pairs: (readonly [number, number])[] = [];
  for (const [a, b, c] of triangles) {
    const count = [a, b, c].filter(isLeft).length;
    if (count === 3) left.push([a, b, c]);
    else if (count === 0) removed.push([a, b, c]);
    else {
      // Turned so that the corner alone on its side comes first.
      const alone = count === 1;
      const first = [a, b, c].findIndex((i) => isLeft(i) === alone);
      const [p, q, r] = [a, b, c, a, b].slice(first, first + 3) as [number, number, number];
      const [u, v] = [place(p, q), place(r, p)];
      const [tip, rest] = alone ? [left, removed] : [removed, left];
      tip.push([p, u, v]);
      rest.push([u, q, r], [u, r, v]);
      pairs.push([u, v]);
    }
  }
  const lines = joined(pairs).map((line) => line.map((i) => all[i]!));
  const presentEdge = field.edge
    ? [field.edge]
    : borderTaken(triangles, removed, pairs).map((line) => line.map((i) => all[i]!));
  const deepest = lines.length > 0 ? lines.flat() : removed.flat().map((i) => all[i]!);
  const depths = presentEdge.length > 0 ? deepest.map((p) => distanceToLines(p, presentEdge)) : [];
  const doubleArea = (triangle: PanelMesh['triangles'][number]): number => 2 * triangleAreaMm2(all, triangle);
  // Where the line runs through a corner the triangle beside it has shrunk to a line.
  const spans = (triangle: readonly [number, number, number]): boolean => doubleArea(triangle) > LEAST_TRIANGLE_MM2;
  return {
    lines,
    lengthMm: lines.reduce((sum, line) => sum + lengthOf(line), 0),
    areaMm2: meshAreaMm2({ points: all, triangles: removed }),
    depthMm: depths.reduce((most, depth) => Math.max(most, depth), 0),
    presentEdge,
    left: { points: all, triangles: left.filter(spans) },
    removed: { points: all, triangles: removed.filter(spans) },
  };
}

const triangleAreaMm2 = (points: readonly Vec3[], [i, j, k]: PanelMesh['triangles'][number]): number =>
  length(cross(subtract(points[j]!, points[i]!), subtract(points[k]!, points[i]!))) / 2;

export const meshAreaMm2 = ({ points, triangles }: PanelMesh): number =>
  triangles.reduce((sum, triangle) => sum + triangleAreaMm2(points, triangle), 0);

/** mm from a place to the nearest of some lines. */
export const distanceToLines = (p: Vec3, lines: readonly (readonly Vec3[])[]): number =>
  lines.reduce(
    (least, line) => line.slice(1).reduce((near, to, i) => Math.min(near, distanceToSide(p, line[i]!, to)), least),
    Infinity,
  );

/** The place between two at which the margin is nothing: false position with halving (Illinois). */
function crossing(left: Vec3, taken: Vec3, leftMargin: number, takenMargin: number, gauge: Gauge): Vec3 {
  let [low, high] = [0, 1];
  let [above, below] = [leftMargin, takenMargin];
  let found = left;
  for (let round = 0; round < 12; round++) {
    const part = low + (high - low) * Math.min(0.95, Math.max(0.05, above / (above - below)));
    const point = interpolate(left, taken, part);
    const margin = gauge.marginAt(point);
    if (margin >= 0) {
      found = point;
      low = part;
      above = margin;
      below /= 2;
      if (margin <= LINE_MM) break;
    } else {
      high = part;
      below = margin;
      above /= 2;
    }
  }
  return found;
}

/** Stretches joined end to end into lines. */
function joined(pairs: readonly (readonly [number, number])[]): number[][] {
  const at = new Map<number, number[]>();
  for (const [u, v] of pairs) {
    at.set(u, [...(at.get(u) ?? []), v]);
    at.set(v, [...(at.get(v) ?? []), u]);
  }
  const lines: number[][] = [];
  const follow = (start: number): void => {
    const line = [start];
    for (let here = start; ;) {
      const next = at.get(here)?.pop();
      if (next === undefined) break;
      const back = at.get(next)!;
      back.splice(back.indexOf(here), 1);
      line.push(next);
      here = next;
    }
    if (line.length > 1) lines.push(line);
  };
  // Ends first, then what is left closes on itself.
  for (const [point, others] of at) if (others.length === 1) follow(point);
  for (const point of at.keys()) follow(point);
  return lines;
}

/** The border of a sheet, in lines; closed ones end where they began. */
export const borderLines = ({ points, triangles }: PanelMesh): Vec3[][] =>
  joined(borderOf(triangles)).map((line) => line.map((i) => points[i]!));

/** The border of a sheet so far as it is taken off: sides of what goes that are neither shared nor cut. */
function borderTaken(
  whole: GapField['triangles'],
  removed: GapField['triangles'],
  cut: readonly (readonly [number, number])[],
): number[][] {
  if (removed.length === 0) return [];
  const name = (i: number, j: number): string => (i < j ? `${i}:${j}` : `${j}:${i}`);
  const sawn = new Set(cut.map(([i, j]) => name(i, j)));
  const own = borderOf(removed).filter(([i, j]) => !sawn.has(name(i, j)));
  return joined(own.length > 0 ? own : borderOf(whole));
}

/** Sides of one triangle only. */
function borderOf(triangles: GapField['triangles']): (readonly [number, number])[] {
  const seen = new Map<string, readonly [number, number] | null>();
  for (const [a, b, c] of triangles) {
    for (const side of [
      [a, b],
      [b, c],
      [c, a],
    ] as const) {
      const [i, j] = side;
      const key = i < j ? `${i}:${j}` : `${j}:${i}`;
      seen.set(key, seen.has(key) ? null : side);
    }
  }
  return [...seen.values()].filter((side) => side !== null);
}

function distanceToSide(p: Vec3, a: Vec3, b: Vec3): number {
  const along = subtract(b, a);
  const squared = along[0] ** 2 + along[1] ** 2 + along[2] ** 2;
  const off = subtract(p, a);
  const share = squared > 0 ? (off[0] * along[0] + off[1] * along[1] + off[2] * along[2]) / squared : 0;
  const foot = add(a, [0, 1, 2].map((k) => along[k]! * Math.min(1, Math.max(0, share))) as unknown as Vec3);
  return length(subtract(p, foot));
}

const lengthOf = (line: readonly Vec3[]): number =>
  line.slice(1).reduce((sum, p, i) => sum + length(subtract(p, line[i]!)), 0);
