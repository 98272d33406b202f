import type { JobStore } from '../stores/job';

/** What the rooms' bar says of the survey. */
export function surveyState(job: JobStore): string {
  const obstacles = job.corners.flatMap((key) => job.document?.corners[key]?.obstacles ?? []);
  const readings = obstacles.reduce((sum, own) => sum + (own.readings?.length ?? 0), 0);
  // Parts surveyed by position or from a scan have places and no readings.
  const traced = new Set(
    job.corners.flatMap((key) =>
      (job.document?.corners[key]?.photos ?? []).flatMap(({ traces }) => traces.map(({ of }) => `${key} ${of}`)),
    ),
  );
  const placed = obstacles.filter((own) => !own.readings?.length && own.shape).length;
  const parts = `${placed} part${placed === 1 ? '' : 's'}`;
  const seen = `${traced.size} edge${traced.size === 1 ? '' : 's'} traced`;
  if (readings === 0 && traced.size > 0) return seen;
  if (readings === 0) return placed > 0 ? `${parts} placed` : 'nothing yet';
  return placed > 0 ? `${readings} readings, ${parts}` : `${readings} readings`;
}
