import type { Pose } from '../geometry/pose';
import type { CarrierState } from '../motion/carrier';
import type { CornerMotion, Posture } from '../motion/corner-motion';
import type { Mount } from '../motion/mount';
import type { SteeringAxis } from '../motion/steering';
import type { Envelope } from './envelope';

/** Levels to which travel, steer and the other wheel's height are halved; a position counts half cells of the last. */
export const TRAVEL_LEVELS = 8;
export const STEER_LEVELS = 9;
export const OTHER_LEVELS = 7;
export const TRAVEL_STEPS = 2 << TRAVEL_LEVELS;
export const STEER_STEPS = 2 << STEER_LEVELS;
export const OTHER_STEPS = 2 << OTHER_LEVELS;

/**
 * Numbers kept for a posture: mount frame to wheel frame as three rows of four, then its slopes along travel, steer and
 * the other wheel's height (each over the whole stretch), then vehicle-down in the wheel plane (x, z).
 */
export const SLOPE_TRAVEL = 12;
export const SLOPE_STEER = 24;
export const SLOPE_OTHER = 36;
export const DOWN = 48;
export const POSTURE_STRIDE = 50;

/** A place without slopes. */
export const CORNER_DOWN = 12;
export const CORNER_STRIDE = 14;

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

/** Numbers of a sample: a place without slopes, then vehicle-down. */
const SAMPLE_STRIDE = 14;

/** Share of a stretch over which slopes are taken, to each side. */
const SLOPE_SHARE = 1e-4;

/** A stretch of travel on which the envelope's steer range keeps one rule. */
interface Stretch {
  readonly from: number;
  readonly to: number;
  /** By size of cell: `boundAt`. */
  readonly bounds: Float64Array;
}

/**
 * The postures of an envelope seen from one mount, as cells that can be halved in travel, steer and the other
 * wheel's height. Where the wheel is in a posture is worked out when it is first asked for, and kept.
 */
export class PostureCells {
  readonly stretches: readonly Stretch[];
  /** Which of travel, steer and the other wheel's height change anything for this mount. */
  readonly moves: readonly [boolean, boolean, boolean];
  readonly #motion: CornerMotion;
  readonly #envelope: Envelope;
  readonly #mount: Mount;
  /** By stretch: what was worked out, by position. */
  readonly #kept: { heights: Map<number, Height>; postures: Map<number, number>; corners: Map<number, number> }[];
  /** Rotation of the wheel in the posture worked out last. */
  readonly #wheel = new Float64Array(9);
  #postureCount = 0;
  #cornerCount = 0;
  #postureData = new Float64Array(1024 * POSTURE_STRIDE);
  #cornerData = new Float64Array(1024 * CORNER_STRIDE);

  constructor(motion: CornerMotion, envelope: Envelope, mount: Mount, from: number, to: number) {
    this.#motion = motion;
    this.#envelope = envelope;
    this.#mount = mount;
    const locks = motion.locksAt(motion.carrierAt(envelope.limits.ride, 0));
    this.moves = [to > from, locks.left > 0 || locks.right > 0, motion.crossArticulates];
    const inside = envelope.breaks.filter((t) => t > from + 1e-9 && t < to - 1e-9);
    const ends = [from, ...inside, to];
    this.#kept = ends.slice(1).map(() => ({ heights: new Map(), postures: new Map(), corners: new Map() }));
    this.stretches = ends.slice(1).map((end, i) => {
      const start = ends[i] as number;
      return { from: start, to: end, bounds: this.#bounds(start, end) };
    });
  }

  get postureData(): Float64Array {
    return this.#postureData;
  }

  get cornerData(): Float64Array {
    return this.#cornerData;
  }

  /** Where in `bounds` a cell of these levels has its five numbers. */
  boundAt(travelLevel: number, steerLevel: number, otherLevel: number): number {
    return ((travelLevel * (STEER_LEVELS + 1) + steerLevel) * (OTHER_LEVELS + 1) + otherLevel) * BOUND_STRIDE;
  }

  /** Offset into `postureData` of the posture at a position (with slopes). */
  posture(stretch: number, t: number, u: number, v: number): number {
    const key = keyOf(t, u, v);
    const { postures } = this.#kept[stretch]!;
    const known = postures.get(key);
    if (known !== undefined) return known;
    const offset = this.#postureCount++ * POSTURE_STRIDE;
    if (offset + POSTURE_STRIDE > this.#postureData.length) this.#postureData = doubled(this.#postureData);
    this.#fill(stretch, t, u, v, offset);
    postures.set(key, offset);
    return offset;
  }

  /** Offset into `cornerData` of the posture at a position (without slopes). */
  corner(stretch: number, t: number, u: number, v: number): number {
    const key = keyOf(t, u, v);
    const { corners } = this.#kept[stretch]!;
    const known = corners.get(key);
    if (known !== undefined) return known;
    const offset = this.#cornerCount++ * CORNER_STRIDE;
    if (offset + CORNER_STRIDE > this.#cornerData.length) this.#cornerData = doubled(this.#cornerData);
    const [travel, other, part] = this.#real(stretch, t, u, v);
    const height = this.#height(stretch, keyOf(t, 0, v) * 5, travel, other);
    this.#relative(height, steerAt(height, part), this.#cornerData, offset);
    writeDown(this.#wheel, this.#cornerData, offset + CORNER_DOWN);
    corners.set(key, offset);
    return offset;
  }

  /** The posture at a position, in its own units. */
  describe(stretch: number, t: number, u: number, v: number): Posture {
    const [travel, other, part] = this.#real(stretch, t, u, v);
    const cross = this.moves[2] ? other - travel : 0;
    return { travel, steer: steerAt(this.#makeHeight(travel, other), part), cross };
  }

  /** Travel, the other wheel's travel, and the part (0..1) of the steer range at a position. */
  #real(stretch: number, t: number, u: number, v: number): [number, number, number] {
    const { from, to } = this.stretches[stretch] as Stretch;
    const { droop, bump } = this.#envelope.limits;
    return [from + ((to - from) * t) / TRAVEL_STEPS, droop + ((bump - droop) * v) / OTHER_STEPS, u / STEER_STEPS];
  }

  #height(stretch: number, key: number, travel: number, other: number): Height {
    const { heights } = this.#kept[stretch]!;
    const known = heights.get(key);
    if (known) return known;
    const made = this.#makeHeight(travel, other);
    heights.set(key, made);
    return made;
  }

  #makeHeight(travel: number, other: number): Height {
    const state = this.#motion.carrierAt(travel, this.moves[2] ? other - travel : 0);
    const steers = this.#mount === 'knuckle' || this.#mount === 'tieRod';
    return {
      state,
      straight: this.#motion.wheelFrom(state, 0),
      line: this.moves[1] ? this.#motion.steerLine(state) : null,
      mount: steers ? null : this.#motion.mountFrom(state, this.#mount, 0),
      ...(this.moves[1] ? this.#envelope.steerRange(travel, this.#motion.locksAt(state)) : { low: 0, high: 0 }),
    };
  }

  /**
   * Mount frame to wheel frame at a steer, twelve numbers into `out`; the wheel's rotation into `#wheel`. The wheel straight
   * ahead is turned about the steering line (Rodrigues' formula); flat, as it runs for every posture asked for.
   */
  #relative(height: Height, steer: number, out: Float64Array, offset: number): void {
    const { straight, line } = height;
    const w = this.#wheel;
    let [ox, oy, oz] = straight.origin;
    if (line) {
      const [x, y, z] = line.direction;
      const c = Math.cos(steer);
      const s = Math.sin(steer);
      const k = 1 - c;
      TURNED[0] = c + x * x * k;
      TURNED[1] = x * y * k - z * s;
      TURNED[2] = x * z * k + y * s;
      TURNED[3] = y * x * k + z * s;
      TURNED[4] = c + y * y * k;
      TURNED[5] = y * z * k - x * s;
      TURNED[6] = z * x * k - y * s;
      TURNED[7] = z * y * k + x * s;
      TURNED[8] = c + z * z * k;
      const b = straight.rotation;
      for (let row = 0; row < 9; row += 3) {
        const r0 = TURNED[row]!;
        const r1 = TURNED[row + 1]!;
        const r2 = TURNED[row + 2]!;
        w[row] = r0 * b[0] + r1 * b[3] + r2 * b[6];
        w[row + 1] = r0 * b[1] + r1 * b[4] + r2 * b[7];
        w[row + 2] = r0 * b[2] + r1 * b[5] + r2 * b[8];
      }
      const [px, py, pz] = line.point;
      const dx = ox - px;
      const dy = oy - py;
      const dz = oz - pz;
      ox = px + TURNED[0]! * dx + TURNED[1]! * dy + TURNED[2]! * dz;
      oy = py + TURNED[3]! * dx + TURNED[4]! * dy + TURNED[5]! * dz;
      oz = pz + TURNED[6]! * dx + TURNED[7]! * dy + TURNED[8]! * dz;
    } else {
      w.set(straight.rotation);
    }
    const mount = height.mount ?? this.#motion.mountFrom(height.state, this.#mount, steer);
    const m = mount.rotation;
    const dx = mount.origin[0] - ox;
    const dy = mount.origin[1] - oy;
    const dz = mount.origin[2] - oz;
    for (let i = 0; i < 3; i++) {
      const a = w[i]!;
      const b = w[i + 3]!;
      const c = w[i + 6]!;
      const at = offset + 4 * i;
      out[at] = a * m[0] + b * m[3] + c * m[6];
      out[at + 1] = a * m[1] + b * m[4] + c * m[7];
      out[at + 2] = a * m[2] + b * m[5] + c * m[8];
      out[at + 3] = a * dx + b * dy + c * dz;
    }
  }

  #fill(stretch: number, t: number, u: number, v: number, offset: number): void {
    const data = this.#postureData;
    const [travel, other, part] = this.#real(stretch, t, u, v);
    const { from, to } = this.stretches[stretch] as Stretch;
    const { droop, bump } = this.#envelope.limits;
    const heightKey = keyOf(t, 0, v) * 5;
    const height = this.#height(stretch, heightKey, travel, other);
    this.#relative(height, steerAt(height, part), data, offset);
    writeDown(this.#wheel, data, offset + DOWN);
    // While the wheel still stands in the middle.
    if (this.moves[1]) this.#steerSlope(height, part, data, offset + SLOPE_STEER);
    const slope = (at: number): void => {
      for (let k = 0; k < 12; k++) data[offset + at + k] = (HIGH[k]! - LOW[k]!) / (2 * SLOPE_SHARE);
    };
    const beside = (key: number, there: number, otherThere: number, out: Float64Array): void => {
      const moved = this.#height(stretch, heightKey + key, there, otherThere);
      this.#relative(moved, steerAt(moved, part), out, 0);
    };
    if (this.moves[0] && to > from) {
      const step = SLOPE_SHARE * (to - from);
      beside(1, travel - step, other, LOW);
      beside(2, travel + step, other, HIGH);
      slope(SLOPE_TRAVEL);
    }
    if (this.moves[2]) {
      const step = SLOPE_SHARE * (bump - droop);
      beside(3, travel, other - step, LOW);
      beside(4, travel, other + step, HIGH);
      slope(SLOPE_OTHER);
    }
  }

  /**
   * Slope along the steer range. A thing that does not steer turns the other way about the steering line, seen from the
   * wheel: row i of the slope is (line x wheel's axis i) on the thing's place from the line.
   */
  #steerSlope(height: Height, part: number, out: Float64Array, offset: number): void {
    const { line, mount } = height;
    if (!line || !mount) {
      this.#relative(height, steerAt(height, part - SLOPE_SHARE), LOW, 0);
      this.#relative(height, steerAt(height, part + SLOPE_SHARE), HIGH, 0);
      for (let k = 0; k < 12; k++) out[offset + k] = (HIGH[k]! - LOW[k]!) / (2 * SLOPE_SHARE);
      return;
    }
    const { rotation: m, origin } = mount;
    const wheel = this.#wheel;
    const range = height.high - height.low;
    const [lx, ly, lz] = line.direction;
    const dx = origin[0] - line.point[0];
    const dy = origin[1] - line.point[1];
    const dz = origin[2] - line.point[2];
    for (let i = 0; i < 3; i++) {
      const wx = wheel[i]!;
      const wy = wheel[i + 3]!;
      const wz = wheel[i + 6]!;
      const bx = range * (ly * wz - lz * wy);
      const by = range * (lz * wx - lx * wz);
      const bz = range * (lx * wy - ly * wx);
      const at = offset + 4 * i;
      out[at] = bx * m[0] + by * m[3] + bz * m[6];
      out[at + 1] = bx * m[1] + by * m[4] + bz * m[7];
      out[at + 2] = bx * m[2] + by * m[5] + bz * m[8];
      out[at + 3] = bx * dx + by * dy + bz * dz;
    }
  }

  /** Rates and bends of the relative place over a stretch, worked into bounds for every size of cell. */
  #bounds(from: number, to: number): Float64Array {
    const counts = SAMPLES.map((n, k) => (this.moves[k] ? n : 1)) as [number, number, number];
    const grid = this.#sampled(from, to, counts);
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
        for (let m = 0; m <= (this.moves[2] ? OTHER_LEVELS : 0); m++) {
          halves[0] = 0.5 / (1 << i);
          halves[1] = 0.5 / (1 << j);
          halves[2] = 0.5 / (1 << m);
          const at = this.boundAt(i, j, m);
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

  #sampled(from: number, to: number, counts: readonly [number, number, number]): Float64Array {
    const { droop, bump } = this.#envelope.limits;
    const grid = new Float64Array(counts[0] * counts[1] * counts[2] * SAMPLE_STRIDE);
    const share = (i: number, n: number): number => (n > 1 ? i / (n - 1) : 0.5);
    let offset = 0;
    for (let i = 0; i < counts[0]; i++) {
      const travel = from + (to - from) * share(i, counts[0]);
      for (let m = 0; m < counts[2]; m++) {
        const other = droop + (bump - droop) * share(m, counts[2]);
        const height = this.#makeHeight(travel, other);
        for (let j = 0; j < counts[1]; j++) {
          this.#relative(height, steerAt(height, share(j, counts[1])), grid, offset);
          writeDown(this.#wheel, grid, offset + 12);
          offset += SAMPLE_STRIDE;
        }
      }
    }
    return grid;
  }
}

/** The suspension at a height, with the steers allowed there. */
interface Height {
  readonly state: CarrierState;
  /** The wheel at zero steer, and the line it is steered about (null where it does not steer). */
  readonly straight: Pose;
  readonly line: SteeringAxis | null;
  /** The mount, where it does not steer. */
  readonly mount: Pose | null;
  readonly low: number;
  readonly high: number;
}

/** Steer at a part (0 to 1) of the range. */
const steerAt = ({ low, high }: Height, part: number): number => low + part * (high - low);

/** Vehicle-down seen in the wheel plane, made unit. */
function writeDown(rotation: Float64Array, out: Float64Array, offset: number): void {
  const length = Math.hypot(rotation[6]!, rotation[8]!);
  out[offset] = -rotation[6]! / length;
  out[offset + 1] = -rotation[8]! / length;
}

/** Scratch of one turn about the steering line. */
const TURNED = new Float64Array(9);

/** Scratch of one slope; used and left within one call. */
const LOW = new Float64Array(12);
const HIGH = new Float64Array(12);

/** A position within a stretch as one number below 2^31. */
const keyOf = (t: number, u: number, v: number): number => ((t * (STEER_STEPS + 1) + u) * (OTHER_STEPS + 1) + v) | 0;

function doubled(data: Float64Array): Float64Array<ArrayBuffer> {
  const larger = new Float64Array(2 * data.length);
  larger.set(data);
  return larger;
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
  const strides = [counts[1] * counts[2] * SAMPLE_STRIDE, SAMPLE_STRIDE, counts[1] * SAMPLE_STRIDE];
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
        for (let n = 0; n < SAMPLE_STRIDE; n++) {
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
