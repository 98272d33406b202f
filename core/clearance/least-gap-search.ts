import { newMeasure, type ConvexPiece } from '../geometry/convex-piece';
import type { PieceSet } from '../obstacle/shape';
import { SLAB_STRIDE, type PieceTree } from '../obstacle/piece-tree';
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

/**
 * Numbers kept for a cell. First its postures and places: stretch of travel, position, levels, slab of the tree (or -1 for
 * a piece), corners and places of the piece. Then its image: middle along the axle and from it, the cosine from straight
 * down and how far it may swing, what the ways miss, how far anything may be from the middle, how far the ways reach
 * away from the axis and round it, the reach of the places alone, and the ways. Last what the rotor makes of it: the
 * bound, and what to halve.
 */
const STRETCH = 0;
const T = 1;
const U = 2;
const V = 3;
const LT = 4;
const LU = 5;
const LV = 6;
const SLAB = 7;
const CORNERS = 8;
const PLACES = 9;
const ALONG = 18;
const FROM_AXIS = 19;
const COSINE = 20;
const SWINGS = 21;
const MISSED = 22;
const FAR = 23;
const AWAY = 24;
const ROUND = 25;
const REACHES = 26;
const WAY = 27;
const BOUND = 42;
const SPLIT = 43;
const STRIDE = 44;

/** Cells kept of a search so that the next one need not begin at the beginning; larger ones are not worth keeping. */
const KEPT_CELLS = 4000;

/** The cells a search ended with: together they hold every posture and place. Any rotor can start from them. */
export interface Cut {
  cells: Float64Array;
  count: number;
}

export const emptyCut = (): Cut => ({ cells: new Float64Array(0), count: 0 });

/** Ways: of travel, steer and the other wheel's height, then two among the places. */
const PLACE_WAYS = 3;

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

/** Half a cell's share of a stretch, by level. */
const HALVES = Float64Array.from({ length: 16 }, (_, level) => 0.5 / 2 ** level);

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
  /** Cells dropped by the search under way. */
  #done = new Float64Array(512 * STRIDE);
  #doneCount = 0;
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

  /**
   * Least distance for one obstacle; `insideWheel` measures to the hollow wheel. `cut` is where an earlier search of the
   * same cells and pieces ended (empty at first); it is brought up to date.
   */
  run(
    cells: PostureCells,
    rotor: Rotor,
    pieces: PieceSet,
    tree: PieceTree,
    insideWheel: boolean,
    cut: Cut = emptyCut(),
  ): SearchAnswer {
    this.#cells = cells;
    this.#rotor = rotor;
    this.#tree = tree;
    this.#pieces = pieces;
    this.#solid = insideWheel ? rotor.hollow : rotor.filled;
    this.#loadedTire = insideWheel ? null : (rotor.loaded.pieces[0] as ConvexPiece);
    this.#best = Infinity;
    this.#count = 0;
    this.#doneCount = 0;
    this.#cellsSeen = 0;
    if (cut.count > 0) this.#takeUp(cut);
    else this.#begin();
    while (this.#count > 0 && this.#cellsSeen < WORK_LIMIT && this.#best >= -DEEP_OVERLAP_MM) this.#step();
    const status = this.#count === 0 ? 'solved' : this.#best < -DEEP_OVERLAP_MM ? 'deep' : 'stopped';
    this.#layDown(cut);
    const at = this.#at;
    return {
      status,
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

  /** One cell for each stretch of travel. */
  #begin(): void {
    for (let stretch = 0; stretch < this.#cells.stretches.length; stretch++) {
      const at = this.#push();
      const open = this.#open;
      open[at + STRETCH] = stretch;
      open[at + T] = TRAVEL_STEPS / 2;
      open[at + U] = STEER_STEPS / 2;
      open[at + V] = OTHER_STEPS / 2;
      open[at + LT] = open[at + LU] = open[at + LV] = 0;
      this.#setSlab(at, 0);
      this.#image(at);
      this.#judge(open, at);
    }
  }

  /** Judges the cells of an earlier search by this rotor and opens those that could hold something nearer. */
  #takeUp(cut: Cut): void {
    const { cells } = cut;
    // The one that looks nearest first: what it meets spares the others a closer look.
    let nearest = 0;
    let nearness = Infinity;
    for (let i = 0; i < cut.count; i++) {
      const near = this.#roughly(cells, i * STRIDE);
      if (near < nearness) {
        nearness = near;
        nearest = i;
      }
    }
    this.#judge(cells, nearest * STRIDE);
    for (let i = 0; i < cut.count; i++) if (i !== nearest) this.#judge(cells, i * STRIDE);
    const limit = this.#limit();
    let least = Infinity;
    let leastAt = -1;
    for (let i = cut.count - 1; i >= 0; i--) {
      const bound = cells[i * STRIDE + BOUND]!;
      if (bound >= limit || cells[i * STRIDE + SPLIT] === SPLIT_NONE) continue;
      const at = this.#push();
      for (let k = 0; k < STRIDE; k++) this.#open[at + k] = cells[i * STRIDE + k]!;
      // The last cell fills the place left.
      const last = --cut.count * STRIDE;
      if (last !== i * STRIDE) for (let k = 0; k < STRIDE; k++) cells[i * STRIDE + k] = cells[last + k]!;
      if (bound < least) {
        least = bound;
        leastAt = at;
      }
    }
    if (leastAt >= 0) this.#swap(leastAt, (this.#count - 1) * STRIDE);
  }

  /** Distance of a cell's middle from the box around the first of the solid's pieces: quick, for an order only. */
  #roughly(data: Float64Array, at: number): number {
    return this.#solid.pieces[0]!.atLeast(data[at + ALONG]! - this.#rotor.centrePlaneMm, data[at + FROM_AXIS]!);
  }

  /** Dropped and still open cells go into the cut, so that it holds everything again; too large a one is let go. */
  #layDown(cut: Cut): void {
    while (this.#count > 0) this.#drop(--this.#count * STRIDE);
    const count = cut.count + this.#doneCount;
    if (count > KEPT_CELLS) {
      cut.count = 0;
      cut.cells = new Float64Array(0);
      return;
    }
    if (count * STRIDE > cut.cells.length) {
      const larger = new Float64Array(Math.ceil(1.2 * count) * STRIDE);
      larger.set(cut.cells.subarray(0, cut.count * STRIDE));
      cut.cells = larger;
    }
    cut.cells.set(this.#done.subarray(0, this.#doneCount * STRIDE), cut.count * STRIDE);
    cut.count = count;
  }

  /** A cell that cannot hold anything nearer. */
  #drop(at: number): void {
    const to = this.#doneCount++ * STRIDE;
    if (to + STRIDE > this.#done.length) this.#done = doubled(this.#done);
    const done = this.#done;
    const open = this.#open;
    for (let k = 0; k < STRIDE; k++) done[to + k] = open[at + k]!;
  }

  #swap(a: number, b: number): void {
    const open = this.#open;
    for (let k = 0; k < STRIDE; k++) {
      const kept = open[a + k]!;
      open[a + k] = open[b + k]!;
      open[b + k] = kept;
    }
  }

  #push(): number {
    const at = this.#count++ * STRIDE;
    if (at + STRIDE > this.#open.length) this.#open = doubled(this.#open);
    return at;
  }

  /** A slab of the tree; a leaf is its piece straight away. */
  #setSlab(at: number, slab: number): void {
    const { left, right } = this.#tree;
    const open = this.#open;
    if (left[slab]! >= 0) {
      open[at + SLAB] = slab;
      return;
    }
    const piece = right[slab]!;
    open[at + SLAB] = -1;
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
    const split = this.#open[at + SPLIT]! | 0;
    if (this.#open[at + BOUND]! >= this.#limit() || split === SPLIT_NONE) {
      this.#drop(at);
      return;
    }
    // The cell's own slot becomes one half, the next slot the other.
    const first = this.#push();
    const second = this.#push();
    const open = this.#open;
    for (let k = 0; k < ALONG; k++) open[second + k] = open[first + k]!;
    if (split === SPLIT_PLACE) this.#splitPlace(first, second);
    else {
      const level = open[first + LT + split]! + 1;
      open[first + LT + split] = level;
      open[second + LT + split] = level;
      const steps = split === SPLIT_TRAVEL ? TRAVEL_STEPS : split === SPLIT_STEER ? STEER_STEPS : OTHER_STEPS;
      const quarter = steps >> (level + 1);
      open[first + T + split]! -= quarter;
      open[second + T + split]! += quarter;
    }
    this.#image(first);
    this.#judge(open, first);
    this.#image(second);
    this.#judge(open, second);
    // The better half on top; halves that are done for are put aside.
    if (open[first + BOUND]! < open[second + BOUND]!) this.#swap(first, second);
    const limit = this.#limit();
    if (open[second + BOUND]! >= limit) {
      this.#drop(second);
      this.#count--;
      if (open[first + BOUND]! >= limit) {
        this.#drop(first);
        this.#count--;
      }
    }
  }

  #splitPlace(first: number, second: number): void {
    const open = this.#open;
    const slab = open[first + SLAB]!;
    if (slab >= 0) {
      this.#setSlab(first, this.#tree.left[slab]!);
      this.#setSlab(second, this.#tree.right[slab]!);
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
  #readPlaces(open: Float64Array, at: number): void {
    const p = this.#places;
    const slab = open[at + SLAB]! | 0;
    if (slab >= 0) {
      const { slabs } = this.#tree;
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

  readonly #places = new Float64Array(SLAB_STRIDE);

  /** Where a cell lies in the plane (a, r), whatever the rotor. */
  #image(at: number): void {
    this.#cellsSeen++;
    const open = this.#open;
    const cells = this.#cells;
    const stretch = open[at + STRETCH]! | 0;
    const lt = open[at + LT]! | 0;
    const lu = open[at + LU]! | 0;
    const lv = open[at + LV]! | 0;
    const offset = cells.posture(stretch, open[at + T]! | 0, open[at + U]! | 0, open[at + V]! | 0);
    const d = cells.postureData;
    this.#readPlaces(open, at);
    const p = this.#places;
    const px = p[0]!;
    const py = p[1]!;
    const pz = p[2]!;
    const radius = p[9]!;

    const m0 = d[offset]!;
    const m1 = d[offset + 1]!;
    const m2 = d[offset + 2]!;
    const m4 = d[offset + 4]!;
    const m5 = d[offset + 5]!;
    const m6 = d[offset + 6]!;
    const m8 = d[offset + 8]!;
    const m9 = d[offset + 9]!;
    const m10 = d[offset + 10]!;
    const x = m0 * px + m1 * py + m2 * pz + d[offset + 3]!;
    const z = m8 * px + m9 * py + m10 * pz + d[offset + 11]!;
    const r = sqrt(x * x + z * z);
    const cx = r > 0 ? x / r : 1;
    const cz = r > 0 ? z / r : 0;
    open[at + ALONG] = m4 * px + m5 * py + m6 * pz + d[offset + 7]!;
    open[at + FROM_AXIS] = r;

    // Ways of the image over half the cell.
    let away = radius;
    let round = radius;
    let spread = 0;
    for (let k = 0; k < 2; k++) {
      const ex = p[3 + 3 * k]!;
      const ey = p[4 + 3 * k]!;
      const ez = p[5 + 3 * k]!;
      const sx = m0 * ex + m1 * ey + m2 * ez;
      const sz = m8 * ex + m9 * ey + m10 * ez;
      const w = at + WAY + 3 * (PLACE_WAYS + k);
      const sr = sx * cx + sz * cz;
      const st = sz * cx - sx * cz;
      open[w] = m4 * ex + m5 * ey + m6 * ez;
      open[w + 1] = sr;
      open[w + 2] = st;
      away += abs(sr);
      round += abs(st);
      spread += ex * ex + ey * ey + ez * ez;
    }
    for (let k = 0; k < 3; k++) {
      const w = at + WAY + 3 * k;
      if (!cells.moves[k]) {
        open[w] = 0;
        open[w + 1] = 0;
        open[w + 2] = 0;
        continue;
      }
      const s = offset + SLOPE_TRAVEL + (SLOPE_STEER - SLOPE_TRAVEL) * k;
      const half = HALVES[k === 0 ? lt : k === 1 ? lu : lv]!;
      const sx = (d[s]! * px + d[s + 1]! * py + d[s + 2]! * pz + d[s + 3]!) * half;
      const sz = (d[s + 8]! * px + d[s + 9]! * py + d[s + 10]! * pz + d[s + 11]!) * half;
      const sr = sx * cx + sz * cz;
      const st = sz * cx - sx * cz;
      open[w] = (d[s + 4]! * px + d[s + 5]! * py + d[s + 6]! * pz + d[s + 7]!) * half;
      open[w + 1] = sr;
      open[w + 2] = st;
      away += abs(sr);
      round += abs(st);
    }

    // What the ways miss, and how far anything in the cell may be from its middle.
    const reach = sqrt(spread);
    const lever = sqrt(px * px + py * py + pz * pz);
    const { bounds } = cells.stretches[stretch]!;
    const b = cells.boundAt(lt, lu, lv);
    const turn = bounds[b + TURN]!;
    const far = bounds[b + REACH]! + turn * lever + reach + radius;
    open[at + MISSED] = bounds[b + MISS]! + bounds[b + MISS_TURN]! * lever + turn * reach + radius;
    open[at + FAR] = far;
    open[at + AWAY] = away;
    open[at + ROUND] = round;
    open[at + REACHES] = reach + radius;
    open[at + COSINE] = cx * d[offset + DOWN]! + cz * d[offset + DOWN + 1]!;
    open[at + SWINGS] = r > 0 ? far / r + bounds[b + SWING]! : 2;
  }

  /** Bound and split of a cell by the rotor; the best place met moves on if something nearer is met on the way. */
  #judge(open: Float64Array, at: number): void {
    const r = open[at + FROM_AXIS]!;
    const a = open[at + ALONG]! - this.#rotor.centrePlaneMm;
    const far = open[at + FAR]!;
    const miss = open[at + MISSED]!;

    // The loaded shape counts where the place may be near the ground: its angle from straight down, and its swing.
    let mayBeLoaded = false;
    let isLoaded = false;
    if (this.#loadedTire) {
      const cosine = open[at + COSINE]!;
      const swing = open[at + SWINGS]!;
      isLoaded = cosine >= COS_LOADED;
      if (isLoaded || swing >= 1) mayBeLoaded = true;
      else {
        const rest = sqrt(1 - swing * swing);
        mayBeLoaded = cosine >= rest || cosine * rest + sqrt(max(0, 1 - cosine * cosine)) * swing >= COS_LOADED;
      }
    }

    const limit = this.#limit();
    const solid = this.#solid;
    const inner = r - open[at + AWAY]! - miss;
    const bent = open[at + ROUND]! + miss;
    let bound = Infinity;
    let least = Infinity;
    let predicted = Infinity;
    let ga = 0;
    let gr = 0;
    const out = this.#out;
    const pieces = solid.pieces;
    const count = pieces.length + (mayBeLoaded ? 1 : 0);
    for (let i = 0; i < count; i++) {
      const piece = i < pieces.length ? pieces[i]! : this.#loadedTire!;
      const quick = piece.atLeast(a, r) - far;
      if (quick >= limit) {
        if (quick < bound) bound = quick;
        continue;
      }
      piece.measure(a, r, out);
      const f = out[0]!;
      const pa = out[1]!;
      const pr = out[2]!;
      if (f < least) least = f;
      const lowest = f - this.#fall(open, at, pa, pr);
      if (lowest < predicted) {
        predicted = lowest;
        ga = pa;
        gr = pr;
      }
      let low = lowest - miss;
      // The radius may come out longer than its ways say: by the way round the axis, squared.
      if (pr < 0) low = inner > 0 ? low + (pr * bent * bent) / (2 * inner) : -Infinity;
      if (low < f - far) low = f - far;
      if (low < bound) bound = low;
    }

    if (bound <= 0) {
      // The cell may reach inside, where the pieces' distances are no bound.
      const whole = mayBeLoaded ? this.#rotor.loaded : solid;
      bound = solidDistance(whole, a, r) - far;
      if (whole.hull && bound < limit) {
        whole.hull.measure(a, r, out);
        const pr = out[2]!;
        let low = out[0]! - this.#fall(open, at, out[1]!, pr) - miss;
        if (pr < 0) low = inner > 0 ? low + (pr * bent * bent) / (2 * inner) : -Infinity;
        if (low > bound) bound = low;
      }
    }
    open[at + BOUND] = bound;
    open[at + SPLIT] = SPLIT_NONE;
    if (bound >= limit) return;

    const isSlab = open[at + SLAB]! >= 0;
    if (!isSlab) {
      if (least < this.#best) {
        const met = solidDistance(isLoaded ? this.#rotor.loaded : solid, a, r);
        if (met < this.#best) this.#keepMiddle(met, open, at);
      }
      if (predicted < this.#best) this.#tryCorner(open, at, ga, gr);
    }
    this.#chooseSplit(open, at, isSlab, ga, gr);
  }

  #keepMiddle(met: number, open: Float64Array, at: number): void {
    this.#readPlaces(open, at);
    const p = this.#places;
    this.#keep(met, open[at + STRETCH]!, open[at + T]!, open[at + U]!, open[at + V]!, p[0]!, p[1]!, p[2]!);
  }

  /** How far a distance of this slope falls within the cell, by its ways. */
  #fall(o: Float64Array, at: number, ga: number, gr: number): number {
    const w = at + WAY;
    return (
      abs(ga * o[w]! + gr * o[w + 1]!) +
      abs(ga * o[w + 3]! + gr * o[w + 4]!) +
      abs(ga * o[w + 6]! + gr * o[w + 7]!) +
      abs(ga * o[w + 9]! + gr * o[w + 10]!) +
      abs(ga * o[w + 12]! + gr * o[w + 13]!)
    );
  }

  /** Looks at the corner of the cell toward which the distance falls. */
  #tryCorner(open: Float64Array, at: number, ga: number, gr: number): void {
    const cells = this.#cells;
    const w = at + WAY;
    const t = this.#toward(open, at, 0, TRAVEL_STEPS, ga * open[w]! + gr * open[w + 1]!);
    const u = this.#toward(open, at, 1, STEER_STEPS, ga * open[w + 3]! + gr * open[w + 4]!);
    const v = this.#toward(open, at, 2, OTHER_STEPS, ga * open[w + 6]! + gr * open[w + 7]!);
    const stretch = open[at + STRETCH]! | 0;
    const c = cells.corner(stretch, t, u, v);
    const d = cells.cornerData;
    const n = open[at + CORNERS]! | 0;
    let corner = n > 1 && ga * open[w + 9]! + gr * open[w + 10]! < 0 ? 1 : 0;
    if (n === 3 && ga * open[w + 12]! + gr * open[w + 13]! < 0) corner = 2;
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
  #toward(open: Float64Array, at: number, dim: number, steps: number, slope: number): number {
    const middle = open[at + T + dim]! | 0;
    if (!this.#cells.moves[dim]) return middle;
    const half = steps >> (open[at + LT + dim]! + 1);
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
  #chooseSplit(open: Float64Array, at: number, isSlab: boolean, ga: number, gr: number): void {
    let most = 0;
    let split = SPLIT_NONE;
    for (let k = 0; k < 3; k++) {
      const last = k === 0 ? TRAVEL_LEVELS : k === 1 ? STEER_LEVELS : OTHER_LEVELS;
      if (!this.#cells.moves[k] || open[at + LT + k]! >= last) continue;
      const w = at + WAY + 3 * k;
      const wa = open[w]!;
      const wr = open[w + 1]!;
      const wt = open[w + 2]!;
      // The last term halves even what does not move the image, so that a search always ends.
      const score = abs(ga * wa + gr * wr) + (wa * wa + wr * wr + wt * wt) / BEND_RADIUS + 1e-9;
      if (score > most) {
        most = score;
        split = k;
      }
    }
    const reach = open[at + REACHES]!;
    if (isSlab || reach > LEAST_PIECE_MM) {
      const w = at + WAY + 3 * PLACE_WAYS;
      const along = abs(ga * open[w]! + gr * open[w + 1]!) + abs(ga * open[w + 3]! + gr * open[w + 4]!);
      if (along + (reach * reach) / BEND_RADIUS > most) split = SPLIT_PLACE;
    }
    if (split === SPLIT_NONE && isSlab) split = SPLIT_PLACE;
    open[at + SPLIT] = split;
  }
}

function doubled(data: Float64Array): Float64Array<ArrayBuffer> {
  const larger = new Float64Array(2 * data.length);
  larger.set(data);
  return larger;
}
