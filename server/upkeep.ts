import { statfs } from 'node:fs/promises';
import type { Logger } from 'pino';
import type { Installation } from '@/contracts/installation-api';
import type { Counts } from './counts';
import type { OpenDatabase } from './db/open';
import type { PeopleRepository } from './db/people-repository';
import type { WholeShop } from './db/whole-shop';
import { faultOf } from './http';
import type { Searches } from './jobs/searches';
import type { Copies } from './shop-copy/copies';

/** ms between two rounds of giving back the room of old rows, and between two looks whether the day has its copy. */
const TIDY_MS = 10 * 60_000;
const COPY_MS = 15 * 60_000;

/** ms after the start at which the day's copy is made, if there is none: not while everybody waits for the first page. */
const FIRST_COPY_MS = 60_000;

export interface UpkeepParts {
  readonly version: string;
  readonly database: OpenDatabase;
  readonly whole: WholeShop;
  readonly people: PeopleRepository;
  readonly counts: Counts;
  readonly searches: Pick<Searches, 'underWay'>;
  /** Absent: the database is looked after elsewhere. */
  readonly copies?: { readonly of: Copies; readonly daysKept: number };
  /** Where the embedded database lies. */
  readonly dataDir?: string;
  readonly logger: Logger;
}

/** What is done by itself while the server runs, and what can be said of it. */
export class Upkeep {
  readonly #parts: UpkeepParts;
  readonly #timers: readonly ReturnType<typeof setTimeout>[];
  #copyFailed: string | null = null;
  #copying: Promise<void> = Promise.resolve();

  constructor(parts: UpkeepParts) {
    this.#parts = parts;
    this.#timers = [
      setInterval(() => void this.#tidy(), TIDY_MS).unref(),
      setTimeout(() => void this.copyToday(), FIRST_COPY_MS).unref(),
      setInterval(() => void this.copyToday(), COPY_MS).unref(),
    ];
  }

  /** Makes the day's copy, unless there is one. */
  copyToday(now = new Date()): Promise<void> {
    const { copies, logger } = this.#parts;
    if (!copies) return Promise.resolve();
    this.#copying = this.#copying.then(async () => {
      try {
        await copies.of.make(now);
        this.#copyFailed = null;
      } catch (error) {
        this.#copyFailed =
          (error as { code?: string }).code === 'ENOSPC' ? 'the disk is full' : 'it could not be written';
        logger.error({ fault: faultOf(error) }, 'the day’s copy was not made');
      }
    });
    return this.#copying;
  }

  async told(): Promise<Installation> {
    const { version, database, whole, people, counts, copies, dataDir, searches } = this.#parts;
    const [all, devices, signedIn] = await Promise.all([people.list(), people.devices(), people.sessions()]);
    const disk = dataDir === undefined ? null : await statfs(dataDir).catch(() => null);
    const { since, saves, clashes, refused, faults, searches: searched } = counts;
    return {
      version,
      database: database.kind,
      databaseBytes: await database.size(),
      freeBytes: disk && disk.bavail * disk.bsize,
      jobs: await whole.jobCount(),
      copies: copies
        ? (await copies.of.list()).reverse().map((copy) => ({ ...copy, madeAt: copy.madeAt.toISOString() }))
        : [],
      copiesKept: copies?.daysKept ?? null,
      copyFailed: this.#copyFailed,
      since: since.toISOString(),
      people: { people: all.length, devices: devices.length, signedIn: signedIn.length },
      searching: await searches.underWay(),
      counts: { saves, clashes, refused, faults, searches: searched },
    };
  }

  /** Ends it; a copy that is being made is finished. */
  async close(): Promise<void> {
    this.#timers.forEach(clearTimeout);
    await this.#copying;
  }

  async #tidy(): Promise<void> {
    const { database, people, logger } = this.#parts;
    await Promise.all([people.tidy(), database.tidy()]).catch((error: unknown) =>
      logger.warn({ fault: faultOf(error) }, 'not tidied'),
    );
  }
}
