import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { Express } from 'express';
import request from 'supertest';
import type { Change, Step } from '@/contracts/changes/change';
import type { Job, JobContent } from '@/contracts/job-api';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { demoJobs } from '@/demo/demo-jobs';
import { appHere, type AppHere } from './testing/app-here';

const content: JobContent = JSON.parse(JSON.stringify(demoJobs().at(-1)!));
let here: AppHere;
let app: Express;
let saves = 0;

beforeAll(async () => {
  here = await appHere();
  ({ app } = here);
});
afterAll(() => here.close());

const made = async (of: JobContent = content): Promise<Job> =>
  (await request(app).post('/api/jobs').send(of).expect(201)).body as Job;
const patch = (id: string, revision: number, changes: readonly Change[], save = `save-number-${saves++}`) =>
  request(app).patch(`/api/jobs/${id}`).send({ revision, save, changes });
const read = async (id: string): Promise<Job> => (await request(app).get(`/api/jobs/${id}`).expect(200)).body as Job;

const spacer: readonly Step[] = ['document', 'setup', 'spacerMm'];
const was = content.document.setup!.spacerMm;

describe('several writers of one job', () => {
  test('a change of one field makes one revision, and says so', async () => {
    const { id } = await made();
    const { body } = await patch(id, 1, [{ path: spacer, was, now: 7 }]).expect(200);
    expect(body).toMatchObject({ revision: 2, since: [{ revision: 2, changes: [{ path: spacer, was, now: 7 }] }] });
    expect((await read(id)).document.setup!.spacerMm).toBe(7);
  });

  test('other fields of an older revision do not meet; the answer says what came between', async () => {
    const { id } = await made();
    await patch(id, 1, [{ path: ['customer'], was: content.customer, now: 'Lift crew' }]).expect(200);
    const { body } = await patch(id, 1, [{ path: spacer, was, now: 4 }]).expect(200);
    expect(body).toMatchObject({ revision: 3, since: [{ revision: 2 }, { revision: 3 }] });
    expect(await read(id)).toMatchObject({ customer: 'Lift crew', document: { setup: { spacerMm: 4 } } });
  });

  test('the same field clashes: nothing is written, both values come back', async () => {
    const { id } = await made();
    await patch(id, 1, [{ path: spacer, was, now: 5 }]).expect(200);
    const late = await patch(id, 1, [
      { path: spacer, was, now: 9 },
      { path: ['title'], was: content.title, now: 'Late' },
    ]).expect(409);
    expect(late.body).toMatchObject({
      problems: [{ code: 'conflict', expected: '2', found: '1' }],
      clashes: [{ path: spacer, mine: 9, theirs: 5 }],
      since: [{ revision: 2 }],
    });
    expect(await read(id)).toMatchObject({ title: content.title, revision: 2 });
  });

  test('ten writers at once with a field each: all ten are there', async () => {
    const open = JSON.parse(JSON.stringify(content)) as JobContent;
    open.document.corners.frontLeft!.typed = {};
    const { id } = await made(open);
    const names = Array.from({ length: 10 }, (_, i) => `field${i}`);
    const answers = await Promise.all(
      names.map((name, i) =>
        patch(id, 1, [{ path: ['document', 'corners', 'frontLeft', 'typed', name], now: String(i) }]),
      ),
    );
    expect(answers.map(({ status }) => status)).toEqual(names.map(() => 200));
    const { document, revision } = await read(id);
    expect(names.map((name) => document.corners.frontLeft!.typed?.[name])).toEqual(names.map((_, i) => String(i)));
    expect(revision).toBe(11);
  });

  test('a save sent again because its answer got lost is made once', async () => {
    const { id } = await made();
    const path = ['document', 'corners', 'frontLeft', 'obstacles', { id: firstPart().id }, 'readings'];
    const before = firstPart().readings ?? [];
    const reading = { clock: '9:00', across: 'tread', gapMm: 44, steer: 'straight' };
    const change = [{ path, was: before, now: [...before, reading] }];
    await patch(id, 1, change, 'the-same-save').expect(200);
    const again = await patch(id, 1, change, 'the-same-save').expect(200);
    expect(again.body).toMatchObject({ revision: 2, since: [{ save: 'the-same-save' }] });
    const part = (await read(id)).document.corners.frontLeft!.obstacles[0]!;
    expect(part.readings).toHaveLength(before.length + 1);
  });

  test('what would be no job is refused by its field, and kept out', async () => {
    const { id } = await made();
    const refused = await patch(id, 1, [{ path: spacer, was, now: 4000 }]).expect(400);
    expect(refused.body.problems).toMatchObject([{ code: 'outOfRange', path: 'document.setup.spacerMm' }]);
    const proto = await patch(id, 1, [{ path: ['document', '__proto__', 'x'], now: 1 }]).expect(400);
    expect(proto.body.problems[0].path).toMatch(/^changes/);
    const apart = `apart:${'a'.repeat(64)}`;
    await patch(id, 1, [{ path: ['document', 'setup'], now: apart }]).expect(400);
    expect((await read(id)).revision).toBe(1);
  });
});

const firstPart = () => content.document.corners.frontLeft!.obstacles[0]!;

describe('long lists lie apart from their document', () => {
  const scan = (points: number[][]) => ({
    id: 'scan',
    mount: 'body',
    material: 'liner',
    shape: { type: 'scan', points },
  });
  const points = Array.from({ length: 100_000 }, (_, i) => [-400.123456 + i / 997, 20.654321 + i / 991, 480.987654]);

  test('a scan comes back whole through saves, history and an earlier state; forty saves of its job add little', async () => {
    const withScan = JSON.parse(JSON.stringify(content)) as JobContent;
    withScan.document.corners.frontLeft!.obstacles.push(scan(points) as never);
    expect(JSON.stringify(withScan).length).toBeGreaterThan(4e6);
    const { id } = await made(withScan);
    await here.database.tidy();
    const size = async () => (await here.database.size()) / 1e6;
    const before = await size();
    for (let n = 0; n < 40; n++) {
      await patch(id, n + 1, [{ path: spacer, was: n === 0 ? was : n, now: n + 1 }]).expect(200);
    }
    // 311 MB when every save wrote the whole document.
    expect((await size()) - before).toBeLessThan(10);
    const stored = (await read(id)).document.corners.frontLeft!.obstacles.at(-1)!.shape!.points;
    expect(stored).toHaveLength(100_000);
    expect(stored[99_999]).toEqual(points[99_999]);
    // Taken away, it is still in the states before.
    const path = ['document', 'corners', 'frontLeft', 'obstacles', { id: 'scan' }];
    await patch(id, 41, [{ path, was: scan(points), after: lastPart(withScan) }]).expect(200);
    expect((await read(id)).document.corners.frontLeft!.obstacles.map((o) => o.id)).not.toContain('scan');
    const then = await request(app).get(`/api/jobs/${id}/history/41`).expect(200);
    const back = (then.body.document as LowgapFile).corners.frontLeft!.obstacles.at(-1)!;
    expect(back.shape!.points).toHaveLength(100_000);
  });

  const lastPart = ({ document }: JobContent) => document.corners.frontLeft!.obstacles.at(-2)!.id;
});

describe('a part with a scan', () => {
  const points = (from: number) => Array.from({ length: 500 }, (_, i) => [from + i, i, 7]);
  const at = (...rest: readonly string[]) => ['document', 'corners', 'frontLeft', 'obstacles', { id: 'scan' }, ...rest];
  const scanned = (): JobContent => {
    const own = JSON.parse(JSON.stringify(content)) as JobContent;
    const shape = { type: 'scan', points: points(0) };
    own.document.corners.frontLeft!.obstacles.push({ id: 'scan', mount: 'body', material: 'liner', shape } as never);
    return own;
  };

  test('another scan in its place is told to others whole, as one change', async () => {
    const { id } = await made(scanned());
    const path = at('shape', 'points');
    await patch(id, 1, [{ path, was: points(0), now: points(9) }]).expect(200);
    const { body } = await request(app).get(`/api/jobs/${id}/changes?since=1`).expect(200);
    expect(body.since[0].changes).toEqual([{ path, was: points(0), now: points(9) }]);
    const late = await patch(id, 1, [{ path, was: points(0), now: points(5) }]).expect(409);
    expect(late.body.clashes).toEqual([{ path, mine: points(5), theirs: points(9) }]);
  });

  test('is checked beside its scan: what no part may say is refused', async () => {
    const { id } = await made(scanned());
    const refused = await patch(id, 1, [{ path: at('label'), now: 'x'.repeat(200) }]).expect(400);
    expect(refused.body.problems[0].path).toMatch(/obstacles\[\d+\]\.label$/);
    await patch(id, 1, [{ path: at('wings'), now: 2 }]).expect(400);
    expect((await read(id)).revision).toBe(1);
  });
});

describe('nothing is lost', () => {
  test('every save is told, and any earlier state comes back', async () => {
    const { id } = await made();
    for (const n of [1, 2, 3]) await patch(id, n, [{ path: spacer, was: n === 1 ? was : n - 1, now: n }]).expect(200);
    const { body } = await request(app).get(`/api/jobs/${id}/history`).expect(200);
    expect(body.sets.map(({ revision }: { revision: number }) => revision)).toEqual([4, 3, 2]);
    expect(body.sets[0]).toMatchObject({ count: 1, paths: ['document.setup.spacerMm'] });
    const then = await request(app).get(`/api/jobs/${id}/history/2`).expect(200);
    expect(then.body).toMatchObject({ revision: 2, document: { setup: { spacerMm: 1 } } });
    const first = await request(app).get(`/api/jobs/${id}/history/1`).expect(200);
    expect(first.body.document).toEqual((await made()).document);
    await request(app).get(`/api/jobs/${id}/history/9`).expect(404);
  });

  test('a job in the bin is off the board, refuses saves, and comes back as it was; forgotten, it is gone', async () => {
    const { id } = await made();
    await request(app).delete(`/api/jobs/${id}`).expect(204);
    await request(app).delete(`/api/jobs/${id}`).expect(404);
    await request(app).get(`/api/jobs/${id}`).expect(404);
    await patch(id, 1, [{ path: spacer, was, now: 3 }]).expect(404);
    const { body: bin } = await request(app).get('/api/bin').expect(200);
    expect(bin.jobs.map((job: { id: string }) => job.id)).toContain(id);
    await request(app).post(`/api/bin/jobs/${id}/back`).expect(204);
    expect((await read(id)).document).toEqual((await made()).document);
    await request(app).delete(`/api/bin/jobs/${id}`).expect(404);
    await request(app).delete(`/api/jobs/${id}`).expect(204);
    await request(app).delete(`/api/bin/jobs/${id}`).expect(204);
    await request(app).post(`/api/bin/jobs/${id}/back`).expect(404);
  });

  test('wells and catalog rows come back too', async () => {
    const well = {
      kind: 'pickup',
      title: 'Long bed',
      cornerKey: 'frontLeft',
      corner: content.document.corners.frontLeft,
    };
    const { body: kept } = await request(app).post('/api/wells').send(well).expect(201);
    const items = [{ kind: 'tire', data: { size: '285/70R17' } }];
    const { body: added } = await request(app).post('/api/catalogue').send({ items }).expect(201);
    for (const [kind, id] of [
      ['wells', kept.id],
      ['catalogue', added.items[0].id],
    ] as const) {
      const listed = async () => JSON.stringify((await request(app).get(`/api/${kind}`).expect(200)).body).includes(id);
      await request(app).delete(`/api/${kind}/${id}`).expect(204);
      expect(await listed()).toBe(false);
      await request(app).post(`/api/bin/${kind}/${id}/back`).expect(204);
      expect(await listed()).toBe(true);
    }
  });

  test('a row nobody can read is named and its text can be had; every other job stands on the board', async () => {
    const fine = await made();
    const { id } = await made({ ...content, title: 'Broken' });
    await here.breakJob(id);
    const { body } = await request(app).get('/api/jobs').expect(200);
    const heads = new Map<string, { summary: unknown; title: string }>(
      body.jobs.map((job: { id: string }) => [job.id, job]),
    );
    expect(heads.get(fine.id)!.summary).not.toBeNull();
    expect(heads.get(id)).toMatchObject({ title: 'Broken', summary: null });
    const refused = await request(app).get(`/api/jobs/${id}`).expect(422);
    expect(refused.body.problems[0]).toMatchObject({ path: 'document.format' });
    const text = await request(app).get(`/api/jobs/${id}/text`).expect(200);
    expect(JSON.parse(text.text)).toMatchObject({ title: 'Broken', document: { odd: true } });
    await request(app).delete(`/api/jobs/${id}`).expect(204);
  });
});
