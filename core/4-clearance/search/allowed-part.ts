import { OTHER_STEPS, STEER_STEPS, TRAVEL_STEPS, type PostureCells } from './posture-cells';
import { LIMIT_NUMBERS, type PostureClip } from './posture-clip';
import { BEND, LT, LU, LV, T, TWIST, U, V, WAY } from './posture-cell';

const { abs, max, min } = Math;

const between = (x: number, low: number, high: number): number => (x < low ? low : x > high ? high : x);

/** Low and high limit at the lower end of the allowed travel, then at its upper end. */
type Four = readonly [number, number, number, number];

/** Limits in steps as half cells from a cell's middle. */
function inHalfCells(limits: Float64Array, middle: number, half: number): void {
  for (let k = 0; k < LIMIT_NUMBERS; k++) limits[k] = (limits[k]! - middle) / half;
}

/** Straight limits over a part of their way. */
function shorten(limits: Float64Array, start: number, end: number): void {
  for (let k = 0; k < 2; k++) {
    const from = limits[k]!;
    const way = limits[k + 2]! - from;
    limits[k] = from + start * way;
    limits[k + 2] = from + end * way;
  }
}

/** The part of a cell of postures that the envelope allows, and the least of a linear change over it. */
export class AllowedPart {
  /** Ends of it, -1 to 1 where all of the cell is allowed: travel, steer, other wheel. */
  readonly from = new Float64Array(3);
  readonly to = new Float64Array(3);
  /** Furthest right and left at the lower and at the upper end of the allowed travel, likewise. */
  readonly #limits = new Float64Array(LIMIT_NUMBERS);
  /** Lowest and highest of the other wheel, likewise. */
  readonly #otherLimits = new Float64Array(LIMIT_NUMBERS);
  /** The limits of steer, or of the other wheel, cut the cell. */
  #slanted = false;
  #otherSlanted = false;
  #cells!: PostureCells;
  #clip!: PostureClip;

  reset(cells: PostureCells, clip: PostureClip): void {
    this.#cells = cells;
    this.#clip = clip;
  }

  /** Works out which part of a cell the envelope allows; false for none. */
  of(open: Float64Array, at: number): boolean {
    const t = open[at + T]!;
    const level = open[at + LT]!;
    if (!this.#allowTravel(t, level)) return false;
    const { moves } = this.#cells;
    const bySteer = moves[1] && !this.#clip.wholeSteer;
    if (bySteer) {
      this.#clip.limits(level, t, this.#limits);
      inHalfCells(this.#limits, open[at + U]!, STEER_STEPS / (2 << open[at + LU]!));
    }
    if (moves[2]) {
      this.#clip.otherLimits(level, t, this.#otherLimits);
      inHalfCells(this.#otherLimits, open[at + V]!, OTHER_STEPS / (2 << open[at + LV]!));
    }
    if (bySteer && !this.#narrowTravel(this.#limits, this.#otherLimits)) return false;
    if (moves[2] && !this.#narrowTravel(this.#otherLimits, this.#limits)) return false;
    this.#slanted = this.#allowBetween(1, bySteer ? this.#limits : null);
    this.#otherSlanted = this.#allowBetween(2, moves[2] ? this.#otherLimits : null);
    return true;
  }

  #allowTravel(middle: number, level: number): boolean {
    const { lowTravel, highTravel } = this.#clip;
    const half = TRAVEL_STEPS / (2 << level);
    const moves = this.#cells.moves[0];
    this.from[0] = moves ? max(-1, (lowTravel - middle) / half) : -1;
    this.to[0] = moves ? min(1, (highTravel - middle) / half) : 1;
    return this.from[0] <= this.to[0];
  }

  /** Keeps to the travel in which limits leave something of the cell; `others` follow. False where they leave nothing. */
  #narrowTravel(limits: Float64Array, others: Float64Array): boolean {
    const [low, high, lowEnd, highEnd] = limits as unknown as Four;
    // Shares of the way from the lower end, where the low limit lies below the cell's upper edge and the high one above its lower.
    let start = 0;
    let end = 1;
    if (low > 1 && lowEnd > 1) return false;
    if (low > 1) start = (low - 1) / (low - lowEnd);
    else if (lowEnd > 1) end = (1 - low) / (lowEnd - low);
    if (high < -1 && highEnd < -1) return false;
    if (high < -1) start = max(start, (-1 - high) / (highEnd - high));
    else if (highEnd < -1) end = min(end, (high + 1) / (high - highEnd));
    if (start === 0 && end === 1) return true;
    if (start > end) return false;
    shorten(limits, start, end);
    shorten(others, start, end);
    const from = this.from[0]!;
    const span = this.to[0]! - from;
    this.from[0] = from + start * span;
    this.to[0] = from + end * span;
    return true;
  }

  /** Takes up the limits of one direction, null for none. Whether they cut the cell aslant. */
  #allowBetween(k: 1 | 2, limits: Float64Array | null): boolean {
    this.from[k] = -1;
    this.to[k] = 1;
    if (!limits) return false;
    const [low, high, lowEnd, highEnd] = limits as unknown as Four;
    this.from[k] = max(-1, min(low, lowEnd));
    this.to[k] = min(1, max(high, highEnd));
    return (low !== lowEnd && max(low, lowEnd) > -1) || (high !== highEnd && min(high, highEnd) < 1);
  }

  /** Whether the middle of the cell lies in it. */
  holdsMiddle(open: Float64Array, at: number): boolean {
    const { moves } = this.#cells;
    const clip = this.#clip;
    if (moves[0] && !(this.from[0]! <= 0 && this.to[0]! >= 0)) return false;
    const t = open[at + T]!;
    if (moves[2]) {
      const { low, high } = clip.otherAt(t);
      if (!(open[at + V]! >= low && open[at + V]! <= high)) return false;
    }
    if (!moves[1] || clip.wholeSteer) return true;
    return open[at + U]! >= clip.rightAt(t) && open[at + U]! <= clip.leftAt(t);
  }

  /** By how much a distance of this slope changes at most downward within the allowed part of the cell, by its ways and bends. */
  lowest(o: Float64Array, at: number, ga: number, gr: number): number {
    const w = at + WAY;
    const travel = ga * o[w]! + gr * o[w + 1]!;
    const steer = ga * o[w + 3]! + gr * o[w + 4]!;
    const other = ga * o[w + 6]! + gr * o[w + 7]!;
    const places = abs(ga * o[w + 9]! + gr * o[w + 10]!) + abs(ga * o[w + 12]! + gr * o[w + 13]!);
    const b = at + BEND;
    const travelBend = ga * o[b]! + gr * o[b + 1]!;
    const steerBend = ga * o[b + 2]! + gr * o[b + 3]!;
    const otherBend = ga * o[b + 4]! + gr * o[b + 5]!;
    const t = this.#furthest(0);
    const u = this.#furthest(1);
    const v = this.#furthest(2);
    const together =
      abs(ga * o[b + 6]! + gr * o[b + 7]!) * t * u +
      abs(ga * o[b + 8]! + gr * o[b + 9]!) * t * v +
      abs(ga * o[b + 10]! + gr * o[b + 11]!) * u * v +
      this.#twisted(o, at + TWIST, ga, gr) * t +
      this.#twisted(o, at + TWIST + 4, ga, gr) * u +
      this.#twisted(o, at + TWIST + 8, ga, gr) * v;
    if (this.#slanted || this.#otherSlanted) {
      const inward = min(0, travelBend) * t * t + min(0, steerBend) * u * u + min(0, otherBend) * v * v;
      return this.#lowestOnSlants(travel, steer, other) + inward - places - together;
    }
    return (
      this.#least(0, travel, travelBend) +
      this.#least(1, steer, steerBend) +
      this.#least(2, other, otherBend) -
      places -
      together
    );
  }

  /** What turning the ways among the places makes at most. */
  #twisted(o: Float64Array, at: number, ga: number, gr: number): number {
    return abs(ga * o[at]! + gr * o[at + 1]!) + abs(ga * o[at + 2]! + gr * o[at + 3]!);
  }

  /** How far the allowed part reaches from the middle along a direction. */
  #furthest(k: number): number {
    return max(-this.from[k]!, this.to[k]!);
  }

  /** Least of slope * x + bend * x * x along one direction. */
  #least(k: number, slope: number, bend: number): number {
    const from = this.from[k]!;
    const to = this.to[k]!;
    const ends = min((slope + bend * from) * from, (slope + bend * to) * to);
    if (!(bend > 0)) return ends;
    const x = -slope / (2 * bend);
    return x > from && x < to ? (slope / 2) * x : ends;
  }

  /** Where a distance of this slope is about least within the allowed part of the cell, by its ways: along the axle, outward, from the middle. */
  fallsTo(o: Float64Array, at: number, ga: number, gr: number, out: Float64Array): void {
    const w = at + WAY;
    const travel = ga * o[w]! + gr * o[w + 1]!;
    const steer = ga * o[w + 3]! + gr * o[w + 4]!;
    const other = ga * o[w + 6]! + gr * o[w + 7]!;
    const x = this.travelEndToward(travel, steer, other);
    const y = this.#toward(1, steer, x);
    const z = this.#toward(2, other, x);
    const p = ga * o[w + 9]! + gr * o[w + 10]! > 0 ? -1 : 1;
    const q = ga * o[w + 12]! + gr * o[w + 13]! > 0 ? -1 : 1;
    out[0] = o[w]! * x + o[w + 3]! * y + o[w + 6]! * z + o[w + 9]! * p + o[w + 12]! * q;
    out[1] = o[w + 1]! * x + o[w + 4]! * y + o[w + 7]! * z + o[w + 10]! * p + o[w + 13]! * q;
  }

  /** The end along one direction toward which a slope falls. */
  endToward(k: number, slope: number): number {
    return slope > 0 ? this.from[k]! : this.to[k]!;
  }

  /**
   * Least of travel * x + steer * y + other * z where y and z keep to their limits along x: straight but for the cell's own
   * edges, so it lies at an end of x or where one of the limits crosses its edge.
   */
  #lowestOnSlants(travel: number, steer: number, other: number): number {
    const from = this.from[0]!;
    const to = this.to[0]!;
    let least = min(this.#changeAt(from, travel, steer, other), this.#changeAt(to, travel, steer, other));
    if (this.#slanted) {
      const x = this.#crossing(this.#limits, steer);
      if (x > from && x < to) least = min(least, this.#changeAt(x, travel, steer, other));
    }
    if (this.#otherSlanted) {
      const x = this.#crossing(this.#otherLimits, other);
      if (x > from && x < to) least = min(least, this.#changeAt(x, travel, steer, other));
    }
    return least;
  }

  /** Least change at a place of the allowed travel. */
  #changeAt(x: number, travel: number, steer: number, other: number): number {
    return travel * x + steer * this.#toward(1, steer, x) + other * this.#toward(2, other, x);
  }

  /** The end along a direction toward which a slope falls, at a place of the allowed travel. */
  #toward(k: 1 | 2, slope: number, x: number): number {
    if (!(k === 1 ? this.#slanted : this.#otherSlanted)) return this.endToward(k, slope);
    const limits = k === 1 ? this.#limits : this.#otherLimits;
    const from = this.from[0]!;
    const span = this.to[0]! - from;
    const s = span > 0 ? (x - from) / span : 0;
    const [start, end] = slope > 0 ? [limits[0]!, limits[2]!] : [limits[1]!, limits[3]!];
    return between(start + s * (end - start), -1, 1);
  }

  /** Where the limit toward which a slope falls crosses the cell's edge; NaN where it does not. */
  #crossing(limits: Float64Array, slope: number): number {
    const edge = slope > 0 ? -1 : 1;
    const [start, end] = slope > 0 ? [limits[0]!, limits[2]!] : [limits[1]!, limits[3]!];
    if (!((start - edge) * (end - edge) < 0)) return Number.NaN;
    const from = this.from[0]!;
    return from + ((this.to[0]! - from) * (edge - start)) / (end - start);
  }

  /** The end of the allowed travel at whose limits a change is least, where limits cut the cell; else as `endToward`. */
  travelEndToward(travel: number, steer: number, other: number): number {
    if (!this.#slanted && !this.#otherSlanted) return this.endToward(0, travel);
    const [from, to] = [this.from[0]!, this.to[0]!];
    const start = travel * from + steer * this.#toward(1, steer, from) + other * this.#toward(2, other, from);
    const end = travel * to + steer * this.#toward(1, steer, to) + other * this.#toward(2, other, to);
    return start < end ? from : to;
  }
}
