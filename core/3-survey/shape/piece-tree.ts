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
  { corners, vertices }: PieceSet,
  order: Int32Array,
  from: number,
  to: number,
  out: Float64Array,
  at: number,
): number {
  const each = (visit: (k: number) => void): void => {
    for (let k = from; k < to; k++) {
      const i = order[k] as number;
      for (let j = 0; j < (corners[i] as number); j++) visit(9 * i + 3 * j);
    }
  };
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  each((k) => {
    for (let axis = 0; axis < 3; axis++) {
      const value = vertices[k + axis]!;
      if (value < low[axis]!) low[axis] = value;
      if (value > high[axis]!) high[axis] = value;
    }
  });
  const sides = high.map((value, axis) => value - low[axis]!);
  const longest = sides.indexOf(Math.max(...sides));
  if (to - from > BOXED_PIECES) {
    boxSlab(low, sides, longest, out, at);
    return longest;
  }
  const furthestFrom = (x: number, y: number, z: number): number => {
    let best = -1;
    let found = 0;
    each((k) => {
      const d = (vertices[k]! - x) ** 2 + (vertices[k + 1]! - y) ** 2 + (vertices[k + 2]! - z) ** 2;
      if (d > best) {
        best = d;
        found = k;
      }
    });
    return found;
  };
  // The first way runs between two places far apart, the second square to it toward the place furthest from it.
  const a = furthestFrom((low[0]! + high[0]!) / 2, (low[1]! + high[1]!) / 2, (low[2]! + high[2]!) / 2);
  const b = furthestFrom(vertices[a]!, vertices[a + 1]!, vertices[a + 2]!);
  const first = unit(
    vertices[b]! - vertices[a]!,
    vertices[b + 1]! - vertices[a + 1]!,
    vertices[b + 2]! - vertices[a + 2]!,
  );
  const origin = [vertices[a]!, vertices[a + 1]!, vertices[a + 2]!];
  const along = (k: number, w: readonly number[]): number =>
    (vertices[k]! - origin[0]!) * w[0]! +
    (vertices[k + 1]! - origin[1]!) * w[1]! +
    (vertices[k + 2]! - origin[2]!) * w[2]!;
  let second = [0, 0, 0];
  let widest = 0;
  each((k) => {
    const s = along(k, first);
    const rest = [0, 1, 2].map((axis) => vertices[k + axis]! - origin[axis]! - s * first[axis]!);
    const d = Math.hypot(rest[0]!, rest[1]!, rest[2]!);
    if (d > widest) {
      widest = d;
      second = unit(rest[0]!, rest[1]!, rest[2]!);
    }
  });
  const reach = [first, second].map((w) => {
    let [least, most] = [Infinity, -Infinity];
    each((k) => {
      const value = along(k, w);
      least = Math.min(least, value);
      most = Math.max(most, value);
    });
    return { middle: (least + most) / 2, half: (most - least) / 2 };
  });
  const [s, w] = reach as [{ middle: number; half: number }, { middle: number; half: number }];
  let radius = 0;
  each((k) => {
    const p = along(k, first);
    const q = along(k, second);
    const rest = [0, 1, 2].map((axis) => vertices[k + axis]! - origin[axis]! - p * first[axis]! - q * second[axis]!);
    radius = Math.max(radius, Math.hypot(rest[0]!, rest[1]!, rest[2]!));
  });
  for (let axis = 0; axis < 3; axis++) {
    out[at + axis] = origin[axis]! + s.middle * first[axis]! + w.middle * second[axis]!;
    out[at + 3 + axis] = s.half * first[axis]!;
    out[at + 6 + axis] = w.half * second[axis]!;
  }
  out[at + 9] = radius * (1 + 1e-12) + 1e-9;
  return longest;
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

/** Unit vector along (x, y, z), or nothing for none. */
function unit(x: number, y: number, z: number): number[] {
  const length = Math.hypot(x, y, z);
  return length > 0 ? [x / length, y / length, z / length] : [0, 0, 0];
}

/** Puts the k-th smallest of `order[from..to]` (by `keys` along `axis`) in its place, smaller ones before it. */
function select(order: Int32Array, keys: Float64Array, axis: number, from: number, to: number, k: number): void {
  const key = (i: number): number => keys[3 * (order[i] as number) + axis] as number;
  const swap = (i: number, j: number): void => {
    const kept = order[i] as number;
    order[i] = order[j] as number;
    order[j] = kept;
  };
  let [low, high] = [from, to];
  while (low < high) {
    const pivot = key((low + high) >> 1);
    let [i, j] = [low, high];
    while (i <= j) {
      while (key(i) < pivot) i++;
      while (key(j) > pivot) j--;
      if (i <= j) swap(i++, j--);
    }
    if (k <= j) high = j;
    else if (k >= i) low = i;
    else return;
  }
}
