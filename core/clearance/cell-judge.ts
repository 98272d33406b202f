import { newMeasure, type ConvexPiece } from '../geometry/convex-piece';
import type { PieceTree } from '../obstacle/piece-tree';
import { LOADED_HALF_ANGLE } from '../tire/allowance';
import { SEARCH_TOLERANCE_MM } from '../tolerances';
import {
  newPlaces,
  readPlaces,
  STRETCH,
  T,
  U,
  V,
  LT,
  SLAB,
  CORNERS,
  PLACES,
  ALONG,
  FROM_AXIS,
  COSINE,
  SWINGS,
  MISSED,
  FAR,
  AWAY,
  ROUND,
  REACHES,
  WAY,
  BOUND,
  SPLIT,
  PLACE_WAYS,
  SPLIT_PLACE,
  SPLIT_NONE,
} from './cell';
import {
  CORNER_DOWN,
  OTHER_LEVELS,
  OTHER_STEPS,
  STEER_LEVELS,
  STEER_STEPS,
  TRAVEL_LEVELS,
  TRAVEL_STEPS,
  type PostureCells,
} from './posture-cells';
import { solidDistance, type Rotor, type Solid } from './rotor';

/** mm: weighs a cell's bend against its slope when choosing what to halve; about a shoulder's radius. */
const BEND_RADIUS = 30;

/** mm: pieces shorter than this are not cut further. */
const LEAST_PIECE_MM = 0.005;

/** Cosine of the angle from straight down within which the loaded shape counts. */
const COS_LOADED = Math.cos(LOADED_HALF_ANGLE);

const { abs, max, sqrt } = Math;

/**
 * What a rotor makes of cells: a lower bound of its distance to anything in them, what to halve next, and the best place
 * met so far. The rotor is covered by convex pieces, and a convex piece's distance lies above its tangent, which with
 * the ways of the cell's image bounds the whole cell from below; where a cell may reach inside, the distance changes by
 * at most 1 mm a mm.
 */
export class CellJudge {
  /** Least distance met so far, mm. */
  best = Infinity;
  /** Where: stretch, three positions, then the place in the mount's frame (mm). */
  readonly met = new Float64Array(7);
  readonly #out = newMeasure();
  readonly #places = newPlaces();
  #cells!: PostureCells;
  #rotor!: Rotor;
  #tree!: PieceTree;
  #solid!: Solid;
  #loadedTire: ConvexPiece | null = null;

  /** Nothing met yet. `insideWheel` measures to the hollow wheel. */
  reset(cells: PostureCells, rotor: Rotor, tree: PieceTree, insideWheel: boolean): void {
    this.best = Infinity;
    this.#cells = cells;
    this.#rotor = rotor;
    this.#tree = tree;
    this.#solid = insideWheel ? rotor.hollow : rotor.filled;
    this.#loadedTire = insideWheel ? null : (rotor.loaded.pieces[0] as ConvexPiece);
  }

  /** Cells whose bound is no less than this cannot hold anything worth finding. */
  get limit(): number {
    return this.best - SEARCH_TOLERANCE_MM;
  }

  /** Distance of a cell's middle from the box around the first of the solid's pieces: quick, for an order only. */
  roughly(data: Float64Array, at: number): number {
    return this.#solid.pieces[0]!.atLeast(data[at + ALONG]! - this.#rotor.centrePlaneMm, data[at + FROM_AXIS]!);
  }

  /** Bound and split of a cell by the rotor; the best place met moves on if something nearer is met on the way. */
  judge(open: Float64Array, at: number): void {
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
      if (least < this.best) {
        const met = solidDistance(isLoaded ? this.#rotor.loaded : solid, a, r);
        if (met < this.best) this.#keepMiddle(met, open, at);
      }
      if (predicted < this.best) this.#tryCorner(open, at, ga, gr);
    }
    this.#chooseSplit(open, at, isSlab, ga, gr);
  }

  #keepMiddle(met: number, open: Float64Array, at: number): void {
    readPlaces(open, at, this.#tree, this.#places);
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
    if (met < this.best) this.#keep(met, stretch, t, u, v, px, py, pz);
  }

  /** End of the cell in one direction at which the distance is less. */
  #toward(open: Float64Array, at: number, dim: number, steps: number, slope: number): number {
    const middle = open[at + T + dim]! | 0;
    if (!this.#cells.moves[dim]) return middle;
    const half = steps >> (open[at + LT + dim]! + 1);
    return slope > 0 ? middle - half : middle + half;
  }

  #keep(distance: number, stretch: number, t: number, u: number, v: number, x: number, y: number, z: number): void {
    this.best = distance;
    const at = this.met;
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
