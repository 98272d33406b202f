import { describe, expect, test } from '@jest/globals';
import { lowgapFileSchema, type LowgapFile } from '@/contracts/lowgap-file';
import { takeInCut } from '@/contracts/cut-edges';
import { fittedCorner } from '@/contracts/as-fit';
import { asCase } from '@/contracts/as-case';
import { evaluateCase } from '@/core/4-clearance/verdict/evaluate';
import { demoJobs } from '@/demo/demo-jobs';
import { blankCut, readCut, reshapesOf, type CutForm } from './read-cut';

const KEY = 'frontLeft' as const;
const job = (): LowgapFile => structuredClone(demoJobs().find(({ title }) => title.startsWith('Lift-line'))!.document);
const FORM: CutForm = {
  ...blankCut(),
  thing: `${KEY}:fender-lip`,
  kind: 'cutSheetMetal',
  fromClock: '9:30',
  toClock: '2:30',
};
const DAY = '2026-11-27';
/** Gaps to the new edge, each so far outside the old one that a cut made them. */
const readings = (gapMm: number): CutForm['readings'] =>
  ['10:00', '11:00', '12:00', '1:00', '2:00'].map((clock) => ({ clock, gapMm, steer: 'straight' }));

describe('a cut as it was typed', () => {
  test('becomes the edge of the survey, and the strip speaks of it', () => {
    const file = job();
    const round = file.testFits!.at(-1)!;
    const lipGap = (): number =>
      evaluateCase(asCase(file)).obstacles.find(({ corner, id }) => corner === KEY && id === 'fender-lip')!.gapMm;
    const before = lipGap();
    const read = readCut(file, round, { ...FORM, readings: readings(260), isLip: true }, DAY);
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    takeInCut(file, read.value);
    expect(lowgapFileSchema.parse(file)).toEqual(file);
    expect(lipGap()).toBeGreaterThan(before + 20);
    const [cut] = file.corners[KEY]!.obstacles.find(({ id }) => id === 'fender-lip')!.cuts!;
    expect(cut!.lipRaisedMm).toBeCloseTo(cut!.readings[2]!.gainedMm!, 6);
    // The round itself goes on seeing what it saw.
    expect(fittedCorner(file, round, KEY).corner.obstacles).toEqual(job().corners[KEY]!.obstacles);
  });

  test.each([
    ['cut.obstacle', { thing: '' }],
    ['cut.kind', { kind: '' }],
    ['cut.fromClock', { fromClock: '' }],
    ['cut.readings', { readings: [] }],
    ['cut.readings[0].gapMm', { readings: [{ clock: '12:00', gapMm: 1, steer: 'straight' }] }],
    ['cut.readings', { isLip: true, readings: [{ clock: '10:00', gapMm: 260, steer: 'straight' }] }],
  ] as const)('what is missing or cannot be is named: %s', (path, form) => {
    const file = job();
    const read = readCut(file, file.testFits!.at(-1)!, { ...FORM, readings: readings(260), ...form } as CutForm, DAY);
    expect(read).toMatchObject({ ok: false, problems: [{ path }] });
  });
});

test('only what may be cut is offered as cut', () => {
  const thing = { id: 'a', mount: 'body', material: 'sheetMetal' } as const;
  expect(reshapesOf(thing)).toEqual(['foldLip', 'rollFender', 'cutSheetMetal']);
  expect(reshapesOf({ ...thing, material: 'arm', mount: 'axle' })).toEqual([]);
  expect(reshapesOf({ ...thing, part: 'structure' })).toEqual([]);
});
