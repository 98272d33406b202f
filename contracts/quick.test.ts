import { describe, expect, test } from '@jest/globals';
import { demoJobs } from '@/demo/demo-jobs';
import { quickQuery, quickQuestion, quickTexts, recordedWells, type QuickTexts } from './quick';

const typed: QuickTexts = {
  fitted: '265/70R17 on 17x8 +30',
  wanted: '285/70R17 on 17x9 -12',
  lift: '2',
  axle: 'front',
  vehicle: 'pickup',
  suspension: '',
  units: 'in',
  answers: { 'fender-lip.body.0': 'two fingers' },
};

describe('the address of a quick look', () => {
  test('opens just what was typed', () => expect(quickTexts(quickQuery(typed), 'mm')).toEqual(typed));

  test('nonsense in an address is what nobody said', () =>
    expect(quickTexts({ axle: 'middle', vehicle: 'boat', suspension: 'magic', fitted: ['a', 'b'] }, 'in')).toEqual({
      fitted: '',
      wanted: '',
      lift: '',
      axle: 'front',
      vehicle: '',
      suspension: '',
      units: 'in',
      answers: {},
    }));
});

describe('what it asks', () => {
  test('numbers in the unit that was chosen', () => {
    const read = quickQuestion(typed);
    expect(read).toMatchObject({ problems: [], question: { liftMm: 50.8, vehicle: 'pickup', suspension: null } });
    expect(quickQuestion({ ...typed, lift: '-1' })).toMatchObject({ problems: [], question: { liftMm: -25.4 } });
  });

  test.each([
    ['fitted', { fitted: '265/70R17' }],
    ['wanted', { wanted: '285/70R18 on 17x9 0' }],
    ['lift', { lift: 'some' }],
    // What no wheel is, and what a job could not keep.
    ['wanted', { wanted: '285/70R17 on 17x99 0' }],
    ['fitted', { fitted: '265/70R17 on 17x8 +900' }],
    ['wanted', { wanted: '285/70R17 on 17x9 11 bs' }],
  ] as const)('a problem stands at its own text: %s', (path, said) => {
    const read = quickQuestion({ ...typed, ...said });
    expect(read.question).toBeNull();
    expect(read.problems.map((problem) => problem.path)).toEqual([path]);
  });

  test('an answer that cannot be read is said, and the rest goes on', () => {
    const read = quickQuestion({ ...typed, answers: { ...typed.answers, 'body-mount.frame.0': 'plenty' } });
    expect(read.problems.map(({ path }) => path)).toEqual(['said.body-mount.frame.0']);
    expect(Object.keys(read.question!.answers)).toEqual(['fender-lip.body.0']);
  });

  // A 35x12.50R17 measures 0.2 to 0.5 in under its print (common practice, no source): gaps were read off what it really is.
  test('today’s flotation tire is taken for smaller than its print, the wanted one for as large', () => {
    const { question } = quickQuestion({ ...typed, fitted: '33x12.50R17 17x9 0', wanted: '35x12.50R17 17x9 0' });
    expect(question!.fitted.tire.underPrintMm).toBeGreaterThan(0.2 * 25.4);
    expect(question!.wanted.tire).not.toHaveProperty('underPrintMm');
  });
});

describe('what the shop measured', () => {
  const jobs = demoJobs().map((job, i) => ({ id: `job-${i}`, ...job }));

  test('counts a vehicle once for each axle, though both its sides were surveyed', () => {
    const wells = recordedWells(jobs, []);
    const pickups = wells.filter(({ title }) => title.startsWith('Patrol pickup'));
    expect(pickups.map(({ key }) => key.startsWith('front'))).toEqual([true]);
    expect(pickups[0]!.vehicle).toBe('pickup');
    expect(recordedWells([...jobs, { ...jobs[0]!, id: jobs[0]!.id }], [])).toHaveLength(wells.length);
  });

  test('the library’s wells stand beside them, of no kind where nobody said one', () => {
    const { corner } = recordedWells(jobs, [])[0]!;
    const library = [{ title: 'A van', kind: null, cornerKey: 'frontLeft', corner }] as unknown as Parameters<
      typeof recordedWells
    >[1];
    expect(recordedWells([], library)).toEqual([{ title: 'A van', vehicle: null, key: 'frontLeft', corner }]);
  });
});
