import { createWriteStream, openAsBlob } from 'node:fs';
import { rename, rm, stat } from 'node:fs/promises';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream } from 'node:stream/web';
import { refusalSchema } from '@/contracts/problems';
import { SHOP_IMPORTS, shopPlanSchema, type ShopPlan } from '@/contracts/shop-file';
import { ProblemError } from '@/core/1-base/problem';

export interface ShopCommandOptions {
  readonly at: string;
  /** Who signs in, where people do; the password is in `LOWGAP_PASSWORD`. */
  readonly as?: string;
}

export interface RestoreCommandOptions extends ShopCommandOptions {
  readonly do: string;
}

/** `lowgap backup FILE`: written beside its name first, so that a broken line leaves no half of a file there. */
export async function backupCommand(path: string, options: ShopCommandOptions) {
  const answered = await asked(options, '/api/backup');
  const beside = `${path}.part`;
  try {
    await pipeline(Readable.fromWeb(answered.body as ReadableStream), createWriteStream(beside));
    await rename(beside, path);
  } catch {
    await rm(beside, { force: true });
    throw new ProblemError({
      code: 'notFound',
      path,
      expected: 'the whole shop',
      found: 'a line that broke on the way',
    });
  }
  return { file: path, bytes: (await stat(path)).size };
}

/** `lowgap restore FILE [--do add|replace]` */
export async function restoreCommand(path: string, { do: how, ...options }: RestoreCommandOptions): Promise<ShopPlan> {
  if (!(SHOP_IMPORTS as readonly string[]).includes(how)) {
    throw new ProblemError({ code: 'wrongType', path: '--do', expected: SHOP_IMPORTS.join(', '), found: how });
  }
  const body = await readable(path);
  const answered = await asked(options, `/api/backup?how=${how}`, { method: 'POST', body });
  return shopPlanSchema.parse(await answered.json());
}

async function readable(path: string): Promise<Blob> {
  try {
    return await openAsBlob(path);
  } catch {
    throw new ProblemError({ code: 'notFound', path, expected: 'a shop’s file', found: 'no such file' });
  }
}

/** As the one who is named, where one is; signs out again. */
async function asked(options: ShopCommandOptions, path: string, init: RequestInit = {}): Promise<Response> {
  const { at, as } = options;
  if (as === undefined) return answered(at, path, init);
  const password = process.env['LOWGAP_PASSWORD'] ?? '';
  if (password === '') {
    throw new ProblemError({
      code: 'missing',
      path: 'LOWGAP_PASSWORD',
      expected: `the password of ${as}, in the environment`,
      found: 'none',
    });
  }
  const signedIn = await answered(at, '/api/people/sign-in', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name: as, password }),
  });
  const cookie = signedIn.headers
    .getSetCookie()
    .map((one) => one.split(';')[0])
    .join('; ');
  try {
    return await answered(at, path, { ...init, headers: { cookie } });
  } finally {
    await answered(at, '/api/people/sign-out', { method: 'POST', headers: { cookie } }).catch(() => undefined);
  }
}

async function answered(at: string, path: string, init: RequestInit): Promise<Response> {
  const answer = await fetch(new URL(path, at), init).catch(() => {
    throw new ProblemError({ code: 'notFound', path: at, expected: 'a Low Gap that runs there', found: 'no answer' });
  });
  if (answer.ok) return answer;
  const refusal = refusalSchema.safeParse(await answer.json().catch(() => null));
  const other = { code: 'internal' as const, path: at, expected: 'an answer', found: `status ${answer.status}` };
  throw new ProblemError(...(refusal.success ? refusal.data.problems : [other]));
}
