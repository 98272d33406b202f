import { seededRandom } from '@/core/1-base/numeric/seeded-random';
import type { Job, JobContent } from '@/contracts/job-api';
import { changesBetween } from '@/contracts/changes/diff';
import { demoJobs } from '@/demo/demo-jobs';
import { api } from '@/web/api';
import { Saver } from '@/web/saving/saver';
import type { Running } from './server-process';

export interface TogetherFound {
  readonly clients: number;
  readonly changes: number;
  readonly asked: number;
  /** Changes of a field of one's own that are not there at the end. */
  readonly lost: number;
  /** Clients whose job at the end is not the server's. */
  readonly unlike: number;
}

/**
 * So many clients with the browser's own saver in one job: each counts up a field of its own and now and then sets one that all
 * share, hearing of the others as a browser does; at the end all are looked at.
 */
export async function together(
  clients: number,
  seconds: number,
  server: Running,
  seed: number,
): Promise<TogetherFound> {
  const plainFetch = globalThis.fetch;
  // The client speaks to its own page's server; here there is no page.
  globalThis.fetch = (path, init) =>
    plainFetch(typeof path === 'string' && path.startsWith('/') ? server.base + path : path, init);
  try {
    const random = seededRandom(seed);
    const start: JobContent = JSON.parse(JSON.stringify({ ...demoJobs().at(-1)!, title: 'Together' }));
    start.document.corners.frontLeft!.typed = Object.fromEntries(
      Array.from({ length: clients }, (_, i) => [`client${i}`, '0']),
    );
    const made = await api.createJob(start);
    if (!made.ok) throw new Error('the job was not made');
    const { id } = made.value;
    const all = Array.from({ length: clients }, (_, i) => new Client(id, i, made.value));
    let changes = 0;
    const until = Date.now() + seconds * 1000;
    while (Date.now() < until) {
      for (const client of all) {
        if (random() < 0.3) changes += client.countUp(random() < 0.05 ? Math.round(60 * random()) : null);
      }
      await new Promise((resolve) => setTimeout(resolve, 200));
      await Promise.all(all.filter(() => random() < 0.5).map((client) => client.hear()));
    }
    for (let round = 0; round < 60 && all.some((client) => client.saver.isDirty); round++) {
      all.forEach((client) => client.settle());
      await new Promise((resolve) => setTimeout(resolve, 500));
    }
    await Promise.all(all.map((client) => client.hear()));
    const read = await api.readJob(id);
    if (!read.ok) throw new Error('the job was not read');
    const own = contentOf(read.value);
    return {
      clients,
      changes,
      asked: all.reduce((sum, client) => sum + client.asked, 0),
      lost: all.filter(
        (client) => own.document.corners.frontLeft!.typed![`client${client.index}`] !== String(client.count),
      ).length,
      unlike: all.filter((client) => changesBetween(client.content, own).length > 0).length,
    };
  } finally {
    globalThis.fetch = plainFetch;
  }
}

const contentOf = ({ title, customer, document }: Job): JobContent => ({ title, customer, document });

class Client {
  readonly index: number;
  readonly saver: Saver;
  content: JobContent;
  count = 0;
  asked = 0;
  readonly #id: string;

  constructor(id: string, index: number, job: Job) {
    this.#id = id;
    this.index = index;
    this.content = contentOf(job);
    let tokens = 0;
    this.saver = new Saver(
      id,
      `client-${index}`,
      { content: this.content, base: this.content, revision: job.revision, saves: [] },
      {
        send: (change, options) => api.changeJob(id, change, options),
        since: (revision) => api.jobChanges(id, revision),
        read: () => api.readJob(id),
        putDraft: async () => undefined,
        dropDraft: async () => undefined,
        newToken: () => `client-${index}-save-${tokens++}`,
        now: () => Date.now(),
        changed: () => undefined,
        adopt: (content) => void (this.content = content),
      },
    );
  }

  /** One change of its own field; of the shared one too, if there is a value for it. */
  countUp(shared: number | null): number {
    const document = structuredClone(this.content.document);
    document.corners.frontLeft!.typed![`client${this.index}`] = String(++this.count);
    if (shared !== null) document.setup!.spacerMm = shared;
    this.content = { ...this.content, document };
    this.saver.take(this.content);
    this.settle();
    return 1;
  }

  /** In a conflict the last one to choose keeps what is there. */
  settle(): void {
    if (this.saver.status.state !== 'conflict') return;
    this.asked++;
    this.saver.settle(() => 'theirs');
  }

  async hear(): Promise<void> {
    this.settle();
    const read = await api.jobChanges(this.#id, this.saver.revision);
    const last = read.ok ? read.value.since.at(-1)?.revision : undefined;
    if (last !== undefined) await this.saver.hear(last);
  }
}
