<script setup lang="ts">
import { mdiMinus, mdiPlus } from '@mdi/js';
import { computed, ref, watch } from 'vue';
import { LIMITS } from '@/core/1-base/limits';
import { tireShapeFields } from '@/contracts/catalogue';
import { fieldText } from '@/contracts/problems';
import type { LowgapFitted } from '@/contracts/lowgap-file';
import { attempt } from '@/core/1-base/problem';
import { parseTireSize } from '@/core/2-vehicle/tire/size';
import { nextSize } from '@/core/2-vehicle/tire/nearest-sizes';
import { underPrint } from '@/core/2-vehicle/tire/tire-shape';
import { tireSection } from '@/core/2-vehicle/tire/section';
import { formatMm, mmToIn } from '@/core/1-base/units/length';
import { backspacingFromOffset, wheelOffsetMm, type BackspacingSchool } from '@/core/2-vehicle/wheel/rim';
import QuantityField from './QuantityField.vue';
import TireShapeFields from './TireShapeFields.vue';
import WheelInsideFields from './WheelInsideFields.vue';

type Fitment = Pick<LowgapFitted, 'tire' | 'wheel' | 'spacerMm' | 'typed'>;

/** Tire, wheel and spacer: what is fitted, or what is being tried. */
const props = defineProps<{
  fitment: Fitment;
  /** What the engine says about a field below this fitment, by the field's path in it. */
  problemAt: (path: string) => string | undefined;
  /** It is fitted: what the tape said of it stays when its size is corrected. */
  measured?: boolean;
  /** Step keys on the numbers. */
  steps?: boolean;
}>();

const emit = defineEmits<{ edit: [change: (fitment: Fitment) => void] }>();

const sizeText = ref('');
const sizeRefusal = ref('');
watch(
  () => props.fitment.tire.size,
  (size) => {
    if (sizeText.value.trim() !== size) {
      sizeText.value = size;
      sizeRefusal.value = '';
    }
  },
  { immediate: true },
);

function typeSize(entered: string | null): void {
  sizeText.value = entered ?? '';
  const parsed = attempt(() => parseTireSize(sizeText.value));
  sizeRefusal.value = parsed.ok ? '' : parsed.problems.map(fieldText).join(' ');
  if (!parsed.ok || parsed.value.text === props.fitment.tire.size) return;
  emit('edit', (fitment) => {
    // Another tire was measured, not this one; of the fitted one only the size was read wrong.
    const { kind } = fitment.tire;
    const said = props.measured ? fitment.tire : kind === undefined ? {} : { kind };
    fitment.tire = { ...said, size: parsed.value.text };
    if (props.measured) fitment.tire = underPrint(fitment.tire);
    else fitment.typed = withoutTire(fitment.typed);
  });
}

const TIRE_FIELDS = Object.keys(tireShapeFields);
const withoutTire = (typed: Fitment['typed']): Fitment['typed'] =>
  Object.fromEntries(Object.entries(typed ?? {}).filter(([field]) => !TIRE_FIELDS.includes(field)));

const sizeMessage = computed(() => sizeRefusal.value || props.problemAt('tire.size') || props.problemAt('tire') || '');

const section = computed(() => attempt(() => tireSection(props.fitment.tire, props.fitment.wheel.widthIn)));
const sizeHint = computed(() => {
  if (!section.value.ok) return '';
  const { diameterMm, widthMm, size } = section.value.value;
  const guess = size.heightIsEstimated && props.fitment.tire.measuredDiameterMm === undefined;
  return (
    `${formatMm(mmToIn(diameterMm), 1)} x ${formatMm(mmToIn(widthMm), 1)} in on this rim ` +
    `(${formatMm(diameterMm, 0)} x ${formatMm(widthMm, 0)} mm)${guess ? '; height estimated: measure it' : ''}`
  );
});

const stepTo = (direction: 1 | -1): string | null => {
  if (!section.value.ok) return null;
  const { diameterMm, widthMm } = section.value.value;
  const { diameterIn, widthIn } = props.fitment.wheel;
  return nextSize(diameterIn, widthIn, diameterMm, widthMm, direction)?.size ?? null;
};
function stepSize(direction: 1 | -1): void {
  const next = stepTo(direction);
  if (next) typeSize(next);
}

const school = ref<BackspacingSchool>(props.fitment.wheel.backspacingSchool ?? 'lipToPad');
const offset = computed(() => attempt(() => wheelOffsetMm(props.fitment.wheel)));
const shownOffset = computed(() => (offset.value.ok ? round(offset.value.value) : undefined));
const shownBackspacing = computed(() => {
  const { wheel } = props.fitment;
  if (wheel.backspacingMm !== undefined && (wheel.backspacingSchool ?? 'lipToPad') === school.value)
    return wheel.backspacingMm;
  return offset.value.ok ? round(backspacingFromOffset(wheel.widthIn, offset.value.value, school.value)) : undefined;
});
const round = (value: number): number => Math.round(value * 1000) / 1000;

type TypedField = 'diameterIn' | 'widthIn' | 'offsetMm' | 'backspacingMm' | 'spacerMm';

function keepTyped(fitment: Fitment, field: TypedField, typed: string | undefined): void {
  const { [field]: _old, ...rest } = fitment.typed ?? {};
  fitment.typed = typed === undefined ? rest : { ...rest, [field]: typed };
}

function setWheel(field: 'diameterIn' | 'widthIn', value: number | undefined, typed: string | undefined): void {
  if (value === undefined) return;
  emit('edit', (fitment) => {
    const { insideDiameterMm: _in, dropCentreInsideMm: _drop, spokeBack: _back, ...another } = fitment.wheel;
    // Another wheel was measured inside, not this one; of the fitted one only its size was read wrong.
    fitment.wheel = { ...(props.measured ? fitment.wheel : another), [field]: value };
    keepTyped(fitment, field, typed);
  });
}

function setOffset(value: number | undefined, typed: string | undefined): void {
  if (value === undefined) return;
  emit('edit', (fitment) => {
    const { backspacingMm: _, backspacingSchool: __, ...wheel } = fitment.wheel;
    fitment.wheel = { ...wheel, offsetMm: value };
    keepTyped(fitment, 'backspacingMm', undefined);
    keepTyped(fitment, 'offsetMm', typed);
  });
}

function setBackspacing(value: number | undefined, typed: string | undefined): void {
  if (value === undefined) return;
  emit('edit', (fitment) => {
    const { offsetMm: _, ...wheel } = fitment.wheel;
    fitment.wheel = { ...wheel, backspacingMm: value, backspacingSchool: school.value };
    keepTyped(fitment, 'offsetMm', undefined);
    keepTyped(fitment, 'backspacingMm', typed);
  });
}

function setSpacer(value: number | undefined, typed: string | undefined): void {
  if (value === undefined) return;
  emit('edit', (fitment) => {
    fitment.spacerMm = value;
    keepTyped(fitment, 'spacerMm', typed);
  });
}
</script>

<template>
  <div class="fitment">
    <div class="size-row">
      <v-btn
        v-if="steps"
        class="step"
        :icon="mdiMinus"
        size="48"
        variant="outlined"
        aria-label="Tire size: next lower"
        title="Next lower size of about this width"
        :disabled="!stepTo(-1)"
        @click="stepSize(-1)"
      />
      <v-text-field
        :model-value="sizeText"
        label="Tire size"
        :error-messages="sizeMessage ? [sizeMessage] : []"
        autocomplete="off"
        spellcheck="false"
        class="size figures"
        data-testid="tire-size"
        @update:model-value="typeSize"
      >
        <template #loader />
      </v-text-field>
      <v-btn
        v-if="steps"
        class="step"
        :icon="mdiPlus"
        size="48"
        variant="outlined"
        aria-label="Tire size: next taller"
        title="Next taller size of about this width"
        :disabled="!stepTo(1)"
        @click="stepSize(1)"
      />
    </div>
    <p v-if="sizeHint" class="hint muted">{{ sizeHint }}</p>
    <slot name="below-size" />
    <TireShapeFields
      :measured="measured ?? false"
      :fitment="fitment"
      :problem-at="problemAt"
      @edit="(change) => emit('edit', change)"
    />
    <div class="pair">
      <QuantityField
        label="Rim diameter"
        quantity="inches"
        :value="fitment.wheel.diameterIn"
        :typed="fitment.typed?.['diameterIn']"
        :range="LIMITS.rimDiameterIn"
        :problem="problemAt('wheel.diameterIn')"
        @change="(v, t) => setWheel('diameterIn', v, t)"
      />
      <QuantityField
        label="Rim width"
        quantity="inches"
        :value="fitment.wheel.widthIn"
        :typed="fitment.typed?.['widthIn']"
        :range="LIMITS.rimWidthIn"
        :problem="problemAt('wheel.widthIn')"
        @change="(v, t) => setWheel('widthIn', v, t)"
      />
    </div>
    <QuantityField
      label="Offset"
      quantity="offset"
      :value="shownOffset"
      :typed="fitment.typed?.['offsetMm']"
      :range="LIMITS.offsetMm"
      :step="steps ? 1 : 0"
      :problem="problemAt('wheel.offsetMm')"
      @change="setOffset"
    />
    <QuantityField
      label="Backspacing"
      :value="shownBackspacing"
      :typed="fitment.typed?.['backspacingMm']"
      :range="LIMITS.backspacingMm"
      :step="steps ? 1 : 0"
      :problem="problemAt('wheel.backspacingMm')"
      @change="setBackspacing"
    />
    <v-btn-toggle v-model="school" class="school" aria-label="How backspacing is taken">
      <v-btn value="lipToPad" size="small">lip to pad</v-btn>
      <v-btn value="nominal" size="small">half the width</v-btn>
    </v-btn-toggle>
    <QuantityField
      label="Spacer"
      :value="fitment.spacerMm"
      :typed="fitment.typed?.['spacerMm']"
      :range="LIMITS.spacerMm"
      :step="steps ? 1 : 0"
      @change="setSpacer"
    />
    <WheelInsideFields :fitment="fitment" @edit="(change) => emit('edit', change)" />
  </div>
</template>

<style scoped>
.fitment {
  display: grid;
  gap: 10px;
}
.hint {
  font-size: 14px;
  line-height: 18px;
  margin-top: -6px;
}
.size-row {
  display: flex;
  gap: 4px;
  align-items: flex-start;
}
.step {
  flex: none;
  border-color: var(--rule);
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
.school {
  margin-top: -6px;
  width: 100%;
  height: 48px;
}
.school .v-btn {
  flex: 1;
  height: 48px;
  padding: 0 4px;
}
.size :deep(.v-field__input) {
  font-size: 20px;
  font-weight: 600;
  font-family: var(--figures);
}
</style>
