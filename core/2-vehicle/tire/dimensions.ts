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
  /** Hub to ground on the vehicle at its pressure, and the way of one turn. */
  readonly loadedRadiusMm?: number | undefined;
  readonly rollingMm?: number | undefined;
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

/** Truck sizes are named 6.00, 6.50, 7.50 ...; car sizes 5.60, 6.40 ...: by the last figures of the inches. */
const isTruckNumeric = ({ nominalWidthMm, rimDiameterIn }: TireSize): boolean => {
  const hundredths = Math.round((nominalWidthMm / MM_PER_IN) * 100) % 100;
  return rimDiameterIn >= 13 && nominalWidthMm >= 6 * MM_PER_IN && (hundredths === 0 || hundredths === 50);
};

/**
 * Section height over printed width of an older numeric size: estimates, values from memory. Wide truck tires on drop-centre rims with a half
 * inch are lower; cart and trailer tires too.
 */
function numericHeightRatio(size: TireSize): number {
  const { rimDiameterIn } = size;
  if (rimDiameterIn % 1 !== 0) return rimDiameterIn > 17 ? 0.87 : 0.74;
  if (rimDiameterIn < 13) return 0.85;
  return isTruckNumeric(size) ? 1.05 : 0.99;
}

/** Real section width over the printed one: 7.50R16 measures 205 to 220 mm on 6 in (common practice, no source). */
const numericWidthRatio = (size: TireSize): number => (size.rimDiameterIn % 1 === 0 && isTruckNumeric(size) ? 1.12 : 1);

/**
 * Design outside diameter in mm. Metric: rim + 2 x round(nominal width x aspect / 100), the section height
 * rounded to whole mm as in ISO 4000-1. Flotation: as printed. Older numeric: rim + 2 x ratio x width, an estimate by the kind of size.
 */
export function designDiameterMm(size: TireSize): number {
  const rim = size.rimDiameterIn * MM_PER_IN;
  if (size.printedDiameterMm !== undefined) return size.printedDiameterMm;
  if (size.aspect !== undefined) return rim + 2 * Math.round((size.nominalWidthMm * size.aspect) / 100);
  return rim + 2 * numericHeightRatio(size) * size.nominalWidthMm;
}

/**
 * Design (measuring) rim of a size in inches: nominal width times K2 to the nearest half inch, K2 by aspect as in the ETRTO design guide
 * (values from memory); flotation and numeric 0.8 of the printed width.
 */
export function designRimIn(size: TireSize): number {
  if (size.aspect === undefined) return defaultMeasuringRimIn(size.nominalWidthMm);
  return Math.round(((designRimRatio(size.aspect) * size.nominalWidthMm) / MM_PER_IN) * 2) / 2;
}

function designRimRatio(aspect: number): number {
  if (aspect >= 75) return 0.7;
  if (aspect >= 60) return 0.75;
  if (aspect >= 50) return 0.8;
  return aspect >= 45 ? 0.85 : 0.9;
}

/**
 * Section width in mm on a rim of `fittedRimWidthIn`. Metric: nominal + 0.4 x (fitted - K1 x nominal).
 * Flotation and numeric: printed (numeric truck sizes 1.12 of it) + 0.4 x (fitted - measuring rim).
 */
export function sectionWidthMm(size: TireSize, fittedRimWidthIn: number): number {
  const fitted = fittedRimWidthIn * MM_PER_IN;
  const reference =
    size.aspect === undefined
      ? defaultMeasuringRimIn(size.nominalWidthMm) * MM_PER_IN
      : rimWidthRatio(size.aspect) * size.nominalWidthMm;
  const nominal = size.notation === 'numeric' ? numericWidthRatio(size) * size.nominalWidthMm : size.nominalWidthMm;
  return nominal + WIDTH_PER_RIM_WIDTH * (fitted - reference);
}
