import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { GRAVITY } from '@/core/2-vehicle/setup/springs';
import type { JobStore } from '../stores/job';
import { mountedInJob, openedJob } from '../testing/mounting';
import { press, said, type } from '../testing/page';
import { axleParts, setAxleParts } from './axle-parts';
import StanceRoom from './StanceRoom.vue';

let job: JobStore | null = null;
let wrapper: VueWrapper | null = null;

beforeEach(async () => {
  ({ job } = await openedJob());
  job!.changeSetup((file) => {
    file.vehicle.wheelbaseMm = 3000;
    for (const axle of ['front', 'rear'] as const) setAxleParts(file, axle, []);
  });
  wrapper = await mountedInJob(StanceRoom, {}, { room: 'stance', query: { view: 'heights' } });
  await flushPromises();
});

afterEach(() => {
  wrapper?.unmount();
  job?.close();
  job = null;
});

test('a winch ahead of the axle: the front gains more than its weight, the rear rises, and both become parts', async () => {
  await type(/^Weight carried/, '60');
  await type(/^Behind the front axle/, '-600');
  expect(said('load-weights')).toContain('72 kg of it on the front axle, -12 on the rear');
  expect(said('load-missing')).toContain('the front wheel rate, the rear wheel rate');
  await type(/^Wheel rate, front/, '40');
  // 100 kg over the rear axle sank it by 10 mm: 50 kg on each wheel.
  await type(/^Or: so many kg over the rear/, '100');
  await type(/^sank the rear by/, '10');
  expect(said('load-missing')).toBe('');
  expect(said('load-weights')).toMatch(/the front sinks .*, the rear rises /);
  await press(/^Carry it all the time/);
  const [front] = axleParts(job!.document!, 'front');
  const [rear] = axleParts(job!.document!, 'rear');
  expect(front!.part).toMatchObject({ kind: 'load', weightKg: 60, share: 0.6, rateNPerMm: 40 });
  expect(rear!.part).toMatchObject({ share: -0.1, rateNPerMm: expect.closeTo((50 * GRAVITY) / 10, 6) });
});

test('which rate holds the height: in proportion to what the springs carry', async () => {
  await type(/^Weight carried/, '90');
  await type(/^Behind the front axle/, '0');
  await type(/^Wheel rate, front/, '40');
  await type(/^Wheel rate, rear/, '40');
  await type(/^Sprung weight on the front/, '900');
  expect(said('load-holds')).toContain('A wheel rate of 44 N/mm (10 % stiffer) holds today’s front height');
});

test('a part on one side only: what the whole body does is said', async () => {
  expect(said('one-sided')).toBe('');
  job!.changeSetup((file) => setAxleParts(file, 'front', [{ part: { kind: 'ride', liftMm: 20 }, side: 'left' }]));
  await flushPromises();
  // The bench’s own lift of 38.1 everywhere; of the shim’s 20 mm three quarters there, a quarter beside it, less across.
  expect(said('one-sided')).toContain('front left +53.1, front right +43.1, rear left +43.1, rear right +33.1');
});
