<script setup lang="ts" generic="T extends string">
import { computed } from 'vue';

/** Things to press on and off, for gloves; `chosen` are on. */
const props = defineProps<{ label: string; words: Readonly<Record<T, string>>; chosen: readonly T[] }>();
const emit = defineEmits<{ press: [one: T] }>();
const ones = computed(() => Object.keys(props.words) as T[]);
</script>

<template>
  <div class="chips" role="group" :aria-label="label">
    <button
      v-for="one in ones"
      :key="one"
      type="button"
      class="chip"
      :aria-pressed="chosen.includes(one)"
      @click="emit('press', one)"
    >
      {{ words[one] }}
    </button>
  </div>
</template>

<style scoped>
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.chip:not(.v-btn) {
  min-height: 48px;
  padding: 4px 14px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  font-size: 16px;
}
.chip[aria-pressed='true'] {
  border-color: var(--accent);
  box-shadow: inset 0 0 0 2px var(--accent);
  font-weight: 600;
}
</style>
