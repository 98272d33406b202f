import { ProblemError } from '../../1-base/problem';
import { inToMm } from '../../1-base/units/length';

/** mm: height of the rim flange above the bead seat. ISO 4000-1 J contour, 17.5 (value from memory). */
export const FLANGE_HEIGHT_MM = 17.5;

/** mm: thickness of one rim flange; the true rim is about 1 in wider than its nominal width (common practice). */
export const FLANGE_THICKNESS_MM = 12.7;

/**
 * Two ways to speak of backspacing. `lipToPad`: straight edge across the inboard lip, measured to the mounting
 * pad, so half the true rim width (nominal + two flanges) plus offset. `nominal`: half the nominal width plus offset.
 */
export type BackspacingSchool = 'lipToPad' | 'nominal';

/** What was measured inside a wheel; left out: usual values by its diameter. */
export interface WheelInside {
  /** Inside diameter where the brake is, and at the drop center, mm. */
  readonly insideDiameterMm?: number | undefined;
  readonly dropCentreInsideMm?: number | undefined;
  /** The spokes' back at places out from the axis: mm outboard of the mounting face, - = toward the brake. */
  readonly spokeBack?: readonly { readonly radiusMm: number; readonly backMm: number }[] | undefined;
}

/** A wheel as entered: offset, or backspacing with the school it was taken by. */
export interface WheelDescription extends WheelInside {
  readonly diameterIn: number;
  readonly widthIn: number;
  readonly offsetMm?: number | undefined;
  readonly backspacingMm?: number | undefined;
  readonly backspacingSchool?: BackspacingSchool | undefined;
  /** Depth of the pockets in the pad that take stud ends, mm. */
  readonly studPocketMm?: number | undefined;
}

const halfWidthMm = (widthIn: number, school: BackspacingSchool): number =>
  inToMm(widthIn) / 2 + (school === 'lipToPad' ? FLANGE_THICKNESS_MM : 0);

/** Backspacing in mm of a wheel `widthIn` wide with `offsetMm` (+ = pad outboard of the rim's centre). */
export const backspacingFromOffset = (widthIn: number, offsetMm: number, school: BackspacingSchool): number =>
  halfWidthMm(widthIn, school) + offsetMm;

/** Offset in mm from backspacing; the inverse of `backspacingFromOffset`. */
export const offsetFromBackspacing = (widthIn: number, backspacingMm: number, school: BackspacingSchool): number =>
  backspacingMm - halfWidthMm(widthIn, school);

/**
 * Offset in mm of a wheel entered either way.
 * @throws ProblemError when neither or both are given, or the backspacing lies beyond the rim.
 */
export function wheelOffsetMm(wheel: WheelDescription, path = ''): number {
  const refuse = (
    key: string,
    code: 'missing' | 'contradiction' | 'outOfRange',
    expected: string,
    found: string,
  ): never => {
    throw new ProblemError({ code, path: path === '' ? key : `${path}.${key}`, expected, found });
  };
  if (wheel.offsetMm !== undefined && wheel.backspacingMm !== undefined) {
    refuse('backspacingMm', 'contradiction', 'offsetMm or backspacingMm, not both', 'both');
  }
  if (wheel.offsetMm !== undefined) return wheel.offsetMm;
  if (wheel.backspacingMm === undefined) {
    return refuse('offsetMm', 'missing', 'offsetMm, or backspacingMm with its school', 'neither');
  }
  const school = wheel.backspacingSchool ?? 'lipToPad';
  const rimWidth = 2 * halfWidthMm(wheel.widthIn, school);
  if (!(wheel.backspacingMm >= 0 && wheel.backspacingMm <= rimWidth)) {
    refuse(
      'backspacingMm',
      'outOfRange',
      `0 to ${rimWidth.toFixed(0)} mm, the width of the rim`,
      `${wheel.backspacingMm} mm`,
    );
  }
  return offsetFromBackspacing(wheel.widthIn, wheel.backspacingMm, school);
}
