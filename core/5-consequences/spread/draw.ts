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

/**
 * Gaps and margins of all obstacles with the shared numbers off by `z` standard deviations and the own ones by `e`, into
 * place `n`. Gives the least margin.
 */
export type Draw = (
  z: Float64Array,
  e: Float64Array,
  n: number,
  gaps: Float64Array[],
  margins: Float64Array[],
) => number;

function addEdgeShifts(by: Float64Array, e: Float64Array, first: number, shift: Float64Array): void {
  for (let m = 0; 3 * m < by.length; m++) {
    const much = e[first + m]!;
    for (let k = 0; k < 3; k++) shift[k]! += by[3 * m + k]! * much;
  }
}

/** mm by which a margin may fall below what its slopes say. */
const SCREEN_MM = 10;

export function drawer(
  corner: PreparedCorner,
  obstacles: readonly ObstacleModel[],
  { radial, lateral, centre }: RotorShift,
  shapes: readonly number[],
  count: number,
): Draw {
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
      const { candidates, readings, shapeError, edgeError, offMm } = obstacles[i]!;
      const moved = readings ? movedReadings(readings, z, e) : null;
      let gap = Infinity;
      let margin = Infinity;
      for (let c = 0; c < candidates.length; c++) {
        const candidate = candidates[c]!;
        const { place, shiftedBy, slopes, byShape, edgeShifts, ownSlope, normal } = candidate;
        const { reading, dipMm } = place;
        shift[0] = shift[1] = shift[2] = 0;
        if (reading && moved) shiftAlongEdge(place.point, reading, moved, shift);
        else if (edgeShifts) addEdgeShifts(edgeShifts, e, edgeError, shift);
        else if (shapeError >= 0) for (let k = 0; k < 3; k++) shift[k] = e[shapeError + k]!;
        let about = candidate.marginMm - normal[1] * dr - Math.abs(normal[0]) * dw - normal[0] * dc;
        for (let k = 0; k < 3; k++) about += ownSlope[k]! * shift[k]!;
        for (let j = 0; j < shiftedBy.length; j++) about += slopes[j]! * z[shiftedBy[j]!]!;
        let grown = 0;
        for (let k = 0; k < shapes.length; k++) grown += byShape[k]! * z[shapes[k]!]!;
        about += grown;
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
        const g = solidDistance(solid, across, r - up) + grown - offMm - dipMm;
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
