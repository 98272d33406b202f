import { asc, count, eq, inArray } from 'drizzle-orm';
import type { z } from 'zod';
import type { CatalogueData } from '@/contracts/catalogue';
import { summaryOf } from '@/contracts/job-summary';
import type { LowgapCorner } from '@/contracts/lowgap-file';
import { lowgapFileSchema } from '@/contracts/lowgap-file';
import type { shopItemSchema, ShopJob, ShopPerson, ShopPhoto, shopWellSchema } from '@/contracts/shop-file';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { VehicleKind } from '@/core/2-vehicle/setup/vehicle-kind';
import { namesApart, putTogether, takenApart } from './lists-apart';
import type { Database } from './open';
import { keyOf } from './people-repository';
import { catalogue, jobChanges, jobLists, jobs, people, photos, wells } from './tables';

type ShopItem = z.output<typeof shopItemSchema>;
type ShopWell = z.output<typeof shopWellSchema>;

const text = (date: Date): string => date.toISOString();
const textOrNone = (date: Date | null): string | null => date && text(date);
const dateOrNone = (at: string | null): Date | null => (at === null ? null : new Date(at));

/** Everything a shop has, row by row, to be written to a file and brought in from one. */
export class WholeShop {
  readonly #db: Database;

  constructor(db: Database) {
    this.#db = db;
  }

  async jobIds(): Promise<string[]> {
    return (await this.#db.select({ id: jobs.id }).from(jobs).orderBy(asc(jobs.id))).map(({ id }) => id);
  }

  /** A job with its saves, of one moment, in the bin or not; null: it is gone meanwhile. */
  job(id: string): Promise<ShopJob | null> {
    return this.#db.transaction(async (tx) => {
      const [row] = await tx.select().from(jobs).where(eq(jobs.id, id));
      if (!row) return null;
      const sets = await tx.select().from(jobChanges).where(eq(jobChanges.jobId, id)).orderBy(asc(jobChanges.revision));
      const names = [...namesApart(row.document), ...namesApart(sets)];
      const lists = names.length === 0 ? [] : await tx.select().from(jobLists).where(eq(jobLists.jobId, id));
      const known = new Map(
        lists.map(({ name, content }) => [name, JSON.parse(Buffer.from(content).toString()) as unknown]),
      );
      const { title, customer, revision, changedBy, createdAt, updatedAt, removedAt } = row;
      return putTogether(
        {
          id,
          title,
          customer,
          revision,
          changedBy,
          createdAt: text(createdAt),
          updatedAt: text(updatedAt),
          removedAt: textOrNone(removedAt),
          document: row.document,
          sets: sets.map((set) => ({
            revision: set.revision,
            changes: set.changes,
            save: set.save,
            by: set.by,
            at: text(set.at),
          })),
        },
        (name) => known.get(name),
      ) as ShopJob;
    });
  }

  /** Puts in a job that is not here, as it was: its revision, its dates, its saves. */
  async addJob(job: ShopJob): Promise<void> {
    const { value, lists } = takenApart({ document: job.document, changes: job.sets.map(({ changes }) => changes) });
    const { document, changes } = value as { document: unknown; changes: ShopJob['sets'][number]['changes'][] };
    const read = lowgapFileSchema.safeParse(job.document);
    await this.#db.transaction(async (tx) => {
      const { id, title, customer, revision, changedBy } = job;
      await tx.insert(jobs).values({
        id,
        title,
        customer,
        revision,
        changedBy,
        document,
        summary: read.success ? summaryOf(read.data) : null,
        createdAt: new Date(job.createdAt),
        updatedAt: new Date(job.updatedAt),
        removedAt: dateOrNone(job.removedAt),
      });
      for (const [name, content] of lists) {
        await tx.insert(jobLists).values({ jobId: id, name, content: Buffer.from(content) });
      }
      for (const [i, { revision: made, save, by, at }] of job.sets.entries()) {
        const row = { jobId: id, revision: made, changes: changes[i]!, save, by: by ?? null, at: new Date(at) };
        await tx.insert(jobChanges).values(row);
      }
    });
  }

  async photoList(): Promise<ShopPhoto[]> {
    const { id, jobId, mediaType, createdAt } = photos;
    const rows = await this.#db.select({ id, jobId, mediaType, createdAt }).from(photos).orderBy(asc(photos.id));
    return rows.map((row) => ({ ...row, createdAt: text(row.createdAt) }) as ShopPhoto);
  }

  async photo(id: string): Promise<Uint8Array | null> {
    const [row] = await this.#db.select({ content: photos.content }).from(photos).where(eq(photos.id, id));
    return row?.content ?? null;
  }

  /** Whether it was put in: there is no photo of that id, and there is its job. */
  async addPhoto({ id, jobId, mediaType, createdAt }: ShopPhoto, content: Uint8Array): Promise<boolean> {
    const [job] = await this.#db.select({ id: jobs.id }).from(jobs).where(eq(jobs.id, jobId));
    if (!job) return false;
    const made = await this.#db
      .insert(photos)
      .values({ id, jobId, mediaType, content, createdAt: new Date(createdAt) })
      .onConflictDoNothing()
      .returning({ id: photos.id });
    return made.length > 0;
  }

  async items(): Promise<ShopItem[]> {
    const rows = await this.#db.select().from(catalogue).orderBy(asc(catalogue.id));
    return rows.map(({ id, kind, data, revision, removedAt }) => ({
      id,
      kind,
      data: data as ShopItem['data'],
      revision,
      removedAt: textOrNone(removedAt),
    }));
  }

  /** How many were not here. */
  async addItems(items: readonly ShopItem[]): Promise<number> {
    if (items.length === 0) return 0;
    const rows = items.map(({ removedAt, data, ...item }) => ({
      ...item,
      data: data as unknown as CatalogueData,
      removedAt: dateOrNone(removedAt),
    }));
    return (await this.#db.insert(catalogue).values(rows).onConflictDoNothing().returning({ id: catalogue.id })).length;
  }

  async wells(): Promise<ShopWell[]> {
    const rows = await this.#db.select().from(wells).orderBy(asc(wells.id));
    return rows.map((row) => ({ ...row, createdAt: text(row.createdAt), removedAt: textOrNone(row.removedAt) }));
  }

  /** How many were not here. */
  async addWells(all: readonly ShopWell[]): Promise<number> {
    if (all.length === 0) return 0;
    const rows = all.map(({ removedAt, createdAt, kind, cornerKey, corner, ...well }) => ({
      ...well,
      kind: kind as VehicleKind | null,
      cornerKey: cornerKey as CornerKey,
      corner: corner as LowgapCorner,
      createdAt: new Date(createdAt),
      removedAt: dateOrNone(removedAt),
    }));
    return (await this.#db.insert(wells).values(rows).onConflictDoNothing().returning({ id: wells.id })).length;
  }

  /** Who works there, without what they sign in with. */
  people(): Promise<ShopPerson[]> {
    const { id, name, role, isAway } = people;
    return this.#db.select({ id, name, role, isAway }).from(people).orderBy(asc(people.nameKey));
  }

  /** Those whose names nobody has here. They cannot sign in until somebody gives them a secret. */
  async addPeople(all: readonly ShopPerson[]): Promise<void> {
    if (all.length === 0) return;
    await this.#db
      .insert(people)
      .values(all.map((person) => ({ ...person, nameKey: keyOf(person.name) })))
      .onConflictDoNothing();
  }

  /** Which of these ids are here. */
  async known(of: 'photos' | 'catalogue' | 'wells', ids: readonly string[]): Promise<ReadonlySet<string>> {
    const table = { photos, catalogue, wells }[of];
    if (ids.length === 0) return new Set();
    const rows = await this.#db
      .select({ id: table.id })
      .from(table)
      .where(inArray(table.id, [...ids]));
    return new Set(rows.map(({ id }) => id));
  }

  /** How many jobs there are, those in the bin too. */
  async jobCount(): Promise<number> {
    const [row] = await this.#db.select({ n: count() }).from(jobs);
    return row!.n;
  }
}
