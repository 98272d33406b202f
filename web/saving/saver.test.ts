import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import type { JobContent, JobUpdate } from '@/contracts/job-api';
import { demoJobs } from '@/demo/demo-jobs';
import { api } from '../api';
import { FakeServer, ID } from '../testing/fake-server';
import type { Draft } from './draft-store';
import { Saver, type SaverStatus } from './saver';
import { saveWords } from './save-words';

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
});

afterEach(() => {
  jest.useRealTimers();
});

function begun(): Saver {
  return new Saver(
    ID,
    'tab',
    { content, revision: server.job.revision, isDraft: false },
    {
      send: (update: JobUpdate, options) => api.saveJob(ID, update, options),
      putDraft: async (draft) => {
        if (!shelfWorks) throw new Error('full');
        shelf = draft;
      },
      dropDraft: async () => void (shelf = null),
      newToken: () => `token-${tokens++}`,
      now: () => Date.now(),
      changed: (status) => void statuses.push(status),
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
    expect(saver.status).toMatchObject({ state: 'saved', newer: null });
    expect(server.job).toMatchObject({ title: 'and more', revision: 3 });
  });

  test('somebody else’s save between is still a conflict', async () => {
    const saver = begun();
    server.losesAnswers = true;
    saver.take(titled('mine'));
    await settle(400);
    server.losesAnswers = false;
    server.job = { ...server.job, title: 'theirs', revision: 9, savedBy: 'another' };
    await settle(2100);
    expect(saver.status).toMatchObject({ state: 'conflict', keptHere: true, newer: { title: 'theirs' } });
    await settle(60_000);
    expect(server.job.title).toBe('theirs');
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

describe('the page goes away', () => {
  test('what was typed a moment before is sent along, and is no conflict should the page come back', async () => {
    const saver = begun();
    saver.take(titled('x'));
    saver.pageGoes();
    await settle(1);
    // A document of the demo's size is over what a browser carries on: it is put away here instead.
    expect(shelf?.title).toBe('x');
    const small = { ...content, title: 'small', document: { ...content.document, corners: {} } };
    saver.take(small);
    saver.pageGoes();
    await settle(1);
    expect(server.keptAlive.map(({ title }) => title)).toContain('small');
    expect(shelf?.saves).toContain(server.keptAlive.at(-1)!.save);
    await settle(400);
    expect(saver.status).toMatchObject({ state: 'saved', newer: null });
  });

  test('nothing is sent where nothing changed', async () => {
    begun().pageGoes();
    await settle(1);
    expect(server.keptAlive).toEqual([]);
    expect(shelf).toBeNull();
  });
});
