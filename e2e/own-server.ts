import { spawn, type ChildProcess } from 'node:child_process';
import { rmSync } from 'node:fs';

const running = new Set<ChildProcess>();

/** A server of a test's own, from the build. */
export function start(data: string, port: number, env: NodeJS.ProcessEnv = {}) {
  const child = spawn(process.execPath, ['dist/server/main.js'], {
    env: { ...process.env, PORT: String(port), LOWGAP_DATA: data, ...env },
  });
  running.add(child);
  let output = '';
  child.stdout.on('data', (chunk) => (output += String(chunk)));
  child.stderr.on('data', (chunk) => (output += String(chunk)));
  const ended = new Promise<number | null>((resolve) =>
    child.on('exit', (code) => {
      running.delete(child);
      resolve(code);
    }),
  );
  return { child, ended, output: () => output };
}

/** Ends whatever still runs on the data before they go, so that what went wrong is what is said. */
export async function cleared(data: string): Promise<void> {
  await Promise.all(
    [...running].map((child) => {
      const gone = new Promise((resolve) => child.once('exit', resolve));
      child.kill('SIGKILL');
      return gone;
    }),
  );
  rmSync(data, { recursive: true, force: true, maxRetries: 5 });
}

export const killAll = (): void => running.forEach((child) => child.kill('SIGKILL'));
