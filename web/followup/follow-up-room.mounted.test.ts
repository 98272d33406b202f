import { afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { lowgapFileSchema } from '@/contracts/lowgap-file';
import type { JobStore } from '../stores/job';
import { composed } from '../testing/composing';
import { mountedInJob, openedJob } from '../testing/mounting';
import { all, alerts, key, keys, pageText, press, said, type, valueIn } from '../testing/page';
import { endWorkersHere, runWorkersHere, until } from '../testing/worker-here';
import FollowUpRoom from './FollowUpRoom.vue';
import { asCase } from '@/contracts/as-case';
import { setupWork } from '@/core/6-decisions/plan/setup-work';
import { lastMeasured, nextChange, useFollowUp } from './use-follow-up';

let job: JobStore;
let wrapper: VueWrapper | null = null;

const room = async (view: string): Promise<void> => {
  wrapper = await mountedInJob(FollowUpRoom, {}, { room: 'followUp', query: { view } });
  // Nothing is made from the plan before it is judged.
  await until(() => keys(/^Handed over/).every((one) => !one.classes().includes('v-btn--loading')));
  await flushPromises();
};
const own = () => job.document!.followUp!;

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

describe('handing over', () => {
  test('writes the usual looks down from the day it goes home; alignment where it was lifted', async () => {
    job.changeSetup((file) => delete file.followUp);
    const { state, leave } = await composed(useFollowUp, { room: 'followUp' });
    state.handOver('2026-03-02');
    expect(own().handedOver).toBe('2026-03-02');
    const kinds = own().due!.map(({ kind }) => kind);
    // Wheel nuts are looked at twice: soon, and again (common practice, no source).
    expect(kinds.filter((kind) => kind === 'wheelNuts')).toHaveLength(2);
    expect(kinds).toContain('alignment');
    const days = own().due!.map(({ due }) => due);
    expect(days).toEqual([...days].sort());
    expect(days.every((day) => day > '2026-03-02')).toBe(true);
    leave();
  });

  test('again keeps what was done and what the customer asked for, and replaces the rest', async () => {
    const { state, leave } = await composed(useFollowUp, { room: 'followUp' });
    state.handOver('2026-03-02');
    state.change((kept) => {
      kept.due.push({ id: 'mine', kind: 'customer', text: 'Look at the flares', due: '2026-05-01' });
      kept.due.find(({ kind }) => kind === 'wheelNuts')!.doneOn = '2026-03-04';
    });
    const done = own().due!.filter(({ doneOn }) => doneOn !== undefined).length;
    state.handOver('2026-04-01');
    expect(own().due!.filter(({ doneOn }) => doneOn !== undefined)).toHaveLength(done);
    expect(own().due!.some(({ id }) => id === 'mine')).toBe(true);
    expect(own().due!.filter(({ kind, doneOn }) => kind === 'wheelNuts' && doneOn === undefined)).toHaveLength(2);
    leave();
  });

  test('with steps open, or no test fit, it goes home only with a reason, and both are printed', async () => {
    job.changeSetup((file) => {
      file.testFits = [];
      delete file.followUp;
    });
    await room('due');
    expect(said('still-open')).toContain('no test fit was made');
    await press(/^Handed over/);
    expect(job.document!.followUp?.handedOver).toBeUndefined();
    expect(pageText()).toContain('Say why it goes home all the same');
    await type(/^Why it goes home/, 'Needed for the storm; comes back Tuesday');
    await press(/^Handed over/);
    expect(own()).toMatchObject({ openReason: 'Needed for the storm; comes back Tuesday' });
    expect(own().openThen).toContainEqual({ matter: 'noTestFit', count: 1 });
    wrapper!.unmount();
    await room('handOver');
    expect(said('open-then')).toMatch(/no test fit was made.*Why: Needed for the storm/);
  });

  test('its measurements go into the shop record only where that was ticked', async () => {
    job.changeSetup((file) => delete file.followUp!.inRecord);
    await room('due');
    const tick = all('input[type="checkbox"]').find((one) => one.attributes('aria-label') !== 'x')!;
    await tick.setValue(true);
    expect(own().inRecord).toBe(true);
    await tick.setValue(false);
    expect(own().inRecord).toBe(false);
  });

  test('a day that is none is refused', async () => {
    await room('due');
    const before = own().handedOver;
    await type(/^Handed over on/, '');
    await press(/^Handed over/);
    expect(own().handedOver).toBe(before);
    expect(pageText()).toContain('found nothing');
  });

  test('the sheet says what is typed for it, and nothing in its place before', async () => {
    job.changeSetup((file) => (file.followUp = { ...file.followUp!, pressures: undefined, spare: undefined } as never));
    await room('handOver');
    const paper = (): string => all('article[aria-label="Hand-over sheet"]')[0]!.text();
    expect(paper()).toContain('see the vehicle’s plate');
    expect(paper()).toContain('not checked');
    await type(/^Tire pressures/, '38 front, 35 rear');
    expect(paper()).toContain('38 front, 35 rear');
    await type(/^Tire pressures/, ' ');
    expect(own()).not.toHaveProperty('pressures');
  });
});

describe('the sheet says what is true', () => {
  const paper = (): string => all('article[aria-label="Hand-over sheet"]')[0]!.text();
  const lifted = (mm: number): void =>
    job.changeSetup((file) => {
      const setup = { ...structuredClone(file.setup!), suspensionLiftMm: mm, bodyLiftMm: 0, parts: [] };
      delete (setup as { corners?: unknown }).corners;
      file.testFits = [];
      file.setup = setup;
    });

  test.each([
    [40, 'It stands higher'],
    [-35, 'It stands lower'],
  ])('with %s mm on the springs: %s', async (mm, words) => {
    lifted(mm);
    await room('handOver');
    expect(paper()).toContain(words);
  });

  test('at the height it had it says nothing of that; it is not handed over until it is', async () => {
    lifted(0);
    job.changeSetup((file) => delete file.followUp);
    await room('handOver');
    expect(paper()).not.toMatch(/It stands/);
    expect(paper()).toContain('Not handed over yet');
  });
});

describe('alignment', () => {
  test('toe typed as a length is kept as the angle it is at that tire', async () => {
    await room('alignment');
    await press(/^Toe in millimeters/);
    await type(/^Toe before, mm/, '2');
    const toe = own().alignment!.before!.frontLeft!.toeDeg!;
    // sin(toe) = length over the tire's diameter: 2 mm on about 800 mm is some 0.14 degrees.
    expect(toe).toBeGreaterThan(0.12);
    expect(toe).toBeLessThan(0.16);
    await press(/^Toe in inches/);
    expect(Number(valueIn(/^Toe before, in/))).toBeCloseTo(2 / 25.4, 2);
    await press(/^Toe in degrees/);
    expect(Number(valueIn(/^Toe before, deg/))).toBeCloseTo(toe, 2);
  });

  test('both sides of an axle make its total and where it points', async () => {
    job.changeSetup((file) => (file.followUp = { ...file.followUp!, alignment: {} } as never));
    await room('alignment');
    await type(/^Toe before, deg/, '0.20', 0);
    await type(/^Toe before, deg/, '0.10', 1);
    expect(own().alignment!.before).toMatchObject({ frontLeft: { toeDeg: 0.2 }, frontRight: { toeDeg: 0.1 } });
    expect(said('toe-says')).toContain('Before, front: total toe 0.30°');
    await type(/^Toe before, deg/, 'straight', 1);
    expect(own().alignment!.before!.frontRight!.toeDeg).toBe(0.1);
    await type(/^Camber before/, '-0.5');
    expect(own().alignment!.before!.frontLeft!.camberDeg).toBe(-0.5);
    // A left wheel that leans its top in leans to the right of the picture, from behind.
    const camber = all('svg.alignment').find((one) => one.attributes('aria-label')!.startsWith('Camber of a left'))!;
    expect(camber.find('.was').attributes('transform')).toBe('rotate(3)');
    expect(camber.find('.is').exists()).toBe(false);
  });
});

describe('the hand-over sheet', () => {
  test('says all that the setup changed, from wherever it was chosen', async () => {
    job.change((file) => {
      delete file.testFits;
      delete file.plan;
      file.setup = {
        ...file.setup!,
        spacerMm: 30,
        spacerType: 'boltOn',
        axleShiftMm: 15,
        parts: [{ kind: 'bumpStop', lengthMm: 20, motionRatio: 1 }],
        corners: {},
      };
    });
    await room('handOver');
    const done = said('was-done');
    for (const one of ['bump stops, 20 mm', 'axle moved 15 mm', 'bolt-on spacers, 30 mm', 'wheels and tires'])
      expect(done).toContain(one);
  });

  test('spacers are followed up by distance', async () => {
    job.changeSetup((file) => {
      delete file.followUp;
      delete file.testFits;
      file.setup = {
        ...file.setup!,
        spacerMm: 30,
        spacerType: 'boltOn',
        axleShiftMm: 0,
        suspensionLiftMm: 0,
        parts: [],
        corners: {},
      };
    });
    const { state, leave } = await composed(useFollowUp, { room: 'followUp' });
    state.handOver('2026-03-02');
    const spacers = own().due!.filter(({ kind }) => kind === 'spacers');
    expect(spacers.map(({ orAfterKm }) => orAfterKm)).toEqual([80, 800]);
    expect(own().due!.map(({ kind }) => kind)).not.toContain('alignment');
    leave();
  });
});

describe('history and the way on', () => {
  test('goes on from what was measured, keeps the survey and leaves the work that is over', () => {
    const file = job.document!;
    const next = nextChange(JSON.parse(JSON.stringify(file)), 12.7);
    expect(next.corners).toEqual(JSON.parse(JSON.stringify(file.corners)));
    for (const gone of ['install', 'testFits', 'followUp', 'plan', 'compared']) expect(next).not.toHaveProperty(gone);
    expect(next.vehicle.notes).toContain('Goes on from the state handed over');
    expect(() => lowgapFileSchema.parse(JSON.parse(JSON.stringify(next)))).not.toThrow();
    // What is on is on: the work is the half inch at each axle, and nothing else.
    const work = setupWork(asCase(next)).map(({ part }) => part);
    expect(work.length).toBeGreaterThan(0);
    for (const part of work) expect(part).toEqual({ kind: 'ride', liftMm: 12.7 });
  });

  test('what was measured last of a corner counts', () => {
    const file = JSON.parse(JSON.stringify(job.document!)) as NonNullable<JobStore['document']>;
    const [first] = file.testFits!;
    const second = JSON.parse(JSON.stringify(first)) as typeof first;
    first!.heights = { frontLeft: { hubToLipMm: 540 } };
    second!.heights = { frontLeft: { hubToLipMm: 546 } };
    const found = lastMeasured({ ...file, testFits: [first!, second!] } as never);
    expect(found.find(({ key: corner }) => corner === 'frontLeft')!.measuredMm).toBe(546);
    expect(lastMeasured({ ...file, testFits: [] } as never)).toEqual([]);
  });

  test('all that happened stands in the order of its days', async () => {
    await room('history');
    const days = all('[data-testid="history"] li .at').map((one) => Date.parse(one.text()));
    expect(days.length).toBeGreaterThan(3);
    expect(days).toEqual([...days].sort((a, b) => a - b));
  });

  test('a server that is away begins nothing and says so', async () => {
    await room('history');
    Object.assign(globalThis, { fetch: () => Promise.reject(new TypeError('fetch failed')) });
    await press(/^Half an inch more/);
    expect(alerts()).toContain('nothing was begun');
  });

  test('a comeback is written down with its day, and goes with a press', async () => {
    await room('due');
    const count = own().comebacks!.length;
    await type(/^What was found/, 'Rubs in reverse');
    await press(/^It came back today/);
    expect(own().comebacks).toHaveLength(count + 1);
    expect(own().comebacks!.at(-1)!.note).toBe('Rubs in reverse');
    expect(valueIn(/^What was found/)).toBe('');
    await key(/Remove it/, -1).trigger('click');
    expect(own().comebacks).toHaveLength(count);
  });
});
