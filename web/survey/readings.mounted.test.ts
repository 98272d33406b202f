import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import type { VueWrapper } from '@vue/test-utils';
import type { LowgapObstacle } from '@/contracts/lowgap-file';
import { parseLength } from '@/core/1-base/units/length';
import { surveyedObstacles } from '@/core/3-survey/prepared/surveyed-obstacles';
import type { JobStore } from '../stores/job';
import { mounted, mountedInJob, openedJob } from '../testing/mounting';
import NumberPad from './NumberPad.vue';
import ReadingTable from './ReadingTable.vue';

let wrapper: VueWrapper;
afterEach(() => wrapper.unmount());

test('the pad types what a tape says: 2 7/8 in is read as so many mm', async () => {
  wrapper = mounted(NumberPad).wrapper;
  const key = (name: string) => wrapper.find(`button[aria-label="${name}"]`);
  for (const name of ['2', 'space', '7', '/', '8', 'in']) await key(name).trigger('click');
  const typed = (wrapper.emitted('key') as string[][]).map(([text]) => text).join('');
  expect(typed).toBe('2 7/8 in');
  expect(parseLength(typed, 'mm').mm).toBeCloseTo(73.025, 9);
  await key('Delete').trigger('click');
  await key('Enter').trigger('click');
  expect(wrapper.emitted('back')).toHaveLength(1);
  expect(wrapper.emitted('enter')).toHaveLength(1);
});

describe('the readings of one thing', () => {
  let job: JobStore;
  let obstacle: LowgapObstacle;
  beforeEach(async () => {
    ({ job } = await openedJob('Patrol'));
    obstacle = job.document!.corners.frontRight!.obstacles.find(({ readings = [] }) => readings.length >= 3)!;
  });
  afterEach(() => job.close());

  const table = async (of: LowgapObstacle) => {
    const corner = { ...job.document!.corners.frontRight!, obstacles: [of] };
    const [prepared] = surveyedObstacles('frontRight', corner);
    const props = { obstacle: of, surveyed: prepared!.surveyed, side: 'right' };
    wrapper = await mountedInJob(ReadingTable, props, { room: 'survey' });
    return prepared!.surveyed;
  };

  test('each is shown as it was typed, with its clock and posture; one is taken out by its place', async () => {
    await table(obstacle);
    const rows = wrapper.findAll('tbody tr');
    expect(rows).toHaveLength(obstacle.readings!.length);
    obstacle.readings!.forEach(({ clock, typed }, i) => {
      expect(rows[i]!.text()).toContain(clock);
      if (typed?.['gapMm']) expect(rows[i]!.text()).toContain(typed['gapMm']);
    });
    await rows[1]!.find('button[aria-label^="Remove"]').trigger('click');
    await rows[0]!.find('button[aria-label^="Reading 1"]').trigger('click');
    expect(wrapper.emitted('pick')).toContainEqual([0]);
    expect(wrapper.emitted('remove')).toEqual([[1]]);
  });

  test('fitted to an edge, each says how far off it lies; one that contradicts asks to be taken again or confirmed', async () => {
    const readings = ['9:50', '10:40', '11:30', '12:20', '1:10', '2:00'].map((clock, i) => ({
      clock,
      across: 'tread' as const,
      gapMm: i === 2 ? 210 : 100,
      outboardMm: 10,
      steer: 'straight' as const,
      travelMm: 0,
    }));
    const surveyed = await table({ ...obstacle, readings, readingsAs: 'arch' });
    expect(surveyed.readings.map(({ contradicts }) => contradicts)).toEqual([false, false, true, false, false, false]);
    expect(wrapper.find('th:nth-child(8)').text()).toBe('Off the edge, mm');
    const doubt = wrapper.find('[data-testid="contradiction"]');
    expect(doubt.text()).toContain('less here');
    await doubt
      .findAll('button')
      .find((key) => key.text() === 'It stands')!
      .trigger('click');
    expect(wrapper.emitted('confirm')).toEqual([[2]]);
  });
});
