import { CORNER_KEYS } from '@/core/2-vehicle/setup/corner-key';
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
  if (!lowGap || lowGap.verdict === 'notKnown') return 'not known';
  const silent = CORNER_KEYS.filter((key) => !obstacles.some(({ corner }) => corner === key)).length;
  return silent > 0 ? `clear at ${4 - silent} of 4` : 'nothing rubs';
}
