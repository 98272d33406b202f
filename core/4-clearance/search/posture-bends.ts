import type { PostureTable } from './posture-table';

/** Pairs of directions (travel, steer, the other wheel's height) along which a place bends. */
export const PAIRS = [
  [0, 0],
  [1, 1],
  [2, 2],
  [0, 1],
  [0, 2],
  [1, 2],
] as const;

/**
 * Numbers of a pair in a region: the bend of mount frame to wheel frame in its middle as three rows of four (rotation, then mm),
 * then by how much anything in the region is off it, at the mount's origin (mm) and per mm from it.
 */
export const PAIR_NUMBERS = 14;
export const OFF = 12;
export const OFF_TURN = 13;
const REGION_NUMBERS = PAIRS.length * PAIR_NUMBERS;

/** Sizes of region, coarse to fine: levels to which travel, steer and the other wheel's height are halved. An axle bends little with travel. */
const OF_A_WHEEL = [
  [0, 0, 0],
  [0, 2, 0],
  [1, 2, 0],
  [2, 3, 0],
] as const;
const OF_AN_AXLE = [
  [0, 0, 0],
  [0, 2, 0],
  [1, 3, 1],
] as const;

/** Share of the range over which slopes are compared. */
const STEP = 0.01;

/** What was found at the corners of a region is raised by this much, and by this share of the bend itself. */
const OFF_SAFETY = 1.3;
const BEND_SHARE = 0.02;

type Three = readonly [number, number, number];

/**
 * How places bend as postures change: the second derivatives of a table over the whole range, for regions of it. Over a cell of
 * a region a place follows its tangent and half of its bend, but for what the region's bends are off.
 */
export class PostureBends {
  /** By region; `of` tells where one begins. */
  readonly data: Float64Array;
  /** By size: levels, and where its regions begin. */
  readonly #sizes: readonly { readonly levels: Three; readonly from: number }[];

  constructor(table: PostureTable) {
    const levelsOf = (all: Three): Three => all.map((n, k) => (table.moves[k] ? n : 0)) as unknown as Three;
    const sizes: { levels: Three; from: number }[] = [];
    let count = 0;
    for (const all of table.moves[2] ? OF_AN_AXLE : OF_A_WHEEL) {
      const levels = levelsOf(all);
      sizes.push({ levels, from: count * REGION_NUMBERS });
      count += 1 << (levels[0] + levels[1] + levels[2]);
    }
    this.#sizes = sizes.reverse();
    this.data = new Float64Array(count * REGION_NUMBERS);
    const finest = sizes[0]!.levels;
    const samples = sampled(table, finest);
    for (const { levels, from } of sizes) {
      let at = from;
      for (let t = 0; t < 1 << levels[0]; t++) {
        for (let u = 0; u < 1 << levels[1]; u++) {
          for (let v = 0; v < 1 << levels[2]; v++) {
            summarize(samples, table.moves, finest, levels, [t, u, v], this.data, at);
            at += REGION_NUMBERS;
          }
        }
      }
    }
  }

  /** Where in `data` the finest region begins that holds a cell: its levels, and its middle as shares of the range. */
  of(levelT: number, levelU: number, levelV: number, t: number, u: number, v: number): number {
    for (const { levels, from } of this.#sizes) {
      const [lt, lu, lv] = levels;
      if (levelT < lt || levelU < lu || levelV < lv) continue;
      const index = ((((t * (1 << lt)) | 0) << lu) + ((u * (1 << lu)) | 0)) * (1 << lv) + ((v * (1 << lv)) | 0);
      return from + index * REGION_NUMBERS;
    }
    return 0;
  }
}

/** The bends at the corners of the finest regions, in order of travel, steer, other: pairs of twelve numbers. */
function sampled(table: PostureTable, levels: Three): readonly Float64Array[] {
  const [travels, steers, others] = levels.map((level, k) => corners(table.moves[k]!, 1 << level)) as [
    number[],
    number[],
    number[],
  ];
  const row = new Float64Array(table.rowLength);
  const slopes = (t: number, v: number, at: readonly number[]): Float64Array[] => {
    table.row(t, v, row, 0);
    return at.map((u) => {
      const out = new Float64Array(36);
      table.slopes(row, 0, u, out, 0);
      return out;
    });
  };
  /** Slopes on both sides of the corners of a height and another, by direction. */
  const beside = (t: number, v: number): readonly (readonly [Float64Array[], Float64Array[]] | null)[] => {
    const along = slopes(t, v, [...steers.map((u) => u - STEP), ...steers.map((u) => u + STEP)]);
    return [
      table.moves[0] ? [slopes(t - STEP, v, steers), slopes(t + STEP, v, steers)] : null,
      table.moves[1] ? [along.slice(0, steers.length), along.slice(steers.length)] : null,
      table.moves[2] ? [slopes(t, v - STEP, steers), slopes(t, v + STEP, steers)] : null,
    ];
  };
  const samples: Float64Array[] = [];
  for (const t of travels) {
    const rows = others.map((v) => beside(t, v));
    for (let j = 0; j < steers.length; j++) {
      for (const sides of rows) {
        const bends = new Float64Array(PAIRS.length * 12);
        PAIRS.forEach(([k, l], pair) => {
          const side = sides[k];
          if (!side || !table.moves[l]) return;
          const low = side[0][j]!;
          const high = side[1][j]!;
          for (let i = 0; i < 12; i++) bends[pair * 12 + i] = (high[12 * l + i]! - low[12 * l + i]!) / (2 * STEP);
        });
        samples.push(bends);
      }
    }
  }
  return samples;
}

/** Shares at the corners of `count` regions along a direction, kept off the ends of the range; its middle where nothing moves. */
function corners(moves: boolean, count: number): number[] {
  if (!moves) return [0.5];
  return Array.from({ length: count + 1 }, (_, i) => Math.min(1 - STEP, Math.max(STEP, i / count)));
}

/** Middle of the bends at the corners within a region, and how far they are off it. */
function summarize(
  samples: readonly Float64Array[],
  moves: PostureTable['moves'],
  finest: Three,
  levels: Three,
  cell: Three,
  data: Float64Array,
  at: number,
): void {
  const counts = finest.map((level, k) => (moves[k] ? (1 << level) + 1 : 1));
  const ends = [0, 1, 2].map((k) => {
    const span = 1 << (finest[k]! - levels[k]!);
    return moves[k] ? ([cell[k]! * span, (cell[k]! + 1) * span] as const) : ([0, 0] as const);
  });
  const inside: Float64Array[] = [];
  for (let t = ends[0]![0]; t <= ends[0]![1]; t++) {
    for (let u = ends[1]![0]; u <= ends[1]![1]; u++) {
      for (let v = ends[2]![0]; v <= ends[2]![1]; v++) inside.push(samples[(t * counts[1]! + u) * counts[2]! + v]!);
    }
  }
  for (let pair = 0; pair < PAIRS.length; pair++) {
    const to = at + pair * PAIR_NUMBERS;
    for (let i = 0; i < 12; i++) {
      let low = Infinity;
      let high = -Infinity;
      for (const bends of inside) {
        const x = bends[pair * 12 + i]!;
        if (x < low) low = x;
        if (x > high) high = x;
      }
      data[to + i] = (low + high) / 2;
    }
    let off = 0;
    let offTurn = 0;
    let bend = 0;
    let bendTurn = 0;
    for (const bends of inside) {
      let shift = 0;
      let turn = 0;
      let shiftThere = 0;
      let turnThere = 0;
      for (let i = 0; i < 12; i++) {
        const x = bends[pair * 12 + i]!;
        const d = x - data[to + i]!;
        if (i % 4 === 3) {
          shift += d * d;
          shiftThere += x * x;
        } else {
          turn += d * d;
          turnThere += x * x;
        }
      }
      off = Math.max(off, shift);
      offTurn = Math.max(offTurn, turn);
      bend = Math.max(bend, shiftThere);
      bendTurn = Math.max(bendTurn, turnThere);
    }
    data[to + OFF] = OFF_SAFETY * Math.sqrt(off) + BEND_SHARE * Math.sqrt(bend);
    data[to + OFF_TURN] = OFF_SAFETY * Math.sqrt(offTurn) + BEND_SHARE * Math.sqrt(bendTurn);
  }
}
