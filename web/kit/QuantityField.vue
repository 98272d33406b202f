<script setup lang="ts">
import { mdiMinus, mdiPlus } from '@mdi/js';
import { computed, ref, watch } from 'vue';
import { fieldText } from '@/contracts/problems';
import type { Range } from '@/core/1-base/limits';
import { otherUnitText, parseQuantity, quantityText, type Quantity } from './quantity';

/** One number as people type it. What is wrong stays in the field and is said; only a good number goes on. */
const props = withDefaults(
  defineProps<{
    label: string;
    value: number | undefined;
    range: Range;
    typed?: string | undefined;
    quantity?: Quantity;
    /** Step of the keys, in the field's unit; none: no keys. */
    step?: number;
    optional?: boolean;
    /** Where the step keys begin while the field is empty. */
    from?: number;
    /** What the engine says about this field. */
    problem?: string | undefined;
    /** Nobody measured it yet: it stands in until it is typed, even as the same number. */
    starting?: boolean;
  }>(),
  { quantity: 'length', typed: undefined, step: 0, optional: false, from: 0, problem: undefined, starting: false },
);

/** `unfinished`: the number before is put back, and stands in unmeasured as it did. */
const emit = defineEmits<{ change: [value: number | undefined, typed: string | undefined, unfinished?: true] }>();

const text = ref('');
const refusal = ref('');
/** What stood here before somebody began to type. */
let atFocus: {
  readonly value: number | undefined;
  readonly typed: string | undefined;
  readonly starting: boolean;
} | null = null;
const began = (): void => {
  atFocus = { value: props.value, typed: props.typed, starting: props.starting };
};

watch(
  () => [props.value, props.typed, props.starting] as const,
  ([value, typed, starting]) => {
    // It stands in the field's background: typing it, even the same, is what makes it measured.
    if (starting) return void (text.value = refusal.value ? text.value : '');
    const now = parseQuantity(text.value, props.quantity, props.range);
    if (now.ok && value !== undefined && Math.abs(now.value - value) < 1e-6) return;
    // Put back as it was before a number that was not finished: what is typed stays, with what is wrong with it.
    if (refusal.value && value === atFocus?.value) return;
    // Something else changed the number: undo, a step key, another window.
    text.value = quantityText(value, typed, props.quantity);
    refusal.value = '';
  },
  { immediate: true },
);

function typeText(entered: string | null): void {
  text.value = entered ?? '';
  if (text.value.trim() === '' && props.optional) {
    refusal.value = '';
    emit('change', undefined, undefined);
    return;
  }
  const parsed = parseQuantity(text.value, props.quantity, props.range);
  refusal.value = parsed.ok ? '' : parsed.problems.map(fieldText).join(' ');
  if (parsed.ok) {
    if (parsed.value !== props.value || props.starting) emit('change', parsed.value, text.value.trim());
  } else if (atFocus && (props.value !== atFocus.value || props.starting !== atFocus.starting)) {
    // The beginning of it was a number of its own (`7` of `76 mm`): it must not stay behind.
    if (atFocus.starting) emit('change', atFocus.value, atFocus.typed, true);
    else emit('change', atFocus.value, atFocus.typed);
  }
}

function move(direction: 1 | -1): void {
  const { min, max } = props.range;
  const next = Math.min(max, Math.max(min, (props.value ?? props.from) + direction * props.step));
  emit('change', Math.round(next * 1000) / 1000, undefined);
}

const UNITS: Readonly<Record<Quantity, string>> = { length: 'mm', inches: 'in', degrees: '°' };

const message = computed(() => refusal.value || props.problem);
const hint = computed(() => (props.starting ? '' : otherUnitText(props.value, text.value, props.quantity)));
const bareNumber = computed(() => /^[-+\d.,\s]*$/.test(text.value));
</script>

<template>
  <div class="quantity">
    <v-btn
      v-if="step"
      class="step"
      :icon="mdiMinus"
      size="48"
      variant="outlined"
      :aria-label="`${label}: less`"
      @click="move(-1)"
    />
    <v-text-field
      :model-value="text"
      :label="label"
      :error-messages="message ? [message] : []"
      :suffix="bareNumber && text ? UNITS[quantity] : undefined"
      inputmode="text"
      autocomplete="off"
      class="figures"
      :class="{ starting }"
      :placeholder="starting ? `${quantityText(value, undefined, quantity)} ${UNITS[quantity]}` : undefined"
      :persistent-placeholder="starting"
      :messages="starting ? 'starting value, not measured' : []"
      @focus="began"
      @update:model-value="typeText"
    >
      <template v-if="hint" #append-inner
        ><span class="other">= {{ hint }}</span></template
      >
    </v-text-field>
    <v-btn
      v-if="step"
      class="step"
      :icon="mdiPlus"
      size="48"
      variant="outlined"
      :aria-label="`${label}: more`"
      @click="move(1)"
    />
  </div>
</template>

<style scoped>
.starting :deep(:is(.v-field__outline__start, .v-field__outline__end)) {
  border-style: dashed;
}
.starting :deep(input)::placeholder {
  font-style: italic;
  color: var(--muted);
  opacity: 1;
}
.quantity {
  display: flex;
  gap: 4px;
  align-items: flex-start;
}
.step {
  flex: none;
  border-color: var(--rule);
}
.other {
  color: var(--muted);
  font-size: 15px;
  white-space: nowrap;
}
.quantity :deep(.v-field__input) {
  font-size: 18px;
  font-family: var(--figures);
  padding-inline: 10px 0;
}
.quantity :deep(.v-text-field__suffix) {
  font-size: 15px;
  opacity: 1;
  padding-inline: 3px 6px;
}
</style>
