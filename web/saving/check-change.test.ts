import { describe, expect, test } from '@jest/globals';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { demoJobs } from '@/demo/demo-jobs';
import { checkChange } from './check-change';

/** By way of text: under Jest `structuredClone` makes objects of another realm, which are never taken for the same. */
const copy = <T>(of: T): T => JSON.parse(JSON.stringify(of)) as T;
const file = (): LowgapFile => copy(demoJobs().at(-1)!.document);
const changed = (edit: (file: LowgapFile) => void) => {
  const [before, after] = [file(), file()];
  edit(after);
  return checkChange(before, after).map(({ path }) => path);
};

describe('a change is checked before it is made', () => {
  test('nothing changed, or something that may be: nothing to say', () => {
    expect(changed(() => undefined)).toEqual([]);
    expect(changed((f) => (f.corners.frontLeft!.hubToLipMm = 512))).toEqual([]);
    expect(checkChange(null, file())).toEqual([]);
  });

  test.each<[string, (file: LowgapFile) => void]>([
    ['intake.photos', (f) => (f.intake = { photos: Array.from({ length: 41 }, photo) })],
    ['setup.typed.offsetMm', (f) => (f.setup!.typed = { offsetMm: '1'.repeat(41) })],
    ['corners.frontLeft.hubToLipMm', (f) => (f.corners.frontLeft!.hubToLipMm = 1e6)],
    ['corners.frontLeft.obstacles[2].label', (f) => (f.corners.frontLeft!.obstacles[2]!.label = '')],
    ['corners.rearLeft.fitted', (f) => (f.corners.rearLeft = { ...f.corners.frontLeft!, fitted: undefined! })],
  ])('%s is named where it is', (path, edit) => {
    expect(changed(edit)).toEqual([path]);
  });

  test('what was wrong before and was not touched holds nothing up', () => {
    const before = file();
    before.corners.frontLeft!.obstacles[0]!.label = '';
    const after = copy(before);
    after.corners.frontLeft!.hubToLipMm = 512;
    expect(checkChange(before, after)).toEqual([]);
  });
});

const photo = () => ({ id: '11111111-1111-4111-8111-111111111111', caption: '', marks: [] });
