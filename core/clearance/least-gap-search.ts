import { newMeasure, type ConvexPiece } from '../geometry/convex-piece';
import type { PieceSet } from '../obstacle/shape';
import { BOX_STRIDE, type PieceTree } from '../obstacle/piece-tree';
import { LOADED_HALF_ANGLE } from '../tire/allowance';
import { DEEP_OVERLAP_MM, SEARCH_TOLERANCE_MM } from '../tolerances';
import {
  CORNER_DOWN,
  DOWN,
  MISS,
  MISS_TURN,
  OTHER_LEVELS,
  OTHER_STEPS,
  REACH,
  SLOPE_OTHER,
  SLOPE_STEER,
  SLOPE_TRAVEL,
  STEER_LEVELS,
  STEER_STEPS,
  SWING,
  TRAVEL_LEVELS,
  TRAVEL_STEPS,
  TURN,
  type PostureCells,
} from './posture-cells';
import { solidDistance, type Rotor, type Solid } from './rotor';

/** Answer of a search over one obstacle. */
export interface SearchAnswer {
  /** `deep`: overlap deeper than is followed exactly; `stopped`: the work limit was met. Neither is proven least. */
  readonly status: 'solved' | 'deep' | 'stopped';
  /** Signed distance to the bare pieces, mm: met in the posture and at the place named. */
  readonly distance: number;
  readonly stretch: number;
  readonly t: number;
  readonly u: number;
  readonly v: number;
  /** Mount's frame, mm. */
  readonly x: number;
  readonly y: number;
  readonly z: number;
  /** Cells looked at. */
  readonly cells: number;
}

/** Cells after which a search gives up. */
const WORK_LIMIT = 100_000;

/** Numbers of an open cell: 0 stretch, 1-3 position, 4-6 levels, 7 bound, 8 split, 9 box or -1, 10 corners, 11.. places. */
const STRETCH = 0;
const T = 1;
const U = 2;
const V = 3;
const LT = 4;
const LU = 5;
const LV = 6;
const BOUND = 7;
const SPLIT = 8;
const BOX = 9;
const CORNERS = 10;
const PLACES = 11;
const STRIDE = 20;

const SPLIT_TRAVEL = 0;
const SPLIT_STEER = 1;
const SPLIT_PLACE = 3;
const SPLIT_NONE = 4;

/** mm: weighs a cell's bend against its slope when choosing what to halve; about a shoulder's radius. */
const BEND_RADIUS = 30;

/** mm: pieces shorter than this are not cut further. */
const LEAST_PIECE_MM = 0.005;

/** Cosine of the angle from straight down within which the loaded shape counts. */
const COS_LOADED = Math.cos(LOADED_HALF_ANGLE);

const { abs, max, sqrt } = Math;

/**
 * Branch and bound for the least signed distance between a rotor and one obstacle over all postures of the cells and
 * all places of the pieces. Every open cell (postures x places) is seen in the plane (a, r) of axle line and radius as
 * the image of its middle, the slopes of that image, and a bound on what the slopes miss. The rotor is covered by convex
 * pieces, and a convex piece's distance lies above its tangent, which with the slopes bounds the whole cell from below;
 * where a cell may reach inside, the distance changes by at most 1 mm a mm. Cells that cannot beat the best place met so
 * far (by `SEARCH_TOLERANCE_MM`) are dropped, the others halved where it tells most. docs/method.md derives the bounds.
 */
export class LeastGapSearch {
  #open = new Float64Array(512 * STRIDE);
  #count = 0;
  readonly #out = newMeasure();
  readonly #slopes = new Float64Array(9);
  // The best place met so far.
  #best = Infinity;
  readonly #at = new Float64Array(7);
  #cellsSeen = 0;

  #cells!: PostureCells;
  #rotor!: Rotor;
  #tree!: PieceTree;
  #pieces!: PieceSet;
  #solid!: Solid;
  #loadedTire: ConvexPiece | null = null;

  /** Least distance for one obstacle; `insideWheel` measures to the hollow wheel. */
  run(cells: PostureCells, rotor: Rotor, pieces: PieceSet, tree: PieceTree, insideWheel: boolean): SearchAnswer {
    this.#cells = cells;
    this.#rotor = rotor;
    this.#tree = tree;
    this.#pieces = pieces;
    this.#solid = insideWheel ? rotor.hollow : rotor.filled;
    this.#loadedTire = insideWheel ? null : (rotor.loaded.pieces[0] as ConvexPiece);
    this.#best = Infinity;
    this.#count = 0;
    this.#cellsSeen = 0;
    for (let stretch = 0; stretch < cells.stretches.length; stretch++) {
      const at = this.#push();
      const open = this.#open;
      open[at + STRETCH] = stretch;
      open[at + T] = TRAVEL_STEPS / 2;
      open[at + U] = STEER_STEPS / 2;
      open[at + V] = OTHER_STEPS / 2;
      open[at + LT] = open[at + LU] = open[at + LV] = 0;
      this.#setBox(at, 0);
      this.#measure(at);
    }
    while (this.#count > 0 && this.#cellsSeen < WORK_LIMIT && this.#best >= -DEEP_OVERLAP_MM) this.#step();
    const at = this.#at;
    return {
      status: this.#count === 0 ? 'solved' : this.#best < -DEEP_OVERLAP_MM ? 'deep' : 'stopped',
      distance: this.#best,
      stretch: at[0]!,
      t: at[1]!,
      u: at[2]!,
      v: at[3]!,
      x: at[4]!,
      y: at[5]!,
      z: at[6]!,
      cells: this.#cellsSeen,
    };
  }

  #push(): number {
    const at = this.#count++ * STRIDE;
    if (at + STRIDE > this.#open.length) {
      const larger = new Float64Array(2 * this.#open.length);
      larger.set(this.#open);
      this.#open = larger;
    }
    return at;
  }

  /** A box of the tree; a leaf is its piece straight away. */
  #setBox(at: number, box: number): void {
    const { left, right } = this.#tree;
    const open = this.#open;
    if (left[box]! >= 0) {
      open[at + BOX] = box;
      return;
    }
    const piece = right[box]!;
    open[at + BOX] = -1;
    open[at + CORNERS] = this.#pieces.corners[piece]!;
    for (let k = 0; k < 9; k++) open[at + PLACES + k] = this.#pieces.vertices[9 * piece + k]!;
  }

  /** Cells whose bound is no less than this cannot hold anything worth finding. */
  #limit(): number {
    return this.#best - SEARCH_TOLERANCE_MM;
  }

  /** Takes the newest open cell, drops or halves it. */
  #step(): void {
    const at = --this.#count * STRIDE;
    const split = this.#open[at + SPLIT]!;
    if (this.#open[at + BOUND]! >= this.#limit() || split === SPLIT_NONE) return;
    // The cell's own slot becomes one half, the next slot the other.
    const first = this.#push();
    const second = this.#push();
    const open = this.#open;
    open.copyWithin(second, first, first + STRIDE);
    if (split === SPLIT_PLACE) this.#splitPlace(first, second);
    else {
      const level = ++open[first + LT + split]!;
      open[second + LT + split] = level;
      const quarter =
        (split === SPLIT_TRAVEL ? TRAVEL_STEPS : split === SPLIT_STEER ? STEER_STEPS : OTHER_STEPS) >> (level + 1);
      open[first + T + split]! -= quarter;
      open[second + T + split]! += quarter;
    }
    this.#measure(first);
    this.#measure(second);
    const limit = this.#limit();
    // The better half on top; halves that are done for are not kept.
    if (open[first + BOUND]! < open[second + BOUND]!) {
      for (let k = 0; k < STRIDE; k++) {
        const kept = open[first + k]!;
        open[first + k] = open[second + k]!;
        open[second + k] = kept;
      }
    }
    if (open[second + BOUND]! >= limit) this.#count -= 2;
    else if (open[first + BOUND]! >= limit) {
      open.copyWithin(first, second, second + STRIDE);
      this.#count--;
    }
  }

  #splitPlace(first: number, second: number): void {
    const open = this.#open;
    const box = open[first + BOX]!;
    if (box >= 0) {
      this.#setBox(first, this.#tree.left[box]!);
      this.#setBox(second, this.#tree.right[box]!);
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

  /** Bound and split of a cell; the best place met moves on if something nearer is met on the way. */
  #measure(at: number): void {
    this.#cellsSeen++;
    const open = this.#open;
    const cells = this.#cells;
    const stretch = open[at + STRETCH]! | 0;
    const t = open[at + T]! | 0;
    const u = open[at + U]! | 0;
    const v = open[at + V]! | 0;
    const lt = open[at + LT]! | 0;
    const lu = open[at + LU]! | 0;
    const lv = open[at + LV]! | 0;
    const offset = cells.posture(stretch, t, u, v);
    const d = cells.postureData;
    const box = open[at + BOX]! | 0;

    // Middle of the places and how far they reach from it.
    let px = 0;
    let py = 0;
    let pz = 0;
    let reach = 0;
    let n = 0;
    if (box >= 0) {
      const { boxes } = this.#tree;
      const b = box * BOX_STRIDE;
      px = boxes[b]!;
      py = boxes[b + 1]!;
      pz = boxes[b + 2]!;
      reach = sqrt(boxes[b + 3]! ** 2 + boxes[b + 4]! ** 2 + boxes[b + 5]! ** 2);
    } else {
      n = open[at + CORNERS]! | 0;
      for (let i = 0; i < n; i++) {
        const k = at + PLACES + 3 * i;
        px += open[k]!;
        py += open[k + 1]!;
        pz += open[k + 2]!;
      }
      px /= n;
      py /= n;
      pz /= n;
      if (n > 1) {
        for (let i = 0; i < n; i++) {
          const k = at + PLACES + 3 * i;
          const way = (open[k]! - px) ** 2 + (open[k + 1]! - py) ** 2 + (open[k + 2]! - pz) ** 2;
          if (way > reach) reach = way;
        }
        reach = sqrt(reach);
      }
    }

    // Image of the middle, and bounds for this size of cell.
    const x = d[offset]! * px + d[offset + 1]! * py + d[offset + 2]! * pz + d[offset + 3]!;
    const y = d[offset + 4]! * px + d[offset + 5]! * py + d[offset + 6]! * pz + d[offset + 7]!;
    const z = d[offset + 8]! * px + d[offset + 9]! * py + d[offset + 10]! * pz + d[offset + 11]!;
    const r = sqrt(x * x + z * z);
    const a = y - this.#rotor.centrePlaneMm;
    const lever = sqrt(px * px + py * py + pz * pz);
    const { bounds } = cells.stretches[stretch]!;
    const k = cells.boundAt(lt, lu, lv);
    const way = bounds[k + REACH]! + bounds[k + TURN]! * lever + reach;
    const miss = bounds[k + MISS]! + bounds[k + MISS_TURN]! * lever + bounds[k + TURN]! * reach;

    // Slopes of the image over half the cell: along a, away from the axis, and round it.
    const slopes = this.#slopes;
    const cx = r > 0 ? x / r : 1;
    const cz = r > 0 ? z / r : 0;
    const moves = cells.moves;
    let away = 0;
    let round = 0;
    for (let dim = 0; dim < 3; dim++) {
      if (!moves[dim]) {
        slopes[3 * dim] = slopes[3 * dim + 1] = slopes[3 * dim + 2] = 0;
        continue;
      }
      const s = offset + (dim === 0 ? SLOPE_TRAVEL : dim === 1 ? SLOPE_STEER : SLOPE_OTHER);
      const half = 0.5 / (1 << (dim === 0 ? lt : dim === 1 ? lu : lv));
      const sx = (d[s]! * px + d[s + 1]! * py + d[s + 2]! * pz + d[s + 3]!) * half;
      const sy = (d[s + 4]! * px + d[s + 5]! * py + d[s + 6]! * pz + d[s + 7]!) * half;
      const sz = (d[s + 8]! * px + d[s + 9]! * py + d[s + 10]! * pz + d[s + 11]!) * half;
      slopes[3 * dim] = sy;
      slopes[3 * dim + 1] = sx * cx + sz * cz;
      slopes[3 * dim + 2] = sz * cx - sx * cz;
      away += abs(slopes[3 * dim + 1]!);
      round += abs(slopes[3 * dim + 2]!);
    }
    away += reach;
    round += reach;

    // The loaded shape counts where the place may be near the ground.
    let mayBeLoaded = false;
    let isLoaded = false;
    if (this.#loadedTire && r > 0) {
      // Angles from straight down by their cosines: the middle's, and as far as the cell may swing from it.
      const cosine = (x * d[offset + DOWN]! + z * d[offset + DOWN + 1]!) / r;
      isLoaded = cosine >= COS_LOADED;
      const swing = way / r + bounds[k + SWING]!;
      if (isLoaded || swing >= 1) mayBeLoaded = true;
      else {
        const rest = sqrt(1 - swing * swing);
        mayBeLoaded = cosine >= rest || cosine * rest + sqrt(max(0, 1 - cosine * cosine)) * swing >= COS_LOADED;
      }
    }

    const limit = this.#limit();
    const solid = this.#solid;
    let bound = Infinity;
    let least = Infinity;
    let ga = 0;
    let gr = 0;
    let predicted = Infinity;
    const out = this.#out;
    const count = solid.pieces.length + (mayBeLoaded ? 1 : 0);
    for (let i = 0; i < count; i++) {
      const piece = i < solid.pieces.length ? solid.pieces[i]! : this.#loadedTire!;
      const far = piece.atLeast(a, r) - way;
      if (far >= limit) {
        if (far < bound) bound = far;
        continue;
      }
      piece.measure(a, r, out);
      const f = out[0]!;
      if (f < least) least = f;
      let low = f - way;
      if (low < limit) {
        const tangent = this.#tangent(at, offset, n, reach, f, out[1]!, out[2]!, cx, cz, r, away, round, miss);
        if (tangent.low > low) low = tangent.low;
        if (tangent.predicted < predicted) {
          predicted = tangent.predicted;
          ga = out[1]!;
          gr = out[2]!;
        }
      }
      if (low < bound) bound = low;
    }

    if (bound <= 0) {
      // The cell may reach inside, where the pieces' distances are no bound.
      const whole = mayBeLoaded ? this.#rotor.loaded : solid;
      bound = solidDistance(whole, a, r) - way;
      if (whole.hull && bound < limit) {
        whole.hull.measure(a, r, out);
        const tangent = this.#tangent(at, offset, n, reach, out[0]!, out[1]!, out[2]!, cx, cz, r, away, round, miss);
        if (tangent.low > bound) bound = tangent.low;
      }
    }
    open[at + BOUND] = bound;
    open[at + SPLIT] = SPLIT_NONE;
    if (bound >= limit) return;

    if (box < 0) {
      if (least < this.#best) {
        const met = solidDistance(isLoaded ? this.#rotor.loaded : solid, a, r);
        if (met < this.#best) this.#keep(met, stretch, t, u, v, px, py, pz);
      }
      if (predicted < this.#best) this.#tryCorner(at, offset, n, ga, gr, cx, cz);
    }
    this.#chooseSplit(at, offset, n, reach, ga, gr, cx, cz, lever);
  }

  readonly #tangentAnswer = { low: 0, predicted: 0 };

  /** Lower bound of a convex piece's distance over the cell from its tangent, and the least the slopes alone predict. */
  #tangent(
    at: number,
    offset: number,
    n: number,
    reach: number,
    f: number,
    ga: number,
    gr: number,
    cx: number,
    cz: number,
    r: number,
    away: number,
    round: number,
    miss: number,
  ): { low: number; predicted: number } {
    const s = this.#slopes;
    let fall = abs(ga * s[0]! + gr * s[1]!) + abs(ga * s[3]! + gr * s[4]!) + abs(ga * s[6]! + gr * s[7]!);
    if (reach > 0) fall += this.#placeFall(at, offset, n, ga, gr, cx, cz);
    const answer = this.#tangentAnswer;
    answer.predicted = f - fall;
    answer.low = f - fall - miss;
    if (gr < 0) {
      // The radius may come out longer than its slopes say: by the way round the axis, squared.
      const inner = r - away - miss;
      answer.low = inner > 0 ? answer.low + (gr * (round + miss) * (round + miss)) / (2 * inner) : -Infinity;
    }
    return answer;
  }

  /** How far the distance falls, by its slope, from the middle of a piece or box to its best corner. */
  #placeFall(at: number, offset: number, n: number, ga: number, gr: number, cx: number, cz: number): number {
    const open = this.#open;
    const d = this.#cells.postureData;
    // The slope carried back into the mount's frame.
    const wx = gr * cx;
    const wz = gr * cz;
    const nx = wx * d[offset]! + ga * d[offset + 4]! + wz * d[offset + 8]!;
    const ny = wx * d[offset + 1]! + ga * d[offset + 5]! + wz * d[offset + 9]!;
    const nz = wx * d[offset + 2]! + ga * d[offset + 6]! + wz * d[offset + 10]!;
    const box = open[at + BOX]! | 0;
    if (box >= 0) {
      const { boxes } = this.#tree;
      const b = box * BOX_STRIDE + 3;
      return abs(nx) * boxes[b]! + abs(ny) * boxes[b + 1]! + abs(nz) * boxes[b + 2]!;
    }
    let sum = 0;
    let lowest = Infinity;
    for (let i = 0; i < n; i++) {
      const k = at + PLACES + 3 * i;
      const value = nx * open[k]! + ny * open[k + 1]! + nz * open[k + 2]!;
      sum += value;
      if (value < lowest) {
        lowest = value;
        this.#lowestCorner = i;
      }
    }
    return sum / n - lowest;
  }

  #lowestCorner = 0;

  /** Looks at the corner of the cell toward which the distance falls. */
  #tryCorner(at: number, offset: number, n: number, ga: number, gr: number, cx: number, cz: number): void {
    const open = this.#open;
    const s = this.#slopes;
    const cells = this.#cells;
    let corner = 0;
    if (n > 1) {
      this.#placeFall(at, offset, n, ga, gr, cx, cz);
      corner = this.#lowestCorner;
    }
    const t = this.#toward(at, 0, TRAVEL_STEPS, ga * s[0]! + gr * s[1]!);
    const u = this.#toward(at, 1, STEER_STEPS, ga * s[3]! + gr * s[4]!);
    const v = this.#toward(at, 2, OTHER_STEPS, ga * s[6]! + gr * s[7]!);
    const stretch = open[at + STRETCH]! | 0;
    const c = cells.corner(stretch, t, u, v);
    const d = cells.cornerData;
    const k = at + PLACES + 3 * corner;
    const px = open[k]!;
    const py = open[k + 1]!;
    const pz = open[k + 2]!;
    const x = d[c]! * px + d[c + 1]! * py + d[c + 2]! * pz + d[c + 3]!;
    const y = d[c + 4]! * px + d[c + 5]! * py + d[c + 6]! * pz + d[c + 7]!;
    const z = d[c + 8]! * px + d[c + 9]! * py + d[c + 10]! * pz + d[c + 11]!;
    const r = sqrt(x * x + z * z);
    let solid = this.#solid;
    if (this.#loadedTire) {
      if (x * d[c + CORNER_DOWN]! + z * d[c + CORNER_DOWN + 1]! >= r * COS_LOADED) solid = this.#rotor.loaded;
    }
    const met = solidDistance(solid, y - this.#rotor.centrePlaneMm, r);
    if (met < this.#best) this.#keep(met, stretch, t, u, v, px, py, pz);
  }

  /** End of the cell in one direction at which the distance is less. */
  #toward(at: number, dim: number, steps: number, slope: number): number {
    const middle = this.#open[at + T + dim]! | 0;
    if (!this.#cells.moves[dim]) return middle;
    const half = steps >> (this.#open[at + LT + dim]! + 1);
    return slope > 0 ? middle - half : middle + half;
  }

  #keep(distance: number, stretch: number, t: number, u: number, v: number, x: number, y: number, z: number): void {
    this.#best = distance;
    const at = this.#at;
    at[0] = stretch;
    at[1] = t;
    at[2] = u;
    at[3] = v;
    at[4] = x;
    at[5] = y;
    at[6] = z;
  }

  /** Halves what makes the cell's distances differ most. */
  #chooseSplit(
    at: number,
    offset: number,
    n: number,
    reach: number,
    ga: number,
    gr: number,
    cx: number,
    cz: number,
    lever: number,
  ): void {
    const open = this.#open;
    const s = this.#slopes;
    let most = 0;
    let split = SPLIT_NONE;
    for (let dim = 0; dim < 3; dim++) {
      const last = dim === 0 ? TRAVEL_LEVELS : dim === 1 ? STEER_LEVELS : OTHER_LEVELS;
      if (!this.#cells.moves[dim] || open[at + LT + dim]! >= last) continue;
      const sa = s[3 * dim]!;
      const sr = s[3 * dim + 1]!;
      const sc = s[3 * dim + 2]!;
      const squared = sa * sa + sr * sr + sc * sc;
      const score = abs(ga * sa + gr * sr) + squared / BEND_RADIUS + 1e-9 * (lever + 1);
      if (score > most) {
        most = score;
        split = dim;
      }
    }
    const isBox = open[at + BOX]! >= 0;
    if (isBox || (n > 1 && reach > LEAST_PIECE_MM)) {
      const score = this.#placeFall(at, offset, n, ga, gr, cx, cz) + (reach * reach) / BEND_RADIUS;
      if (score > most) split = SPLIT_PLACE;
    }
    if (split === SPLIT_NONE && isBox) split = SPLIT_PLACE;
    open[at + SPLIT] = split;
  }
}
