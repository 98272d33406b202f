<script setup lang="ts">
import { watch } from 'vue';

/** A dialog by name that gives the focus back to where it was opened from; where that is gone, to the page's content. */
const open = defineModel<boolean>({ required: true });
defineProps<{ label: string; width: number }>();

let from: HTMLElement | null = null;
watch(
  open,
  (now) => {
    if (now && document.activeElement instanceof HTMLElement) from = document.activeElement;
  },
  { flush: 'sync', immediate: true },
);
function giveBack(): void {
  const back =
    from?.isConnected && from !== document.body ? from : document.querySelector<HTMLElement>('#content, main');
  back?.focus();
}
</script>

<template>
  <v-dialog v-model="open" :max-width="width" :aria-label="label" @after-leave="giveBack"><slot /></v-dialog>
</template>
