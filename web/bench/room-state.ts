import type { Verdict } from '@/core/4-clearance/case/standard';
import type { JobStore } from '../stores/job';

/** What the rooms' bar says of the bench. */
export function benchState(job: JobStore): string {
  if (!job.document?.setup) return 'nothing tried yet';
  if (job.problems.length) return 'no verdict';
  const { obstacles, lowGap } = job.evaluation ?? { obstacles: [], lowGap: null };
  const count = (verdict: Verdict): number => obstacles.filter((o) => o.verdict === verdict).length;
  if (count('rubs')) return `${count('rubs')} rub${count('rubs') === 1 ? 's' : ''}`;
  if (count('tooClose')) return `${count('tooClose')} too close`;
  return lowGap && lowGap.verdict !== 'notKnown' ? 'nothing rubs' : 'not known';
}
