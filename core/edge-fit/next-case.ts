import { setupForCorner, type CaseDescription, type CornerKey } from '../clearance/description';
import { describedCorner, prepareDescribed } from '../clearance/described-corner';
import { cornerVerdicts } from '../clearance/evaluate';
import { surveyScene } from '../clearance/landing';
import { SectionShelf } from '../clearance/section-shelf';
import { STANDARDS } from '../clearance/standard';
import { nextReadings, type NextReading } from './next-reading';

/** Readings that would narrow the low gap of one described corner most, best first. @throws ProblemError as `evaluateCase`. */
export function nextReadingsOf(
  description: CaseDescription,
  key: CornerKey,
  shelf = new SectionShelf(),
): NextReading[] {
  const corner = describedCorner(description, key);
  const prepared = prepareDescribed(description, key, shelf.survey);
  const finder = shelf.section(prepared, corner, setupForCorner(description, key));
  const verdicts = cornerVerdicts(prepared, STANDARDS[description.standard], {}, finder);
  return nextReadings(prepared, verdicts, surveyScene(key, corner));
}
