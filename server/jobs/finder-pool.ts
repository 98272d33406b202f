import { randomUUID } from 'node:crypto';
import { MessageChannel } from 'node:worker_threads';
import { Piscina } from 'piscina';
import type { FindRequest, FindState } from '@/contracts/finder-api';
import type { FinderResult } from '@/core/6-decisions/finder/session';
import type { Result } from '@/core/1-base/problem';
import type { FindNews } from './find-worker';

/** Searches kept, running or done; the oldest that is not running is let go of. */
const MOST_KEPT = 20;

/** Searches running or waiting for a thread. */
export const MOST_UNDER_WAY = 20;

interface Run {
  state: FindState;
  readonly abort: AbortController;
}

/** Long searches on threads of their own, so that the server goes on answering. */
export class FinderPool {
  readonly #pool: Piscina;
  readonly #runs = new Map<string, Run>();

  /** `worker` is the file each thread runs. */
  constructor(worker: URL, execArgv: readonly string[] = []) {
    this.#pool = new Piscina({
      filename: worker.href,
      minThreads: 0,
      maxThreads: 2,
      idleTimeout: 30_000,
      execArgv: [...execArgv],
    });
  }

  /** null: so many are under way that one more would not be looked at for minutes. */
  start(request: FindRequest): FindState | null {
    const underWay = [...this.#runs.values()].filter(({ state }) => state.state === 'running').length;
    if (underWay >= MOST_UNDER_WAY) return null;
    const id = randomUUID();
    const { port1, port2 } = new MessageChannel();
    const abort = new AbortController();
    const run: Run = { state: { id, state: 'running', done: 0, total: 1, combinations: 0, problems: [] }, abort };
    this.#keep(id, run);
    port1.on('message', ({ done, total, combinations }: FindNews) => {
      if (run.state.state === 'running') run.state = { ...run.state, done, total, combinations };
    });
    this.#pool
      .run({ ...request, port: port2 }, { transferList: [port2], signal: abort.signal })
      .then((answered: Result<FinderResult>) => {
        const { total } = run.state;
        run.state = answered.ok
          ? { ...run.state, state: 'done', done: total, result: answered.value }
          : { ...run.state, state: 'refused', problems: [...answered.problems] };
      })
      .catch(() => {
        run.state = { ...run.state, state: abort.signal.aborted ? 'canceled' : 'failed' };
      })
      .finally(() => port1.close());
    return run.state;
  }

  state(id: string): FindState | null {
    return this.#runs.get(id)?.state ?? null;
  }

  /** Ends a search, or forgets one that is done; false: there is none of that name. */
  cancel(id: string): boolean {
    const run = this.#runs.get(id);
    if (!run) return false;
    if (run.state.state === 'running') run.abort.abort();
    else this.#runs.delete(id);
    return true;
  }

  async close(): Promise<void> {
    for (const { abort } of this.#runs.values()) abort.abort();
    await this.#pool.destroy();
  }

  #keep(id: string, run: Run): void {
    this.#runs.set(id, run);
    for (const [known, { state }] of this.#runs) {
      if (this.#runs.size <= MOST_KEPT) break;
      if (state.state !== 'running') this.#runs.delete(known);
    }
  }
}
