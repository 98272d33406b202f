import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { findRequestSchema } from '@/contracts/finder-api';
import { demoJobs } from '@/demo/demo-jobs';
import { openDatabase } from './db/open';
import { ownDatabase, type OwnDatabase } from './db/own-database';
import type { FindThreads } from './jobs/find-threads';
import { openSearches } from './jobs/open-searches';
import { serverProcess, until, type ServerProcess } from './testing/process';
import { LONG_QUESTION } from './testing/questions';

const POSTGRES = process.env['TEST_DATABASE_URL'];
const content = demoJobs().at(-1)!;
const search = { document: content.document, question: LONG_QUESTION };

// One directory is one process's: several there are only on a PostgreSQL server.
(POSTGRES ? describe : describe.skip)('two processes on one PostgreSQL server', () => {
  let database: OwnDatabase;
  let one: ServerProcess;
  let other: ServerProcess;
  const started: ServerProcess[] = [];
  const start = async (env: Record<string, string> = {}): Promise<ServerProcess> => {
    const at = await serverProcess({ DATABASE_URL: database.url, ...env }, ['--demo']);
    started.push(at);
    return at;
  };

  beforeAll(async () => {
    database = await ownDatabase(POSTGRES!);
    // On an empty database, at once.
    [one, other] = await Promise.all([start(), start()]);
  });
  afterAll(async () => {
    await Promise.all(started.map((each) => each.end('SIGTERM')));
    await database.drop();
  });

  const made = async (at = one): Promise<string> => (await at.send('POST', '/api/jobs', content)).body.id;
  const titled = (at: ServerProcess, id: string, revision: number, title: string, was = content.title) =>
    at.send('PATCH', `/api/jobs/${id}`, {
      revision,
      save: `title-${revision}-${title}`,
      changes: [{ path: ['title'], was, now: title }],
    });
  const over = async (at: ServerProcess, id: string) =>
    until(async () => {
      const { status, body } = await at.get(`/api/finder/${id}`);
      expect(status).toBe(200);
      return body.state === 'running' || body.state === 'waiting' ? null : body;
    });
  const isRunning = (at: ServerProcess, id: string) =>
    until(async () => {
      const { state, done } = (await at.get(`/api/finder/${id}`)).body;
      return state === 'running' && done > 0;
    });

  test('two first starts at once make one demo', async () => {
    for (const at of [one, other]) {
      expect((await at.get('/api/jobs')).body.jobs).toHaveLength(demoJobs().length);
    }
  });

  test('a save at one is heard at the other, and so is a hand at the gauge', async () => {
    const id = await made();
    const job = await other.hear(`/api/live/${id}`);
    const gauge = await other.hear('/api/devices/simulated-gauge/stream');
    expect((await titled(one, id, 1, 'Heard')).status).toBe(200);
    await until(() => job.events.some((event) => event['type'] === 'saved' && event['revision'] === 2));
    await one.send('POST', '/api/devices/simulated-gauge/act', { act: 'hold', mm: 71 });
    await one.send('POST', '/api/devices/simulated-gauge/act', { act: 'press' });
    const taken = await until(() => gauge.events.find(({ type }) => type === 'taken'));
    expect(Math.abs(Number(taken['mm']) - 71)).toBeLessThan(5);
    job.stop();
    gauge.stop();
  });

  test('connections that the server drops end nothing: both go on, and hear each other again', async () => {
    const id = await made();
    const job = await other.hear(`/api/live/${id}`);
    const drop = () =>
      database.run(
        `select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid()`,
      );
    // Idle ones, and some that a save has in hand.
    expect((await drop()).length).toBeGreaterThan(2);
    const busy = await until(() => made(other).catch(() => null));
    for (let n = 0; n < 20; n++) {
      const saves = Array.from({ length: 8 }, (_, i) => titled(one, busy, 1, `Broken ${n} ${i}`).catch(() => null));
      await drop();
      await Promise.all(saves);
    }
    // Words told while the line is down are lost: the stream is ended, and whoever comes again is told how it stands.
    await until(async () => (await titled(one, id, 1, 'Meanwhile').catch(() => null))?.status === 200);
    await until(job.isOver);
    let again = await other.hear(`/api/live/${id}`);
    await until(() => again.events.some((event) => event['type'] === 'saved' && event['revision'] === 2));
    // The line may have been down once more by then, and a word may still go out on a connection that was dropped.
    // How it stands is told first, and then each save.
    const heard = (): number => again.events.filter(({ type }) => type === 'saved').length;
    for (let revision = 2; heard() < 2;) {
      if (again.isOver()) again = await other.hear(`/api/live/${id}`);
      const was = revision === 2 ? 'Meanwhile' : `Heard again ${revision - 1}`;
      const saved = await titled(one, id, revision, `Heard again ${revision}`, was).catch(() => null);
      if (saved?.status === 200) revision++;
      expect(revision).toBeLessThan(30);
      await new Promise((resolve) => setTimeout(resolve, 500));
    }
    // One line, not one for each time it broke: a press of the gauge's button is one reading.
    const gauge = await other.hear('/api/devices/simulated-gauge/stream');
    await one.send('POST', '/api/devices/simulated-gauge/act', { act: 'press' });
    await until(() => gauge.events.some(({ type }) => type === 'taken'));
    await new Promise((resolve) => setTimeout(resolve, 500));
    expect(gauge.events.filter(({ type }) => type === 'taken')).toHaveLength(1);
    gauge.stop();
    for (const at of [one, other]) expect((await at.get('/readyz')).status).toBe(200);
    again.stop();
  });

  test('a search is looked at and ended at either; the one that runs it dies, and another ends it', async () => {
    // Alone, so that it is known who runs it.
    await other.end('SIGTERM');
    const { status, body } = await one.send('POST', '/api/finder', search);
    expect(status).toBe(202);
    await isRunning(one, body.id);
    other = await start();
    expect((await other.get(`/api/finder/${body.id}`)).body.state).toBe('running');
    await one.end('SIGKILL');
    const ended = await over(other, body.id);
    expect(ended).toMatchObject({ state: 'done', done: ended.total });
    expect(ended.result.axles[0].tally.combinations).toBe(ended.combinations);
    one = await start();
    const second = (await one.send('POST', '/api/finder', search)).body.id;
    await isRunning(other, second);
    expect((await fetch(`${other.base}/api/finder/${second}`, { method: 'DELETE' })).status).toBe(204);
    expect((await over(one, second)).state).toBe('canceled');
  });

  test('a process that is ended says so first, hands its searches on, and ends well', async () => {
    await other.end('SIGTERM');
    await one.end('SIGTERM');
    one = await start({ LOWGAP_DRAIN: '10' });
    const { id } = (await one.send('POST', '/api/finder', search)).body;
    await isRunning(one, id);
    other = await start();
    const ended = one.end('SIGTERM');
    const refused = await until(async () => {
      const answered = await one.get('/readyz');
      return answered.status === 503 && answered.body;
    });
    expect(refused.problems[0].code).toBe('busy');
    // What is asked while a proxy looks elsewhere is answered still.
    expect((await one.get('/api/jobs')).status).toBe(200);
    expect(await ended).toBe(0);
    expect((await over(other, id)).state).toBe('done');
    one = await start();
  });

  test('a search whose thread breaks each time is given up, and says so', async () => {
    await Promise.all([one, other].map((each) => each.end('SIGTERM')));
    const opened = await openDatabase({ url: database.url, dataDir: '', migrationsFolder: 'server/db/migrations' });
    let begun = 0;
    const broken = {
      run: async () => {
        begun++;
        throw new Error('the thread broke');
      },
      close: async () => undefined,
    } as unknown as FindThreads;
    const searches = await openSearches(opened, broken, () => undefined);
    const { id } = (await searches.start(findRequestSchema.parse(JSON.parse(JSON.stringify(search)))))!;
    await until(async () => (await searches.state(id))!.state === 'failed');
    expect(begun).toBe(4);
    await searches.close();
    await opened.close();
  });
});
