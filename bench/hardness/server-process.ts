import { spawn, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';

export interface Running {
  readonly base: string;
  readonly child: ChildProcess;
  /** Ends it without a word. */
  kill(): Promise<void>;
  /** Bytes of memory it holds now. */
  memory(): number;
}

/** The built server on a port of its own; resolves once it answers. */
export async function running(port: number, env: NodeJS.ProcessEnv): Promise<Running> {
  const child = spawn(process.execPath, ['dist/server/main.js'], {
    env: { ...process.env, LOG_LEVEL: 'silent', PORT: String(port), ...env },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise<void>((resolve, reject) => {
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
    child.stdout.on('data', (text: Buffer) => {
      if (String(text).includes('ready')) resolve();
    });
  });
  child.removeAllListeners('exit');
  const ended = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  return {
    base: `http://127.0.0.1:${port}`,
    child,
    kill: () => {
      child.kill('SIGKILL');
      return ended;
    },
    memory: () => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${child.pid}/status`, 'utf8'))?.[1] ?? 0) * 1024,
  };
}

/** Status and body; status 0: no answer. */
export async function ask(
  url: string,
  method: string,
  body?: string,
  type = 'application/json',
): Promise<{ readonly status: number; readonly text: string }> {
  try {
    const answered = await fetch(url, {
      method,
      ...(body === undefined ? {} : { body, headers: { 'content-type': type } }),
    });
    return { status: answered.status, text: await answered.text() };
  } catch {
    return { status: 0, text: '' };
  }
}
