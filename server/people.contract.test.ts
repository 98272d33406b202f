import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { X509Certificate } from 'node:crypto';
import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Express } from 'express';
import request from 'supertest';
import type { JobContent } from '@/contracts/job-api';
import { demoJobs } from '@/demo/demo-jobs';
import { ownCertificate } from './certificate';
import { codeMeant, hidden, isSecret, newCode } from './people/secrets';
import { handsOver, SignIn } from './people/sign-in';
import { appHere, type AppHere } from './testing/app-here';

const content: JobContent = JSON.parse(JSON.stringify(demoJobs().at(-1)!));
const PASSWORD = 'steep and narrow';
let here: AppHere;
let app: Express;
/** Signed in as the owner, by a password, on no device. */
let owner: ReturnType<typeof request.agent>;

beforeAll(async () => {
  here = await appHere();
  app = here.asked();
  owner = request.agent(app);
  const code = await new SignIn(here.people).firstCode();
  await owner.post('/api/people/first').send({ code, name: 'Ada', password: PASSWORD }).expect(200);
});
afterAll(() => here.close());

const post = (path: string, body: object, by = owner) => by.post(`/api/people${path}`).send(body);
const agent = () => request.agent(app);

describe('the first owner', () => {
  test('is made once, by the code on the console, and by no other', async () => {
    expect(await new SignIn(here.people).firstCode()).toBeNull();
    await post('/first', { code: newCode(), name: 'Eve', password: PASSWORD }, agent()).expect(401);
    const { body } = await owner.get('/api/people/me').expect(200);
    expect(body).toMatchObject({ isAsked: true, isFirst: false, who: { name: 'Ada', role: 'owner' } });
  });
});

describe('without signing in', () => {
  test('nothing of the shop can be read or changed', async () => {
    for (const path of ['jobs', 'catalogue', 'shop', 'wells', 'bin', 'people', 'backup', 'installation', 'devices']) {
      await request(app).get(`/api/${path}`).expect(401);
    }
    await request(app).post('/api/jobs').send(content).expect(401);
    await request(app).post('/api/photos?job=x').send('x').expect(401);
    const { body } = await request(app).get('/api/people/me').expect(200);
    expect(body).toEqual({ isAsked: true, isFirst: false, who: null, device: null, names: [] });
  });

  test('where nobody is asked, the one at the machine is the owner', async () => {
    expect((await request(here.app).get('/api/people/me').expect(200)).body.isAsked).toBe(false);
    await request(here.app).get('/api/jobs').expect(200);
  });

  test('a wrong name and a wrong password are told in the same words', async () => {
    const wrong = (name: string) => post('/sign-in', { name, password: 'not this one' }, agent()).expect(401);
    expect((await wrong('Ada')).body).toEqual((await wrong('Nobody')).body);
    await post('/sign-in', { name: 'ada', password: PASSWORD }, agent()).expect(200);
  });

  test('five failures hold the name from that address, the right password too', async () => {
    await post('', { name: 'Held', role: 'counter', password: PASSWORD }).expect(201);
    for (let n = 0; n < 5; n++) await post('/sign-in', { name: 'Held', password: 'wrong one' }, agent()).expect(401);
    const held = await post('/sign-in', { name: 'Held', password: PASSWORD }, agent()).expect(429);
    expect(held.body.problems[0]).toMatchObject({ code: 'busy', expected: 'another try in 15 minutes' });
    await post('/sign-in', { name: 'Ada', password: PASSWORD }, agent()).expect(200);
  });
});

describe('paired tablets', () => {
  test('a code pairs one tablet, once; a PIN does on it and nowhere else; the tablet is revoked with all on it', async () => {
    await post('', { name: 'Bo', role: 'bay', pin: '4711' }).expect(201);
    const { body: pairing } = await post('/pairing', {}).expect(200);
    expect(pairing.address).toMatch(/^http:\/\/127\.0\.0\.1:\d+\/pair#[0-9A-Z-]{14}$/);
    const tablet = agent();
    await post('/pair', { code: newCode(), name: 'Bay 2' }, tablet).expect(401);
    // Read off one screen, typed at another.
    await post('/pair', { code: pairing.code.toLowerCase().replaceAll('-', ' '), name: 'Bay 2' }, tablet).expect(204);
    await post('/pair', { code: pairing.code, name: 'Bay 3' }, agent()).expect(401);
    const { body: me } = await tablet.get('/api/people/me').expect(200);
    expect(me).toMatchObject({ who: null, device: 'Bay 2', names: ['Bo'] });
    await post('/sign-in', { name: 'Bo', pin: '4711' }, agent()).expect(401);
    await post('/sign-in', { name: 'Bo', pin: '4712' }, tablet).expect(401);
    await post('/sign-in', { name: 'Bo', pin: '4711' }, tablet).expect(200);
    await tablet.get('/api/jobs').expect(200);
    const { body: all } = await owner.get('/api/people').expect(200);
    expect(all.sessions).toContainEqual(expect.objectContaining({ name: 'Bo', device: 'Bay 2', isThis: false }));
    const device = all.devices.find((one: { name: string }) => one.name === 'Bay 2');
    await owner.delete(`/api/people/devices/${device.id}`).expect(204);
    await tablet.get('/api/jobs').expect(401);
    expect((await tablet.get('/api/people/me')).body).toMatchObject({ device: null, names: [] });
  });
});

describe('what each may do', () => {
  const signedInAs = async (name: string, role: string) => {
    await post('', { name, role, password: PASSWORD }).expect(201);
    const one = agent();
    await post('/sign-in', { name, password: PASSWORD }, one).expect(200);
    return one;
  };
  const TERMS = {
    toolSet: 'hand',
    labourMinorPerHour: 9500,
    taxMillionths: 190_000,
    taxOn: 'all',
    minutes: {},
    partsMinor: {},
  };

  test('the bay measures, and sees no prices; it throws nothing away and hands nothing over', async () => {
    const bay = await signedInAs('Cy', 'bay');
    await owner.put('/api/shop').send({ terms: TERMS }).expect(200);
    expect((await bay.get('/api/shop').expect(200)).body).toEqual({ terms: null });
    const items = [{ kind: 'tire', data: { size: '285/70R17', priceMinor: 21_900 } }];
    const { body: added } = await owner.post('/api/catalogue').send({ items }).expect(201);
    const seen = (await bay.get('/api/catalogue').expect(200)).body.items.find(
      (item: { id: string }) => item.id === added.items[0].id,
    );
    expect(seen.data).toEqual({ size: '285/70R17' });
    await bay.put('/api/shop').send({ terms: TERMS }).expect(403);
    await bay.post('/api/catalogue').send({ items }).expect(403);
    const { body: job } = await bay.post('/api/jobs').send(content).expect(201);
    const path = ['document', 'corners', 'frontLeft', 'hubToLipMm'];
    const was = content.document.corners.frontLeft!.hubToLipMm;
    const patch = (revision: number, changes: object[]) =>
      bay.patch(`/api/jobs/${job.id}`).send({ revision, save: `by-the-bay-${revision}`, changes });
    await patch(1, [{ path, was, now: 512 }]).expect(200);
    const followUp = { due: [], handedOver: '2026-02-03' };
    const refused = await patch(2, [{ path: ['document', 'followUp'], now: followUp }]).expect(403);
    expect(refused.body.problems[0]).toMatchObject({ expected: 'somebody who may hand over', found: 'the role bay' });
    await bay.delete(`/api/jobs/${job.id}`).expect(403);
    for (const what of ['people', 'backup', 'installation']) await bay.get(`/api/${what}`).expect(403);
  });

  test('the counter sees prices and hands over; rates and people are the owner’s', async () => {
    const counter = await signedInAs('Di', 'counter');
    expect((await counter.get('/api/shop').expect(200)).body.terms).not.toBeNull();
    await counter.put('/api/shop').send({ terms: TERMS }).expect(403);
    await counter.get('/api/people').expect(403);
    const { body: job } = await counter.post('/api/jobs').send(content).expect(201);
    await counter.delete(`/api/jobs/${job.id}`).expect(204);
    await counter.delete(`/api/bin/jobs/${job.id}`).expect(403);
    await counter.post(`/api/bin/jobs/${job.id}/back`).expect(204);
  });

  test('every change is signed with who made it', async () => {
    const { body: job } = await owner.post('/api/jobs').send(content).expect(201);
    const one = { path: ['title'], was: content.title, now: 'Signed' };
    await owner
      .patch(`/api/jobs/${job.id}`)
      .send({ revision: 1, save: 'signed-save', changes: [one] })
      .expect(200);
    const { body: history } = await owner.get(`/api/jobs/${job.id}/history`).expect(200);
    expect(history.sets[0]).toMatchObject({ by: 'Ada', paths: ['title'] });
    expect((await owner.get(`/api/jobs/${job.id}`)).body.changedBy).toBe('Ada');
  });

  test('a new password, or leave, ends what is signed in; one owner is always left', async () => {
    const counter = await signedInAs('Fi', 'counter');
    const id = async (name: string): Promise<string> =>
      (await owner.get('/api/people')).body.people.find((one: { name: string }) => one.name === name).id;
    await owner
      .put(`/api/people/${await id('Fi')}`)
      .send({ password: 'another long one' })
      .expect(200);
    await counter.get('/api/jobs').expect(401);
    await owner
      .put(`/api/people/${await id('Fi')}`)
      .send({ isAway: true })
      .expect(200);
    await post('/sign-in', { name: 'Fi', password: 'another long one' }, agent()).expect(401);
    const last = await owner
      .put(`/api/people/${await id('Ada')}`)
      .send({ role: 'bay' })
      .expect(409);
    expect(last.body.problems[0].expected).toBe('an owner who is left');
    await post('', { name: 'fi', role: 'bay' }).expect(409);
  });

  test('a session ends at sign-out, and its name is another after sign-in', async () => {
    const one = agent();
    const first = await post('/sign-in', { name: 'Ada', password: PASSWORD }, one).expect(200);
    const cookie = String(first.headers['set-cookie']);
    expect(cookie).toMatch(/HttpOnly/);
    expect(cookie).toMatch(/SameSite=Strict/);
    await post('/sign-out', {}, one).expect(204);
    await one.get('/api/jobs').expect(401);
    await request(app).get('/api/jobs').set('cookie', cookie.split(';')[0]!).expect(401);
  });
});

describe('secrets', () => {
  test('are kept as scrypt makes them, each with salt of its own', async () => {
    const [one, other] = [await hidden(PASSWORD), await hidden(PASSWORD)];
    expect(one).not.toBe(other);
    expect(one).not.toContain(PASSWORD);
    expect(await isSecret(PASSWORD, one)).toBe(true);
    expect(await isSecret('steep and narroW', one)).toBe(false);
    expect(await isSecret(PASSWORD, null)).toBe(false);
  });

  test('a code is read however it is typed', () => {
    const code = newCode();
    expect(code).toMatch(/^[2-9A-HJ-NP-Z]{4}(-[2-9A-HJ-NP-Z]{4}){2}$/);
    expect(codeMeant(` ${code.toLowerCase().replaceAll('-', '')} `)).toBe(codeMeant(code));
  });

  test('handing over is told from other changes of the follow-up', () => {
    const at = ['document', 'followUp'];
    expect(handsOver([{ path: [...at, 'handedOver'], now: '2026-02-03' }])).toBe(true);
    expect(handsOver([{ path: at, now: { due: [], handedOver: '2026-02-03' } }])).toBe(true);
    expect(handsOver([{ path: ['document'], was: {}, now: { followUp: { handedOver: '2026-02-03' } } }])).toBe(true);
    expect(handsOver([{ path: at, was: { handedOver: 'x' }, now: { handedOver: 'x', due: [] } }])).toBe(false);
    expect(handsOver([{ path: [...at, 'due'], now: [] }])).toBe(false);
    expect(handsOver([{ path: ['title'], now: 'x' }])).toBe(false);
  });
});

describe('what a browser is told to do with answers', () => {
  const parts = async (isTrusted: boolean) => {
    const answered = await request(here.asked(isTrusted)).get('/api/people/me').expect(200);
    return answered.headers;
  };

  test('nothing between keeps one, a page of another site frames none, and where the certificate is known HTTPS is for good', async () => {
    const [plain, trusted] = [await parts(false), await parts(true)];
    expect(plain).toMatchObject({
      'cache-control': 'no-store',
      'content-disposition': expect.stringContaining('attachment'),
      'x-content-type-options': 'nosniff',
      'x-frame-options': 'SAMEORIGIN',
      'content-security-policy': expect.stringContaining("default-src 'self'"),
      'referrer-policy': 'no-referrer',
    });
    expect(plain['strict-transport-security']).toBeUndefined();
    expect(trusted['strict-transport-security']).toMatch(/max-age=\d+/);
    expect(plain['x-powered-by']).toBeUndefined();
  });

  test('over HTTPS cookies are this host’s alone, out of reach of scripts and of other sites', async () => {
    const signIn = async (isTrusted: boolean) =>
      request(here.asked(isTrusted))
        .post('/api/people/sign-in')
        .set('x-forwarded-proto', 'https')
        .send({ name: 'Ada', password: PASSWORD })
        .expect(200);
    const [cookie] = (await signIn(true)).headers['set-cookie'] as unknown as string[];
    expect(cookie).toMatch(/^__Host-lowgap=/);
    for (const word of ['HttpOnly', 'Secure', 'SameSite=Strict', 'Path=/']) expect(cookie).toContain(word);
    expect(cookie).not.toContain('Domain');
  });

  test('a password is of twelve characters or more, any of them, and up to 128', async () => {
    const made = (password: string) => post('', { name: `P${password.length}`, role: 'bay', password });
    expect((await made('eleven char').expect(400)).body.problems[0].path).toBe('password');
    await made('twölve 文字文字 🛞').expect(201);
    await made('x'.repeat(128)).expect(201);
    await made('x'.repeat(129)).expect(400);
  });
});

test('a certificate made here names the server, is kept until shortly before its end, and its key is the owner’s alone', async () => {
  const directory = mkdtempSync(join(tmpdir(), 'lowgap-tls-'));
  try {
    const now = new Date('2026-02-03T08:00:00Z');
    const made = await ownCertificate(directory, ['bay.example', '192.0.2.7', '[::1]'], now);
    const read = new X509Certificate(made.cert);
    expect(read.checkHost('bay.example')).toBe('bay.example');
    expect(read.checkIP('192.0.2.7')).toBe('192.0.2.7');
    expect(made.ownPrint).toBe(read.fingerprint256);
    expect(statSync(join(directory, 'key.pem')).mode & 0o077).toBe(0);
    const day = (n: number) => new Date(now.getTime() + n * 24 * 3600_000);
    expect((await ownCertificate(directory, [], day(300))).cert).toBe(made.cert);
    expect((await ownCertificate(directory, ['bay.example'], day(380))).cert).not.toBe(made.cert);
  } finally {
    rmSync(directory, { recursive: true, force: true });
  }
});
