import type { PlanePoint } from '../../1-base/geometry/outline';
import { place, rotate, transpose, type Pose } from '../../1-base/geometry/pose';
import { add, normalize, scale, subtract, type Vec3 } from '../../1-base/geometry/vec3';
import { joinPath, ProblemError } from '../../1-base/problem';
import type { TireSection } from '../../2-vehicle/tire/section';
import { formatClock, parseClock } from '../../1-base/units/clock';

/** Places across the tire a gap can be taken at. */
export const READING_PLACES = ['tread', 'outerShoulder', 'innerShoulder', 'outerSidewall', 'innerSidewall'] as const;
export type ReadingPlace = (typeof READING_PLACES)[number];

/** What a gap was read with. */
export const READING_SOURCES = ['tape', 'gauge'] as const;

/** Wheel straight, at the surveyed lock, or at an angle in degrees (+ = vehicle left). */
export type ReadingSteer = 'straight' | 'left' | 'right' | number;

/** One gap taken against the fitted tire. Lengths in mm. */
export interface ReadingDescription {
  /** `12:00` = up, `3:00` = toward the vehicle's front. */
  readonly clock: string;
  readonly across: ReadingPlace;
  readonly gapMm: number;
  /** How far the thing lies outboard of the outer sidewall plane; then the gap is purely radial. Tread only. */
  readonly outboardMm?: number | undefined;
  /** The outboard distance was taken over from the reading before, not measured here. */
  readonly outboardAsBefore?: boolean | undefined;
  /** The tape was moved along the thing until the gap was least; the clock is where that was. */
  readonly nearest?: boolean | undefined;
  /** Taken again, or looked at again: it stands, whatever the others say. */
  readonly confirmed?: boolean | undefined;
  readonly by?: (typeof READING_SOURCES)[number] | undefined;
  readonly steer: ReadingSteer;
  /** + bump. Either this or `hubToLipMm`. */
  readonly travelMm?: number | undefined;
  /** Hub center to fender lip at the moment of the reading: how bump and droop are read. */
  readonly hubToLipMm?: number | undefined;
}

/** By how much a reading is off: what the truth is less what was noted. */
export interface ReadingError {
  readonly gapMm: number;
  /** Degrees of clock, + = later. */
  readonly clockDeg: number;
  /** mm across: outboard on the tread and shoulders, outward on the sidewalls. */
  readonly acrossMm: number;
}

/** How the wheel was held when something was read or photographed. */
export type HeldAt = Pick<ReadingDescription, 'steer' | 'travelMm' | 'hubToLipMm'>;

const NO_ERROR: ReadingError = { gapMm: 0, clockDeg: 0, acrossMm: 0 };

/** Where the fitted tire is when a reading is taken. */
export interface ReadingScene {
  readonly section: TireSection;
  /** Tire's centre plane along the spin axis from the hub face: spacer - offset, mm. */
  readonly centrePlaneMm: number;
  /** Wheel frame to corner frame in the reading's posture. */
  readonly wheelPose: Pose;
}

export interface LandedReading {
  /** Corner frame, in the reading's posture. */
  readonly point: Vec3;
  /** mm by which the lateral place is not known (tread readings without `outboardMm`). */
  readonly lateralToleranceMm: number;
}

/** The section's place a reading starts from, and its outward normal in the meridian plane (unit). */
export function placeOnSection(section: TireSection, across: ReadingPlace): { at: PlanePoint; normal: PlanePoint } {
  const outer = across === 'outerShoulder' || across === 'outerSidewall' ? 1 : -1;
  switch (across) {
    case 'tread':
      return { at: { a: 0, r: section.diameterMm / 2 }, normal: { a: 0, r: 1 } };
    case 'outerShoulder':
    case 'innerShoulder': {
      const half = Math.SQRT1_2;
      const { a, r } = section.shoulderCentre;
      const radius = section.shoulderRadiusMm;
      return { at: { a: outer * (a + radius * half), r: r + radius * half }, normal: { a: outer * half, r: half } };
    }
    case 'outerSidewall':
    case 'innerSidewall':
      return { at: { a: (outer * section.widthMm) / 2, r: section.widestRadiusMm }, normal: { a: outer, r: 0 } };
  }
}

/**
 * Direction in the wheel plane (unit, corner frame) at `clockDeg`: 12:00 is vehicle-up projected on the wheel
 * plane, 3:00 is 90 degrees from it toward the vehicle's front.
 */
export function clockDirection(wheelPose: Pose, clockDeg: number): Vec3 {
  const { up, forward } = wheelPlaneAxes(wheelPose);
  const angle = (clockDeg * Math.PI) / 180;
  return add(scale(up, Math.cos(angle)), scale(forward, Math.sin(angle)));
}

/** Clock in degrees [0, 360) of a point (corner frame) seen from the spin axis. */
export function clockOfPoint(wheelPose: Pose, point: Vec3): number {
  const { up, forward } = wheelPlaneAxes(wheelPose);
  const d = subtract(point, wheelPose.origin);
  const rise = d[0] * up[0] + d[1] * up[1] + d[2] * up[2];
  const ahead = d[0] * forward[0] + d[1] * forward[1] + d[2] * forward[2];
  return ((Math.atan2(ahead, rise) * 180) / Math.PI + 360) % 360;
}

function wheelPlaneAxes(wheelPose: Pose): { up: Vec3; forward: Vec3 } {
  // The wheel plane is the x-z plane of the wheel frame: drop y of vehicle-up and go back.
  const upInWheel = rotate(transpose(wheelPose.rotation), [0, 0, 1]);
  const up = normalize([upInWheel[0], 0, upInWheel[2]]);
  const forward: Vec3 = [up[2], 0, -up[0]];
  return { up: rotate(wheelPose.rotation, up), forward: rotate(wheelPose.rotation, forward) };
}

/**
 * Lands one reading: the place on the fitted tire at that clock plus the gap along its outward normal in the
 * meridian plane; with `outboardMm`, gap radially beyond the crown at that lateral place.
 * `error` lands it where it would be, were it off by that.
 * @throws ProblemError for readings in the contact patch and for `outboardMm` away from the tread.
 */
export function landReading(
  reading: ReadingDescription,
  scene: ReadingScene,
  path = '',
  error: ReadingError = NO_ERROR,
): LandedReading {
  const clockDeg = parseClock(reading.clock, joinPath(path, 'clock'));
  const { section } = scene;
  const inContactPatch = clockDeg >= 150 && clockDeg <= 210;
  if (inContactPatch && !reading.across.endsWith('Shoulder')) {
    throw new ProblemError({
      code: 'outOfRange',
      path: joinPath(path, 'clock'),
      expected: 'a clock position outside 5:00 to 7:00, where the loaded tire is not its free shape',
      found: formatClock(clockDeg),
    });
  }
  if (reading.outboardMm !== undefined && reading.across !== 'tread') {
    throw new ProblemError({
      code: 'contradiction',
      path: joinPath(path, 'outboardMm'),
      expected: 'an outboard distance only with a gap taken from the tread',
      found: `across ${reading.across}`,
    });
  }
  const { at, normal } = placeOnSection(section, reading.across);
  const gap = reading.gapMm + error.gapMm;
  const free =
    reading.outboardMm === undefined
      ? { a: at.a + normal.a * gap, r: at.r + normal.r * gap }
      : { a: section.widthMm / 2 + reading.outboardMm, r: section.diameterMm / 2 + gap };
  const landed = normal.r === 0 ? { a: free.a, r: free.r + error.acrossMm } : { a: free.a + error.acrossMm, r: free.r };
  const alongAxis = place(scene.wheelPose, [0, scene.centrePlaneMm + landed.a, 0]);
  return {
    point: add(alongAxis, scale(clockDirection(scene.wheelPose, clockDeg + error.clockDeg), landed.r)),
    lateralToleranceMm: reading.across === 'tread' && reading.outboardMm === undefined ? section.widthMm / 2 : 0,
  };
}
