import { afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { caseOfRound } from '@/contracts/as-fit';
import { expectedHeights } from '@/core/5-consequences/stance/expected-height';

import { useShopRecord } from '../stores/shop-record';
import type { JobStore } from '../stores/job';
import { composed } from '../testing/composing';
import { mountedInJob, openedJob } from '../testing/mounting';
import { alerts, choose, keys, pageText, press, said, type, valueIn } from '../testing/page';
import { endWorkersHere, runWorkersHere, until } from '../testing/worker-here';
import TestFitRoom from './TestFitRoom.vue';
import { useTestFit } from './use-test-fit';

let job: JobStore;
let wrapper: VueWrapper | null = null;

const room = async (): Promise<void> => {
  wrapper = await mountedInJob(TestFitRoom, {}, { room: 'testFit' });
  await flushPromises();
};
const rounds = () => job.document!.testFits!;

beforeAll(runWorkersHere);
beforeEach(async () => {
  ({ job } = await openedJob('Lift-line'));
});
afterEach(() => {
  wrapper?.unmount();
  wrapper = null;
  job.close();
  endWorkersHere();
});

describe('the test fits of the open job', () => {
  test('the newest round is the one looked at, and what is expected in it is what the core foretells', async () => {
    const { state, leave } = await composed(useTestFit, { room: 'testFit' });
    const last = rounds().at(-1)!;
    expect(state.round.value!.id).toBe(last.id);
    const found = await until(() => state.expected.value.length > 0 && state.expected.value);
    expect(found.length).toBeGreaterThan(0);
    for (const { gapMm } of found) expect(Number.isFinite(gapMm)).toBe(true);
    leave();
  });

  test('heights expected are those of what the round had on, not of what the bench tries now', async () => {
    const { state, leave } = await composed(useTestFit, { room: 'testFit' });
    const before = state.expectedAt('frontLeft');
    job.changeSetup((file) => (file.setup!.suspensionLiftMm = 111));
    expect(state.expectedAt('frontLeft')).toEqual(before);
    const plain = expectedHeights(caseOfRound(job.document!, state.round.value!), 'frontLeft', undefined);
    expect(before.hub?.mm).toBeCloseTo(plain.hubToLip!.mm, 6);
    leave();
  });

  test('a round begun keeps its setup as it was, whatever is tried after it', async () => {
    const { state, leave } = await composed(useTestFit, { room: 'testFit' });
    const setup = state.borrowedSetup('285/70R17')!;
    const { wheel } = job.document!.corners.frontLeft!.fitted;
    expect(setup).toMatchObject({ tire: { size: '285/70R17' }, wheel, suspensionLiftMm: 0 });
    state.begin('borrowed', setup, 'Trial with 285/70R17');
    expect(rounds().at(-1)).toMatchObject({ of: 'borrowed', title: 'Trial with 285/70R17', findings: [], heights: {} });
    job.changeSetup((file) => (file.setup!.tire.size = '265/70R17'));
    expect(rounds().at(-1)!.setup!.tire.size).toBe('285/70R17');
    leave();
  });

  test('what was expected stands as it was made, whatever its own readings teach the shop', async () => {
    const { state, leave } = await composed(useTestFit, { room: 'testFit' });
    state.begin('bench', job.document!.setup!, 'Round 9');
    await until(() => state.round.value!.title === 'Round 9');
    const before = state.expectedAt('frontLeft');
    expect(before.hub!.mm).toBeGreaterThan(0);
    // The shop's own measurements widen the band of springs; this round's expectation is not one of theirs.
    useShopRecord().record = {
      ...useShopRecord().record,
      heights: new Map([['ride', Array.from({ length: 8 }, (_, i) => ({ promisedMm: 40, measuredMm: 10 + 8 * i }))]]),
    };
    job.changeSetup((file) => (file.corners.frontLeft!.hubToLipMm = 500));
    expect(state.expectedAt('frontLeft')).toEqual(before);
    leave();
  });

  test('borrowed tires go on each axle’s own wheels', async () => {
    job.change((file) => {
      for (const key of ['rearLeft', 'rearRight'] as const)
        if (file.corners[key]) file.corners[key]!.fitted.wheel = { diameterIn: 17, widthIn: 9, offsetMm: -12 };
    });
    const { state, leave } = await composed(useTestFit, { room: 'testFit' });
    const setup = state.borrowedSetup('285/70R17')!;
    expect(setup.wheel).toEqual(job.document!.corners.frontLeft!.fitted.wheel);
    expect(setup.corners!.rearLeft).toMatchObject({ tire: { size: '285/70R17' }, wheel: { widthIn: 9 } });
    leave();
  });

  test('what was not tried is named, and nothing is left once every stop and lock was reached', async () => {
    const { state, leave } = await composed(useTestFit, { room: 'testFit' });
    state.begin('bench', job.document!.setup!, 'Round 9');
    await until(() => state.round.value!.title === 'Round 9');
    expect(state.notTried.value.every(({ what }) => what.length > 0)).toBe(true);
    expect(state.notTried.value.map(({ key }) => key)).toEqual(job.corners);
    expect(state.notTried.value.every(({ picture }) => picture!.tried.length === 0)).toBe(true);
    state.change((round) => {
      const hump = round.postures.find(({ kind }) => kind === 'humpFrontLeft')!;
      Object.assign(hump, {
        done: true,
        reach: { frontLeft: { hubToLipMm: job.document!.corners.frontLeft!.hubToLipMm! - 30 } },
      });
    });
    const { rideMm, tried } = state.notTried.value.find(({ key }) => key === 'frontLeft')!.picture!;
    expect(tried[0]!.travelMm).toBe(rideMm);
    expect(tried.at(-1)!.travelMm).toBeGreaterThan(rideMm);
    leave();
  });
});

describe('the room', () => {
  test('borrowed tires of a size that cannot be read are refused and stay typed', async () => {
    await room();
    const count = rounds().length;
    await press(/^Begin a test fit/);
    await type(/^Borrowed tires/, 'the big ones');
    await press(/^Try them on/);
    expect(rounds()).toHaveLength(count);
    expect(pageText()).toContain('found the big ones');
    expect(valueIn(/^Borrowed tires/)).toBe('the big ones');
    await type(/^Borrowed tires/, '285/70R17');
    await press(/^Try them on/);
    expect(rounds()).toHaveLength(count + 1);
    expect(rounds().at(-1)!.title).toBe('Trial with 285/70R17');
  });

  test('the bench trying something else by now is said', async () => {
    job.changeSetup((file) => (file.setup!.tire.size = '245/75R17'));
    await room();
    expect(pageText()).toContain('the round is judged by what it had on');
  });

  test('a posture ticked without how far it went is asked for it', async () => {
    await room();
    const done = () =>
      rounds()
        .at(-1)!
        .postures.filter((one) => one.done).length;
    const before = done();
    const open = keys(/^\s*Tried: /).filter((one) => one.attributes('aria-pressed') === 'false');
    if (open.length === 0) {
      await keys(/^\s*Tried: /)[0]!.trigger('click');
      expect(done()).toBe(before - 1);
    } else {
      await open[0]!.trigger('click');
      expect(done()).toBe(before + 1);
    }
  });

  test('a height far from what can be is said at once, and one that was read is compared', async () => {
    await room();
    await type(/^Front left hub to lip$/, '350');
    expect(rounds().at(-1)!.heights.frontLeft!.hubToLipMm).toBe(350);
    expect(pageText()).toMatch(/lower than|cannot be/);
    await type(/^Front left hub to lip$/, '');
    expect(rounds().at(-1)!.heights.frontLeft).not.toHaveProperty('hubToLipMm');
  });

  test('what the kit promised and what came of it stands beside the height', async () => {
    await room();
    await type(/^Front left hub to lip$/, '553');
    expect(said('kit-got')).toMatch(/promised 40 mm .*, got .*: \d+ mm (less|more)/);
    await type(/^Front left hub to lip$/, '');
    expect(said('kit-got')).not.toContain('front left');
  });

  test('a finding without its thing is not taken, and says what is wanted', async () => {
    await room();
    const count = rounds().at(-1)!.findings.length;
    await press(/^Add the finding/);
    const form = document.querySelector('form[aria-label="Next finding"]')!;
    form.dispatchEvent(new Event('submit', { bubbles: true, cancelable: true }));
    await flushPromises();
    expect(rounds().at(-1)!.findings).toHaveLength(count);
    expect(alerts()).toContain('which part');
  });

  test('a finding is confirmed and taken away again', async () => {
    await room();
    const findings = () => rounds().at(-1)!.findings;
    const count = findings().length;
    expect(count).toBeGreaterThan(0);
    const was = findings()[0]!.confirmed === true;
    await keys(/^Confirm(ed)?$/)[0]!.trigger('click');
    expect(findings()[0]!.confirmed === true).toBe(!was);
    await press(/Remove the finding/);
    expect(findings()).toHaveLength(count - 1);
  });

  test('a stop that closed sooner than surveyed is shown, and taken into the baseline by a press', async () => {
    const corner = () => job.document!.corners.frontLeft!;
    job.change((file) => {
      file.corners.frontLeft!.starting = ['bumpMm'];
      const round = file.testFits!.at(-1)!;
      round.setup!.bodyLiftMm = 0;
      const hump = { kind: 'humpFrontLeft' as const, done: true, reach: {} };
      round.postures = [hump];
    });
    await room();
    expect(said('stop-readings')).toBe('');
    const bump = corner().travel.bumpMm;
    job.change((file) => {
      file.testFits!.at(-1)!.postures[0]!.reach.frontLeft = {
        hubToLipMm: corner().hubToLipMm! - bump - 20,
        stopGapMm: 0,
      };
    });
    await flushPromises();
    expect(said('stop-readings')).toContain(`the baseline has it at ${Math.round(bump)} mm`);
    await press(/into the baseline$/);
    expect(corner().travel.bumpMm).toBeCloseTo(bump + 20, 1);
    expect(corner().starting).toEqual([]);
    expect(said('stop-readings')).toBe('');
  });

  test('a finding wants the posture it was seen in: none is chosen for it', async () => {
    await room();
    const count = rounds().at(-1)!.findings.length;
    await choose(wrapper!, /^Part$/, 'fender-lip');
    await wrapper!.find('form[aria-label="Next finding"]').trigger('submit');
    await flushPromises();
    expect(rounds().at(-1)!.findings).toHaveLength(count);
    expect(alerts()).toContain('what was tried when it was seen');
  });

  test('a cut that was measured takes the old edge’s place, and can be taken back', async () => {
    await room();
    const lip = () => job.document!.corners.frontLeft!.obstacles.find(({ id }) => id === 'fender-lip')!;
    const before = JSON.stringify(lip());
    await choose(wrapper!, /^What was cut$/, 'frontLeft:fender-lip');
    await choose(wrapper!, /^How$/, 'cutSheetMetal');
    await type(/^From clock$/, '10:30');
    await type(/^To clock$/, '1:30');
    // Nearer than it was: refused, and nothing typed is lost.
    await type(/^At clock$/, '12:00');
    await type(/^Gap now$/, '1 mm');
    await press(/^Put the new edge/);
    expect(alerts()).toContain('no less than before the cut');
    expect(JSON.stringify(lip())).toBe(before);
    await press(/^Remove: 12:00/);
    for (const clock of ['11:00', '12:00', '1:00']) {
      await type(/^At clock$/, clock);
      await type(/^Gap now$/, '10 1/4 in');
      await wrapper!.find('form[aria-label="Gap to the new edge"]').trigger('submit');
      await flushPromises();
    }
    await press(/^Put the new edge/);
    expect(alerts().trim()).toBe('');
    expect(lip().shape!.points.length).toBeGreaterThan(2);
    expect(lip().cuts![0]).toMatchObject({ round: rounds().at(-1)!.id, fromClock: '10:30', toClock: '1:30' });
    expect(rounds().at(-1)!.trimmed.at(-1)).toMatchObject({ obstacle: 'fender-lip', isMeasured: true });
    expect(said('cuts')).toContain('The survey holds the new edge');
    await press(/^Back as it was surveyed/);
    expect(JSON.stringify(lip())).toBe(before);
    expect(
      rounds()
        .at(-1)!
        .trimmed.filter(({ isMeasured }) => isMeasured),
    ).toEqual([]);
  });

  test('what it teaches is shown before anything is taken, and taken by a press alone', async () => {
    job.change((file) => {
      for (const one of file.testFits!) one.learned = {};
    });
    await room();
    const corners = JSON.stringify(job.document!.corners);
    const learn = keys(/^Work out what it teaches/);
    expect(learn.length).toBeGreaterThan(0);
    await learn[0]!.trigger('click');
    await until(() => keys(/^Take/).length > 0, 60_000);
    expect(JSON.stringify(job.document!.corners)).toBe(corners);
    await press(/^Take/);
    expect(Object.keys(rounds().at(-1)!.learned).length).toBeGreaterThan(0);
    expect(said('learned')).toContain('Taken in');
    job.undo();
    expect(JSON.stringify(job.document!.corners)).toBe(corners);
  });
});
