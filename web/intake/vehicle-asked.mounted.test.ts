import { afterEach, beforeAll, beforeEach, expect, test } from '@jest/globals';
import type { VueWrapper } from '@vue/test-utils';
import type { JobStore } from '../stores/job';
import { mountedInJob, openedJob } from '../testing/mounting';
import { all, press, said } from '../testing/page';
import { endWorkersHere, runWorkersHere } from '../testing/worker-here';
import VehicleAsked from './VehicleAsked.vue';

let job: JobStore;
let wrapper: VueWrapper;

beforeAll(runWorkersHere);
beforeEach(async () => {
  ({ job } = await openedJob('Patrol'));
  wrapper = await mountedInJob(VehicleAsked, {}, { room: 'intake' });
});
afterEach(() => {
  wrapper.unmount();
  job.close();
  endWorkersHere();
});

test('the kind of vehicle and of suspension are chosen by picture, for both corners of an axle', async () => {
  await press(/^Van$/);
  expect(job.document!.vehicle.kind).toBe('van');
  await press(/^Van$/);
  expect(job.document!.vehicle).not.toHaveProperty('kind');

  await press(/^Strut$/);
  for (const key of ['frontLeft', 'frontRight'] as const) {
    const { motion, starting, obstacles } = job.document!.corners[key]!;
    expect(motion.type).toBe('macphersonStrut');
    // Its measures are still to be taken, and what stands near the wheel stays.
    expect(starting).toContain('motion');
    expect(obstacles).toHaveLength(10);
  }
  expect(job.document!.corners.rearLeft!.motion.type).toBe('beamAxle');
});

test('measures that go with a suspension are said, and come back by one press', async () => {
  const before = JSON.stringify(job.document!.corners);
  await press(/^Strut$/);
  expect(said('lost')).toContain('two arms');
  await press(/^Undo it/);
  expect(JSON.stringify(job.document!.corners)).toBe(before);
  expect(said('lost')).toBe('');
});

test('pressing what stands already throws no measure away', async () => {
  const before = JSON.stringify(job.document!.corners.frontLeft!.motion);
  const pressed = all('[aria-label="Suspension at the front"] [aria-pressed="true"]');
  expect(pressed.map((one) => one.text())).toEqual(['Two arms']);
  await pressed[0]!.trigger('click');
  expect(JSON.stringify(job.document!.corners.frontLeft!.motion)).toBe(before);
});
