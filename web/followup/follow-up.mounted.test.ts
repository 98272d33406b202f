import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import type { JobStore } from '../stores/job';
import { today } from '../kit/dates';
import { mountedInJob, openedJob } from '../testing/mounting';
import FollowUpRoom from './FollowUpRoom.vue';

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
  wrapper = await mountedInJob(FollowUpRoom, {}, { room: 'followUp', query: { view } });
  await flushPromises();
  return wrapper;
};
const field = (label: RegExp) => {
  const found = wrapper!.findAll('.v-input').find((one) => label.test(one.text()));
  if (!found) throw new Error(`no field ${label}`);
  return found.find('input, textarea');
};

describe('what is due', () => {
  test('a due thing is ticked with today’s date, and the tick can be taken back', async () => {
    await room('due');
    const open = () => job.document!.followUp!.due!.filter(({ doneOn }) => doneOn === undefined).length;
    const before = open();
    expect(before).toBeGreaterThan(0);
    const done = wrapper!.findAll('button').find((one) => one.attributes('aria-pressed') === 'false')!;
    await done.trigger('click');
    expect(open()).toBe(before - 1);
    expect(job.document!.followUp!.due!.some(({ doneOn }) => doneOn === today())).toBe(true);
    job.undo();
    expect(open()).toBe(before);
  });

  test('a day in the past is refused by name and what was typed stays, over a change of room too', async () => {
    await room('due');
    const count = job.document!.followUp!.due!.length;
    await field(/In own words/).setValue('Look at the flares');
    await field(/Due on/).setValue('2001-02-03');
    await wrapper!.find('form[aria-label="Another look"]').trigger('submit');
    await flushPromises();
    expect(wrapper!.text()).toContain('3 Feb 2001 is in the past');
    expect(job.document!.followUp!.due).toHaveLength(count);
    wrapper!.unmount();
    await room('due');
    expect((field(/In own words/).element as HTMLInputElement).value).toBe('Look at the flares');
    await field(/Due on/).setValue('2999-02-03');
    await wrapper!.find('form[aria-label="Another look"]').trigger('submit');
    await flushPromises();
    expect(job.document!.followUp!.due!.at(-1)).toMatchObject({ text: 'Look at the flares', due: '2999-02-03' });
    expect((field(/In own words/).element as HTMLInputElement).value).toBe('');
  });
});

test('the hand-over sheet names the job and every caution once', async () => {
  await room('handOver');
  expect(wrapper!.text()).toContain(job.title);
  const cautions = wrapper!.findAll('li').map((one) => one.text());
  expect(new Set(cautions).size).toBe(cautions.length);
  expect(cautions.length).toBeGreaterThan(2);
});

test('the history tells the test fits in the order of their days', async () => {
  await room('history');
  for (const { title } of job.document!.testFits ?? []) expect(wrapper!.text()).toContain(title);
  expect(job.document!.testFits!.length).toBeGreaterThan(0);
});
