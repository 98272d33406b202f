<script setup lang="ts" generic="T">
import { computed, ref, watch } from 'vue';
import { fieldText } from '@/contracts/problems';
import type { Result } from '@/core/1-base/problem';

/** A text that stands for something: what cannot be read stays in the field and is said; only what can goes on. */
const props = defineProps<{
  label: string;
  value: T | undefined;
  read: (text: string) => Result<T>;
  write: (value: T) => string;
  /** An empty field means nothing is said. */
  optional?: boolean;
  suffix?: string;
  hint?: string;
  /** What was understood, said under the field. */
  echo?: (value: T) => string;
  problem?: string | undefined;
  /** Stands in until it is typed, even as the same. */
  standing?: string | undefined;
}>();
const emit = defineEmits<{ change: [value: T | undefined] }>();

const text = ref('');
const refusal = ref('');
const messages = computed(() => {
  if (props.standing !== undefined) return ['starting value, not measured'];
  const { echo, value } = props;
  return echo && value !== undefined && !refusal.value ? [echo(value)].filter(Boolean) : [];
});
/** What stood here before somebody began to type. */
let atFocus: { readonly value: T | undefined } | null = null;
const isSame = (a: T | undefined, b: T | undefined): boolean =>
  a === b || (a !== undefined && b !== undefined && props.write(a) === props.write(b));
const began = (): void => {
  atFocus = { value: props.value };
};

watch(
  () => props.value,
  (value) => {
    const now = props.read(text.value);
    if (now.ok && value !== undefined && props.write(now.value) === props.write(value)) return;
    if (value === undefined && text.value.trim() === '') return;
    // Put back as it was before something that was not finished: what is typed stays.
    if (refusal.value && atFocus && isSame(value, atFocus.value)) return;
    text.value = value === undefined ? '' : props.write(value);
    refusal.value = '';
  },
  { immediate: true },
);

function typeText(entered: string | null): void {
  text.value = entered ?? '';
  if (props.optional && text.value.trim() === '') {
    refusal.value = '';
    emit('change', undefined);
    return;
  }
  const read = props.read(text.value);
  refusal.value = read.ok ? '' : read.problems.map(fieldText).join(' ');
  if (read.ok) emit('change', read.value);
  // The beginning of it could be read by itself: it must not stay behind.
  else if (atFocus && !isSame(props.value, atFocus.value)) emit('change', atFocus.value);
}
</script>

<template>
  <v-text-field
    :model-value="text"
    :label="label"
    :suffix="suffix"
    :placeholder="standing ?? hint"
    :persistent-placeholder="standing !== undefined"
    :messages="messages"
    :error-messages="refusal || problem ? [refusal || problem || ''] : []"
    autocomplete="off"
    class="figures"
    :class="{ starting: standing !== undefined }"
    @focus="began"
    @update:model-value="typeText"
  >
    <template #loader />
  </v-text-field>
</template>

<style scoped src="./starting.css"></style>
