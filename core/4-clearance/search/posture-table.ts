import type { CarrierState } from '../../2-vehicle/motion/carrier';
import type { CornerMotion, Locks } from '../../2-vehicle/motion/corner-motion';
import type { Carriage } from '../../2-vehicle/motion/mount';
import { chebyshevAt, chebyshevNodes, chebyshevSum, fitAlong } from '../../1-base/numeric/chebyshev';
import { DOWN, SEEN_NUMBERS, seenFromWheel } from '../oracle/seen-from-wheel';
import { remembered } from '../../1-base/remembered';
import { POSTURE_TABLE_MM } from '../../1-base/tolerances';

/** Heights of the wheel and, on a beam axle, of the other wheel, mm: all that a table is good for. */
export interface PostureRange {
  readonly from: number;
  readonly to: number;
}

/** Shares, 0 to 1, of the travel, of the way from right lock to left lock, and of the other wheel's travel. */
export type Shares = readonly [travel: number, steer: number, other: number];

/** Numbers of a place: the mount as it is seen from the wheel. */
export const PLACE_NUMBERS = SEEN_NUMBERS;
const DOWN_NUMBERS = DOWN;

/** Terms of a table along travel, steer and the other wheel's height, before its error has been looked at. */
const TERMS = [9, 9, 6] as const;
const MOST_TERMS = 40;

/** mm: what the terms of one direction that are let go of make together. */
const TRIM_MM = POSTURE_TABLE_MM / 8;

/** mm: how far from the mount's origin an error of rotation is weighed. */
const LEVER_MM = 600;

/** Sheets kept before all are forgotten: some 10 MB. */
const KEPT_SHEETS = 600;

/** Shares in [0, 1] at which a table is compared with the linkage; none is a node. */
const CHECKS = [0.013, 0.31, 0.587, 0.99] as const;

/**
 * A corner's suspension under one alignment, worked out once for each height asked for. The locks of `motion` are the
 * widest of all that will be asked about.
 */
export class CarrierStates {
  readonly motion: CornerMotion;
  readonly range: PostureRange;
  readonly #known = new Map<string, CarrierState>();

  constructor(motion: CornerMotion, range: PostureRange) {
    this.motion = motion;
    this.range = range;
  }

  /** State at shares of the travel of this wheel and of the other. */
  at(travel: number, other: number): CarrierState {
    const here = this.travelAt(travel);
    const cross = this.motion.crossArticulates ? this.travelAt(other) - here : 0;
    const key = `${here}:${cross}`;
    const known = this.#known.get(key);
    if (known) return known;
    const made = this.motion.carrierAt(here, cross);
    this.#known.set(key, made);
    return made;
  }

  travelAt(share: number): number {
    return this.range.from + share * (this.range.to - this.range.from);
  }
}

/** Locks over the travel as series; they do not depend on the other wheel. */
export class LockTable {
  readonly #left: Float64Array;
  readonly #right: Float64Array;

  /** `motion` is that of `states`, or the same with other steering stops. */
  constructor(states: CarrierStates, motion: CornerMotion = states.motion) {
    const locks = (x: number): Locks => motion.locksAt(states.at((x + 1) / 2, 0.5));
    const ends = [locks(-1), locks(1)] as const;
    const constant = ends[0].left === ends[1].left && ends[0].right === ends[1].right;
    const nodes = constant ? [0] : chebyshevNodes(LOCK_TERMS);
    const sampled = nodes.map(locks);
    const fit = (key: keyof Locks): Float64Array => {
      const series = Float64Array.from(sampled, (at) => at[key]);
      fitAlong(series, series.length, 1, [0]);
      return series;
    };
    this.#left = fit('left');
    this.#right = fit('right');
  }

  /** At a share of the travel. */
  at(travel: number): Locks {
    const x = 2 * travel - 1;
    return { left: chebyshevSum(this.#left, x), right: chebyshevSum(this.#right, x) };
  }
}

const LOCK_TERMS = 13;

/**
 * Where a mount is, seen from the wheel, in every posture of a range: a Chebyshev series in the three shares, fitted to
 * the linkage and compared with it. Evaluating it costs a fraction of solving the linkage.
 */
export class PostureTable {
  /** Which of travel, steer and the other wheel's height change anything. */
  readonly moves: readonly [boolean, boolean, boolean];
  /** mm by which a place within `LEVER_MM` of the mount's origin was off where the table was compared. */
  readonly errorMm: number;
  readonly #states: CarrierStates;
  readonly #mount: Carriage;
  #terms: readonly [number, number, number];
  /** Travel slowest, then the other wheel, then steer, then the numbers of a place. */
  #series!: Float64Array;
  /** By the other wheel's share. */
  readonly #sheets = new Map<number, Float64Array>();
  /** Scratch of one call. */
  readonly #waves = Array.from({ length: 6 }, () => new Float64Array(MOST_TERMS));

  constructor(states: CarrierStates, mount: Carriage) {
    this.#states = states;
    this.#mount = mount;
    const { motion, range } = states;
    const locks = motion.locksAt(states.at(0.5, 0.5));
    this.moves = [range.to > range.from, locks.left > 0 || locks.right > 0, motion.crossArticulates];
    this.#terms = TERMS.map((n, k) => (this.moves[k] ? n : 1)) as [number, number, number];
    let error = this.#fit();
    while (error > POSTURE_TABLE_MM && Math.max(...this.#terms) < MOST_TERMS) {
      this.#terms = this.#terms.map((n) => (n > 1 ? Math.min(MOST_TERMS, n + 4) : 1)) as [number, number, number];
      error = this.#fit();
    }
    this.#trim();
    this.errorMm = this.#error();
  }

  /** Numbers of a row: the series in steer at one height, then their slopes along travel and the other wheel. */
  get rowLength(): number {
    return 3 * this.#terms[1] * PLACE_NUMBERS;
  }

  /** The series in steer at shares of the travel of this wheel and of the other, into `out` from `offset`. */
  row(travel: number, other: number, out: Float64Array, offset: number): void {
    const [nt, nu] = this.#terms;
    const size = nu * PLACE_NUMBERS;
    const sheet = this.#sheet(other);
    const [t, dt] = this.#waves as [Float64Array, Float64Array];
    chebyshevAt(nt, 2 * travel - 1, t, dt);
    const slopesFrom = nt * size;
    for (let k = 0; k < size; k++) {
      let here = 0;
      let along = 0;
      for (let i = 0, at = k; i < nt; i++, at += size) {
        here += t[i]! * sheet[at]!;
        along += dt[i]! * sheet[at]!;
      }
      out[offset + k] = here;
      // Slopes are by share, which is half of x.
      out[offset + size + k] = 2 * along;
    }
    if (!this.moves[2]) return;
    for (let k = 0; k < size; k++) {
      let beside = 0;
      for (let i = 0, at = slopesFrom + k; i < nt; i++, at += size) beside += t[i]! * sheet[at]!;
      out[offset + 2 * size + k] = beside;
    }
  }

  /** The series in travel and steer with the other wheel at a share of its travel, then its slopes along that. */
  #sheet(other: number): Float64Array {
    if (!this.moves[2]) return this.#series;
    return remembered(this.#sheets, KEPT_SHEETS, other, () => this.#sheetAt(other));
  }

  #sheetAt(other: number): Float64Array {
    const [nt, nu, nv] = this.#terms;
    const size = nu * PLACE_NUMBERS;
    const sheet = new Float64Array(2 * nt * size);
    const [, , v, dv] = this.#waves as [Float64Array, Float64Array, Float64Array, Float64Array];
    chebyshevAt(nv, 2 * other - 1, v, dv);
    let at = 0;
    for (let i = 0; i < nt; i++) {
      for (let m = 0; m < nv; m++) {
        for (let k = 0; k < size; k++) {
          const c = this.#series[at++]!;
          sheet[i * size + k]! += v[m]! * c;
          sheet[(nt + i) * size + k]! += 2 * dv[m]! * c;
        }
      }
    }
    return sheet;
  }

  /** A place by its row and share of the steer, into `out` from `offset`. */
  place(row: Float64Array, rowOffset: number, steer: number, out: Float64Array, offset: number): void {
    const nu = this.#terms[1];
    const u = this.#waves[4]!;
    chebyshevAt(nu, 2 * steer - 1, u, this.#waves[5]!);
    const end = rowOffset + nu * PLACE_NUMBERS;
    for (let k = 0; k < PLACE_NUMBERS; k++) {
      let sum = 0;
      for (let j = 0, at = rowOffset + k; at < end; j++, at += PLACE_NUMBERS) sum += u[j]! * row[at]!;
      out[offset + k] = sum;
    }
  }

  /** Slopes of the first twelve numbers of a place along travel, steer and the other wheel's height, by share. */
  slopes(row: Float64Array, rowOffset: number, steer: number, out: Float64Array, offset: number): void {
    const nu = this.#terms[1];
    const size = nu * PLACE_NUMBERS;
    const u = this.#waves[4]!;
    const du = this.#waves[5]!;
    chebyshevAt(nu, 2 * steer - 1, u, du);
    for (let k = 0; k < 12; k++) {
      let alongTravel = 0;
      let alongSteer = 0;
      let alongOther = 0;
      for (let j = 0, at = rowOffset + k; j < nu; j++, at += PLACE_NUMBERS) {
        alongTravel += u[j]! * row[at + size]!;
        alongSteer += du[j]! * row[at]!;
        alongOther += u[j]! * row[at + 2 * size]!;
      }
      out[offset + k] = alongTravel;
      out[offset + 12 + k] = 2 * alongSteer;
      // Where the other wheel does not matter a row holds nothing there.
      out[offset + 24 + k] = this.moves[2] ? alongOther : 0;
    }
  }

  /** Fits the series with the terms as they are. Gives the error in mm. */
  #fit(): number {
    const [nt, nu, nv] = this.#terms;
    const size = nu * PLACE_NUMBERS;
    const series = (this.#series = new Float64Array(nt * nv * size));
    this.#sheets.clear();
    const [shareT, shareU, shareV] = [nt, nu, nv].map((n) => chebyshevNodes(n).map((x) => (x + 1) / 2));
    let at = 0;
    for (const t of shareT!) {
      for (const v of shareV!) {
        for (const u of shareU!) {
          this.#solved(t, u, v, series, at);
          at += PLACE_NUMBERS;
        }
      }
    }
    if (nu > 1) fitAlong(series, nu, PLACE_NUMBERS, linesOf(series, nu, PLACE_NUMBERS));
    if (nv > 1) fitAlong(series, nv, size, linesOf(series, nv, size));
    if (nt > 1) fitAlong(series, nt, nv * size, linesOf(series, nt, nv * size));
    return this.#error();
  }

  /** Lets go of the last terms along each direction while they make no more than `TRIM_MM` together. */
  #trim(): void {
    const [nt, nu, nv] = this.#terms;
    const series = this.#series;
    /** mm by which all terms of one number along a direction move a place at most. */
    const sizes = [nt, nu, nv].map((n) => new Float64Array(n));
    let at = 0;
    for (let t = 0; t < nt; t++) {
      for (let v = 0; v < nv; v++) {
        for (let u = 0; u < nu; u++) {
          for (let k = 0; k < PLACE_NUMBERS; k++) {
            const mm = Math.abs(series[at++]!) * (k % 4 === 3 && k < DOWN_NUMBERS ? 1 : LEVER_MM);
            sizes[0]![t]! += mm;
            sizes[1]![u]! += mm;
            sizes[2]![v]! += mm;
          }
        }
      }
    }
    const kept = sizes.map((size) => {
      let n = size.length;
      let dropped = 0;
      while (n > 1 && dropped + size[n - 1]! <= TRIM_MM) dropped += size[--n]!;
      return n;
    }) as [number, number, number];
    this.#terms = kept;
    const [kt, ku, kv] = kept;
    const row = ku * PLACE_NUMBERS;
    this.#series = new Float64Array(kt * kv * row);
    for (let t = 0; t < kt; t++) {
      for (let v = 0; v < kv; v++) {
        const from = (t * nv + v) * nu * PLACE_NUMBERS;
        this.#series.set(series.subarray(from, from + row), (t * kv + v) * row);
      }
    }
    this.#sheets.clear();
  }

  /** Largest distance from the linkage at places that are no nodes. */
  #error(): number {
    const row = new Float64Array(this.rowLength);
    const there = new Float64Array(PLACE_NUMBERS);
    const solved = new Float64Array(PLACE_NUMBERS);
    const shares = (k: number): readonly number[] => (this.moves[k] ? CHECKS : [0.5]);
    let worst = 0;
    for (const t of shares(0)) {
      for (const v of shares(2)) {
        this.row(t, v, row, 0);
        for (const u of shares(1)) {
          this.place(row, 0, u, there, 0);
          this.#solved(t, u, v, solved, 0);
          let squared = 0;
          for (let k = 0; k < DOWN_NUMBERS; k++) {
            squared += ((there[k]! - solved[k]!) * (k % 4 === 3 ? 1 : LEVER_MM)) ** 2;
          }
          worst = Math.max(worst, Math.sqrt(squared));
        }
      }
    }
    return worst;
  }

  /** A place as the linkage itself gives it. */
  #solved(t: number, u: number, v: number, out: Float64Array, at: number): void {
    const { motion } = this.#states;
    const state = this.#states.at(t, v);
    const { left, right } = motion.locksAt(state);
    const steer = this.moves[1] ? -right + u * (left + right) : 0;
    seenFromWheel(motion.wheelFrom(state, steer), motion.mountFrom(state, this.#mount, steer), out, at);
  }
}

/** First entries of the lines of `count` numbers that lie `stride` apart. */
function linesOf({ length }: Float64Array, count: number, stride: number): number[] {
  const lines: number[] = [];
  for (let block = 0; block < length; block += count * stride) {
    for (let i = 0; i < stride; i++) lines.push(block + i);
  }
  return lines;
}
