import { newMeasure, type ConvexPiece } from '../../1-base/geometry/convex-piece';
import type { PieceTree } from '../../3-survey/shape/piece-tree';
import { LOADED_HALF_ANGLE } from '../../2-vehicle/tire/allowance';
import { searchToleranceMm } from '../../1-base/tolerances';
import {
  newPlaces,
  readPlaces,
  T,
  U,
  V,
  LT,
  LU,
  LV,
  SLAB,
  CORNERS,
  PLACES,
  ALONG,
  FROM_AXIS,
  HALF_ALONG,
  LEAST_RADIUS,
  COSINE,
  SWINGS,
  MISSED,
  FAR,
  AWAY,
  ROUND,
  LEVER,
  REACHES,
  WAY,
  BOUND,
  SPLIT,
  PLACE_WAYS,
  SPLIT_PLACE,
  SPLIT_NONE,
} from './posture-cell';
import { boundAt, MISS, MISS_TURN, OTHER_LEVELS, STEER_LEVELS, TRAVEL_LEVELS, TURN } from './posture-bounds';
import { DOWN, OTHER_STEPS, STEER_STEPS, TRAVEL_STEPS, type PostureCells } from './posture-cells';
import { LIMIT_NUMBERS, type PostureClip } from './posture-clip';
import { PLACE_NUMBERS } from './posture-table';
import { solidDistance, type Rotor, type Solid } from '../../2-vehicle/setup/rotor';

/** mm: weighs a cell's bend against its slope when choosing what to halve; about a shoulder's radius. */
const BEND_RADIUS = 30;

/** Weighs how much the distance changes over a cell, which its bound follows, against what the bound misses. */
const SLOPE_WEIGHT = 0.3;

/** From the bounds of one size of cell to those of half of it, by direction. */
const OFFSETS = [boundAt(1, 0, 0), boundAt(0, 1, 0), boundAt(0, 0, 1)];

/** mm: pieces shorter than this are not cut further. */
const LEAST_PIECE_MM = 0.005;

/** Cosine of the angle from straight down within which the loaded shape counts. */
const COS_LOADED = Math.cos(LOADED_HALF_ANGLE);

const { abs, max, min, sqrt } = Math;

const between = (x: number, low: number, high: number): number => (x < low ? low : x > high ? high : x);

/**
 * What a rotor makes of cells: a lower bound of its distance to anything in them, what to halve next, and the best place
 * met so far. The rotor is covered by convex pieces, and a convex piece's distance lies above its tangent, which with
 * the ways of the cell's image bounds the whole cell from below; where a cell may reach inside, the distance changes by
 * at most 1 mm a mm.
 */
export class CellJudge {
  /** Least distance met so far, mm. */
  best = Infinity;
  /** Where: three positions in steps, then the place in the mount's frame (mm). */
  readonly met = new Float64Array(6);
  readonly #out = newMeasure();
  readonly #places = newPlaces();
  readonly #there = new Float64Array(PLACE_NUMBERS);
  /** Ends of the allowed part of the cell under judgement, -1 to 1 where all of it is: travel, steer, other wheel. */
  readonly #from = new Float64Array(3);
  readonly #to = new Float64Array(3);
  /** Furthest right and left at the lower and at the upper end of the allowed travel, likewise. */
  readonly #limits = new Float64Array(LIMIT_NUMBERS);
  /** The limits of steer cut the cell. */
  #slanted = false;
  #cells!: PostureCells;
  #clip!: PostureClip;
  #rotor!: Rotor;
  #tree!: PieceTree;
  #solid!: Solid;
  #loadedTire: ConvexPiece | null = null;

  /** Nothing met yet. `insideWheel` measures to the hollow wheel; what is no nearer than `ceiling` does not matter. */
  reset(
    cells: PostureCells,
    clip: PostureClip,
    rotor: Rotor,
    tree: PieceTree,
    insideWheel: boolean,
    ceiling: number,
  ): void {
    this.best = ceiling;
    this.#cells = cells;
    this.#clip = clip;
    this.#rotor = rotor;
    this.#tree = tree;
    this.#solid = insideWheel ? rotor.hollow : rotor.filled;
    this.#loadedTire = insideWheel ? null : (rotor.loaded.pieces[0] as ConvexPiece);
  }

  /** Cells whose bound is no less than this cannot hold anything worth finding. */
  get limit(): number {
    return this.best - searchToleranceMm(this.best);
  }

  /** What the distance to a cell is not below, quickly: between the box around its image and the one around the rotor. */
  atLeast(data: Float64Array, at: number): number {
    const { hull } = this.#loadedTire ? this.#rotor.loaded : this.#solid;
    if (!hull) return -Infinity;
    const beside = abs(data[at + ALONG]! - this.#rotor.centrePlaneMm) - data[at + HALF_ALONG]!;
    return hull.atLeast(beside > 0 ? beside : 0, data[at + LEAST_RADIUS]!);
  }

  /** Bound and split of a cell by the rotor; the best place met moves on if something nearer is met on the way. */
  judge(open: Float64Array, at: number): void {
    if (!this.#allow(open, at)) {
      open[at + BOUND] = Infinity;
      open[at + SPLIT] = SPLIT_NONE;
      return;
    }
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

    const limit = this.limit;
    const solid = this.#solid;
    const inner = r - open[at + AWAY]! - miss;
    const bent = open[at + ROUND]! + miss;
    // Lowest bounds: of the first piece and the loaded tire around it, which count as one; of the others, two.
    let tire = Infinity;
    let first = Infinity;
    let second = Infinity;
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
        if (i === 0 || i === pieces.length) tire = min(tire, quick);
        else if (quick < first) {
          second = first;
          first = quick;
        } else if (quick < second) second = quick;
        continue;
      }
      piece.measure(a, r, out);
      const f = out[0]!;
      const pa = out[1]!;
      const pr = out[2]!;
      if (f < least) least = f;
      const lowest = f + this.#lowest(open, at, pa, pr);
      if (lowest < predicted) {
        predicted = lowest;
        ga = pa;
        gr = pr;
      }
      let low = lowest - miss;
      // The radius may come out longer than its ways say: by the way round the axis, squared.
      if (pr < 0) low = inner > 0 ? low + (pr * bent * bent) / (2 * inner) : -Infinity;
      if (low < f - far) low = f - far;
      if (i === 0 || i === pieces.length) tire = min(tire, low);
      else if (low < first) {
        second = first;
        first = low;
      } else if (low < second) second = low;
    }

    let bound = min(tire, first);
    if (bound <= 0 && (tire < first ? first : min(tire, second)) < -bound) {
      // The cell may reach inside where pieces meet: there the way out of one may lead into another.
      const whole = mayBeLoaded ? this.#rotor.loaded : solid;
      const here = solidDistance(whole, a, r);
      if (here < least) least = here;
      bound = here - far;
      if (whole.hull && bound < limit) {
        whole.hull.measure(a, r, out);
        const pr = out[2]!;
        const lowest = out[0]! + this.#lowest(open, at, out[1]!, pr);
        if (lowest < predicted) {
          predicted = lowest;
          ga = out[1]!;
          gr = pr;
        }
        let low = lowest - miss;
        if (pr < 0) low = inner > 0 ? low + (pr * bent * bent) / (2 * inner) : -Infinity;
        if (low > bound) bound = low;
      }
    }
    open[at + BOUND] = bound;
    open[at + SPLIT] = SPLIT_NONE;
    if (bound >= limit) return;

    const isSlab = open[at + SLAB]! >= 0;
    if (!isSlab) {
      if (least < this.best && this.#middleAllowed(open, at)) {
        const met = solidDistance(isLoaded ? this.#rotor.loaded : solid, a, r);
        if (met < this.best) this.#keepMiddle(met, open, at);
      }
      if (predicted < this.best) this.#tryCorner(open, at, ga, gr);
    }
    this.#chooseSplit(open, at, isSlab, ga, gr);
  }

  /** Looks at a place (mount's frame, mm) in a posture (steps), moved into the envelope if it lies outside. */
  tryPlace(t: number, u: number, v: number, x: number, y: number, z: number): void {
    const clip = this.#clip;
    const height = this.#cells.moves[0] ? between(t, clip.lowTravel, clip.highTravel) : t;
    const other = this.#cells.moves[2] ? between(v, clip.lowOther, clip.highOther) : v;
    const steer = clip.wholeSteer ? u : between(u, clip.rightAt(height), clip.leftAt(height));
    const d = this.#there;
    this.#cells.placeAt(height, steer, other, d);
    const a = d[4]! * x + d[5]! * y + d[6]! * z + d[7]!;
    const wx = d[0]! * x + d[1]! * y + d[2]! * z + d[3]!;
    const wz = d[8]! * x + d[9]! * y + d[10]! * z + d[11]!;
    const r = sqrt(wx * wx + wz * wz);
    let solid = this.#solid;
    if (this.#loadedTire && wx * d[DOWN]! + wz * d[DOWN + 1]! >= r * COS_LOADED) solid = this.#rotor.loaded;
    const met = solidDistance(solid, a - this.#rotor.centrePlaneMm, r);
    if (met < this.best) this.#keep(met, height, steer, other, x, y, z);
  }

  /** Works out which part of a cell the envelope allows; false for none. */
  #allow(open: Float64Array, at: number): boolean {
    const clip = this.#clip;
    const { moves } = this.#cells;
    const t = open[at + T]!;
    const level = open[at + LT]!;
    if (!this.#allowAlong(0, moves[0], t, TRAVEL_STEPS, level, clip.lowTravel, clip.highTravel)) return false;
    if (!this.#allowSteer(t, level, open[at + U]!, open[at + LU]!)) return false;
    return this.#allowAlong(2, moves[2], open[at + V]!, OTHER_STEPS, open[at + LV]!, clip.lowOther, clip.highOther);
  }

  /** The limits of steer along the allowed travel of the cell, in half cells from its middle. */
  #allowSteer(t: number, level: number, u: number, steerLevel: number): boolean {
    const limits = this.#limits;
    this.#slanted = this.#cells.moves[1] && !this.#clip.wholeSteer;
    this.#from[1] = -1;
    this.#to[1] = 1;
    if (!this.#slanted) return true;
    this.#clip.limits(level, t, limits);
    const half = STEER_STEPS / (2 << steerLevel);
    for (let k = 0; k < LIMIT_NUMBERS; k++) limits[k] = (limits[k]! - u) / half;
    this.#from[1] = max(-1, min(limits[0]!, limits[2]!));
    this.#to[1] = min(1, max(limits[1]!, limits[3]!));
    // Limits beyond the cell all along do not matter.
    this.#slanted = max(limits[0]!, limits[2]!) > -1 || min(limits[1]!, limits[3]!) < 1;
    return this.#from[1]! <= this.#to[1]!;
  }

  #allowAlong(
    k: number,
    moves: boolean,
    middle: number,
    steps: number,
    level: number,
    low: number,
    high: number,
  ): boolean {
    let from = -1;
    let to = 1;
    if (moves) {
      const half = steps / (2 << level);
      if (low > middle - half) from = (low - middle) / half;
      if (high < middle + half) to = (high - middle) / half;
    }
    this.#from[k] = from;
    this.#to[k] = to;
    return from <= to;
  }

  #middleAllowed(open: Float64Array, at: number): boolean {
    const { moves } = this.#cells;
    const clip = this.#clip;
    if (moves[0] && !(this.#from[0]! <= 0 && this.#to[0]! >= 0)) return false;
    if (moves[2] && !(this.#from[2]! <= 0 && this.#to[2]! >= 0)) return false;
    if (!moves[1] || clip.wholeSteer) return true;
    const t = open[at + T]!;
    return open[at + U]! >= clip.rightAt(t) && open[at + U]! <= clip.leftAt(t);
  }

  #keepMiddle(met: number, open: Float64Array, at: number): void {
    readPlaces(open, at, this.#tree, this.#places);
    const p = this.#places;
    this.#keep(met, open[at + T]!, open[at + U]!, open[at + V]!, p[0]!, p[1]!, p[2]!);
  }

  /** By how much a distance of this slope changes at most downward within the allowed part of the cell, by its ways. */
  #lowest(o: Float64Array, at: number, ga: number, gr: number): number {
    const w = at + WAY;
    const travel = ga * o[w]! + gr * o[w + 1]!;
    const steer = ga * o[w + 3]! + gr * o[w + 4]!;
    const other = ga * o[w + 6]! + gr * o[w + 7]!;
    const places = abs(ga * o[w + 9]! + gr * o[w + 10]!) + abs(ga * o[w + 12]! + gr * o[w + 13]!);
    const height = other * this.#endToward(2, other) - places;
    if (!this.#slanted) return height + travel * this.#endToward(0, travel) + steer * this.#endToward(1, steer);
    return height + this.#lowestOnSlant(travel, steer);
  }

  #endToward(k: number, slope: number): number {
    return slope > 0 ? this.#from[k]! : this.#to[k]!;
  }

  /**
   * Least of travel * x + steer * y where y keeps to the limits along x: straight but for the cell's own edge, so it lies
   * at an end of x or where the limit crosses that edge.
   */
  #lowestOnSlant(travel: number, steer: number): number {
    const limits = this.#limits;
    const right = steer > 0;
    const edge = right ? -1 : 1;
    const start = right ? limits[0]! : limits[1]!;
    const end = right ? limits[2]! : limits[3]!;
    const from = this.#from[0]!;
    const to = this.#to[0]!;
    const within = (y: number): number => between(y, -1, 1);
    const atStart = travel * from + steer * within(start);
    const atEnd = travel * to + steer * within(end);
    let least = min(atStart, atEnd);
    if ((start - edge) * (end - edge) < 0) {
      const x = from + ((to - from) * (edge - start)) / (end - start);
      least = min(least, travel * x + steer * edge);
    }
    return least;
  }

  /** Looks at the corner of the cell's allowed part toward which the distance falls. */
  #tryCorner(open: Float64Array, at: number, ga: number, gr: number): void {
    const w = at + WAY;
    const n = open[at + CORNERS]! | 0;
    let corner = n > 1 && ga * open[w + 9]! + gr * open[w + 10]! < 0 ? 1 : 0;
    if (n === 3 && ga * open[w + 12]! + gr * open[w + 13]! < 0) corner = 2;
    const k = at + PLACES + 3 * corner;
    const travel = ga * open[w]! + gr * open[w + 1]!;
    const steer = ga * open[w + 3]! + gr * open[w + 4]!;
    let x = this.#endToward(0, travel);
    if (this.#slanted) {
      // The better of the two ends of the limit.
      const [right, other] = steer > 0 ? [0, 2] : [1, 3];
      const start = travel * this.#from[0]! + steer * between(this.#limits[right]!, -1, 1);
      const end = travel * this.#to[0]! + steer * between(this.#limits[other]!, -1, 1);
      x = start < end ? this.#from[0]! : this.#to[0]!;
    }
    this.tryPlace(
      this.#position(open, at, 0, TRAVEL_STEPS, x),
      this.#position(open, at, 1, STEER_STEPS, this.#endToward(1, steer)),
      this.#position(open, at, 2, OTHER_STEPS, this.#endToward(2, ga * open[w + 6]! + gr * open[w + 7]!)),
      open[k]!,
      open[k + 1]!,
      open[k + 2]!,
    );
  }

  /** Position in steps of a place `x` half cells from the middle of a cell. */
  #position(open: Float64Array, at: number, k: number, steps: number, x: number): number {
    const middle = open[at + T + k]!;
    return this.#cells.moves[k] ? middle + (x * steps) / (2 << open[at + LT + k]!) : middle;
  }

  #keep(distance: number, t: number, u: number, v: number, x: number, y: number, z: number): void {
    this.best = distance;
    const at = this.met;
    at[0] = t;
    at[1] = u;
    at[2] = v;
    at[3] = x;
    at[4] = y;
    at[5] = z;
  }

  /** Halves what makes the cell's distances differ most. */
  #chooseSplit(open: Float64Array, at: number, isSlab: boolean, ga: number, gr: number): void {
    const { bounds } = this.#cells;
    const here = boundAt(open[at + LT]!, open[at + LU]!, open[at + LV]!);
    const lever = open[at + LEVER]!;
    const reach = open[at + REACHES]!;
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
      const part = (this.#to[k]! - this.#from[k]!) / 2;
      const finer = here + OFFSETS[k]!;
      const missed =
        bounds[here + MISS]! -
        bounds[finer + MISS]! +
        (bounds[here + MISS_TURN]! - bounds[finer + MISS_TURN]!) * lever +
        (bounds[here + TURN]! - bounds[finer + TURN]!) * reach;
      const bend = (wa * wa + wr * wr + wt * wt) / BEND_RADIUS;
      const score = missed + bend + SLOPE_WEIGHT * part * abs(ga * wa + gr * wr) + 1e-9;
      if (score > most) {
        most = score;
        split = k;
      }
    }
    if (isSlab || reach > LEAST_PIECE_MM) {
      const w = at + WAY + 3 * PLACE_WAYS;
      const along = abs(ga * open[w]! + gr * open[w + 1]!) + abs(ga * open[w + 3]! + gr * open[w + 4]!);
      if (along + (reach * reach) / BEND_RADIUS > most) split = SPLIT_PLACE;
    }
    if (split === SPLIT_NONE && isSlab) split = SPLIT_PLACE;
    open[at + SPLIT] = split;
  }
}
