import type { ReadingDescription } from './reading';
import type { ShapeDescription } from '../shape/shape';

/**
 * How far off measurements usually are: standard deviations unless said otherwise. Working values of this project, no
 * published source; docs/method.md lists them.
 */
export const USUAL = {
  /** mm: a tape held from the tire to a thing. */
  gapMm: 2,
  /** mm across: what is called the crown, the shoulder or the widest place. */
  acrossMm: 8,
  /** mm: the distance outboard of the sidewall plane. */
  outboardMm: 3,
  /** mm: a height held by a ramp or a jack while a gap is read. */
  heldHeightMm: 3,
  /** mm: hub to lip of the baseline. */
  hubToLipMm: 2,
  /** mm: diameter or width of a tire somebody measured. */
  measuredTireMm: 1.5,
  /** Share of the design diameter and width by which tires of one size differ. */
  diameterShare: 0.005,
  widthShare: 0.015,
  /** mm: a tread measured edge to edge; a shoulder's radius told with a coin or a gauge. */
  measuredTreadMm: 3,
  measuredShoulderMm: 3,
  /** Shares of the tread width and of the section height by which tread and shoulder differ: of one kind of tire, and of any. */
  treadShareOfKind: 0.02,
  treadShareOfAny: 0.04,
  shoulderShareByPicture: 0.02,
  shoulderShareOfAny: 0.035,
  /** mm by which a flotation tire that is taken under its print may measure otherwise: 5 to 13 mm hold 9 of 10 (common practice, no source). */
  underPrintMm: 2.5,
  /** mm: an offset read off the wheel, a backspacing taken with a straight edge. */
  offsetMm: 1,
  backspacingMm: 2,
  /** mm: where the stops let the wheel go. */
  bumpMm: 4,
  droopMm: 4,
  /** mm: the parked height. */
  parkedMm: 4,
  /** Degrees: locks read off a plate, stops set by a bolt. */
  lockDeg: 1,
  steerStopDeg: 0.5,
  camberDeg: 0.2,
  toeDeg: 0.1,
  /** Degrees: inclination and caster. */
  axisDeg: 0.5,
  /** mm: where a joint, a pivot or the steering axis is. */
  hardPointMm: 4,
  /** Degrees: an angle of an arm. */
  armDeg: 1,
  /** Share of the way to an instant centre, and at least so many mm. */
  instantCentreShare: 0.05,
  instantCentreMm: 10,
} as const;

/**
 * The same for values that stand in for a measurement nobody took: how far vehicles of all kinds lie from them. Working values
 * of this project, no published source.
 */
export const UNMEASURED = {
  /** Share of the diameter and the width: any size may be fitted. */
  tireShare: 0.05,
  offsetMm: 15,
  bumpMm: 25,
  droopMm: 25,
  /** Share of the hub spacing: stops are found from 0.5 to 0.7 of it apart (common practice, no source). */
  stopShare: 0.07,
  /** Share of the hub spacing by which stops stand inboard where an older job counts them at the hubs. Working value of this project. */
  stopInboardShare: 0.2,
  /** mm by which bushings let the wheel move fore or aft. Working value of this project. */
  bushingGiveMm: 1.5,
  /** mm: where an arm's inner pivot is, of a linkage that nobody measured. */
  armPivotMm: 60,
  lockDeg: 4,
  axisDeg: 3,
  kingpinOffsetMm: 25,
  camberDeg: 0.7,
  toeDeg: 0.3,
} as const;

/** mm within which 95 of 100 positions lie, by kind of shape. */
const POSITION_TOLERANCE_MM: Readonly<Record<ShapeDescription['type'], number>> = {
  points: 6,
  polyline: 6,
  capsule: 6,
  panel: 6,
  scan: 2,
};

/** Standard deviation (mm, each axis) of a position, from its tolerance or the usual one for its kind. */
export const positionSigmaMm = (type: ShapeDescription['type'], toleranceMm?: number): number =>
  (toleranceMm ?? POSITION_TOLERANCE_MM[type]) / 2;

/**
 * Degrees either way within which a clock position lies, from how it was noted: to the half hour, to ten minutes, to
 * five or to the minute.
 */
export function clockHalfWidthDeg({ clock }: Pick<ReadingDescription, 'clock'>): number {
  const minutes = Number(clock.split(':')[1] ?? 0);
  const step = [30, 10, 5].find((all) => minutes % all === 0) ?? 1;
  return step * 0.25;
}
