<script setup lang="ts">
import { mdiHelp } from '@mdi/js';
import { useEventListener, useLocalStorage } from '@vueuse/core';
import { defineAsyncComponent, ref, watch } from 'vue';

/** Help under `?`: keys, how to measure, words used. */
const open = ref(false);
/** It is made when it is first asked for, and stays. */
const wanted = ref(false);
watch(open, () => (wanted.value = true), { flush: 'sync' });
const HelpDialog = defineAsyncComponent(() => import('./HelpDialog.vue'));
/** A single sign as a key may be pressed by a slip, or by speech: it can be turned off (WCAG 2.1.4). */
const bySign = useLocalStorage('lowgap.helpBySign', true);
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  const typing = event.target instanceof Element && event.target.closest('input, textarea, [contenteditable]');
  if (event.key !== '?' || !bySign.value || typing || event.ctrlKey || event.metaKey) return;
  event.preventDefault();
  open.value = true;
});
</script>

<template>
  <!-- One element, so that what a room says of its place, as that it is rare, holds. -->
  <span>
    <v-btn variant="text" size="48" :icon="mdiHelp" aria-label="Help" title="Help (?)" @click="open = true" />
    <HelpDialog v-if="wanted" v-model="open" v-model:by-sign="bySign" />
  </span>
</template>
