import { VERDICT_WORDS } from '../words';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { asCase } from '@/contracts/as-case';
import { LeverBench, type ObstacleLevers } from '@/core/6-decisions/levers/levers';
import { evaluateCase, type Evaluation } from '@/core/4-clearance/verdict/evaluate';
import type { JobStore } from '../stores/job';
import { mountedInJob, openedJob } from '../testing/mounting';
import GapLadder from './GapLadder.vue';
import LeverList from './LeverList.vue';

let job: JobStore;
let answer: Evaluation;
let wrapper: VueWrapper;

beforeEach(async () => {
  ({ job } = await openedJob('Patrol'));
  answer = evaluateCase(asCase(job.document!));
});
afterEach(() => {
  wrapper.unmount();
  job.close();
});

describe('the gap ladder', () => {
  const props = (pickedId: string | null = null) => ({
    obstacles: answer.obstacles.filter(({ corner }) => corner === 'frontRight'),
    spreads: new Map(),
    pickedId,
    rideMm: -38,
  });

  test('has a rung for each thing, the least margin first, with its gap as the engine says it', async () => {
    wrapper = await mountedInJob(GapLadder, props(), { room: 'bench' });
    const sorted = [...props().obstacles].sort((a, b) => a.marginMm - b.marginMm);
    const rungs = wrapper.findAll('li');
    expect(rungs).toHaveLength(sorted.length);
    sorted.forEach(({ label, gapMm }, i) => {
      expect(rungs[i]!.text()).toContain(label);
      expect(rungs[i]!.text()).toContain(String(Number(gapMm.toFixed(1))));
    });
    expect(wrapper.text()).toContain(`${sorted.length} parts: `);
    for (const verdict of ['tooClose', 'close', 'clear'] as const) {
      const count = sorted.filter((one) => one.verdict === verdict).length;
      if (count) expect(wrapper.text()).toContain(`${count} ${VERDICT_WORDS[verdict]}`);
    }
  });

  test('in another order each rung stays where it is, with the focus, and says what is there now', async () => {
    wrapper = await mountedInJob(GapLadder, props(), { room: 'bench' });
    const before = wrapper.findAll('li').map(({ element }) => element);
    const first = wrapper.find<HTMLButtonElement>('li button').element;
    first.focus();
    const turned = props().obstacles.map((one) => ({ ...one, marginMm: -one.marginMm, gapMm: -one.gapMm }));
    await wrapper.setProps({ ...props(), obstacles: turned });
    expect(wrapper.findAll('li').map(({ element }) => element)).toEqual(before);
    expect(document.activeElement).toBe(first);
    const furthest = [...props().obstacles].sort((a, b) => b.marginMm - a.marginMm)[0]!;
    expect(first.textContent).toContain(furthest.label);
    expect(first.textContent).toContain(`${Number(-furthest.gapMm.toFixed(1))} mm`);
    await wrapper.find('li button').trigger('click');
    expect(wrapper.emitted('pick')).toEqual([[furthest.id]]);
  });

  test('a rung that is pressed is picked; the table holds the same things', async () => {
    wrapper = await mountedInJob(GapLadder, props(), { room: 'bench' });
    await wrapper.find('li button').trigger('click');
    const least = [...props().obstacles].sort((a, b) => a.marginMm - b.marginMm)[0]!;
    expect(wrapper.emitted('pick')).toEqual([[least.id]]);
    await wrapper
      .findAll('button')
      .find((key) => key.text() === 'Table')!
      .trigger('click');
    expect(wrapper.findAll('tbody tr')).toHaveLength(props().obstacles.length);
  });
});

describe('what would clear it', () => {
  test('a lever is tried on the setup with one press, and undone with the next', async () => {
    const bench = new LeverBench(asCase(job.document!), 'frontRight');
    const levers: ObstacleLevers = bench.leversFor([bench.failing[0]!])[0]!;
    expect(levers.levers.length).toBeGreaterThan(0);
    const before = JSON.stringify(job.document!.setup);
    wrapper = await mountedInJob(LeverList, { corner: 'frontRight', levers }, { room: 'bench' });
    await wrapper
      .findAll('button')
      .find((key) => !/undo/i.test(key.text()))!
      .trigger('click');
    await flushPromises();
    expect(JSON.stringify(job.document!.setup)).not.toBe(before);
    job.undo();
    expect(JSON.stringify(job.document!.setup)).toBe(before);
  });
});
