import { nearestOnSolid, solidDistance, type Rotor } from '../../2-vehicle/setup/rotor';
import { compose, inverse, rotate, type Pose } from '../../1-base/geometry/pose';
import type { Sight, Sights } from '../photo/sight';
import type { ReadingDescription, ReadingPlace } from '../reading/reading';
import { clockHalfWidthDeg, USUAL } from '../reading/usual-errors';
import type { TireSection } from '../../2-vehicle/tire/section';
import { toRadians } from '../../1-base/units/angle';
import { parseClock } from '../../1-base/units/clock';

/** Numbers by which a place can miss a reading: gap, place across, clock; each in standard deviations. */
export const MISSES = 3;

export const squaresOf = (misses: Float64Array): number => misses.reduce((sum, v) => sum + v * v, 0);

/** What one reading says of the edge it was taken at, or one place of a photo of the edge that is seen there. */
export type Evidence = TapeEvidence | SightEvidence;

/** A line of sight, with where its camera's shared errors stand among an edge's numbers, counted from the last. */
export interface SightEvidence {
  readonly nearest: false;
  readonly toWheel: Pose;
  readonly sight: Sight;
  readonly errorsFromEnd: number;
}

export const isTape = (evidence: Evidence): evidence is TapeEvidence => !('sight' in evidence);

/** The evidence of all sights of one thing. */
export const sightEvidence = ({ sights, errorCount }: Sights): SightEvidence[] =>
  sights.map((sight) => ({
    nearest: false,
    toWheel: sight.toWheel,
    sight,
    errorsFromEnd: errorCount - sight.firstError,
  }));

/** What one reading says of the edge it was taken at. */
export interface TapeEvidence {
  /** Mount's frame to wheel frame in the reading's posture. */
  readonly toWheel: Pose;
  readonly rotor: Rotor;
  /** Vehicle-up in the wheel plane: its x and z in the wheel frame, unit. */
  readonly up: readonly [number, number];
  /** Taken where the gap was least in that posture, not at a clock chosen beforehand. */
  readonly nearest: boolean;
  readonly gapMm: number;
  readonly gapSigmaMm: number;
  /** mm outboard of the outer sidewall plane; null where the gap is to the nearest place of the tire. */
  readonly outboardMm: number | null;
  /**
   * Middle (mm along the section from the crown, + outboard, or outboard of the sidewall plane), how far to either side of it a place is
   * still the one that was named, and the standard deviation beyond that.
   */
  readonly acrossMm: number;
  readonly acrossHalfMm: number;
  readonly acrossSigmaMm: number;
  readonly clockRad: number;
  readonly clockSigmaRad: number;
}

/** Degrees: how well a hand holds the clock it means. */
const CLOCK_HAND_DEG = 1;

/** mm: an outboard distance taken over from the reading before. */
const OUTBOARD_TAKEN_OVER_MM = 10;

/** Of the radius's turn from the crown: where the tread ends and the shoulder, the shoulder and the sidewall. */
const ZONE_ENDS = [Math.PI / 8, (3 * Math.PI) / 8] as const;

/** How far along the section, mm from the crown, + outboard: across plus down, which grows steadily. */
const alongSection = (a: number, r: number, crown: number): number => Math.sign(a) * (Math.abs(a) + crown - r);

function zone(section: TireSection, across: ReadingPlace): readonly [middle: number, halfMm: number] {
  const crown = section.diameterMm / 2;
  const { shoulderCentre, shoulderRadiusMm, widthMm } = section;
  const [treadEnd, shoulderEnd] = ZONE_ENDS.map((turn) =>
    alongSection(
      shoulderCentre.a + shoulderRadiusMm * Math.sin(turn),
      shoulderCentre.r + shoulderRadiusMm * Math.cos(turn),
      crown,
    ),
  ) as [number, number];
  // A thing beside the wheel is as near to the sidewall as to the rim: the named place goes on to the axis.
  const axis = alongSection(widthMm / 2, 0, crown);
  const side = across.startsWith('outer') ? 1 : -1;
  if (across === 'tread') return [0, treadEnd];
  const [from, to] = across.endsWith('Shoulder') ? [treadEnd, shoulderEnd] : [shoulderEnd, axis];
  return [(side * (from + to)) / 2, (to - from) / 2];
}

/** The named place across the tire that a place of its section belongs to. */
export function readingPlaceAt(
  { shoulderCentre, widestRadiusMm }: TireSection,
  { a, r }: { readonly a: number; readonly r: number },
): ReadingPlace {
  const beside = Math.abs(a) - shoulderCentre.a;
  const turn = r < widestRadiusMm ? Math.PI / 2 : beside <= 0 ? 0 : Math.atan2(beside, r - shoulderCentre.r);
  const side = a < 0 ? 'inner' : 'outer';
  return turn < ZONE_ENDS[0] ? 'tread' : turn < ZONE_ENDS[1] ? `${side}Shoulder` : `${side}Sidewall`;
}

/** Poses (to the corner frame) of wheel and mount in a reading's posture, and how much the gap falls per mm of travel. */
export interface ReadingStand {
  readonly wheelPose: Pose;
  readonly mountPose: Pose;
  readonly gapPerTravel: number;
}

export function evidenceOf(
  reading: ReadingDescription,
  rotor: Rotor,
  { wheelPose, mountPose, gapPerTravel }: ReadingStand,
): TapeEvidence {
  const fromCorner = inverse(wheelPose);
  const upInWheel = rotate(fromCorner.rotation, [0, 0, 1]);
  const flat = Math.hypot(upInWheel[0], upInWheel[2]);
  const held = reading.hubToLipMm !== undefined || (reading.travelMm ?? 0) !== 0 ? USUAL.heldHeightMm : 0;
  const [middle, half] = zone(rotor.section, reading.across);
  const outboardMm = reading.outboardMm ?? null;
  return {
    toWheel: compose(fromCorner, mountPose),
    rotor,
    up: [upInWheel[0] / flat, upInWheel[2] / flat],
    nearest: reading.nearest === true,
    gapMm: reading.gapMm,
    gapSigmaMm: Math.hypot(USUAL.gapMm, held * gapPerTravel),
    outboardMm,
    acrossMm: outboardMm ?? middle,
    acrossHalfMm: outboardMm === null ? half : 0,
    acrossSigmaMm:
      outboardMm === null ? USUAL.acrossMm : reading.outboardAsBefore ? OUTBOARD_TAKEN_OVER_MM : USUAL.outboardMm,
    clockRad: toRadians(parseClock(reading.clock)),
    clockSigmaRad: toRadians(Math.hypot(clockHalfWidthDeg(reading) / Math.sqrt(3), CLOCK_HAND_DEG)),
  };
}

/** Gap (mm) of a place of the mount's frame to the fitted tire as it stood; `radiusMm`: surface beyond the place. */
export function gapThere(
  { toWheel, rotor }: Pick<TapeEvidence, 'toWheel' | 'rotor'>,
  place: Float64Array,
  radiusMm: number,
): number {
  const [x, a, z] = inWheel(toWheel, place);
  return solidDistance(rotor.filled, a - rotor.centrePlaneMm, Math.hypot(x, z)) - radiusMm;
}

/** Whether a place (mount's frame) lies where no tape goes between tire and ground, so that the nearest is looked for elsewhere. */
export function isOutOfReach({ toWheel, up }: Pick<TapeEvidence, 'toWheel' | 'up'>, place: Float64Array): boolean {
  const [x, , z] = inWheel(toWheel, place);
  return -(x * up[0] + z * up[1]) > Math.cos(OUT_OF_REACH) * Math.hypot(x, z);
}

/** rad from straight down: 5:00 to 7:00. */
const OUT_OF_REACH = Math.PI / 6;

function inWheel({ rotation: m, origin }: Pose, p: Float64Array): [number, number, number] {
  const x = p[0]!;
  const y = p[1]!;
  const z = p[2]!;
  return [
    m[0] * x + m[1] * y + m[2] * z + origin[0],
    m[3] * x + m[4] * y + m[5] * z + origin[1],
    m[6] * x + m[7] * y + m[8] * z + origin[2],
  ];
}

/** How far a place (mount's frame, mm) of the edge of those numbers misses, in standard deviations: `MISSES` numbers into `out`. */
export function missBy(
  evidence: Evidence,
  place: Float64Array,
  radiusMm: number,
  q: Float64Array,
  out: Float64Array,
): void {
  if (isTape(evidence)) missTape(evidence, place, radiusMm, out);
  else missSight(evidence, place, q, out);
}

function missSight(
  { toWheel, sight, errorsFromEnd }: SightEvidence,
  place: Float64Array,
  q: Float64Array,
  out: Float64Array,
) {
  const { at, across, sigmaMm, along, depthSigmaMm, errors } = sight;
  const [x, y, z] = inWheel(toWheel, place);
  const first = q.length - errorsFromEnd;
  for (let c = 0; c < 2; c++) {
    const [dx, dy, dz] = across[c]!;
    let beside = dx * (x - at[0]) + dy * (y - at[1]) + dz * (z - at[2]);
    for (let k = 0; k < errors.length; k++) beside -= errors[k]![c]! * q[first + k]!;
    out[c] = beside / sigmaMm;
  }
  out[2] = (along[0] * (x - at[0]) + along[1] * (y - at[1]) + along[2] * (z - at[2])) / depthSigmaMm;
}

function missTape(evidence: TapeEvidence, place: Float64Array, radiusMm: number, out: Float64Array): void {
  const { rotor, up } = evidence;
  const [x, axial, z] = inWheel(evidence.toWheel, place);
  const a = axial - rotor.centrePlaneMm;
  const r = Math.hypot(x, z);
  const { section } = rotor;
  const crown = section.diameterMm / 2;
  if (evidence.outboardMm === null) {
    const near = nearestOnSolid(rotor.filled, a, r);
    out[0] = (near.distance - radiusMm - evidence.gapMm) / evidence.gapSigmaMm;
    const beside = alongSection(near.a, near.r, crown) - evidence.acrossMm;
    out[1] = (Math.sign(beside) * Math.max(0, Math.abs(beside) - evidence.acrossHalfMm)) / evidence.acrossSigmaMm;
  } else {
    out[0] = (r - crown - radiusMm - evidence.gapMm) / evidence.gapSigmaMm;
    out[1] = (a - section.widthMm / 2 - evidence.acrossMm) / evidence.acrossSigmaMm;
  }
  // Forward is a quarter turn from up, toward 3:00.
  const clock = Math.atan2(x * up[1] - z * up[0], x * up[0] + z * up[1]);
  const off = clock - evidence.clockRad;
  out[2] = Math.atan2(Math.sin(off), Math.cos(off)) / evidence.clockSigmaRad;
}
