import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { pino } from 'pino';
import request from 'supertest';
import type { Express } from 'express';
import { demoJobs } from '@/demo/demo-jobs';
import { makeApp } from './app';
import { JobRepository } from './db/job-repository';
import { openDatabase, type OpenDatabase } from './db/open';

const [content] = demoJobs().slice(-1);
let database: OpenDatabase;
let app: Express;

beforeAll(async () => {
  // The same suite runs against a PostgreSQL server when one is named.
  database = await openDatabase({
    url: process.env['TEST_DATABASE_URL'],
    dataDir: 'memory://',
    migrationsFolder: 'server/db/migrations',
  });
  app = makeApp({ jobs: new JobRepository(database.db), logger: pino({ level: 'silent' }) });
}, 60000);

afterAll(() => database.close());

const create = () => request(app).post('/api/jobs').send(content);

describe('jobs over HTTP', () => {
  test('answers /healthz from the database', async () => {
    expect((await request(app).get('/healthz').expect(200)).body).toEqual({ status: 'ok' });
  });

  test('keeps a job exactly, typed texts included', async () => {
    const made = await create().expect(201);
    const read = await request(app).get(`/api/jobs/${made.body.id}`).expect(200);
    expect(read.body).toMatchObject({ ...content, revision: 1 });
    const listed = await request(app).get('/api/jobs').expect(200);
    expect(listed.body.jobs.map((job: { id: string }) => job.id)).toContain(made.body.id);
  });

  test('saves over the revision that was read, and shows the newer job to a late writer', async () => {
    const { body: job } = await create();
    const saved = await request(app)
      .put(`/api/jobs/${job.id}`)
      .send({ ...content, title: 'Second', revision: 1 })
      .expect(200);
    expect(saved.body).toMatchObject({ title: 'Second', revision: 2 });
    const late = await request(app)
      .put(`/api/jobs/${job.id}`)
      .send({ ...content, title: 'Late', revision: 1 })
      .expect(409);
    expect(late.body).toMatchObject({
      problems: [{ code: 'conflict', path: 'revision', expected: '2', found: '1' }],
      job: { title: 'Second', revision: 2 },
    });
  });

  test('two writers at once: exactly one wins', async () => {
    const { body: job } = await create();
    const answers = await Promise.all(
      ['A', 'B', 'C'].map((title) =>
        request(app)
          .put(`/api/jobs/${job.id}`)
          .send({ ...content, title, revision: 1 }),
      ),
    );
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409, 409]);
  });

  test('removes a job once', async () => {
    const { body: job } = await create();
    await request(app).delete(`/api/jobs/${job.id}`).expect(204);
    await request(app).delete(`/api/jobs/${job.id}`).expect(404);
    await request(app).get(`/api/jobs/${job.id}`).expect(404);
    await request(app)
      .put(`/api/jobs/${job.id}`)
      .send({ ...content, revision: 1 })
      .expect(404);
  });
});

describe('bad input is refused with its field, never with 500', () => {
  const broken = (change: (document: Record<string, any>) => void) => {
    const document = structuredClone(content!.document) as Record<string, any>;
    change(document);
    return { title: 'x', document };
  };

  test.each([
    [
      'an unreadable size',
      broken((d) => (d['setup'].tire.size = 'big ones')),
      'document.setup.tire.size',
      'unreadableSize',
    ],
    [
      'a negative gap',
      broken((d) => (d['corners'].frontLeft.obstacles[0].readings[1].gapMm = -4)),
      'document.corners.frontLeft.obstacles[0].readings[1].gapMm',
      'outOfRange',
    ],
    [
      'a spacer thicker than makes sense',
      broken((d) => (d['setup'].spacerMm = 400)),
      'document.setup.spacerMm',
      'outOfRange',
    ],
    [
      'a missing lock',
      broken((d) => delete d['corners'].frontLeft.steering.lockLeftDeg),
      'document.corners.frontLeft.steering.lockLeftDeg',
      'missing',
    ],
    ['an unknown key', broken((d) => (d['setup'].wings = 2)), 'document.setup.wings', 'unknownKey'],
    [
      'an unknown mount',
      broken((d) => (d['corners'].frontLeft.obstacles[0].mount = 'roof')),
      'document.corners.frontLeft.obstacles[0].mount',
      'wrongType',
    ],
    ['another version', broken((d) => (d['version'] = 7)), 'document.version', 'wrongType'],
    ['a NUL in a title', { title: 'a\u0000b', document: content!.document }, 'title', 'wrongType'],
    ['half a character', broken((d) => (d['vehicle'].label = 'x\ud800')), 'document.vehicle.label', 'wrongType'],
    ['no title', { document: content!.document }, 'title', 'missing'],
  ])('%s', async (_name, body, path, code) => {
    const refused = await request(app).post('/api/jobs').send(body).expect(400);
    expect(refused.body.problems).toContainEqual(expect.objectContaining({ path, code }));
    for (const problem of refused.body.problems) {
      expect(problem.expected).not.toBe('');
      expect(problem.found).not.toBe('');
    }
  });

  test('a half-written body, a body too large, a bad id, an unknown address', async () => {
    const half = await request(app).post('/api/jobs').type('json').send('{"title": "x", "docu').expect(400);
    expect(half.body.problems[0].code).toBe('invalidJson');
    const large = await request(app)
      .post('/api/jobs')
      .type('json')
      .send(`"${'x'.repeat(9_000_000)}"`)
      .expect(413);
    expect(large.body.problems[0].code).toBe('tooLarge');
    expect((await request(app).get('/api/jobs/seven').expect(400)).body.problems[0].path).toBe('id');
    await request(app).get('/api/jobs/%E0%A4%A').expect(400);
    await request(app).get('/api/tires').expect(404);
  });

  test('fuzzed bodies never bring it down', async () => {
    await fc.assert(
      fc.asyncProperty(fc.jsonValue({ maxDepth: 4 }), async (value) => {
        const answered = await request(app)
          .post('/api/jobs')
          .type('json')
          .send(JSON.stringify({ title: value, document: value }));
        expect(answered.status).toBe(400);
      }),
      { numRuns: 60, seed: 3 },
    );
    await request(app).get('/healthz').expect(200);
  });
});
