import type { PieceTree } from '../../3-survey/shape/piece-tree';
import type { PieceSet } from '../../3-survey/shape/shape';
import {
  doubled,
  setSlab,
  splitPlaces,
  T,
  U,
  V,
  LT,
  LU,
  LV,
  ALONG,
  BOUND,
  SPLIT,
  STRIDE,
  SPLIT_TRAVEL,
  SPLIT_STEER,
  SPLIT_PLACE,
  SPLIT_NONE,
} from './posture-cell';
import { imageCell } from './cell-image';
import { CellJudge } from './cell-judge';
import { OTHER_STEPS, STEER_STEPS, TRAVEL_STEPS, type PostureCells } from './posture-cells';
import type { PostureClip } from './posture-clip';
import type { Rotor } from '../../2-vehicle/setup/rotor';

/** Answer of a search over one obstacle. */
export interface SearchAnswer {
  /** `stopped`: the work limit was met, nothing is proven. */
  readonly status: 'solved' | 'stopped';
  /** Signed distance to the bare pieces, mm: met in the posture and at the place named. */
  readonly distance: number;
  /** Position in steps. */
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

/** Cells kept of a search so that the next one need not begin at the beginning; larger ones are not worth keeping. */
const KEPT_CELLS = 8000;

/** The cells a search ended with: together they hold every posture and place. Any rotor can start from them. */
export interface Cut {
  cells: Float64Array;
  count: number;
}

export const emptyCut = (): Cut => ({ cells: new Float64Array(0), count: 0 });

/** Where the least of some pieces was met: position in steps, place in the mount's frame. */
export type Met = Readonly<Pick<SearchAnswer, 't' | 'u' | 'v' | 'x' | 'y' | 'z'>>;

/** What is searched: the pieces of a thing against a rotor, in postures of cells under a clip. */
export interface SearchQuestion {
  readonly cells: PostureCells;
  readonly clip: PostureClip;
  readonly rotor: Rotor;
  readonly pieces: PieceSet;
  readonly tree: PieceTree;
  readonly insideWheel: boolean;
  /** Where an earlier search of the same pieces and postures left off. */
  readonly cut?: Cut;
  /** Looked at first, moved into the envelope: a good guess spares most cells a closer look. Any will do, and none. */
  readonly guess?: Met | undefined;
}

/**
 * Branch and bound for the least signed distance between a rotor and one obstacle over all postures of the cells and
 * all places of the pieces. Every open cell (postures x places) is seen in the plane (a, r) of axle line and radius as
 * the image of its middle, the ways, bends and twists of that image, and a bound on what they miss. Cells that cannot beat the best
 * place met so far (by `searchToleranceMm`) are dropped, the others halved where it tells most. docs/method.md derives
 * the bounds.
 */
export class LeastGapSearch {
  #open = new Float64Array(512 * STRIDE);
  #count = 0;
  /** Cells dropped by the search under way. */
  #done = new Float64Array(512 * STRIDE);
  #doneCount = 0;
  #cellsSeen = 0;
  /** Numbers of an earlier search's cells that could hold something nearer. */
  readonly #near: number[] = [];
  readonly #judge = new CellJudge();

  #cells!: PostureCells;
  #tree!: PieceTree;
  #pieces!: PieceSet;

  /**
   * Least distance for one obstacle; `insideWheel` measures to the hollow wheel. `cut` is where an earlier search of the
   * same cells and pieces ended (empty at first); it is brought up to date. With a `ceiling` only what is nearer than that
   * is looked for: the distance is then the ceiling where nothing is. `anyWillDo`: the first place met that is nearer ends
   * the search.
   */
  run(
    { cells, clip, rotor, pieces, tree, insideWheel, cut = emptyCut(), guess }: SearchQuestion,
    ceiling = Infinity,
    anyWillDo = false,
  ): SearchAnswer {
    this.#cells = cells;
    this.#tree = tree;
    this.#pieces = pieces;
    this.#judge.reset(cells, clip, rotor, tree, insideWheel, ceiling);
    this.#count = 0;
    this.#doneCount = 0;
    this.#cellsSeen = 0;
    if (guess) this.#judge.tryPlace(guess.t, guess.u, guess.v, guess.x, guess.y, guess.z);
    const enough = anyWillDo ? ceiling : -Infinity;
    if (this.#judge.best >= enough) {
      if (cut.count === 0) this.#begin();
      else this.#takeUp(cut);
    }
    while (this.#count > 0 && this.#cellsSeen < WORK_LIMIT && this.#judge.best >= enough) this.#step();
    const status = this.#count === 0 || this.#judge.best < enough ? 'solved' : 'stopped';
    this.#layDown(cut);
    const at = this.#judge.met;
    return {
      status,
      distance: this.#judge.best,
      t: at[0]!,
      u: at[1]!,
      v: at[2]!,
      x: at[3]!,
      y: at[4]!,
      z: at[5]!,
      cells: this.#cellsSeen,
    };
  }

  /** One cell for all postures and places. */
  #begin(): void {
    const at = this.#push();
    const open = this.#open;
    open[at + T] = TRAVEL_STEPS / 2;
    open[at + U] = STEER_STEPS / 2;
    open[at + V] = OTHER_STEPS / 2;
    open[at + LT] = open[at + LU] = open[at + LV] = 0;
    setSlab(open, at, 0, this.#tree, this.#pieces);
    this.#image(at);
    this.#judge.judge(open, at);
  }

  /** Judges the cells of an earlier search by this rotor and opens those that could hold something nearer. */
  #takeUp(cut: Cut): void {
    const { cells } = cut;
    const judge = this.#judge;
    const near = this.#near;
    near.length = 0;
    for (let i = 0, at = 0; i < cut.count; i++, at += STRIDE) {
      if (judge.atLeast(cells, at) >= judge.limit) continue;
      judge.judge(cells, at);
      if (cells[at + BOUND]! < judge.limit && cells[at + SPLIT] !== SPLIT_NONE) near.push(i);
    }
    const limit = judge.limit;
    let least = Infinity;
    let leastAt = -1;
    while (near.length > 0) {
      const i = near.pop()!;
      const bound = cells[i * STRIDE + BOUND]!;
      if (bound >= limit) continue;
      const at = this.#push();
      for (let k = 0; k < STRIDE; k++) this.#open[at + k] = cells[i * STRIDE + k]!;
      // The last cell fills the place left.
      const last = --cut.count * STRIDE;
      if (last !== i * STRIDE) cells.copyWithin(i * STRIDE, last, last + STRIDE);
      if (bound < least) {
        least = bound;
        leastAt = at;
      }
    }
    if (leastAt >= 0) this.#swap(leastAt, (this.#count - 1) * STRIDE);
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

  #image(at: number): void {
    this.#cellsSeen++;
    imageCell(this.#open, at, this.#cells, this.#tree);
  }

  /** Takes the newest open cell, drops or halves it. */
  #step(): void {
    const at = --this.#count * STRIDE;
    const split = this.#open[at + SPLIT]! | 0;
    if (this.#open[at + BOUND]! >= this.#judge.limit || split === SPLIT_NONE) {
      this.#drop(at);
      return;
    }
    // The cell's own slot becomes one half, the next slot the other.
    const first = this.#push();
    const second = this.#push();
    const open = this.#open;
    for (let k = 0; k < ALONG; k++) open[second + k] = open[first + k]!;
    if (split === SPLIT_PLACE) splitPlaces(open, first, second, this.#tree, this.#pieces);
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
    this.#judge.judge(open, first);
    this.#image(second);
    this.#judge.judge(open, second);
    // The better half on top; halves that are done for are put aside.
    if (open[first + BOUND]! < open[second + BOUND]!) this.#swap(first, second);
    const limit = this.#judge.limit;
    if (open[second + BOUND]! >= limit) {
      this.#drop(second);
      this.#count--;
      if (open[first + BOUND]! >= limit) {
        this.#drop(first);
        this.#count--;
      }
    }
  }
}
