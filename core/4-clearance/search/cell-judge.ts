import { newMeasure, type ConvexPiece } from '../../1-base/geometry/convex-piece';
import type { PieceTree } from '../../3-survey/shape/piece-tree';
import { searchToleranceMm } from '../../1-base/tolerances';
import {
  newPlaces,
  readPlaces,
  T,
  U,
  V,
  LT,
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
  ROUND,
  WAY,
  WAY_NUMBERS,
  BEND,
  BEND_NUMBERS,
  TWIST_NUMBERS,
  BOUND,
  SPLIT,
  SPLIT_NONE,
} from './posture-cell';
import { AllowedPart } from './allowed-part';
import { DOWN } from '../oracle/seen-from-wheel';
import { OTHER_STEPS, STEER_STEPS, TRAVEL_STEPS, type PostureCells } from './posture-cells';
import type { PostureClip } from './posture-clip';
import { chooseSplit, type Slope } from './split-rule';
import { PLACE_NUMBERS } from './posture-table';
import { COS_NEAR_GROUND, solidDistance, type Rotor, type Solid } from '../../2-vehicle/setup/rotor';

const { abs, max, min, sqrt } = Math;

const between = (x: number, low: number, high: number): number => (x < low ? low : x > high ? high : x);

/**
 * By how much (mm, negative) a bound of this slope outward falls since the radius may come out longer than its ways say: by the way
 * round the axis, squared.
 */
const bow = (outward: number, bent: number, inner: number): number =>
  outward >= 0 ? 0 : inner > 0 ? (outward * bent * bent) / (2 * inner) : -Infinity;

type Six = readonly [number, number, number, number, number, number];

/**
 * The bounding step of the branch and bound: a lower bound of a rotor's distance to anything in a cell, and the best place
 * met so far. The rotor is covered by convex pieces, and a convex piece's distance lies above its tangent, which with
 * the ways of the cell's image bounds the whole cell from below; where a cell may reach inside, the Lipschitz bound
 * of every distance is what is left: it changes by at most 1 mm a mm.
 */
export class CellJudge {
  /** Least distance met so far, mm. */
  best = Infinity;
  /** Where: three positions in steps, then the place in the mount's frame (mm). */
  readonly met = new Float64Array(6);
  readonly #out = newMeasure();
  /** Tangent of a piece where its first one falls to, and the way there (along the axle, outward). */
  readonly #there = newMeasure();
  readonly #wayThere = new Float64Array(2);
  readonly #places = newPlaces();
  readonly #pose = new Float64Array(PLACE_NUMBERS);
  /** Of the cell under judgement: what is allowed of it, what its ways miss, how far it goes round the axis, its least radius. */
  readonly #part = new AllowedPart();
  #miss = 0;
  #bent = 0;
  #inner = 0;
  readonly #slope: Slope = { along: 0, outward: 0 };
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
    this.#part.reset(cells, clip);
    this.#rotor = rotor;
    this.#tree = tree;
    this.#solid = insideWheel ? rotor.hollow : rotor.filled;
    this.#loadedTire = insideWheel ? null : (rotor.loaded.pieces[0] as ConvexPiece);
  }

  /** Cells whose bound is no less than this cannot hold anything worth finding. */
  get limit(): number {
    return this.best - searchToleranceMm(this.best);
  }

  /**
   * What the distance to a cell is not below, quickly: between the box around its image and the one around the rotor, then by the
   * tangent of the rotor's hull over all of the cell, whatever the envelope leaves of it.
   */
  atLeast(data: Float64Array, at: number): number {
    const { hull } = this.#loadedTire ? this.#rotor.loaded : this.#solid;
    if (!hull) return -Infinity;
    const limit = this.limit;
    const a = data[at + ALONG]! - this.#rotor.centrePlaneMm;
    const beside = abs(a) - data[at + HALF_ALONG]!;
    const quick = hull.atLeast(beside > 0 ? beside : 0, data[at + LEAST_RADIUS]!);
    if (quick >= limit) return quick;
    const out = this.#out;
    const r = data[at + FROM_AXIS]!;
    const least = data[at + LEAST_RADIUS]!;
    hull.measure(a, r, out);
    const bowed = bow(out[2]!, data[at + ROUND]!, least);
    // Over the whole box first, which is done in a moment.
    const over = out[0]! - abs(out[1]!) * data[at + HALF_ALONG]! - abs(out[2]!) * (r - least) + bowed;
    if (over >= limit) return over;
    let low = out[0]! - data[at + MISSED]! + bowed;
    for (let w = at + WAY; w < at + WAY + WAY_NUMBERS; w += 3) low -= abs(out[1]! * data[w]! + out[2]! * data[w + 1]!);
    for (let b = at + BEND; b < at + BEND + BEND_NUMBERS + TWIST_NUMBERS; b += 2) {
      const bend = out[1]! * data[b]! + out[2]! * data[b + 1]!;
      // Bends of one direction count where they turn toward the rotor, those of two either way.
      if (bend < 0 || b >= at + BEND + 6) low -= abs(bend);
    }
    return low > quick ? low : quick;
  }

  /** Bound and split of a cell by the rotor; the best place met moves on if something nearer is met on the way. */
  judge(open: Float64Array, at: number): void {
    if (!this.#part.of(open, at)) {
      open[at + BOUND] = Infinity;
      open[at + SPLIT] = SPLIT_NONE;
      return;
    }
    const r = open[at + FROM_AXIS]!;
    const a = open[at + ALONG]! - this.#rotor.centrePlaneMm;
    const far = open[at + FAR]!;
    this.#miss = open[at + MISSED]!;
    this.#bent = open[at + ROUND]!;
    this.#inner = open[at + LEAST_RADIUS]!;

    // The loaded shape counts where the place may be near the ground: its angle from straight down, and its swing.
    let mayBeLoaded = false;
    let isLoaded = false;
    if (this.#loadedTire) {
      const cosine = open[at + COSINE]!;
      const swing = open[at + SWINGS]!;
      isLoaded = cosine >= COS_NEAR_GROUND;
      if (isLoaded || swing >= 1) mayBeLoaded = true;
      else {
        const rest = sqrt(1 - swing * swing);
        mayBeLoaded = cosine >= rest || cosine * rest + sqrt(max(0, 1 - cosine * cosine)) * swing >= COS_NEAR_GROUND;
      }
    }

    const limit = this.limit;
    const solid = this.#solid;
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
      const lowest = f + this.#part.lowest(open, at, pa, pr);
      if (lowest < predicted) {
        predicted = lowest;
        ga = pa;
        gr = pr;
      }
      let low = lowest - this.#unseen(pr);
      if (low < limit) low = max(low, this.#byTwoTangents(piece, open, at));
      if (low < limit && f < 0) low = max(low, this.#betweenSides(open, at));
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
        const lowest = out[0]! + this.#part.lowest(open, at, out[1]!, pr);
        if (lowest < predicted) {
          predicted = lowest;
          ga = out[1]!;
          gr = pr;
        }
        const low = lowest - this.#unseen(pr);
        if (low > bound) bound = low;
      }
    }
    open[at + BOUND] = bound;
    open[at + SPLIT] = SPLIT_NONE;
    if (bound >= limit) return;

    const isSlab = open[at + SLAB]! >= 0;
    if (!isSlab) {
      if (least < this.best && this.#part.holdsMiddle(open, at)) {
        const met = solidDistance(isLoaded ? this.#rotor.loaded : solid, a, r);
        if (met < this.best) this.#keepMiddle(met, open, at);
      }
      if (predicted < this.best) this.#tryCorner(open, at, ga, gr);
    }
    this.#slope.along = ga;
    this.#slope.outward = gr;
    chooseSplit(open, at, this.#cells, this.#part, this.#slope);
  }

  /** By how much (mm) a distance of this slope outward may be lower than ways and bends say. */
  #unseen(outward: number): number {
    return this.#miss - bow(outward, this.#bent, this.#inner);
  }

  /** The lowest that a supporting line allows over the cell, by its distance at the middle and its slope. */
  #lowest(o: Float64Array, at: number, distance: number, along: number, outward: number): number {
    return distance + this.#part.lowest(o, at, along, outward) - this.#unseen(outward);
  }

  /**
   * Where a distance bends over the cell: the bound by the tangent of a piece at the place toward which its tangent at the middle
   * falls, and by that mean of the two which does not change on the way there.
   */
  #byTwoTangents(piece: ConvexPiece, o: Float64Array, at: number): number {
    const [f, a, r] = this.#out as unknown as Six;
    const way = this.#wayThere;
    this.#part.fallsTo(o, at, a, r, way);
    const wa = way[0]!;
    const wr = way[1]!;
    piece.measure(o[at + ALONG]! - this.#rotor.centrePlaneMm + wa, o[at + FROM_AXIS]! + wr, this.#there);
    const [there, thereA, thereR] = this.#there as unknown as Six;
    const falls = a * wa + r * wr;
    const rises = thereA * wa + thereR * wr;
    const other = there - rises;
    const low = this.#lowest(o, at, other, thereA, thereR);
    if (!(falls < 0 && rises > 0)) return low;
    return max(low, this.#byMean(o, at, falls / (falls - rises), f, a, r, other, thereA, thereR));
  }

  /** The bound by a mean of two supporting lines, each by its distance at the middle and its slope; `share` of the second. */
  #byMean(
    o: Float64Array,
    at: number,
    share: number,
    first: number,
    firstA: number,
    firstR: number,
    second: number,
    secondA: number,
    secondR: number,
  ): number {
    const distance = first + share * (second - first);
    return this.#lowest(o, at, distance, firstA + share * (secondA - firstA), firstR + share * (secondR - firstR));
  }

  /**
   * Deep inside, where two sides are about as near, one tangent falls away across the cell: the bound by that mean of the two
   * which does not change along one of the cell's ways, whichever is highest.
   */
  #betweenSides(o: Float64Array, at: number): number {
    const [f, a, r, other, otherA, otherR] = this.#out as unknown as Six;
    let highest = -Infinity;
    if (other === -Infinity) return highest;
    for (let w = at + WAY; w < at + WAY + WAY_NUMBERS; w += 3) {
      const falls = a * o[w]! + r * o[w + 1]!;
      const rises = otherA * o[w]! + otherR * o[w + 1]!;
      if (!(falls * rises < 0)) continue;
      const low = this.#byMean(o, at, falls / (falls - rises), f, a, r, other, otherA, otherR);
      if (low > highest) highest = low;
    }
    return highest;
  }

  /** Looks at a place (mount's frame, mm) in a posture (steps), moved into the envelope if it lies outside. */
  tryPlace(t: number, u: number, v: number, x: number, y: number, z: number): void {
    const clip = this.#clip;
    const height = this.#cells.moves[0] ? between(t, clip.lowTravel, clip.highTravel) : t;
    const other = this.#cells.moves[2] ? this.#otherWithin(height, v) : v;
    const steer = clip.wholeSteer ? u : between(u, clip.rightAt(height), clip.leftAt(height));
    const d = this.#pose;
    this.#cells.placeAt(height, steer, other, d);
    const a = d[4]! * x + d[5]! * y + d[6]! * z + d[7]!;
    const wx = d[0]! * x + d[1]! * y + d[2]! * z + d[3]!;
    const wz = d[8]! * x + d[9]! * y + d[10]! * z + d[11]!;
    const r = sqrt(wx * wx + wz * wz);
    let solid = this.#solid;
    if (this.#loadedTire && wx * d[DOWN]! + wz * d[DOWN + 1]! >= r * COS_NEAR_GROUND) solid = this.#rotor.loaded;
    const met = solidDistance(solid, a - this.#rotor.centrePlaneMm, r);
    if (met < this.best) this.#keep(met, height, steer, other, x, y, z);
  }

  #otherWithin(height: number, v: number): number {
    const { low, high } = this.#clip.otherAt(height);
    return between(v, low, high);
  }

  #keepMiddle(met: number, open: Float64Array, at: number): void {
    readPlaces(open, at, this.#tree, this.#places);
    const p = this.#places;
    this.#keep(met, open[at + T]!, open[at + U]!, open[at + V]!, p[0]!, p[1]!, p[2]!);
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
    const other = ga * open[w + 6]! + gr * open[w + 7]!;
    const part = this.#part;
    this.tryPlace(
      this.#position(open, at, 0, TRAVEL_STEPS, part.travelEndToward(travel, steer, other)),
      this.#position(open, at, 1, STEER_STEPS, part.endToward(1, steer)),
      this.#position(open, at, 2, OTHER_STEPS, part.endToward(2, other)),
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
}
