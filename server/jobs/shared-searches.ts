import { randomUUID } from 'node:crypto';
import PgBoss from 'pg-boss';
import type { FindRequest, FindState } from '@/contracts/finder-api';
import type { SearchRepository } from '../db/search-repository';
import { THREADS, type FindThreads } from './find-threads';
import type { FindNews } from './find-worker';
import { MOST_UNDER_WAY, type Searches, type UnderWay } from './searches';

const QUEUE = 'finder';

/** Times a search is begun again after its process died or was ended, before it is given up. */
const MOST_AGAIN = 3;

/** s between two looks into the queue by a process that nobody woke. */
const LOOK_S = 2;

/** ms between two words of a search under way, and between two looks for those that fell silent. */
const BEAT_MS = 1000;
const WATCH_MS = 5000;

/** ms that the queue is given to take back what runs here. */
const STOP_MS = 10_000;

/** s of silence after which a search's process counts as dead, and s for which a search is kept. */
const SILENCE_S = 15;
const KEPT_S = 3600;

export interface SharedParts {
  readonly rows: SearchRepository;
  /** Asks PostgreSQL itself; the queue writes its own statements. */
  readonly ask: PgBoss.Db['executeSql'];
  readonly threads: FindThreads;
  readonly onFault: (error: unknown) => void;
}

/**
 * Searches of all processes on one PostgreSQL server. Who runs which is pg-boss's to say; what was asked, how far it is and what came
 * of it are rows that every process reads. A search whose process dies is begun again by another.
 */
export class SharedSearches implements Searches {
  readonly #parts: SharedParts;
  readonly #boss: PgBoss;
  readonly #running = new Map<string, AbortController>();
  #workers: readonly string[] = [];
  #watch: ReturnType<typeof setInterval> | undefined;
  #isClosing = false;

  private constructor(parts: SharedParts) {
    this.#parts = parts;
    this.#boss = new PgBoss({
      db: { executeSql: parts.ask },
      schema: 'search_queue',
      schedule: false,
      deleteAfterHours: 1,
    });
    this.#boss.on('error', parts.onFault);
  }

  /** Lays the queue's tables where there are none: by one process at a time. */
  static async open(parts: SharedParts): Promise<SharedSearches> {
    const opened = new SharedSearches(parts);
    await opened.#begin();
    return opened;
  }

  async #begin(): Promise<void> {
    await this.#boss.start();
    await this.#boss.createQueue(QUEUE);
    this.#workers = await Promise.all(
      Array.from({ length: THREADS }, () =>
        this.#boss.work(QUEUE, { batchSize: 1, pollingIntervalSeconds: LOOK_S }, ([job]) => this.#run(job!.id)),
      ),
    );
    this.#watch = setInterval(() => void this.#lookAfter().catch(this.#parts.onFault), WATCH_MS).unref();
  }

  async start(request: FindRequest): Promise<FindState | null> {
    const id = randomUUID();
    if (!(await this.#parts.rows.add(id, request, MOST_UNDER_WAY))) return null;
    await this.#queue(id);
    this.#workers.forEach((worker) => this.#boss.notifyWorker(worker));
    return this.state(id);
  }

  state(id: string): Promise<FindState | null> {
    return this.#parts.rows.state(id);
  }

  async cancel(id: string): Promise<boolean> {
    const { rows } = this.#parts;
    if (!(await rows.write(id, { state: 'canceled' }))) return rows.forget(id);
    // Another process that runs it hears of it at its next word.
    this.#running.get(id)?.abort();
    return true;
  }

  underWay(): Promise<UnderWay> {
    return this.#parts.rows.underWay();
  }

  /** What runs here is handed back: another process begins it again. */
  async close(): Promise<void> {
    this.#isClosing = true;
    clearInterval(this.#watch);
    const stopped = this.#boss.stop({ graceful: true, wait: true, timeout: STOP_MS });
    for (const abort of this.#running.values()) abort.abort();
    await stopped;
    await this.#parts.threads.close();
  }

  async #queue(id: string): Promise<void> {
    await this.#boss.send(QUEUE, {}, { id, retryLimit: MOST_AGAIN, retryDelay: 0, expireInHours: 2 });
  }

  /** One search, as the queue hands it out. Rejects where it must be begun again. */
  async #run(id: string): Promise<void> {
    if (this.#isClosing) throw new Error('to be begun elsewhere');
    const { rows, threads, onFault } = this.#parts;
    const request = await rows.begun(id);
    if (!request) return;
    const abort = new AbortController();
    this.#running.set(id, abort);
    let news: FindNews = { done: 0, total: 1, combinations: 0 };
    const beat = setInterval(() => {
      // Nothing to write to: somebody put an end to it.
      rows.write(id, news).then((isWritten) => isWritten || abort.abort(), onFault);
    }, BEAT_MS);
    try {
      const answered = await threads.run(request, abort.signal, (latest) => (news = latest));
      await rows.write(
        id,
        answered.ok
          ? { ...news, state: 'done', done: news.total, result: answered.value }
          : { state: 'refused', problems: [...answered.problems] },
      );
    } catch (error) {
      if (!this.#isClosing && abort.signal.aborted) return;
      await rows.write(id, { state: 'waiting' });
      throw new Error('to be begun again', { cause: error });
    } finally {
      clearInterval(beat);
      this.#running.delete(id);
    }
  }

  /** Searches that fell silent are given to another process; those long over are let go of. */
  async #lookAfter(): Promise<void> {
    const { rows } = this.#parts;
    await rows.forgetOlder(KEPT_S);
    for (const id of await rows.silent(SILENCE_S)) {
      const queued = await this.#boss.getJobById(QUEUE, id);
      // Its process died before it was queued.
      if (!queued) await this.#queue(id);
      else if (queued.state === 'active') await this.#boss.fail(QUEUE, id);
      const { state } = (await this.#boss.getJobById(QUEUE, id)) ?? {};
      if (state === 'failed') await rows.write(id, { state: 'failed' });
    }
  }
}
