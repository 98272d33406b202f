import { and, desc, eq, isNotNull, isNull, sql } from 'drizzle-orm';
import type { BinKind } from '@/contracts/bin-api';
import type { Database } from './open';
import { catalogue, jobs, wells } from './tables';

const TABLES = { jobs, wells, catalogue } as const satisfies Record<BinKind, unknown>;

/** Into the bin. Whether there was such a one outside it. */
export async function throwAway(db: Database, kind: BinKind, id: string): Promise<boolean> {
  const table = TABLES[kind];
  const thrown = await db
    .update(table)
    .set({ removedAt: sql`now()` })
    .where(and(eq(table.id, id), isNull(table.removedAt)))
    .returning({ id: table.id });
  return thrown.length > 0;
}

/** What was thrown away: taken out of the shop's lists, kept until somebody forgets it for good. */
export class BinRepository {
  readonly #db: Database;

  constructor(db: Database) {
    this.#db = db;
  }

  /** Wells and catalogue rows in the bin, thrown away last first; jobs are listed by their own repository. */
  async list() {
    const [well, item] = await Promise.all([
      this.#db
        .select({
          id: wells.id,
          title: wells.title,
          cornerKey: wells.cornerKey,
          createdAt: wells.createdAt,
          removedAt: wells.removedAt,
        })
        .from(wells)
        .where(isNotNull(wells.removedAt))
        .orderBy(desc(wells.removedAt), wells.id),
      this.#db
        .select()
        .from(catalogue)
        .where(isNotNull(catalogue.removedAt))
        .orderBy(desc(catalogue.removedAt), catalogue.id),
    ]);
    return { wells: well.map(removed), catalogue: item.map(removed) };
  }

  /** Whether it was in there. */
  async bringBack(kind: BinKind, id: string): Promise<boolean> {
    const table = TABLES[kind];
    const back = await this.#db
      .update(table)
      .set({ removedAt: null })
      .where(and(eq(table.id, id), isNotNull(table.removedAt)))
      .returning({ id: table.id });
    return back.length > 0;
  }

  /** For good, a job with its photos and its history. Whether it was in the bin: nothing outside it is forgotten. */
  async forget(kind: BinKind, id: string): Promise<boolean> {
    const table = TABLES[kind];
    const gone = await this.#db
      .delete(table)
      .where(and(eq(table.id, id), isNotNull(table.removedAt)))
      .returning({ id: table.id });
    return gone.length > 0;
  }
}

const removed = <T extends { readonly removedAt: Date | null }>(row: T) => ({ ...row, removedAt: row.removedAt! });
