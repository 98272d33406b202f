import type { DrawnRow, EnvelopeKind } from '../../4-clearance/envelope/envelope-kind';
import type { ObstacleVerdict } from '../../4-clearance/verdict/evaluate';
import type { PreparedCorner } from '../../4-clearance/case/prepared-corner';
import { solidAt } from '../../4-clearance/oracle/posture-gap';
import { solidDistance, type Solid } from '../../2-vehicle/setup/rotor';
import { standardRegions, type Standard, wantedAs } from '../../4-clearance/case/standard';
import { place, unplace } from '../../1-base/geometry/pose';
import type { Vec3 } from '../../1-base/geometry/vec3';
import type { Posture } from '../../2-vehicle/motion/corner-motion';
import { toRadians } from '../../1-base/units/angle';
import { CandidateFinder, metPlace, placesAlong, postureAt } from './candidate-places';
import { disturbedCorner, PoseCache, reshaped, rotorShift, type RotorShift } from './disturbed-corner';
import { drawAll, type Candidate, type Drawn, type DrawnErrors, type ObstacleModel } from './draw';
import { edgeShifts } from './moved-edge';
import { readingShifts, type OwnError } from './moved-readings';
import { sharedErrors, type Fit, type SharedError } from './shared-errors';

/** Everything a draw needs, worked out once. */
export interface SpreadModel {
  readonly shared: readonly SharedError[];
  readonly own: readonly OwnError[];
  /** Gaps and margins with everything off by what was drawn. */
  drawn(errors: DrawnErrors): Drawn;
  /** By obstacle, in the order of the verdicts. */
  readonly obstacles: readonly ObstacleModel[];
  readonly rotor: RotorShift;
  /** Which shared numbers give the tried tire another tread or shoulder: `byShape` of its candidates. */
  readonly shapes: readonly number[];
}

/** `whereItIsMet`: slopes at the met places alone, not all that a draw may need. */
export function makeSpreadModel(
  corner: PreparedCorner,
  fit: Fit,
  kind: EnvelopeKind,
  standard: Standard,
  drawn: readonly DrawnRow[] | undefined,
  verdicts: readonly ObstacleVerdict[],
  look: 'whereItMayTouch' | 'whereItIsMet' = 'whereItMayTouch',
): SpreadModel {
  const shared = sharedErrors(fit);
  const off = shared.map((error) => disturbedCorner(corner, error, fit, kind, drawn));
  const own: OwnError[] = [];
  const finder = look === 'whereItMayTouch' ? new CandidateFinder(corner) : null;
  const poses = new PoseCache(corner, off);
  const shapes = reshaped(corner, off);
  const regions = standardRegions(standard, corner.envelope.limits);
  const obstacles = corner.obstacles.map((obstacle, i): ObstacleModel => {
    const { isSettled, sigmaMm, edge: fitted } = obstacle;
    const found = finder?.of(obstacle) ?? [];
    const edge = fitted && !isSettled ? edgeShifts(own, i, obstacle, fitted, off) : null;
    const verdict = verdicts[i]!;
    const met = { ...verdict, posture: postureOfVerdict(verdict) };
    const along = finder ? found : placesAlong(obstacle);
    const places = [metPlace(corner, obstacle, met, along), ...found];
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
      const requiredMm = region.requiredMm[wantedAs(obstacle)];
      const marginMm = at.gapMm - at.dipMm - requiredMm;
      const onEdge = edge && at.onEdge ? edge.at(at.onEdge) : null;
      const byShared = poses.shifts(obstacle.mount, at);
      if (onEdge) addTurned(byShared, axes, onEdge.shared);
      const slopes = slopesOf(solid, corner.rotor.centrePlaneMm, inWheel, axes, byShared);
      keepMet(shared, byShared, slopes.slopes);
      const shifts = felt(byShared);
      return {
        place: at,
        solid,
        requiredMm,
        at: inWheel,
        axes,
        ...shifts,
        byShape: Float64Array.from(shapes, (j) => {
          const { corner: other, sign } = off[j]!;
          const shaped = solidAt(other.rotor, obstacle.insideWheel, wheel, there);
          return sign * (distanceTo(shaped, corner, inWheel) - distanceTo(solid, corner, inWheel));
        }),
        edgeShifts: onEdge?.own ?? null,
        marginMm,
        ...slopes,
        slopes: Float64Array.from(shifts.shiftedBy, (j) => slopes.slopes[j]!),
      };
    });
    const shapeError = sigmaMm ? own.length : -1;
    sigmaMm?.forEach((sigma, k) => {
      const axis = (['x', 'y', 'z'] as const)[k]!;
      own.push({ name: `${corner.key} ${obstacle.id} ${axis}`, obstacle: i, reading: null, sigma, of: axis });
    });
    return {
      candidates,
      readings: obstacle.landed.length > 0 && !edge && !isSettled ? readingShifts(own, i, obstacle, off) : null,
      shapeError,
      edgeError: edge?.first ?? -1,
      offMm: obstacle.radiusMm + obstacle.complianceMm,
    };
  });
  const rotor = rotorShift(corner, off);
  return {
    shared,
    own,
    obstacles,
    rotor,
    shapes,
    drawn: (errors) => drawAll(corner, obstacles, rotor, shapes, errors),
  };
}

/** From a place in the wheel frame, mm. */
const distanceTo = (solid: Solid, { rotor }: PreparedCorner, [x, a, y]: Vec3): number =>
  solidDistance(solid, a - rotor.centrePlaneMm, Math.hypot(x, y));

/** Adds shifts of the mount's frame, turned into the wheel frame by its axes there. */
function addTurned(to: Float64Array, axes: Float64Array, shifts: Float64Array): void {
  for (let j = 0; j < shifts.length; j += 3) {
    for (let r = 0; r < 3; r++) for (let c = 0; c < 3; c++) to[j + r]! += axes[3 * r + c]! * shifts[j + c]!;
  }
}

/** Where the wheel is only let further, a place is not moved away from it: it is met as before. */
function keepMet(shared: readonly SharedError[], shifts: Float64Array, slopes: Float64Array): void {
  shared.forEach(({ onlyWidens }, j) => {
    if (onlyWidens && slopes[j]! > 0) shifts.fill(0, 3 * j, 3 * j + 3);
  });
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

const postureOfVerdict = ({ travelMm, steerDeg, crossMm }: ObstacleVerdict): Posture => ({
  travel: travelMm,
  steer: toRadians(steerDeg),
  cross: crossMm,
});
