import { describe, expect, test } from '@jest/globals';
import { demoJobs } from '@/demo/demo-jobs';
import { formField, readForm, type ReadingForm } from './new-reading';

const corner = demoJobs().at(-1)!.document.corners.frontLeft!;
const obstacle = corner.obstacles[0]!;
const FORM: ReadingForm = {
  clock: '11:30',
  across: 'tread',
  steer: 'straight',
  nearest: false,
  hubToLip: '',
  gap: '4 1/2',
  outboard: '',
};
const read = (changes: Partial<ReadingForm>) =>
  readForm({ ...FORM, ...changes }, 'frontLeft', corner, obstacle, () => 'mm');

describe('one reading from the form', () => {
  test('keeps the number and what was typed', () => {
    expect(read({ outboard: '1/2' })).toEqual({
      ok: true,
      value: {
        clock: '11:30',
        across: 'tread',
        gapMm: 114.3,
        outboardMm: 12.7,
        steer: 'straight',
        travelMm: 0,
        typed: { gapMm: '4 1/2', outboardMm: '1/2' },
      },
    });
  });

  test('a height is typed as hub to lip, never as travel', () => {
    expect(read({ hubToLip: '480' })).toMatchObject({ ok: true, value: { hubToLipMm: 480 } });
  });

  test('an outboard distance left over from the tread is not taken elsewhere', () => {
    const taken = read({ across: 'outerShoulder', outboard: '12' });
    expect(taken.ok && 'outboardMm' in taken.value).toBe(false);
  });

  test.each([
    [{ gap: '-4' }, 'gap'],
    [{ gap: '' }, 'gap'],
    [{ gap: '2000' }, 'gap'],
    [{ clock: '6:00' }, 'clock'],
    [{ clock: 'noon' }, 'clock'],
    [{ hubToLip: '120' }, 'hubToLip'],
    [{ outboard: 'some' }, 'outboard'],
  ] as const)('%p is refused at its field', (changes, field) => {
    const refused = read(changes);
    expect(refused.ok ? [] : refused.problems.map(formField)).toContain(field);
  });
});
