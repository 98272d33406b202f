import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { computed, nextTick, reactive, ref } from 'vue';
import { STEERED_WALK } from '@/core/3-survey/walk/usual-walk';
import type { JobStore } from '../stores/job';
import { composed } from '../testing/composing';
import { openedJob } from '../testing/mounting';
import { useWalk } from './use-walk';

let job: JobStore;
const clock = ref('12:00');

/** The walk of an empty front left corner, from its first question. */
async function walk() {
  job.change((file) => {
    file.corners.frontLeft!.obstacles = [];
    delete file.corners.frontLeft!.skipped;
  });
  const corner = computed(() => job.document!.corners.frontLeft!);
  const props = reactive({ cornerKey: 'frontLeft' as const, corner, clock });
  const told: (string | null)[] = [];
  const made = await composed(
    () =>
      useWalk(props as never, {
        setClock: (at) => (clock.value = at),
        ask: (asked) => told.push(asked?.stop ?? null),
        focus: () => undefined,
      }),
    { room: 'survey' },
  );
  return { ...made, told };
}
const readings = () => job.document!.corners.frontLeft!.obstacles.flatMap(({ readings: all = [] }) => all);

beforeEach(async () => {
  ({ job } = await openedJob());
});
afterEach(() => job.close());

describe('the walk', () => {
  test('begins with the first thing of the usual one, at its clock, and says how many numbers are left', async () => {
    const { state, leave, told } = await walk();
    const [lip] = STEERED_WALK;
    expect(state.asked.value).toMatchObject({ kind: 'gap', stop: lip!.id, clock: lip!.steps[0]!.clock });
    expect(clock.value).toBe(lip!.steps[0]!.clock);
    expect(told[0]).toBe(lip!.id);
    // Twenty-one numbers round a steered wheel, and what the posture needs beside them.
    expect(state.remaining.value).toBeGreaterThanOrEqual(21);
    leave();
  });

  test('a number is taken for what is asked, with what was typed, and the next is asked', async () => {
    const { state, leave } = await walk();
    const before = state.askedId.value;
    const left = state.remaining.value;
    state.text.value = '4 3/8';
    state.take();
    expect(readings()).toMatchObject([
      { clock: '12:00', steer: 'straight', gapMm: 111.125, typed: { gapMm: '4 3/8' } },
    ]);
    expect(state.askedId.value).not.toBe(before);
    expect(state.remaining.value).toBe(left - 1);
    leave();
  });

  test('the tape is held as asked, unless it is said to be held otherwise', async () => {
    const { state, leave } = await walk();
    for (let i = 0; i < 40 && !(state.asked.value as { nearest?: boolean }).nearest; i++) state.skip(false);
    await nextTick();
    expect(state.nearest.value).toBe(true);
    expect(state.prompt.value).toContain('least');
    state.nearest.value = false;
    expect(state.prompt.value).toContain('straight out');
    state.text.value = '70 mm';
    state.take();
    expect(readings()).toMatchObject([{ gapMm: 70 }]);
    expect(readings()[0]).not.toHaveProperty('nearest');
    leave();
  });

  test('what cannot be read is refused, stays typed, and nothing is taken', async () => {
    const { state, leave } = await walk();
    state.text.value = 'wide';
    state.take();
    expect(state.refusal.value).toContain('found wide');
    expect(state.text.value).toBe('wide');
    expect(readings()).toEqual([]);
    leave();
  });

  test('more than a wheel well leaves is asked about before it counts', async () => {
    const { state, leave } = await walk();
    state.text.value = '400';
    state.take();
    expect(state.question.value).toContain('Enter the same number once more');
    expect(readings()).toEqual([]);
    // Another number is another question; only the same one once more counts.
    expect(state.text.value).toBe('400');
    state.text.value = '300';
    state.take();
    expect(readings()).toEqual([]);
    state.take();
    expect(readings()).toMatchObject([{ gapMm: 300, confirmed: true }]);
    leave();
  });

  test('several readings of one place count as their mean', async () => {
    const { state, leave } = await walk();
    for (const text of ['100', '104']) {
      state.text.value = text;
      state.addToAverage();
    }
    state.text.value = '102';
    state.take();
    expect(readings()).toMatchObject([{ gapMm: 102, average: [100, 104, 102] }]);
    leave();
  });

  test('a step is skipped and asked again; a thing that is not there is left out whole', async () => {
    const { state, leave } = await walk();
    const first = state.askedId.value;
    state.skip(false);
    expect(state.askedId.value).not.toBe(first);
    expect(state.skippedCount.value).toBe(1);
    state.askSkippedAgain();
    expect(state.askedId.value).toBe(first);
    state.skip(true);
    expect(state.asked.value!.stop).toBe(STEERED_WALK[1]!.id);
    leave();
  });

  test('a body mount that is not there is on no corner of the vehicle', async () => {
    job.change((file) => (file.corners.frontRight = structuredClone(file.corners.frontLeft!)));
    const { state, leave } = await walk();
    for (let i = 0; i < 20 && state.asked.value!.stop !== 'body-mount'; i++) state.skip(true);
    state.skip(true);
    expect(job.document!.corners.frontRight!.skipped).toEqual(['body-mount']);
    leave();
  });

  test('the last is taken again with one press', async () => {
    const { state, leave } = await walk();
    const first = state.askedId.value;
    state.text.value = '104';
    state.take();
    state.retake();
    expect(readings()).toEqual([]);
    expect(state.askedId.value).toBe(first);
    leave();
  });

  test('the clock is turned by ten minutes, past the twelve', async () => {
    const { state, leave } = await walk();
    clock.value = '12:00';
    state.turnClock(-10);
    expect(clock.value).toBe('11:50');
    state.turnClock(20);
    expect(clock.value).toBe('12:10');
    leave();
  });

  test('a gauge’s reading says that it is one', async () => {
    const { state, leave } = await walk();
    state.takeFromGauge(98.4);
    expect(readings()).toMatchObject([{ gapMm: 98.4, by: 'gauge' }]);
    leave();
  });
});
