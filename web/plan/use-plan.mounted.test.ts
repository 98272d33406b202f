import { afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import { nextTick } from 'vue';
import { composed } from '../testing/composing';
import { openedJob } from '../testing/mounting';
import { endWorkersHere, runWorkersHere, until } from '../testing/worker-here';
import { useJobStore } from '../stores/job';
import { usePlan } from './use-plan';

async function planOf(title = 'Rescue') {
  await openedJob(title);
  return composed(usePlan, { room: 'plan' });
}

beforeAll(runWorkersHere);
afterEach(() => {
  useJobStore().close();
  endWorkersHere();
});

describe('the plan of the open job', () => {
  test('what is there is judged at once; with nothing chosen it is the setup as it stands', async () => {
    const { state, leave } = await planOf();
    const judgement = await until(() => state.judgement.value);
    const evaluation = await until(() => useJobStore().evaluation);
    expect(judgement.things.length).toBeGreaterThan(0);
    for (const { corner, id, beforeGapMm, fix } of judgement.things) {
      const verdict = evaluation.obstacles.find((one) => one.corner === corner && one.id === id)!;
      expect(Math.abs(beforeGapMm - verdict.gapMm)).toBeLessThan(0.1);
      expect(fix).toBeNull();
    }
    expect(state.judgeProblems.value).toEqual([]);
    leave();
  });

  test('a search says how far it is, takes up the least permanent plan, and the judgement follows', async () => {
    const { state, leave } = await planOf();
    await until(() => state.judgement.value);
    const before = state.judgement.value!;
    await state.search();
    expect(state.share.value).toBeGreaterThan(0.5);
    expect(state.share.value).toBeLessThanOrEqual(1);
    expect(state.running.value).toBe(false);
    const found = state.answer.value!.leastPermanent!;
    expect(found.steps.length).toBeGreaterThan(0);
    const after = await until(() => state.judgement.value !== before && state.judgement.value);
    expect(after.clears).toBe(true);
    expect(before.clears).toBe(false);
    // The section on the card is of what fell short, and of what the plan makes of it.
    const section = await until(() => state.sections.value.get(found));
    const thing = after.things.find(({ corner, id }) => corner === section.corner && id === section.id)!;
    expect(section.before.gapMm).toBeCloseTo(thing.beforeGapMm, 6);
    expect(section.after.verdict).toBe(thing.after);
    leave();
  });

  test('an answer is stale once what it depends on has changed, and is not for a name', async () => {
    const { state, leave } = await planOf();
    await state.search();
    expect(state.stale.value).toBe(false);
    useJobStore().changeSetup((file) => void (file.vehicle.notes = 'Roof rack off.'));
    await nextTick();
    expect(state.stale.value).toBe(false);
    state.change((plan) => void (plan.bodyLiftsMm = [...plan.bodyLiftsMm, 33]));
    await nextTick();
    expect(state.stale.value).toBe(true);
    leave();
  });

  test('a plan that was chosen already is left as it is by another search', async () => {
    const { state, leave } = await planOf();
    await state.search();
    state.choose((chosen) => void (chosen.fixes = []));
    const mine = JSON.stringify(state.chosen.value);
    await state.search();
    expect(JSON.stringify(state.chosen.value)).toBe(mine);
    leave();
  });

  test('a choice is undone with one press', async () => {
    const { state, leave } = await planOf();
    const before = JSON.stringify(state.chosen.value);
    await state.search();
    expect(JSON.stringify(state.chosen.value)).not.toBe(before);
    useJobStore().undo();
    expect(JSON.stringify(state.chosen.value)).toBe(before);
    leave();
  });

  test('a search that is stopped leaves nothing running', async () => {
    const { state, leave } = await planOf();
    const searching = state.search();
    state.stop();
    await searching;
    expect(state.running.value).toBe(false);
    expect(state.answer.value).toBeNull();
    leave();
  });
});
