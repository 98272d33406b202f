<script setup lang="ts">
import { mdiBackspaceOutline, mdiKeyboardReturn } from '@mdi/js';

/** Keys for gloves: digits, a space and a slash for `2 7/8`, units. */
const emit = defineEmits<{ key: [text: string]; back: []; enter: [] }>();
const KEYS = ['7', '8', '9', '/', 'in', '4', '5', '6', '.', 'mm', '1', '2', '3', '␣'];
const send = (key: string): void => emit('key', key === '␣' ? ' ' : key.length === 2 ? ` ${key}` : key);
</script>

<template>
  <div class="pad figures" role="group" aria-label="Number pad">
    <button
      v-for="key in KEYS"
      :key="key"
      type="button"
      tabindex="-1"
      :aria-label="key === '␣' ? 'space' : key"
      @mousedown.prevent
      @click="send(key)"
    >
      {{ key }}
    </button>
    <button type="button" tabindex="-1" aria-label="Delete" @mousedown.prevent @click="emit('back')">
      <v-icon :icon="mdiBackspaceOutline" />
    </button>
    <button type="button" tabindex="-1" aria-label="0" class="zero" @mousedown.prevent @click="send('0')">0</button>
    <button type="button" tabindex="-1" class="enter" aria-label="Enter" @mousedown.prevent @click="emit('enter')">
      <v-icon :icon="mdiKeyboardReturn" /> Enter
    </button>
  </div>
</template>

<style scoped>
.pad {
  display: grid;
  grid-template-columns: repeat(5, 1fr);
  gap: 5px;
}
button:not(.v-btn) {
  min-height: 48px;
  font-size: 21px;
  font-weight: 600;
  border: 1px solid var(--rule);
  border-radius: 4px;
}
button:active {
  background: var(--rule);
}
.zero {
  grid-column: 1 / 3;
}
.enter {
  grid-column: 3 / -1;
  background: var(--accent);
  color: var(--paper);
  border-color: var(--accent);
  font-size: 19px;
}
</style>
