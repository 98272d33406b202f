import { afterEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { demoJobs } from '@/demo/demo-jobs';
import { lowgapFileSchema } from '@/contracts/lowgap-file';
import type { Job, JobContent } from '@/contracts/job-api';
import { mounted } from '../testing/mounting';
import { all, alerts, key, pageText, press, said, type } from '../testing/page';
import BayBoard from './BayBoard.vue';
import { blankJob } from './blank-job';

const ID = '33333333-3333-4333-8333-333333333333';
const made: JobContent[] = [];
let wrapper: VueWrapper;

const answer = (status: number, body: unknown): Response =>
  ({ status, ok: status < 300, json: async () => JSON.parse(JSON.stringify(body)) as unknown }) as Response;
const kept = (content: JobContent, n: number): Job => ({
  id: `${n}${ID.slice(1)}`,
  revision: 1,
  createdAt: '2026-01-05T08:00:00.000Z',
  updatedAt: '2026-01-06T09:30:00.000Z',
  savedBy: null,
  ...content,
});

/** The board of a server that keeps these jobs; `refuses` answers a new one with a refusal. */
async function board(jobs: readonly JobContent[], refuses = false): Promise<void> {
  made.length = 0;
  Object.assign(globalThis, {
    fetch: async (_path: string, init: RequestInit) => {
      if (init.method === 'GET') return answer(200, { jobs: jobs.map(kept) });
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
