import { afterEach, describe, expect, test } from '@jest/globals';
import type { VueWrapper } from '@vue/test-utils';
import { attempt, ProblemError } from '@/core/1-base/problem';
import type { Verdict } from '@/core/4-clearance/case/standard';
import { mounted } from '../testing/mounting';
import ChartFrame from './ChartFrame.vue';
import ChipGroup from './ChipGroup.vue';
import FiguresTable from './FiguresTable.vue';
import TickButton from './TickButton.vue';
import TypedField from './TypedField.vue';
import VerdictMark from './VerdictMark.vue';

let wrapper: VueWrapper;
afterEach(() => wrapper.unmount());

describe('a table of figures', () => {
  const props = {
    caption: 'Heights',
    corner: 'Place',
    columns: ['Now', 'Then'],
    rows: [
      { name: 'Front', cells: ['520', '560'] },
      { name: 'Rear', cells: ['540', null] },
    ],
  };

  test('rows and columns are headed, and nothing to say is a dash', () => {
    wrapper = mounted(FiguresTable, props).wrapper;
    expect(wrapper.findAll('th[scope="col"]').map((th) => th.text())).toEqual(['Place', 'Now', 'Then']);
    expect(wrapper.findAll('th[scope="row"]').map((th) => th.text())).toEqual(['Front', 'Rear']);
    expect(wrapper.findAll('td').map((td) => td.text())).toEqual(['520', '560', '540', '—']);
    expect(wrapper.find('caption').text()).toBe('Heights');
  });
});

describe('the frame of a chart', () => {
  const props = {
    title: 'Camber against travel',
    summary: 'It grows.',
    x: [0, 10] as const,
    y: [-100, 100] as const,
    height: 200,
    table: { corner: 'Place', columns: ['Camber'], rows: [{ name: 'Ride', cells: ['1.2'] }] },
  };

  test('says what it shows to those who do not see it, and its axes are ticked, zero among them', () => {
    wrapper = mounted(ChartFrame, props).wrapper;
    expect(wrapper.find('svg').attributes('aria-label')).toBe('Camber against travel. It grows.');
    const texts = wrapper.findAll('svg text').map((text) => text.text());
    expect(texts).toEqual(expect.arrayContaining(['-100', '0', '100', '10']));
    expect(wrapper.findAll('path.zero')).toHaveLength(1);
  });

  test('shows the same figures as a table at a press, and back', async () => {
    wrapper = mounted(ChartFrame, props).wrapper;
    await wrapper.find('button').trigger('click');
    expect(wrapper.find('svg').exists()).toBe(false);
    expect(wrapper.find('td').text()).toBe('1.2');
    await wrapper.find('button').trigger('click');
    expect(wrapper.find('svg').exists()).toBe(true);
  });
});

describe('a text that stands for something', () => {
  const read = (text: string) =>
    attempt(() => {
      const value = Number(text);
      if (Number.isInteger(value)) return value;
      throw new ProblemError({ code: 'wrongType', path: '', expected: 'a whole number', found: text });
    });
  const props = { label: 'Count', value: 3, read, write: String };

  test('only what can be read goes on; the rest stays and is said', async () => {
    wrapper = mounted(TypedField, props).wrapper;
    const input = wrapper.find('input');
    expect(input.element.value).toBe('3');
    await input.setValue('three');
    expect(wrapper.emitted('change')).toBeUndefined();
    expect(input.element.value).toBe('three');
    expect(wrapper.text()).toContain('Expected a whole number; found three.');
    await input.setValue('4');
    expect(wrapper.emitted('change')).toEqual([[4]]);
    expect(wrapper.text()).not.toContain('Expected');
  });

  test('what changes elsewhere is shown, but never over a text that means the same', async () => {
    wrapper = mounted(TypedField, props).wrapper;
    const input = wrapper.find('input');
    await input.setValue('04');
    await wrapper.setProps({ value: 4 });
    expect(input.element.value).toBe('04');
    await wrapper.setProps({ value: 9 });
    expect(input.element.value).toBe('9');
  });
});

test('chips say which are on, and which was pressed', async () => {
  const words = { snow: 'Snow', trail: 'Trail' };
  wrapper = mounted(ChipGroup, { label: 'Use', words, chosen: ['snow'] }).wrapper;
  expect(wrapper.findAll('button').map((key) => key.attributes('aria-pressed'))).toEqual(['true', 'false']);
  await wrapper.findAll('button')[1]!.trigger('click');
  expect(wrapper.emitted('press')).toEqual([['trail']]);
});

test('a tick is a key with a name, which shows its number until it is done', async () => {
  wrapper = mounted(TickButton, { done: false, label: 'Step 2', number: 2 }).wrapper;
  expect(wrapper.text()).toBe('2');
  expect(wrapper.attributes()).toMatchObject({ 'aria-pressed': 'false', 'aria-label': 'Step 2' });
  await wrapper.trigger('click');
  expect(wrapper.emitted('tick')).toHaveLength(1);
  await wrapper.setProps({ done: true });
  expect(wrapper.attributes('aria-pressed')).toBe('true');
  expect(wrapper.text()).toBe('');
});

test('each verdict has a word and a shape of its own, not a color alone', () => {
  const shapes = (['clear', 'close', 'rubs'] as Verdict[]).map((verdict) => {
    wrapper = mounted(VerdictMark, { verdict }).wrapper;
    const said = [
      wrapper.text(),
      wrapper
        .find('svg')
        .html()
        .replace(/data-v-\w+=""/g, ''),
    ];
    wrapper.unmount();
    return said;
  });
  wrapper = mounted(VerdictMark, { verdict: 'clear' }).wrapper;
  expect(new Set(shapes.map(([word]) => word)).size).toBe(3);
  expect(new Set(shapes.map(([, shape]) => shape)).size).toBe(3);
});
