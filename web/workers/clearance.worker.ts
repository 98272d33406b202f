import { expose } from 'comlink';
import { asCase } from '@/contracts/as-case';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { evaluateCase, type Evaluation } from '@/core/clearance/evaluate';
import { SectionShelf } from '@/core/clearance/section-shelf';
import { attempt, type Result } from '@/core/problem';

/** What the worker answers while a hand moves; errors cross as data. */
export interface ClearanceWorker {
  evaluate(file: LowgapFile): Result<Evaluation>;
}

/** What one change leaves as it was is not worked out again. */
const shelf = new SectionShelf();

const worker: ClearanceWorker = {
  evaluate: (file) => attempt(() => evaluateCase(asCase(file), {}, shelf)),
};

expose(worker);
