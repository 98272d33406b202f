import { expose } from 'comlink';
import { asCase } from '@/contracts/as-case';
import { evaluateCase, type Evaluation } from '@/core/4-clearance/verdict/evaluate';
import { SectionCache } from '@/core/4-clearance/search/section-cache';
import { attempt, type Result } from '@/core/1-base/problem';
import { DocumentReceiver, type WiredFile } from './document-wire';

/** What the worker answers while a hand moves; errors cross as data. */
export interface ClearanceWorker {
  evaluate(file: WiredFile): Result<Evaluation>;
}

/** What one change leaves as it was is not worked out again. */
const cache = new SectionCache();
const receiver = new DocumentReceiver();

export const worker: ClearanceWorker = {
  evaluate: (file) => {
    const whole = receiver.unwire(file);
    return attempt(() => evaluateCase(asCase(whole), {}, cache));
  },
};

expose(worker);
