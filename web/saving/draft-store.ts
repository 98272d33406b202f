import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { JobContent } from '@/contracts/job-api';

/** A job as it stood when it was last put away here, on top of the revision it began from. */
export interface Draft extends JobContent {
  readonly job: string;
  /** The tab that wrote it. */
  readonly tab: string;
  readonly revision: number;
  /** What the server had at that revision; absent: put away by an older version. */
  readonly base?: JobContent | null;
  /** Saves whose answer was not heard: the server may hold one of them as its newest. */
  readonly saves: readonly string[];
  /** ms since 1970. */
  readonly at: number;
}

/** What was typed into a form that is not part of the job yet. */
export interface KeptForm {
  readonly job: string;
  readonly form: string;
  readonly value: unknown;
}

interface Shelves extends DBSchema {
  drafts: { key: [job: string, tab: string]; value: Draft; indexes: { byJob: string } };
  forms: { key: [job: string, form: string]; value: KeptForm };
}

/** Unsent work in this browser (IndexedDB), of any size, by job and tab. Every call may fail where the browser refuses. */
export class DraftStore {
  readonly #database: Promise<IDBPDatabase<Shelves>>;

  constructor(name = 'lowgap') {
    this.#database = openDB<Shelves>(name, 1, {
      upgrade(database) {
        database.createObjectStore('drafts', { keyPath: ['job', 'tab'] }).createIndex('byJob', 'job');
        database.createObjectStore('forms', { keyPath: ['job', 'form'] });
      },
    });
    // Said by each call; not by nobody.
    this.#database.catch(() => undefined);
  }

  async put(draft: Draft): Promise<void> {
    await (await this.#database).put('drafts', draft);
  }

  async drop(job: string, tab: string): Promise<void> {
    await (await this.#database).delete('drafts', [job, tab]);
  }

  /** All drafts in this browser, newest first. */
  async all(): Promise<Draft[]> {
    const found = await (await this.#database).getAll('drafts');
    return found.sort((a, b) => b.at - a.at);
  }

  /** Drafts of a job by any tab, newest first. */
  async ofJob(job: string): Promise<Draft[]> {
    const found = await (await this.#database).getAllFromIndex('drafts', 'byJob', job);
    return found.sort((a, b) => b.at - a.at);
  }

  async putForm(kept: KeptForm): Promise<void> {
    await (await this.#database).put('forms', kept);
  }

  async dropForm(job: string, form: string): Promise<void> {
    await (await this.#database).delete('forms', [job, form]);
  }

  async form(job: string, form: string): Promise<unknown> {
    return (await (await this.#database).get('forms', [job, form]))?.value;
  }
}

let here: DraftStore | null = null;

/** This browser's drafts. */
export const drafts = (): DraftStore => (here ??= new DraftStore());
