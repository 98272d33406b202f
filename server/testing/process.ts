import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { createInterface } from 'node:readline';

/** Whatever was sent: the test says what it should be. */
type Json = ReturnType<typeof JSON.parse>;

export interface ServerProcess {
  readonly base: string;
  /** Sends a signal; resolves to the exit status, null where the signal ended it. */
  end(signal: NodeJS.Signals): Promise<number | null>;
  /** Sends a signal, and does not wait. */
  signal(signal: NodeJS.Signals): void;
  get(path: string): Promise<{ readonly status: number; readonly body: Json }>;
  send(method: string, path: string, body: unknown): Promise<{ readonly status: number; readonly body: Json }>;
  /** Events of a stream from now on, until `stop`. */
  hear(path: string): Promise<Heard>;
}

export interface Heard {
  readonly events: Record<string, unknown>[];
  /** Whether the server ended it. */
  isOver(): boolean;
  stop(): void;
}

/** A server as a process of its own, from source, on a free port of loopback. Rejects with its words where it does not start. */
export async function serverProcess(env: Record<string, string>, args: readonly string[] = []): Promise<ServerProcess> {
  const child = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts', ...args], {
    env: { ...process.env, PORT: '0', LOG_LEVEL: 'silent', ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  const ended = once(child, 'exit') as Promise<[number | null]>;
  let said = '';
  child.stderr.on('data', (chunk) => (said += String(chunk)));
  const base = await Promise.race([
    (async () => {
      for await (const line of createInterface(child.stdout)) {
        const address = /ready at (\S+)\//.exec(line);
        if (address) return address[1]!;
      }
      throw new Error(said);
    })(),
    ended.then(() => Promise.reject(new Error(said))),
  ]);
  const asked = async (path: string, init?: RequestInit) => {
    const response = await fetch(`${base}${path}`, init);
    const text = await response.text();
    return { status: response.status, body: text === '' ? null : JSON.parse(text) };
  };
  return {
    base,
    end: async (signal) => {
      child.kill(signal);
      return (await ended)[0];
    },
    signal: (signal) => void child.kill(signal),
    get: (path) => asked(path),
    send: (method, path, body) =>
      asked(path, { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
    hear: (path) => heard(`${base}${path}`),
  };
}

async function heard(address: string): Promise<Heard> {
  const abort = new AbortController();
  const { body } = await fetch(address, { signal: abort.signal });
  const events: Record<string, unknown>[] = [];
  let isOver = false;
  void (async () => {
    let rest = '';
    for await (const chunk of body!.pipeThrough(new TextDecoderStream())) {
      const lines = (rest + chunk).split('\n');
      rest = lines.pop()!;
      events.push(...lines.flatMap((line) => (line.startsWith('data: ') ? [JSON.parse(line.slice(6))] : [])));
    }
  })()
    .catch(() => undefined)
    .finally(() => (isOver = true));
  return { events, isOver: () => isOver, stop: () => abort.abort() };
}

/** Longer than the slowest machine takes for anything that comes at all: what is waited for is that, not how soon. */
const PATIENCE_MS = 180_000;

/** Looks until `look` finds something. @throws once nobody would wait any longer */
export async function until<T>(
  look: () => Promise<T | null | false | undefined> | T | null | false | undefined,
): Promise<T> {
  const end = Date.now() + PATIENCE_MS;
  for (;;) {
    const found = await look();
    if (found) return found;
    if (Date.now() > end) throw new Error(`not within ${PATIENCE_MS} ms`);
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
}
