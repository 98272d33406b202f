<script setup lang="ts">
import { mdiMinus, mdiPlus } from '@mdi/js';
import { computed, ref, watch } from 'vue';
import { fieldText } from '@/contracts/problems';
import type { Range } from '@/core/1-base/limits';
import { attempt } from '@/core/1-base/problem';
import { parseLength, type LengthUnit } from '@/core/1-base/units/length';
import { unitInRun } from '@/core/1-base/units/meant-length';
import { useUnits } from '../stores/units';
import {
  bareUnit,
  keptText,
  otherUnitText,
  parseQuantity,
  quantityText,
  standingText,
  type Quantity,
} from './quantity';

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
    /** Taken at the vehicle: a bare number goes on in the unit of the readings before it. */
    measured?: boolean;
    /** What is asked about a number before it counts; '': nothing. */
    doubt?: (value: number) => string;
  }>(),
  {
    quantity: 'length',
    typed: undefined,
    step: 0,
    optional: false,
    from: 0,
    problem: undefined,
    starting: false,
    measured: false,
    doubt: () => '',
  },
);

/** `unfinished`: the number before is put back, and stands in unmeasured as it did. */
const emit = defineEmits<{ change: [value: number | undefined, typed: string | undefined, unfinished?: true] }>();

const units = useUnits();
const unitOf = (typed: string): LengthUnit =>
  bareUnit(
    props.quantity,
    props.measured ? unitInRun(typed, props.range, units.goingOn('vehicle'), units.unit) : units.unit,
  );
/** What a bare number in this field is in: fixed when it is typed. */
const unit = ref<LengthUnit>(bareUnit(props.quantity, units.unit));

const text = ref('');
const refusal = ref('');
const question = ref('');
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
  () => [props.value, props.typed, props.starting, units.unit] as const,
  ([value, typed, starting, jobUnit], before) => {
    const isOtherUnit = before !== undefined && before[3] !== jobUnit;
    // It stands in the field's background: typing it, even the same, is what makes it measured.
    if (starting) {
      if (isOtherUnit) unit.value = bareUnit(props.quantity, jobUnit);
      return void (text.value = refusal.value ? text.value : '');
    }
    const now = parseQuantity(text.value, props.quantity, props.range, unit.value);
    if (!isOtherUnit && now.ok && value !== undefined && Math.abs(now.value - value) < 1e-6) return;
    // Put back as it was before a number that was not finished: what is typed stays, with what is wrong with it.
    if ((refusal.value || question.value) && value === atFocus?.value) return;
    // Something else changed the number: undo, a step key, another window.
    unit.value = bareUnit(props.quantity, jobUnit);
    text.value = quantityText(value, typed, props.quantity, unit.value);
    refusal.value = question.value = '';
  },
  { immediate: true },
);

function typeText(entered: string | null): void {
  text.value = entered ?? '';
  unit.value = unitOf(text.value);
  question.value = '';
  if (text.value.trim() === '' && props.optional) {
    refusal.value = '';
    emit('change', undefined, undefined);
    return;
  }
  const parsed = parseQuantity(text.value, props.quantity, props.range, unit.value);
  refusal.value = parsed.ok ? '' : parsed.problems.map(fieldText).join(' ');
  if (parsed.ok && (parsed.value !== props.value || props.starting)) question.value = props.doubt(parsed.value);
  if (!parsed.ok || question.value) putBack();
  else if (parsed.value !== props.value || props.starting) take(parsed.value);
}

const take = (value: number): void => emit('change', value, keptText(text.value, props.quantity, unit.value));

/** The beginning of it was a number of its own (`7` of `76 mm`): it must not stay behind. */
function putBack(): void {
  if (!atFocus || (props.value === atFocus.value && props.starting === atFocus.starting)) return;
  if (atFocus.starting) emit('change', atFocus.value, atFocus.typed, true);
  else emit('change', atFocus.value, atFocus.typed);
}

/** The number that was questioned is so. */
function insist(): void {
  const parsed = parseQuantity(text.value, props.quantity, props.range, unit.value);
  question.value = '';
  if (parsed.ok) take(parsed.value);
}

/** The field is left: the run of readings goes on in its unit, and a bare number of another unit than the job's says its own. */
function leave(): void {
  if (refusal.value || text.value.trim() === '' || props.quantity !== 'length') return;
  const read = attempt(() => parseLength(text.value, unit.value));
  if (!read.ok) return;
  if (props.measured) units.goOn('vehicle', read.value.unit);
  if (!read.value.stated && unit.value !== units.unit) text.value = keptText(text.value, props.quantity, unit.value);
}

function move(direction: 1 | -1): void {
  const { min, max } = props.range;
  const next = Math.min(max, Math.max(min, (props.value ?? props.from) + direction * props.step));
  emit('change', Math.round(next * 1000) / 1000, undefined);
}

const unitShown = computed(() => (props.quantity === 'degrees' ? '°' : unit.value));
const message = computed(() => refusal.value || question.value || props.problem);
const hint = computed(() =>
  props.starting || question.value ? '' : otherUnitText(props.value, text.value, props.quantity, unit.value),
);
/** Letters of a number and of the same in the other unit that a narrow field has room for, as they usually stand. */
const MOST_BESIDE = 15;
const isTight = computed(() => text.value.length + hint.value.length > MOST_BESIDE);
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
      :suffix="bareNumber && text ? unitShown : undefined"
      inputmode="text"
      autocomplete="off"
      class="figures"
      :class="{ starting, tight: isTight }"
      :placeholder="starting ? standingText(value, quantity, unit) : undefined"
      :persistent-placeholder="starting"
      :messages="starting ? 'starting value, not measured' : []"
      @focus="began"
      @blur="leave"
      @update:model-value="typeText"
    >
      <!-- Nothing is ever loaded into a field, and the bar for it measures the page once a field. -->
      <template #loader />
      <template v-if="hint" #append-inner
        ><span class="other">{{ isTight ? '' : '= ' }}{{ hint }}</span></template
      >
      <template v-if="question" #append
        ><v-btn variant="outlined" height="48" @click="insist">It is so</v-btn></template
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

<style scoped src="./starting.css"></style>
<style scoped>
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
.tight .other {
  font-size: 14px;
}
.quantity .tight :deep(.v-field__input) {
  font-size: 16px;
}
.quantity :deep(.v-text-field__suffix) {
  font-size: 15px;
  opacity: 1;
  padding-inline: 3px 6px;
}
</style>
