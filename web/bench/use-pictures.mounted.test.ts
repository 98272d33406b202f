import { afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { computed, nextTick, ref, shallowRef } from 'vue';
import { asCase } from '@/contracts/as-case';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { prepareDescribed } from '@/core/4-clearance/case/described-corner';
import { MAP_SIZE } from '@/core/4-clearance/pictures/posture-map';
import { evaluateCase, type ObstacleVerdict } from '@/core/4-clearance/verdict/evaluate';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { composed } from '../testing/composing';
import { openedJob } from '../testing/mounting';
import { endWorkersHere, runWorkersHere, until } from '../testing/worker-here';
import type { JobStore } from '../stores/job';
import { usePictures, type PicturesWanted } from './use-pictures';
import { usePosture } from './use-posture';

let job: JobStore;
const NOTHING: PicturesWanted = { keepOut: null, map: false, swept: false };
const WINDOW = { fromAMm: -200, fromRMm: 200, stepMm: 8, columns: 50, rows: 40 };

beforeAll(runWorkersHere);
beforeEach(async () => {
  ({ job } = await openedJob());
});
afterEach(() => {
  job.close();
  endWorkersHere();
});

describe('pictures of a corner', () => {
  async function pictures(first: PicturesWanted) {
    const file = shallowRef<LowgapFile | null>(job.document);
    const corner = ref<CornerKey>('frontLeft');
    const wanted = shallowRef(first);
    const made = await composed(() => usePictures(file, corner, wanted), { room: 'bench' });
    return { ...made, file, corner, wanted };
  }

  test('nothing is worked out that nobody wants', async () => {
    const { state, leave } = await pictures(NOTHING);
    expect(state.pending.value).toEqual({ keepOut: false, map: false, swept: false });
    expect([state.keepOut.value, state.map.value, state.swept.value]).toEqual([null, null, null]);
    leave();
  });

  test('each comes when it is wanted, and is no longer pending then', async () => {
    const { state, leave, wanted } = await pictures({ ...NOTHING, swept: true });
    expect(state.pending.value.swept).toBe(true);
    await until(() => state.swept.value && !state.pending.value.swept);
    wanted.value = { ...NOTHING, keepOut: WINDOW };
    await until(() => state.keepOut.value && !state.pending.value.keepOut);
    expect(state.keepOut.value!.window).toEqual(WINDOW);
    expect(state.problems.value).toEqual([]);
    leave();
  });

  test('coarse at once, whole after it; come back to, the whole one is there already', async () => {
    // No other test looks at this standard.
    job.change((file) => (file.standard = 'plasticKiss'));
    const first = await pictures({ ...NOTHING, map: true });
    const { state, leave } = first;
    const steers = await until(() => state.map.value?.steersDeg.length);
    expect(state.pending.value.map).toBe(true);
    expect(steers).toBeLessThan(MAP_SIZE.steers);
    await until(() => !state.pending.value.map);
    expect(state.map.value!.steersDeg).toHaveLength(MAP_SIZE.steers);
    leave();
    const again = await pictures({ ...NOTHING, map: true });
    expect(again.state.map.value!.steersDeg).toHaveLength(MAP_SIZE.steers);
    expect(again.state.pending.value.map).toBe(false);
    again.leave();
  });

  test('a keep-out region follows from anything but tire, wheel and spacer', async () => {
    const { state, leave, file } = await pictures({ ...NOTHING, keepOut: WINDOW });
    await until(() => state.keepOut.value && !state.pending.value.keepOut);
    const setup = file.value!.setup!;
    file.value = { ...file.value!, setup: { ...setup, tire: { size: '245/75R17' } } };
    await nextTick();
    expect(state.pending.value.keepOut).toBe(false);
    file.value = { ...file.value, setup: { ...setup, suspensionLiftMm: setup.suspensionLiftMm + 10 } };
    await nextTick();
    expect(state.pending.value.keepOut).toBe(true);
    await until(() => !state.pending.value.keepOut);
    leave();
  });

  test('of a corner that is not there nothing is shown', async () => {
    const { state, leave, corner } = await pictures({ ...NOTHING, keepOut: WINDOW });
    await until(() => state.keepOut.value);
    corner.value = 'rearRight';
    await nextTick();
    expect(state.keepOut.value).toBeNull();
    leave();
  });
});

describe('the posture looked at', () => {
  function looking() {
    const corner = prepareDescribed(asCase(job.document!), 'frontLeft');
    const verdicts = evaluateCase(asCase(job.document!)).obstacles.filter((one) => one.corner === 'frontLeft');
    const worst = verdicts.reduce((least, one) => (one.marginMm < least.marginMm ? one : least));
    const picked = shallowRef<ObstacleVerdict | null>(worst);
    return { corner, verdicts, worst, picked };
  }

  test('is the picked thing’s worst until another is chosen, and again after another pick', async () => {
    const { corner, verdicts, worst, picked } = looking();
    const { state, leave } = await composed(() =>
      usePosture(
        computed(() => corner),
        computed(() => picked.value),
      ),
    );
    expect(state.free.value).toBe(false);
    expect(state.looked.value!.posture.travel).toBeCloseTo(worst.travelMm, 6);
    state.look({ steer: 0.1, travel: 5 });
    expect(state.free.value).toBe(true);
    expect(state.looked.value!.posture).toMatchObject({ steer: 0.1, travel: 5 });
    expect(state.looked.value!.met!.id).toBe(worst.id);
    picked.value = verdicts.find(({ id }) => id !== worst.id)!;
    await nextTick();
    expect(state.free.value).toBe(false);
    leave();
  });

  test('stays between stops and locks, whatever is asked for', async () => {
    const { corner, picked } = looking();
    const { state, leave } = await composed(() =>
      usePosture(
        computed(() => corner),
        computed(() => picked.value),
      ),
    );
    const { droop, bump } = corner.envelope.limits;
    for (const [steer, travel] of [
      [9, 9e3],
      [-9, -9e3],
    ] as const) {
      state.look({ steer, travel });
      const { posture } = state.looked.value!;
      expect(posture.travel).toBe(travel > 0 ? bump : droop);
      const locks = corner.motion.locksAt(corner.motion.carrierAt(posture.travel, 0));
      expect(posture.steer).toBe(steer > 0 ? locks.left : -locks.right);
    }
    state.worst();
    expect(state.free.value).toBe(false);
    leave();
  });
});
