import type { JobStore } from '../stores/job';

/** What the rooms' bar says of the test fits. */
export function testFitState({ document }: JobStore): string {
  const count = document?.testFits?.length ?? 0;
  return count === 0 ? 'none yet' : `${count} round${count === 1 ? '' : 's'}`;
}
