<script setup lang="ts">
import { computed } from 'vue';
import type { AllowedChange } from './starting-plan';
import { MODIFICATION_RULES } from '@/core/6-decisions/plan/modification';
import { LIMITS, type Range } from '@/core/1-base/limits';
import type { ChosenPlan } from '@/core/6-decisions/plan/judge-plan';
import { AXLE_CHANGE_KEYS, KIND_OF, type AxleChanges } from '@/core/6-decisions/plan/setup-changes';
import type { Axle } from '@/core/2-vehicle/setup/corner-key';
import { inDegrees, MODIFICATION_WORDS } from '@/sheets/plan-words';
import QuantityField from '../kit/QuantityField.vue';

/** The plan's changes of each axle and of the body, by hand. */
const props = defineProps<{
  changes: ChosenPlan['changes'];
  axles: readonly Axle[];
  /** What the customer lets be done; absent: nobody asked. */
  allowed?: readonly AllowedChange[] | undefined;
}>();
const emit = defineEmits<{ axle: [axle: Axle, key: keyof AxleChanges, amount: number]; body: [mm: number] }>();

const RANGES: Readonly<Record<keyof AxleChanges, Range>> = {
  bumpStopMm: LIMITS.bumpStopMm,
  steeringStopDeg: LIMITS.lockDeg,
  spacerMm: LIMITS.spacerMm,
  otherWheelMm: LIMITS.shiftMm,
  armAdjustDeg: LIMITS.casterDeg,
  axleMoveMm: LIMITS.shiftMm,
  liftMm: LIMITS.suspensionLiftMm,
};
/** Shorter than elsewhere, with the sense of the sign. */
const OWN_WORDS: Partial<Record<keyof AxleChanges, string>> = {
  otherWheelMm: 'Other offset, + more',
  armAdjustDeg: 'Arms, + more caster',
  axleMoveMm: 'Axle, + forward',
};
/** What the intake calls a change of the setup; the others need no leave of their own. */
const ASKED_AS: Partial<Record<keyof AxleChanges, AllowedChange>> = {
  bumpStopMm: 'bumpStop',
  steeringStopDeg: 'steeringStop',
  liftMm: 'lift',
};
/** What speaks against an amount that was typed. */
function problemOf(key: keyof AxleChanges, amount: number): string {
  if (amount === 0) return '';
  const asked = ASKED_AS[key];
  if (asked && props.allowed && !props.allowed.includes(asked)) return NOT_ALLOWED;
  const most = MODIFICATION_RULES[KIND_OF[key]].most ?? Infinity;
  const unit = inDegrees(KIND_OF[key]) ? '°' : ' mm';
  return Math.abs(amount) > most ? `More than the ${most}${unit} that are usually had of it.` : '';
}
const NOT_ALLOWED = 'Not among what the customer allows: ask, and note it in the intake.';
const bodyProblem = computed(() =>
  props.changes.bodyLiftMm !== 0 && props.allowed && !props.allowed.includes('lift') ? NOT_ALLOWED : '',
);
const keysOf = (axle: Axle): readonly (keyof AxleChanges)[] =>
  AXLE_CHANGE_KEYS.filter((key) => axle === 'front' || (key !== 'steeringStopDeg' && key !== 'armAdjustDeg'));
</script>

<template>
  <div class="changes">
    <fieldset v-for="axle in axles" :key="axle">
      <legend>{{ axle === 'front' ? 'Front axle' : 'Rear axle' }}</legend>
      <QuantityField
        v-for="key in keysOf(axle)"
        :key="key"
        :label="OWN_WORDS[key] ?? MODIFICATION_WORDS[KIND_OF[key]]"
        :value="changes[axle][key]"
        :range="RANGES[key]"
        :quantity="inDegrees(KIND_OF[key]) ? 'degrees' : 'length'"
        :problem="problemOf(key, changes[axle][key]) || undefined"
        @change="(amount) => emit('axle', axle, key, amount ?? 0)"
      />
      <QuantityField
        v-if="axle === axles[0]"
        label="Body lift (whole)"
        :value="changes.bodyLiftMm"
        :problem="bodyProblem || undefined"
        :range="LIMITS.bodyLiftMm"
        @change="(mm) => emit('body', mm ?? 0)"
      />
    </fieldset>
  </div>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(178px, 1fr));
  gap: 10px;
}
legend {
  font-weight: 600;
  padding: 4px 0 8px;
}
</style>
