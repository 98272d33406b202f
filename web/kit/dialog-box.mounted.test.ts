import { afterEach, describe, expect, test } from '@jest/globals';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { defineComponent, h, nextTick, ref } from 'vue';
import { VMenu } from 'vuetify/components';
import { mounted } from '../testing/mounting';
import DialogBox from './DialogBox.vue';

let wrapper: VueWrapper;
afterEach(() => wrapper.unmount());

const open = ref(false);
const hasKey = ref(true);
const hasList = ref(false);
const Page = defineComponent({
  render: () =>
    h('main', { id: 'content', tabindex: -1 }, [
      h('input', { id: 'next' }),
      hasKey.value ? h('button', { id: 'opener', onClick: () => (open.value = true) }, 'Open') : null,
      h(
        DialogBox,
        {
          modelValue: open.value,
          label: 'A question',
          width: 300,
          'onUpdate:modelValue': (now: boolean) => (open.value = now),
        },
        () => [h('button', { id: 'inside' }, 'Yes'), h(VMenu, { modelValue: hasList.value }, () => 'A list')],
      ),
    ]),
});
/** The library says which of its layers is on top from a timer on. */
async function timersRun(): Promise<void> {
  await flushPromises();
  await new Promise((done) => setTimeout(done));
  await flushPromises();
}
/** The library says that it has left once its transition ends, which no layout here does. */
async function closed(): Promise<void> {
  open.value = false;
  await flushPromises();
  wrapper.findComponent({ name: 'VDialog' }).vm.$emit('afterLeave');
  await flushPromises();
}

describe('a dialog', () => {
  test('has a name, and gives the focus back to the key that opened it', async () => {
    ({ wrapper } = mounted(Page));
    document.querySelector<HTMLElement>('#opener')!.focus();
    document.querySelector<HTMLElement>('#opener')!.click();
    await flushPromises();
    expect(document.querySelector('[role="dialog"]')!.getAttribute('aria-label')).toBe('A question');
    document.querySelector<HTMLElement>('#inside')!.focus();
    await closed();
    expect(document.activeElement!.id).toBe('opener');
  });

  test('where that key is gone by then, the page’s content has it', async () => {
    ({ wrapper } = mounted(Page));
    document.querySelector<HTMLElement>('#opener')!.focus();
    open.value = true;
    await flushPromises();
    document.querySelector<HTMLElement>('#inside')!.focus();
    hasKey.value = false;
    await closed();
    expect(document.activeElement!.id).toBe('content');
    hasKey.value = true;
  });

  test('Escape closes it, as early as it stands there, and leaves it to a list that is open in it', async () => {
    ({ wrapper } = mounted(Page));
    await timersRun();
    const escape = (): boolean =>
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true }));
    open.value = true;
    await nextTick();
    escape();
    expect(open.value).toBe(false);

    open.value = true;
    await timersRun();
    const dialog = wrapper.findComponent({ name: 'VDialog' });
    expect(dialog.vm.globalTop).toBe(true);
    hasList.value = true;
    await timersRun();
    expect(dialog.vm.globalTop).toBe(false);
    escape();
    await timersRun();
    expect(open.value).toBe(true);
    hasList.value = false;
    await timersRun();
    escape();
    expect(open.value).toBe(false);
  });

  test('who types on in another field before it has faded keeps the focus there', async () => {
    ({ wrapper } = mounted(Page));
    document.querySelector<HTMLElement>('#opener')!.focus();
    document.querySelector<HTMLElement>('#opener')!.click();
    await flushPromises();
    open.value = false;
    await flushPromises();
    document.querySelector<HTMLElement>('#next')!.focus();
    await closed();
    expect(document.activeElement!.id).toBe('next');
  });
});
