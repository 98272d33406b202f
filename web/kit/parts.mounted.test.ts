import { afterEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { attempt } from '@/core/1-base/problem';
import { mounted } from '../testing/mounting';
import { all, key, keys, pageText, press, type, valueIn } from '../testing/page';
import ChipGroup from './ChipGroup.vue';
import EntryList from './EntryList.vue';
import FieldList from './FieldList.vue';
import FiguresTable from './FiguresTable.vue';
import FitmentFields from './FitmentFields.vue';
import PageHead from './PageHead.vue';
import { inRange } from './read-lists';
import TickButton from './TickButton.vue';
import TypedField from './TypedField.vue';
import ViewTabs from './ViewTabs.vue';

let wrapper: VueWrapper;
const show = (component: never, props: Record<string, unknown>): void => {
  ({ wrapper } = mounted(component, props));
};
const last = (event: string): unknown[] => wrapper.emitted(event)!.at(-1)!;

afterEach(() => wrapper.unmount());

describe('view tabs', () => {
  const VIEWS = { one: 'First', two: 'Second', three: 'Third' };
  const tabs = (open: string): void => show(ViewTabs as never, { modelValue: open, views: VIEWS, label: 'Views' });
  const arrow = async (name: string): Promise<void> => {
    await all('nav')[0]!.trigger('keydown', { key: name });
    await flushPromises();
  };

  test('a press opens a view, and pressing the open one leaves it open', async () => {
    tabs('one');
    await press(/^Third/);
    expect(last('update:modelValue')).toEqual(['three']);
    wrapper.unmount();
    tabs('one');
    await press(/^First/);
    expect(wrapper.emitted('update:modelValue')).toBeUndefined();
  });

  test.each([
    ['one', 'ArrowRight', 'two'],
    ['three', 'ArrowRight', 'one'],
    ['one', 'ArrowLeft', 'three'],
    ['two', 'Home', 'one'],
    ['one', 'End', 'three'],
  ])('from %s the key %s goes to %s, and takes the focus there', async (from, name, to) => {
    tabs(from);
    await arrow(name);
    expect(last('update:modelValue')).toEqual([to]);
    expect(document.activeElement?.textContent).toContain(VIEWS[to as keyof typeof VIEWS]);
  });

  test('another key is nobody’s', async () => {
    tabs('one');
    await arrow('x');
    expect(wrapper.emitted('update:modelValue')).toBeUndefined();
  });
});

describe('a table of figures', () => {
  test('has a caption, a head for each column, and a dash where nothing is to say', () => {
    show(FiguresTable as never, {
      caption: 'Gaps',
      corner: 'Thing',
      columns: ['Gap', 'Verdict'],
      rows: [
        { name: 'Lip', cells: ['12', { text: 'rubs', tone: 'rubs', strong: true }] },
        { name: 'Rail', cells: [null, { text: 'clear', beside: 'by 4' }] },
      ],
    });
    expect(all('caption')[0]!.text()).toBe('Gaps');
    expect(all('thead th').map((one) => one.text())).toEqual(['Thing', 'Gap', 'Verdict']);
    expect(all('tbody td').map((one) => one.text().replace('\u00a0', ' '))).toEqual(['12', 'rubs', '—', 'clear by 4']);
    expect(all('td.verdict-rubs strong')[0]!.text()).toBe('rubs');
    expect(all('tbody th').every((one) => one.attributes('scope') === 'row')).toBe(true);
  });

  test('a cell may take the place of several, and say what it becomes', () => {
    show(FiguresTable as never, {
      caption: 'Road',
      columns: ['Now', 'Then'],
      rows: [
        { name: 'Approach', cells: [{ text: 'measure the height', tone: 'muted', across: 2 }] },
        { name: 'Camber', cells: [{ text: '0.5', after: '-0.2' }, null] },
      ],
    });
    expect(all('td[colspan="2"]')[0]!.text()).toBe('measure the height');
    expect(all('td strong')[0]!.text()).toBe('-0.2');
  });
});

describe('entries', () => {
  const ENTRIES = [{ name: 'Bolt' }, { name: 'Washer' }];
  const words = ({ name }: { name: string }): string => name;

  test('each says itself and has a key of its own that takes it out', async () => {
    show(EntryList as never, { entries: ENTRIES, words });
    await press(/Remove: Washer/);
    expect(last('remove')).toEqual([1]);
  });

  test('none is no list, and a key may be called otherwise', () => {
    show(EntryList as never, { entries: [], words });
    expect(all('ul')).toEqual([]);
    wrapper.unmount();
    show(EntryList as never, { entries: ENTRIES, words, removal: ({ name }: { name: string }) => `Take out ${name}` });
    expect(keys(/Take out Bolt/)).toHaveLength(1);
  });
});

test('fields of several kinds read each their own, and an emptied one is none', async () => {
  show(FieldList as never, {
    fields: [
      { key: 'length', label: 'Length', range: { min: 0, max: 900, unit: 'mm' } },
      { key: 'angle', label: 'Angle', range: { min: -40, max: 40, unit: 'degrees' }, kind: 'degrees' },
      { key: 'ratio', label: 'Ratio', range: { min: 1, max: 12, unit: 'to 1' }, kind: 'number' },
    ],
    values: { length: 100 },
  });
  await type(/^Length/, '2 1/2 in');
  expect(last('change')).toEqual(['length', 63.5]);
  await type(/^Angle/, '-3.5');
  expect(last('change')).toEqual(['angle', -3.5]);
  await type(/^Ratio/, '4,1');
  expect(last('change')).toEqual(['ratio', 4.1]);
  const count = wrapper.emitted('change')!.length;
  await type(/^Ratio/, '40');
  expect(wrapper.emitted('change')).toHaveLength(count);
  expect(pageText()).toContain('1 to 12 to 1');
  await type(/^Length/, '');
  expect(last('change')).toEqual(['length', undefined]);
});

test('the beginning of a text that is refused does not stay behind', async () => {
  const read = (text: string) => attempt(() => inRange(Number(text), { min: 1, max: 12, unit: '' }, text));
  show(TypedField as never, { label: 'Ratio', value: 4, read, write: String });
  const input = all('input')[0]!;
  await input.trigger('focus');
  await input.setValue('7');
  expect(last('change')).toEqual([7]);
  await wrapper.setProps({ value: 7 });
  await input.setValue('70');
  expect(last('change')).toEqual([4]);
  await wrapper.setProps({ value: 4 });
  expect(valueIn(/^Ratio/)).toBe('70');
});

test('the head of a page leads back to the bay board, but for the board itself', () => {
  show(PageHead as never, { title: 'Shop record', says: 'What was promised' });
  expect(all('h1')[0]!.text()).toBe('Shop record');
  expect(keys(/Bay board/)).toHaveLength(1);
  wrapper.unmount();
  show(PageHead as never, { title: 'Bay board', isFirst: true });
  expect(all('header img')).toHaveLength(1);
  expect(keys(/^Bay board$/)).toEqual([]);
});

test('chips say which are on, and a press says which', async () => {
  show(ChipGroup as never, { label: 'Use', words: { snow: 'Snow', tow: 'Towing' }, chosen: ['tow'] });
  expect(key(/^Towing/).attributes('aria-pressed')).toBe('true');
  expect(key(/^Snow/).attributes('aria-pressed')).toBe('false');
  await press(/^Snow/);
  expect(last('press')).toEqual(['snow']);
});

test('a tick says whether it is done, and is not pressed where it must not', async () => {
  show(TickButton as never, { done: false, label: 'Tightened', disabled: true });
  await key(/Tightened/).trigger('click');
  expect(wrapper.emitted('tick')).toBeUndefined();
  wrapper.unmount();
  show(TickButton as never, { done: true, label: 'Tightened' });
  expect(key(/Tightened/).attributes('aria-pressed')).toBe('true');
  await press(/Tightened/);
  expect(wrapper.emitted('tick')).toHaveLength(1);
});

describe('tire and wheel', () => {
  const FITMENT = {
    tire: { size: '265/70R17' },
    wheel: { diameterIn: 17, widthIn: 8, offsetMm: 30 },
    spacerMm: 0,
  };
  const edited = (): typeof FITMENT => {
    const copy = JSON.parse(JSON.stringify(FITMENT)) as typeof FITMENT;
    for (const [edit] of wrapper.emitted('edit')! as [(fitment: typeof FITMENT) => void][]) edit(copy);
    return copy;
  };
  const fields = (more: Record<string, unknown> = {}): void =>
    show(FitmentFields as never, { fitment: FITMENT, problemAt: () => undefined, ...more });

  test('a size is taken when it can be read, and stays typed when it cannot', async () => {
    fields();
    await type(/^Tire size/, '35x12.50R17LT');
    expect(edited().tire.size).toBe('35x12.50R17LT');
    wrapper.unmount();
    fields();
    await type(/^Tire size/, 'the big ones');
    expect(wrapper.emitted('edit')).toBeUndefined();
    expect(valueIn(/^Tire size/)).toBe('the big ones');
  });

  test('offset and backspacing are two ways to say one thing', async () => {
    fields();
    // 8 in over the flanges is 9 in; half of it and 30 mm: 144.3 mm from lip to pad.
    expect(Number(valueIn(/^Backspacing/))).toBeCloseTo(4.5 * 25.4 + 30, 1);
    await type(/^Offset/, '-12');
    expect(edited().wheel.offsetMm).toBe(-12);
  });

  test('a spacer is read in inches', async () => {
    fields({ steps: true });
    await type(/^Spacer/, '1 1/4 in');
    expect(edited().spacerMm).toBe(31.75);
  });
});
