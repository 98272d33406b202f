import { fallsShort } from '@/core/4-clearance/case/standard';
import { afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import { asCase } from '@/contracts/as-case';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { demoJobs } from '@/demo/demo-jobs';
import { evaluateCase, type Evaluation } from '@/core/4-clearance/verdict/evaluate';
import { cornerSpreadOf } from '@/core/5-consequences/spread/spread-case';
import type { Result } from '@/core/1-base/problem';
import { doubtsOfToday } from '@/core/5-consequences/today/fitted-today';
import { nextReadingsOf } from '@/core/6-decisions/next-reading/next-case';
import { checkClaim } from '@/core/6-decisions/finder/claim';
import { endWorkersHere, runWorkersHere, until } from '../testing/worker-here';
import { ClearanceClient } from './clearance-client';
import { CompareClient } from './compare-client';
import { FinderClient } from './finder-client';
import { PictureClient, type AskedPicture } from './picture-client';
import { PlanClient } from './plan-client';
import { readScanInWorker } from './scan-client';
import { StudyClient, type StudyAnswer } from './study-client';

const fileOf = (start: string): LowgapFile =>
  JSON.parse(JSON.stringify(demoJobs().find(({ title }) => title.startsWith(start))!.document)) as LowgapFile;
const asData = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

beforeAll(runWorkersHere);
afterEach(endWorkersHere);

describe('the verdict', () => {
  test('of a document is the core’s, corners sent once or again', async () => {
    const answers: [Result<Evaluation>, LowgapFile][] = [];
    const client = new ClearanceClient((answer, file) => answers.push([answer, file]));
    const first = fileOf('Patrol');
    client.ask(first);
    await until(() => answers.length === 1);
    // The same corners with another setup: they need not be sent again.
    const second = { ...first, setup: { ...first.setup!, suspensionLiftMm: 0 } };
    client.ask(second);
    await until(() => answers.length === 2);
    answers.forEach(([answer, file], i) => {
      expect(file).toBe([first, second][i]);
      const plain = evaluateCase(asCase(file)).lowGap!;
      expect(answer.ok && answer.value.lowGap!.obstacle).toBe(plain.obstacle);
      expect(answer.ok && Math.abs(answer.value.lowGap!.mm - plain.mm)).toBeLessThan(0.1);
    });
    client.close();
  });

  test('of a setup that cannot be says where, as data', async () => {
    const answers: Result<Evaluation>[] = [];
    const client = new ClearanceClient((answer) => answers.push(answer));
    const file = fileOf('Patrol');
    client.ask({ ...file, setup: { ...file.setup!, tire: { size: '35x12.50R22' } } });
    await until(() => answers.length);
    expect(answers[0]).toMatchObject({ ok: false });
    client.close();
  });

  test('after leaving nothing more is delivered', async () => {
    const answers: unknown[] = [];
    const client = new ClearanceClient((answer) => answers.push(answer));
    client.ask(fileOf('Patrol'));
    client.close();
    await new Promise((resolve) => setTimeout(resolve, 300));
    expect(answers).toEqual([]);
  });
});

test('the study of a corner: the settled verdict, next readings, spread, levers, rotation', async () => {
  const answers: StudyAnswer[] = [];
  const settled: Result<Evaluation>[] = [];
  const rotated: unknown[] = [];
  const judged: unknown[] = [];
  const client = new StudyClient(
    (answer) => answers.push(answer),
    (answer) => settled.push(answer),
    (answer) => rotated.push(answer),
    (found) => judged.push(found),
  );
  const file = fileOf('Patrol');
  const plain = evaluateCase(asCase(file));
  client.ask({ file, corner: 'frontLeft', obstacle: plain.obstacles.find(({ verdict }) => fallsShort(verdict))!.id });
  await until(() => rotated.length);
  expect(asData(settled[0])).toEqual(asData({ ok: true, value: plain }));
  expect(asData(judged)).toEqual([asData({ ok: true, value: doubtsOfToday(asCase(file)) })]);
  const whole = answers.at(-1)!;
  expect(asData(whole.next)).toEqual(asData(nextReadingsOf(asCase(file), 'frontLeft')));
  expect(whole.levers!.levers.some(({ outcome }) => outcome === 'clears')).toBe(true);
  const spread = cornerSpreadOf(asCase(file), 'frontLeft');
  expect(whole.spread!.chanceOfRub).toBeCloseTo(spread.chanceOfRub, 2);
  client.close();
});

test('a study that is left says nothing more; the next one says it all', async () => {
  const settled: LowgapFile[] = [];
  const later: LowgapFile[] = [];
  const client = new StudyClient(
    () => later.push(asked),
    (_, file) => settled.push(file),
    () => later.push(asked),
    (_, file) => later.push(file),
  );
  const [first, second] = [fileOf('Patrol'), fileOf('Patrol')];
  let asked = first;
  client.ask({ file: first, corner: 'frontLeft', obstacle: null });
  client.leave();
  await new Promise((resolve) => setTimeout(resolve, 600));
  expect([settled, later]).toEqual([[], []]);
  client.ask({ file: first, corner: 'frontLeft', obstacle: null });
  await until(() => settled.length);
  client.leave();
  const told = later.length;
  await new Promise((resolve) => setTimeout(resolve, 600));
  expect(later).toHaveLength(told);
  asked = second;
  client.ask({ file: second, corner: 'frontLeft', obstacle: null });
  await until(() => later.length >= told + 4);
  expect(settled).toEqual([first, second]);
  expect(later.slice(told).every((file) => file === second)).toBe(true);
  client.close();
});

test('setups are compared each on its own, and one that cannot be does not hold the others', async () => {
  const found: (readonly Result<Evaluation>[])[] = [];
  const client = new CompareClient((answers) => found.push(answers));
  const file = fileOf('Patrol');
  client.ask(file, [null, file.setup!, { ...file.setup!, tire: { size: '35x12.50R22' } }]);
  const answers = await until(() => found[0]);
  expect(answers.map(({ ok }) => ok)).toEqual([true, true, false]);
  client.close();
});

describe('pictures', () => {
  const about = { file: fileOf('Patrol'), corner: 'frontLeft' as const };
  const window = { fromAMm: -200, fromRMm: 200, stepMm: 8, columns: 50, rows: 40 };

  test('come each of its kind, coarse and whole, for the corner asked for', async () => {
    const kinds: string[] = [];
    const told = (kind: string) => (answer: Result<unknown>, asked: AskedPicture) =>
      void kinds.push(`${kind} ${asked.whole ? 'whole' : 'coarse'} ${answer.ok}`);
    const client = new PictureClient({ keepOut: told('keepOut'), map: told('map'), swept: told('swept') });
    for (const whole of [false, true]) {
      client.ask('keepOut', { ...about, window, whole });
      client.ask('map', { ...about, whole });
      client.ask('swept', { ...about, whole });
      await until(() => kinds.length === 3);
      expect(kinds.sort()).toEqual(['keepOut', 'map', 'swept'].map((k) => `${k} ${whole ? 'whole' : 'coarse'} true`));
      kinds.length = 0;
    }
    client.close();
  });

  test('a whole one is given up for a newer coarse one, which is not held up by it', async () => {
    const answers: string[] = [];
    const client = new PictureClient({
      keepOut: () => undefined,
      map: (answer, asked) => void answers.push(`${asked.whole ? 'whole' : 'coarse'} ${answer.ok}`),
      swept: () => undefined,
    });
    client.ask('map', { ...about, whole: true });
    client.ask('map', { ...about, whole: false });
    await until(() => answers.length === 1);
    await new Promise((resolve) => setTimeout(resolve, 300));
    expect(answers).toEqual(['coarse true']);
    client.ask('map', { ...about, whole: true });
    await until(() => answers.length === 2);
    expect(answers[1]).toBe('whole true');
    client.close();
  });

  test('of a corner that cannot be drawn the problem comes as data, coarse and whole', async () => {
    const answers: Result<unknown>[] = [];
    const client = new PictureClient({
      keepOut: () => undefined,
      map: (answer) => void answers.push(answer),
      swept: () => undefined,
    });
    const file = { ...about.file, setup: { ...about.file.setup!, tire: { size: '35x12.50R22' } } };
    for (const whole of [false, true]) {
      client.ask('map', { ...about, file, whole });
      await until(() => answers.length === (whole ? 2 : 1));
    }
    expect(answers.map(({ ok }) => ok)).toEqual([false, false]);
    client.close();
  });
});

test('a claim is checked as the core does, and one that says nothing is refused', async () => {
  const client = new FinderClient();
  const file = fileOf('Patrol');
  const found = await client.claim(file, '33x12.5 no lift');
  const plain = checkClaim(asCase(file), '33x12.5 no lift');
  expect(found?.ok && found.value.tires.map(({ size }) => size)).toEqual(plain.tires.map(({ size }) => size));
  expect(found?.ok && found.value.tires[0]!.findings.map(({ holds }) => holds)).toEqual(
    plain.tires[0]!.findings.map(({ holds }) => holds),
  );
  const refused = await client.claim(file, 'it fits, trust me');
  expect(refused).toMatchObject({ ok: false });
  client.cancel();
});

test('papers are written by the worker: PDF, and a spacer’s curve beside it', async () => {
  const client = new PlanClient(() => undefined);
  const file = fileOf('Rescue');
  const spacer = await client.spacer(file, 'frontLeft', 30, []);
  expect(spacer?.ok).toBe(true);
  const nothing = await client.sheetPdf('A4');
  expect(nothing).toMatchObject({ ok: false });
  client.close();
});

test('a scan that is none is refused by name', async () => {
  const corner = fileOf('Patrol').corners.frontLeft!;
  const bytes = new TextEncoder().encode('ply\nnot really');
  const found = await readScanInWorker('frontLeft', corner, 'well.ply', bytes, { targets: [], parts: [] } as never);
  expect(found).toMatchObject({ ok: false });
  expect(JSON.stringify(found)).toContain('well.ply');
});
