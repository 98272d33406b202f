import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import type { JobContent } from '@/contracts/job-api';
import { demoJobs } from '@/demo/demo-jobs';
import { api } from '../api';
import { FakeServer, ID } from '../testing/fake-server';
import type { Draft } from './draft-store';
import { Saver, type SaverStart, type SaverStatus } from './saver';
import { othersWords, saveWords } from './save-words';

const content: JobContent = demoJobs().at(-1)!;
const titled = (title: string): JobContent => ({ ...content, title });

let server: FakeServer;
let shelf: Draft | null;
let shelfWorks: boolean;
let statuses: SaverStatus[];
let tokens: number;

beforeEach(() => {
  jest.useFakeTimers({ doNotFake: ['nextTick', 'queueMicrotask', 'setImmediate'] });
  server = new FakeServer();
  Object.assign(globalThis, { fetch: server.fetch });
  shelf = null;
  shelfWorks = true;
  statuses = [];
  tokens = 0;
  adopted = [];
});

afterEach(() => {
  jest.useRealTimers();
});

let adopted: JobContent[];

const serverContent = (): JobContent => {
  const { title, customer, document } = server.job;
  return { title, customer, document };
};

function begun(start: Partial<SaverStart> = {}): Saver {
  const own = serverContent();
  return new Saver(
    ID,
    'tab',
    { content: own, base: own, revision: server.job.revision, saves: [], ...start },
    {
      send: (change, options) => api.changeJob(ID, change, options),
      since: (revision) => api.jobChanges(ID, revision),
      read: () => api.readJob(ID),
      putDraft: async (draft) => {
        if (!shelfWorks) throw new Error('full');
        shelf = draft;
      },
      dropDraft: async () => void (shelf = null),
      newToken: () => `token-${tokens++}`,
      now: () => Date.now(),
      changed: (status) => void statuses.push(status),
      adopt: (content) => void adopted.push(content),
    },
  );
}

async function settle(ms: number): Promise<void> {
  jest.advanceTimersByTime(ms);
  for (let i = 0; i < 12; i++) await new Promise((resolve) => setImmediate(resolve));
}

describe('a save that goes wrong', () => {
  test.each([500, 502, 503, 408, 429])('a %d is tried again until it is taken', async (status) => {
    const saver = begun();
    server.faulty = status;
    saver.take(titled('first'));
    await settle(400);
    expect(saver.status).toMatchObject({ state: 'waiting', keptHere: true });
    await settle(2100);
    expect(saver.status.state).toBe('waiting');
    server.faulty = null;
    await settle(4100);
    expect(saver.status.state).toBe('saved');
    expect(server.job.title).toBe('first');
  });

  test('each try waits longer than the one before, half a minute at most', async () => {
    const saver = begun();
    server.away = true;
    saver.take(titled('x'));
    const tries: number[] = [];
    const original = server.fetch;
    let at = 0;
    Object.assign(globalThis, { fetch: (path: string, init: RequestInit) => (tries.push(at), original(path, init)) });
    for (; at < 120; at++) await settle(1000);
    const waits = tries.slice(1).map((t, i) => t - tries[i]!);
    expect(waits).toEqual([...waits].sort((a, b) => a - b));
    expect(waits[0]).toBe(2);
    expect(Math.max(...waits)).toBe(30);
  });

  test('a server that hangs is said after eight seconds, not thirty', async () => {
    const saver = begun();
    server.hangs = true;
    saver.take(titled('hung'));
    await settle(400);
    expect(saver.status.state).toBe('saving');
    await settle(8100);
    expect(saver.status).toMatchObject({ state: 'waiting', keptHere: true });
    server.hangs = false;
    await settle(2100);
    expect(server.job.title).toBe('hung');
  });

  test('an answer lost after the commit is no conflict with oneself', async () => {
    const saver = begun();
    server.losesAnswers = true;
    saver.take(titled('taken'));
    await settle(400);
    expect(server.job).toMatchObject({ title: 'taken', revision: 2 });
    expect(saver.status.state).toBe('waiting');
    server.losesAnswers = false;
    saver.take(titled('and more'));
    await settle(2100);
    expect(saver.status).toMatchObject({ state: 'saved' });
    expect(server.job).toMatchObject({ title: 'and more', revision: 3 });
  });

  test('somebody who changed the same after a save nobody heard of has the last word', async () => {
    const saver = begun();
    server.losesAnswers = true;
    saver.take(titled('mine'));
    await settle(400);
    server.losesAnswers = false;
    server.somebodySaves((job) => void (job.title = 'theirs'));
    await settle(2100);
    expect(saver.status.state).toBe('saved');
    expect(server.job.title).toBe('theirs');
    expect(adopted.at(-1)!.title).toBe('theirs');
  });

  test('what the server refuses is kept here, said, and tried with the next change', async () => {
    const saver = begun();
    server.faulty = 400;
    saver.take(titled('refused'));
    await settle(400);
    expect(saver.status).toMatchObject({ state: 'refused', keptHere: true });
    expect(shelf?.title).toBe('refused');
    server.faulty = null;
    saver.take(titled('better'));
    await settle(400);
    expect(saver.status.state).toBe('saved');
    expect(server.job.title).toBe('better');
  });
});

describe('the word on the screen is true', () => {
  test('nothing is said to be kept here before it is, nor where the browser keeps nothing', async () => {
    const saver = begun();
    server.away = true;
    saver.take(titled('a'));
    expect(saver.status.keptHere).toBe(false);
    await settle(160);
    expect(saver.status.keptHere).toBe(true);
    saver.take(titled('b'));
    expect(saver.status.keptHere).toBe(false);
    shelfWorks = false;
    await settle(400);
    expect(shelf?.title).toBe('a');
    expect(saver.status).toMatchObject({ state: 'waiting', keptHere: false });
    expect(saveWords(saver.status)).toMatch(/not kept anywhere/);
  });

  test('"Saved" is said only once the server has the newest content, and the draft is gone with it', async () => {
    const saver = begun();
    let answer = (): void => undefined;
    server.holds = new Promise((resolve) => (answer = resolve));
    saver.take(titled('a'));
    await settle(400);
    saver.take(titled('b'));
    answer();
    server.holds = null;
    await settle(1);
    const saved = statuses.filter(({ state }) => state === 'saved');
    expect(saved).toHaveLength(1);
    expect(server.job.title).toBe('b');
    expect(shelf).toBeNull();
    expect(saver.isDirty).toBe(false);
  });
});

test('who else is here is said by name, each once, the nameless counted', () => {
  expect(othersWords(['Bay 2', '', 'Bay 2'])).toBe('Bay 2, another window');
  expect(othersWords(['', ''])).toBe('2 other windows');
});

describe('the page goes away', () => {
  test('what was typed a moment before is sent along, and is no conflict should the page come back', async () => {
    const saver = begun();
    saver.take(titled('x'));
    saver.pageGoes();
    await settle(1);
    expect(shelf?.title).toBe('x');
    expect(server.keptAlive.map(({ changes }) => changes)).toEqual([
      [{ path: ['title'], was: content.title, now: 'x' }],
    ]);
    expect(shelf?.saves).toContain(server.keptAlive.at(-1)!.save);
    await settle(400);
    expect(saver.status).toMatchObject({ state: 'saved' });
    expect(server.sets).toHaveLength(1);
  });

  test('more than a browser carries on after its page is put away here instead', async () => {
    const saver = begun();
    const notes = 'n'.repeat(70_000);
    saver.take({ ...content, document: { ...content.document, vehicle: { label: 'Long', notes } } });
    saver.pageGoes();
    await settle(1);
    expect(server.keptAlive).toEqual([]);
    expect(shelf?.document.vehicle.label).toBe('Long');
  });

  test('nothing is sent where nothing changed', async () => {
    begun().pageGoes();
    await settle(1);
    expect(server.keptAlive).toEqual([]);
    expect(shelf).toBeNull();
  });
});

describe('several people in one job', () => {
  const spacer = (mm: number, from = content): JobContent => ({
    ...from,
    document: { ...from.document, setup: { ...from.document.setup!, spacerMm: mm } },
  });

  test('only what changed is sent', async () => {
    const saver = begun();
    saver.take(spacer(7, serverContent()));
    await settle(400);
    const was = content.document.setup!.spacerMm;
    expect(server.writes.map(({ changes }) => changes)).toEqual([
      [{ path: ['document', 'setup', 'spacerMm'], was, now: 7 }],
    ]);
  });

  test('other fields do not meet: both are with the server, and here', async () => {
    const saver = begun();
    server.somebodySaves((job) => void (job.customer = 'Theirs'));
    saver.take(spacer(7, serverContent0()));
    await settle(400);
    expect(saver.status.state).toBe('saved');
    expect(server.job).toMatchObject({ customer: 'Theirs', document: { setup: { spacerMm: 7 } } });
    expect(adopted.at(-1)).toMatchObject({ customer: 'Theirs', document: { setup: { spacerMm: 7 } } });
    expect(saver.isDirty).toBe(false);
  });

  test('what is typed while the answer is on its way goes on top of what it brings', async () => {
    const saver = begun();
    const first = { ...serverContent0(), customer: 'Typed here' };
    let answer = (): void => undefined;
    server.holds = new Promise((resolve) => (answer = resolve));
    saver.take(first);
    await settle(400);
    server.somebodySaves((job) => void (job.title = 'Theirs'));
    saver.take(spacer(9, first));
    answer();
    server.holds = null;
    await settle(1);
    expect(saver.status.state).toBe('saved');
    expect(server.job).toMatchObject({ title: 'Theirs', customer: 'Typed here', document: { setup: { spacerMm: 9 } } });
  });

  test('the same field asks, once for each, and nothing is written until somebody chose', async () => {
    const saver = begun();
    server.somebodySaves((job) => {
      job.title = 'theirs';
      job.document.setup!.spacerMm = 5;
      job.document.setup!.bodyLiftMm = 25;
    });
    saver.take({ ...spacer(9, serverContent0()), title: 'mine' });
    await settle(400);
    expect(saver.status).toMatchObject({ state: 'conflict', keptHere: true });
    expect(saver.status.clashes).toEqual([
      { path: ['title'], mine: 'mine', theirs: 'theirs' },
      { path: ['document', 'setup', 'spacerMm'], mine: 9, theirs: 5 },
    ]);
    await settle(60_000);
    expect(server.sets).toHaveLength(1);
    saver.settle(({ path }) => (path[0] === 'title' ? 'theirs' : 'mine'));
    await settle(400);
    expect(saver.status.state).toBe('saved');
    expect(server.job).toMatchObject({ title: 'theirs', document: { setup: { spacerMm: 9, bodyLiftMm: 25 } } });
    expect(shelf).toBeNull();
  });

  test('theirs for all: nothing is left to send', async () => {
    const saver = begun();
    server.somebodySaves((job) => void (job.title = 'theirs'));
    saver.take({ ...serverContent0(), title: 'mine' });
    await settle(400);
    const writes = server.writes.length;
    saver.settle(() => 'theirs');
    await settle(400);
    expect([saver.status.state, server.writes.length, adopted.at(-1)!.title]).toEqual(['saved', writes, 'theirs']);
  });

  test('what somebody saves is heard and comes in while nothing is typed', async () => {
    const saver = begun();
    server.somebodySaves((job) => void (job.document.setup!.spacerMm = 4));
    await Promise.all([saver.hear(2), settle(1)]);
    expect(adopted.at(-1)!.document.setup!.spacerMm).toBe(4);
    expect([saver.revision, saver.isDirty]).toEqual([2, false]);
    const before = adopted.length;
    await Promise.all([saver.hear(2), settle(1)]);
    expect(adopted).toHaveLength(before);
  });

  test('a draft of an earlier page stands on what it began from: a save it was not told of is its own', async () => {
    const base = serverContent();
    server.take({ revision: 1, save: 'of-the-page', changes: [{ path: ['title'], was: base.title, now: 'Gone' }] });
    // Typed back before the page went: only the server still has it.
    const saver = begun({ content: { ...base }, base, revision: 1, saves: ['of-the-page'] });
    saver.take({ ...base });
    await settle(400);
    expect(server.job.title).toBe(base.title);
    expect(saver.status.state).toBe('saved');
  });

  test('a draft of an older version, which does not say on what it stands, is asked for as a whole', async () => {
    const mine = { ...serverContent(), title: 'Old draft' };
    const fine = begun({ content: mine, base: null, revision: 1 });
    fine.take(mine);
    await settle(400);
    expect(server.job.title).toBe('Old draft');
    const other = begun({ content: { ...mine, customer: 'Me' }, base: null, revision: 1 });
    other.take({ ...mine, customer: 'Me' });
    await settle(400);
    expect(other.status.clashes).toMatchObject([{ path: [] }]);
    other.settle(() => 'mine');
    await settle(400);
    expect(server.job).toMatchObject({ customer: 'Me' });
  });
});

/** The job as it was before anybody saved. */
const serverContent0 = (): JobContent => JSON.parse(JSON.stringify(content)) as JobContent;
