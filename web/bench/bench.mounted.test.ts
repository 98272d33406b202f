import { afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { asCase } from '@/contracts/as-case';
import { evaluateCase } from '@/core/4-clearance/verdict/evaluate';
import { nextTick } from 'vue';
import type { JobStore } from '../stores/job';
import { mountedInJob, openedJob } from '../testing/mounting';
import { all, field, key, keys, pageText, press, said, type, valueIn } from '../testing/page';
import { endWorkersHere, runWorkersHere, until } from '../testing/worker-here';
import BenchRoom from './BenchRoom.vue';

let job: JobStore;
let wrapper: VueWrapper | null = null;

const bench = async (corner = 'frontLeft'): Promise<void> => {
  wrapper = await mountedInJob(BenchRoom, {}, { room: 'bench', query: { corner } });
  await flushPromises();
};
/** The bench with the verdict on what is shown, and all that waits for it. */
const judged = async (corner?: string): Promise<void> => {
  await bench(corner);
  await until(() => job.evaluation);
  await until(() => all('.setup-column > *').length > 0 && all('.pictures > *').length > 0);
  await flushPromises();
};

beforeAll(runWorkersHere);
beforeEach(async () => {
  ({ job } = await openedJob());
});
afterEach(() => {
  wrapper?.unmount();
  job.close();
  endWorkersHere();
});

describe('the bench', () => {
  test('says of the picked thing what the core says', async () => {
    await judged();
    const { obstacles } = evaluateCase(asCase(job.document!));
    const worst = obstacles
      .filter(({ corner }) => corner === 'frontLeft')
      .reduce((least, one) => (one.marginMm < least.marginMm ? one : least));
    expect(said('sentence').toLowerCase()).toContain(worst.label.toLowerCase());
    expect(said('sentence')).toContain(Math.abs(worst.gapMm).toFixed(1).replace(/\.0$/, ''));
  });

  test('a rung that is pressed is the one spoken of', async () => {
    await judged();
    const others = all('.rung').filter((one) => one.attributes('aria-pressed') === 'false');
    const name = others[1]!.text();
    await others[1]!.trigger('click');
    await flushPromises();
    const picked = job.document!.corners.frontLeft!.obstacles.find(({ id }) => id === job.pick!.id)!;
    expect(name).toContain(picked.label ?? picked.id);
    expect(said('sentence').toLowerCase()).toContain((picked.label ?? picked.id).toLowerCase());
  });

  test('what would clear it is tried with one press and taken back with one', async () => {
    await judged();
    const before = JSON.stringify(job.document!.setup);
    await until(() => keys(/^Try$/).length > 0);
    await press(/^Try$/);
    expect(JSON.stringify(job.document!.setup)).not.toBe(before);
    expect(said('tried')).toMatch(/^Tried: /);
    await press(/^Undo it/);
    expect(JSON.stringify(job.document!.setup)).toBe(before);
    expect(said('tried')).toBe('');
  });

  test('how sure it is comes once the hand rests, from the survey’s own tolerances', async () => {
    await judged();
    await until(() => said('spread-note') !== '');
    expect(said('spread-note')).toMatch(/90 % of cases/);
  });

  test('an axle gets a setup of its own, edits of it stay there, and joins again', async () => {
    await judged();
    await press(/^Its own for the front/);
    expect(Object.keys(job.document!.setup!.corners!).sort()).toEqual(['frontLeft', 'frontRight']);
    await type(/^Suspension lift/, '31');
    expect(job.document!.setup!.corners!.frontLeft!.suspensionLiftMm).toBe(31);
    expect(job.document!.setup!.suspensionLiftMm).not.toBe(31);
    // What the axle has of its own does not go with a press: it is said, and may stay.
    await press(/^Same all round/);
    expect(job.document!.setup!.corners).toBeDefined();
    expect(pageText()).toContain('front left: suspension lift 31 mm');
    await press(/^Only tire and wheel alike/);
    expect(job.document!.setup!.corners!.frontLeft).toMatchObject({ suspensionLiftMm: 31 });
    expect(job.document!.setup!.corners!.frontLeft).not.toHaveProperty('tire');
    await press(/^Same all round/);
    await press(/^All alike/);
    expect(job.document!.setup!.corners).toBeUndefined();
  });

  test('a stop that is emptied is none; one that cannot be is refused in its field', async () => {
    await judged();
    await type(/^Steering stop, left/, '28');
    expect(job.document!.setup!.steerStopLeftDeg).toBe(28);
    await type(/^Steering stop, left/, 'tight');
    expect(job.document!.setup!.steerStopLeftDeg).toBe(28);
    expect(field(/^Steering stop, left/).text()).toContain('tight');
    await type(/^Steering stop, left/, '');
    expect(job.document!.setup).not.toHaveProperty('steerStopLeftDeg');
  });

  test('steps of a height go by five', async () => {
    await judged();
    const before = job.document!.setup!.bodyLiftMm;
    await press(/^Body lift: more/);
    expect(job.document!.setup!.bodyLiftMm).toBe(before + 5);
    await press(/^Body lift: less/);
    expect(job.document!.setup!.bodyLiftMm).toBe(before);
    expect(Number(valueIn(/^Body lift/))).toBe(before);
  });

  test('pictures of newer numbers are asked for beside the verdict on them', async () => {
    await judged();
    const busy = (): string | undefined => all('[data-testid="clear-section"]')[0]?.attributes('aria-busy');
    await until(() => busy() === 'false');
    const before = job.answered;
    job.changeSetup((file) => (file.setup!.suspensionLiftMm += 10));
    await nextTick();
    await nextTick();
    expect([job.answered === before, busy()]).toEqual([true, 'true']);
    await until(() => busy() === 'false');
    expect(job.answered).toBe(job.document);
  });

  test('a corner without a baseline says what to do', async () => {
    job.change((file) => delete file.corners.rearRight);
    await bench('rearRight');
    expect(pageText()).toContain('Rear right has no baseline yet');
  });

  test('a corner without a reading says what is still missing, and nothing of clearance', async () => {
    job.change((file) => (file.corners.frontLeft!.obstacles = []));
    await judged();
    expect(said('missing')).toContain('Still missing here');
    expect(said('sentence')).toBe('');
    expect(all('.rung')).toEqual([]);
  });

  test('a setup that cannot be drawn says why', async () => {
    job.changeSetup((file) => (file.setup!.tire.size = '35x12.50R22'));
    await bench();
    await until(() => job.problems.length);
    await until(() => said('cannot-draw'));
    expect(said('cannot-draw')).toContain('cannot be drawn');
    // What was surveyed is not denied for it, and nothing is promised that will not come.
    const rows = all('.corner-row').map((one) => one.text());
    const surveyed = job.corners.filter((one) => job.document!.corners[one]!.obstacles.length > 0);
    expect(rows.filter((text) => text.includes('no verdict as entered'))).toHaveLength(surveyed.length);
    expect(rows.filter((text) => text.includes('surveyed'))).toHaveLength(job.corners.length - surveyed.length);
    expect(said('rotation')).toContain('not without a verdict');
  });

  test('a setup is kept for comparison under a name of its own, up to as many as go', async () => {
    await judged();
    job.changeSetup((file) => delete file.compared);
    await flushPromises();
    await press(/^Keep this one/);
    expect(job.document!.compared).toHaveLength(1);
    expect(job.document!.compared![0]!.setup).toEqual(job.document!.setup);
    while (job.document!.compared!.length < 4) await press(/^Keep this one/);
    expect((key(/^Keep this one/).element as HTMLButtonElement).disabled).toBe(true);
    expect(pageText()).toContain('Take one out');
  });

  test('all four corners stand in order, the worst first', async () => {
    await judged();
    const rows = all('.corner-row').map((one) => one.text());
    expect(rows).toHaveLength(4);
    const margins = rows.map((text) => Number(/(-?[\d.]+) mm/.exec(text)?.[1] ?? Infinity));
    expect(margins).toEqual([...margins].sort((a, b) => a - b));
  });
});
