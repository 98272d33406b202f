import type { TireSize } from './size';
import type { Shoulder, TireKind } from './tire-kind';
import { MM_PER_IN } from '../../1-base/units/length';

/** A tire as entered: its size text and, where someone measured it, what the tape said (mm). */
export interface TireDescription {
  readonly size: string;
  readonly measuredDiameterMm?: number | undefined;
  readonly measuredWidthMm?: number | undefined;
  /** Flotation: by how much it is taken to measure under its printed diameter; absent: as printed. */
  readonly underPrintMm?: number | undefined;
  readonly kind?: TireKind | undefined;
  /** Tread, flat from edge to edge. */
  readonly treadWidthMm?: number | undefined;
  /** The shoulder by picture, or its radius. */
  readonly shoulder?: Shoulder | undefined;
  readonly shoulderRadiusMm?: number | undefined;
  /** Lugs that stand out beyond the sidewall; a rib that guards the rim, beyond the flange's face. */
  readonly lugsMm?: number | undefined;
  readonly rimProtectorMm?: number | undefined;
}

/** Outside diameter of a tire, mm: as measured, else that of its size, less what it measures under its print. */
export const outsideDiameterMm = (tire: TireDescription, size: TireSize): number =>
  tire.measuredDiameterMm ??
  designDiameterMm(size) - (size.printedDiameterMm === undefined ? 0 : (tire.underPrintMm ?? 0));

/** mm of section width gained per mm of rim width. ISO 4000-1 / ETRTO; 0.2 in per 0.5 in in the trade. */
export const WIDTH_PER_RIM_WIDTH = 0.4;

/**
 * K1: theoretical rim width over nominal section width. ISO 4000-1: 0.70 for aspect 50 and above, 0.85 for
 * 45 to 30. For aspect below 30, 0.90 (value from memory).
 */
export function rimWidthRatio(aspect: number): number {
  if (aspect >= 50) return 0.7;
  return aspect >= 30 ? 0.85 : 0.9;
}

/**
 * Measuring rim width in inches of a flotation or older numeric size, where no maker's value is at hand:
 * 0.8 x printed width to the nearest 0.5 in.
 */
export const defaultMeasuringRimIn = (printedWidthMm: number): number =>
  Math.round((0.8 * printedWidthMm) / MM_PER_IN / 0.5) * 0.5;

/**
 * Design outside diameter in mm. Metric: rim + 2 x round(nominal width x aspect / 100), the section height
 * rounded to whole mm as in ISO 4000-1. Flotation: as printed. Older numeric: rim + 2 x ratio x width, ratio
 * 1.05 from 13 in rims up (truck) and 0.85 below (cart, trailer): an estimate, values from memory.
 */
export function designDiameterMm(size: TireSize): number {
  const rim = size.rimDiameterIn * MM_PER_IN;
  if (size.printedDiameterMm !== undefined) return size.printedDiameterMm;
  if (size.aspect !== undefined) return rim + 2 * Math.round((size.nominalWidthMm * size.aspect) / 100);
  return rim + 2 * (size.rimDiameterIn >= 13 ? 1.05 : 0.85) * size.nominalWidthMm;
}

/**
 * Section width in mm on a rim of `fittedRimWidthIn`. Metric: nominal + 0.4 x (fitted - K1 x nominal).
 * Flotation and numeric: printed + 0.4 x (fitted - measuring rim).
 */
export function sectionWidthMm(size: TireSize, fittedRimWidthIn: number): number {
  const fitted = fittedRimWidthIn * MM_PER_IN;
  const reference =
    size.aspect === undefined
      ? defaultMeasuringRimIn(size.nominalWidthMm) * MM_PER_IN
      : rimWidthRatio(size.aspect) * size.nominalWidthMm;
  return size.nominalWidthMm + WIDTH_PER_RIM_WIDTH * (fitted - reference);
}
