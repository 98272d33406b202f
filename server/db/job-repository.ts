import { and, desc, eq, sql } from 'drizzle-orm';
import type { LowgapFile } from '@/contracts/lowgap-file';
import type { Database } from './open';
import { jobs } from './tables';

export interface StoredJob {
  readonly id: string;
  readonly title: string;
  readonly customer: string;
  readonly revision: number;
  readonly document: LowgapFile;
  readonly savedBy: string | null;
  readonly createdAt: Date;
  readonly updatedAt: Date;
}

export interface JobContent {
  readonly title: string;
  readonly customer: string;
  readonly document: LowgapFile;
}

export type UpdateOutcome =
  | { readonly status: 'saved'; readonly job: StoredJob }
  | { readonly status: 'stale'; readonly job: StoredJob }
  | { readonly status: 'gone' };

/** Jobs in the database; the only place that asks for them. */
export class JobRepository {
  readonly #db: Database;

  constructor(db: Database) {
    this.#db = db;
  }

  /** Newest change first. */
  list(): Promise<StoredJob[]> {
    return this.#db.select().from(jobs).orderBy(desc(jobs.updatedAt), jobs.id);
  }

  async get(id: string): Promise<StoredJob | null> {
    const [job] = await this.#db.select().from(jobs).where(eq(jobs.id, id));
    return job ?? null;
  }

  async create(content: JobContent): Promise<StoredJob> {
    const [job] = await this.#db.insert(jobs).values(content).returning();
    return job as StoredJob;
  }

  /**
   * Saves over `revision` only: a writer who read an older one gets the newer job back instead. A save that was taken
   * before, and is sent again because its answer got lost, is answered as saved.
   */
  async update(id: string, revision: number, content: JobContent, save: string | null = null): Promise<UpdateOutcome> {
    const [saved] = await this.#db
      .update(jobs)
      .set({ ...content, savedBy: save, revision: sql`${jobs.revision} + 1`, updatedAt: sql`now()` })
      .where(and(eq(jobs.id, id), eq(jobs.revision, revision)))
      .returning();
    if (saved) return { status: 'saved', job: saved };
    const newer = await this.get(id);
    if (!newer) return { status: 'gone' };
    return { status: save !== null && newer.savedBy === save ? 'saved' : 'stale', job: newer };
  }

  /** Whether there was such a job. */
  async remove(id: string): Promise<boolean> {
    const removed = await this.#db.delete(jobs).where(eq(jobs.id, id)).returning({ id: jobs.id });
    return removed.length > 0;
  }

  async isEmpty(): Promise<boolean> {
    const [first] = await this.#db.select({ id: jobs.id }).from(jobs).limit(1);
    return first === undefined;
  }

  /** A cheap question that only a working database answers. */
  async ping(): Promise<void> {
    await this.#db.execute(sql`select 1`);
  }
}
