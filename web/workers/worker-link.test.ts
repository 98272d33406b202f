import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { expose, type Endpoint } from 'comlink';
import type { Result } from '@/core/1-base/problem';
import { WorkerLink } from './worker-link';

interface Api {
  double(n: number): Result<number>;
  fail(): Result<number>;
  never(): Promise<Result<number>>;
}

let started: FakeWorker[];

/** A worker in this very thread, on one end of a message channel. */
class FakeWorker extends EventTarget {
  terminated = false;
  readonly #channel = new MessageChannel();

  constructor() {
    super();
    started.push(this);
    const api: Api = {
      double: (n) => ({ ok: true, value: 2 * n }),
      fail: () => {
        throw new TypeError('cannot');
      },
      never: () => new Promise(() => undefined),
    };
    expose(api, this.#channel.port2 as unknown as Endpoint);
    this.#channel.port1.addEventListener('message', ({ data }) =>
      this.dispatchEvent(new MessageEvent('message', { data })),
    );
    this.#channel.port1.start();
  }

  postMessage(message: unknown, transfer: Transferable[] = []): void {
    this.#channel.port1.postMessage(message, transfer);
  }

  terminate(): void {
    this.terminated = true;
    this.#channel.port1.close();
    this.#channel.port2.close();
  }
}

const link = (limitMs?: number | null) =>
  new WorkerLink<Api>(() => new FakeWorker() as unknown as Worker, limitMs === undefined ? {} : { limitMs });

let open: WorkerLink<Api>[] = [];
const made = (limitMs?: number | null): WorkerLink<Api> => {
  const one = link(limitMs);
  open.push(one);
  return one;
};

beforeEach(() => {
  started = [];
});
afterEach(() => {
  for (const one of open) one.close();
  open = [];
  jest.useRealTimers();
});

describe('the way to a worker', () => {
  test('starts with the first question, and answers', async () => {
    const one = made();
    expect(started).toHaveLength(0);
    expect(await one.ask(({ remote }) => remote.double(21))).toEqual({ ok: true, value: 42 });
    await one.ask(({ remote }) => remote.double(1));
    expect(started).toHaveLength(1);
  });

  test('what is thrown in the worker is an answer, and the next question starts another worker', async () => {
    const one = made();
    const failed = await one.ask(({ remote }) => remote.fail());
    expect(failed).toMatchObject({ ok: false, problems: [{ code: 'internal', found: 'cannot' }] });
    expect(started[0]!.terminated).toBe(true);
    expect(await one.ask(({ remote }) => remote.double(2))).toEqual({ ok: true, value: 4 });
    expect(started).toHaveLength(2);
  });

  test('a worker whose script does not load is a fault of every open question', async () => {
    const one = made();
    const asked = one.ask(({ remote }) => remote.never());
    started[0]!.dispatchEvent(Object.assign(new Event('error'), { message: 'no such script' }));
    expect(await asked).toMatchObject({ ok: false, problems: [{ found: 'no such script' }] });
  });

  test('a worker that says nothing is given up after its time', async () => {
    jest.useFakeTimers();
    const one = made(1000);
    const asked = one.ask(({ remote }) => remote.never());
    jest.advanceTimersByTime(1001);
    expect(await asked).toMatchObject({ ok: false, problems: [{ found: 'no answer' }] });
    expect(started[0]!.terminated).toBe(true);
  });

  test('cancelling answers whatever is open with null, and the link goes on', async () => {
    const one = made(null);
    const asked = [one.ask(({ remote }) => remote.never()), one.ask(({ remote }) => remote.never())];
    one.cancel();
    expect(await Promise.all(asked)).toEqual([null, null]);
    expect(await one.ask(({ remote }) => remote.double(3))).toEqual({ ok: true, value: 6 });
  });

  test('of questions asked in a row the newest is delivered, and none once the room is left', async () => {
    const one = made();
    const delivered: unknown[] = [];
    const ask = one.newest<number, number>(
      ({ remote }, n) => remote.double(n),
      (answer, n) => void delivered.push([n, answer.ok && answer.value]),
    );
    ask(1);
    ask(2);
    ask(3);
    await one.ask(({ remote }) => remote.double(0));
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(delivered).toEqual([[3, 6]]);
    ask(4);
    one.close();
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(delivered).toHaveLength(1);
  });
});
