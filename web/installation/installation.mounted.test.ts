import { afterEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import type { Installation } from '@/contracts/installation-api';
import type { ShopPlan } from '@/contracts/shop-file';
import { mounted } from '../testing/mounting';
import { all, alerts, key, pageText, press, said } from '../testing/page';
import InstallationRoom from './InstallationRoom.vue';
import { planWords, sizeWords } from './installation-words';

const told: Installation = {
  version: '0.1.0',
  database: 'embedded',
  databaseBytes: 41_000_000,
  freeBytes: 53e9,
  jobs: 12,
  copies: [{ name: 'low-gap-2026-02-03.zip', bytes: 1_300_000, madeAt: '2026-02-03T03:10:00' }],
  copiesKept: 14,
  copyFailed: null,
  since: '2026-02-02T08:00:00',
  people: { people: 4, devices: 1, signedIn: 2 },
  searching: { running: 2, waiting: 3 },
  counts: { saves: 31, clashes: 2, refused: 1, faults: 0, searches: 4 },
};
const plan: ShopPlan = {
  madeAt: '2026-02-01T03:00:00',
  jobs: { added: ['Lift-line truck'], same: 3, differing: ['Patrol pickup'], unreadable: [], left: [] },
  photos: { added: 2, same: 0 },
  wells: { added: 0, same: 1 },
  catalogue: { added: 4, same: 9 },
  people: { added: 2, same: 1 },
  terms: 'kept',
};
let wrapper: VueWrapper;
let asked: string[];
afterEach(() => wrapper.unmount());

/** The room of a server that says `of` of itself and answers a file with `answer`. */
async function room(of: Partial<Installation> = {}, answer: [number, unknown] = [200, plan]): Promise<void> {
  asked = [];
  Object.assign(globalThis, {
    fetch: async (path: string, { method }: RequestInit) => {
      asked.push(`${method} ${path}`);
      const [status, body] = method === 'GET' ? [200, { ...told, ...of }] : answer;
      return { status, ok: status < 300, json: async () => body } as Response;
    },
  });
  ({ wrapper } = mounted(InstallationRoom));
  await flushPromises();
}
async function chooseFile(): Promise<void> {
  const input = all('[data-testid="shop-file"]')[0]!;
  Object.defineProperty(input.element, 'files', { value: [new File(['zip'], 'shop.zip')], configurable: true });
  await input.trigger('change');
  await flushPromises();
}

describe('this installation', () => {
  test('says what runs, on how much room, and when it was last copied', async () => {
    await room();
    const text = pageText();
    expect(text).toContain('41 MB, 12 jobs');
    expect(text).toContain('3 Feb 2026, 03:10, 1 MB, opened again and read whole; 1 of 14 days kept');
    expect(text).toContain('31 saves, 2 met another');
    expect(text).toContain('2 running, 3 waiting');
    expect(text).toMatch(/4, on 1 paired device; 2 signed in now/);
    expect(key(/^Take the whole shop/).attributes('href')).toBe('/api/backup');
  });

  test('a copy that was not made is said loudly; a server’s database is copied elsewhere', async () => {
    await room({ copyFailed: 'the disk is full' });
    expect(alerts()).toContain('the disk is full');
    wrapper.unmount();
    await room({ database: 'server', copiesKept: null, copies: [], freeBytes: null });
    expect(pageText()).toContain('the database is copied where it lies');
  });

  test('a file says first what it would change; added only at a press', async () => {
    await room();
    await chooseFile();
    expect(said('shop-plan')).toContain('Added, 1 job: Lift-line truck.');
    expect(said('shop-plan')).toContain('Here with other content, 1 job: Patrol pickup.');
    expect(asked.filter((one) => one.startsWith('POST'))).toEqual(['POST /api/backup?how=plan']);
    await press(/^Add what is not here/);
    expect(asked).toContain('POST /api/backup?how=add');
    expect(said('shop-done')).toContain('Brought in');
  });

  test('a file that is none is refused with what is wrong', async () => {
    const problem = { code: 'wrongFormat', path: '', expected: 'a shop’s file (a zip)', found: 'something else' };
    await room({}, [400, { problems: [problem] }]);
    await chooseFile();
    expect(said('shop-problems')).toContain('expected a shop’s file (a zip), found something else');
    expect(all('[data-testid="shop-plan"]')).toHaveLength(0);
  });

  test('sizes and long lists in words', () => {
    expect([sizeWords(2.34e9), sizeWords(320e6), sizeWords(12_300)]).toEqual(['2.3 GB', '320 MB', '12 kB']);
    const many = Array.from({ length: 8 }, (_, i) => `J${i}`);
    expect(planWords({ ...plan, jobs: { ...plan.jobs, added: many } })[0]).toBe(
      'Added, 8 jobs: J0, J1, J2, J3, J4 and 3 more.',
    );
  });

  test('people come in without secrets, and a job that could not be put back is named; nothing is said of none', () => {
    const said = planWords({ ...plan, jobs: { ...plan.jobs, left: ['In the bin'] } }).join(' ');
    expect(said).toContain('People added: 2. Each can sign in once you give them a password or a PIN.');
    expect(said).toContain('1 job: In the bin');
    const silent = planWords({ ...plan, people: { added: 0, same: 3 } }).join(' ');
    expect(silent).not.toMatch(/People added|Not put back/);
  });
});
