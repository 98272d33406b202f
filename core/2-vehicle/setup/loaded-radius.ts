import { tireSection, type TireSection } from '../tire/section';
import { loadedRadiusMm, sectionHeightMm, USUAL_DEFLECTION_SHARE } from '../tire/loaded-tire';
import { attempt } from '../../1-base/problem';
import type { CornerBaseline } from './corner-baseline';

/** What of a corner says how flat its tire stands. */
export type StandingCorner = Pick<CornerBaseline, 'fitted' | 'hubToLipMm' | 'groundToLipMm'>;

/** Ground to lip less hub to lip is the tire's loaded radius: between them the two heights must leave what the tire can be. */
export interface RadiusCheck {
  readonly loadedMm: number;
  readonly freeMm: number;
  readonly verdict: 'agrees' | 'tooTall' | 'tooFlat';
}

/**
 * Shares of the free radius between which a loaded tire at pressure stands. Working values of this project, no published
 * source: 3 % flat is common, 12 % is a tire gone soft; a tape read to a couple of millimeters may show 1 % over.
 */
const LOADED_SHARE = { least: 0.88, most: 1.01 } as const;

/** null: the heights, or what is fitted, do not say it. */
export function radiusCheck({ hubToLipMm, groundToLipMm, fitted }: StandingCorner): RadiusCheck | null {
  if (hubToLipMm === undefined || groundToLipMm === undefined) return null;
  const section = attempt(() => tireSection(fitted.tire, fitted.wheel.widthIn, ''));
  if (!section.ok) return null;
  const freeMm = section.value.diameterMm / 2;
  const loadedMm = groundToLipMm - hubToLipMm;
  const share = loadedMm / freeMm;
  const verdict = share > LOADED_SHARE.most ? 'tooTall' : share < LOADED_SHARE.least ? 'tooFlat' : 'agrees';
  return { loadedMm, freeMm, verdict };
}

/**
 * mm by which tires stand pressed flat on this corner: by the loaded radius of the one fitted, as measured on it or as its two heights
 * say where they agree, else by the usual share of its section height. Another tire under the same load at the same pressure gives by
 * about as much: that is why a fender rises by half the change of diameter. @throws ProblemError for a fitted tire that cannot be.
 */
export function cornerDeflectionMm(corner: StandingCorner): number {
  const { tire, wheel } = corner.fitted;
  const section = tireSection(tire, wheel.widthIn, 'fitted.tire');
  const check = radiusCheck(corner);
  const measured = tire.loadedRadiusMm ?? (check?.verdict === 'agrees' ? check.loadedMm : undefined);
  if (measured === undefined) return USUAL_DEFLECTION_SHARE * sectionHeightMm(section);
  return Math.max(0, section.diameterMm / 2 - measured);
}

/** Loaded radius, mm, of any tire on that corner: its own where measured, else pressed flat as the fitted one is. */
export const standingRadiusMm = (corner: StandingCorner, section: TireSection): number =>
  loadedRadiusMm(section, cornerDeflectionMm(corner));
