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
  /** The limits of steer cut the cell. */
  #slanted = false;
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
    return this.#allowAlong(2, moves[2], open[at + V]!, OTHER_STEPS, open[at + LV]!, clip.lowOther, clip.highOther);
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
    if (moves[2] && !(this.from[2]! <= 0 && this.to[2]! >= 0)) return false;
    if (!moves[1] || clip.wholeSteer) return true;
    const t = open[at + T]!;
    return open[at + U]! >= clip.rightAt(t) && open[at + U]! <= clip.leftAt(t);
  }

  /** By how much a distance of this slope changes at most downward within the allowed part of the cell, by its ways. */
  lowest(o: Float64Array, at: number, ga: number, gr: number): number {
    const w = at + WAY;
    const travel = ga * o[w]! + gr * o[w + 1]!;
    const steer = ga * o[w + 3]! + gr * o[w + 4]!;
    const other = ga * o[w + 6]! + gr * o[w + 7]!;
    const places = abs(ga * o[w + 9]! + gr * o[w + 10]!) + abs(ga * o[w + 12]! + gr * o[w + 13]!);
    const height = other * this.endToward(2, other) - places;
    if (!this.#slanted) return height + travel * this.endToward(0, travel) + steer * this.endToward(1, steer);
    return height + this.#lowestOnSlant(travel, steer);
  }

  /** The end along one direction toward which a slope falls. */
  endToward(k: number, slope: number): number {
    return slope > 0 ? this.from[k]! : this.to[k]!;
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
    const from = this.from[0]!;
    const to = this.to[0]!;
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

  /** The end of the allowed travel at whose limit of steer a change is least, where the limits cut the cell; else as `endToward`. */
  travelEndToward(travel: number, steer: number): number {
    if (!this.#slanted) return this.endToward(0, travel);
    const [right, other] = steer > 0 ? [0, 2] : [1, 3];
    const start = travel * this.from[0]! + steer * between(this.#limits[right]!, -1, 1);
    const end = travel * this.to[0]! + steer * between(this.#limits[other]!, -1, 1);
    return start < end ? this.from[0]! : this.to[0]!;
  }
}
