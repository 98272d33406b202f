import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import type { JobStore } from '../stores/job';
import { mountedInJob, openedJob } from '../testing/mounting';
import InstallRoom from './InstallRoom.vue';

let job: JobStore;
let wrapper: VueWrapper | null = null;

beforeEach(async () => {
  ({ job } = await openedJob('Lift-line'));
});
afterEach(() => {
  wrapper?.unmount();
  job.close();
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
  await key(/Add the surprise/).trigger('click');
  await flushPromises();
  expect(job.document!.install!.surprises?.length ?? 0).toBe(before);
  expect(wrapper!.text()).toContain('found Bolt snapped, ages');
  await field(/Minutes it cost/).setValue('45');
  await key(/Add the surprise/).trigger('click');
  expect(job.document!.install!.surprises!.at(-1)).toMatchObject({ what: 'Bolt snapped', minutes: 45 });
});
