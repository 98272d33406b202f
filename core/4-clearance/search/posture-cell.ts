import type { PieceSet } from '../../3-survey/shape/shape';
import { SLAB_STRIDE, type PieceTree } from '../../3-survey/shape/piece-tree';

/**
 * Numbers kept for a cell. First its postures and places: position in steps, levels, slab of the tree (or -1 for a piece),
 * corners and places of the piece. Then its image: middle along the axle and from it; the box around the image (half
 * along the axle, least radius); the cosine from straight down and how far it may swing; what ways, bends and twists miss, how
 * far anything may be from the middle, and from it round the axis, the reach of the places alone, and the ways, bends and
 * twists. Last what the rotor makes of it: the bound, and what to halve; and how far the middle is from the mount's origin.
 */
export const T = 0;
export const U = 1;
export const V = 2;
export const LT = 3;
export const LU = 4;
export const LV = 5;
export const SLAB = 6;
export const CORNERS = 7;
export const PLACES = 8;
export const ALONG = 17;
export const FROM_AXIS = 18;
export const HALF_ALONG = 19;
export const LEAST_RADIUS = 20;
export const COSINE = 21;
export const SWINGS = 22;
export const MISSED = 23;
export const FAR = 24;
export const ROUND = 25;
export const REACHES = 26;
export const WAY = 27;
export const BEND = 42;
export const TWIST = 54;
export const BOUND = 66;
export const SPLIT = 67;
export const LEVER = 68;
export const STRIDE = 69;

/** Ways: of travel, steer and the other wheel's height, then two among the places. */
export const PLACE_WAYS = 3;
/** Numbers of the five ways: along the axle, away from it and round it, each. */
export const WAY_NUMBERS = 15;
/** Bends of the pairs of postures (`PAIRS`), along the axle and away from it each: what a place moves besides, times the two shares. */
export const BEND_NUMBERS = 12;
/** Twists: how the ways among the places turn with travel, steer and the other wheel's height, along the axle and away from it each. */
export const TWIST_NUMBERS = 12;

export const SPLIT_TRAVEL = 0;
export const SPLIT_STEER = 1;
export const SPLIT_PLACE = 3;
export const SPLIT_NONE = 4;

/** Places of a cell as a slab: middle, two half ways, radius. */
export const newPlaces = (): Float64Array => new Float64Array(SLAB_STRIDE);

/** A slab of the tree; a leaf is its piece straight away. */
export function setSlab(
  open: Float64Array,
  at: number,
  slab: number,
  { left, right }: PieceTree,
  pieces: PieceSet,
): void {
  if (left[slab]! >= 0) {
    open[at + SLAB] = slab;
    return;
  }
  const piece = right[slab]!;
  open[at + SLAB] = -1;
  open[at + CORNERS] = pieces.corners[piece]!;
  for (let k = 0; k < 9; k++) open[at + PLACES + k] = pieces.vertices[9 * piece + k]!;
}

/** Halves the places of a cell that stands twice: a slab by its tree, a piece by its longest side. */
export function splitPlaces(
  open: Float64Array,
  first: number,
  second: number,
  tree: PieceTree,
  pieces: PieceSet,
): void {
  const slab = open[first + SLAB]!;
  if (slab >= 0) {
    setSlab(open, first, tree.left[slab]!, tree, pieces);
    setSlab(open, second, tree.right[slab]!, tree, pieces);
    return;
  }
  // The longest side, cut in its middle.
  const n = open[first + CORNERS]!;
  let from = 0;
  let longest = -1;
  for (let i = 0; i < (n === 2 ? 1 : n); i++) {
    const a = first + PLACES + 3 * i;
    const b = first + PLACES + 3 * ((i + 1) % n);
    const side = (open[a]! - open[b]!) ** 2 + (open[a + 1]! - open[b + 1]!) ** 2 + (open[a + 2]! - open[b + 2]!) ** 2;
    if (side > longest) {
      longest = side;
      from = i;
    }
  }
  const a = PLACES + 3 * from;
  const b = PLACES + 3 * ((from + 1) % n);
  for (let k = 0; k < 3; k++) {
    const middle = (open[first + a + k]! + open[first + b + k]!) / 2;
    open[first + b + k] = middle;
    open[second + a + k] = middle;
  }
}

/** Middle, two half ways and radius of a cell's places: of a slab, or of one piece or part of it. */
export function readPlaces(open: Float64Array, at: number, { slabs }: PieceTree, p: Float64Array): void {
  const slab = open[at + SLAB]! | 0;
  if (slab >= 0) {
    const k = slab * SLAB_STRIDE;
    for (let i = 0; i < SLAB_STRIDE; i++) p[i] = slabs[k + i]!;
    return;
  }
  const k = at + PLACES;
  const n = open[at + CORNERS]! | 0;
  p[9] = 0;
  for (let i = 0; i < 3; i++) {
    const first = open[k + i]!;
    if (n === 1) {
      p[i] = first;
      p[3 + i] = 0;
      p[6 + i] = 0;
      continue;
    }
    // A triangle lies within its side's half and its median's half, about the median's middle.
    const second = open[k + 3 + i]!;
    const middle = (first + second) / 2;
    const third = n === 3 ? open[k + 6 + i]! : middle;
    p[i] = (middle + third) / 2;
    p[3 + i] = (second - first) / 2;
    p[6 + i] = (third - middle) / 2;
  }
}

export function doubled(data: Float64Array): Float64Array<ArrayBuffer> {
  const larger = new Float64Array(2 * data.length);
  larger.set(data);
  return larger;
}
