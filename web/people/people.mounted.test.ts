import { afterEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { createMemoryHistory } from 'vue-router';
import type { Me, People } from '@/contracts/people';
import { api } from '../api';
import BayBoard from '../bay/BayBoard.vue';
import { makeRouter, withoutRooms } from '../router';
import { useWho } from '../stores/who';
import { mounted } from '../testing/mounting';
import { all, key, pageText, press, said, type } from '../testing/page';
import { askWho, backTo } from './guard';
import PairPage from './PairPage.vue';
import PeopleRoom from './PeopleRoom.vue';
import SignInPage from './SignInPage.vue';

const nobody: Me = { isAsked: true, isFirst: false, who: null, device: null, names: [] };
const ID = '0b0b7b5e-51b4-4f6c-9a66-2d1cbe3a4f11';
const people: People = {
  people: [
    { id: ID, name: 'Ada', role: 'owner', hasPassword: true, hasPin: false, isAway: false },
    { id: ID.replace('0b', '1b'), name: 'Bo', role: 'bay', hasPassword: false, hasPin: true, isAway: true },
  ],
  devices: [{ id: ID, name: 'Bay 2', pairedAt: '2026-02-03T08:00:00', seenAt: '2026-02-04T08:00:00' }],
  sessions: [{ id: 'abc', name: 'Bo', device: 'Bay 2', seenAt: '2026-02-04T08:00:00', isThis: false }],
};
let wrapper: VueWrapper | null = null;
let asked: { readonly what: string; readonly body: unknown }[];
let me: Me;
afterEach(() => {
  wrapper?.unmount();
  wrapper = null;
});

/** A server at which `answers` say what comes of a request; the rest is nothing to say. */
function server(start: Me, answers: Readonly<Record<string, [number, unknown]>> = {}): void {
  asked = [];
  me = start;
  Object.assign(globalThis, {
    fetch: async (path: string, { method, body }: RequestInit) => {
      const what = `${method} ${path.replace('/api', '')}`;
      asked.push({ what, body: body === undefined ? null : JSON.parse(String(body)) });
      const [status, content] = answers[what] ?? (path.endsWith('/me') ? [200, me] : [204, undefined]);
      return { status, ok: status < 300, json: async () => content } as Response;
    },
  });
}
const sent = (what: string): unknown => asked.find((one) => one.what === what)?.body;
const show = async (component: Parameters<typeof mounted>[0]): Promise<void> => {
  ({ wrapper } = mounted(component));
  await flushPromises();
};

describe('signing in', () => {
  test('by name and password where nothing is paired', async () => {
    server(nobody, { 'POST /people/sign-in': [200, { name: 'Ada', role: 'owner', device: null }] });
    await show(SignInPage);
    await type(/^Name/, 'Ada');
    await type(/^Password/, 'steep and narrow');
    await all('form')[0]!.trigger('submit');
    await flushPromises();
    expect(sent('POST /people/sign-in')).toEqual({ name: 'Ada', password: 'steep and narrow' });
  });

  test('by a name that is pressed and a PIN on a paired tablet; by password there too', async () => {
    server({ ...nobody, device: 'Bay 2', names: ['Bo', 'Cy'] });
    await show(SignInPage);
    expect(pageText()).toContain('On Bay 2');
    await press(/^Bo/);
    await type(/^PIN/, '4711');
    await all('form')[0]!.trigger('submit');
    await flushPromises();
    expect(sent('POST /people/sign-in')).toEqual({ name: 'Bo', pin: '4711' });
    await press(/^By password/);
    expect(all('[role="radiogroup"]')).toHaveLength(0);
  });

  test('the first time by the code on the console', async () => {
    server({ ...nobody, isFirst: true });
    await show(SignInPage);
    await type(/^Code from the console/, '7KQ2-M4XV-9TBC');
    await type(/^Name/, 'Ada');
    await type(/^Password/, 'steep and narrow');
    await press(/^Make the owner/);
    await all('form')[0]!.trigger('submit');
    await flushPromises();
    expect(sent('POST /people/first')).toEqual({ code: '7KQ2-M4XV-9TBC', name: 'Ada', password: 'steep and narrow' });
  });

  test('what was wrong is said, and the name stays', async () => {
    const problem = { code: 'notAllowed', path: 'name', expected: 'a name and its password', found: 'something else' };
    server(nobody, { 'POST /people/sign-in': [401, { problems: [problem] }] });
    await show(SignInPage);
    await type(/^Name/, 'Ada');
    await all('form')[0]!.trigger('submit');
    await flushPromises();
    expect(said('sign-in-problems')).toContain('expected a name and its password');
    expect((all('input')[0]!.element as HTMLInputElement).value).toBe('Ada');
  });

  test('pages are behind it, and it leads back to where somebody was going; never elsewhere', async () => {
    setActivePinia(createPinia());
    server(nobody);
    const router = makeRouter(createMemoryHistory(), withoutRooms);
    askWho(router);
    await router.push('/jobs/7/bench?corner=frontLeft');
    expect(router.currentRoute.value).toMatchObject({
      name: 'signIn',
      query: { then: '/jobs/7/bench?corner=frontLeft' },
    });
    me = { ...nobody, who: { name: 'Ada', role: 'owner', device: null } };
    await useWho().load();
    await router.push(backTo(router.currentRoute.value.query['then']));
    expect(router.currentRoute.value.name).toBe('bench');
    expect([
      backTo('//evil.example'),
      backTo('https://evil.example'),
      backTo('/\\evil.example'),
      backTo(undefined),
    ]).toEqual(['/', '/', '/', '/']);
  });

  test('a session that ended leads to it, from wherever somebody was', async () => {
    setActivePinia(createPinia());
    server({ ...nobody, who: { name: 'Ada', role: 'owner', device: null } }, { 'GET /jobs': [401, { problems: [] }] });
    const router = makeRouter(createMemoryHistory(), withoutRooms);
    askWho(router);
    await router.push('/bin');
    me = nobody;
    await api.listJobs();
    await flushPromises();
    expect(router.currentRoute.value).toMatchObject({ name: 'signIn', query: { then: '/bin' } });
  });

  test('a job refused before the first page stands is where signing in leads back to', async () => {
    setActivePinia(createPinia());
    server(nobody, { [`GET /jobs/${ID}`]: [401, { problems: [] }] });
    const router = makeRouter(createMemoryHistory(), withoutRooms);
    askWho(router);
    const at = `/jobs/${ID}/bench`;
    // As the page begins: the job is asked for beside the way to its room.
    expect(await api.readJob(ID)).toMatchObject({ ok: false });
    await flushPromises();
    expect(router.currentRoute.value.name).toBeUndefined();
    await router.push(at);
    expect(router.currentRoute.value).toMatchObject({ name: 'signIn', query: { then: at } });
  });

  test('where nobody is asked everything is open', async () => {
    setActivePinia(createPinia());
    server({ ...nobody, isAsked: false });
    const router = makeRouter(createMemoryHistory(), withoutRooms);
    askWho(router);
    await router.push('/bin');
    expect(router.currentRoute.value.name).toBe('bin');
    expect(useWho().may('lookAfter')).toBe(true);
  });
});

test('a device is paired by its code and a name', async () => {
  server(nobody);
  await show(PairPage);
  await type(/^Code/, '7KQ2-M4XV-9TBC');
  await type(/^What this device is called/, 'Bay 2');
  await all('form')[0]!.trigger('submit');
  await flushPromises();
  expect(sent('POST /people/pair')).toEqual({ code: '7KQ2-M4XV-9TBC', name: 'Bay 2' });
});

describe('people', () => {
  const room = async (answers: Readonly<Record<string, [number, unknown]>> = {}): Promise<void> => {
    server(nobody, { 'GET /people': [200, people], ...answers });
    await show(PeopleRoom);
  };

  test('are listed with what they may do and how they sign in, their tablets and sessions beside them', async () => {
    await room();
    const text = pageText();
    expect(text).toMatch(/Ada\s*owner\s*signs in by password/);
    expect(text).toMatch(/Bo\s*away: may not sign in/);
    expect(text).toMatch(/Bay 2\s*paired 3 Feb 2026, 08:00/);
    await press(/Let Bo in again/);
    expect(sent(`PUT /people/${people.people[1]!.id}`)).toEqual({ isAway: false });
    await press(/Forget Bay 2/);
    await press(/Sign Bo out/);
    expect(asked.map(({ what }) => what)).toEqual(
      expect.arrayContaining([`DELETE /people/devices/${ID}`, 'DELETE /people/sessions/abc']),
    );
  });

  test('somebody new is made with a role and a PIN; a name that is taken is said in the form', async () => {
    const problem = { code: 'conflict', path: 'name', expected: 'a name nobody has', found: 'Bo' };
    await room({ 'POST /people': [409, { problems: [problem] }] });
    await press(/^Somebody new/);
    await type(/^Name/, 'Bo');
    await press(/^counter/);
    await type(/^PIN/, '4711');
    await all('form')[0]!.trigger('submit');
    await flushPromises();
    expect(sent('POST /people')).toEqual({ name: 'Bo', role: 'counter', pin: '4711' });
    expect(pageText()).toContain('expected a name nobody has');
  });

  test('a tablet is paired by a picture of the address', async () => {
    const address = 'https://bay.example:4700/pair#7KQ2-M4XV-9TBC';
    const pairing = { code: '7KQ2-M4XV-9TBC', address, until: '2026-02-03T08:10:00' };
    await room({ 'POST /people/pairing': [200, pairing] });
    await press(/^Pair a tablet/);
    await flushPromises();
    await new Promise((resolve) => setTimeout(resolve, 20));
    await flushPromises();
    expect(pageText()).toContain(address);
    expect(all('img')[0]!.attributes('src')).toMatch(/^data:image\/svg\+xml/);
  });
});

test('the board shows each what they may do', async () => {
  const list = { jobs: [] };
  const as = async (role: 'owner' | 'bay') => {
    server({ ...nobody, who: { name: 'Bo', role, device: 'Bay 2' } }, { 'GET /jobs': [200, list] });
    ({ wrapper } = mounted(BayBoard));
    await useWho().load();
    await flushPromises();
  };
  await as('owner');
  expect(key(/^People/).attributes('href')).toBe('/people');
  wrapper!.unmount();
  await as('bay');
  expect(pageText()).not.toContain('This installation');
  await press(/^Sign Bo out/);
  expect(asked.map(({ what }) => what)).toContain('POST /people/sign-out');
});
