import type { PieceSet } from './shape';

/**
 * Boxes around pieces, in a binary tree: node 0 holds everything, node k's halves are `left[k]` and `right[k]`; a
 * leaf (left = -1) is the piece `right[k]`. Six numbers a node in `boxes`: middle and half sides. mm, mount's frame.
 */
export interface PieceTree {
  readonly boxes: Float64Array;
  readonly left: Int32Array;
  readonly right: Int32Array;
}

export const BOX_STRIDE = 6;

/** Median splits along the longest side. */
export function makePieceTree({ corners, vertices }: PieceSet): PieceTree {
  const count = corners.length;
  const nodes = Math.max(1, 2 * count - 1);
  const boxes = new Float64Array(nodes * BOX_STRIDE);
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
    const low = [Infinity, Infinity, Infinity];
    const high = [-Infinity, -Infinity, -Infinity];
    for (let k = from; k < to; k++) {
      const i = order[k] as number;
      for (let j = 0; j < (corners[i] as number); j++) {
        for (let axis = 0; axis < 3; axis++) {
          const value = vertices[9 * i + 3 * j + axis] as number;
          if (value < low[axis]!) low[axis] = value;
          if (value > high[axis]!) high[axis] = value;
        }
      }
    }
    for (let axis = 0; axis < 3; axis++) {
      boxes[node * BOX_STRIDE + axis] = (low[axis]! + high[axis]!) / 2;
      boxes[node * BOX_STRIDE + 3 + axis] = (high[axis]! - low[axis]!) / 2;
    }
    if (to - from === 1) {
      right[node] = order[from] as number;
      return node;
    }
    const sides = high.map((value, axis) => value - low[axis]!);
    const axis = sides.indexOf(Math.max(...sides));
    const middle = (from + to) >> 1;
    select(order, middles, axis, from, to - 1, middle);
    left[node] = build(from, middle);
    right[node] = build(middle, to);
    return node;
  };
  if (count > 0) build(0, count);
  return { boxes, left, right };
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
