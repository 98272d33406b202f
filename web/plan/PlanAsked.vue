<script setup lang="ts">
import { mdiClipboardCheckOutline, mdiStop } from '@mdi/js';
import { computed } from 'vue';
import type { PlanEntry } from '@/contracts/plan';
import { problemText } from '../problem-words';
import { STANDARDS, type StandardId } from '@/core/4-clearance/case/standard';
import { LIMITS, type Range } from '@/core/1-base/limits';
import { MODIFICATION_RULES, MODIFICATIONS, permits, type Modification } from '@/core/6-decisions/plan/modification';
import { AXLE_CHANGE_KEYS, type AxleChanges } from '@/core/6-decisions/plan/setup-changes';
import type { Axle } from '@/core/2-vehicle/setup/corner-key';
import type { Problem } from '@/core/1-base/problem';
import { MODIFICATION_WORDS } from '@/sheets/plan-words';
import { bothUnitsOf, readLengths, readNumbers, writeLengths, writeList } from '../kit/read-lists';
import { useUnits } from '../stores/units';
import QuantityField from '../kit/QuantityField.vue';
import TypedField from '../kit/TypedField.vue';
import { STANDARD_NAMES } from '../words';
import ShopAsked from './ShopAsked.vue';
import type { PlanEdit } from './use-plan-entry';

/** What a plan may consist of: what may be done to things, what is tried at each axle, and what the shop charges. */
const props = defineProps<{
  plan: PlanEntry;
  standard: StandardId;
  axles: readonly Axle[];
  problems: readonly Problem[];
  running: boolean;
  share: number;
}>();
const emit = defineEmits<{ change: [edit: PlanEdit]; search: []; stop: [] }>();

/** A crash bracket is a decision of its own, asked for elsewhere. */
const ofThings = MODIFICATIONS.filter((kind) => MODIFICATION_RULES[kind].on === 'obstacle' && kind !== 'crashBracket');
const taken = ofThings.filter((kind) => MODIFICATION_RULES[kind].most === null);
const measured = ofThings.filter((kind) => MODIFICATION_RULES[kind].most !== null);

const forbidden = computed(() =>
  ofThings.filter((kind) => props.plan.allowed[kind] !== undefined && !permits(STANDARDS[props.standard], kind)),
);
const rangeOf = (kind: Modification): Range => ({ min: 0, max: MODIFICATION_RULES[kind].most ?? 0, unit: 'mm' });

function allow(kind: Modification, most: number | undefined): void {
  emit('change', (plan) => {
    if (most === undefined) delete plan.allowed[kind];
    else plan.allowed[kind] = most;
  });
}

const units = useUnits();
const TRIED = computed<Readonly<Record<keyof AxleChanges, string>>>(() => ({
  bumpStopMm: `Bump stop longer, ${units.unit}`,
  steeringStopDeg: 'Less lock, °',
  spacerMm: `Spacer, ${units.unit}`,
  otherWheelMm: 'Other wheel, mm of offset',
  armAdjustDeg: 'Caster by the arms, °',
  axleMoveMm: `Axle forward, ${units.unit}`,
  liftMm: `Lift on the spring, ${units.unit}`,
}));
const READ = computed<Readonly<Record<keyof AxleChanges, ReturnType<typeof readLengths>>>>(() => ({
  bumpStopMm: readLengths(LIMITS.bumpStopMm, units.unit),
  steeringStopDeg: readNumbers(LIMITS.lockDeg),
  spacerMm: readLengths(LIMITS.spacerMm, units.unit),
  otherWheelMm: readLengths(LIMITS.shiftMm, 'mm'),
  armAdjustDeg: readNumbers(LIMITS.casterDeg),
  axleMoveMm: readLengths(LIMITS.shiftMm, units.unit),
  liftMm: readLengths(LIMITS.suspensionLiftMm, units.unit),
}));
const readBodyLifts = computed(() => readLengths(LIMITS.bodyLiftMm, units.unit));
const WRITE = computed<Readonly<Record<keyof AxleChanges, (values: readonly number[]) => string>>>(() => {
  const write = writeLengths(units.unit);
  return {
    bumpStopMm: write,
    steeringStopDeg: writeList,
    spacerMm: write,
    otherWheelMm: writeList,
    armAdjustDeg: writeList,
    axleMoveMm: write,
    liftMm: write,
  };
});
/** A rear axle does not steer here. */
const keysOf = (axle: Axle): readonly (keyof AxleChanges)[] =>
  AXLE_CHANGE_KEYS.filter((key) => axle === 'front' || (key !== 'steeringStopDeg' && key !== 'armAdjustDeg'));

function tryAt(axle: Axle, key: keyof AxleChanges, values: number[] | undefined): void {
  emit('change', (plan) => {
    if (values?.length) plan.tried[axle][key] = values;
    else delete plan.tried[axle][key];
  });
}

const allowedLine = computed(() => {
  const count = Object.keys(props.plan.allowed).length;
  return count ? `${count} kinds of change` : 'nothing';
});
const triedLine = (axle: Axle): string => {
  const count = Object.values(props.plan.tried[axle]).filter((values) => values?.length).length;
  return count ? `${count} kind${count === 1 ? '' : 's'} tried` : 'nothing tried';
};
</script>

<template>
  <form class="panel box close" aria-label="What may be done" @submit.prevent="emit('search')">
    <div v-if="problems.length" class="verdict-rubs small" role="alert" data-testid="plan-problems">
      <p v-for="p in problems" :key="p.path + p.code">{{ problemText(p) }}</p>
    </div>
    <div class="row">
      <v-btn v-if="running" height="48" variant="outlined" :prepend-icon="mdiStop" @click="emit('stop')">Stop</v-btn>
      <v-btn v-else type="submit" height="48" color="primary" :prepend-icon="mdiClipboardCheckOutline"
        >Find plans</v-btn
      >
      <v-progress-linear
        v-if="running"
        :model-value="100 * share"
        height="8"
        rounded
        color="primary"
        aria-label="Looking through the settings"
      />
    </div>
    <details open>
      <summary>
        <strong>May be done to parts near the tire</strong> <span class="muted">{{ allowedLine }}</span>
      </summary>
      <div class="asked">
        <div class="pair">
          <v-checkbox
            v-for="kind in taken"
            :key="kind"
            :model-value="plan.allowed[kind] !== undefined"
            :label="MODIFICATION_WORDS[kind]"
            hide-details
            density="compact"
            @update:model-value="(on: boolean | null) => allow(kind, on ? 0 : undefined)"
          />
        </div>
        <div class="pair">
          <QuantityField
            v-for="kind in measured"
            :key="kind"
            :label="`${MODIFICATION_WORDS[kind]}, most`"
            :value="plan.allowed[kind]"
            :range="rangeOf(kind)"
            optional
            @change="(mm) => allow(kind, mm)"
          />
        </div>
        <p v-if="forbidden.length" class="small verdict-close" role="note">
          By “{{ STANDARD_NAMES[standard] }}” these are not used:
          {{ forbidden.map((kind) => MODIFICATION_WORDS[kind].toLowerCase()).join(', ') }}.
        </p>
        <p class="small muted">
          Empty: not allowed. Never offered: control arms, knuckles, frame rails, brakes, restraint and crash structure.
        </p>
      </div>
    </details>
    <details v-for="axle in axles" :key="axle">
      <summary>
        <strong>Tried at the {{ axle }} axle</strong> <span class="muted">{{ triedLine(axle) }}</span>
      </summary>
      <div class="asked">
        <div class="pair">
          <TypedField
            v-for="key in keysOf(axle)"
            :key="key"
            :label="TRIED[key]"
            :value="plan.tried[axle][key]"
            :read="READ[key]"
            :write="WRITE[key]"
            :echo="key.endsWith('Mm') ? bothUnitsOf : () => ''"
            optional
            @change="(values) => tryAt(axle, key, values)"
          />
          <TypedField
            v-if="axle === axles[0]"
            :label="`Body lift (whole), ${units.unit}`"
            :value="plan.bodyLiftsMm.length ? plan.bodyLiftsMm : undefined"
            :read="readBodyLifts"
            :write="writeLengths(units.unit)"
            :echo="bothUnitsOf"
            optional
            @change="(values) => emit('change', (next) => (next.bodyLiftsMm = values ?? []))"
          />
        </div>
        <p class="small muted">Amounts apart by “;”. None is always tried too.</p>
      </div>
    </details>
    <v-checkbox
      density="comfortable"
      hide-details
      label="Both sides of an axle alike: what is cut on one is cut on the other"
      :model-value="plan.sides !== 'each'"
      @update:model-value="(on) => emit('change', (next) => (next.sides = on ? 'both' : 'each'))"
    />
    <ShopAsked :shop="plan.shop" @change="(edit) => emit('change', ({ shop }) => edit(shop))" />
  </form>
</template>

<style scoped src="../kit/asked.css"></style>
<style scoped src="../kit/folded.css"></style>
