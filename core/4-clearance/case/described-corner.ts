import { ProblemError } from '../../1-base/problem';
import { setupForCorner, type CaseDescription } from './case-description';
import { CORNER_KEYS, type CornerKey } from '../../2-vehicle/setup/corner-key';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import { prepareCorner, type PreparedCorner } from './prepared-corner';
import { surveyedObstacles } from '../../3-survey/prepared/surveyed-obstacles';
import type { PreparedObstacle } from '../../3-survey/prepared/prepared-obstacle';

/** Where a corner's surveyed obstacles lie: worked out, or remembered. */
export type SurveyedPlaces = (key: CornerKey, corner: CornerDescription) => PreparedObstacle[];

/** Corners present in a description, in the usual order. @throws ProblemError when there is none. */
export function describedCorners(description: CaseDescription): CornerKey[] {
  const keys = CORNER_KEYS.filter((key) => description.corners[key] !== undefined);
  if (keys.length === 0) {
    throw new ProblemError({ code: 'missing', path: 'corners', expected: 'at least one corner', found: 'none' });
  }
  return keys;
}

/** One corner of a description, checked and filled in. @throws ProblemError; `notFound` when it is not there. */
export const prepareDescribed = (
  description: CaseDescription,
  key: CornerKey,
  survey: SurveyedPlaces = surveyedObstacles,
): PreparedCorner =>
  prepareCorner(
    key,
    describedCorner(description, key),
    setupForCorner(description, key),
    description.envelope,
    description.drawnEnvelope,
    survey,
  );

export function describedCorner(description: CaseDescription, key: CornerKey): CornerDescription {
  const corner = description.corners[key];
  if (!corner) {
    const have = CORNER_KEYS.filter((k) => description.corners[k] !== undefined).join(', ');
    throw new ProblemError({ code: 'notFound', path: `corners.${key}`, expected: `one of ${have}`, found: key });
  }
  return corner;
}
