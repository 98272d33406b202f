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

/** Numbers of an open cell: 0 stretch, 1-3 position, 4-6 levels, 7 bound, 8 split, 9 slab or -1, 10 corners, 11.. places. */
const STRETCH = 0;
const T = 1;
const U = 2;
const V = 3;
const LT = 4;
const LU = 5;
const LV = 6;
const BOUND = 7;
const SPLIT = 8;
const SLAB = 9;
const CORNERS = 10;
const PLACES = 11;
const STRIDE = 20;

/** Travel, steer, the other wheel's height, and two ways among the places. */
const WAYS = 5;
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
  /** Ways the image of a cell reaches from its middle, three numbers each: along a, away from the axis, round it. */
  readonly #ways = new Float64Array(3 * WAYS);
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
      this.#setSlab(at, 0);
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
  #readPlaces(at: number): void {
    const p = this.#places;
    const open = this.#open;
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
    this.#readPlaces(at);
    const p = this.#places;
    const px = p[0]!;
    const py = p[1]!;
    const pz = p[2]!;
    const radius = p[9]!;

    // Image of the middle.
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
    const y = m4 * px + m5 * py + m6 * pz + d[offset + 7]!;
    const z = m8 * px + m9 * py + m10 * pz + d[offset + 11]!;
    const r = sqrt(x * x + z * z);
    const a = y - this.#rotor.centrePlaneMm;
    const cx = r > 0 ? x / r : 1;
    const cz = r > 0 ? z / r : 0;

    // Ways of the image over half the cell.
    const ways = this.#ways;
    let away = radius;
    let round = radius;
    let spread = 0;
    for (let k = 0; k < 2; k++) {
      const ex = p[3 + 3 * k]!;
      const ey = p[4 + 3 * k]!;
      const ez = p[5 + 3 * k]!;
      const sx = m0 * ex + m1 * ey + m2 * ez;
      const sz = m8 * ex + m9 * ey + m10 * ez;
      const w = 3 * (PLACE_WAYS + k);
      const sr = sx * cx + sz * cz;
      const st = sz * cx - sx * cz;
      ways[w] = m4 * ex + m5 * ey + m6 * ez;
      ways[w + 1] = sr;
      ways[w + 2] = st;
      away += abs(sr);
      round += abs(st);
      spread += ex * ex + ey * ey + ez * ez;
    }
    const reach = sqrt(spread);
    for (let k = 0; k < 3; k++) {
      const w = 3 * k;
      if (!cells.moves[k]) {
        ways[w] = 0;
        ways[w + 1] = 0;
        ways[w + 2] = 0;
        continue;
      }
      const s = offset + SLOPE_TRAVEL + (SLOPE_STEER - SLOPE_TRAVEL) * k;
      const half = HALVES[k === 0 ? lt : k === 1 ? lu : lv]!;
      const sx = (d[s]! * px + d[s + 1]! * py + d[s + 2]! * pz + d[s + 3]!) * half;
      const sz = (d[s + 8]! * px + d[s + 9]! * py + d[s + 10]! * pz + d[s + 11]!) * half;
      const sr = sx * cx + sz * cz;
      const st = sz * cx - sx * cz;
      ways[w] = (d[s + 4]! * px + d[s + 5]! * py + d[s + 6]! * pz + d[s + 7]!) * half;
      ways[w + 1] = sr;
      ways[w + 2] = st;
      away += abs(sr);
      round += abs(st);
    }

    // What the ways miss, and how far anything in the cell may be from its middle.
    const lever = sqrt(px * px + py * py + pz * pz);
    const { bounds } = cells.stretches[stretch]!;
    const b = cells.boundAt(lt, lu, lv);
    const turn = bounds[b + TURN]!;
    const far = bounds[b + REACH]! + turn * lever + reach + radius;
    const miss = bounds[b + MISS]! + bounds[b + MISS_TURN]! * lever + turn * reach + radius;

    // The loaded shape counts where the place may be near the ground.
    let mayBeLoaded = false;
    let isLoaded = false;
    if (this.#loadedTire && r > 0) {
      // Angles from straight down by their cosines: the middle's, and as far as the cell may swing from it.
      const cosine = cx * d[offset + DOWN]! + cz * d[offset + DOWN + 1]!;
      isLoaded = cosine >= COS_LOADED;
      const swing = far / r + bounds[b + SWING]!;
      if (isLoaded || swing >= 1) mayBeLoaded = true;
      else {
        const rest = sqrt(1 - swing * swing);
        mayBeLoaded = cosine >= rest || cosine * rest + sqrt(max(0, 1 - cosine * cosine)) * swing >= COS_LOADED;
      }
    }

    const limit = this.#limit();
    const solid = this.#solid;
    const inner = r - away - miss;
    const bent = round + miss;
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
      const lowest = f - this.#fall(pa, pr);
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
        let low = out[0]! - this.#fall(out[1]!, pr) - miss;
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
        if (met < this.#best) this.#keep(met, stretch, t, u, v, px, py, pz);
      }
      if (predicted < this.#best) this.#tryCorner(at, ga, gr);
    }
    this.#chooseSplit(at, isSlab, reach + radius, ga, gr);
  }

  /** How far a distance of this slope falls within the cell, by its ways. */
  #fall(ga: number, gr: number): number {
    const w = this.#ways;
    return (
      abs(ga * w[0]! + gr * w[1]!) +
      abs(ga * w[3]! + gr * w[4]!) +
      abs(ga * w[6]! + gr * w[7]!) +
      abs(ga * w[9]! + gr * w[10]!) +
      abs(ga * w[12]! + gr * w[13]!)
    );
  }

  /** Looks at the corner of the cell toward which the distance falls. */
  #tryCorner(at: number, ga: number, gr: number): void {
    const open = this.#open;
    const w = this.#ways;
    const cells = this.#cells;
    const t = this.#toward(at, 0, TRAVEL_STEPS, ga * w[0]! + gr * w[1]!);
    const u = this.#toward(at, 1, STEER_STEPS, ga * w[3]! + gr * w[4]!);
    const v = this.#toward(at, 2, OTHER_STEPS, ga * w[6]! + gr * w[7]!);
    const stretch = open[at + STRETCH]! | 0;
    const c = cells.corner(stretch, t, u, v);
    const d = cells.cornerData;
    const n = open[at + CORNERS]! | 0;
    let corner = n > 1 && ga * w[9]! + gr * w[10]! < 0 ? 1 : 0;
    if (n === 3 && ga * w[12]! + gr * w[13]! < 0) corner = 2;
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
  #chooseSplit(at: number, isSlab: boolean, reach: number, ga: number, gr: number): void {
    const open = this.#open;
    const w = this.#ways;
    let most = 0;
    let split = SPLIT_NONE;
    for (let k = 0; k < 3; k++) {
      const last = k === 0 ? TRAVEL_LEVELS : k === 1 ? STEER_LEVELS : OTHER_LEVELS;
      if (!this.#cells.moves[k] || open[at + LT + k]! >= last) continue;
      const wa = w[3 * k]!;
      const wr = w[3 * k + 1]!;
      const wt = w[3 * k + 2]!;
      // The last term halves even what does not move the image, so that a search always ends.
      const score = abs(ga * wa + gr * wr) + (wa * wa + wr * wr + wt * wt) / BEND_RADIUS + 1e-9;
      if (score > most) {
        most = score;
        split = k;
      }
    }
    if (isSlab || reach > LEAST_PIECE_MM) {
      const along = abs(ga * w[9]! + gr * w[10]!) + abs(ga * w[12]! + gr * w[13]!);
      if (along + (reach * reach) / BEND_RADIUS > most) split = SPLIT_PLACE;
    }
    if (split === SPLIT_NONE && isSlab) split = SPLIT_PLACE;
    open[at + SPLIT] = split;
  }
}
