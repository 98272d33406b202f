import { expose } from 'comlink';
import { asCase, type LowgapFile } from '@/contracts/lowgap-file';
import { evaluateCase, type Evaluation } from '@/core/clearance/evaluate';
import { attempt, type Result } from '@/core/problem';

/** What the worker answers; errors cross as data. */
export interface ClearanceWorker {
  evaluate(file: LowgapFile): Result<Evaluation>;
}

const worker: ClearanceWorker = { evaluate: (file) => attempt(() => evaluateCase(asCase(file))) };

expose(worker);
