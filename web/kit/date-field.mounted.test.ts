import { afterEach, describe, expect, test } from '@jest/globals';
import type { VueWrapper } from '@vue/test-utils';
import { mounted } from '../testing/mounting';
import { field, type, valueIn } from '../testing/page';
import { dayText, isDay } from './dates';
import { readDay } from './read-day';
import DateField from './DateField.vue';

let wrapper: VueWrapper | null = null;
afterEach(() => {
  wrapper?.unmount();
  wrapper = null;
});
const shown = (modelValue: string): void => void ({ wrapper } = mounted(DateField, { modelValue, label: 'Due on' }));
const gone = (): unknown => wrapper!.emitted('update:modelValue')!.at(-1)![0];

describe('a day as people write it', () => {
  test.each([
    ['3 Feb 2026', '2026-02-03'],
    ['Feb 3, 2026', '2026-02-03'],
    ['february 3 2026', '2026-02-03'],
    ['2/3/2026', '2026-02-03'],
    ['2026-02-03', '2026-02-03'],
    ['29 Feb 2028', '2028-02-29'],
  ])('%s', (typed, kept) => {
    expect(readDay(typed)).toBe(kept);
    expect(readDay(dayText(kept))).toBe(kept);
  });

  test.each(['', 'soon', '30 Feb 2026', '29 Feb 2026', '13/3/2026', '2/3/26', '3 Feb'])('“%s” is none', (typed) =>
    expect(readDay(typed)).toBeNull(),
  );
});

describe('its field', () => {
  test('shows what is kept in one way of writing, and keeps what is typed in another', async () => {
    shown('2026-02-03');
    expect(valueIn(/^Due on/)).toBe('3 Feb 2026');
    await type(/^Due on/, '12/24/2026');
    expect(gone()).toBe('2026-12-24');
    expect(valueIn(/^Due on/)).toBe('24 Dec 2026');
  });

  test('what is no day stays typed, is said at the field, and goes on as no day', async () => {
    shown('2026-02-03');
    await type(/^Due on/, 'next week');
    expect(valueIn(/^Due on/)).toBe('next week');
    expect(field(/^Due on/).text()).toContain('found next week');
    expect(isDay(String(gone()))).toBe(false);
  });
});
