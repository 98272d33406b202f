import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { createPinia, setActivePinia } from 'pinia';
import type { Job, JobUpdate } from '@/contracts/job-api';
import { demoJobs } from '@/demo/demo-jobs';
import { shelvedDraft } from './draft-shelf';
import { useJobStore } from './job';

const ID = '11111111-1111-4111-8111-111111111111';
const content = demoJobs().at(-1)!;

/** A server in memory that can be away, and that keeps revisions as the real one does. */
class FakeServer {
  job: Job = { id: ID, revision: 1, createdAt: '', updatedAt: '', ...structuredClone(content) };
  away = false;
  writes: JobUpdate[] = [];

  readonly fetch = async (_path: string, init: { method: string; body?: string }): Promise<Response> => {
    if (this.away) throw new TypeError('fetch failed');
    if (init.method === 'GET') return this.#json(200, this.job);
    const update = JSON.parse(init.body ?? '') as JobUpdate;
    this.writes.push(update);
    if (update.revision !== this.job.revision) {
      return this.#json(409, {
        problems: [{ code: 'conflict', path: 'revision', expected: '', found: '' }],
        job: this.job,
      });
    }
    this.job = { ...this.job, ...update, revision: update.revision + 1 };
    return this.#json(200, this.job);
  };

  #json(status: number, body: unknown): Response {
    return new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } });
  }
}

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
    removeItem: (key: string) => void kept.delete(key),
  } as unknown as Storage;
}

let server: FakeServer;

beforeEach(() => {
  jest.useFakeTimers({ doNotFake: ['nextTick', 'queueMicrotask', 'setImmediate'] });
  server = new FakeServer();
  Object.assign(globalThis, { fetch: server.fetch, Worker: SilentWorker, localStorage: memoryStorage() });
  setActivePinia(createPinia());
});

afterEach(() => {
  jest.useRealTimers();
});

/** Lets timers run out and answers arrive. */
async function settle(ms: number): Promise<void> {
  jest.advanceTimersByTime(ms);
  for (let i = 0; i < 12; i++) await new Promise((resolve) => setImmediate(resolve));
}

async function opened() {
  const job = useJobStore();
  await job.open(ID);
  return job;
}

const setOffset = (mm: number) => (file: NonNullable<ReturnType<typeof useJobStore>['document']>) => {
  file.setup!.wheel = { diameterIn: 17, widthIn: 8.5, offsetMm: mm };
};

describe('the open job', () => {
  test('changes are saved together after a moment, and only the newest state is sent', async () => {
    const job = await opened();
    job.change(setOffset(20));
    job.change(setOffset(21));
    expect(job.saveState).toBe('saving');
    await settle(400);
    expect(server.writes.map((w) => w.document.setup?.wheel.offsetMm)).toEqual([21]);
    expect(job).toMatchObject({ saveState: 'saved', revision: 2 });
    expect(shelvedDraft(ID)).toBeNull();
  });

  test('a change is on the shelf before the server has it', async () => {
    const job = await opened();
    job.change(setOffset(33));
    await settle(160);
    expect(server.writes).toHaveLength(0);
    expect(shelvedDraft(ID)?.document.setup?.wheel.offsetMm).toBe(33);
  });

  test('undo and redo walk through the documents and are saved too', async () => {
    const job = await opened();
    const before = job.document;
    job.change(setOffset(20));
    job.undo();
    expect(job.document).toEqual(before);
    job.redo();
    expect(job.document?.setup?.wheel.offsetMm).toBe(20);
    job.undo();
    job.change(setOffset(5));
    expect(job.redoable).toHaveLength(0);
    await settle(400);
    expect(server.job.document.setup?.wheel.offsetMm).toBe(5);
  });

  test('changes of one gesture are undone together, those of the next one apart', async () => {
    const job = await opened();
    const before = job.document;
    for (const mm of [20, 21, 22]) job.changeSetup(setOffset(mm), 'drag-1');
    for (const mm of [30, 31]) job.changeSetup(setOffset(mm), 'drag-2');
    expect(job.document?.corners).toBe(before?.corners);
    expect(job.undoable).toHaveLength(2);
    job.undo();
    expect(job.document?.setup?.wheel.offsetMm).toBe(22);
    job.undo();
    expect(job.document).toEqual(before);
    job.changeSetup(setOffset(40), 'drag-2');
    expect(job.undoable).toHaveLength(1);
  });

  test('while the server is away the draft waits, and goes when it is back', async () => {
    const job = await opened();
    server.away = true;
    job.change(setOffset(44));
    await settle(400);
    expect(job.saveState).toBe('waiting');
    server.away = false;
    await settle(4100);
    expect(job.saveState).toBe('saved');
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
    expect(second.document?.setup?.wheel.offsetMm).toBe(27);
    await settle(400);
    expect(server.job.document.setup?.wheel.offsetMm).toBe(27);
  });

  test('a draft opens even when the server cannot be reached at all', async () => {
    const first = await opened();
    server.away = true;
    first.change(setOffset(28));
    await settle(160);
    setActivePinia(createPinia());
    const second = await opened();
    expect(second).toMatchObject({ saveState: 'waiting', loadFailure: null });
    expect(second.document?.setup?.wheel.offsetMm).toBe(28);
  });

  test('without a draft an unreachable server is said', async () => {
    server.away = true;
    const job = await opened();
    expect(job.loadFailure).toEqual({ kind: 'unreachable' });
    expect(job.document).toBeNull();
  });
});

describe('somebody else saved first', () => {
  async function conflicted() {
    const job = await opened();
    server.job = { ...server.job, revision: 5, title: 'Theirs' };
    job.change(setOffset(1));
    await settle(400);
    expect(job.saveState).toBe('conflict');
    expect(job.newer?.title).toBe('Theirs');
    return job;
  }

  test('mine: what is here is saved over the newer one', async () => {
    const job = await conflicted();
    job.settle('mine');
    await settle(400);
    expect(job.saveState).toBe('saved');
    expect(server.job).toMatchObject({ revision: 6, document: { setup: { wheel: { offsetMm: 1 } } } });
  });

  test('theirs: the newer one is shown, and undo brings mine back', async () => {
    const job = await conflicted();
    job.settle('theirs');
    expect(job.title).toBe('Theirs');
    expect(job.document?.setup?.wheel.offsetMm).toBe(12);
    job.undo();
    expect(job.document?.setup?.wheel.offsetMm).toBe(1);
  });

  test('nothing is written while the choice is open', async () => {
    const job = await conflicted();
    const writes = server.writes.length;
    job.change(setOffset(2));
    await settle(5000);
    expect(server.writes).toHaveLength(writes);
    expect(shelvedDraft(ID)?.document.setup?.wheel.offsetMm).toBe(2);
  });
});
