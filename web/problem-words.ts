import { problemText as textOf } from '@/contracts/problems';
import type { Problem } from '@/core/1-base/problem';
import { useJobStore } from './stores/job';

/** A problem in a line, things called as they are in the open job. */
export const problemText = (problem: Problem): string => textOf(problem, useJobStore().document ?? undefined);
