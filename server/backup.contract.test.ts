import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { createWriteStream, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import request from 'supertest';
import type { JobContent, JobHead } from '@/contracts/job-api';
import { demoCatalogue } from '@/demo/demo-catalogue';
import { demoJobs } from '@/demo/demo-jobs';
import { Copies, checkCopy } from './shop-copy/copies';
import { hidden } from './people/secrets';
import { SignIn } from './people/sign-in';
import { writeShop } from './shop-copy/write-shop';
import { appHere, type AppHere } from './testing/app-here';

const content: JobContent = JSON.parse(JSON.stringify(demoJobs().at(-1)!));
const jpeg = Buffer.from([0xff, 0xd8, 0xff, 0xe0, 1, 2, 3]);
const noTerms = { read: async () => null };
let here: AppHere;
/** Another shop, empty, embedded whatever the first one lies on. */
let other: AppHere;
let directory: string;
let changed: string;
let photo: string;

beforeAll(async () => {
  directory = mkdtempSync(join(tmpdir(), 'lowgap-copy-'));
  here = await appHere();
  other = await appHere(pino({ level: 'silent' }), '');
  for (const job of demoJobs().slice(0, 3)) await request(here.app).post('/api/jobs').send(job).expect(201);
  const points = Array.from({ length: 2000 }, (_, i) => [i + 0.123456, -i, 7]);
  const scan = { id: 'scan', mount: 'body', material: 'liner', shape: { type: 'scan', points } };
  const scanned = JSON.parse(JSON.stringify(content)) as JobContent;
  scanned.document.corners.frontLeft!.obstacles.push(scan as never);
  changed = (await request(here.app).post('/api/jobs').send(scanned).expect(201)).body.id;
  const rename = { path: ['customer'], was: content.customer, now: 'Piste team' };
  await request(here.app)
    .patch(`/api/jobs/${changed}`)
    .send({ revision: 1, save: 'the-first-save', changes: [rename] });
  photo = (await request(here.app).post(`/api/photos?job=${changed}`).type('image/jpeg').send(jpeg).expect(201)).body
    .id;
  const thrown = (await request(here.app).post('/api/jobs').send(content).expect(201)).body.id;
  await request(here.app).delete(`/api/jobs/${thrown}`).expect(204);
  const broken = (await request(here.app).post('/api/jobs').send(content).expect(201)).body.id;
  await here.breakJob(broken);
  await request(here.app).post('/api/catalogue').send({ items: demoCatalogue() }).expect(201);
  const well = {
    kind: 'pickup',
    title: 'Long bed',
    cornerKey: 'frontLeft',
    corner: content.document.corners.frontLeft,
  };
  await request(here.app).post('/api/wells').send(well).expect(201);
  await here.people.add({ name: 'Ada', role: 'owner', password: await hidden('steep and narrow'), pin: null });
  await here.people.add({ name: 'Bo', role: 'bay', password: null, pin: await hidden('4711') });
});
afterAll(async () => {
  rmSync(directory, { recursive: true, force: true });
  await Promise.all([here.close(), other.close()]);
});

const copyOf = async (): Promise<Buffer> =>
  (
    await request(here.app)
      .get('/api/backup')
      .buffer(true)
      .parse(binary as never)
      .expect(200)
  ).body as Buffer;
const binary = (response: NodeJS.ReadableStream, done: (error: Error | null, body: Buffer) => void): void => {
  const chunks: Buffer[] = [];
  response.on('data', (chunk: Buffer) => chunks.push(chunk));
  response.on('end', () => done(null, Buffer.concat(chunks)));
};
const bring = (how: string, zip: Buffer, to = other) =>
  request(to.app).post(`/api/backup?how=${how}`).type('application/zip').send(zip);
/** Everything a shop has, to be compared. */
const everything = async ({ whole }: AppHere) => ({
  jobs: await Promise.all((await whole.jobIds()).map((id) => whole.job(id))),
  photos: await whole.photoList(),
  items: await whole.items(),
  wells: await whole.wells(),
  people: await whole.people(),
});

describe('the whole shop as one file', () => {
  test('said first, then brought in: equal to the original, document by document, save by save', async () => {
    const zip = await copyOf();
    const before = await everything(here);
    const plan = await bring('plan', zip).expect(200);
    expect(plan.body.jobs).toMatchObject({ same: 0, differing: [] });
    expect(plan.body.jobs.added).toHaveLength(before.jobs.length);
    expect(plan.body.jobs.unreadable.length).toBeGreaterThan(0);
    expect(await other.whole.jobCount()).toBe(0);
    await bring('add', zip).expect(200);
    expect(await everything(other)).toEqual(before);
    const scanned = (await request(other.app).get(`/api/jobs/${changed}`).expect(200)).body;
    expect(scanned.document.corners.frontLeft.obstacles.at(-1).shape.points).toHaveLength(2000);
    const then = await request(other.app).get(`/api/jobs/${changed}/history/1`).expect(200);
    expect(then.body.customer).toBe(content.customer);
    const picture = await request(other.app).get(`/api/photos/${photo}`).expect(200);
    expect(Buffer.compare(picture.body as Buffer, jpeg)).toBe(0);
    const again = await bring('plan', zip).expect(200);
    expect(again.body).toMatchObject({
      jobs: { added: [], same: before.jobs.length, differing: [] },
      photos: { added: 0 },
    });
  });

  test('what differs stays unless it is to be replaced, and is a save that can be taken back then', async () => {
    const zip = await copyOf();
    const mine = { path: ['customer'], was: 'Piste team', now: 'Changed after the copy' };
    const patch = { revision: 2, save: 'after-the-copy', changes: [mine] };
    await request(other.app).patch(`/api/jobs/${changed}`).send(patch).expect(200);
    const customer = async () => (await request(other.app).get(`/api/jobs/${changed}`)).body.customer as string;
    const added = await bring('add', zip).expect(200);
    expect(added.body.jobs.differing).toHaveLength(1);
    expect(await customer()).toBe('Changed after the copy');
    await bring('replace', zip).expect(200);
    expect(await customer()).toBe('Piste team');
    const then = await request(other.app).get(`/api/jobs/${changed}/history/3`).expect(200);
    expect(then.body.customer).toBe('Changed after the copy');
  });

  test('people come along without what they sign in with; the owner is made anew, under the name there is', async () => {
    const zip = await copyOf();
    expect(zip.includes('scrypt')).toBe(false);
    expect((await bring('plan', zip).expect(200)).body.people).toEqual({ added: 0, same: 2 });
    const brought = await other.people.list();
    expect(brought.map(({ name, role, password, pin }) => ({ name, role, password, pin }))).toEqual([
      { name: 'Ada', role: 'owner', password: null, pin: null },
      { name: 'Bo', role: 'bay', password: null, pin: null },
    ]);
    const code = await new SignIn(other.people).firstCode();
    const owner = request.agent(other.asked());
    expect((await owner.get('/api/people/me').expect(200)).body.isFirst).toBe(true);
    await owner.post('/api/people/first').send({ code, name: 'ada', password: 'another long one' }).expect(200);
    expect((await owner.get('/api/people').expect(200)).body.people).toHaveLength(2);
    expect(await new SignIn(other.people).firstCode()).toBeNull();
  });

  test('one that lies in the bin is not put back, and that is said; whoever has another one open hears of it', async () => {
    const zip = await copyOf();
    const titles = demoJobs().map(({ title }) => title);
    const heads: readonly JobHead[] = (await request(other.app).get('/api/jobs').expect(200)).body.jobs;
    const [open, thrown] = [0, 1].map((i) => heads.find(({ title }) => title === titles[i])!.id);
    for (const id of [open, thrown]) {
      const { title } = (await request(other.app).get(`/api/jobs/${id}`).expect(200)).body;
      const one = { path: ['title'], was: title, now: 'Renamed' };
      await request(other.app)
        .patch(`/api/jobs/${id}`)
        .send({ revision: 1, save: `rename-${id}`, changes: [one] })
        .expect(200);
    }
    await request(other.app).delete(`/api/jobs/${thrown}`).expect(204);
    const heard: unknown[] = [];
    const stop = other.live.listen(
      open!,
      '',
      (event) => void heard.push(event),
      () => undefined,
    );
    const done = await bring('replace', zip).expect(200);
    stop();
    expect(done.body.jobs.left).toHaveLength(1);
    expect(heard).toContainEqual({ type: 'saved', revision: 3 });
    expect((await request(other.app).get(`/api/jobs/${open}`)).body.title).not.toBe('Renamed');
  });

  test('out of an embedded database and into another one, on a PostgreSQL server where that is what is tested', async () => {
    const back = await appHere();
    const from = await everything(other);
    const zip = (
      await request(other.app)
        .get('/api/backup')
        .buffer(true)
        .parse(binary as never)
        .expect(200)
    ).body as Buffer;
    await bring('add', zip, back).expect(200);
    expect(await everything(back)).toEqual(from);
    await back.close();
  });

  test.each<[string, (zip: Buffer) => Buffer, RegExp]>([
    ['no zip', () => Buffer.from('hello'), /a zip/],
    ['half a zip', (zip) => zip.subarray(0, zip.length / 2), /half of one/],
    ['a zip with a flipped byte', flipped, /damaged|unpacked|whole JSON/],
  ])('%s is refused with what is wrong, and nothing of it comes in', async (_what, damage, says) => {
    const before = await everything(other);
    const refused = await bring('add', damage(await copyOf())).expect(400);
    expect(JSON.stringify(refused.body.problems)).toMatch(says);
    expect(await everything(other)).toEqual(before);
  });
});

/** One byte of an entry's content, well behind the first header. */
function flipped(zip: Buffer): Buffer {
  const copy = Buffer.from(zip);
  copy[400] = copy[400]! ^ 0xff;
  return copy;
}

describe('copies by day', () => {
  const day = (n: number): Date => new Date(2026, 0, n, 3);

  test('one a day, opened again before it counts; the oldest go', async () => {
    const copies = new Copies(join(directory, 'copies'), other.whole, noTerms, 2);
    expect(await copies.list()).toEqual([]);
    expect(await copies.make(day(5))).toMatchObject({ name: 'low-gap-2026-01-05.zip' });
    expect(await copies.make(day(5))).toBeNull();
    for (const n of [6, 7]) await copies.make(day(n));
    expect((await copies.list()).map(({ name }) => name)).toEqual(['low-gap-2026-01-06.zip', 'low-gap-2026-01-07.zip']);
    await checkCopy(join(directory, 'copies/low-gap-2026-01-07.zip'));
  });

  test('a copy that was damaged on the disk is no copy', async () => {
    const path = join(directory, 'damaged.zip');
    await writeShop(other.whole, noTerms, createWriteStream(path), day(9));
    await checkCopy(path);
    writeFileSync(path, flipped(readFileSync(path)));
    await expect(checkCopy(path)).rejects.toThrow();
  });
});

test('the installation says what it is and counts what happened, and nothing that was in it', async () => {
  const before = (await request(here.app).get('/api/installation').expect(200)).body;
  await request(here.app).patch(`/api/jobs/${changed}`).send({ revision: 99 }).expect(400);
  const one = { path: ['title'], was: content.title, now: 'Counted' };
  await request(here.app)
    .patch(`/api/jobs/${changed}`)
    .send({ revision: 2, save: 'counted-save', changes: [one] })
    .expect(200);
  const after = (await request(here.app).get('/api/installation').expect(200)).body;
  expect(after.counts.saves - before.counts.saves).toBe(1);
  expect(after.counts.refused - before.counts.refused).toBe(1);
  expect(after.databaseBytes).toBeGreaterThan(1e6);
  expect(JSON.stringify(after)).not.toContain(content.title);
});
