import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { spawn } from 'node:child_process';
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  rmSync,
  truncateSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { demoJobs } from '@/demo/demo-jobs';
import { claim, DataDirectoryDamaged, DataDirectoryInUse } from './data-directory';
import { durable } from './durable-files';
import { JobRepository } from './job-repository';
import { openDatabase } from './open';

let dataDir: string;
beforeEach(() => {
  dataDir = mkdtempSync(join(tmpdir(), 'lowgap-dir-'));
});
afterEach(() => rmSync(dataDir, { recursive: true, force: true }));

const open = () => openDatabase({ dataDir, migrationsFolder: 'server/db/migrations' });

describe('one process at a time', () => {
  test('a second one is refused, whatever the clock says, and let in once the first is done', async () => {
    const release = await claim(dataDir);
    // A time of the lock in the future, or long past, bars nobody and lets nobody in.
    for (const year of [2001, 2099]) {
      utimesSync(join(dataDir, 'lock'), new Date(`${year}-01-01`), new Date(`${year}-01-01`));
      await expect(claim(dataDir)).rejects.toThrow(DataDirectoryInUse);
    }
    await release();
    await (
      await claim(dataDir)
    )();
  });

  test('a process that is stopped keeps it; one that was killed has let go at once', async () => {
    const code = `import { openSync } from 'node:fs';
      import { tryLock } from 'fs-native-extensions';
      tryLock(openSync(${JSON.stringify(join(dataDir, 'lock'))}, 'a'));
      process.stdout.write('held');
      setInterval(() => undefined, 1000);`;
    const holder = spawn(process.execPath, ['--input-type=module', '-e', code], {
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    await new Promise((resolve) => holder.stdout.once('data', resolve));
    holder.kill('SIGSTOP');
    await expect(claim(dataDir)).rejects.toThrow(/Another Low Gap is already running/);
    const gone = new Promise((resolve) => holder.once('exit', resolve));
    holder.kill('SIGKILL');
    await gone;
    await (
      await claim(dataDir)
    )();
  });
});

describe('what is no whole database is said, and left as it is', () => {
  async function made(): Promise<string> {
    const database = await open();
    const { id } = await new JobRepository(database.db).create(demoJobs().at(-1)!);
    await database.close();
    return id;
  }

  test('without PG_VERSION no new one is put over the old one; with it back all is there', async () => {
    const id = await made();
    const version = join(dataDir, 'pg/PG_VERSION');
    rmSync(version);
    const before = readdirSync(join(dataDir, 'pg')).sort();
    await expect(open()).rejects.toThrow(DataDirectoryDamaged);
    await expect(open()).rejects.toThrow(/PG_VERSION is not in .*Nothing was changed/);
    expect(readdirSync(join(dataDir, 'pg')).sort()).toEqual(before);
    writeFileSync(version, '18\n');
    const again = await open();
    expect((await new JobRepository(again.db).get(id))?.title).toBe(demoJobs().at(-1)!.title);
    await again.close();
  });

  test('a database that is gone is not begun anew; a copy of it is named', async () => {
    await made();
    rmSync(join(dataDir, 'pg'), { recursive: true });
    mkdirSync(join(dataDir, 'copies'));
    for (const day of ['2026-01-04', '2026-01-05']) writeFileSync(join(dataDir, `copies/low-gap-${day}.zip`), '');
    await expect(open()).rejects.toThrow(/is gone or empty.*The newest copy is .*2026-01-05\.zip/);
    expect(existsSync(join(dataDir, 'pg'))).toBe(false);
  });

  test('damage inside is told in a line of ours, not in pages of the engine’s', async () => {
    await made();
    truncateSync(join(dataDir, 'pg/global/pg_control'), 0);
    const error = await open().then(
      () => null,
      (reason: unknown) => reason as Error,
    );
    expect(error).toBeInstanceOf(DataDirectoryDamaged);
    expect(error!.message.length).toBeLessThan(600);
    // The lock was let go of.
    await (
      await claim(dataDir)
    )();
  });

  test('what a killed first start left half made is made anew', async () => {
    mkdirSync(join(dataDir, 'pg.new/base'), { recursive: true });
    writeFileSync(join(dataDir, 'pg.new/half'), '');
    const database = await open();
    expect(await new JobRepository(database.db).isEmpty()).toBe(true);
    await database.close();
    expect(existsSync(join(dataDir, 'pg.new'))).toBe(false);
  });
});

// PostgreSQL's documentation, "WAL reliability": a commit is safe once its log is on the disk. A power cut cannot be had here.
test('a commit is acknowledged only after its log was put on the disk', async () => {
  let synced = 0;
  const lite = await PGlite.create(durable(join(dataDir, 'pg'), () => void synced++));
  try {
    const { rows } = await lite.query<{ fsync: string }>('show fsync');
    expect(rows).toEqual([{ fsync: 'on' }]);
    await lite.exec('create table notes (text text)');
    for (let n = 0; n < 5; n++) {
      const before = synced;
      await lite.query('insert into notes values ($1)', ['kept']);
      expect(synced).toBeGreaterThan(before);
    }
    const before = synced;
    await lite.query('select count(*) from notes');
    expect(synced).toBe(before);
  } finally {
    await lite.close();
  }
});
