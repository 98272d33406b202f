import { afterEach, describe, expect, test } from '@jest/globals';
import type { VueWrapper } from '@vue/test-utils';
import { defineComponent, h, withDirectives } from 'vue';
import { VTextField } from 'vuetify/components';
import { mounted } from '../testing/mounting';
import { vFirst } from './first-field';

let wrapper: VueWrapper;
afterEach(() => wrapper.unmount());

const frames = async (): Promise<void> => {
  for (let i = 0; i < 3; i++) await new Promise((shown) => requestAnimationFrame(shown));
};
/** A form whose second field may be the first to take the cursor; `isShown`: it can take it at once. */
const form = (isFirst: boolean | undefined, isShown = true) =>
  defineComponent({
    render: () =>
      h('form', [
        h('input', { id: 'other' }),
        withDirectives(h(VTextField, { id: 'field', disabled: !isShown }), [[vFirst, isFirst]]),
      ]),
  });
const field = (): HTMLInputElement => document.querySelector('#field')!;

describe('the first field', () => {
  test('has the cursor when its form stands', () => {
    ({ wrapper } = mounted(form(undefined)));
    expect(document.activeElement).toBe(field());
  });

  test('takes it as soon as it can be seen, and only then', async () => {
    ({ wrapper } = mounted(form(true, false)));
    expect(document.activeElement).not.toBe(field());
    field().disabled = false;
    await frames();
    expect(document.activeElement).toBe(field());
  });

  test('leaves it to another field that somebody went to meanwhile', async () => {
    ({ wrapper } = mounted(form(true, false)));
    const other = document.querySelector<HTMLInputElement>('#other')!;
    other.focus();
    field().disabled = false;
    await frames();
    expect(document.activeElement).toBe(other);
  });

  test('is not one that is said not to be', async () => {
    ({ wrapper } = mounted(form(false)));
    await frames();
    expect(document.activeElement).not.toBe(field());
  });
});
