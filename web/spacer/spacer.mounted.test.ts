import { afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import type { VueWrapper } from '@vue/test-utils';
import type { JobStore } from '../stores/job';
import { mountedInJob, openedJob } from '../testing/mounting';
import { key, pageText, press, said, type } from '../testing/page';
import { endWorkersHere, runWorkersHere, until } from '../testing/worker-here';
import SpacerPanel from './SpacerPanel.vue';

let job: JobStore;
let wrapper: VueWrapper;

beforeAll(runWorkersHere);
beforeEach(async () => {
  ({ job } = await openedJob('Rescue'));
  wrapper = await mountedInJob(SpacerPanel, {}, { room: 'bench', query: { corner: 'frontLeft' } });
});
afterEach(() => {
  wrapper.unmount();
  job.close();
  endWorkersHere();
});

describe('a spacer on the bench', () => {
  test('says how thick reaches the gap, and what it moves: offset and track by as much as it is thick', async () => {
    await until(() => said('spacer-says') || null);
    expect(said('spacer-says')).toContain('no spacer clears Inner fender');
    await type(/^Thickness/, '25');
    // Center plane = spacer - offset, so so much further out, and the track twice that (common practice, no source).
    const { wheel, spacerMm } = job.document!.corners.frontLeft!.fitted;
    const out = 25 - job.document!.setup!.wheel.offsetMm! - (spacerMm - wheel.offsetMm!);
    expect(pageText()).toContain(`Wheel ${out} mm further out`);
    expect(pageText()).toContain(`track ${2 * out} mm wider`);
  });

  test('is tried with one press, and that press is one change', async () => {
    const before = JSON.stringify(job.document!.setup);
    await type(/^Thickness/, '25');
    await press(/^Try it on the bench/);
    expect(job.document!.setup!.spacerMm).toBe(25);
    job.undo();
    expect(JSON.stringify(job.document!.setup)).toBe(before);
  });

  test('goes into the plan as what is put on beyond what is there', async () => {
    await type(/^Thickness/, '25');
    await press(/^Put it into the plan/);
    const { spacerMm } = job.document!.setup!;
    expect(job.document!.plan!.chosen!.changes.front.spacerMm).toBe(25 - spacerMm);
  });

  test('what is no length is refused in its field and changes nothing', async () => {
    const before = JSON.stringify(job.document!.plan ?? null);
    await type(/^Thickness/, 'thick');
    expect(pageText()).toContain('thick');
    expect(JSON.stringify(job.document!.plan ?? null)).toBe(before);
    expect(key(/^Try it on the bench/).exists()).toBe(true);
  });
});
