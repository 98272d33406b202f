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
}

export interface RestoreCommandOptions extends ShopCommandOptions {
  readonly do: string;
}

/** `lowgap backup FILE`: written beside its name first, so that a broken line leaves no half of a file there. */
export async function backupCommand(path: string, { at }: ShopCommandOptions) {
  const answered = await asked(at, '/api/backup');
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
export async function restoreCommand(path: string, { at, do: how }: RestoreCommandOptions): Promise<ShopPlan> {
  if (!(SHOP_IMPORTS as readonly string[]).includes(how)) {
    throw new ProblemError({ code: 'wrongType', path: '--do', expected: SHOP_IMPORTS.join(', '), found: how });
  }
  const body = await openAsBlob(path).catch(() => {
    throw new ProblemError({ code: 'notFound', path, expected: 'a shop’s file', found: 'no such file' });
  });
  const answered = await asked(at, `/api/backup?how=${how}`, { method: 'POST', body });
  return shopPlanSchema.parse(await answered.json());
}

async function asked(at: string, path: string, init: RequestInit = {}): Promise<Response> {
  const answered = await fetch(new URL(path, at), init).catch(() => {
    throw new ProblemError({ code: 'notFound', path: at, expected: 'a Low Gap that runs there', found: 'no answer' });
  });
  if (answered.ok) return answered;
  const refusal = refusalSchema.safeParse(await answered.json().catch(() => null));
  const other = { code: 'internal' as const, path: at, expected: 'an answer', found: `status ${answered.status}` };
  throw new ProblemError(...(refusal.success ? refusal.data.problems : [other]));
}
