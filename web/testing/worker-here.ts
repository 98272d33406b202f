/**
 * Workers that run in the test's own process: the real module behind real message ports, so that what cannot be cloned, or
 * does not arrive, fails here as it would in a browser.
 */
import { expose } from 'comlink';
import { fileURLToPath } from 'node:url';
import { MessageChannel, type MessagePort } from 'node:worker_threads';

const open = new Set<WorkerHere>();
const ports = new Set<MessagePort>();

/** Channels that can all be closed in the end: an open port keeps a process alive. */
class OwnChannel extends MessageChannel {
  constructor() {
    super();
    ports.add(this.port1).add(this.port2);
  }
}

export class WorkerHere extends EventTarget {
  readonly #near: MessagePort;
  readonly #far: MessagePort;

  constructor(module: URL) {
    super();
    const { port1, port2 } = new OwnChannel();
    [this.#near, this.#far] = [port1, port2];
    port1.on('message', (data: unknown) => this.dispatchEvent(Object.assign(new Event('message'), { data })));
    open.add(this);
    void this.#load(module);
  }

  async #load(module: URL): Promise<void> {
    try {
      const { worker } = (await import(fileURLToPath(module))) as { worker: object };
      expose(worker, this.#far as never);
    } catch (error) {
      this.dispatchEvent(Object.assign(new Event('error'), { message: String(error) }));
    }
  }

  postMessage(message: unknown, transfer: readonly never[] = []): void {
    this.#near.postMessage(message, transfer);
  }

  terminate(): void {
    open.delete(this);
    this.#near.close();
    this.#far.close();
  }
}

/** Every `Worker` made from here on runs in this process. */
export function runWorkersHere(): void {
  Object.assign(globalThis, { Worker: WorkerHere, MessageChannel: OwnChannel });
}

/** Ends those still running. */
export function endWorkersHere(): void {
  for (const worker of [...open]) worker.terminate();
  for (const port of ports) port.close();
  ports.clear();
}

/** Waits until something holds; fails with what was last found. */
export async function until<T>(
  what: () => T,
  limitMs = 60_000,
): Promise<Exclude<T, false | null | undefined | 0 | ''>> {
  const start = Date.now();
  for (;;) {
    const found = what();
    if (found) return found as Exclude<T, false | null | undefined | 0 | ''>;
    if (Date.now() - start > limitMs) throw new Error(`waited ${limitMs} ms in vain for ${String(what)}`);
    await new Promise((resolve) => setTimeout(resolve, 10));
  }
}
