import { afterEach, beforeAll, expect, test } from '@jest/globals';
import { effectScope, shallowRef } from 'vue';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { demoJobs } from '@/demo/demo-jobs';
import { endWorkersHere, runWorkersHere, until } from '../testing/worker-here';
import { useEngine } from './job-engine';

beforeAll(runWorkersHere);
afterEach(endWorkersHere);

test('an answer about an older document says so once that lasts, and no longer than that', async () => {
  const first = JSON.parse(
    JSON.stringify(demoJobs().find(({ title }) => title.startsWith('Patrol'))!.document),
  ) as LowgapFile;
  const document = shallowRef<LowgapFile | null>(first);
  const scope = effectScope();
  const engine = scope.run(() => useEngine(document))!;
  engine.start();
  engine.ask();
  await until(() => engine.answered.value);
  expect([engine.isOld.value, engine.looksOld.value]).toEqual([false, false]);
  // Another document that nobody asks about stays unanswered.
  document.value = { ...first };
  expect([engine.isOld.value, engine.looksOld.value]).toEqual([true, false]);
  await until(() => engine.looksOld.value);
  document.value = first;
  expect([engine.isOld.value, engine.looksOld.value]).toEqual([false, false]);
  // Answered soon: it is never seen to be old.
  document.value = { ...first };
  document.value = first;
  await new Promise((resolve) => setTimeout(resolve, 300));
  expect(engine.looksOld.value).toBe(false);
  engine.stop();
  scope.stop();
});
