import { afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import type { JobStore } from '../stores/job';
import { mountedInJob, openedJob } from '../testing/mounting';
import { endWorkersHere, runWorkersHere, until } from '../testing/worker-here';
import InstallRoom from './InstallRoom.vue';

let job: JobStore;
let wrapper: VueWrapper | null = null;

beforeAll(runWorkersHere);
beforeEach(async () => {
  ({ job } = await openedJob('Lift-line'));
});
afterEach(() => {
  wrapper?.unmount();
  job.close();
  endWorkersHere();
});

const room = async (view: string) => {
  wrapper = await mountedInJob(InstallRoom, {}, { room: 'install', query: { view } });
  await flushPromises();
  return wrapper;
};
const key = (name: RegExp) =>
  wrapper!.findAll('button').find((one) => name.test(`${one.text()} ${one.attributes('aria-label') ?? ''}`))!;
const field = (label: RegExp) =>
  wrapper!
    .findAll('.v-input')
    .find((one) => label.test(one.text()))!
    .find('input');

describe('the sheet of the installation', () => {
  test('a step ticked off keeps when; a step of one’s own is added, and half of one stays over a change of room', async () => {
    await room('sheet');
    const steps = () => job.document!.install!.steps!;
    const count = steps().length;
    expect(count).toBeGreaterThan(3);
    await field(/step/i).setValue('Wax the cut edges');
    wrapper!.unmount();
    await room('sheet');
    expect(field(/step/i).element.value).toBe('Wax the cut edges');
    await key(/^Add/).trigger('click');
    expect(steps()).toHaveLength(count + 1);
    expect(steps().at(-1)).toMatchObject({ kind: 'own', text: 'Wax the cut edges' });
    const ids = new Set(steps().map(({ id }) => id));
    expect(ids.size).toBe(count + 1);
    job.undo();
    expect(steps()).toHaveLength(count);
  });
});

describe('parts received', () => {
  test('a part that came wrong holds the sheet until that is taken back', async () => {
    await room('receiving');
    const pieces = () => job.document!.install!.pieces!;
    expect(pieces().length).toBeGreaterThan(0);
    const held = (): string =>
      wrapper!
        .findAll('[data-testid="hold"]')
        .map((one) => one.text())
        .join();
    const before = held();
    expect(before).not.toContain(pieces()[0]!.name);
    job.change((file) => (file.install!.pieces![0]!.state = 'wrong'));
    await flushPromises();
    expect(held()).toContain(pieces()[0]!.name);
    job.undo();
    await flushPromises();
    expect(held()).toBe(before);
  });
});

test('a surprise without minutes that can be read is refused and stays typed', async () => {
  await room('surprises');
  const before = job.document!.install!.surprises?.length ?? 0;
  const [what] = wrapper!.findAll('.v-input').filter((one) => /surprise|happened|turned/i.test(one.text()));
  await what!.find('input, textarea').setValue('Bolt snapped');
  const minutes = wrapper!
    .findAll('.v-input')
    .find((one) => /minutes/i.test(one.text()))!
    .find('input');
  await minutes.setValue('ages');
  await key(/Add the problem/).trigger('click');
  await flushPromises();
  expect(job.document!.install!.surprises?.length ?? 0).toBe(before);
  expect(wrapper!.text()).toContain('found Bolt snapped, ages');
  await field(/Minutes it cost/).setValue('45');
  await key(/Add the problem/).trigger('click');
  expect(job.document!.install!.surprises!.at(-1)).toMatchObject({ what: 'Bolt snapped', minutes: 45 });
});

describe('made from the one account of the job', () => {
  const SETUP = {
    spacerMm: 30,
    spacerType: 'boltOn',
    parts: [{ kind: 'strutTopSpacer', thicknessMm: 20, motionRatio: 0.6 }],
  } as const;
  const tried = (): void =>
    job.change((file) => {
      delete file.plan;
      delete file.install;
      file.setup = { ...file.setup!, ...SETUP, parts: [...SETUP.parts], corners: {} };
    });

  test('fasteners are taken from the work, once; a torque stays as typed, with its unit', async () => {
    tried();
    await room('fasteners');
    const fasteners = () => job.document!.install!.fasteners;
    const offered = await until(() => key(/^Take \d+ from the work/));
    await offered.trigger('click');
    const names = fasteners().map(({ name }) => name);
    expect(names).toContain('Front: spacer to hub');
    expect(names).toContain('Front: wheel to spacer');
    expect(names).toContain('Front: strut top nuts');
    expect(new Set(names).size).toBe(names.length);
    expect(key(/^Take \d+ from the work/)).toBeUndefined();
    await field(/^Torque/).setValue('100 lb ft');
    await flushPromises();
    expect(fasteners()[0]).toMatchObject({ torqueTyped: '100 lb ft', torqueNm: expect.closeTo(135.58, 2) });
    expect(wrapper!.text()).toContain('100 lb ft (135.6 N m)');
    await field(/^Torque/).setValue('tight');
    expect(fasteners()[0]!.torqueTyped).toBe('100 lb ft');
  });

  test('pieces are taken from the work order, as many as it lists', async () => {
    tried();
    await room('receiving');
    await (await until(() => key(/^Take \d+ from the work order/))).trigger('click');
    const pieces = job.document!.install!.pieces.map(({ name, wanted }) => [name, wanted]);
    expect(pieces).toContainEqual([expect.stringMatching(/^Strut-top spacers, 20 mm/), 4]);
    expect(pieces).toContainEqual([expect.stringMatching(/^Bolt-on spacers, 30 mm/), 4]);
  });

  test('a plan that cannot be judged is on nothing that is made here, and that is said', async () => {
    job.change((file) => (file.setup!.suspensionLiftMm = 290));
    await room('sheet');
    await until(() => wrapper!.find('[data-testid="plan-unjudged"]').exists());
    expect(wrapper!.find('[data-testid="plan-unjudged"]').text()).toMatch(/cannot be judged.*setup, suspension lift/);
  });

  test('the sheet has a step for each of them, with its time and tools, and takes as long as the work order', async () => {
    tried();
    await room('sheet');
    await until(() => {
      void key(/^Make the sheet/)?.trigger('click');
      return (job.document!.install?.steps.length ?? 0) > 0;
    });
    await flushPromises();
    const { steps, plannedMinutes } = job.document!.install!;
    expect(steps.map(({ text }) => text).join(' ')).toContain(
      'bolt-on spacers, 30 mm (1 3/16 in) on the bare hub face',
    );
    expect(steps.reduce((sum, one) => sum + (one.plannedMinutes ?? 0), 0)).toBe(plannedMinutes);
    expect(wrapper!.text()).toMatch(/about .*torque wrench/);
  });
});
