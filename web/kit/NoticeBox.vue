<script setup lang="ts">
import { mdiClose } from '@mdi/js';

/** Something that must be read before going on: what went wrong, or what to look out for. */
defineProps<{ kind: 'error' | 'warning'; closable?: boolean }>();
const emit = defineEmits<{ close: [] }>();
</script>

<template>
  <div class="notice" :class="kind" :role="kind === 'error' ? 'alert' : 'status'">
    <svg viewBox="0 0 24 24" width="24" height="24" aria-hidden="true">
      <path v-if="kind === 'error'" d="M8 2h8l6 6v8l-6 6H8l-6-6V8zM12 6v7M12 16.5v1" />
      <path v-else d="M12 3l10 18H2zM12 10v5M12 17.5v1" />
    </svg>
    <div class="said"><slot /></div>
    <v-btn v-if="closable" :icon="mdiClose" variant="text" size="48" aria-label="Put away" @click="emit('close')" />
  </div>
</template>

<style scoped>
.notice {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  gap: 12px;
  align-items: start;
  padding: 12px 14px;
  margin-bottom: 12px;
  background: var(--paper);
  border: 1px solid currentColor;
  border-left-width: 6px;
  border-radius: 4px;
}
.error {
  color: var(--rubs);
}
.warning {
  color: var(--close);
}
.said {
  color: var(--ink);
}
path {
  fill: none;
  stroke: currentColor;
  stroke-width: 2.2;
  stroke-linejoin: round;
  stroke-linecap: round;
}
</style>
