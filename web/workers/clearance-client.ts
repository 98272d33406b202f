import { wrap, type Remote } from 'comlink';
import type { LowgapFile } from '@/contracts/lowgap-file';
import type { Evaluation } from '@/core/clearance/evaluate';
import type { Result } from '@/core/problem';
import type { ClearanceWorker } from './clearance.worker';

/**
 * Asks the worker about the newest document only: while one answer is under way, later requests replace each
 * other, and an answer to an outdated document is dropped.
 */
export class ClearanceClient {
  readonly #worker: Worker;
  readonly #remote: Remote<ClearanceWorker>;
  readonly #deliver: (answer: Result<Evaluation>) => void;
  #waiting: LowgapFile | null = null;
  #busy = false;

  constructor(deliver: (answer: Result<Evaluation>) => void) {
    this.#worker = new Worker(new URL('./clearance.worker.ts', import.meta.url), { type: 'module' });
    this.#remote = wrap<ClearanceWorker>(this.#worker);
    this.#deliver = deliver;
    this.#worker.addEventListener('error', (event) => {
      this.#busy = false;
      deliver({
        ok: false,
        problems: [
          { code: 'internal', path: '', expected: 'an answer from the engine', found: event.message || 'a fault' },
        ],
      });
    });
  }

  ask(file: LowgapFile): void {
    this.#waiting = file;
    if (!this.#busy) void this.#next();
  }

  /** Stops the worker; nothing more is delivered. */
  close(): void {
    this.#waiting = null;
    this.#worker.terminate();
  }

  async #next(): Promise<void> {
    while (this.#waiting) {
      const file = this.#waiting;
      this.#waiting = null;
      this.#busy = true;
      try {
        const answer = await this.#remote.evaluate(file);
        if (this.#waiting) continue;
        this.#deliver(answer as Result<Evaluation>);
        // Once the hand rests, the answer that depends on nothing seen before.
        const settled = await this.#remote.evaluateAfresh(file);
        if (!this.#waiting) this.#deliver(settled as Result<Evaluation>);
      } catch (error) {
        const found = error instanceof Error ? error.message : String(error);
        this.#deliver({
          ok: false,
          problems: [{ code: 'internal', path: '', expected: 'an answer from the engine', found }],
        });
      } finally {
        this.#busy = false;
      }
    }
  }
}
