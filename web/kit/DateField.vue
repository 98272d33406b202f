<script setup lang="ts">
import { ref, watch } from 'vue';
import { dayText, isDay } from './dates';
import { readDay } from './read-day';

/**
 * A day as people write it, kept as `2026-02-03` and shown as `3 Feb 2026`. What is no day stays in the field, is said there, and goes on
 * as it was typed.
 */
const day = defineModel<string>({ required: true });
defineProps<{ label: string; problem?: string }>();

const shown = (kept: string): string => (isDay(kept) ? dayText(kept) : kept);
const text = ref(shown(day.value));
const refusal = ref('');
watch(day, (kept) => {
  if (readDay(text.value) === kept || text.value.trim() === kept) return;
  text.value = shown(kept);
  refusal.value = '';
});

/** Counted as it is typed; put in the shop's way of writing, or refused, once it is left. */
function typed(now: string): void {
  text.value = now;
  const read = readDay(now);
  day.value = read ?? now.trim();
  if (read) refusal.value = '';
}
function left(): void {
  const plain = text.value.trim();
  const read = readDay(plain);
  if (read) text.value = dayText(read);
  refusal.value = read || plain === '' ? '' : `Expected a day such as 3 Feb 2026; found ${plain}.`;
}
</script>

<template>
  <v-text-field
    :model-value="text"
    :label="label"
    placeholder="3 Feb 2026"
    autocomplete="off"
    maxlength="30"
    hide-details="auto"
    :error-messages="refusal || problem || ''"
    @update:model-value="typed"
    @change="left"
  />
</template>
