import { describe, expect, test } from '@jest/globals';
import { asCase } from '@/contracts/as-case';
import { lowgapFileSchema, type LowgapFile } from '@/contracts/lowgap-file';
import { evaluateCase } from '@/core/4-clearance/verdict/evaluate';
import { demoJobs } from '@/demo/demo-jobs';
import { blankJob } from '../bay/blank-job';
import { takeMotion } from '../baseline/blank-corner';
import { dayText } from '../kit/dates';
import { nextStep } from './next-step';

const next = (file: LowgapFile) => nextStep(file, file.setup ? evaluateCase(asCase(file)) : null);
const pickup = (): LowgapFile => structuredClone(demoJobs().find(({ title }) => title.startsWith('Patrol'))!.document);

/** The order in which practitioners work: intake, baseline, survey, candidates, plan, install, test fit, hand-over (common practice, no source). */
describe('what comes next follows the order of the trade', () => {
  const fresh = (): LowgapFile => blankJob('Bigger tires', 'in').document;

  test('a new job begins with the intake: what it is and what its wheels hang on', () =>
    expect(next(fresh())).toMatchObject({ room: 'intake' }));

  test('then what is fitted, at the corner that was begun', () => {
    const file = fresh();
    takeMotion(file.corners.frontLeft!, 'doubleWishbone');
    file.intake = { uses: ['work'] };
    expect(next(file)).toMatchObject({ room: 'baseline', corner: 'frontLeft' });
    expect(next(file)!.says).toContain('tire now fitted');
  });

  test('once the baseline is measured, the survey', () => {
    const file = fresh();
    takeMotion(file.corners.frontLeft!, 'doubleWishbone');
    file.intake = { uses: ['work'] };
    delete file.corners.frontLeft!.starting;
    expect(next(file)).toMatchObject({ room: 'survey', corner: 'frontLeft' });
  });

  test('a surveyed corner without a wanted tire leads to the bench; a corner that nobody began is not asked for', () => {
    const { setup: _, ...file } = pickup();
    expect(nextStep(lowgapFileSchema.parse(file), null)).toMatchObject({ room: 'bench' });
  });

  test('what is too close wants a plan, a plan a sheet, a sheet its steps', () => {
    const file = pickup();
    expect(next(file)).toMatchObject({ room: 'plan' });
    expect(next(file)!.says).toMatch(/^2 parts are too close/);
    const planned = demoJobs().find(({ title }) => title.startsWith('Rescue'))!.document;
    expect(next(planned)).toMatchObject({ room: 'plan' });
  });

  test('after the hand-over, what is due first', () => {
    const file = demoJobs().find(({ title }) => title.startsWith('Lift-line'))!.document;
    const step = next(file)!;
    expect(step.room).toBe('followUp');
    const days = file.followUp!.due.filter(({ doneOn }) => !doneOn).map(({ due }) => due);
    expect(step.says).toContain(dayText([...days].sort()[0]!));
  });

  test('nothing is open once all is done', () => {
    const file = structuredClone(demoJobs().find(({ title }) => title.startsWith('Lift-line'))!.document);
    for (const due of file.followUp!.due) due.doneOn = '2026-01-01';
    expect(next(file)).toBeNull();
  });
});
