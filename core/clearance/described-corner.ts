import { ProblemError } from '../problem';
import {
  CORNER_KEYS,
  setupForCorner,
  type CaseDescription,
  type CornerDescription,
  type CornerKey,
} from './description';
import { prepareCorner, surveyedObstacles, type PreparedCorner } from './prepare';
import type { PreparedObstacle } from './survey';

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
