<script setup lang="ts">
import { ref, watch } from 'vue';
import { useEventListener } from '@vueuse/core';
import type { VDialog } from 'vuetify/components';

/**
 * A dialog by name that gives the focus back to where it was opened from; where that is gone, to the page's content. Who has gone on
 * to another field by the time it has faded keeps the focus there.
 */
const open = defineModel<boolean>({ required: true });
defineProps<{ label: string; width: number }>();

const dialog = ref<VDialog>();
let from: HTMLElement | null = null;
/** The library hears Escape from a timer on, after it has opened: until then the key is heard here. */
let isHeard = false;
watch(
  open,
  (now) => {
    isHeard = false;
    if (now && document.activeElement instanceof HTMLElement) from = document.activeElement;
  },
  { flush: 'sync', immediate: true },
);
watch(
  () => open.value && dialog.value?.globalTop === true,
  (isTop) => (isHeard ||= isTop),
  { flush: 'sync' },
);
useEventListener(window, 'keydown', (event) => {
  if (event.key === 'Escape' && open.value && !isHeard) open.value = false;
});

function giveBack(): void {
  const now = document.activeElement;
  const isElsewhere = now && now !== document.body && !dialog.value?.contentEl?.contains(now);
  if (isElsewhere) return;
  const back =
    from?.isConnected && from !== document.body ? from : document.querySelector<HTMLElement>('#content, main');
  back?.focus();
}
</script>

<template>
  <v-dialog ref="dialog" v-model="open" :max-width="width" :aria-label="label" @after-leave="giveBack"
    ><slot
  /></v-dialog>
</template>
