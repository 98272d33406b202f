import fc from 'fast-check';
import { ROUTES } from '@/contracts/openapi';
import { ask, type Running } from './server-process';

export interface HostileFound {
  readonly requests: number;
  readonly faults: number;
  readonly slowestMs: number;
  readonly largestRefusalBytes: number;
  /** Memory at the end over that after the first tenth. */
  readonly memoryRatio: number;
}

const ID = '0b0b7b5e-51b4-4f6c-9a66-2d1cbe3a4f11';
const part = fc.constantFrom(ID, 'x', '%00', '..%2f..%2fetc', '9'.repeat(400), '%E0%A4%A', "' or 1=1 --", '__proto__');
const body = fc.oneof(
  fc.json({ maxDepth: 6 }),
  fc.constantFrom('', '{', '['.repeat(50_000), 'null', '1e308', '{"__proto__":{"x":1}}', '\u0000'),
  fc.nat({ max: 300_000 }).map((n) => `{"title":"x","document":{"k":"${'k'.repeat(n)}"}}`),
);
const type = fc.constantFrom('application/json', 'text/plain', 'application/json; charset=utf-99', 'image/png');
const routes = ROUTES.filter(({ path }) => !path.endsWith('/stream') && !path.startsWith('/api/live'));
const request = fc.record({ route: fc.constantFrom(...routes), part, body, type });

/** Seeded hostile requests over every route, one after the other. */
export async function hostile(count: number, server: Running, seed: number): Promise<HostileFound> {
  let faults = 0;
  let slowestMs = 0;
  let largestRefusalBytes = 0;
  let early = 0;
  for (const [i, { route, part: id, body: text, type: mediaType }] of fc
    .sample(request, { numRuns: count, seed })
    .entries()) {
    const address = `${server.base}${route.path.replace(/\{\w+\}/g, () => id)}`;
    const began = performance.now();
    const { status, text: answered } = await ask(
      address,
      route.method.toUpperCase(),
      route.method === 'get' ? undefined : text,
      mediaType,
    );
    slowestMs = Math.max(slowestMs, performance.now() - began);
    if (status === 0 || status >= 500) faults++;
    if (status >= 400) largestRefusalBytes = Math.max(largestRefusalBytes, answered.length);
    if (i === Math.floor(count / 10)) early = server.memory();
  }
  return { requests: count, faults, slowestMs, largestRefusalBytes, memoryRatio: server.memory() / early };
}
