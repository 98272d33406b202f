import { OTHER_STEPS, STEER_STEPS, TRAVEL_STEPS, type PostureCells } from './posture-cells';
import { LIMIT_NUMBERS, type PostureClip } from './posture-clip';
import { LT, LU, LV, T, U, V, WAY } from './posture-cell';

const { abs, max, min } = Math;

const between = (x: number, low: number, high: number): number => (x < low ? low : x > high ? high : x);

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
    const clip = this.#clip;
    const { moves } = this.#cells;
    const t = open[at + T]!;
    const level = open[at + LT]!;
    if (!this.#allowAlong(0, moves[0], t, TRAVEL_STEPS, level, clip.lowTravel, clip.highTravel)) return false;
    if (!this.#allowSteer(t, level, open[at + U]!, open[at + LU]!)) return false;
    return this.#allowOther(t, level, open[at + V]!, open[at + LV]!);
  }

  /** The limits of the other wheel along the allowed travel of the cell, in half cells from its middle. */
  #allowOther(t: number, level: number, v: number, otherLevel: number): boolean {
    const limits = this.#otherLimits;
    this.#otherSlanted = false;
    this.from[2] = -1;
    this.to[2] = 1;
    if (!this.#cells.moves[2]) return true;
    this.#clip.otherLimits(level, t, limits);
    const half = OTHER_STEPS / (2 << otherLevel);
    for (let k = 0; k < LIMIT_NUMBERS; k++) limits[k] = (limits[k]! - v) / half;
    this.from[2] = max(-1, min(limits[0]!, limits[2]!));
    this.to[2] = min(1, max(limits[1]!, limits[3]!));
    this.#otherSlanted = !this.#clip.sameOther && (max(limits[0]!, limits[2]!) > -1 || min(limits[1]!, limits[3]!) < 1);
    return this.from[2]! <= this.to[2]!;
  }

  /** The limits of steer along the allowed travel of the cell, in half cells from its middle. */
  #allowSteer(t: number, level: number, u: number, steerLevel: number): boolean {
    const limits = this.#limits;
    this.#slanted = this.#cells.moves[1] && !this.#clip.wholeSteer;
    this.from[1] = -1;
    this.to[1] = 1;
    if (!this.#slanted) return true;
    this.#clip.limits(level, t, limits);
    const half = STEER_STEPS / (2 << steerLevel);
    for (let k = 0; k < LIMIT_NUMBERS; k++) limits[k] = (limits[k]! - u) / half;
    this.from[1] = max(-1, min(limits[0]!, limits[2]!));
    this.to[1] = min(1, max(limits[1]!, limits[3]!));
    // Limits beyond the cell all along do not matter.
    this.#slanted = max(limits[0]!, limits[2]!) > -1 || min(limits[1]!, limits[3]!) < 1;
    return this.from[1]! <= this.to[1]!;
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
    this.from[k] = from;
    this.to[k] = to;
    return from <= to;
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

  /** By how much a distance of this slope changes at most downward within the allowed part of the cell, by its ways. */
  lowest(o: Float64Array, at: number, ga: number, gr: number): number {
    const w = at + WAY;
    const travel = ga * o[w]! + gr * o[w + 1]!;
    const steer = ga * o[w + 3]! + gr * o[w + 4]!;
    const other = ga * o[w + 6]! + gr * o[w + 7]!;
    const places = abs(ga * o[w + 9]! + gr * o[w + 10]!) + abs(ga * o[w + 12]! + gr * o[w + 13]!);
    if (this.#slanted || this.#otherSlanted) return this.#lowestOnSlants(travel, steer, other) - places;
    return (
      travel * this.endToward(0, travel) + steer * this.endToward(1, steer) + other * this.endToward(2, other) - places
    );
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
