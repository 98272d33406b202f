import { formatMm } from '@/core/1-base/units/length';
import type { JobStore } from '../stores/job';

/** What the rooms' bar says of the finder. */
export function finderState({ document }: JobStore): string {
  const kept = document?.finder?.kept;
  if (!kept) return 'not asked yet';
  return kept.rows.length ? `up to ${formatMm(kept.rows[0]!.diameterMm, 0)} mm` : 'nothing found';
}
