import type { Change, ChangeSet } from '@/contracts/changes/change';
import { changesBetween } from '@/contracts/changes/diff';
import { merged } from '@/contracts/changes/merge';
import type { Job, JobChange, JobContent } from '@/contracts/job-api';
import { demoJobs } from '@/demo/demo-jobs';

export const ID = '11111111-1111-4111-8111-111111111111';

const SINCE = '2026-01-05T08:00:00.000Z';

/** A job server in memory, as a stand-in for `fetch`: it keeps saves as the real one does, and can be away, ill or slow. */
export class FakeServer {
  job: Job = { id: ID, revision: 1, createdAt: SINCE, updatedAt: SINCE, ...plain(demoJobs().at(-1)!) };
  /** Every save, oldest first. */
  sets: ChangeSet[] = [];
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
  readonly writes: JobChange[] = [];
  readonly keptAlive: JobChange[] = [];

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
    const since = /changes\?since=(\d+)$/.exec(path);
    if (since) return json(200, { since: this.#since(Number(since[1])) });
    if (init.method === 'GET') return json(200, this.job);
    const change = JSON.parse(String(init.body)) as JobChange;
    (init.keepalive ? this.keptAlive : this.writes).push(change);
    await this.holds;
    const answer = this.take(change);
    if (this.losesAnswers) throw new TypeError('connection reset');
    return answer;
  };

  /** Somebody else saves a job that `edit` changed. */
  somebodySaves(edit: (content: JobContent) => void, save = `other-${this.sets.length}`): void {
    const content = JSON.parse(JSON.stringify(this.#content())) as JobContent;
    edit(content);
    this.take({ revision: this.job.revision, save, changes: changesBetween(this.#content(), content) });
  }

  take({ revision, save, changes }: JobChange): Response {
    const since = this.#since(revision);
    if (!since.some((set) => set.save === save)) {
      const before = this.#content();
      const { value, clashes } = merged(before, changes);
      if (clashes.length > 0) {
        return json(409, {
          problems: [{ code: 'conflict', path: 'revision', expected: '', found: '' }],
          clashes,
          since,
        });
      }
      const effective: Change[] = changesBetween(before, value);
      if (effective.length > 0) {
        this.job = { ...this.job, ...value, revision: this.job.revision + 1 };
        this.sets.push({
          revision: this.job.revision,
          changes: effective,
          save,
          by: null,
          at: '',
        });
      }
    }
    return json(200, { revision: this.job.revision, updatedAt: '', since: this.#since(revision) });
  }

  #content(): JobContent {
    const { title, customer, document } = this.job;
    return { title, customer, document };
  }

  #since(revision: number): ChangeSet[] {
    return this.sets.filter((set) => set.revision > revision);
  }

  #never({ signal }: RequestInit): Promise<Response> {
    return new Promise((_, reject) => signal?.addEventListener('abort', () => reject(new TypeError('aborted'))));
  }
}

/** The part of a response that is read; jsdom has none of its own. */
const json = (status: number, body: unknown): Response =>
  ({ status, ok: status < 300, json: async () => JSON.parse(JSON.stringify(body)) as unknown }) as Response;

/** By way of text: under Jest `structuredClone` makes objects of another realm, which are never taken for the same. */
const plain = <T>(of: T): T => JSON.parse(JSON.stringify(of)) as T;
