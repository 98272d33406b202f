import type { LowgapFile } from '@/contracts/lowgap-file';
import type { Evaluation } from '@/core/4-clearance/verdict/evaluate';
import type { Result } from '@/core/1-base/problem';
import type { ClearanceWorker } from './clearance.worker';
import { WorkerLink } from './worker-link';

/** Asks the worker for the verdict on the newest document, and never shows an older one after it. */
export class ClearanceClient {
  readonly #link = new WorkerLink<ClearanceWorker>(
    () => new Worker(new URL('./clearance.worker.ts', import.meta.url), { type: 'module' }),
  );
  readonly ask: (file: LowgapFile) => void;

  constructor(deliver: (answer: Result<Evaluation>, file: LowgapFile) => void) {
    this.ask = this.#link.newest(({ remote, wire }, file) => remote.evaluate(wire(file)), deliver);
    // Ready by the time the document is there.
    this.#link.start();
  }

  /** Stops the worker; nothing more is delivered. */
  close(): void {
    this.#link.close();
  }
}
