import { PLACE_NUMBERS, type PostureTable } from './posture-table';

/** Levels to which travel, steer and the other wheel's height are halved; a position counts half cells of the last. */
export const TRAVEL_LEVELS = 13;
export const STEER_LEVELS = 9;
export const OTHER_LEVELS = 7;

/** Bounds kept for each size of cell: way of a place at the origin and per mm from it; what a tangent may miss of it. */
export const REACH = 0;
export const TURN = 1;
export const MISS = 2;
export const MISS_TURN = 3;
/** rad by which vehicle-down may swing in the wheel plane. */
export const SWING = 4;
const BOUND_STRIDE = 5;

/** Measured rates and bends are raised by this much, so that bounds err to the cautious side. */
const RATE_SAFETY = 1.15;
const BEND_SAFETY = 1.3;

/** Samples along travel, steer and the other wheel's height from which rates and bends are taken. */
const SAMPLES = [9, 7, 5] as const;

/** Where in `postureBounds` a cell of these levels has its five numbers. */
export const boundAt = (travelLevel: number, steerLevel: number, otherLevel: number): number =>
  ((travelLevel * (STEER_LEVELS + 1) + steerLevel) * (OTHER_LEVELS + 1) + otherLevel) * BOUND_STRIDE;

/** Rates and bends of a table over its whole range, worked into bounds for every size of cell. */
export function postureBounds(table: PostureTable): Float64Array {
  const { moves } = table;
  const counts = SAMPLES.map((n, k) => (moves[k] ? n : 1)) as [number, number, number];
  const grid = sampled(table, counts);
  const rate = [0, 1, 2].map((k) => differences(grid, counts, [k]));
  const bend = [0, 1, 2].map((k) => differences(grid, counts, [k, k]));
  const twist = (
    [
      [0, 1],
      [0, 2],
      [1, 2],
    ] as const
  ).map(([k, l]) => ({ k, l, ...differences(grid, counts, [k, l]) }));
  const bounds = new Float64Array((TRAVEL_LEVELS + 1) * (STEER_LEVELS + 1) * (OTHER_LEVELS + 1) * BOUND_STRIDE);
  const halves = [0, 0, 0];
  for (let i = 0; i <= TRAVEL_LEVELS; i++) {
    for (let j = 0; j <= STEER_LEVELS; j++) {
      for (let m = 0; m <= (moves[2] ? OTHER_LEVELS : 0); m++) {
        halves[0] = 0.5 / (1 << i);
        halves[1] = 0.5 / (1 << j);
        halves[2] = 0.5 / (1 << m);
        const at = boundAt(i, j, m);
        bounds[at + REACH] = bounds[at + MISS] = 2 * table.errorMm;
        for (let k = 0; k < 3; k++) {
          bounds[at + REACH]! += RATE_SAFETY * rate[k]!.shift * halves[k]!;
          bounds[at + TURN]! += RATE_SAFETY * rate[k]!.turn * halves[k]!;
          bounds[at + SWING]! += RATE_SAFETY * rate[k]!.swing * halves[k]!;
          bounds[at + MISS]! += 0.5 * BEND_SAFETY * bend[k]!.shift * halves[k]! * halves[k]!;
          bounds[at + MISS_TURN]! += 0.5 * BEND_SAFETY * bend[k]!.turn * halves[k]! * halves[k]!;
        }
        for (const { k, l, shift, turn } of twist) {
          bounds[at + MISS]! += BEND_SAFETY * shift * halves[k]! * halves[l]!;
          bounds[at + MISS_TURN]! += BEND_SAFETY * turn * halves[k]! * halves[l]!;
        }
      }
    }
  }
  return bounds;
}

/** Places on an even grid: travel slowest, then the other wheel, then steer. */
function sampled(table: PostureTable, counts: readonly [number, number, number]): Float64Array {
  const grid = new Float64Array(counts[0] * counts[1] * counts[2] * PLACE_NUMBERS);
  const row = new Float64Array(table.rowLength);
  const share = (i: number, n: number): number => (n > 1 ? i / (n - 1) : 0.5);
  let offset = 0;
  for (let i = 0; i < counts[0]; i++) {
    for (let m = 0; m < counts[2]; m++) {
      table.row(share(i, counts[0]), share(m, counts[2]), row, 0);
      for (let j = 0; j < counts[1]; j++) {
        table.place(row, 0, share(j, counts[1]), grid, offset);
        offset += PLACE_NUMBERS;
      }
    }
  }
  return grid;
}

/**
 * Largest divided difference of the sampled places along one or two directions (over the whole range, so per unit
 * share): of the place of the origin (`shift`, mm), of the turn (`turn`, Frobenius norm), and of vehicle-down in the
 * wheel plane (`swing`).
 */
function differences(
  grid: Float64Array,
  counts: readonly [number, number, number],
  along: readonly [number] | readonly [number, number],
): { shift: number; turn: number; swing: number } {
  // Laid out travel, other, steer (the last runs fastest).
  const strides = [counts[1] * counts[2] * PLACE_NUMBERS, PLACE_NUMBERS, counts[1] * PLACE_NUMBERS];
  const [k, l] = along;
  const second = l !== undefined;
  const steps = [0, 0, 0];
  steps[k]! += 1;
  if (second) steps[l]! += 1;
  if (steps.some((n, axis) => n >= counts[axis]!)) return { shift: 0, turn: 0, swing: 0 };
  const scale = (counts[k]! - 1) * (second ? counts[l]! - 1 : 1);
  const [sk, sl] = [strides[k]!, second ? strides[l]! : 0];
  let shift = 0;
  let turn = 0;
  let swing = 0;
  for (let i = 0; i + steps[0]! < counts[0]; i++) {
    for (let m = 0; m + steps[2]! < counts[2]; m++) {
      for (let j = 0; j + steps[1]! < counts[1]; j++) {
        const at = i * strides[0]! + j * strides[1]! + m * strides[2]!;
        let shiftSquared = 0;
        let turnSquared = 0;
        let swingSquared = 0;
        for (let n = 0; n < PLACE_NUMBERS; n++) {
          const d = second
            ? grid[at + n]! - grid[at + sk + n]! - grid[at + sl + n]! + grid[at + sk + sl + n]!
            : grid[at + sk + n]! - grid[at + n]!;
          if (n >= 12) swingSquared += d * d;
          else if (n % 4 === 3) shiftSquared += d * d;
          else turnSquared += d * d;
        }
        shift = Math.max(shift, Math.sqrt(shiftSquared) * scale);
        turn = Math.max(turn, Math.sqrt(turnSquared) * scale);
        swing = Math.max(swing, Math.sqrt(swingSquared) * scale);
      }
    }
  }
  return { shift, turn, swing };
}
