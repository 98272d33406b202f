import type { JobStore } from '../stores/job';

/** What the rooms' bar says of the survey. */
export function surveyState(job: JobStore): string {
  const obstacles = job.corners.flatMap((key) => job.document?.corners[key]?.obstacles ?? []);
  return `${obstacles.reduce((sum, { readings = [] }) => sum + readings.length, 0)} readings`;
}
