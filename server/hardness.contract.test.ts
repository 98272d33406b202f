import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { Writable } from 'node:stream';
import type { Express } from 'express';
import fc from 'fast-check';
import { pino } from 'pino';
import request from 'supertest';
import { ROUTES } from '@/contracts/openapi';
import { MOST_PROBLEMS } from '@/contracts/parse';
import type { JobContent } from '@/contracts/job-api';
import { demoJobs } from '@/demo/demo-jobs';
import { BinRepository } from './db/bin';
import { ownNames } from './guard';
import { LONG_QUESTION } from './testing/questions';
import { MOST_UNDER_WAY } from './jobs/searches';
import { appHere, type AppHere } from './testing/app-here';

const content: JobContent = JSON.parse(JSON.stringify(demoJobs().at(-1)!));
const written: string[] = [];
let here: AppHere;
let app: Express;

beforeAll(async () => {
  const keep = new Writable({
    write(chunk, _encoding, done) {
      written.push(String(chunk));
      done();
    },
  });
  here = await appHere(pino({ level: 'info' }, keep));
  ({ app } = here);
});
afterAll(() => here.close());

/** No refusal is larger than this, whatever was sent. */
const MOST_REFUSAL_BYTES = 100_000;

describe('requests that once stopped it', () => {
  const post = (text: string, path = '/api/jobs') => request(app).post(path).type('json').send(text);
  const refusedShortly = async (text: string, path?: string) => {
    const refused = await post(text, path).expect(400);
    expect(refused.text.length).toBeLessThan(MOST_REFUSAL_BYTES);
    return refused.body.problems as readonly { code: string; path: string }[];
  };

  test('fifty thousand lists within each other', async () => {
    const text = `{"title":"x","document":${'['.repeat(50_000)}${']'.repeat(50_000)}}`;
    expect(await refusedShortly(text)).toMatchObject([{ code: 'tooLarge' }]);
  });

  test('two hundred thousand unknown keys: the first of them are told, not all', async () => {
    const keys = Array.from({ length: 200_000 }, (_, i) => `"unknown key number ${i}":${i}`);
    const problems = await refusedShortly(`{"title":"x","document":{${keys.join(',')}}}`);
    expect(problems.length).toBeLessThanOrEqual(MOST_PROBLEMS);
    expect(problems.some(({ code }) => code === 'unknownKey')).toBe(true);
  });

  test('more fields than any job has', async () => {
    const keys = Array.from({ length: 600_000 }, (_, i) => `"k${i}":0`);
    expect(await refusedShortly(`{"title":"x","document":{${keys.join(',')}}}`)).toMatchObject([{ code: 'tooLarge' }]);
  });

  test('a key as long as a book', async () => {
    await refusedShortly(`{"title":"x","document":{"${'k'.repeat(5_000_000)}":1}}`);
  });

  test('changes with paths that go nowhere, without end, or into an object’s make', async () => {
    const { body } = await request(app).post('/api/jobs').send(content).expect(201);
    const change = (changes: unknown) =>
      request(app).patch(`/api/jobs/${body.id}`).send({ revision: 1, save: 'hostile-save', changes });
    for (const path of [
      Array.from({ length: 5000 }, () => 'x'),
      ['constructor', 'prototype', 'x'],
      [{ id: '__proto__' }],
      [],
      'document',
    ]) {
      const { status, text } = await change([{ path, now: { polluted: true } }]);
      expect([400, 409]).toContain(status);
      expect(text.length).toBeLessThan(2_000_000);
    }
    expect(({} as { polluted?: unknown }).polluted).toBeUndefined();
    expect((await request(app).get(`/api/jobs/${body.id}`)).body.revision).toBe(1);
  });

  test('searches beyond what is looked at in any time are refused, and the rest go on', async () => {
    const asked = await Promise.all(
      Array.from({ length: MOST_UNDER_WAY + 10 }, () =>
        request(app).post('/api/finder').send({ document: content.document, question: LONG_QUESTION }),
      ),
    );
    const started = asked.filter(({ status }) => status === 202);
    const refused = asked.filter(({ status }) => status === 429);
    expect(started.length + refused.length).toBe(asked.length);
    expect(refused.length).toBeGreaterThan(0);
    expect(refused[0]!.body.problems[0].code).toBe('busy');
    for (const { body } of started) await request(app).delete(`/api/finder/${body.id}`);
  });

  test('the board of a thousand jobs is short: no documents go with it', async () => {
    const many = Array.from({ length: 1000 }, (_, i) => here.jobs.create({ ...content, title: `Job ${i}` }));
    const ids = (await Promise.all(many)).map(({ id }) => id);
    const { text } = await request(app).get('/api/jobs').expect(200);
    // 14 MB with the documents.
    expect(text.length).toBeLessThan(1_000_000);
    const bin = new BinRepository(here.database.db);
    for (const id of ids) {
      await here.jobs.remove(id);
      await bin.forget('jobs', id);
    }
  });
});

describe('other sites', () => {
  test('a name that is not this server’s is not answered: a page cannot point its own name here', async () => {
    const foreign = await request(app).get('/api/jobs').set('host', 'tires.example:4700').expect(421);
    expect(foreign.body.problems[0]).toMatchObject({ path: 'Host', found: 'tires.example:4700' });
    await request(app).get('/').set('host', 'tires.example').expect(421);
    for (const host of ['localhost:4700', '127.0.0.1:4700', '[::1]:4700']) {
      await request(app).get('/api/jobs').set('host', host).expect(200);
    }
  });

  test('on a network it answers to its addresses and to the names that are set', () => {
    const names = ownNames(true, ['bay.hill.example']);
    expect(names.has('bay.hill.example')).toBe(true);
    expect(names.has('127.0.0.1')).toBe(true);
    expect(ownNames(false).has('bay.hill.example')).toBe(false);
  });

  test('what another site has a browser send is refused; its own pages and programs are not', async () => {
    const { body: job } = await request(app).post('/api/jobs').send(content).expect(201);
    const photo = () => request(app).post(`/api/photos?job=${job.id}`).set('content-type', 'text/plain');
    const jpeg = Buffer.from([0xff, 0xd8, 0xff, 0xe0]);
    await photo().set('sec-fetch-site', 'cross-site').send(jpeg).expect(403);
    await photo().set('origin', 'https://tires.example').send(jpeg).expect(403);
    await photo().set('origin', 'null').send(jpeg).expect(403);
    await photo().set('sec-fetch-site', 'same-origin').send(jpeg).expect(201);
    await photo().send(jpeg).expect(201);
    await request(app).get('/api/jobs').set('sec-fetch-site', 'cross-site').expect(403);
    await request(app).delete(`/api/jobs/${job.id}`).set('sec-fetch-site', 'same-site').expect(403);
    await request(app).get(`/api/jobs/${job.id}`).expect(200);
  });
});

describe('what is written down', () => {
  test('a fault of the database’s is logged by its kind and place, with nothing that was to be written', async () => {
    const secret = 'Customer whose name is nobody’s business';
    const { body: job } = await request(app)
      .post('/api/jobs')
      .send({ ...content, customer: secret })
      .expect(201);
    written.length = 0;
    // A photo whose name is taken is refused; a job's row that cannot be written is a fault.
    const broken = here.failing(secret);
    await request(broken)
      .post('/api/jobs')
      .send({ ...content, customer: secret })
      .expect(500);
    const log = written.join('');
    expect(log).toContain('"fault"');
    expect(log).not.toContain('nobody’s business');
    expect(log).not.toContain(content.document.vehicle.label);
    await request(app)
      .get(`/api/jobs/${job.id}?customer=${encodeURIComponent(secret)}`)
      .expect(200);
    expect(written.join('')).not.toContain('business');
  });
});

describe('seeded hostile requests over every route', () => {
  const ID = '0b0b7b5e-51b4-4f6c-9a66-2d1cbe3a4f11';
  const part = fc.constantFrom(
    ID,
    'x',
    '%00',
    '..%2f..%2fetc',
    '9'.repeat(400),
    '%E0%A4%A',
    "' or 1=1 --",
    '__proto__',
  );
  const body = fc.oneof(
    fc.json({ maxDepth: 6 }),
    fc.constantFrom('', '{', '[[[[', 'null', '"x"', '1e308', '{"__proto__":{"x":1}}', '\u0000'),
    fc
      .record({ title: fc.anything(), document: fc.anything(), changes: fc.anything() })
      .map((value) => JSON.stringify(value, plain)),
  );
  const type = fc.constantFrom(
    'application/json',
    'text/plain',
    'application/json; charset=utf-99',
    'multipart/form-data',
  );
  const routes = ROUTES.filter(({ path }) => !path.endsWith('/stream') && !path.startsWith('/api/live'));
  const NUMBER = Number(process.env['LOWGAP_HOSTILE'] ?? 400);

  test(`${NUMBER} of them: no fault, no long answer, and it goes on answering`, async () => {
    await fc.assert(
      fc.asyncProperty(fc.constantFrom(...routes), part, body, type, async ({ method, path }, id, text, mediaType) => {
        const address = path.replace(/\{\w+\}/g, () => id);
        const asked = request(app)[method](address).set('content-type', mediaType);
        const { status, text: answered = '' } = await (method === 'get' ? asked : asked.send(text));
        expect({ method, address, status: status < 500 }).toEqual({ method, address, status: true });
        if (status >= 400) expect(answered.length).toBeLessThan(MOST_REFUSAL_BYTES);
      }),
      { numRuns: NUMBER, seed: 25 },
    );
    await request(app).get('/healthz').expect(200);
  }, 600_000);
});

/** Numbers that JSON has no text for, and functions, go as text. */
const plain = (_key: string, value: unknown): unknown =>
  typeof value === 'bigint' || typeof value === 'symbol' || typeof value === 'function' ? String(value) : value;
