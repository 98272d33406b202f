import { setupForCorner, type CaseDescription } from '../../4-clearance/case/case-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { describedCorner, describedCorners, prepareDescribed } from '../../4-clearance/case/described-corner';
import { SectionCache } from '../../4-clearance/search/section-cache';
import { STANDARDS } from '../../4-clearance/case/standard';
import { cornerSpread, type CornerSpread, type SpreadOptions } from './spread';

/** The spread of one described corner. @throws ProblemError for anything the engine cannot take. */
export function cornerSpreadOf(
  description: CaseDescription,
  key: CornerKey,
  options: Omit<SpreadOptions, 'drawn'> = {},
  cache = new SectionCache(),
): CornerSpread {
  const fit = { corner: describedCorner(description, key), setup: setupForCorner(description, key) };
  const corner = prepareDescribed(description, key, cache.survey);
  const finder = cache.section(corner, fit.corner, fit.setup);
  const { envelope, standard, drawnEnvelope } = description;
  const all = { ...options, drawn: drawnEnvelope };
  return cornerSpread(key, fit, envelope, STANDARDS[standard], all, { corner, finder });
}

/** The spread of every described corner. @throws ProblemError for anything the engine cannot take. */
export const spreadCase = (
  description: CaseDescription,
  options: Omit<SpreadOptions, 'drawn'> = {},
  cache = new SectionCache(),
): CornerSpread[] => describedCorners(description).map((key) => cornerSpreadOf(description, key, options, cache));
