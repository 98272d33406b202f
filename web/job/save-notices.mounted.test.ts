import { afterEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { mountedInJob, openedJob } from '../testing/mounting';
import RoomsBar from './RoomsBar.vue';
import SaveNotices from './SaveNotices.vue';

let wrapper: VueWrapper | null = null;
afterEach(() => wrapper?.unmount());

describe('what stands between the job and the server', () => {
  test('nothing to say while all is well', async () => {
    const { job } = await openedJob();
    wrapper = await mountedInJob(SaveNotices);
    expect(wrapper.text()).toBe('');
    job.close();
  });

  test('a change the document cannot hold is said by its field, and gone with the next good one', async () => {
    const { job } = await openedJob();
    wrapper = await mountedInJob(SaveNotices);
    job.change((file) => (file.vehicle.wheelbaseMm = -5));
    await flushPromises();
    expect(wrapper.find('[data-testid="change-refused"]').text()).toContain('vehicle, wheelbase');
    job.change((file) => (file.vehicle.wheelbaseMm = 3300));
    await flushPromises();
    expect(wrapper.find('[data-testid="change-refused"]').exists()).toBe(false);
    job.close();
  });

  test('somebody else’s save asks which one stays, and theirs is taken at a press', async () => {
    const { job, server } = await openedJob();
    wrapper = await mountedInJob(SaveNotices);
    server.job = { ...server.job, title: 'Theirs', revision: 7 };
    job.rename('Mine', '');
    await new Promise((resolve) => setTimeout(resolve, 450));
    await flushPromises();
    expect(wrapper.find('[data-testid="conflict"]').exists()).toBe(true);
    await wrapper
      .findAll('button')
      .find((one) => one.text() === 'Take the other')!
      .trigger('click');
    await flushPromises();
    expect(job.title).toBe('Theirs');
    expect(wrapper.find('[data-testid="conflict"]').exists()).toBe(false);
    job.close();
  });
});

describe('the bar of rooms', () => {
  test('each room says its own state, in the order of the work', async () => {
    const { job } = await openedJob('Lift-line');
    wrapper = await mountedInJob(RoomsBar, { id: job.id });
    const names = wrapper.findAll('.room-name').map((one) => one.text());
    expect(names).toEqual([
      'Intake',
      'Baseline',
      'Survey',
      'Stance',
      'Bench',
      'Finder',
      'Plan',
      'Install',
      'Test fit',
      'Follow-up',
    ]);
    const states = wrapper.findAll('.room-state').map((one) => one.text());
    const readings = job.corners.flatMap((key) =>
      job.document!.corners[key]!.obstacles.flatMap((o) => o.readings ?? []),
    );
    expect(states[1]).toBe(`${job.corners.length} of 4 corners`);
    expect(states[2]).toBe(`${readings.length} readings`);
    expect(states[8]).toMatch(/^\d+ rounds?$/);
    job.change((file) => delete file.install);
    await flushPromises();
    expect(wrapper.findAll('.room-state')[7]!.text()).toBe('no sheet');
    job.close();
  });
});
