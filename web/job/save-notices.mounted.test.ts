import { afterEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { mountedInJob, openedJob } from '../testing/mounting';
import { key, pageText, press } from '../testing/page';
import type { FakeServer } from '../testing/fake-server';
import type { JobStore } from '../stores/job';
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

  /** Changes the title here while somebody else saved what `edit` does. */
  async function met(edit: Parameters<FakeServer['somebodySaves']>[0]): Promise<JobStore> {
    const { job, server } = await openedJob();
    wrapper = await mountedInJob(SaveNotices);
    server.somebodySaves(edit);
    job.rename('Mine', '');
    await new Promise((resolve) => setTimeout(resolve, 450));
    await flushPromises();
    return job;
  }
  const isAsked = () => wrapper!.find('[data-testid="conflict"]').exists();

  test('somebody else’s save of other fields comes in without a question', async () => {
    const job = await met((other) => void (other.document.setup!.spacerMm = 11));
    expect(isAsked()).toBe(false);
    expect([job.title, job.document!.setup!.spacerMm]).toEqual(['Mine', 11]);
    // The way back undoes what was done here alone.
    job.change((file) => void (file.setup!.bodyLiftMm = 25));
    job.undo();
    expect(job.document!.setup).toMatchObject({ spacerMm: 11, bodyLiftMm: 0 });
    job.close();
  });

  test('the same field asks which value stays, both of them said; the choice is made at a press', async () => {
    const job = await met((other) => void (other.title = 'Theirs'));
    expect(pageText()).toContain('title');
    expect((key(/^Go on with these/).element as HTMLButtonElement).disabled).toBe(true);
    await press(/^Elsewhere: Theirs/);
    await press(/^Go on with these/);
    expect(job.title).toBe('Theirs');
    expect(isAsked()).toBe(false);
    job.close();
  });

  test('all that is here can be kept at once', async () => {
    const job = await met((other) => void (other.title = 'Theirs'));
    await press(/^Keep all that is here/);
    expect(job.title).toBe('Mine');
    expect(isAsked()).toBe(false);
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
