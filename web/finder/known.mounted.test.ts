import { afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { seededRandom } from '@/core/1-base/numeric/seeded-random';
import { benchState } from '../bench/room-state';
import CornersSummary from '../bench/CornersSummary.vue';
import CornerTabs from '../job/CornerTabs.vue';
import GapStrip from '../kit/GapStrip.vue';
import type { JobStore } from '../stores/job';
import { mountedInJob, openedJob } from '../testing/mounting';
import { all, pageText, press, said, type } from '../testing/page';
import { endWorkersHere, runWorkersHere, until } from '../testing/worker-here';
import FinderRoom from './FinderRoom.vue';

let job: JobStore;
let wrapper: VueWrapper | null = null;

/** The job with only so many things at its front left corner, and no other corner. */
const sparse = (keep: (i: number) => boolean, edit: (file: LowgapFile) => void = () => undefined): void =>
  job.change((file) => {
    const { frontLeft } = file.corners;
    file.corners = { frontLeft: { ...frontLeft!, obstacles: frontLeft!.obstacles.filter((_, i) => keep(i)) } };
    file.setup!.tire.size = '265/70R17';
    edit(file);
  });
const answered = async (): Promise<void> => {
  await until(() => job.turns.answered === job.turns.asked && job.evaluation);
  await flushPromises();
};
const CLEAR = /\bclears?\b|nothing rubs|holds on this vehicle|verdict-clear/i;

beforeAll(runWorkersHere);
beforeEach(async () => {
  ({ job } = await openedJob());
});
afterEach(() => {
  wrapper?.unmount();
  job.close();
  endWorkersHere();
});

describe('below the least that has to be known', () => {
  test('strip, corner tabs and bench say so, and what to measure first', async () => {
    sparse((i) => i < 2);
    await answered();
    wrapper = await mountedInJob(GapStrip);
    await flushPromises();
    expect(pageText()).toContain('not known');
    expect(pageText()).toMatch(/front left is not known \(2 of 7 parts\): survey the/);
    expect(document.body.innerHTML).not.toMatch(/verdict-clear|verdict-close/);
    wrapper.unmount();
    wrapper = await mountedInJob(CornerTabs);
    expect(all('.corner')[0]!.text()).toContain('not known');
    expect(benchState(job)).toBe('not known');
  });

  test('a claim about a truck that nobody surveyed is not known, never held', async () => {
    sparse((i) => i < 1);
    await answered();
    wrapper = await mountedInJob(FinderRoom, {}, { room: 'finder', query: { view: 'claim' } });
    await type(/^A claim/, '245/75R17 no lift');
    await press(/^Check it/);
    await until(() => said('claim-says') !== '');
    expect(said('claim-says')).toMatch(/^Not known/);
    expect(all('td.verdict-clear')).toEqual([]);
  });

  test('nothing measured at all is no verdict but a request', async () => {
    sparse(() => false);
    await answered();
    wrapper = await mountedInJob(GapStrip);
    expect(said('strip-unknown')).toContain('survey the fender lip');
  });

  test('one starting value left is enough to hold green back', async () => {
    sparse(
      () => true,
      (file) => (file.corners.frontLeft!.starting = ['droopMm']),
    );
    await answered();
    expect(['notKnown', 'tooClose', 'rubs']).toContain(job.evaluation!.lowGap!.verdict);
    expect(benchState(job)).not.toMatch(CLEAR);
  });

  test('no view of random sparse jobs says clear', async () => {
    const random = seededRandom(7);
    for (let run = 0; run < 6; run++) {
      const kept = new Set([...Array(10).keys()].filter(() => random() < 0.35));
      sparse((i) => kept.has(i));
      await answered();
      if (job.evaluation!.known.some(({ isEnough }) => isEnough)) {
        job.undo();
        continue;
      }
      for (const view of [GapStrip, CornerTabs, CornersSummary]) {
        wrapper = await mountedInJob(view as never);
        await flushPromises();
        expect({ kept: [...kept], found: CLEAR.exec(document.body.innerHTML)?.[0] }).toEqual({
          kept: [...kept],
          found: undefined,
        });
        wrapper.unmount();
        wrapper = null;
      }
      expect(benchState(job)).not.toMatch(CLEAR);
      job.undo();
      await answered();
    }
  });
});

test('the whole survey of the pickup is known, and is said to clear with a tire that does', async () => {
  sparse(() => true);
  await answered();
  expect(job.evaluation!.known[0]).toMatchObject({ isEnough: true, first: null });
  expect(['clear', 'close']).toContain(job.evaluation!.lowGap!.verdict);
  // The other three corners of this job were not taken: the whole vehicle is not said to clear.
  expect(benchState(job)).toBe('clear at 1 of 4');
});
