import { MessageChannel } from 'node:worker_threads';
import { Piscina } from 'piscina';
import type { FindRequest } from '@/contracts/finder-api';
import type { FinderResult } from '@/core/6-decisions/finder/session';
import type { Result } from '@/core/1-base/problem';
import type { FindNews } from './find-worker';

/** Searches that run at once in this process; the rest wait. */
export const THREADS = 2;

/** Threads that search, so that the server goes on answering. */
export class FindThreads {
  readonly #pool: Piscina;

  /** `worker` is the file each thread runs. */
  constructor(worker: URL, execArgv: readonly string[] = []) {
    this.#pool = new Piscina({
      filename: worker.href,
      minThreads: 0,
      maxThreads: THREADS,
      idleTimeout: 30_000,
      execArgv: [...execArgv],
    });
  }

  /** One search; `told` hears how far it is. Rejects when `signal` ends it or its thread breaks. */
  async run(request: FindRequest, signal: AbortSignal, told: (news: FindNews) => void): Promise<Result<FinderResult>> {
    const { port1, port2 } = new MessageChannel();
    port1.on('message', told);
    try {
      const { document, question } = request;
      return await this.#pool.run({ document, question, port: port2 }, { transferList: [port2], signal });
    } finally {
      port1.close();
    }
  }

  async close(): Promise<void> {
    await this.#pool.destroy();
  }
}
