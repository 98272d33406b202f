import { defineComponent, h } from 'vue';
import { mountedInJob } from './mounting';

/** Sets a room's state up inside a component of the open job, as the room does; `leave` unmounts it. */
export async function composed<T>(
  use: () => T,
  at: { readonly room?: string; readonly query?: Record<string, string> } = {},
): Promise<{ readonly state: T; readonly leave: () => void }> {
  const holder: { state?: T } = {};
  const Holder = defineComponent(() => {
    holder.state = use();
    return () => h('div');
  });
  const wrapper = await mountedInJob(Holder, {}, at);
  return { state: holder.state!, leave: () => wrapper.unmount() };
}
