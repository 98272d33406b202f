import type { JobStore } from '../stores/job';

/** What the rooms' bar says of the bench. */
export function benchState(job: JobStore): string {
  if (!job.document?.setup) return 'nothing tried yet';
  if (job.problems.length) return 'no verdict';
  const failing = job.evaluation?.obstacles.filter((o) => o.verdict === 'rubs').length ?? 0;
  return failing ? `${failing} rub${failing === 1 ? 's' : ''}` : 'nothing rubs';
}
