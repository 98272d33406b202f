import { setupForCorner, type CaseDescription } from '../../4-clearance/case/case-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { describedCorner, prepareDescribed } from '../../4-clearance/case/described-corner';
import { cornerVerdicts } from '../../4-clearance/verdict/evaluate';
import { SectionCache } from '../../4-clearance/search/section-cache';
import { STANDARDS } from '../../4-clearance/case/standard';
import { nextReadings, type NextReading } from './next-reading';

/** Readings that would narrow the low gap of one described corner most, best first. @throws ProblemError as `evaluateCase`. */
export function nextReadingsOf(
  description: CaseDescription,
  key: CornerKey,
  cache = new SectionCache(),
): NextReading[] {
  const corner = describedCorner(description, key);
  const prepared = prepareDescribed(description, key, cache.survey);
  const finder = cache.section(prepared, corner, setupForCorner(description, key));
  const verdicts = cornerVerdicts(prepared, STANDARDS[description.standard], {}, finder);
  return nextReadings(prepared, verdicts);
}
