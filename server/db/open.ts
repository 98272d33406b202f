import { mkdir } from 'node:fs/promises';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core';
import { drizzle as drizzleServer } from 'drizzle-orm/node-postgres';
import { migrate as migrateServer } from 'drizzle-orm/node-postgres/migrator';
import { drizzle as drizzleLite } from 'drizzle-orm/pglite';
import { migrate as migrateLite } from 'drizzle-orm/pglite/migrator';
import pg from 'pg';
import { lock } from 'proper-lockfile';
import * as tables from './tables';

export type Database = PgDatabase<PgQueryResultHKT, typeof tables>;

export interface OpenDatabase {
  readonly db: Database;
  close(): Promise<void>;
}

export interface DatabasePlace {
  /** `postgres://...`: a PostgreSQL server. Absent: PGlite in `dataDir`. */
  readonly url?: string | undefined;
  /** Directory of the embedded database, or `memory://` for a test. */
  readonly dataDir: string;
  readonly migrationsFolder: string;
}

/** Somebody else has the data directory open: two writers on one embedded database lose data. */
export class DataDirectoryInUse extends Error {
  constructor(dataDir: string) {
    super(
      `Another Low Gap is already running on the data in ${dataDir}. ` +
        'Stop it first, or give this one a directory of its own with LOWGAP_DATA.',
    );
    this.name = 'DataDirectoryInUse';
  }
}

/** Any number: one lock name for everybody who migrates this database. */
const MIGRATION_LOCK = 727274;

/** Opens the database and applies the migrations. @throws DataDirectoryInUse */
export async function openDatabase(place: DatabasePlace): Promise<OpenDatabase> {
  return place.url === undefined ? openEmbedded(place) : openServer(place.url, place.migrationsFolder);
}

async function openServer(url: string, migrationsFolder: string): Promise<OpenDatabase> {
  const pool = new pg.Pool({ connectionString: url, max: 8 });
  const db = drizzleServer(pool, { schema: tables });
  const client = await pool.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [MIGRATION_LOCK]);
    await migrateServer(db, { migrationsFolder });
  } finally {
    await client.query('select pg_advisory_unlock($1)', [MIGRATION_LOCK]);
    client.release();
  }
  return { db, close: () => pool.end() };
}

async function openEmbedded({ dataDir, migrationsFolder }: DatabasePlace): Promise<OpenDatabase> {
  const release = dataDir.startsWith('memory://') ? async () => {} : await claim(dataDir);
  try {
    const lite = await PGlite.create(dataDir.startsWith('memory://') ? dataDir : join(dataDir, 'pg'));
    const db = drizzleLite(lite, { schema: tables });
    await migrateLite(db, { migrationsFolder });
    return {
      db,
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

/** PGlite itself does not notice a second process on its directory. A lock left by a killed one goes stale in 5 s. */
async function claim(dataDir: string): Promise<() => Promise<void>> {
  await mkdir(dataDir, { recursive: true });
  try {
    return await lock(dataDir, {
      lockfilePath: join(dataDir, 'in-use.lock'),
      stale: 5000,
      update: 2000,
      retries: { retries: 6, minTimeout: 1000, factor: 1 },
    });
  } catch (error) {
    if ((error as { code?: string }).code === 'ELOCKED') throw new DataDirectoryInUse(dataDir);
    throw error;
  }
}
