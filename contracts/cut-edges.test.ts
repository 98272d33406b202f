import { describe, expect, test } from '@jest/globals';
import { demoJobs } from '@/demo/demo-jobs';
import { NOTHING_CHOSEN } from '@/core/6-decisions/plan/judge-plan';
import type { AsCut } from '@/core/7-job/test-fit/as-cut';
import { asCase } from './as-case';
import { caseOfRound, fittedCorner, trimmedBefore } from './as-fit';
import { asOfRound, takeInCut, takeOutCut } from './cut-edges';
import { lowgapFileSchema, type LowgapCut, type LowgapFile, type LowgapTestFit } from './lowgap-file';

const KEY = 'frontLeft' as const;
const job = (): LowgapFile => structuredClone(demoJobs().find(({ title }) => title.startsWith('Lift-line'))!.document);
const roundOf = (id: string): LowgapTestFit => ({ ...job().testFits![0]!, id, trimmed: [], findings: [], learned: {} });
const lipOf = (file: Pick<LowgapFile, 'corners'>) =>
  file.corners[KEY]!.obstacles.find(({ material }) => material === 'sheetMetal')!;
const LEFT: AsCut = {
  shape: {
    type: 'polyline',
    points: [
      [-100, 90, 500],
      [100, 90, 500],
    ],
  },
  gainedMm: [12],
};
const cutAfter = (round: string, more: Partial<LowgapCut> = {}): Omit<LowgapCut, 'before'> => ({
  date: '2026-11-27',
  round,
  kind: 'cutSheetMetal',
  fromClock: '11:00',
  toClock: '1:00',
  readings: [{ clock: '12:00', gapMm: 40, steer: 'straight' }],
  ...more,
});
function threeRounds(): LowgapFile {
  const file = job();
  file.testFits = ['one', 'two', 'three'].map(roundOf);
  return file;
}
const cut = (file: LowgapFile, round: string, more: Partial<LowgapCut> = {}, left = LEFT): void =>
  takeInCut(file, { corner: KEY, obstacle: lipOf(file).id, cut: cutAfter(round, more), left });

describe('a cut that was measured', () => {
  test('takes the place of what was surveyed, keeps it, and the file stays one', () => {
    const file = threeRounds();
    const before = lipOf(file);
    cut(file, 'two');
    const after = lipOf(file);
    expect(after.shape).toEqual(LEFT.shape);
    expect(after).not.toHaveProperty('readings');
    expect(after).not.toHaveProperty('rubs');
    expect(after.label).toBe(before.label);
    expect(after.cuts![0]!.before.readings).toEqual(before.readings);
    expect(lowgapFileSchema.parse(file)).toEqual(file);
  });

  test('rounds until it see the thing uncut, rounds after it as it is', () => {
    const file = threeRounds();
    const before = lipOf(file);
    cut(file, 'two');
    const [one, two, three] = file.testFits!;
    expect(lipOf(asOfRound(file, one!))).toEqual(before);
    expect(lipOf(asOfRound(file, two!))).toEqual(before);
    expect(lipOf(asOfRound(file, three!)).shape).toEqual(LEFT.shape);
    expect(fittedCorner(file, two!, KEY).corner.obstacles.find(({ id }) => id === before.id)).toEqual(before);
  });

  test('cut twice: each round sees it as it stood, and it is taken back cut by cut', () => {
    const file = threeRounds();
    const before = structuredClone(lipOf(file));
    cut(file, 'one');
    const again: AsCut = { ...LEFT, shape: { type: 'points', points: [[0, 90, 540]] } };
    cut(file, 'two', { kind: 'foldLip' }, again);
    const [one, two, three] = file.testFits!;
    expect(lipOf(asOfRound(file, one!))).toEqual(before);
    expect(lipOf(asOfRound(file, two!)).shape).toEqual(LEFT.shape);
    expect(lipOf(asOfRound(file, three!)).shape).toEqual(again.shape);
    takeOutCut(file.corners[KEY]!, before.id);
    expect(lipOf(file).shape).toEqual(LEFT.shape);
    takeOutCut(file.corners[KEY]!, before.id);
    expect(lipOf(file)).toEqual(before);
    takeOutCut(file.corners[KEY]!, before.id);
    expect(lipOf(file)).toEqual(before);
  });

  test('heights read to the lip that was cut are counted to where it is now, from the round after it on', () => {
    const file = threeRounds();
    const corner = file.corners[KEY]!;
    corner.hubToLipMm = 520;
    corner.groundToLipMm = 880;
    corner.obstacles.find(({ id }) => id !== lipOf(file).id)!.readings = [
      { clock: '9:00', across: 'tread', gapMm: 40, steer: 'straight', hubToLipMm: 460 },
    ];
    cut(file, 'two', { lipRaisedMm: 12 });
    const [, two, three] = file.testFits!;
    expect(caseOfRound(file, two!).corners[KEY]!.hubToLipMm).toBe(520);
    const after = caseOfRound(file, three!).corners[KEY]!;
    expect([after.hubToLipMm, after.groundToLipMm]).toEqual([532, 892]);
    expect(asCase(file).corners[KEY]!.hubToLipMm).toBe(532);
    // A gap read at a height stays at that height: what is told of it goes along.
    const held = after.obstacles.flatMap(({ readings = [] }) => readings).find(({ clock }) => clock === '9:00')!;
    expect(after.hubToLipMm! - held.hubToLipMm!).toBe(60);
    expect(file.corners[KEY]!.hubToLipMm).toBe(520);
  });

  test('what nobody cut costs nothing: the case is the file itself', () => {
    const file = job();
    expect(asCase(file)).toBe(file);
  });

  test('a plan that meant to cut it there has done so; what else it means stays', () => {
    const file = threeRounds();
    const id = lipOf(file).id;
    const fix = { corner: KEY, obstacle: id, kind: 'cutSheetMetal', amountMm: 12 } as const;
    file.plan = {
      ...structuredClone(demoJobs().find(({ document }) => document.plan)!.document.plan!),
      chosen: {
        changes: structuredClone(NOTHING_CHOSEN.changes),
        fixes: [fix, { ...fix, corner: 'frontRight' }, { ...fix, kind: 'foldLip' }],
      },
    };
    cut(file, 'two');
    expect(file.plan.chosen!.fixes.map(({ corner, kind }) => `${corner} ${kind}`)).toEqual([
      'frontRight cutSheetMetal',
      'frontLeft foldLip',
    ]);
  });

  test('what was measured is not counted a second time as gap gained', () => {
    const file = threeRounds();
    const id = lipOf(file).id;
    file.testFits![0]!.trimmed = [
      { corner: KEY, obstacle: id, mm: 12, isMeasured: true },
      { corner: KEY, obstacle: id, mm: 3 },
    ];
    expect(trimmedBefore(file, file.testFits![2]!, KEY).get(id)).toBe(3);
    // Nor is what was trimmed before it: the new edge was measured with that gone.
    file.testFits![1]!.trimmed = [{ corner: KEY, obstacle: id, mm: 5, isMeasured: true }];
    expect(trimmedBefore(file, file.testFits![2]!, KEY).get(id)).toBeUndefined();
  });
});
