import { randomUUID } from 'node:crypto';
import type { FindRequest, FindState } from '@/contracts/finder-api';
import type { FindThreads } from './find-threads';
import { MOST_UNDER_WAY, type Searches, type UnderWay } from './searches';

/** Searches kept, running or done; the oldest that is over is let go of. */
const MOST_KEPT = 20;

interface Run {
  state: FindState;
  readonly abort: AbortController;
}

const isUnderWay = ({ state }: FindState): boolean => state === 'running' || state === 'waiting';

/** The searches of a process that is alone on its database. */
export class SearchesHere implements Searches {
  readonly #threads: FindThreads;
  readonly #runs = new Map<string, Run>();

  constructor(threads: FindThreads) {
    this.#threads = threads;
  }

  async start(request: FindRequest): Promise<FindState | null> {
    const { running, waiting } = await this.underWay();
    if (running + waiting >= MOST_UNDER_WAY) return null;
    const id = randomUUID();
    const abort = new AbortController();
    const run: Run = {
      state: { id, state: 'waiting', ahead: 0, done: 0, total: 1, combinations: 0, problems: [] },
      abort,
    };
    this.#keep(id, run);
    this.#threads
      .run(request, abort.signal, (news) => {
        if (isUnderWay(run.state)) run.state = { ...run.state, ...news, state: 'running' };
      })
      .then((answered) => {
        const { total } = run.state;
        run.state = answered.ok
          ? { ...run.state, state: 'done', done: total, result: answered.value }
          : { ...run.state, state: 'refused', problems: [...answered.problems] };
      })
      .catch(() => {
        run.state = { ...run.state, state: abort.signal.aborted ? 'canceled' : 'failed' };
      });
    return this.state(id);
  }

  async state(id: string): Promise<FindState | null> {
    const run = this.#runs.get(id);
    if (!run) return null;
    // In the order they were asked in.
    const waiting = [...this.#runs.values()].filter(({ state }) => state.state === 'waiting');
    return { ...run.state, ahead: Math.max(0, waiting.indexOf(run)) };
  }

  async cancel(id: string): Promise<boolean> {
    const run = this.#runs.get(id);
    if (!run) return false;
    if (isUnderWay(run.state)) run.abort.abort();
    else this.#runs.delete(id);
    return true;
  }

  async underWay(): Promise<UnderWay> {
    const count = (of: FindState['state']): number =>
      [...this.#runs.values()].filter(({ state }) => state.state === of).length;
    return { running: count('running'), waiting: count('waiting') };
  }

  async close(): Promise<void> {
    for (const { abort } of this.#runs.values()) abort.abort();
    await this.#threads.close();
  }

  #keep(id: string, run: Run): void {
    this.#runs.set(id, run);
    for (const [known, { state }] of this.#runs) {
      if (this.#runs.size <= MOST_KEPT) break;
      if (!isUnderWay(state)) this.#runs.delete(known);
    }
  }
}
