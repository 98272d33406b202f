import { ClearSection } from '../../4-clearance/search/clear-section';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import type { DrawnRow, EnvelopeKind } from '../../4-clearance/envelope/envelope-kind';
import { cornerVerdicts } from '../../4-clearance/verdict/evaluate';
import { prepareCorner } from '../../4-clearance/case/prepared-corner';
import { STANDARDS } from '../../4-clearance/case/standard';
import type { Vec3 } from '../../1-base/geometry/vec3';
import type { ObstacleModel } from '../spread/draw';
import { movedReadings, shiftAlongEdge, type OwnError } from '../spread/moved-readings';
import type { Fit } from '../spread/shared-errors';
import { makeSpreadModel, type SpreadModel } from '../spread/spread-model';

/** How an obstacle's least gap changes with what may be off. */
export interface GapSlopes {
  readonly id: string;
  readonly gapMm: number;
  /** mm per standard deviation of each shared number, by its name. */
  readonly shared: ReadonlyMap<string, number>;
  /** mm per mm the obstacle is moved, by axis of its mount's frame. */
  readonly shift: Vec3;
  /**
   * Shifts of the met place (mount's frame, mm) by each of the obstacle's own independent errors, per standard deviation: those of the
   * edge its readings were fitted to, of its shape, or of single readings.
   */
  readonly own: readonly Vec3[];
}

/** Least gaps of a fit over an envelope, with their slopes where they are met. @throws ProblemError as `prepareCorner`. */
export function gapSlopes(
  key: CornerKey,
  fit: Fit,
  kind: EnvelopeKind,
  drawn?: readonly DrawnRow[],
): ReadonlyMap<string, GapSlopes> {
  const corner = prepareCorner(key, fit.corner, fit.setup, kind, drawn);
  // What is wanted does not matter here: alike in all postures, the least margin is the least gap.
  const standard = STANDARDS.neverRub;
  const verdicts = cornerVerdicts(corner, standard, {}, new ClearSection(corner.motion, corner.envelope));
  const model = makeSpreadModel(corner, fit, kind, standard, drawn, verdicts, 'whereItIsMet');
  return new Map(
    verdicts.map(({ id, gapMm }, i): [string, GapSlopes] => {
      const obstacle = model.obstacles[i]!;
      return [
        id,
        {
          id,
          gapMm,
          shared: sharedSlopes(model, obstacle),
          shift: obstacle.candidates[0]!.ownSlope,
          own: ownShifts(model, obstacle),
        },
      ];
    }),
  );
}

/** Least gaps alone, by obstacle, mm. @throws ProblemError as `prepareCorner`. */
export function leastGapsMm(
  key: CornerKey,
  fit: Fit,
  kind: EnvelopeKind,
  drawn?: readonly DrawnRow[],
): ReadonlyMap<string, number> {
  const corner = prepareCorner(key, fit.corner, fit.setup, kind, drawn);
  const gaps = new ClearSection(corner.motion, corner.envelope).leastGaps(corner);
  return new Map(corner.obstacles.map(({ id }, i) => [id, gaps[i]!.gapMm]));
}

/** Of the met place: by moved postures and readings, and by a tire that is larger or stands elsewhere. */
function sharedSlopes(
  { shared, own, rotor, shapes }: SpreadModel,
  { candidates, readings }: ObstacleModel,
): Map<string, number> {
  const { slopes, shiftedBy, byShape, normal, ownSlope, place } = candidates[0]!;
  const [a, r] = normal;
  const all = Float64Array.from(
    shared,
    (_, j) => -r * rotor.radial[j]! - Math.abs(a) * rotor.lateral[j]! - a * rotor.centre[j]!,
  );
  shiftedBy.forEach((j, k) => (all[j]! += slopes[k]!));
  shapes.forEach((j, k) => (all[j]! += byShape[k]!));
  // Readings taken one by one land elsewhere with what they were taken on.
  if (readings && place.reading) {
    const still = new Float64Array(own.length);
    shared.forEach((_, j) => {
      const z = new Float64Array(shared.length);
      z[j] = 1;
      const shift = new Float64Array(3);
      shiftAlongEdge(place.point, place.reading!, movedReadings(readings, z, still), shift);
      for (let k = 0; k < 3; k++) all[j]! += ownSlope[k]! * shift[k]!;
    });
  }
  return new Map(shared.map(({ name }, j) => [name, all[j]!]));
}

function ownShifts(
  { own, shared }: SpreadModel,
  { candidates, readings, edgeError, shapeError }: ObstacleModel,
): Vec3[] {
  const { place, edgeShifts } = candidates[0]!;
  if (edgeShifts && edgeError >= 0) {
    return Array.from({ length: edgeShifts.length / 3 }, (_, m) => threeOf(edgeShifts, 3 * m));
  }
  if (readings && place.reading) {
    const still = new Float64Array(shared.length);
    const from = readings.own[place.reading.from]!;
    const next = readings.own[place.reading.from + 1];
    return [from, ...(next ? [next] : [])].flatMap(Object.values<number>).flatMap((at) => {
      if (at < 0) return [];
      const e = new Float64Array(own.length);
      e[at] = sigmaOf(own[at]!);
      const shift = new Float64Array(3);
      shiftAlongEdge(place.point, place.reading!, movedReadings(readings, still, e), shift);
      return [threeOf(shift, 0)];
    });
  }
  return shapeError < 0
    ? []
    : [0, 1, 2].map(
        (k) => [0, 1, 2].map((axis) => (axis === k ? sigmaOf(own[shapeError + k]!) : 0)) as unknown as Vec3,
      );
}

const threeOf = (values: Float64Array, at: number): Vec3 => [values[at]!, values[at + 1]!, values[at + 2]!];

/** Of an even spread: its half width over the root of three. */
const sigmaOf = ({ sigma, halfWidth }: OwnError): number =>
  halfWidth === undefined ? sigma : halfWidth / Math.sqrt(3);
