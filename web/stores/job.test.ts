import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { createPinia, setActivePinia } from 'pinia';
import type { Change } from '@/contracts/changes/change';
import { changesBetween } from '@/contracts/changes/diff';
import { drafts } from '../saving/draft-store';
import { thisTab } from '../saving/tab';
import { FakeServer, ID } from '../testing/fake-server';
import { useJobStore } from './job';

class SilentWorker {
  addEventListener(): void {}
  removeEventListener(): void {}
  postMessage(): void {}
  terminate(): void {}
}

function memoryStorage(): Storage {
  const kept = new Map<string, string>();
  return {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
  } as unknown as Storage;
}

let server: FakeServer;

// By way of text: Jest's own makes objects of another realm, which are never taken for the same.
const structuredClone = <T>(of: T): T => JSON.parse(JSON.stringify(of)) as T;

Object.assign(globalThis, { Worker: SilentWorker, sessionStorage: memoryStorage(), structuredClone });

beforeEach(async () => {
  jest.useFakeTimers({ doNotFake: ['nextTick', 'queueMicrotask', 'setImmediate', 'performance'] });
  server = new FakeServer();
  Object.assign(globalThis, { fetch: server.fetch });
  setActivePinia(createPinia());
});

afterEach(async () => {
  useJobStore().close();
  await settle(1);
  jest.useRealTimers();
  for (const { tab } of await drafts().ofJob(ID)) await drafts().drop(ID, tab);
});

/** Lets timers run out and answers arrive, the browser's shelf among them. */
async function settle(ms: number): Promise<void> {
  jest.advanceTimersByTime(ms);
  for (let i = 0; i < 40; i++) {
    await new Promise((resolve) => setImmediate(resolve));
    jest.advanceTimersByTime(0);
  }
}

/** Opens the job, the tabs' roll call (120 ms) included. */
async function opened() {
  const job = useJobStore();
  const opening = job.open(ID);
  for (let i = 0; i < 6; i++) await settle(130);
  await opening;
  return job;
}

const draftOffset = async () => (await drafts().ofJob(ID))[0]?.document.setup?.wheel.offsetMm;

const setOffset = (mm: number) => (file: NonNullable<ReturnType<typeof useJobStore>['document']>) => {
  file.setup!.wheel = { diameterIn: 17, widthIn: 8.5, offsetMm: mm };
};

const inDocument = (change: Change): Change => ({ ...change, path: ['document', ...change.path] });

describe('the open job', () => {
  test('changes are saved together after a moment, and only the newest state is sent', async () => {
    const job = await opened();
    job.change(setOffset(20));
    job.change(setOffset(21));
    expect(job.saveStatus.state).toBe('saving');
    await settle(400);
    expect(server.writes.map(({ changes }) => changes.map(({ now }) => now))).toEqual([[21]]);
    expect(job.saveStatus.state).toBe('saved');
    expect(server.job.revision).toBe(2);
    expect(await draftOffset()).toBeUndefined();
  });

  test('a change is on the shelf before the server has it', async () => {
    const job = await opened();
    job.change(setOffset(33));
    await settle(160);
    expect(server.writes).toHaveLength(0);
    expect(await draftOffset()).toBe(33);
    expect(job.saveStatus).toMatchObject({ state: 'saving', keptHere: true });
  });

  test('undo and redo walk through the documents and are saved too', async () => {
    const job = await opened();
    const before = job.document;
    job.change(setOffset(20));
    job.undo();
    expect(job.document).toBe(before);
    job.redo();
    expect(job.document?.setup?.wheel.offsetMm).toBe(20);
    job.undo();
    job.change(setOffset(5));
    expect(job.redoable).toBe(0);
    await settle(400);
    expect(server.job.document.setup?.wheel.offsetMm).toBe(5);
  });

  test('changes of one gesture are undone together, those of the next one apart', async () => {
    const job = await opened();
    const before = job.document;
    for (const mm of [20, 21, 22]) job.changeSetup(setOffset(mm), 'drag-1');
    for (const mm of [30, 31]) job.changeSetup(setOffset(mm), 'drag-2');
    expect(job.document?.corners).toBe(before?.corners);
    expect(job.undoable).toBe(2);
    job.undo();
    expect(job.document?.setup?.wheel.offsetMm).toBe(22);
    job.redo();
    expect(job.document?.setup?.wheel.offsetMm).toBe(31);
    job.undo();
    job.undo();
    expect(job.document).toBe(before);
    job.changeSetup(setOffset(40), 'drag-2');
    expect(job.undoable).toBe(1);
  });

  test('while the server is away the draft waits, and goes when it is back', async () => {
    const job = await opened();
    server.away = true;
    job.change(setOffset(44));
    await settle(400);
    expect(job.saveStatus).toMatchObject({ state: 'waiting', keptHere: true });
    server.away = false;
    await settle(2100);
    expect(job.saveStatus.state).toBe('saved');
    expect(server.job.document.setup?.wheel.offsetMm).toBe(44);
  });

  test('a draft left by a reload is taken up and saved', async () => {
    const first = await opened();
    server.away = true;
    first.change(setOffset(27));
    await settle(400);
    setActivePinia(createPinia());
    server.away = false;
    const second = await opened();
    await settle(400);
    expect(second.document?.setup?.wheel.offsetMm).toBe(27);
    expect(server.job.document.setup?.wheel.offsetMm).toBe(27);
  });

  test('a save sent as the page went away is no conflict after the reload', async () => {
    const first = await opened();
    server.away = true;
    first.change(setOffset(27));
    await settle(400);
    // The server has it, under the name that the draft keeps; no page was left to hear so.
    const [draft] = await drafts().ofJob(ID);
    expect(draft!.saves.length).toBeGreaterThan(0);
    const save = draft!.saves.at(-1)!;
    server.take({ revision: 1, save, changes: changesBetween(draft!.base!.document, draft!.document).map(inDocument) });
    setActivePinia(createPinia());
    server.away = false;
    const second = await opened();
    await settle(400);
    expect(second.saveStatus.state).toBe('saved');
    expect(second.document?.setup?.wheel.offsetMm).toBe(27);
    expect(server.job.revision).toBe(2);
  });

  test('a draft opens even when the server cannot be reached at all', async () => {
    const first = await opened();
    server.away = true;
    first.change(setOffset(28));
    await settle(160);
    setActivePinia(createPinia());
    const second = await opened();
    expect(second).toMatchObject({ loadFailure: null });
    expect(second.document?.setup?.wheel.offsetMm).toBe(28);
    await settle(400);
    expect(second.saveStatus).toMatchObject({ state: 'waiting', keptHere: true });
  });

  test('what is being opened, or open, is opened once; one that could not be is tried again', async () => {
    const job = useJobStore();
    let reads = 0;
    const fetchNow = globalThis.fetch;
    Object.assign(globalThis, { fetch: (...asked: Parameters<typeof fetch>) => (reads++, fetchNow(...asked)) });
    await Promise.all([job.open(ID), job.open(ID)]);
    job.change(setOffset(17));
    await job.open(ID);
    expect({ reads, offset: job.document?.setup?.wheel.offsetMm }).toEqual({ reads: 1, offset: 17 });
    await job.close();
    expect(server.job.document.setup?.wheel.offsetMm).toBe(17);
    server.away = true;
    await job.open(ID);
    expect(job.loadFailure).toEqual({ kind: 'unreachable' });
    server.away = false;
    await job.open(ID);
    expect(job.document?.setup?.wheel.offsetMm).toBe(17);
  });

  test('without a draft an unreachable server is said', async () => {
    server.away = true;
    const job = await opened();
    expect(job.loadFailure).toEqual({ kind: 'unreachable' });
    expect(job.document).toBeNull();
  });

  test('a job left while a save is under way takes its last change along, ten times of ten', async () => {
    for (let n = 0; n < 10; n++) {
      const job = await opened();
      let answer = (): void => undefined;
      server.holds = new Promise((resolve) => (answer = resolve));
      job.change(setOffset(10));
      await settle(400);
      job.change(setOffset(11 + n));
      job.close();
      answer();
      server.holds = null;
      await settle(1);
      expect({ n, offset: server.job.document.setup?.wheel.offsetMm }).toEqual({ n, offset: 11 + n });
      expect(await draftOffset()).toBeUndefined();
    }
  });

  test('a job left while the server is away is there when it is opened again', async () => {
    const job = await opened();
    server.away = true;
    job.change(setOffset(3));
    job.close();
    await settle(1);
    expect(await draftOffset()).toBe(3);
    server.away = false;
    expect((await opened()).document?.setup?.wheel.offsetMm).toBe(3);
  });

  test('a draft that cannot be read is said, and stays whatever this tab puts away after it', async () => {
    const odd = { ...server.job.document, vehicle: { label: '' } };
    const tab = await thisTab().mine;
    await drafts().put({ title: 'Odd', customer: '', document: odd, job: ID, tab, revision: 1, saves: [], at: 1 });
    const job = await opened();
    expect(job.unreadable?.draft.title).toBe('Odd');
    job.change(setOffset(8));
    await settle(400);
    expect(job.saveStatus.state).toBe('saved');
    expect((await drafts().ofJob(ID)).map(({ title }) => title)).toEqual(['Odd']);
  });

  test('what the document cannot hold is refused as it is typed, and everything else goes on', async () => {
    const job = await opened();
    const before = job.document;
    job.change((file) => (file.vehicle.label = 'x'.repeat(500)));
    expect(job.document).toBe(before);
    expect(job.refused).toMatchObject([{ path: 'vehicle.label' }]);
    job.change(setOffset(9));
    expect(job.refused).toEqual([]);
    await settle(400);
    expect(job.saveStatus.state).toBe('saved');
    expect(server.job.document.setup?.wheel.offsetMm).toBe(9);
  });
});

describe('somebody else saved first', () => {
  async function conflicted() {
    const job = await opened();
    server.somebodySaves((other) => {
      other.title = 'Theirs';
      setOffset(7)(other.document);
    });
    job.change(setOffset(1));
    await settle(400);
    expect(job.saveStatus).toMatchObject({ state: 'conflict', clashes: [{ mine: 1, theirs: 7 }] });
    return job;
  }

  test('mine: what is here stays, and all else of theirs too', async () => {
    const job = await conflicted();
    job.settle(() => 'mine');
    await settle(400);
    expect(job.saveStatus.state).toBe('saved');
    expect(server.job).toMatchObject({
      title: 'Theirs',
      revision: 3,
      document: { setup: { wheel: { offsetMm: 1 } } },
    });
  });

  test('theirs: the newer one is shown, and undo brings mine back', async () => {
    const job = await conflicted();
    job.settle(() => 'theirs');
    expect(job.title).toBe('Theirs');
    expect(job.document?.setup?.wheel.offsetMm).toBe(7);
    job.undo();
    expect(job.document?.setup?.wheel.offsetMm).toBe(1);
  });

  test('nothing is written while the choice is open', async () => {
    const job = await conflicted();
    const writes = server.writes.length;
    job.change(setOffset(2));
    await settle(5000);
    expect(server.writes).toHaveLength(writes);
    expect(await draftOffset()).toBe(2);
  });
});
