import { and, count, eq, inArray, lt, sql, type SQL } from 'drizzle-orm';
import type { FindRequest, FindState } from '@/contracts/finder-api';
import type { Database } from './open';
import { searches } from './tables';

/** Any number: the name of the lock under which searches are counted and begun. */
const COUNTING_LOCK = 727276;

const isUnderWay: SQL = inArray(searches.state, ['running', 'waiting']);
const now = sql`now()`;
const ago = (seconds: number): SQL => sql`now() - ${seconds} * interval '1 second'`;

type SearchRow = Partial<Pick<FindState, 'state' | 'done' | 'total' | 'combinations' | 'problems' | 'result'>>;

/** What was asked of searches, how far they are and what came of them, for every process on the database. */
export class SearchRepository {
  readonly #db: Database;

  constructor(db: Database) {
    this.#db = db;
  }

  /** A search that waits; false: `most` are under way. */
  add(id: string, request: FindRequest, most: number): Promise<boolean> {
    return this.#db.transaction(async (tx) => {
      await tx.execute(sql`select pg_advisory_xact_lock(${COUNTING_LOCK})`);
      const [before] = await tx.select({ count: count() }).from(searches).where(isUnderWay);
      if (before!.count >= most) return false;
      await tx.insert(searches).values({ id, request });
      return true;
    });
  }

  async state(id: string): Promise<FindState | null> {
    const [row] = await this.#db
      .select({
        id: searches.id,
        state: searches.state,
        done: searches.done,
        total: searches.total,
        combinations: searches.combinations,
        problems: searches.problems,
        result: searches.result,
        // Written out: the columns of both rows have the same names.
        ahead: sql<number>`case when searches.state = 'waiting' then (select count(*)::int from searches as before
          where before.state = 'waiting' and before.made_at < searches.made_at) else 0 end`,
      })
      .from(searches)
      .where(eq(searches.id, id));
    if (!row) return null;
    const { result, ...state } = row;
    return result === null ? state : { ...state, result };
  }

  async underWay(): Promise<{ readonly running: number; readonly waiting: number }> {
    const rows = await this.#db
      .select({ state: searches.state, count: count() })
      .from(searches)
      .where(isUnderWay)
      .groupBy(searches.state);
    const of = (state: FindState['state']): number => rows.find((row) => row.state === state)?.count ?? 0;
    return { running: of('running'), waiting: of('waiting') };
  }

  /** What is asked of a search that is begun now; null: it is over. */
  async begun(id: string): Promise<FindRequest | null> {
    const [row] = await this.#db
      .update(searches)
      .set({ state: 'running', beatAt: now })
      .where(and(eq(searches.id, id), isUnderWay))
      .returning({ request: searches.request });
    return (row?.request as FindRequest | undefined) ?? null;
  }

  /** Writes on a search that is not over, and that it was heard of now; what was asked goes with its end. False: it is over. */
  async write(id: string, row: SearchRow): Promise<boolean> {
    const goesOn = row.state === undefined || row.state === 'running' || row.state === 'waiting';
    const written = await this.#db
      .update(searches)
      .set({ ...row, beatAt: now, ...(goesOn ? {} : { request: null }) })
      .where(and(eq(searches.id, id), isUnderWay))
      .returning({ id: searches.id });
    return written.length > 0;
  }

  /** false: there is none of that name. */
  async forget(id: string): Promise<boolean> {
    return (await this.#db.delete(searches).where(eq(searches.id, id)).returning({ id: searches.id })).length > 0;
  }

  async forgetOlder(seconds: number): Promise<void> {
    await this.#db.delete(searches).where(lt(searches.madeAt, ago(seconds)));
  }

  /** Names of those that nothing was heard of for so long. Each is told to one caller alone, until it is silent as long again. */
  async silent(seconds: number): Promise<string[]> {
    const rows = await this.#db
      .update(searches)
      .set({ beatAt: now })
      .where(and(isUnderWay, lt(searches.beatAt, ago(seconds))))
      .returning({ id: searches.id });
    return rows.map(({ id }) => id);
  }
}
