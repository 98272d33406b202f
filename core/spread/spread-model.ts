import type { CornerDescription, DrawnRow, EnvelopeKind, ObstacleDescription } from '../clearance/description';
import type { ObstacleVerdict } from '../clearance/evaluate';
import { envelopeUnder, type PreparedCorner } from '../clearance/prepare';
import { motionUnder } from '../clearance/motion-under';
import { solidAt } from '../clearance/posture-gap';
import { prepareRotor, solidDistance, type Solid } from '../clearance/rotor';
import { standardRegions, type Standard } from '../clearance/standard';
import { landedReadings, readingScene, surveyScene, type Landed, type SurveyScene } from '../clearance/survey';
import { place, unplace, type Pose } from '../geometry/pose';
import type { Vec3 } from '../geometry/vec3';
import type { CarrierState } from '../motion/carrier';
import type { Posture } from '../motion/corner-motion';
import type { Mount } from '../motion/mount';
import { landReading, type ReadingError } from '../obstacle/reading';
import { attempt } from '../problem';
import { withPartsCounted } from '../stance/lift-part';
import { toRadians } from '../units/angle';
import { CandidateFinder, metPlace, postureAt, type CandidatePlace } from './candidate-places';
import { sharedErrors, type Fit, type SharedError } from './shared-errors';
import { clockHalfWidthDeg, positionSigmaMm, USUAL } from './usual-errors';

/** One number of one reading or shape that may be off. */
export interface OwnError {
  readonly name: string;
  /** Index of the obstacle, and of its reading; null: of its shape. */
  readonly obstacle: number;
  readonly reading: number | null;
  /** Standard deviation in mm, unless it is evenly spread over `halfWidth` (mm or degrees) either way. */
  readonly sigma: number;
  readonly halfWidth?: number;
  /** What it is of: a reading's gap, clock, place across or height; a shape's place along an axis. */
  readonly of: 'gap' | 'clock' | 'across' | 'height' | 'x' | 'y' | 'z';
}

/** Everything a draw needs, worked out once. */
export interface SpreadModel {
  readonly shared: readonly SharedError[];
  readonly own: readonly OwnError[];
  /**
   * Gaps and margins of all obstacles with the shared numbers off by `z` standard deviations and the own ones by `e`,
   * into place `n`. Gives the least margin.
   */
  draw(z: Float64Array, e: Float64Array, n: number, gaps: Float64Array[], margins: Float64Array[]): number;
}

/** Wheel-plane numbers of the tried tire, by which a place is moved instead of the section. */
interface RotorShift {
  /** mm per standard deviation: crown outward, sidewalls outward, centre plane outboard. */
  readonly radial: Float64Array;
  readonly lateral: Float64Array;
  readonly centre: Float64Array;
}

/** Readings of an obstacle that its candidates lie on. */
interface ReadingShifts {
  /** By reading, where it lands now and by how much per standard deviation of each shared number (mount's frame). */
  readonly landed: readonly Landed[];
  readonly perShared: readonly Float64Array[];
  /** By own error of each reading: where it lies among `e`; -1 where there is none. */
  readonly own: readonly { gap: number; clock: number; across: number; travel: number }[];
  /** Shift per mm of height error. */
  readonly perTravel: readonly Vec3[];
  /** Lands a reading anew with its own errors. */
  land(index: number, error: ReadingError): Vec3;
}

interface Candidate {
  readonly place: CandidatePlace;
  readonly solid: Solid;
  readonly requiredMm: number;
  /** Wheel frame: where it is, mount's axes there. */
  readonly at: Vec3;
  readonly axes: Float64Array;
  /** Shared numbers that shift it, and by how much per standard deviation (wheel frame, three numbers each). */
  readonly shiftedBy: Int32Array;
  readonly shifts: Float64Array;
  /** The margin as it is, and to first order its change by each of these, and per mm in the mount's frame. */
  readonly marginMm: number;
  readonly slopes: Float64Array;
  readonly ownSlope: Vec3;
  /** Slope of the distance in the plane of axle line and radius. */
  readonly normal: readonly [a: number, r: number];
}

interface ObstacleModel {
  readonly candidates: readonly Candidate[];
  readonly readings: ReadingShifts | null;
  /** First of three own errors of its shape; -1 for none. */
  readonly shapeError: number;
  readonly offMm: number;
}

export function makeSpreadModel(
  corner: PreparedCorner,
  fit: Fit,
  kind: EnvelopeKind,
  standard: Standard,
  drawn: readonly DrawnRow[] | undefined,
  verdicts: readonly ObstacleVerdict[],
): SpreadModel {
  const counted: Fit = { ...fit, setup: withPartsCounted(fit.setup) };
  const shared = sharedErrors(counted);
  const off = shared.map((error) => disturbedCorner(corner, error, counted, kind, drawn));
  const scene = surveyScene(corner.key, fit.corner);
  const own: OwnError[] = [];
  const finder = new CandidateFinder(corner);
  const poses = new PoseShelf(corner, off);
  const regions = standardRegions(standard, corner.envelope.limits);
  const obstacles = corner.obstacles.map((obstacle, i): ObstacleModel => {
    const description = describedBy(fit.corner, obstacle.id);
    const isEdge = description.readingsAs === 'polyline';
    const landed = landedReadings(description, scene, '');
    const found = finder.of(obstacle, landed, isEdge);
    const verdict = verdicts[i]!;
    const met = { ...verdict, posture: postureOfVerdict(verdict) };
    const places = [metPlace(corner, obstacle, met, found), ...found];
    const candidates = places.map((at): Candidate => {
      const posture = postureAt(corner, at.shares);
      const region = regions.find(({ to }) => posture.travel <= to + 1e-9) ?? regions[0]!;
      const { wheel, mount } = poses.base(obstacle.mount, at);
      const axes = new Float64Array(9);
      for (let r = 0; r < 3; r++) {
        for (let c = 0; c < 3; c++) {
          for (let k = 0; k < 3; k++) axes[3 * r + c]! += wheel.rotation[3 * k + r]! * mount.rotation[3 * k + c]!;
        }
      }
      const there = place(mount, at.point);
      const inWheel = unplace(wheel, there);
      const solid = solidAt(corner.rotor, obstacle.insideWheel, wheel, there);
      const requiredMm = region.requiredMm[obstacle.material];
      const marginMm = at.gapMm - at.dipMm - requiredMm;
      const shifts = felt(poses.shifts(obstacle.mount, at));
      return {
        place: at,
        solid,
        requiredMm,
        at: inWheel,
        axes,
        ...shifts,
        marginMm,
        ...slopesOf(solid, corner.rotor.centrePlaneMm, inWheel, axes, shifts.shifts),
      };
    });
    const shapeError = description.shape ? own.length : -1;
    if (description.shape) {
      const sigma = positionSigmaMm(description.shape.type, description.toleranceMm);
      for (const axis of ['x', 'y', 'z'] as const) {
        own.push({ name: `${corner.key} ${obstacle.id} ${axis}`, obstacle: i, reading: null, sigma, of: axis });
      }
    }
    return {
      candidates,
      readings: landed.length > 0 ? readingShifts(own, i, description, scene, landed, off) : null,
      shapeError,
      offMm: obstacle.radiusMm + obstacle.complianceMm,
    };
  });
  return {
    shared,
    own,
    draw: drawer(corner, obstacles, rotorShift(corner, off), shared.length),
  };
}

/** mm per standard deviation below which a shift is left out. */
const LEAST_SHIFT_MM = 0.02;

/** Of the shifts by every shared number, those that can be felt. */
function felt(all: Float64Array): Pick<Candidate, 'shiftedBy' | 'shifts'> {
  const kept = Array.from({ length: all.length / 3 }, (_, j) => j).filter(
    (j) => Math.hypot(all[3 * j]!, all[3 * j + 1]!, all[3 * j + 2]!) >= LEAST_SHIFT_MM,
  );
  return {
    shiftedBy: Int32Array.from(kept),
    shifts: Float64Array.from(kept.flatMap((j) => [all[3 * j]!, all[3 * j + 1]!, all[3 * j + 2]!])),
  };
}

/** mm by which a margin may fall below what its slopes say. */
const SCREEN_MM = 10;

/** mm: step by which slopes are taken. */
const SLOPE_STEP_MM = 0.01;

function slopesOf(
  solid: Solid,
  centrePlaneMm: number,
  [x, a, y]: Vec3,
  axes: Float64Array,
  shifts: Float64Array,
): Pick<Candidate, 'slopes' | 'ownSlope' | 'normal'> {
  const r = Math.hypot(x, y);
  const beside = a - centrePlaneMm;
  const here = solidDistance(solid, beside, r);
  const na = (solidDistance(solid, beside + SLOPE_STEP_MM, r) - here) / SLOPE_STEP_MM;
  const nr = (solidDistance(solid, beside, r + SLOPE_STEP_MM) - here) / SLOPE_STEP_MM;
  const along: Vec3 = r > 0 ? [(nr * x) / r, na, (nr * y) / r] : [0, na, 0];
  const [gx, ga, gy] = along;
  return {
    normal: [na, nr],
    ownSlope: [0, 1, 2].map((c) => gx * axes[c]! + ga * axes[3 + c]! + gy * axes[6 + c]!) as unknown as Vec3,
    slopes: Float64Array.from(
      { length: shifts.length / 3 },
      (_, j) => gx * shifts[3 * j]! + ga * shifts[3 * j + 1]! + gy * shifts[3 * j + 2]!,
    ),
  };
}

const describedBy = (corner: CornerDescription, id: string): ObstacleDescription =>
  corner.obstacles.find((o) => o.id === id) as ObstacleDescription;

const postureOfVerdict = ({ travelMm, steerDeg, crossMm }: ObstacleVerdict): Posture => ({
  travel: travelMm,
  steer: toRadians(steerDeg),
  cross: crossMm,
});

/** A corner with one shared number off by one standard deviation; by minus one where the first cannot be. */
interface Disturbed {
  readonly sign: 1 | -1;
  readonly corner: PreparedCorner;
  readonly scene: SurveyScene;
}

function disturbedCorner(
  corner: PreparedCorner,
  error: SharedError,
  fit: Fit,
  kind: EnvelopeKind,
  drawn: readonly DrawnRow[] | undefined,
): Disturbed | null {
  for (const sign of [1, -1] as const) {
    const { key } = corner;
    const made = attempt((): Disturbed => {
      const off = error.disturb(fit, sign);
      const motion = motionUnder(key, off.corner, off.setup);
      const envelope = envelopeUnder(key, off.corner, off.setup, kind, drawn);
      const rotor = prepareRotor(off.setup, 'setup', off.setup.allowances);
      // The linkage must reach its limits there too.
      for (const travel of [envelope.limits.droop, envelope.limits.bump]) motion.carrierAt(travel, 0);
      return { sign, corner: { ...corner, motion, envelope, rotor }, scene: surveyScene(key, off.corner) };
    });
    if (made.ok) return made.value;
  }
  return null;
}

function rotorShift({ rotor }: PreparedCorner, off: readonly (Disturbed | null)[]): RotorShift {
  const by = (number: (r: PreparedCorner['rotor']) => number): Float64Array =>
    Float64Array.from(off, (d) => (d ? d.sign * (number(d.corner.rotor) - number(rotor)) : 0));
  return {
    radial: by((r) => r.section.diameterMm / 2),
    lateral: by((r) => r.section.widthMm / 2),
    centre: by((r) => r.centrePlaneMm),
  };
}

/** Poses at shares of the envelope, as it is and with each shared number off, worked out once for all that ask. */
class PoseShelf {
  readonly #corner: PreparedCorner;
  readonly #off: readonly (Disturbed | null)[];
  readonly #known = new Map<string, BasePoses>();
  readonly #states = new Map<string, Posed>();

  constructor(corner: PreparedCorner, off: readonly (Disturbed | null)[]) {
    this.#corner = corner;
    this.#off = off;
  }

  base(mount: Mount, { shares }: CandidatePlace): BasePoses {
    const key = `${mount}:${shares.join(':')}`;
    const known = this.#known.get(key);
    if (known) return known;
    const { motion } = this.#corner;
    const posed = this.#posed(-1, this.#corner, shares);
    const made = { wheel: posed.wheel, mount: motion.mountFrom(posed.state, mount, posed.steer) };
    this.#known.set(key, made);
    return made;
  }

  /** Shift of a place in the wheel frame per standard deviation of each shared number, three numbers each. */
  shifts(mount: Mount, at: CandidatePlace): Float64Array {
    const base = this.base(mount, at);
    const from = unplace(base.wheel, place(base.mount, at.point));
    const shifts = new Float64Array(3 * this.#off.length);
    this.#off.forEach((disturbed, j) => {
      if (!disturbed) return;
      const { corner, sign } = disturbed;
      const posed = attempt(() => this.#posed(j, corner, at.shares));
      if (!posed.ok) return;
      const { state, steer, wheel } = posed.value;
      const to = unplace(wheel, place(corner.motion.mountFrom(state, mount, steer), at.point));
      for (let k = 0; k < 3; k++) shifts[3 * j + k] = sign * (to[k]! - from[k]!);
    });
    return shifts;
  }

  #posed(j: number, corner: PreparedCorner, shares: CandidatePlace['shares']): Posed {
    const key = `${j}:${shares.join(':')}`;
    const known = this.#states.get(key);
    if (known) return known;
    const { travel, steer, cross = 0 } = postureAt(corner, shares);
    const state = corner.motion.carrierAt(travel, cross);
    const made = { state, steer, wheel: corner.motion.wheelFrom(state, steer) };
    this.#states.set(key, made);
    return made;
  }
}

interface BasePoses {
  readonly wheel: Pose;
  readonly mount: Pose;
}

interface Posed {
  readonly state: CarrierState;
  readonly steer: number;
  readonly wheel: Pose;
}

/** Adds the own errors of an obstacle's readings, and works out how its readings shift with everything. */
function readingShifts(
  own: OwnError[],
  obstacle: number,
  description: ObstacleDescription,
  scene: SurveyScene,
  landed: readonly Landed[],
  off: readonly (Disturbed | null)[],
): ReadingShifts {
  const readings = description.readings ?? [];
  const add = (index: number, what: OwnError['of'], sigma: number, halfWidth?: number): number => {
    const name = `${description.id} ${index} ${what}`;
    const spread = halfWidth === undefined ? {} : { halfWidth };
    return own.push({ name, obstacle, reading: index, sigma, of: what, ...spread }) - 1;
  };
  const ownOf = landed.map(({ index, lateralToleranceMm }) => {
    const reading = readings[index]!;
    const held = reading.hubToLipMm !== undefined || (reading.travelMm ?? 0) !== 0;
    const lateral = lateralToleranceMm > 0 ? lateralToleranceMm : undefined;
    return {
      gap: add(index, 'gap', USUAL.gapMm),
      clock: add(index, 'clock', 0, clockHalfWidthDeg(reading)),
      across: add(index, 'across', reading.outboardMm === undefined ? USUAL.acrossMm : USUAL.outboardMm, lateral),
      travel: held ? add(index, 'height', USUAL.heldHeightMm) : -1,
    };
  });
  const perShared = landed.map(() => new Float64Array(3 * off.length));
  off.forEach((disturbed, j) => {
    if (!disturbed) return;
    const moved = attempt(() => landedReadings(description, disturbed.scene, ''));
    if (!moved.ok) return;
    moved.value.forEach(({ point }, k) => {
      for (let c = 0; c < 3; c++) perShared[k]![3 * j + c] = disturbed.sign * (point[c]! - landed[k]!.point[c]!);
    });
  });
  const scenes = readings.map((reading) => readingScene(reading, description.mount, scene, ''));
  const land = (index: number, error: ReadingError): Vec3 => {
    const { scene: there, mountPose } = scenes[index]!;
    return unplace(mountPose, landReading(readings[index]!, there, '', error).point);
  };
  return {
    landed,
    perShared,
    own: ownOf,
    perTravel: landed.map(({ index, point }, k) => {
      if (ownOf[k]!.travel < 0) return [0, 0, 0];
      const lower = readingScene(readings[index]!, description.mount, scene, '', -1);
      const to = unplace(lower.mountPose, landReading(readings[index]!, lower.scene).point);
      return [point[0] - to[0], point[1] - to[1], point[2] - to[2]];
    }),
    land,
  };
}

function drawer(
  corner: PreparedCorner,
  obstacles: readonly ObstacleModel[],
  { radial, lateral, centre }: RotorShift,
  count: number,
): SpreadModel['draw'] {
  const { section, centrePlaneMm } = corner.rotor;
  const crown = section.diameterMm / 2;
  const beadSeat = section.size.rimDiameterIn * 12.7;
  const half = section.widthMm / 2;
  const shift = new Float64Array(3);
  const fraction = (x: number): number => (x < 0 ? 0 : x > 1 ? 1 : x);

  return (z, e, n, gaps, margins) => {
    let dr = 0;
    let dw = 0;
    let dc = 0;
    for (let j = 0; j < count; j++) {
      dr += radial[j]! * z[j]!;
      dw += lateral[j]! * z[j]!;
      dc += centre[j]! * z[j]!;
    }
    let low = Infinity;
    for (let i = 0; i < obstacles.length; i++) {
      const { candidates, readings, shapeError, offMm } = obstacles[i]!;
      const moved = readings ? movedReadings(readings, z, e) : null;
      let gap = Infinity;
      let margin = Infinity;
      for (let c = 0; c < candidates.length; c++) {
        const candidate = candidates[c]!;
        const { place, shiftedBy, slopes, ownSlope, normal } = candidate;
        const { reading, dipMm } = place;
        shift[0] = shift[1] = shift[2] = 0;
        if (reading && moved) shiftAlongEdge(place.point, reading, moved, shift);
        else if (shapeError >= 0) for (let k = 0; k < 3; k++) shift[k] = e[shapeError + k]!;
        let about = candidate.marginMm - normal[1] * dr - Math.abs(normal[0]) * dw - normal[0] * dc;
        for (let k = 0; k < 3; k++) about += ownSlope[k]! * shift[k]!;
        for (let j = 0; j < shiftedBy.length; j++) about += slopes[j]! * z[shiftedBy[j]!]!;
        if (about > margin + SCREEN_MM) continue;
        const { solid, requiredMm, at, axes, shifts } = candidate;
        let x = at[0] + axes[0]! * shift[0]! + axes[1]! * shift[1]! + axes[2]! * shift[2]!;
        let a = at[1] + axes[3]! * shift[0]! + axes[4]! * shift[1]! + axes[5]! * shift[2]!;
        let y = at[2] + axes[6]! * shift[0]! + axes[7]! * shift[1]! + axes[8]! * shift[2]!;
        for (let j = 0; j < shiftedBy.length; j++) {
          const by = z[shiftedBy[j]!]!;
          x += shifts[3 * j]! * by;
          a += shifts[3 * j + 1]! * by;
          y += shifts[3 * j + 2]! * by;
        }
        // Where the section grows the place comes nearer by as much: beyond the crown, beside the widest place.
        const r = Math.sqrt(x * x + y * y);
        const beside = a - centrePlaneMm - dc;
        const out = dw * fraction(Math.abs(beside) / half);
        const up = dr * fraction((r - beadSeat) / (crown - beadSeat));
        const across = beside < 0 ? beside + out : beside - out;
        const g = solidDistance(solid, across, r - up) - offMm - dipMm;
        if (g - requiredMm < margin) {
          margin = g - requiredMm;
          gap = g;
        }
      }
      gaps[i]![n] = gap;
      margins[i]![n] = margin;
      if (margin < low) low = margin;
    }
    return low;
  };
}

/**
 * Shift of a place between two readings whose shifts are known: distance from the hub's line, angle about it and place
 * along it each change evenly from one to the other, as the edge itself does between them.
 */
function shiftAlongEdge(
  point: Vec3,
  { from, part }: NonNullable<CandidatePlace['reading']>,
  moved: Float64Array,
  shift: Float64Array,
): void {
  const at = MOVED_NUMBERS * from;
  if (part === 0) {
    for (let k = 0; k < 3; k++) shift[k] = moved[at + k]!;
    return;
  }
  const next = at + MOVED_NUMBERS;
  const between = (k: number): number => moved[at + k]! + part * (moved[next + k]! - moved[at + k]!);
  const r = Math.hypot(point[0], point[2]) + between(3);
  const turn = Math.atan2(point[0], point[2]) + between(4);
  shift[0] = r * Math.sin(turn) - point[0];
  shift[1] = between(1);
  shift[2] = r * Math.cos(turn) - point[2];
}

/** Numbers of a moved reading: its shift (mount's frame, mm), that of its distance from the hub's line, and of its angle. */
const MOVED_NUMBERS = 5;

/** By reading, how far it lies from where it landed. */
function movedReadings(readings: ReadingShifts, z: Float64Array, e: Float64Array): Float64Array {
  const { landed, perShared, own, perTravel, land } = readings;
  const moved = new Float64Array(MOVED_NUMBERS * landed.length);
  landed.forEach(({ point, index }, k) => {
    const { gap, clock, across, travel } = own[k]!;
    const to = land(index, { gapMm: e[gap]!, clockDeg: e[clock]!, acrossMm: e[across]! });
    const held = travel >= 0 ? e[travel]! : 0;
    for (let c = 0; c < 3; c++) {
      let sum = to[c]! - point[c]! + held * perTravel[k]![c]!;
      for (let j = 0; j < z.length; j++) sum += perShared[k]![3 * j + c]! * z[j]!;
      moved[MOVED_NUMBERS * k + c] = sum;
    }
    const at = MOVED_NUMBERS * k;
    const x = point[0] + moved[at]!;
    const y = point[2] + moved[at + 2]!;
    const turn = Math.atan2(x, y) - Math.atan2(point[0], point[2]);
    moved[at + 3] = Math.hypot(x, y) - Math.hypot(point[0], point[2]);
    moved[at + 4] = Math.atan2(Math.sin(turn), Math.cos(turn));
  });
  return moved;
}
