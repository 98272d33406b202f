import { and, asc, desc, eq, gt, inArray, isNotNull, isNull, sql } from 'drizzle-orm';
import type { Change, Clash } from '@/contracts/changes/change';
import { changesBetween, takenBack } from '@/contracts/changes/diff';
import { merged } from '@/contracts/changes/merge';
import { jobContentSchema, type JobChange, type JobContent } from '@/contracts/job-api';
import { summaryOf, type JobSummary } from '@/contracts/job-summary';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { parseWith } from '@/contracts/parse';
import { attempt, type Problem } from '@/core/1-base/problem';
import { throwAway } from './bin';
import { checkable, namesApart, putTogether, takenApart } from './lists-apart';
import type { Database } from './open';
import { jobChanges, jobLists, jobs } from './tables';

export interface StoredHead {
  readonly id: string;
  readonly title: string;
  readonly customer: string;
  readonly revision: number;
  readonly changedBy: string | null;
  readonly createdAt: Date;
  readonly updatedAt: Date;
  /** null: what is kept cannot be read by this version. */
  readonly summary: JobSummary | null;
}

export interface StoredJob extends Omit<StoredHead, 'summary'> {
  /** As it is kept: nobody has checked that this version can read it. */
  readonly document: unknown;
}

export interface StoredSet {
  readonly revision: number;
  readonly changes: readonly Change[];
  readonly save: string;
  readonly by: string | null;
  readonly at: Date;
}

export type SaveOutcome =
  /** `since`: all saves after the revision the writer knew, its own among them. */
  | {
      readonly status: 'saved';
      readonly revision: number;
      readonly updatedAt: Date;
      readonly since: readonly StoredSet[];
    }
  /** `clashes` empty: the two do not go together as a whole. `job`: where what came since is not known one by one. */
  | {
      readonly status: 'clash';
      readonly revision: number;
      readonly clashes: readonly Clash[];
      readonly since: readonly StoredSet[];
      readonly job?: StoredJob;
    }
  /** It is no job any more with these changes. */
  | { readonly status: 'refused'; readonly problems: readonly Problem[] }
  | { readonly status: 'gone' };

type Reader = Pick<Database, 'select'>;

const headColumns = {
  id: jobs.id,
  title: jobs.title,
  customer: jobs.customer,
  revision: jobs.revision,
  changedBy: jobs.changedBy,
  createdAt: jobs.createdAt,
  updatedAt: jobs.updatedAt,
  summary: jobs.summary,
};

/** Jobs in the database; the only place that asks for them. */
export class JobRepository {
  readonly #db: Database;

  constructor(db: Database) {
    this.#db = db;
  }

  /** Without their documents, newest change first. */
  list(): Promise<StoredHead[]> {
    return this.#db.select(headColumns).from(jobs).where(isNull(jobs.removedAt)).orderBy(desc(jobs.updatedAt), jobs.id);
  }

  /** Those in the bin, thrown away last first. */
  async listRemoved(): Promise<(StoredHead & { readonly removedAt: Date })[]> {
    const found = await this.#db
      .select({ ...headColumns, removedAt: jobs.removedAt })
      .from(jobs)
      .where(isNotNull(jobs.removedAt))
      .orderBy(desc(jobs.removedAt), jobs.id);
    return found.map((job) => ({ ...job, removedAt: job.removedAt! }));
  }

  async get(id: string): Promise<StoredJob | null> {
    const [job] = await this.#db
      .select()
      .from(jobs)
      .where(and(eq(jobs.id, id), isNull(jobs.removedAt)));
    if (!job) return null;
    return { ...job, document: await this.#whole(this.#db, id, job.document) };
  }

  async create({ title, customer, document }: JobContent, by: string | null = null, id?: string): Promise<StoredJob> {
    const { value, lists } = takenApart(document);
    return this.#db.transaction(async (tx) => {
      const [job] = await tx
        .insert(jobs)
        .values({ id, title, customer, document: value, summary: summaryOf(document), changedBy: by })
        .returning();
      await keepLists(tx, job!.id, lists);
      return { ...job!, document };
    });
  }

  /**
   * Makes changes on the job as it is now, whoever else changed it since the writer's revision: other fields do not meet,
   * the same field changed to something else is a clash and nothing is saved. A save sent again is answered as taken.
   */
  async save(id: string, { revision, save, changes }: JobChange, by: string | null = null): Promise<SaveOutcome> {
    // Unless what came says that it stands for a list.
    const apart = attempt(() => takenApart(changes));
    if (!apart.ok) return { status: 'refused', problems: apart.problems };
    const { value: asked, lists } = apart.value;
    const listOf = parsedLists(lists);
    return this.#db.transaction(async (tx): Promise<SaveOutcome> => {
      const [job] = await tx
        .select()
        .from(jobs)
        .where(and(eq(jobs.id, id), isNull(jobs.removedAt)))
        .for('update');
      if (!job) return { status: 'gone' };
      const since = await setsSince(tx, id, revision);
      const whole = (sets: readonly StoredSet[]) => this.#wholeSets(tx, id, sets);
      if (since.some((set) => set.save === save)) {
        return { status: 'saved', revision: job.revision, updatedAt: job.updatedAt, since: await whole(since) };
      }
      // Saves of a version that did not keep them one by one, or of a copy that was brought back.
      if (since.length !== job.revision - revision) {
        const document = await this.#whole(tx, id, job.document);
        return { status: 'clash', revision: job.revision, clashes: [], since: [], job: { ...job, document } };
      }
      // Documents of an older version hold their lists still.
      const stored = takenApart(job.document, 'database');
      const before = { title: job.title, customer: job.customer, document: stored.value };
      const { value, clashes } = merged<typeof before>(before, asked as readonly Change[]);
      if (clashes.length > 0) {
        const known = parsedLists(new Map([...stored.lists, ...lists]));
        const told = (await this.#whole(tx, id, clashes, known)) as readonly Clash[];
        return { status: 'clash', revision: job.revision, clashes: told, since: await whole(since) };
      }
      const read = parseWith(jobContentSchema, { ...value, document: checkable(value.document, listOf) });
      if (!read.ok) {
        return since.length > 0
          ? { status: 'clash', revision: job.revision, clashes: [], since: await whole(since) }
          : { status: 'refused', problems: read.problems };
      }
      const { title, customer } = read.value;
      const now = { title, customer, document: value.document };
      const effective = changesBetween(before, now);
      if (effective.length === 0) {
        return { status: 'saved', revision: job.revision, updatedAt: job.updatedAt, since: await whole(since) };
      }
      await keepLists(tx, id, new Map([...stored.lists, ...lists]));
      const [saved] = await tx
        .update(jobs)
        .set({
          ...now,
          summary: summaryOf(read.value.document),
          revision: job.revision + 1,
          changedBy: by,
          updatedAt: sql`now()`,
        })
        .where(eq(jobs.id, id))
        .returning({ revision: jobs.revision, updatedAt: jobs.updatedAt });
      const [own] = await tx
        .insert(jobChanges)
        .values({ jobId: id, revision: saved!.revision, changes: effective, save, by })
        .returning();
      return { status: 'saved', ...saved!, since: await whole([...since, own!]) };
    });
  }

  /** null: there is no such job on the board. */
  async revisionOf(id: string): Promise<number | null> {
    const [job] = await this.#db
      .select({ revision: jobs.revision })
      .from(jobs)
      .where(and(eq(jobs.id, id), isNull(jobs.removedAt)));
    return job?.revision ?? null;
  }

  /** Its saves after a revision, oldest first. */
  async since(id: string, revision: number): Promise<StoredSet[]> {
    return this.#wholeSets(this.#db, id, await setsSince(this.#db, id, revision));
  }

  /** Its saves, newest first; lists that were taken out stay out. */
  history(id: string, most: number): Promise<StoredSet[]> {
    return this.#db
      .select()
      .from(jobChanges)
      .where(eq(jobChanges.jobId, id))
      .orderBy(desc(jobChanges.revision))
      .limit(most);
  }

  /** As it was at an earlier revision; null: that is not known, or there is no such job. */
  async then(id: string, revision: number): Promise<(JobContent & { readonly revision: number }) | null> {
    const [job] = await this.#db.select().from(jobs).where(eq(jobs.id, id));
    if (!job || revision > job.revision) return null;
    const sets = await setsSince(this.#db, id, revision);
    if (sets.length !== job.revision - revision) return null;
    const now = { title: job.title, customer: job.customer, document: job.document };
    const back = sets.reverse().reduce((state, { changes }) => merged(state, takenBack(changes)).value, now);
    return { ...back, document: (await this.#whole(this.#db, id, back.document)) as LowgapFile, revision };
  }

  /** Into the bin. Whether there was such a job. */
  remove(id: string): Promise<boolean> {
    return throwAway(this.#db, 'jobs', id);
  }

  async isEmpty(): Promise<boolean> {
    const [first] = await this.#db.select({ id: jobs.id }).from(jobs).limit(1);
    return first === undefined;
  }

  /** A cheap question that only a working database answers. */
  async ping(): Promise<void> {
    await this.#db.execute(sql`select 1`);
  }

  /** Works out what the board shows of jobs of an older version; those that cannot be read stay without. */
  async summarize(): Promise<void> {
    const open = await this.#db.select({ id: jobs.id }).from(jobs).where(isNull(jobs.summary));
    for (const { id } of open) {
      const [job] = await this.#db.select({ document: jobs.document }).from(jobs).where(eq(jobs.id, id));
      const document = await this.#whole(this.#db, id, job?.document).catch(() => null);
      const read = parseWith(jobContentSchema.shape.document, document);
      if (!read.ok) continue;
      await this.#db
        .update(jobs)
        .set({ summary: summaryOf(read.value) })
        .where(eq(jobs.id, id));
    }
  }

  async #wholeSets(db: Reader, id: string, sets: readonly StoredSet[]): Promise<StoredSet[]> {
    return (await this.#whole(db, id, sets as readonly unknown[])) as StoredSet[];
  }

  /** A value with the lists that were taken out of it; `known` are lists that are not kept yet. */
  async #whole(
    db: Reader,
    id: string,
    value: unknown,
    known: (name: string) => unknown = () => undefined,
  ): Promise<unknown> {
    const names = [...namesApart(value)].filter((name) => known(name) === undefined);
    if (names.length === 0) return putTogether(value, known);
    const rows = await db
      .select({ name: jobLists.name, content: jobLists.content })
      .from(jobLists)
      .where(and(eq(jobLists.jobId, id), inArray(jobLists.name, names)));
    const lists = new Map(
      rows.map(({ name, content }) => [name, JSON.parse(Buffer.from(content).toString()) as unknown]),
    );
    return putTogether(value, (name) => known(name) ?? lists.get(name));
  }
}

const setsSince = (db: Reader, id: string, revision: number): Promise<StoredSet[]> =>
  db
    .select()
    .from(jobChanges)
    .where(and(eq(jobChanges.jobId, id), gt(jobChanges.revision, revision)))
    .orderBy(asc(jobChanges.revision));

async function keepLists(
  db: Pick<Database, 'insert'>,
  jobId: string,
  lists: ReadonlyMap<string, string>,
): Promise<void> {
  for (const [name, text] of lists) {
    await db
      .insert(jobLists)
      .values({ jobId, name, content: Buffer.from(text) })
      .onConflictDoNothing();
  }
}

/** The lists by name, read once each. */
function parsedLists(lists: ReadonlyMap<string, string>): (name: string) => unknown {
  const read = new Map<string, unknown>();
  return (name) => {
    const text = lists.get(name);
    if (text !== undefined && !read.has(name)) read.set(name, JSON.parse(text));
    return read.get(name);
  };
}
