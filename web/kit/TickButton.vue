<script setup lang="ts">
import { mdiCheckBold } from '@mdi/js';

/** A big key that is ticked with a thumb in a glove; until then it may show a number. */
defineProps<{ done: boolean; label: string; number?: number; next?: boolean; disabled?: boolean }>();
const emit = defineEmits<{ tick: [] }>();
</script>

<template>
  <button
    type="button"
    class="tick"
    :class="{ next }"
    :aria-pressed="done"
    :aria-label="label"
    :disabled="disabled"
    @click="emit('tick')"
  >
    <v-icon v-if="done" :icon="mdiCheckBold" />
    <span v-else>{{ number }}</span>
  </button>
</template>

<style scoped>
.tick {
  width: 60px;
  min-height: 54px;
  border: 2px solid var(--ink);
  border-radius: 6px;
  font-size: 20px;
  font-weight: 600;
}
.next {
  border-color: var(--accent);
  border-width: 4px;
}
.tick[aria-pressed='true'] {
  background: var(--accent);
  color: #fff;
}
.tick:disabled {
  border-color: var(--rule);
  opacity: 0.6;
}
@media print {
  .tick[aria-pressed='true'] {
    background: none;
    color: #000;
  }
}
</style>
