import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, test } from '@jest/globals';
import { demoJobs } from '@/demo/demo-jobs';
import { DraftStore, type Draft } from './draft-store';

const content = demoJobs().at(-1)!;
const draft = (tab: string, at: number, more: Partial<Draft> = {}): Draft => ({
  ...content,
  job: 'job-1',
  tab,
  revision: 3,
  saves: [],
  at,
  ...more,
});

let store: DraftStore;
let n = 0;
beforeEach(() => {
  store = new DraftStore(`test-${n++}`);
});

describe('unsent work in this browser', () => {
  test('lies by job and tab: two tabs do not take each other’s place', async () => {
    await store.put(draft('a', 1, { title: 'from a' }));
    await store.put(draft('b', 2, { title: 'from b' }));
    await store.put(draft('a', 3, { title: 'from a, later' }));
    await store.put(draft('a', 9, { job: 'job-2' }));
    expect((await store.ofJob('job-1')).map(({ title }) => title)).toEqual(['from a, later', 'from b']);
    await store.drop('job-1', 'a');
    expect((await store.ofJob('job-1')).map(({ tab }) => tab)).toEqual(['b']);
    expect(await store.ofJob('job-2')).toHaveLength(1);
  });

  test('a document of ten megabytes is kept like any other, to the last point', async () => {
    const points = Array.from({ length: 300_000 }, (_, i): [number, number, number] => [i + 0.125, -i, 2 * i]);
    const corner = content.document.corners.frontLeft!;
    const scan = {
      id: 'scan',
      mount: 'body' as const,
      material: 'liner' as const,
      shape: { type: 'scan' as const, points },
    };
    const document = { ...content.document, corners: { frontLeft: { ...corner, obstacles: [scan] } } };
    expect(JSON.stringify(document).length).toBeGreaterThan(8e6);
    await store.put(draft('a', 1, { document }));
    const [kept] = await store.ofJob('job-1');
    expect(kept!.document).toEqual(document);
  });

  test('what no schema would take is kept all the same: keeping is not judging', async () => {
    const odd = { ...content.document, vehicle: { label: '' } };
    await store.put(draft('a', 1, { document: odd }));
    expect((await store.ofJob('job-1'))[0]!.document.vehicle.label).toBe('');
  });

  test('half-filled forms lie beside the drafts, by job and form', async () => {
    await store.putForm({ job: 'job-1', form: 'step', value: 'Wax it' });
    await store.putForm({ job: 'job-1', form: 'due', value: { text: 'Look' } });
    expect(await store.form('job-1', 'step')).toBe('Wax it');
    expect(await store.form('job-2', 'step')).toBeUndefined();
    await store.dropForm('job-1', 'step');
    expect(await store.form('job-1', 'step')).toBeUndefined();
    expect(await store.form('job-1', 'due')).toEqual({ text: 'Look' });
  });
});
