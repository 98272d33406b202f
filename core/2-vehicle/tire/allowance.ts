import { sectionHeightMm, USUAL_DEFLECTION_SHARE } from './loaded-tire';
import { NO_ALLOWANCE, type SectionAllowance, type TireSection } from './section';

/** What a tire may be beyond its free section, as entered; mm, each 0 by default. */
export interface TireAllowances {
  /** The tire may come out this much taller in radius, ... */
  readonly radiusToleranceMm?: number | undefined;
  /** ... and this much wider a side. */
  readonly sideToleranceMm?: number | undefined;
  /** Growth of the radius in service and at speed. */
  readonly growthMm?: number | undefined;
  /** Lugs that stand out beyond the sidewall. */
  readonly lugsMm?: number | undefined;
  /** Rib that guards the rim flange, beyond the flange's face. */
  readonly rimProtectorMm?: number | undefined;
  /** Room for a snow chain off the tread and off the sidewall. */
  readonly chain?: { readonly treadMm: number; readonly sidewallMm: number } | undefined;
}

/** What a tire's own making and growth say, beyond its section. */
export type TireMaking = Pick<TireAllowances, 'radiusToleranceMm' | 'sideToleranceMm' | 'growthMm'>;

/** Common allowances, with what a tire says of itself in their place. */
export function allowancesOf(
  { radiusToleranceMm, sideToleranceMm, growthMm }: TireMaking,
  common: TireAllowances | undefined,
): TireAllowances | undefined {
  const own = Object.entries({ radiusToleranceMm, sideToleranceMm, growthMm }).filter(([, mm]) => mm !== undefined);
  return own.length > 0 ? { ...common, ...Object.fromEntries(own) } : common;
}

/** The allowances as one widening of the section. Where tread and sidewall meet both apply: docs/method.md. */
export function sectionAllowance(entered: TireAllowances = {}): SectionAllowance {
  const { radiusToleranceMm = 0, sideToleranceMm = 0, growthMm = 0, lugsMm = 0, rimProtectorMm = 0, chain } = entered;
  return {
    ...NO_ALLOWANCE,
    radialMm: radiusToleranceMm + growthMm + (chain?.treadMm ?? 0),
    lateralMm: sideToleranceMm + lugsMm + (chain?.sidewallMm ?? 0),
    flangeMm: rimProtectorMm,
  };
}

/** Bulge of each sidewall near the ground over that deflection. Working value of this project. */
const BULGE_SHARE = 0.4;

/** rad: the loaded shape stands for the part of the tire this close to straight down. */
export const LOADED_HALF_ANGLE = (35 * Math.PI) / 180;

/** mm by which each sidewall stands further out near the ground. */
export const loadedBulgeMm = (section: TireSection): number =>
  BULGE_SHARE * USUAL_DEFLECTION_SHARE * sectionHeightMm(section);
