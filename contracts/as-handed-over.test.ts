import { expect, test } from '@jest/globals';
import { demoJobs } from '@/demo/demo-jobs';
import type { Plan } from '@/core/6-decisions/plan/plan-step';
import { NO_CHANGE } from '@/core/6-decisions/plan/setup-changes';
import { asHandedOver } from './as-handed-over';
import type { LowgapFile } from './lowgap-file';

const job = (): LowgapFile => structuredClone(demoJobs().find(({ title }) => title.startsWith('Lift-line'))!.document);
const step = (at: Plan['steps'][number]['at'], kind: Plan['steps'][number]['kind']): Plan['steps'][number] => ({
  kind,
  at,
  amount: 10,
  minutes: 10,
  partsMinor: 0,
  costMinor: 0,
  permanence: 1,
});
const PLAN: Plan = {
  changes: NO_CHANGE,
  steps: [
    step({ axle: 'front' }, 'bumpStop'),
    step({ corner: 'frontLeft', obstacle: 'liner-front', label: 'Liner' }, 'trimPlastic'),
  ],
  permanence: 1,
  minutes: 20,
  costMinor: 0,
};

test('what the last test fit had on goes home, whatever the bench tries by then', () => {
  const file = job();
  file.testFits!.at(-1)!.setup!.tire.size = '275/70R17';
  file.setup!.tire.size = '35x12.50R17';
  expect(asHandedOver(file, null).description.setup!.tire.size).toBe('275/70R17');
  delete file.testFits;
  expect(asHandedOver(file, null).description.setup!.tire.size).toBe('35x12.50R17');
});

test('a round of the plan had its changes of the setup on; they are not done a second time', () => {
  const file = job();
  const kinds = () => asHandedOver(file, PLAN).plan!.steps.map(({ kind }) => kind);
  file.testFits!.at(-1)!.of = 'bench';
  expect(kinds()).toEqual(['bumpStop', 'trimPlastic']);
  file.testFits!.at(-1)!.of = 'plan';
  expect(kinds()).toEqual(['trimPlastic']);
});
