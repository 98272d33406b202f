import { joinPath, ProblemError } from '../../1-base/problem';
import { bothUnits } from '../../1-base/units/length';
import type { TireDescription } from './dimensions';
import { rollingOfRevolutionsMm } from './rolling';
import { parseTireSize } from './size';
import type { Shoulder, TireKind } from './tire-kind';

/** Shoulder radius over section height, by picture. Working values of this project. */
const SHOULDER_RADIUS_RATIO: Readonly<Record<Shoulder, number>> = { round: 0.14, usual: 0.1, square: 0.044 };

/**
 * What a kind has of the usual tread width, and its shoulder radius over section height. Working values, set by a 35x12.50: tread
 * about 259 mm with a shoulder of 10 for mud, 200 to 230 with 25 and more for the highway (common practice, no source).
 */
const KIND_SHAPE: Readonly<Record<TireKind, { readonly treadShare: number; readonly radiusRatio: number }>> = {
  highway: { treadShare: 0.928, radiusRatio: 0.11 },
  allTerrain: { treadShare: 1, radiusRatio: SHOULDER_RADIUS_RATIO.usual },
  mud: { treadShare: 1.044, radiusRatio: SHOULDER_RADIUS_RATIO.square },
};

/** Tread width over section width: 1.075 - aspect/200, at least 0.78 (off-road tires). docs/method.md. */
export const treadWidthRatio = (aspect: number): number => Math.max(0.78, 1.075 - aspect / 200);

/** mm: a tread as wide as the section would leave its sidewall no arc. */
const LEAST_SIDEWALL_MM = 0.5;

/** Of the height from the widest place to the shoulder: a tread further in than this has no sidewall arc up to it. */
const MOST_INSET_SHARE = 0.9;

/** Heights of a section over the spin axis, and its width, mm. */
export interface SectionFrame {
  readonly heightMm: number;
  readonly widthMm: number;
  /** From the widest place up to the crown. */
  readonly upperMm: number;
}

export interface TreadShape {
  readonly treadWidthMm: number;
  readonly shoulderRadiusMm: number;
}

/**
 * Tread (flat, edge to edge) and shoulder radius of a tire, mm: as measured, else by the picture of its shoulder, else by its kind, else as
 * usual.
 * @throws ProblemError for a measured tread or shoulder that this section cannot have.
 */
export function treadShape(tire: TireDescription, frame: SectionFrame, path = ''): TreadShape {
  const { heightMm, widthMm, upperMm } = frame;
  const { treadShare, radiusRatio } = KIND_SHAPE[tire.kind ?? 'allTerrain'];
  const ratio = tire.shoulder === undefined ? radiusRatio : SHOULDER_RADIUS_RATIO[tire.shoulder];
  const shoulderRadiusMm = tire.shoulderRadiusMm ?? ratio * heightMm;
  requireWithin(shoulderRadiusMm, 0, 0.3 * heightMm, joinPath(path, 'shoulderRadiusMm'), 'a shoulder radius');
  const most = widthMm - LEAST_SIDEWALL_MM;
  const least = Math.max(2 * shoulderRadiusMm, widthMm - 2 * MOST_INSET_SHARE * (upperMm - shoulderRadiusMm));
  if (tire.treadWidthMm !== undefined) {
    requireWithin(tire.treadWidthMm, least, most, joinPath(path, 'treadWidthMm'), 'a tread width');
    return { treadWidthMm: tire.treadWidthMm, shoulderRadiusMm };
  }
  const usual = treadShare * treadWidthRatio((100 * heightMm) / widthMm) * widthMm;
  return { treadWidthMm: Math.min(most, Math.max(least, usual)), shoulderRadiusMm };
}

function requireWithin(value: number, least: number, most: number, path: string, what: string): void {
  if (value >= least && value <= most) return;
  throw new ProblemError({
    code: 'outOfRange',
    path,
    expected: `${what} of ${bothUnits(least)} to ${bothUnits(most)} on this section`,
    found: bothUnits(value),
  });
}

/** How far a section reaches at 45 degrees over its shoulder, mm from where crown and centre plane would meet the axis. */
export const shoulderReachMm = ({ treadWidthMm, shoulderRadiusMm }: TreadShape): number =>
  (treadWidthMm / 2 - 2 * shoulderRadiusMm) / Math.SQRT2 + shoulderRadiusMm;

/** mm by which a flotation tire measures under its printed diameter: 0.2 to 0.5 in (common practice, no source), in the middle. */
export const USUAL_UNDER_PRINT_MM = 9;

/** A fitted tire with what it is taken to measure under its print, where it is a flotation tire that nobody measured: gaps are read off what it really is. */
export function underPrint<T extends TireDescription>(tire: T): T {
  const { underPrintMm, ...rest } = tire;
  if (parseTireSize(tire.size).printedDiameterMm === undefined) return rest as T;
  return tire.measuredDiameterMm === undefined ? { ...tire, underPrintMm: underPrintMm ?? USUAL_UNDER_PRINT_MM } : tire;
}

const TIRE_KEYS = [
  'measuredDiameterMm',
  'measuredWidthMm',
  'underPrintMm',
  'kind',
  'treadWidthMm',
  'shoulder',
  'shoulderRadiusMm',
  'lugsMm',
  'rimProtectorMm',
  'loadedRadiusMm',
  'rollingMm',
] as const satisfies readonly (keyof TireDescription)[];

/** The tire itself of something that says more of it, such as a line of a catalogue; turns in a kilometre are its way of one turn. */
export function tireOf(item: TireDescription & { readonly revolutionsPerKm?: number | undefined }): TireDescription {
  const { revolutionsPerKm } = item;
  const known =
    revolutionsPerKm === undefined ? item : { rollingMm: rollingOfRevolutionsMm(revolutionsPerKm), ...item };
  const said = TIRE_KEYS.filter((key) => known[key] !== undefined).map((key) => [key, known[key]]);
  return { size: item.size, ...(Object.fromEntries(said) as Omit<TireDescription, 'size'>) };
}
