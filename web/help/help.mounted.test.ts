import { readFileSync } from 'node:fs';
import { afterEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { mounted } from '../testing/mounting';
import { all, press, said } from '../testing/page';
import { until } from '../testing/worker-here';
import { pageTitle } from '../page-titles';
import HelpKey from './HelpKey.vue';
import { WORDS_USED } from './words-used';

let wrapper: VueWrapper;
afterEach(() => wrapper?.unmount());
const typed = async (from: EventTarget): Promise<void> => {
  from.dispatchEvent(new KeyboardEvent('keydown', { key: '?', bubbles: true }));
  await flushPromises();
};

describe('help', () => {
  test('opens by its key and by ?, with how to measure, the keys and the words', async () => {
    ({ wrapper } = mounted(HelpKey));
    await press(/^\s*Help/);
    // Fetched when it is first asked for.
    await until(() => said('help'));
    expect(said('help')).toContain('Hub center to fender lip');
    expect(said('help')).toContain('Ctrl+Z');
    expect(said('help')).toContain('jack alone');
    await press(/^Close/);
    await typed(window);
    expect(said('help')).toContain('backspacing');
  });

  test('a question mark that is typed stays one', async () => {
    ({ wrapper } = mounted(HelpKey));
    const input = document.createElement('input');
    document.body.append(input);
    await typed(input);
    expect(said('help')).toBe('');
  });

  test('that a single sign opens it can be turned off, and stays so', async () => {
    ({ wrapper } = mounted(HelpKey));
    await press(/^\s*Help/);
    await until(() => said('help'));
    const off = all('input[type="checkbox"]').at(-1)!;
    await off.setValue(false);
    await flushPromises();
    wrapper.unmount();
    ({ wrapper } = mounted(HelpKey));
    await typed(window);
    expect(said('help')).toBe('');
    localStorage.removeItem('lowgap.helpBySign');
  });

  test('says of each word what docs/words.md says', () => {
    const rows = readFileSync('docs/words.md', 'utf8')
      .split('\n')
      .map((line) => line.split('|').map((cell) => cell.trim()));
    for (const { say, means } of WORDS_USED) expect(rows.find(([, word]) => word === say)?.[2]).toBe(means);
  });
});

test('a page is called by its room first, then by its job', () => {
  expect(pageTitle('testFit', 'Patrol pickup')).toBe('Test fit · Patrol pickup · Low Gap');
  expect(pageTitle('quick', '')).toBe('Quick look · Low Gap');
});
