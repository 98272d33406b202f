import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import addFormats from 'ajv-formats';
import { Ajv2020 } from 'ajv/dist/2020.js';
import fc from 'fast-check';
import request from 'supertest';
import type { Express } from 'express';
import { MOST_JOB_BYTES } from '@/contracts/job-size';
import { demoJobs } from '@/demo/demo-jobs';
import { appHere, type AppHere } from './testing/app-here';

const [content] = demoJobs().slice(-1);
let here: AppHere;
let app: Express;

beforeAll(async () => {
  here = await appHere();
  ({ app } = here);
});

afterAll(() => here.close());

const create = () => request(app).post('/api/jobs').send(content);

describe('sheets over HTTP', () => {
  test('what is due comes back as a calendar; a day that is none is refused', async () => {
    const event = { id: 'a', due: '2027-02-01', text: 'Wheel nuts again', note: '' };
    const { text } = await request(app)
      .post('/api/sheets/calendar')
      .send({ title: 'Job', events: [event] })
      .expect(200)
      .expect('content-type', /text\/calendar/);
    expect(text).toContain('DTSTART;VALUE=DATE:20270201');
    const refused = await request(app)
      .post('/api/sheets/calendar')
      .send({ title: 'Job', events: [{ ...event, due: '2027-02-31' }] })
      .expect(400);
    expect(refused.body.problems[0].path).toBe('events[0].due');
  });
});

describe('answers by the published document', () => {
  interface Published {
    readonly paths: Record<string, Record<string, { readonly responses: Record<string, Answer> }>>;
  }
  interface Answer {
    readonly content?: { readonly 'application/json'?: { readonly schema: object } };
  }

  test.each(['/healthz', '/api/jobs', '/api/catalogue', '/api/wells', '/api/devices', '/api/shop', '/api/bin'])(
    '%s answers what is written of it',
    async (path) => {
      await create().expect(201);
      const { body: document } = await request(app).get('/api/openapi.json').expect(200);
      const { schema } = (document as Published).paths[path]!['get']!.responses['200']!.content!['application/json']!;
      const ajv = new Ajv2020({ strict: false, allErrors: true });
      addFormats(ajv);
      ajv.addSchema(document, 'api');
      const local = JSON.parse(JSON.stringify(schema).replaceAll('"#/', '"api#/')) as object;
      const { body } = await request(app).get(path).expect(200);
      expect(ajv.validate(local, body) ? [] : ajv.errors).toEqual([]);
    },
  );

  test('a refusal is what is written of one', async () => {
    const { body: document } = await request(app).get('/api/openapi.json').expect(200);
    const ajv = new Ajv2020({ strict: false });
    addFormats(ajv);
    ajv.addSchema(document, 'api');
    const { body } = await request(app).post('/api/jobs').send({ title: '' }).expect(400);
    expect(ajv.validate({ $ref: 'api#/components/schemas/Refusal' }, body)).toBe(true);
    expect(ajv.validate({ $ref: 'api#/components/schemas/Refusal' }, { problems: [{ code: 'no such' }] })).toBe(false);
  });
});

describe('the shop’s own rates', () => {
  const TERMS = {
    toolSet: 'hand',
    labourMinorPerHour: 9500,
    taxMillionths: 190_000,
    taxOn: 'all',
    minutes: { unbolt: 20 },
    partsMinor: {},
  };

  test('are none until somebody says them, then the same for every job; the last one who says them is right', async () => {
    const before = await request(app).get('/api/shop').expect(200);
    await request(app).put('/api/shop').send({ terms: TERMS }).expect(200);
    expect((await request(app).get('/api/shop')).body).toEqual({ terms: TERMS });
    await request(app)
      .put('/api/shop')
      .send({ terms: { ...TERMS, labourMinorPerHour: 11_000 } })
      .expect(200);
    expect((await request(app).get('/api/shop')).body.terms.labourMinorPerHour).toBe(11_000);
    expect(before.body).toEqual({ terms: null });
  });

  test('what cannot be is refused with its place, and nothing changes', async () => {
    const before = (await request(app).get('/api/shop')).body;
    const refused = await request(app)
      .put('/api/shop')
      .send({ terms: { ...TERMS, taxMillionths: 2_000_000 } })
      .expect(400);
    expect(refused.body.problems[0].path).toBe('terms.taxMillionths');
    expect((await request(app).get('/api/shop')).body).toEqual(before);
  });
});

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

  test('the board gets what it shows of each job, and no documents', async () => {
    const { body: job } = await create();
    const { body } = await request(app).get('/api/jobs').expect(200);
    const head = body.jobs.find(({ id }: { id: string }) => id === job.id);
    const corner = Object.values(content!.document.corners)[0]!;
    expect(head).toMatchObject({ title: content!.title, revision: 1, summary: { fitted: corner.fitted.tire.size } });
    expect(head).not.toHaveProperty('document');
    await request(app).delete(`/api/jobs/${job.id}`).expect(204);
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
      .send(`"${'x'.repeat(MOST_JOB_BYTES + 1)}"`)
      .expect(413);
    expect(large.body.problems[0].code).toBe('tooLarge');
    expect((await request(app).get('/api/jobs/seven').expect(400)).body.problems[0].path).toBe('id');
    await request(app).get('/api/jobs/%E0%A4%A').expect(400);
    await request(app).get('/api/tires').expect(404);
  });

  test('a job with a scan as large as is allowed is kept and comes back whole', async () => {
    const points = Array.from({ length: 100_000 }, (_, i) => [-400.123456 + i / 997, 20.654321 + i / 991, 480.987654]);
    const scan = { id: 'scan', mount: 'body', material: 'liner', shape: { type: 'scan', points } };
    const { corners } = content!.document;
    const [key, corner] = Object.entries(corners)[0]!;
    const document = { ...content!.document, corners: { ...corners, [key]: { ...corner, obstacles: [scan] } } };
    const body = { ...content!, document };
    expect(JSON.stringify(body).length).toBeGreaterThan(4_000_000);
    const made = await request(app).post('/api/jobs').send(body).expect(201);
    const back = await request(app).get(`/api/jobs/${made.body.id}`).expect(200);
    expect(back.body.document.corners[key].obstacles[0].shape.points).toHaveLength(100_000);
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

describe('the catalogue over HTTP', () => {
  const tire = { kind: 'tire', data: { size: '285/70R17', loadIndex: 121, speedSymbol: 'S' } };
  const wheel = { kind: 'wheel', data: { diameterIn: 17, widthIn: 8.5, offsetMm: 0, boltPattern: '6x139.7' } };

  test('takes many at once, changes one, removes it once', async () => {
    const { body } = await request(app)
      .post('/api/catalogue')
      .send({ items: [tire, wheel] })
      .expect(201);
    const [made] = body.items as { id: string }[];
    const listed = await request(app).get('/api/catalogue').expect(200);
    expect(listed.body.items).toEqual(expect.arrayContaining([expect.objectContaining({ id: made!.id, ...tire })]));
    const changed = { kind: 'tire', data: { ...tire.data, measuredDiameterMm: 829 } };
    const put = (revision: number, item: object) =>
      request(app).put(`/api/catalogue/${made!.id}`).send({ revision, item });
    const saved = await put(1, changed).expect(200);
    expect(saved.body).toMatchObject({ data: changed.data, revision: 2 });
    const late = await put(1, tire).expect(409);
    expect(late.body).toMatchObject({ problems: [{ code: 'conflict' }], item: { data: changed.data, revision: 2 } });
    await put(2, wheel).expect(404);
    await request(app).delete(`/api/catalogue/${made!.id}`).expect(204);
    await request(app).delete(`/api/catalogue/${made!.id}`).expect(404);
  });

  test.each([
    ['a size nobody can read', { kind: 'tire', data: { size: 'big' } }, 'items[0].data.size'],
    [
      'neither offset nor backspacing',
      { kind: 'wheel', data: { diameterIn: 17, widthIn: 8 } },
      'items[0].data.backspacingMm',
    ],
    [
      'a backspacing beyond the rim',
      { kind: 'wheel', data: { diameterIn: 17, widthIn: 8, backspacingMm: 300 } },
      'items[0].data.backspacingMm',
    ],
    [
      'a speed symbol there is not',
      { kind: 'tire', data: { size: '285/70R17', speedSymbol: 'I' } },
      'items[0].data.speedSymbol',
    ],
  ])('%s is refused and nothing of the batch is kept', async (_what, bad, path) => {
    const count = async (): Promise<number> => (await request(app).get('/api/catalogue')).body.items.length;
    const before = await count();
    const { body } = await request(app)
      .post('/api/catalogue')
      .send({ items: [bad, tire] })
      .expect(400);
    expect(body.problems.map((p: { path: string }) => p.path)).toContain(path);
    expect(await count()).toBe(before);
  });
});

describe('photos over HTTP', () => {
  /** The smallest PNG there is: one pixel. */
  const png = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  );
  const send = (job: string, body: Buffer) =>
    request(app).post(`/api/photos?job=${job}`).set('content-type', 'application/octet-stream').send(body);

  test('a picture comes back as it went, and goes with its job', async () => {
    const { body: job } = await create();
    const { body } = await send(job.id, png).expect(201);
    const back = await request(app).get(`/api/photos/${body.id}`).expect(200).expect('content-type', 'image/png');
    expect(Buffer.compare(back.body as Buffer, png)).toBe(0);
    await request(app).delete(`/api/jobs/${job.id}`).expect(204);
    // In the bin it keeps its photos; forgotten, it does not.
    await request(app).get(`/api/photos/${body.id}`).expect(200);
    await request(app).delete(`/api/bin/jobs/${job.id}`).expect(204);
    await request(app).get(`/api/photos/${body.id}`).expect(404);
  });

  test('what is no picture, too much of one, or of no job is refused', async () => {
    const { body: job } = await create();
    const text = await send(job.id, Buffer.from('hello there')).expect(400);
    expect(text.body.problems[0]).toMatchObject({ expected: 'a JPEG, PNG or WebP picture' });
    await send(job.id, Buffer.alloc(5_000_000)).expect(413);
    await send('00000000-0000-4000-8000-000000000000', png).expect(404);
  });
});

describe('the well library over HTTP', () => {
  const well = {
    kind: 'pickup',
    title: 'Patrol pickup, long bed',
    cornerKey: 'frontLeft',
    corner: content!.document.corners.frontLeft,
  };

  test('keeps a well exactly and removes it once; a corner that is none is refused by its field', async () => {
    const { body } = await request(app).post('/api/wells').send(well).expect(201);
    const listed = await request(app).get('/api/wells').expect(200);
    expect(listed.body.wells.find((w: { id: string }) => w.id === body.id)).toMatchObject(well);
    const broken = { ...well, corner: { ...well.corner, travel: { bumpMm: -5, droopMm: 90 } } };
    const refused = await request(app).post('/api/wells').send(broken).expect(400);
    expect(refused.body.problems[0].path).toBe('corner.travel.bumpMm');
    await request(app).delete(`/api/wells/${body.id}`).expect(204);
    await request(app).delete(`/api/wells/${body.id}`).expect(404);
  });
});

describe('devices over HTTP', () => {
  test('lists what there is, and refuses what is not a device or not an act', async () => {
    const { body } = await request(app).get('/api/devices').expect(200);
    expect(body.devices.map((d: { kind: string }) => d.kind)).toEqual(['gauge', 'scanner']);
    await request(app).post('/api/devices/nothing/act').send({ act: 'press' }).expect(404);
    await request(app).post('/api/devices/simulated-gauge/act').send({ act: 'throw' }).expect(400);
    await request(app).post('/api/devices/simulated-gauge/act').send({ act: 'hold', mm: 40 }).expect(204);
  });
});

test('the example is a job like any other, made anew each time', async () => {
  const first = await request(app).post('/api/jobs/example').expect(201);
  const second = await request(app).post('/api/jobs/example').expect(201);
  expect(first.body.id).not.toBe(second.body.id);
  expect(first.body.title).toMatch(/^Example: /);
  const read = await request(app).get(`/api/jobs/${first.body.id}`).expect(200);
  expect(read.body.document).toEqual(first.body.document);
});
