import { wrap } from 'comlink';
import type { LowgapFile } from '@/contracts/lowgap-file';
import type { Evaluation } from '@/core/4-clearance/verdict/evaluate';
import type { Result } from '@/core/1-base/problem';
import type { ClearanceWorker } from './clearance.worker';
import { DocumentSender } from './document-wire';
import { NewestWins } from './newest-wins';
import { faultOf, faultResult } from './worker-fault';

/** Asks the worker for the verdict on the newest document, and never shows an older one after it. */
export class ClearanceClient {
  readonly #worker: Worker;
  readonly #asker: NewestWins<LowgapFile, Result<Evaluation>>;

  constructor(deliver: (answer: Result<Evaluation>, file: LowgapFile) => void) {
    this.#worker = new Worker(new URL('./clearance.worker.ts', import.meta.url), { type: 'module' });
    const remote = wrap<ClearanceWorker>(this.#worker);
    const sender = new DocumentSender();
    const fault = faultOf<Result<Evaluation>>(this.#worker);
    this.#asker = new NewestWins(
      (file) =>
        Promise.race([remote.evaluate(sender.wire(file)) as Promise<Result<Evaluation>>, fault]).catch(faultResult),
      deliver,
    );
  }

  ask(file: LowgapFile): void {
    this.#asker.ask(file);
  }

  /** Stops the worker; nothing more is delivered. */
  close(): void {
    this.#asker.forget();
    this.#worker.terminate();
  }
}
