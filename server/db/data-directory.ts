import { closeSync, openSync } from 'node:fs';
import { mkdir, open, readdir, rename, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { tryLock, unlock } from 'fs-native-extensions';

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

/** What lies in the directory is no whole database. It was not touched. */
export class DataDirectoryDamaged extends Error {
  constructor(dataDir: string, what: string, copy: string | null) {
    super(
      `The data in ${dataDir} cannot be opened: ${what}. Nothing was changed there. ` +
        (copy === null
          ? 'There is no copy of it in there. Keep the directory as it is, and start on another one with LOWGAP_DATA meanwhile.'
          : `The newest copy is ${copy}: \`lowgap restore\` makes a shop of it in another directory (docs/data.md).`),
    );
    this.name = 'DataDirectoryDamaged';
  }
}

/** Where the embedded database lies in a data directory, and where copies of it do. */
const DATABASE = 'pg';
const BEING_MADE = 'pg.new';
export const COPIES = 'copies';

/** Says that a database was made here once: a directory without one is not new then. */
const MARK = 'lowgap-data.json';

/**
 * Takes a data directory for this process: a lock of the operating system's on a file in it, which a process holds for as
 * long as it lives, busy, asleep or stopped, whatever the clock says. @returns the way to let go. @throws DataDirectoryInUse
 */
export async function claim(dataDir: string): Promise<() => Promise<void>> {
  await mkdir(dataDir, { recursive: true });
  const fd = openSync(join(dataDir, 'lock'), 'a');
  let isFree: boolean;
  try {
    isFree = tryLock(fd);
  } catch (error) {
    closeSync(fd);
    throw new Error(
      `The file system of ${dataDir} cannot lock a file (${(error as { code?: string }).code ?? 'no reason given'}), so that nothing ` +
        'would keep two programs off one database. Put the data on a disk of this machine with LOWGAP_DATA.',
      { cause: error },
    );
  }
  if (!isFree) {
    closeSync(fd);
    throw new DataDirectoryInUse(dataDir);
  }
  return async () => {
    unlock(fd);
    closeSync(fd);
  };
}

/** Whether a database lies in the directory. @throws DataDirectoryDamaged where one should, and does not whole. */
export async function hasDatabase(dataDir: string): Promise<boolean> {
  const damaged = async (what: string): Promise<never> => {
    throw new DataDirectoryDamaged(dataDir, what, await newestCopy(dataDir));
  };
  const names = await readdir(join(dataDir, DATABASE)).catch((): string[] => []);
  if (names.includes('PG_VERSION')) return true;
  if (names.length > 0) return damaged(`the file PG_VERSION is not in ${join(dataDir, DATABASE)}`);
  const isMarked = await stat(join(dataDir, MARK)).then(
    () => true,
    () => false,
  );
  if (isMarked) return damaged(`a database was made here, and ${join(dataDir, DATABASE)} is gone or empty`);
  return false;
}

/** Path of the database that lies in the directory. */
export const databasePath = (dataDir: string): string => join(dataDir, DATABASE);

/** Makes a database beside its place and puts it there whole: a process that ends on the way leaves no half of one. */
export async function madeWhole(dataDir: string, make: (path: string) => Promise<void>): Promise<void> {
  const beside = join(dataDir, BEING_MADE);
  await rm(beside, { recursive: true, force: true });
  await make(beside);
  await rm(databasePath(dataDir), { recursive: true, force: true });
  await rename(beside, databasePath(dataDir));
}

/** Says in the directory that a database was made here. */
export async function mark(dataDir: string): Promise<void> {
  const file = await open(join(dataDir, MARK), 'w');
  await file.writeFile(`${JSON.stringify({ made: 'by Low Gap', format: 1 })}\n`);
  await file.sync();
  await file.close();
}

/** The newest of the copies in the directory, by name; null: there is none. */
export async function newestCopy(dataDir: string): Promise<string | null> {
  const names = await readdir(join(dataDir, COPIES)).catch((): string[] => []);
  const [newest] = names
    .filter((name) => name.endsWith('.zip'))
    .sort()
    .reverse();
  return newest === undefined ? null : join(dataDir, COPIES, newest);
}
