import type { JobStore } from '../stores/job';

/** What the rooms' bar says of the baseline. */
export const baselineState = (job: JobStore): string => `${job.corners.length} of 4 corners`;
