import { afterEach, expect, test } from '@jest/globals';
import type { VueWrapper } from '@vue/test-utils';
import { clockFromTapes } from '@/core/1-base/units/clock-finder';
import { useUnits } from '../stores/units';
import { mounted } from '../testing/mounting';
import { pageText, press, type } from '../testing/page';
import ClockHelp from './ClockHelp.vue';

let wrapper: VueWrapper;
afterEach(() => wrapper.unmount());

test('two tapes give the clock: 300 above a hub that is 500 away stands 53.1 degrees from straight up, 10:14', async () => {
  ({ wrapper } = mounted(ClockHelp, { side: 'left' }));
  await type(/^Hub center/, '500');
  await type(/^Above the hub/, '300');
  await press(/^Use 10:14/);
  expect(wrapper.emitted('clock')).toEqual([[clockFromTapes(500, 300, 'front')]]);
});

test('a length that cannot be is said at its field, in inches too; nothing is made of it', async () => {
  ({ wrapper } = mounted(ClockHelp, { side: 'left' }));
  useUnits().chosen = 'in';
  await type(/^Hub center/, '500');
  expect(pageText()).toContain('or 500 mm with its unit; found 500.');
  await type(/^Above the hub/, 'high');
  expect(pageText()).toContain('found high');
  expect(pageText()).toContain('Use it');
  await type(/^Hub center/, '500 mm');
  expect(pageText()).toContain('understood as 500 mm');
  useUnits().chosen = 'mm';
});
