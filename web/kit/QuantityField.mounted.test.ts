import { afterEach, describe, expect, test } from '@jest/globals';
import { nextTick } from 'vue';
import { LIMITS } from '@/core/1-base/limits';
import { useUnits } from '../stores/units';
import { mounted } from '../testing/mounting';
import QuantityField from './QuantityField.vue';

const RANGE = { min: -50, max: 200, unit: 'mm' };
let last: ReturnType<typeof mounted> | null = null;
afterEach(() => last?.wrapper.unmount());

const field = (props: Record<string, unknown>) => {
  last = mounted(QuantityField, { label: 'Gap', range: RANGE, value: undefined, ...props });
  return last.wrapper;
};

describe('a number as people type it', () => {
  test('inches with a fraction go on in mm, with what was typed beside them', async () => {
    const wrapper = field({});
    await wrapper.find('input').setValue('2 7/8');
    const [mm, typed] = wrapper.emitted('change')!.at(-1) as [number, string];
    expect(typed).toBe('2 7/8');
    expect(mm).toBe(73.025);
  });

  test('what cannot be read stays in the field and is said; nothing goes on', async () => {
    const wrapper = field({ value: 40 });
    await wrapper.find('input').setValue('forty');
    expect(wrapper.emitted('change')).toBeUndefined();
    expect(wrapper.find('input').element.value).toBe('forty');
    expect(wrapper.text()).toContain('found forty');
    await wrapper.find('input').setValue('900');
    expect(wrapper.text()).toContain('-50 to 200 mm');
  });

  test('the beginning of a number that is refused does not stay behind', async () => {
    const wrapper = field({ value: 40, typed: '40' });
    await wrapper.find('input').trigger('focus');
    await wrapper.find('input').setValue('7');
    await wrapper.setProps({ value: 7, typed: '7' });
    await wrapper.find('input').setValue('760mm');
    expect(wrapper.emitted('change')!.at(-1)).toEqual([40, '40']);
    await wrapper.setProps({ value: 40, typed: '40' });
    expect(wrapper.find('input').element.value).toBe('760mm');
    expect(wrapper.text()).toContain('found 760mm');
  });

  test('a starting value says so, and the same number typed is a measurement', async () => {
    const wrapper = field({ value: 80, starting: true });
    expect(wrapper.text()).toContain('not measured');
    expect(wrapper.find('input').element.value).toBe('');
    expect(wrapper.find('input').element.placeholder).toBe('80 mm');
    await wrapper.find('input').setValue('80');
    expect(wrapper.emitted('change')!.at(-1)).toEqual([80, '80 mm']);
  });

  test('a starting value stands in the unit of the job, also where that is changed', async () => {
    const wrapper = field({ value: 900, range: LIMITS.hubToLipMm, starting: true });
    const placeholder = (): string => wrapper.find('input').element.placeholder;
    expect(placeholder()).toBe('900 mm');
    useUnits().chosen = 'in';
    await nextTick();
    // 900 / 25.4 = 35.433 = 35 7/16 to the nearest sixteenth.
    expect(placeholder()).toBe('35 7/16 in');
    await wrapper.find('input').setValue('36');
    expect(wrapper.emitted('change')!.at(-1)).toEqual([914.4, '36 in']);
    useUnits().chosen = 'mm';
  });

  test('a starting value stays one where the number begun over it is refused in the end', async () => {
    const wrapper = field({ value: 80, starting: true });
    await wrapper.find('input').trigger('focus');
    await wrapper.find('input').setValue('8');
    await wrapper.setProps({ value: 8, typed: '8', starting: false });
    await wrapper.find('input').setValue('8 feet');
    expect(wrapper.emitted('change')!.at(-1)).toEqual([80, undefined, true]);
    await wrapper.setProps({ value: 80, typed: undefined, starting: true });
    expect(wrapper.find('input').element.value).toBe('8 feet');
  });

  test('an optional field that is emptied says nothing more', async () => {
    const wrapper = field({ value: 40, optional: true });
    await wrapper.find('input').setValue('');
    expect(wrapper.emitted('change')).toEqual([[undefined, undefined]]);
  });

  test('the step keys move by a step and stop at the ends', async () => {
    const wrapper = field({ value: 198, step: 5 });
    const [less, more] = wrapper.findAll('button');
    await more!.trigger('click');
    expect(wrapper.emitted('change')!.at(-1)![0]).toBe(200);
    await less!.trigger('click');
    expect(wrapper.emitted('change')!.at(-1)![0]).toBe(193);
  });

  test('in a job of inches a bare number is in inches, and both units are shown', async () => {
    const wrapper = field({ value: 571.5, typed: undefined, range: LIMITS.hubToLipMm });
    useUnits().chosen = 'in';
    await nextTick();
    expect(wrapper.find('input').element.value).toBe('22 1/2');
    await wrapper.find('input').setValue('23');
    expect(wrapper.emitted('change')!.at(-1)).toEqual([584.2, '23 in']);
    await wrapper.setProps({ value: 584.2, typed: '23 in' });
    expect(wrapper.text()).toContain('= 584.2 mm');
    // A number that can hardly be inches is asked for its unit.
    await wrapper.find('input').setValue('540');
    expect(wrapper.text()).toContain('540 mm with its unit');
    useUnits().chosen = 'mm';
  });

  test('a long number and the same in the other unit stand closer, so that neither is cut', async () => {
    const wrapper = field({ value: 134.3, range: LIMITS.backspacingMm });
    useUnits().chosen = 'in';
    await nextTick();
    // No whole sixteenth: 134.3 / 25.4 = 5.287, between 5 1/4 and 5 5/16.
    expect(wrapper.find('input').element.value).toBe('134.3 mm');
    expect(wrapper.find('.other').text()).toBe('5 5/16 in');
    await wrapper.setProps({ value: 152.4, typed: '6' });
    expect(wrapper.find('input').element.value).toBe('6');
    expect(wrapper.find('.other').text()).toBe('= 152.4 mm');
    useUnits().chosen = 'mm';
  });

  test('at the tape a bare number goes on in the unit of the number before, and says so when it is left', async () => {
    const wrapper = field({ value: undefined, measured: true, range: LIMITS.hubToLipMm });
    await wrapper.find('input').setValue('22 1/4');
    await wrapper.find('input').trigger('blur');
    await wrapper.find('input').setValue('23');
    expect(wrapper.emitted('change')!.at(-1)).toEqual([584.2, '23 in']);
    await wrapper.find('input').trigger('blur');
    expect(wrapper.find('input').element.value).toBe('23 in');
  });

  test('a number that is asked about counts only when it is said to be so', async () => {
    const doubt = (mm: number): string => (mm > 50 ? 'More than the others.' : '');
    const wrapper = field({ value: 40, typed: '40', doubt });
    await wrapper.find('input').setValue('60');
    expect(wrapper.emitted('change')).toBeUndefined();
    expect(wrapper.text()).toContain('More than the others.');
    await wrapper.find('button').trigger('click');
    expect(wrapper.emitted('change')!.at(-1)).toEqual([60, '60 mm']);
  });
});
