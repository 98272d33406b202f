<script setup lang="ts" generic="T extends string">
import { computed } from 'vue';

const MOST_COLUMNS = 4;
/** One of a few, by picture and word; `null` where nothing is said. */
const props = defineProps<{
  label: string;
  choices: readonly { readonly value: T | null; readonly title: string }[];
  chosen: T | null;
}>();
const columns = computed(() =>
  Math.min(props.choices.length, MOST_COLUMNS - (props.choices.length > MOST_COLUMNS ? 1 : 0)),
);
const emit = defineEmits<{ choose: [value: T | null] }>();
defineSlots<{ default(props: { value: T }): unknown }>();
</script>

<template>
  <div class="choices" role="group" :aria-label="label">
    <button
      v-for="{ value, title } in choices"
      :key="title"
      type="button"
      class="choice"
      :aria-pressed="chosen === value"
      @click="emit('choose', value)"
    >
      <span class="picture"><slot v-if="value !== null" :value="value" /></span>
      <span>{{ title }}</span>
    </button>
  </div>
</template>

<style scoped>
.choices {
  display: grid;
  grid-template-columns: repeat(v-bind(columns), minmax(0, 1fr));
  gap: 6px;
}
.choice:not(.v-btn) {
  display: grid;
  grid-template-rows: 1fr auto;
  justify-items: center;
  gap: 2px;
  min-height: 62px;
  padding: 4px 6px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  font-size: 14px;
  line-height: 18px;
}
.choice[aria-pressed='true'] {
  border-color: var(--accent);
  box-shadow: inset 0 0 0 2px var(--accent);
  font-weight: 600;
}
.picture {
  display: grid;
  align-items: end;
  justify-items: center;
  width: 100%;
  min-height: 34px;
}
.picture :deep(svg) {
  height: 34px;
  max-width: 100%;
}
</style>
