import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { JobStore } from '../stores/job';

/** Why a corner has no verdict: no baseline, nothing surveyed near its tire, something entered that cannot be, or none yet. */
export type Unjudged = 'notTaken' | 'noSurvey' | 'noVerdict' | 'notYet';

/** Of a corner that no verdict is known of. */
export function whyUnjudged(
  { document, evaluation, problems }: Pick<JobStore, 'document' | 'evaluation' | 'problems'>,
  key: CornerKey,
): Unjudged {
  const corner = document?.corners[key];
  if (!corner) return 'notTaken';
  if (evaluation || corner.obstacles.length === 0) return 'noSurvey';
  return problems.length > 0 ? 'noVerdict' : 'notYet';
}
