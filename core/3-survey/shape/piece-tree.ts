import type { PieceSet } from './shape';

/**
 * Slabs around pieces, in a binary tree: node 0 holds everything, node k's halves are `left[k]` and `right[k]`; a leaf
 * (left = -1) is the piece `right[k]`. A slab is a middle, two half ways square to each other, and a radius: every
 * place of its pieces is within the radius of middle + s * first + w * second, s and w from -1 to 1. Ten numbers a
 * node in `slabs`; mm, mount's frame.
 */
export interface PieceTree {
  readonly slabs: Float64Array;
  readonly left: Int32Array;
  readonly right: Int32Array;
}

export const SLAB_STRIDE = 10;

/** Median splits along the longest side of the box around the pieces. */
export function makePieceTree(pieces: PieceSet): PieceTree {
  const { corners, vertices } = pieces;
  const count = corners.length;
  const nodes = Math.max(1, 2 * count - 1);
  const slabs = new Float64Array(nodes * SLAB_STRIDE);
  const left = new Int32Array(nodes).fill(-1);
  const right = new Int32Array(nodes);
  const middles = new Float64Array(3 * count);
  for (let i = 0; i < count; i++) {
    const n = corners[i] as number;
    for (let axis = 0; axis < 3; axis++) {
      let sum = 0;
      for (let j = 0; j < n; j++) sum += vertices[9 * i + 3 * j + axis] as number;
      middles[3 * i + axis] = sum / n;
    }
  }
  const order = Int32Array.from({ length: count }, (_, i) => i);
  let used = 0;

  const build = (from: number, to: number): number => {
    const node = used++;
    if (to - from === 1) {
      right[node] = order[from] as number;
      return node;
    }
    const axis = fillSlab(pieces, order, from, to, slabs, node * SLAB_STRIDE);
    const middle = (from + to) >> 1;
    select(order, middles, axis, from, to - 1, middle);
    left[node] = build(from, middle);
    right[node] = build(middle, to);
    return node;
  };
  if (count > 0) build(0, count);
  return { slabs, left, right };
}

/** Slab around pieces `order[from..to)` into `out`; gives the axis along which they reach furthest. */
function fillSlab(
  pieces: PieceSet,
  order: Int32Array,
  from: number,
  to: number,
  out: Float64Array,
  at: number,
): number {
  const points = pointsOf(pieces, order, from, to);
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  for (let k = 0; k < points.length; k += 3) {
    for (let axis = 0; axis < 3; axis++) {
      const value = points[k + axis]!;
      if (value < low[axis]!) low[axis] = value;
      if (value > high[axis]!) high[axis] = value;
    }
  }
  const sides = high.map((value, axis) => value - low[axis]!);
  const longest = sides.indexOf(Math.max(...sides));
  if (to - from > BOXED_PIECES) boxSlab(low, sides, longest, out, at);
  else turnedSlab(points, low, high, out, at);
  return longest;
}

/** Corners of pieces `order[from..to)`: x, y, z each. */
function pointsOf({ corners, vertices }: PieceSet, order: Int32Array, from: number, to: number): Float64Array {
  let count = 0;
  for (let k = from; k < to; k++) count += 3 * corners[order[k]!]!;
  const points = new Float64Array(count);
  let at = 0;
  for (let k = from; k < to; k++) {
    const first = 9 * order[k]!;
    for (let i = first; i < first + 3 * corners[order[k]!]!; i++) points[at++] = vertices[i]!;
  }
  return points;
}

/** The slab whose first way runs between two places far apart, and whose second toward the place furthest from that. */
function turnedSlab(
  points: Float64Array,
  low: readonly number[],
  high: readonly number[],
  out: Float64Array,
  at: number,
): void {
  const start = furthestFrom(points, (low[0]! + high[0]!) / 2, (low[1]! + high[1]!) / 2, (low[2]! + high[2]!) / 2);
  const [ox, oy, oz] = [points[start]!, points[start + 1]!, points[start + 2]!];
  const end = furthestFrom(points, ox, oy, oz);
  const [fx, fy, fz] = unit(points[end]! - ox, points[end + 1]! - oy, points[end + 2]! - oz);
  let [sx, sy, sz]: Direction = [0, 0, 0];
  let widest = 0;
  let [firstLow, firstHigh] = [Infinity, -Infinity];
  for (let k = 0; k < points.length; k += 3) {
    const [x, y, z] = [points[k]! - ox, points[k + 1]! - oy, points[k + 2]! - oz];
    const along = x * fx + y * fy + z * fz;
    firstLow = Math.min(firstLow, along);
    firstHigh = Math.max(firstHigh, along);
    const beside = (x - along * fx) ** 2 + (y - along * fy) ** 2 + (z - along * fz) ** 2;
    if (beside <= widest) continue;
    widest = beside;
    [sx, sy, sz] = unit(x - along * fx, y - along * fy, z - along * fz);
  }
  let [secondLow, secondHigh] = [Infinity, -Infinity];
  let squared = 0;
  for (let k = 0; k < points.length; k += 3) {
    const [x, y, z] = [points[k]! - ox, points[k + 1]! - oy, points[k + 2]! - oz];
    const p = x * fx + y * fy + z * fz;
    const q = x * sx + y * sy + z * sz;
    secondLow = Math.min(secondLow, q);
    secondHigh = Math.max(secondHigh, q);
    const away = (x - p * fx - q * sx) ** 2 + (y - p * fy - q * sy) ** 2 + (z - p * fz - q * sz) ** 2;
    if (away > squared) squared = away;
  }
  const origin = [ox, oy, oz];
  const ways = [
    [fx, sx],
    [fy, sy],
    [fz, sz],
  ];
  for (let axis = 0; axis < 3; axis++) {
    const [first, second] = ways[axis]!;
    out[at + axis] = origin[axis]! + ((firstLow + firstHigh) / 2) * first! + ((secondLow + secondHigh) / 2) * second!;
    out[at + 3 + axis] = ((firstHigh - firstLow) / 2) * first!;
    out[at + 6 + axis] = ((secondHigh - secondLow) / 2) * second!;
  }
  out[at + 9] = Math.sqrt(squared) * (1 + 1e-12) + 1e-9;
}

/** Where in `points` the one furthest from a place begins. */
function furthestFrom(points: Float64Array, x: number, y: number, z: number): number {
  let most = -1;
  let found = 0;
  for (let k = 0; k < points.length; k += 3) {
    const d = (points[k]! - x) ** 2 + (points[k + 1]! - y) ** 2 + (points[k + 2]! - z) ** 2;
    if (d <= most) continue;
    most = d;
    found = k;
  }
  return found;
}

/** Groups of more pieces than this take the slab of their box: nearly as tight for a crowd, and quick. */
const BOXED_PIECES = 48;

/** The slab of a box: its two longer sides, and half the shortest as radius. */
function boxSlab(
  low: readonly number[],
  sides: readonly number[],
  longest: number,
  out: Float64Array,
  at: number,
): void {
  const shortest = [0, 1, 2].filter((axis) => axis !== longest).reduce((a, b) => (sides[b]! < sides[a]! ? b : a));
  for (let axis = 0; axis < 3; axis++) {
    out[at + axis] = low[axis]! + sides[axis]! / 2;
    out[at + 3 + axis] = axis === longest ? sides[axis]! / 2 : 0;
    out[at + 6 + axis] = axis !== longest && axis !== shortest ? sides[axis]! / 2 : 0;
  }
  out[at + 9] = sides[shortest]! / 2 + 1e-9;
}

type Direction = [number, number, number];

/** Unit vector along (x, y, z), or nothing for none. */
function unit(x: number, y: number, z: number): Direction {
  const length = Math.hypot(x, y, z);
  return length > 0 ? [x / length, y / length, z / length] : [0, 0, 0];
}

/** Puts the k-th smallest of `order[from..to]` (by `keys` along `axis`) in its place, smaller ones before it. */
function select(order: Int32Array, keys: Float64Array, axis: number, from: number, to: number, k: number): void {
  let [low, high] = [from, to];
  while (low < high) {
    const pivot = keys[3 * order[(low + high) >> 1]! + axis]!;
    let [i, j] = [low, high];
    while (i <= j) {
      while (keys[3 * order[i]! + axis]! < pivot) i++;
      while (keys[3 * order[j]! + axis]! > pivot) j--;
      if (i > j) break;
      const kept = order[i]!;
      order[i++] = order[j]!;
      order[j--] = kept;
    }
    if (k <= j) high = j;
    else if (k >= i) low = i;
    else return;
  }
}
