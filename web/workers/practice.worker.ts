import { expose } from 'comlink';
import { practiceTask, type PracticeLevel, type PracticeTask } from '@/core/6-decisions/practice/task';
import { attempt, type Result } from '@/core/1-base/problem';

/** Makes practice tasks off the main thread. */
export interface PracticeWorker {
  make(level: PracticeLevel, seed: number): Result<PracticeTask>;
}

export const worker: PracticeWorker = { make: (level, seed) => attempt(() => practiceTask(level, seed)) };

expose(worker);
