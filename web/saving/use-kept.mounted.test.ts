import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { flushPromises, mount } from '@vue/test-utils';
import { defineComponent, h, type Ref } from 'vue';
import type { JobStore } from '../stores/job';
import { openedJob } from '../testing/mounting';
import { drafts } from './draft-store';
import { useKept } from './use-kept';

let job: JobStore;
beforeEach(async () => {
  ({ job } = await openedJob());
});
afterEach(() => job.close());

/** A room with one form, which can be left. */
function room<T>(form: string, blank: () => T): { value: Ref<T>; leave: () => void } {
  let value!: Ref<T>;
  const wrapper = mount(
    defineComponent({
      setup() {
        value = useKept(form, blank);
        return () => h('i');
      },
    }),
  );
  return { value, leave: () => wrapper.unmount() };
}
const rest = () => new Promise((resolve) => setTimeout(resolve, 260));

test('what was typed is there when the room is entered again, and lies in the browser for a reload', async () => {
  const first = room('a', () => ({ text: '', due: '' }));
  first.value.value.text = 'half a sentence';
  await flushPromises();
  first.leave();
  expect(room('a', () => ({ text: '', due: '' })).value.value).toEqual({ text: 'half a sentence', due: '' });
  await rest();
  expect(await drafts().form(job.id, 'a')).toEqual({ text: 'half a sentence', due: '' });
});

test('forms do not mix, nor do jobs', async () => {
  room('b', () => '').value.value = 'of b';
  await flushPromises();
  expect(room('c', () => '').value.value).toBe('');
  await drafts().putForm({ job: 'another', form: 'd', value: 'of another job' });
  const d = room('d', () => '');
  await rest();
  expect(d.value.value).toBe('');
});

test('after a reload what the browser kept is taken up, with what the form has learned to ask since', async () => {
  await drafts().putForm({ job: job.id, form: 'e', value: { text: 'kept' } });
  const e = room('e', () => ({ text: '', note: 'new field' }));
  await rest();
  expect(e.value.value).toEqual({ text: 'kept', note: 'new field' });
});

test('a form set back to blank is forgotten', async () => {
  const f = room('f', () => '');
  f.value.value = 'x';
  await rest();
  expect(await drafts().form(job.id, 'f')).toBe('x');
  f.value.value = '';
  await rest();
  expect(await drafts().form(job.id, 'f')).toBeUndefined();
});
