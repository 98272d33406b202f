import type { CornerMotion } from '../../2-vehicle/motion/corner-motion';
import { otherRange, type OtherLimits } from '../../2-vehicle/motion/axle-stops';
import { otherLimitsOf, type Envelope } from '../envelope/envelope';
import type { TravelStretch } from '../oracle/plain-sweep';
import { OTHER_STEPS, STEER_STEPS, TRAVEL_STEPS } from './posture-cells';
import { LockTable, type CarrierStates } from './posture-table';

/** Levels of travel for which the steer limits are worked out beforehand. */
const KEPT_LEVELS = 8;

/** Numbers of a cell's limits: furthest right and left at its lower end and at its upper end. */
export const LIMIT_NUMBERS = 4;

/**
 * What an envelope leaves of the cells of a wider range, in steps. In a cell of travel its limits of steer, and of the other
 * wheel's height, are followed by straight lines, moved outward where the limit bulges beyond them.
 */
export class PostureClip {
  readonly lowTravel: number;
  readonly highTravel: number;
  /** The whole way from lock to lock is allowed at every height. */
  readonly wholeSteer: boolean;
  readonly #envelope: Envelope;
  readonly #states: CarrierStates;
  readonly #wide: LockTable;
  readonly #locks: LockTable;
  /** Heights at which a limit may bend, in steps, in order. */
  readonly #bends: readonly number[];
  readonly #other: OtherLimits;
  /** The other wheel's limits where they are the same at every height. */
  readonly #sameOtherSteps: OtherSteps | null;
  /** Heights at which the other wheel's limits bend: where both wheels meet a stop together, in steps. */
  readonly #otherBends: readonly number[];
  /** By cell of travel of the kept levels: its limits. */
  readonly #limits = new Float64Array(LIMIT_NUMBERS * (2 << KEPT_LEVELS));

  /** `motion` has the envelope's steering stops; `wide` are the locks of the cells. */
  constructor(
    states: CarrierStates,
    wide: LockTable,
    motion: CornerMotion,
    envelope: Envelope,
    { from, to, bump = envelope.limits.bump }: TravelStretch,
  ) {
    const { range } = states;
    const steps = (travel: number, all: number): number =>
      range.to > range.from ? ((travel - range.from) / (range.to - range.from)) * all : all / 2;
    this.#envelope = envelope;
    this.#states = states;
    this.#wide = wide;
    this.#locks = motion === states.motion ? wide : new LockTable(states, motion);
    this.lowTravel = steps(from, TRAVEL_STEPS);
    this.highTravel = steps(to, TRAVEL_STEPS);
    this.#other = otherLimitsOf(envelope, bump);
    // Where each wheel is stopped for itself they do not depend on this one's height.
    this.#sameOtherSteps = envelope.limits.stops === null ? this.#otherSteps(this.lowTravel) : null;
    this.#otherBends = [envelope.limits.droop, bump].map((t) => steps(t, TRAVEL_STEPS));
    this.wholeSteer = envelope.kind === 'trail' && this.#sameLocks();
    this.#bends = envelope.breaks.map((t) => steps(t, TRAVEL_STEPS));
    if (!this.wholeSteer) this.#keepLimits();
  }

  /** Furthest right allowed at a height, in steps of steer. */
  rightAt(t: number): number {
    return this.wholeSteer ? 0 : this.#steerSteps(t).right;
  }

  /** Furthest left allowed at a height, in steps of steer. */
  leftAt(t: number): number {
    return this.wholeSteer ? STEER_STEPS : this.#steerSteps(t).left;
  }

  /**
   * Limits of a cell of travel into `out`: at the lower and at the upper end of what is allowed of it, steps of steer;
   * between them nothing allowed lies outside the straight lines.
   */
  limits(level: number, middle: number, out: Float64Array): void {
    if (level <= KEPT_LEVELS) {
      const at = LIMIT_NUMBERS * travelCell(level, middle);
      for (let k = 0; k < LIMIT_NUMBERS; k++) out[k] = this.#limits[at + k]!;
      return;
    }
    const half = TRAVEL_STEPS / (2 << level);
    const heights = [this.#inside(middle - half), this.#inside(middle + half)];
    const bends = this.#bends.filter((t) => t > heights[0]! && t < heights[1]!);
    const all = [heights[0]!, ...bends, heights[1]!];
    followLimits(
      all,
      all.map((t) => this.#steerSteps(t)),
      0,
      all.length - 1,
      out,
      0,
    );
  }

  /** Lowest and highest of the other wheel at a height, in steps. */
  otherAt(t: number): OtherSteps {
    return this.#sameOtherSteps ?? this.#otherSteps(t);
  }

  #otherSteps(t: number): OtherSteps {
    const { range } = this.#states;
    const { low, high } = otherRange(this.#other, this.#states.travelAt(t / TRAVEL_STEPS));
    const span = range.to - range.from;
    if (!(span > 0)) return { low: OTHER_STEPS / 2, high: OTHER_STEPS / 2 };
    return { low: ((low - range.from) / span) * OTHER_STEPS, high: ((high - range.from) / span) * OTHER_STEPS };
  }

  /** The other wheel's limits over the allowed heights of a cell of travel, as `limits`: lowest and highest at its lower, then at its upper end. */
  otherLimits(level: number, middle: number, out: Float64Array): void {
    const same = this.#sameOtherSteps;
    if (same) {
      out[0] = out[2] = same.low;
      out[1] = out[3] = same.high;
      return;
    }
    const half = TRAVEL_STEPS / (2 << level);
    const from = this.#inside(middle - half);
    const to = this.#inside(middle + half);
    const start = this.otherAt(from);
    const end = this.otherAt(to);
    let below = 0;
    let above = 0;
    for (const t of this.#otherBends) {
      if (!(t > from && t < to)) continue;
      const s = (t - from) / (to - from);
      const here = this.otherAt(t);
      below = Math.max(below, start.low + s * (end.low - start.low) - here.low);
      above = Math.max(above, here.high - start.high - s * (end.high - start.high));
    }
    out[0] = start.low - below;
    out[1] = start.high + above;
    out[2] = end.low - below;
    out[3] = end.high + above;
  }

  #inside(t: number): number {
    return Math.min(this.highTravel, Math.max(this.lowTravel, t));
  }

  #steerSteps(t: number): SteerSteps {
    const share = t / TRAVEL_STEPS;
    const wide = this.#wide.at(share);
    const { low, high } = this.#envelope.steerRange(this.#states.travelAt(share), this.#locks.at(share));
    const all = wide.left + wide.right;
    if (!(all > 0)) return { right: 0, left: STEER_STEPS };
    return { right: ((low + wide.right) / all) * STEER_STEPS, left: ((high + wide.right) / all) * STEER_STEPS };
  }

  #sameLocks(): boolean {
    return [0, 0.37, 1].every((share) => {
      const wide = this.#wide.at(share);
      const now = this.#locks.at(share);
      return Math.abs(wide.left - now.left) < SAME_LOCK && Math.abs(wide.right - now.right) < SAME_LOCK;
    });
  }

  #keepLimits(): void {
    const leaves = 1 << KEPT_LEVELS;
    const width = TRAVEL_STEPS / leaves;
    const ends = Array.from({ length: leaves + 1 }, (_, i) => i * width);
    const heights = [...ends, ...this.#bends].sort((a, b) => a - b);
    // Where each end stands among the heights.
    const places = ends.map((t) => heights.indexOf(t));
    const inside = heights.map((t) => this.#inside(t));
    const steers = inside.map((t) => this.#steerSteps(t));
    for (let level = 0; level <= KEPT_LEVELS; level++) {
      const span = leaves >> level;
      for (let i = 0; i < 1 << level; i++) {
        const at = LIMIT_NUMBERS * ((1 << level) + i);
        followLimits(inside, steers, places[i * span]!, places[(i + 1) * span]!, this.#limits, at);
      }
    }
  }
}

interface OtherSteps {
  readonly low: number;
  readonly high: number;
}

interface SteerSteps {
  readonly right: number;
  readonly left: number;
}

/** Lines that follow the limits from height `first` to `last`, moved outward until none of those between is outside. */
function followLimits(
  heights: readonly number[],
  steers: readonly SteerSteps[],
  first: number,
  last: number,
  out: Float64Array,
  at: number,
): void {
  const from = heights[first]!;
  const span = heights[last]! - from;
  const start = steers[first]!;
  const end = steers[last]!;
  let right = 0;
  let left = 0;
  for (let i = first + 1; i < last; i++) {
    const s = span > 0 ? (heights[i]! - from) / span : 0;
    right = Math.max(right, start.right + s * (end.right - start.right) - steers[i]!.right);
    left = Math.max(left, steers[i]!.left - start.left - s * (end.left - start.left));
  }
  out[at] = start.right - right - SAG_STEPS;
  out[at + 1] = start.left + left + SAG_STEPS;
  out[at + 2] = end.right - right - SAG_STEPS;
  out[at + 3] = end.left + left + SAG_STEPS;
}

/** Steps of steer by which a limit may bulge between two of its samples. */
const SAG_STEPS = 0.01;

/** rad: locks closer than this are the same. */
const SAME_LOCK = 1e-9;

/** Number of a cell of travel by its level and middle (in steps). */
const travelCell = (level: number, middle: number): number =>
  (1 << level) + Math.floor(middle / (TRAVEL_STEPS >> level));
