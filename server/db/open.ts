import { PGlite } from '@electric-sql/pglite';
import { sql } from 'drizzle-orm';
import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core';
import { drizzle as drizzleServer } from 'drizzle-orm/node-postgres';
import { migrate as migrateServer } from 'drizzle-orm/node-postgres/migrator';
import { drizzle as drizzleLite } from 'drizzle-orm/pglite';
import { migrate as migrateLite } from 'drizzle-orm/pglite/migrator';
import pg from 'pg';
import { claim, DataDirectoryDamaged, databasePath, hasDatabase, madeWhole, mark, newestCopy } from './data-directory';
import { durable } from './durable-files';
import { wireHere, type Wire } from '../live';
import * as tables from './tables';
import { WatchedPool } from './watched-pool';

export type Database = PgDatabase<PgQueryResultHKT, typeof tables>;

export interface OpenDatabase {
  readonly db: Database;
  readonly kind: 'embedded' | 'server';
  /** Runs `work` while no other process on this database runs anything of the same name. */
  exclusively<T>(work: () => Promise<T>): Promise<T>;
  /** Of a PostgreSQL server alone: one statement of somebody else's words. */
  readonly ask?: (text: string, values?: unknown[]) => Promise<{ rows: Record<string, unknown>[] }>;
  /** Gives the room of old rows back for use; a PostgreSQL server does that by itself. */
  tidy(): Promise<void>;
  /** Short texts to every process on this database. */
  readonly wire: Wire;
  /** Bytes it takes. */
  size(): Promise<number>;
  close(): Promise<void>;
}

export interface DatabasePlace {
  /** `postgres://...`: a PostgreSQL server. Absent: PGlite in `dataDir`. */
  readonly url?: string | undefined;
  /** Directory of the embedded database, or `memory://` for a test. */
  readonly dataDir: string;
  readonly migrationsFolder: string;
  /** Told of a connection that broke while nobody used it; the next question gets another one. */
  readonly onBroken?: (error: Error) => void;
}

/** Any numbers: one lock name for everybody who migrates this database, one for what only one process may do. */
const MIGRATION_LOCK = 727274;
const ONE_AT_A_TIME = 727275;

/** Opens the database and applies the migrations. @throws DataDirectoryInUse, DataDirectoryDamaged */
export async function openDatabase(place: DatabasePlace): Promise<OpenDatabase> {
  return place.url === undefined ? openEmbedded(place) : openServer(place.url, place);
}

async function sizeOf(db: Database): Promise<number> {
  const [row] = await db
    .select({ bytes: sql<string>`pg_database_size(current_database())` })
    .from(sql`(values (1)) as one`);
  return Number(row!.bytes);
}

async function openServer(url: string, { migrationsFolder, onBroken }: DatabasePlace): Promise<OpenDatabase> {
  const pool = new WatchedPool({ connectionString: url, max: 8 }, (error) => onBroken?.(error));
  const db = drizzleServer(pool, { schema: tables });
  const locked = async <T>(name: number, work: () => Promise<T>): Promise<T> => {
    const client = await pool.connect();
    try {
      await client.query('select pg_advisory_lock($1)', [name]);
      return await work();
    } finally {
      await client.query('select pg_advisory_unlock($1)', [name]).catch(() => undefined);
      client.release();
    }
  };
  const { wire, unplug } = await wireOver(pool, url, onBroken);
  await locked(MIGRATION_LOCK, () => migrateServer(db, { migrationsFolder }));
  return {
    db,
    kind: 'server',
    exclusively: (work) => locked(ONE_AT_A_TIME, work),
    ask: (text, values) => pool.query(text, values),
    tidy: async () => undefined,
    size: () => sizeOf(db),
    wire,
    close: async () => {
      await unplug();
      await pool.end();
    },
  };
}

/** PostgreSQL's name of the channel between processes. */
const CHANNEL = 'lowgap';

/** ms until a line that broke is laid again. */
const AGAIN_MS = 2000;

/** By LISTEN and NOTIFY, on a connection of its own that is made again when it breaks. */
async function wireOver(
  pool: pg.Pool,
  url: string,
  onBroken: DatabasePlace['onBroken'],
): Promise<{ readonly wire: Wire; unplug(): Promise<void> }> {
  const all = new Set<(text: string) => void>();
  const told = new Set<() => void>();
  let isOver = false;
  let isComing = false;
  let line: pg.Client | null = null;
  const lay = async (): Promise<void> => {
    const client = new pg.Client({ connectionString: url });
    let isBroken = false;
    const broke = (): void => {
      isBroken = true;
      // One that was never laid whole is laid again by whoever waited for it: two lines would say every word twice.
      if (line !== client) return;
      line = null;
      again();
    };
    client.on('error', (error) => {
      onBroken?.(error);
      broke();
    });
    client.on('end', broke);
    client.on('notification', ({ payload }) => all.forEach((heard) => heard(payload ?? '')));
    try {
      await client.connect();
      await client.query(`listen ${CHANNEL}`);
      // The answer and the end may come in one: nobody would ever lay this one again.
      if (isBroken) throw new Error('the line broke as it was laid');
      line = client;
    } finally {
      // Not waited for: a line that never stood may never end.
      if (line !== client || isOver) void client.end().catch(() => undefined);
    }
  };
  const again = (): void => {
    if (isOver || isComing) return;
    isComing = true;
    const laid = (): void => {
      isComing = false;
      told.forEach((missed) => missed());
    };
    const failed = (): void => {
      isComing = false;
      again();
    };
    setTimeout(() => void lay().then(laid, failed), AGAIN_MS).unref();
  };
  await lay();
  return {
    wire: {
      tell: async (text) => void (await pool.query('select pg_notify($1, $2)', [CHANNEL, text])),
      hear: (heard, missed) => {
        all.add(heard);
        if (missed) told.add(missed);
      },
    },
    unplug: async () => {
      isOver = true;
      await line?.end().catch(() => undefined);
    },
  };
}

async function openEmbedded({ dataDir, migrationsFolder }: DatabasePlace): Promise<OpenDatabase> {
  const isKept = !dataDir.startsWith('memory://');
  const release = isKept ? await claim(dataDir) : async () => {};
  try {
    const lite = isKept ? await openKept(dataDir) : await PGlite.create(dataDir);
    const db = drizzleLite(lite, { schema: tables });
    await migrateLite(db, { migrationsFolder });
    return {
      db,
      kind: 'embedded',
      exclusively: (work) => work(),
      size: () => sizeOf(db),
      wire: wireHere(),
      tidy: () => lite.exec('vacuum').then(() => undefined),
      async close() {
        await lite.close();
        await release();
      },
    };
  } catch (error) {
    await release();
    throw error;
  }
}

async function openKept(dataDir: string): Promise<PGlite> {
  if (!(await hasDatabase(dataDir))) {
    await madeWhole(dataDir, async (path) => (await PGlite.create(durable(path))).close());
  }
  try {
    const lite = await PGlite.create(durable(databasePath(dataDir)));
    await mark(dataDir);
    return lite;
  } catch (error) {
    // The engine's own words run to pages and help nobody here.
    const [line = 'no reason given'] = (error instanceof Error ? error.message : String(error)).split('\n');
    throw new DataDirectoryDamaged(
      dataDir,
      `the database engine says "${line.slice(0, 160)}"`,
      await newestCopy(dataDir),
    );
  }
}
