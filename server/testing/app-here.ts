import type { Express } from 'express';
import { pino, type Logger } from 'pino';
import { exampleJob } from '@/demo/demo-jobs';
import { makeApp } from '../app';
import { BinRepository } from '../db/bin';
import { breakDocument } from '../db/break-document';
import { CatalogueRepository } from '../db/catalogue-repository';
import { JobRepository } from '../db/job-repository';
import { openDatabase, type OpenDatabase } from '../db/open';
import { PeopleRepository } from '../db/people-repository';
import { SessionStore } from '../db/session-store';
import { PhotoRepository } from '../db/photo-repository';
import { ShopRepository } from '../db/shop-repository';
import { WholeShop } from '../db/whole-shop';
import { Counts } from '../counts';
import { Upkeep } from '../upkeep';
import { WellRepository } from '../db/well-repository';
import { simulatedGauge } from '../devices/simulated-gauge';
import { simulatedScanner } from '../devices/simulated-scanner';
import { faultOf } from '../http';
import { Live } from '../live';
import { FindThreads } from '../jobs/find-threads';
import { openSearches } from '../jobs/open-searches';
import { ownDatabase } from '../db/own-database';

export interface AppHere {
  readonly app: Express;
  readonly database: OpenDatabase;
  readonly jobs: JobRepository;
  readonly whole: WholeShop;
  readonly live: Live;
  /** Puts what no version can read in the place of a job's document. */
  breakJob(id: string): Promise<void>;
  /** The same server, whose database cannot write what holds `text`: the fault names the values, as Drizzle's do. */
  failing(text: string): Express;
  readonly people: PeopleRepository;
  /** The same server on a network, where people sign in; `isTrusted`: behind a proxy with a certificate that browsers know. */
  asked(isTrusted?: boolean): Express;
  close(): Promise<unknown>;
}

/** The whole server for a test, on a database of its own in memory, or on the PostgreSQL server that is named. */
export async function appHere(
  logger: Logger = pino({ level: 'silent' }),
  url: string | undefined = process.env['TEST_DATABASE_URL'],
): Promise<AppHere> {
  // The same suites run against a PostgreSQL server when one is named.
  const own = url ? await ownDatabase(url) : null;
  const database = await openDatabase({
    url: own?.url,
    dataDir: 'memory://',
    migrationsFolder: 'server/db/migrations',
  });
  const { db } = database;
  // From source: each thread reads TypeScript by itself.
  const threads = new FindThreads(new URL('../jobs/find-worker.ts', import.meta.url), ['--import', 'tsx']);
  const searches = await openSearches(database, threads, (error) => logger.error({ fault: faultOf(error) }, 'search'));
  const jobs = new JobRepository(db);
  const live = new Live(database.wire);
  const shop = new ShopRepository(db);
  const whole = new WholeShop(db);
  const counts = new Counts();
  const people = new PeopleRepository(db);
  const upkeep = new Upkeep({ version: 'test', database, whole, people, counts, searches, logger });
  const parts = {
    jobs,
    catalogue: new CatalogueRepository(db),
    photos: new PhotoRepository(db),
    wells: new WellRepository(db),
    shop,
    bin: new BinRepository(db),
    live,
    whole,
    counts,
    installation: () => upkeep.told(),
    searches,
    example: exampleJob,
    drivers: [simulatedGauge(() => 0), simulatedScanner()],
    logger,
  };
  const failing = (text: string): Express => {
    const broken = Object.create(jobs) as JobRepository;
    broken.create = async () => {
      throw new Error(`Failed query: insert into "jobs" params: ${text}`, { cause: new TypeError(text) });
    };
    return makeApp({ ...parts, jobs: broken });
  };
  const asked = (isTrusted = false): Express =>
    makeApp({
      ...parts,
      isTrusted,
      isBehindProxy: isTrusted,
      access: { people, store: new SessionStore(db), secret: 'of this test', isSecure: isTrusted },
    });
  const breakJob = (id: string) => breakDocument(db, id);
  return {
    app: makeApp(parts),
    whole,
    live,
    people,
    asked,
    database,
    jobs,
    breakJob,
    failing,
    close: async () => {
      live.close();
      void upkeep.close();
      await searches.close();
      await database.close();
      await own?.drop();
    },
  };
}
