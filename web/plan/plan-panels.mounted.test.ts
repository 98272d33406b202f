import { fallsShort } from '@/core/4-clearance/case/standard';
import { afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import type { JobStore } from '../stores/job';
import { useShop } from '../stores/shop';
import type { FakeServer } from '../testing/fake-server';
import { mountedInJob, openedJob } from '../testing/mounting';
import { all, alerts, field, key, keys, pageText, press, said, type, valueIn } from '../testing/page';
import { endWorkersHere, runWorkersHere, until } from '../testing/worker-here';
import PlanRoom from './PlanRoom.vue';
import { startingPlan } from './starting-plan';

let job: JobStore;
let server: FakeServer;
let wrapper: VueWrapper | null = null;

const plan = async (view: string): Promise<void> => {
  wrapper = await mountedInJob(PlanRoom, {}, { room: 'plan', query: { view } });
  await until(() => job.evaluation);
  await flushPromises();
};
const submit = async (name: string): Promise<void> => {
  await all(`form[aria-label="${name}"]`)[0]!.trigger('submit');
  await flushPromises();
};

beforeAll(runWorkersHere);
beforeEach(async () => {
  ({ job, server } = await openedJob('Rescue'));
});
afterEach(() => {
  wrapper?.unmount();
  job.close();
  endWorkersHere();
});

describe('the plan', () => {
  test('is looked for at once where something rubs, and says what it costs and what is left', async () => {
    job.changeSetup((file) => delete file.plan!.chosen);
    await plan('plan');
    await until(() => job.document!.plan!.chosen && said('plan-says').startsWith('Clears as planned'));
    expect(said('plan-says')).toMatch(/before tax/);
    expect(said('plan-says')).toMatch(/Tightest: [\d.]+ mm to spare/);
  });

  test('a plan that is taken away says how much is still to do', async () => {
    job.changeSetup((file) => (file.plan!.chosen = { ...file.plan!.chosen!, fixes: [] }));
    await plan('plan');
    await until(() => /still to do|Clears/.test(said('plan-says')));
    const rubbing = job.evaluation!.obstacles.filter(({ verdict }) => fallsShort(verdict)).length;
    if (rubbing > 0) expect(said('plan-says')).toMatch(/^\d+ still to do/);
    else expect(said('plan-says')).toMatch(/^Clears/);
  });

  test('beside other setups it stands once, and not where there is no room for it', async () => {
    job.changeSetup((file) => delete file.compared);
    await plan('plan');
    await until(() => said('plan-says') !== '');
    if (!(key(/^See it side by side/).element as HTMLButtonElement).disabled) {
      await press(/^See it side by side/);
      await press(/^See it side by side/);
      expect(job.document!.compared!.filter(({ name }) => name === 'As planned')).toHaveLength(1);
      const other = { name: 'Other', setup: job.document!.compared![0]!.setup };
      job.changeSetup((file) => (file.compared = Array.from({ length: 4 }, (_, i) => ({ ...other, name: `O${i}` }))));
      await press(/^See it side by side/);
      expect(alerts()).toContain('let go of one');
    }
    expect(keys(/^See it side by side/)).toHaveLength(1);
  });
});

test('a change of the setup that the customer does not allow, or more than is usual, says so where it is typed', async () => {
  job.change((file) => (file.intake = { ...file.intake, allowed: ['unbolt', 'bumpStop'] }));
  await plan('plan');
  await type(/^Steering stop/, '3');
  expect(field(/^Steering stop/).text()).toContain('Not among what the customer allows');
  await type(/^Longer bump stop/, '20');
  expect(field(/^Longer bump stop/).text()).not.toContain('Not among');
  await type(/^Longer bump stop/, '45');
  expect(field(/^Longer bump stop/).text()).toContain('More than the 40 mm');
  await type(/^Body lift \(whole\)$/, '25');
  expect(field(/^Body lift \(whole\)$/).text()).toContain('Not among what the customer allows');
  // It is said, and stays as typed: the shop decides.
  expect(job.document!.plan!.chosen!.changes.front.bumpStopMm).toBe(45);
});

describe('the work order', () => {
  const parts = () => job.document!.plan!.parts ?? [];

  test('a part is added with its price; what is no number is refused and stays', async () => {
    await plan('order');
    const before = parts().length;
    await type(/^Part$/, 'Edge trim');
    await type(/^Quantity$/, 'two');
    await type(/^Each$/, '12.50');
    await submit('Add a part');
    expect(parts()).toHaveLength(before);
    expect(alerts()).toContain('found two');
    expect(valueIn(/^Part$/)).toBe('Edge trim');
    await type(/^Quantity$/, '2');
    await submit('Add a part');
    expect(parts().at(-1)).toEqual({ name: 'Edge trim', quantity: 2, unitMinor: 1250 });
    expect(valueIn(/^Part$/)).toBe('');
    await press(/Remove Edge trim/);
    expect(parts()).toHaveLength(before);
  });

  test('a prescribed step wants its source', async () => {
    await plan('order');
    await type(/^Step$/, 'Torque the track bar at ride height');
    await submit('Record a prescribed step');
    expect(alerts()).toContain('where it is written');
    await type(/^Source$/, 'Kit sheet 3, step 9');
    await type(/^Minutes$/, 'some');
    await submit('Record a prescribed step');
    expect(alerts()).toContain('whole minutes');
    await type(/^Minutes$/, '15');
    await submit('Record a prescribed step');
    expect(job.document!.plan!.prescribed.at(-1)).toEqual({
      text: 'Torque the track bar at ride height',
      source: 'Kit sheet 3, step 9',
      minutes: 15,
    });
  });

  test('the shop’s rates stay with the shop: another job starts with them, one reckoned before says so and takes them', async () => {
    const rates = () => job.document!.plan!.shop;
    await plan('order');
    await type(/^Labor, an hour/, '120');
    await until(() => server.shop !== null);
    expect(server.shop).toMatchObject({ labourMinorPerHour: 12_000 });
    expect(rates().labourMinorPerHour).toBe(12_000);
    expect(said('other-rates')).toBe('');
    wrapper!.unmount();
    server.shop = { ...rates(), labourMinorPerHour: 13_000 };
    useShop().state = 'unknown';
    await plan('order');
    await until(() => said('other-rates') !== '');
    expect(rates().labourMinorPerHour).toBe(12_000);
    // One rate changed in a job that was reckoned with others changes that one of the shop's, and no other.
    await type(/^Tax, %/, '8');
    await until(() => (server.shop as { taxMillionths: number }).taxMillionths === 80_000);
    expect(server.shop).toMatchObject({ labourMinorPerHour: 13_000 });
    await press(/^Take the shop/);
    expect(rates().labourMinorPerHour).toBe(13_000);
    expect(said('other-rates')).toBe('');
    job.changeSetup((file) => delete file.plan);
    expect(startingPlan(job.document!, useShop().terms).shop.labourMinorPerHour).toBe(13_000);
  });

  test('what the paper says it costs is what the plan costs', async () => {
    await plan('order');
    await until(() => /before tax|Total|total/i.test(pageText()));
    expect(all('article, .paper').length).toBeGreaterThan(0);
  });
});

describe('the cut sheet', () => {
  test('says how deep it goes, and an allowance that is typed is kept with the job', async () => {
    await plan('sheet');
    await until(() => said('sheet-says') !== '' || /Nothing has to be cut/.test(pageText()));
    await type(/^Left by the first cut/, '1/4 in');
    expect(job.document!.plan!.sheets!.some(({ allowanceMm }) => Math.abs(allowanceMm - 6.35) < 1e-9)).toBe(true);
    await type(/^Left by the first cut/, 'plenty');
    expect(field(/^Left by the first cut/).text()).toContain('plenty');
  });

  test('a depth that is typed says what it gains, and goes into the plan as that', async () => {
    await plan('sheet');
    await until(() => said('sheet-says') !== '', 60_000);
    await type(/^Or cut this deep/, 'very');
    expect(pageText()).toContain('found very');
    await type(/^Or cut this deep/, '20 mm');
    await until(() => said('depth-says') !== '', 60_000);
    expect(said('depth-says')).toMatch(
      /20 mm \(13\/16 in\) deep all along the edge gains [\d.]+ mm of gap: (short by|[\d.]+ mm)/,
    );
    const gained = Number(/gains ([\d.]+) mm/.exec(said('depth-says'))![1]);
    await press(/^Into the plan as/);
    const fix = job.document!.plan!.chosen!.fixes.find(({ amountMm }) => Math.abs(amountMm - gained) < 0.11);
    expect(fix).toBeDefined();
  });

  test('nothing that may be cut says so', async () => {
    job.change((file) => {
      for (const corner of Object.values(file.corners)) {
        for (const one of corner!.obstacles) one.material = 'frame';
      }
    });
    await plan('sheet');
    expect(pageText()).toContain('Nothing here may be cut');
  });
});
