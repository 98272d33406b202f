import type { PreparedCorner } from '../../4-clearance/case/prepared-corner';
import { solidDistance, type Solid } from '../../2-vehicle/setup/rotor';
import type { Vec3 } from '../../1-base/geometry/vec3';
import type { CandidatePlace } from './candidate-places';
import type { RotorShift } from './disturbed-corner';
import { movedReadings, shiftAlongEdge, type ReadingShifts } from './moved-readings';

export interface Candidate {
  readonly place: CandidatePlace;
  readonly solid: Solid;
  readonly requiredMm: number;
  /** Wheel frame: where it is, mount's axes there. */
  readonly at: Vec3;
  readonly axes: Float64Array;
  /** Shared numbers that shift it, and by how much per standard deviation (wheel frame, three numbers each). */
  readonly shiftedBy: Int32Array;
  readonly shifts: Float64Array;
  /** mm by which its gap changes per standard deviation of each number that gives the tire another shape. */
  readonly byShape: Float64Array;
  /** The margin as it is, and to first order its change by each of these, and per mm in the mount's frame. */
  readonly marginMm: number;
  readonly slopes: Float64Array;
  /** On a fitted edge: shift by each of the edge's own errors (mount's frame, three numbers each). */
  readonly edgeShifts: Float64Array | null;
  readonly ownSlope: Vec3;
  /** Slope of the distance in the plane of axle line and radius. */
  readonly normal: readonly [a: number, r: number];
}

export interface ObstacleModel {
  readonly candidates: readonly Candidate[];
  readonly readings: ReadingShifts | null;
  /** First of three own errors of its shape; -1 for none. */
  readonly shapeError: number;
  /** First of the own errors of the edge its readings were fitted to; -1 for none. */
  readonly edgeError: number;
  readonly offMm: number;
}

/** Draws of every error, by error, then draw: shared ones in standard deviations, own ones in their unit. */
export interface DrawnErrors {
  readonly draws: number;
  readonly shared: readonly Float64Array[];
  readonly own: readonly Float64Array[];
}

/** What the draws give, mm, by draw: of each obstacle, and the least margin of all. */
export interface Drawn {
  readonly gaps: readonly Float64Array[];
  readonly margins: readonly Float64Array[];
  readonly low: Float64Array;
}

/** mm by which a margin may fall below what its slopes say. */
const SCREEN_MM = 4;

/**
 * Gaps and margins of all obstacles in every draw: place by place, each walked through all draws, so that what shifts it is looked up
 * once.
 */
export function drawAll(
  { rotor }: PreparedCorner,
  obstacles: readonly ObstacleModel[],
  shift: RotorShift,
  shapes: readonly number[],
  errors: DrawnErrors,
): Drawn {
  const { draws, own } = errors;
  const numbers = errors.shared.length;
  const z = byDraw(errors.shared, draws);
  /** mm by which the tire is larger, wider and further outboard, by draw. */
  const [radial, lateral, outboard] = [shift.radial, shift.lateral, shift.centre].map((weights) =>
    Float64Array.from({ length: draws }, (_, n) => weightedSum(weights, z, n * numbers)),
  ) as [Float64Array, Float64Array, Float64Array];
  const crown = rotor.section.diameterMm / 2;
  const beadSeat = rotor.section.size.rimDiameterIn * 12.7;
  const half = rotor.section.widthMm / 2;
  const growsUp = (r: number): number => fraction((r - beadSeat) / (crown - beadSeat));
  const growsOut = (beside: number): number => fraction(Math.abs(beside) / half);
  const nowhere = new Float64Array(draws);
  /** To first order, the margin of the place under way by draw. */
  const about = new Float64Array(draws);

  function lower(candidate: Candidate, its: Shifts, offMm: number, gaps: Float64Array, margins: Float64Array): void {
    const { place, ownSlope, normal, axes, at, solid, requiredMm, marginMm, byShape, shiftedBy, shifts } = candidate;
    const [ix, iy, iz] = its;
    // How much of its growth the tire has where the place is now.
    const up = growsUp(Math.hypot(at[0], at[2])) * normal[1];
    const out = growsOut(at[1] - rotor.centrePlaneMm) * Math.abs(normal[0]);
    for (let n = 0; n < draws; n++) {
      const tire = up * radial[n]! + out * lateral[n]! + normal[0] * outboard[n]!;
      about[n] = marginMm - tire + ownSlope[0] * ix[n]! + ownSlope[1] * iy[n]! + ownSlope[2] * iz[n]!;
    }
    shiftedBy.forEach((j, k) => addTo(about, candidate.slopes[k]!, errors.shared[j]!));
    shapes.forEach((j, k) => addTo(about, byShape[k]!, errors.shared[j]!));
    for (let n = 0; n < draws; n++) {
      if (about[n]! > margins[n]! + SCREEN_MM) continue;
      let x = at[0] + axes[0]! * ix[n]! + axes[1]! * iy[n]! + axes[2]! * iz[n]!;
      let a = at[1] + axes[3]! * ix[n]! + axes[4]! * iy[n]! + axes[5]! * iz[n]!;
      let y = at[2] + axes[6]! * ix[n]! + axes[7]! * iy[n]! + axes[8]! * iz[n]!;
      const first = n * numbers;
      for (let k = 0; k < shiftedBy.length; k++) {
        const by = z[first + shiftedBy[k]!]!;
        x += shifts[3 * k]! * by;
        a += shifts[3 * k + 1]! * by;
        y += shifts[3 * k + 2]! * by;
      }
      let grown = 0;
      for (let k = 0; k < shapes.length; k++) grown += byShape[k]! * z[first + shapes[k]!]!;
      // Where the section grows the place comes nearer by as much: beyond the crown, beside the widest place.
      const r = Math.sqrt(x * x + y * y);
      const beside = a - rotor.centrePlaneMm - outboard[n]!;
      const wider = lateral[n]! * growsOut(beside);
      const across = beside < 0 ? beside + wider : beside - wider;
      const gap = solidDistance(solid, across, r - radial[n]! * growsUp(r)) + grown - offMm - place.dipMm;
      if (gap - requiredMm >= margins[n]!) continue;
      margins[n] = gap - requiredMm;
      gaps[n] = gap;
    }
  }

  const low = new Float64Array(draws).fill(Infinity);
  const found = obstacles.map(({ candidates, readings, shapeError, edgeError, offMm }) => {
    const gaps = new Float64Array(draws).fill(Infinity);
    const margins = new Float64Array(draws).fill(Infinity);
    const moved = readings && allMoved(readings, errors);
    for (const candidate of candidates) {
      const { place, edgeShifts } = candidate;
      let its: Shifts = [nowhere, nowhere, nowhere];
      if (place.reading && moved) its = alongEdge(place.point, place.reading, moved);
      else if (edgeShifts) its = onMovedEdge(edgeShifts, own, edgeError, draws);
      else if (shapeError >= 0) its = [own[shapeError]!, own[shapeError + 1]!, own[shapeError + 2]!];
      lower(candidate, its, offMm, gaps, margins);
    }
    for (let n = 0; n < draws; n++) if (margins[n]! < low[n]!) low[n] = margins[n]!;
    return { gaps, margins };
  });
  return { gaps: found.map(({ gaps }) => gaps), margins: found.map(({ margins }) => margins), low };
}

/** Three shifts of a place in its mount's frame, mm, by draw. */
type Shifts = readonly [Float64Array, Float64Array, Float64Array];

const fraction = (x: number): number => (x < 0 ? 0 : x > 1 ? 1 : x);

function addTo(sums: Float64Array, by: number, values: Float64Array): void {
  for (let n = 0; n < sums.length; n++) sums[n]! += by * values[n]!;
}

/** Errors draw by draw, one after the other. */
function byDraw(errors: readonly Float64Array[], draws: number): Float64Array {
  const all = new Float64Array(errors.length * draws);
  errors.forEach((drawn, j) => {
    for (let n = 0; n < draws; n++) all[n * errors.length + j] = drawn[n]!;
  });
  return all;
}

function weightedSum(weights: ArrayLike<number>, values: Float64Array, from: number): number {
  let sum = 0;
  for (let j = 0; j < weights.length; j++) sum += weights[j]! * values[from + j]!;
  return sum;
}

/** By draw, how far each reading lies from where it landed. */
function allMoved(readings: ReadingShifts, { draws, shared, own }: DrawnErrors): Float64Array[] {
  const of = (errors: readonly Float64Array[], n: number): Float64Array =>
    Float64Array.from(errors, (drawn) => drawn[n]!);
  return Array.from({ length: draws }, (_, n) => movedReadings(readings, of(shared, n), of(own, n)));
}

/** Of a place between two readings. */
function alongEdge(
  point: Vec3,
  reading: NonNullable<CandidatePlace['reading']>,
  moved: readonly Float64Array[],
): Shifts {
  const shifts = [0, 1, 2].map(() => new Float64Array(moved.length)) as unknown as Shifts;
  const shift = new Float64Array(3);
  moved.forEach((readings, n) => {
    shiftAlongEdge(point, reading, readings, shift);
    for (let k = 0; k < 3; k++) shifts[k]![n] = shift[k]!;
  });
  return shifts;
}

/** Of a place on a fitted edge, by the edge's own errors from `first` on. */
function onMovedEdge(by: Float64Array, own: readonly Float64Array[], first: number, draws: number): Shifts {
  const shifts = [0, 1, 2].map(() => new Float64Array(draws)) as unknown as Shifts;
  for (let m = 0; 3 * m < by.length; m++) {
    const much = own[first + m]!;
    for (let k = 0; k < 3; k++) for (let n = 0; n < draws; n++) shifts[k]![n]! += by[3 * m + k]! * much[n]!;
  }
  return shifts;
}
