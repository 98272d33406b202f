import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { demoJobs } from '@/demo/demo-jobs';
import { lowgapFileSchema } from '@/contracts/lowgap-file';
import type { Job, JobContent, JobHead } from '@/contracts/job-api';
import { summaryOf } from '@/contracts/job-summary';
import { DraftStore, type Draft } from '../saving/draft-store';
import { FakeServer } from '../testing/fake-server';
import { mounted } from '../testing/mounting';
import { all, alerts, key, pageText, press, said, type } from '../testing/page';
import BayBoard from './BayBoard.vue';
import { blankJob } from './blank-job';

const ID = '33333333-3333-4333-8333-333333333333';
const made: JobContent[] = [];
const thrown = new Set<string>();
let wrapper: VueWrapper;

const answer = (status: number, body: unknown): Response =>
  ({ status, ok: status < 300, json: async () => JSON.parse(JSON.stringify(body)) as unknown }) as Response;
const kept = (content: JobContent, n: number): Job => ({
  id: `${n}${ID.slice(1)}`,
  revision: 1,
  createdAt: '2026-01-05T08:00:00.000Z',
  updatedAt: '2026-01-06T09:30:00.000Z',
  ...content,
});

const headOf = ({ document, ...job }: Job): JobHead => ({ ...job, summary: summaryOf(document) });

/** The board of a server that keeps these jobs; `refuses` answers a new one with a refusal. */
async function board(jobs: readonly JobContent[], refuses = false): Promise<void> {
  made.length = 0;
  thrown.clear();
  Object.assign(globalThis, {
    fetch: async (path: string, init: RequestInit) => {
      const all = jobs.map(kept).filter(({ id }) => !thrown.has(id));
      if (path === '/api/jobs' && init.method === 'GET') return answer(200, { jobs: all.map(headOf) });
      if (init.method === 'GET')
        return answer(
          200,
          all.find(({ id }) => path.endsWith(id)),
        );
      if (init.method === 'DELETE') {
        thrown.add(path.split('/').at(-1)!);
        return answer(204, undefined);
      }
      const back = /^\/api\/bin\/jobs\/(.*)\/back$/.exec(path);
      if (back) {
        thrown.delete(back[1]!);
        return answer(204, undefined);
      }
      const content = JSON.parse(String(init.body)) as JobContent;
      made.push(content);
      if (!refuses) return answer(201, kept(content, 9));
      return answer(422, { problems: [{ code: 'missing', path: 'title', expected: 'a name', found: 'none' }] });
    },
  });
  ({ wrapper } = mounted(BayBoard));
  await flushPromises();
}

afterEach(() => wrapper.unmount());

describe('the bay board', () => {
  test('each job stands with its vehicle and what is fitted', async () => {
    await board(demoJobs());
    const cards = all('.cards > li').map((card) => card.text());
    expect(cards).toHaveLength(demoJobs().length);
    demoJobs().forEach(({ title, document }, i) => {
      expect(cards[i]).toContain(title);
      expect(cards[i]).toContain(document.vehicle.label);
      expect(cards[i]).toContain(Object.values(document.corners)[0]!.fitted.tire.size);
    });
  });

  test('where the axles have other tires the card says each', async () => {
    const content = structuredClone(demoJobs().find(({ title }) => title.startsWith('Lift-line'))!);
    const { document } = content;
    document.corners.rearLeft = structuredClone(document.corners.frontLeft!);
    document.corners.rearLeft.fitted.tire = { size: '255/85R16' };
    document.setup!.corners = { rearLeft: { tire: { size: '285/75R16' } } };
    await board([content]);
    const card = all('.cards > li')[0]!.text();
    expect(card).toContain(`front ${document.corners.frontLeft!.fitted.tire.size}, rear 255/85R16`);
    expect(card).toContain(`front ${document.setup!.tire.size}, rear 285/75R16`);
  });

  test('a job is copied for the same vehicle', async () => {
    const [content] = demoJobs();
    await board([content!]);
    await press(new RegExp(`^Copy ${content!.title.slice(0, 8)}`));
    expect(made).toHaveLength(1);
    expect(made[0]!.title).toBe(`Copy of ${content!.title}`);
    expect(made[0]!.document.corners).toEqual(content!.document.corners);
    expect(made[0]!.document.vehicle.vehicleId).toBe(kept(content!, 0).id);
  });

  test('without a job it says how to begin', async () => {
    await board([]);
    expect(said('welcome')).toContain('1. Say what is on it');
    await press(/^Begin a job/);
    expect(pageText()).toContain('What is wanted, on which vehicle');
  });

  test('a server that is away is said', async () => {
    Object.assign(globalThis, { fetch: () => Promise.reject(new TypeError('fetch failed')) });
    ({ wrapper } = mounted(BayBoard));
    await flushPromises();
    expect(alerts()).toContain('The server does not answer');
  });

  test('a new job wants a name and begins with the baseline of one corner', async () => {
    await board([]);
    await press(/^New job/);
    expect((key(/^Start with the intake/).element as HTMLButtonElement).disabled).toBe(true);
    await type(/^What is wanted/, '  Bigger tires  ');
    await press(/^Inches/);
    await all('form')[0]!.trigger('submit');
    await flushPromises();
    expect(made).toHaveLength(1);
    expect(made[0]).toMatchObject({
      title: 'Bigger tires',
      document: { vehicle: { label: 'Bigger tires' }, units: 'in' },
    });
    expect(Object.keys(made[0]!.document.corners)).toEqual(['frontLeft']);
  });

  test('a job that the server refuses says why, and the name stays', async () => {
    await board([], true);
    await press(/^New job/);
    await type(/^What is wanted/, 'Bigger tires');
    await all('form')[0]!.trigger('submit');
    await flushPromises();
    expect(said('import-problems')).toContain('a name');
    expect((all('form input')[0]!.element as HTMLInputElement).value).toBe('Bigger tires');
  });

  test.each([
    ['no JSON', 'tires: big', /JSON|read/],
    ['another format', '{"format":"other","version":1}', /lowgap/],
    ['a later version', '{"format":"lowgap","version":99}', /version/],
  ])('a file with %s is refused and made no job of', async (_, text, words) => {
    await board([]);
    const input = all('input[type="file"]')[0]!;
    Object.defineProperty(input.element, 'files', { value: [new File([text], 'job.lowgap.json')] });
    await input.trigger('change');
    await new Promise((resolve) => setTimeout(resolve, 20));
    await flushPromises();
    expect(said('import-problems')).toMatch(words);
    expect(made).toEqual([]);
  });

  test('a job’s own file becomes a job again', async () => {
    await board([]);
    const { document: own } = demoJobs().at(-1)!;
    const input = all('input[type="file"]')[0]!;
    Object.defineProperty(input.element, 'files', { value: [new File([JSON.stringify(own)], 'job.lowgap.json')] });
    await input.trigger('change');
    await new Promise((resolve) => setTimeout(resolve, 50));
    await flushPromises();
    expect(made).toHaveLength(1);
    expect(made[0]!.document).toEqual(JSON.parse(JSON.stringify(own)));
  });
});

test('a blank job is a job by the contract', () => {
  const { document: blank } = blankJob('Anything', 'in');
  expect(lowgapFileSchema.parse(JSON.parse(JSON.stringify(blank)))).toEqual(blank);
});

describe('work that the server does not have', () => {
  const draftOf = (more: Partial<Draft> = {}): Draft => {
    const [content] = demoJobs();
    const base = JSON.parse(JSON.stringify(content)) as JobContent;
    return {
      ...base,
      job: ID,
      tab: 'gone',
      revision: 1,
      base,
      saves: [],
      at: Date.parse('2026-02-03T08:00:00'),
      ...more,
    };
  };
  const shelf = new DraftStore();
  beforeEach(() => shelf.put(draftOf({ title: 'Typed in the bay' })));
  afterEach(() => shelf.drop(ID, 'gone'));
  const settled = async (): Promise<void> => {
    for (let i = 0; i < 8; i++) {
      await new Promise((resolve) => setTimeout(resolve, 60));
      await flushPromises();
    }
  };

  test('is listed on the board while the server is away, with the way into its job', async () => {
    Object.assign(globalThis, { fetch: () => Promise.reject(new TypeError('fetch failed')) });
    ({ wrapper } = mounted(BayBoard));
    await settled();
    expect(said('unsent')).toContain('Typed in the bay, changed 3 Feb 2026, 08:00: goes when the server answers');
    expect(key(/^Typed in the bay/).attributes('href')).toContain(ID);
    expect(alerts()).toContain('The server does not answer');
  });

  test('is sent from the board, field by field, and off it then', async () => {
    const server = new FakeServer();
    server.job = { ...server.job, ...draftOf().base!, id: ID };
    server.somebodySaves((job) => void (job.customer = 'Theirs'));
    Object.assign(globalThis, {
      fetch: (path: string, init: RequestInit) =>
        path === '/api/jobs' ? Promise.resolve(answer(200, { jobs: [headOf(server.job)] })) : server.fetch(path, init),
    });
    ({ wrapper } = mounted(BayBoard));
    await settled();
    expect(server.job).toMatchObject({ title: 'Typed in the bay', customer: 'Theirs' });
    expect(wrapper.find('[data-testid="unsent"]').exists()).toBe(false);
  });

  test('what both changed waits for somebody to choose', async () => {
    const server = new FakeServer();
    server.job = { ...server.job, ...draftOf().base!, id: ID };
    server.somebodySaves((job) => void (job.title = 'Theirs'));
    Object.assign(globalThis, {
      fetch: (path: string, init: RequestInit) =>
        path === '/api/jobs' ? Promise.resolve(answer(200, { jobs: [headOf(server.job)] })) : server.fetch(path, init),
    });
    ({ wrapper } = mounted(BayBoard));
    await settled();
    expect(said('unsent')).toContain('open it and choose which value stays');
    expect(server.job.title).toBe('Theirs');
  });
});

describe('the bin', () => {
  test('a job goes into it from the board, and back', async () => {
    const [content] = demoJobs();
    await board([content!]);
    await press(new RegExp(`^Put ${content!.title.slice(0, 8)}`));
    expect(said('put-into-bin')).toContain(`${content!.title} is in the bin`);
    expect(all('.cards > li')).toHaveLength(0);
    await press(/^Bring it back/);
    expect(all('.cards > li')).toHaveLength(1);
  });

  test('a job that this version cannot read is named, with its text; the others stand', async () => {
    const [content, other] = demoJobs();
    const heads = [{ ...headOf(kept(content!, 1)), summary: null }, headOf(kept(other!, 2))];
    Object.assign(globalThis, {
      fetch: async (path: string) =>
        path === '/api/jobs' ? answer(200, { jobs: heads }) : answer(200, kept(other!, 2)),
    });
    ({ wrapper } = mounted(BayBoard));
    await flushPromises();
    expect(all('.cards > li')).toHaveLength(2);
    expect(said('unreadable-job')).toContain(content!.title);
    expect(key(/^Save its text/).attributes('href')).toBe(`/api/jobs/${heads[0]!.id}/text`);
  });
});
