import type { Job, JobUpdate } from '@/contracts/job-api';
import { demoJobs } from '@/demo/demo-jobs';

export const ID = '11111111-1111-4111-8111-111111111111';

/** A job server in memory, as a stand-in for `fetch`: it keeps revisions as the real one does, and can be away, ill or slow. */
export class FakeServer {
  job: Job = { id: ID, revision: 1, createdAt: '', updatedAt: '', ...structuredClone(demoJobs().at(-1)!) };
  /** No answer at all. */
  away = false;
  /** Takes what is sent, and the answer gets lost. */
  losesAnswers = false;
  /** Never answers. */
  hangs = false;
  /** Answers with a fault of its own. */
  faulty: number | null = null;
  /** Answers only once this resolves. */
  holds: Promise<void> | null = null;
  readonly writes: JobUpdate[] = [];
  readonly keptAlive: JobUpdate[] = [];

  /** The shop's rates. */
  shop: unknown = null;

  readonly fetch = async (path: string, init: RequestInit): Promise<Response> => {
    if (this.away) throw new TypeError('fetch failed');
    if (this.hangs) return this.#never(init);
    if (this.faulty !== null) return json(this.faulty, { problems: [] });
    if (path === '/api/shop') {
      if (init.method === 'PUT') this.shop = (JSON.parse(String(init.body)) as { terms: unknown }).terms;
      return json(200, { terms: this.shop });
    }
    if (init.method === 'GET') return json(200, this.job);
    const update = JSON.parse(String(init.body)) as JobUpdate;
    (init.keepalive ? this.keptAlive : this.writes).push(update);
    await this.holds;
    const answer = this.#take(update);
    if (this.losesAnswers) throw new TypeError('connection reset');
    return answer;
  };

  #take({ revision, save, ...content }: JobUpdate): Response {
    const isOwn = save !== undefined && this.job.savedBy === save;
    if (revision !== this.job.revision && !isOwn) {
      const problems = [{ code: 'conflict', path: 'revision', expected: '', found: '' }];
      return json(409, { problems, job: this.job });
    }
    this.job = { ...this.job, ...content, revision: this.job.revision + 1, savedBy: save ?? null };
    return json(200, this.job);
  }

  #never({ signal }: RequestInit): Promise<Response> {
    return new Promise((_, reject) => signal?.addEventListener('abort', () => reject(new TypeError('aborted'))));
  }
}

/** The part of a response that is read; jsdom has none of its own. */
const json = (status: number, body: unknown): Response =>
  ({ status, ok: status < 300, json: async () => JSON.parse(JSON.stringify(body)) as unknown }) as Response;
