import type { Posture } from '../../2-vehicle/motion/corner-motion';
import type { Carriage } from '../../2-vehicle/motion/mount';
import { PostureBends } from './posture-bends';
import { OTHER_LEVELS, postureBounds, STEER_LEVELS, TRAVEL_LEVELS } from './posture-bounds';
import { LT, LU, LV, T, U, V } from './posture-cell';
import { PLACE_NUMBERS, PostureTable, type CarrierStates, type LockTable } from './posture-table';

export const TRAVEL_STEPS = 2 << TRAVEL_LEVELS;
export const STEER_STEPS = 2 << STEER_LEVELS;
export const OTHER_STEPS = 2 << OTHER_LEVELS;

/** Numbers kept for a posture: those of the place (`PLACE_NUMBERS`), then its slopes, each over the whole range. */
export const SLOPE_TRAVEL = PLACE_NUMBERS;
export const SLOPE_STEER = SLOPE_TRAVEL + 12;
export const POSTURE_STRIDE = SLOPE_TRAVEL + 36;

/**
 * The postures of a range seen from one mount, as cells that can be halved in travel, in the share of the way from
 * right lock to left lock, and in the other wheel's height. A posture is worked out when it is first asked for, and kept.
 */
export class PostureCells {
  /** By size of cell: `boundAt`. */
  readonly bounds: Float64Array;
  readonly bends: PostureBends;
  /** mm by which the table may be off the linkage. */
  readonly errorMm: number;
  /** Which of travel, steer and the other wheel's height change anything for this mount. */
  readonly moves: readonly [boolean, boolean, boolean];
  readonly #states: CarrierStates;
  readonly #locks: LockTable;
  readonly #table: PostureTable;
  readonly #rowLength: number;
  readonly #postures = new Map<number, number>();
  /** By position along the other wheel's travel, then along this one's. */
  readonly #rows = new Map<number, Map<number, number>>();
  #rowCount = 0;
  #data = new Float64Array(512 * POSTURE_STRIDE);
  #rowData: Float64Array;

  constructor(states: CarrierStates, locks: LockTable, mount: Carriage) {
    this.#states = states;
    this.#locks = locks;
    this.#table = new PostureTable(states, mount);
    this.moves = this.#table.moves;
    this.bounds = postureBounds(this.#table);
    this.bends = new PostureBends(this.#table);
    this.errorMm = 2 * this.#table.errorMm;
    this.#rowLength = this.#table.rowLength;
    this.#rowData = new Float64Array(64 * this.#rowLength);
  }

  get postureData(): Float64Array {
    return this.#data;
  }

  /** Offset into the bends' data of those of a cell. */
  bendsAt(cell: Float64Array, at: number): number {
    return this.bends.of(
      cell[at + LT]!,
      cell[at + LU]!,
      cell[at + LV]!,
      cell[at + T]! / TRAVEL_STEPS,
      cell[at + U]! / STEER_STEPS,
      cell[at + V]! / OTHER_STEPS,
    );
  }

  /** Offset into `postureData` of the posture at a position in steps, with slopes. */
  posture(t: number, u: number, v: number): number {
    const row = this.#row(t, v);
    const key = row * (STEER_STEPS + 1) + u;
    const known = this.#postures.get(key);
    if (known !== undefined) return known;
    const offset = this.#postures.size * POSTURE_STRIDE;
    if (offset + POSTURE_STRIDE > this.#data.length) this.#data = doubled(this.#data);
    const steer = u / STEER_STEPS;
    this.#table.place(this.#rowData, row * this.#rowLength, steer, this.#data, offset);
    this.#table.slopes(this.#rowData, row * this.#rowLength, steer, this.#data, offset + SLOPE_TRAVEL);
    this.#postures.set(key, offset);
    return offset;
  }

  /** The place (`PLACE_NUMBERS`) at a position in steps that need not be whole, into `out`. */
  placeAt(t: number, u: number, v: number, out: Float64Array): void {
    // The row first: making it may lay the rows anew.
    const row = this.#row(t, v);
    this.#table.place(this.#rowData, row * this.#rowLength, u / STEER_STEPS, out, 0);
  }

  /** A position in steps as a posture. */
  describe(t: number, u: number, v: number): Posture {
    const travel = this.#states.travelAt(t / TRAVEL_STEPS);
    const { left, right } = this.#locks.at(t / TRAVEL_STEPS);
    return {
      travel,
      steer: this.moves[1] ? -right + (u / STEER_STEPS) * (left + right) : 0,
      cross: this.moves[2] ? this.#states.travelAt(v / OTHER_STEPS) - travel : 0,
    };
  }

  /** Number of the row of the height at a position. */
  #row(t: number, v: number): number {
    const known = this.#rows.get(v)?.get(t);
    if (known !== undefined) return known;
    if (this.#rowCount >= KEPT_ROWS) {
      // Limits come and go while one is dragged. Postures are kept by their row's number.
      this.#rows.clear();
      this.#rowCount = 0;
      this.#postures.clear();
    }
    const row = this.#rowCount++;
    const offset = row * this.#rowLength;
    if (offset + this.#rowLength > this.#rowData.length) this.#rowData = doubled(this.#rowData);
    this.#table.row(t / TRAVEL_STEPS, v / OTHER_STEPS, this.#rowData, offset);
    const beside = this.#rows.get(v) ?? new Map<number, number>();
    this.#rows.set(v, beside.set(t, row));
    return row;
  }
}

/** Heights kept before all are forgotten: some 20 MB a mount. */
const KEPT_ROWS = 8000;

function doubled(data: Float64Array): Float64Array<ArrayBuffer> {
  const larger = new Float64Array(2 * data.length);
  larger.set(data);
  return larger;
}
