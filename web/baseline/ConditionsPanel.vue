<script setup lang="ts">
import { computed } from 'vue';
import type { Conditions, Underbody } from '@/contracts/job-record';
import { LIMITS } from '@/core/1-base/limits';
import FoldedPanel from '../kit/FoldedPanel.vue';
import QuantityField from '../kit/QuantityField.vue';
import { useJobStore } from '../stores/job';
import { bothUnits } from '../../core/1-base/units/length';

/** How the vehicle stood: without it a height cannot be compared with the next one. */
const job = useJobStore();
const conditions = computed<Conditions>(() => job.document?.conditions ?? {});

function set<K extends keyof Conditions>(field: K, value: Conditions[K] | null): void {
  job.change((file) => {
    const { [field]: _old, ...rest } = file.conditions ?? {};
    file.conditions = value === null || value === undefined || value === '' ? rest : { ...rest, [field]: value };
  });
}

const underbody = computed<Underbody>(() => job.document?.underbody ?? {});
const SLIP = [
  { field: 'slipJointEngagedMm', label: 'Engaged now, by a mark on the shaft' },
  { field: 'slipJointLeastMm', label: 'The least its maker wants' },
] as const;

function setSlip(field: (typeof SLIP)[number]['field'], value: number | undefined, typed: string | undefined): void {
  job.change((file) => {
    const { [field]: _old, typed: texts, ...rest } = file.underbody ?? {};
    const { [field]: _text, ...kept } = texts ?? {};
    file.underbody = {
      ...rest,
      ...(value === undefined ? {} : { [field]: value }),
      typed: typed === undefined ? kept : { ...kept, [field]: typed },
    };
  });
}

const slipShort = computed(() => {
  const { slipJointEngagedMm: now, slipJointLeastMm: least } = underbody.value;
  return now !== undefined && least !== undefined && now < least
    ? `Engaged by ${bothUnits(now)} only; ${bothUnits(least)} is wanted before anything is changed.`
    : '';
});

const LOADS = [
  { value: 'empty', title: 'Empty' },
  { value: 'normal', title: 'As driven' },
  { value: 'loaded', title: 'Loaded' },
] as const;
const FUEL = [0, 0.25, 0.5, 0.75, 1].map((value) => ({
  value,
  title: ['Nearly empty', 'A quarter', 'Half', 'Three quarters', 'Full'][value * 4]!,
}));
</script>

<template>
  <FoldedPanel title="How it stood" says="load, fuel, level ground, slip joint">
    <v-select
      label="Load"
      :items="LOADS"
      :model-value="conditions.load ?? null"
      clearable
      @update:model-value="(v: Conditions['load'] | null) => set('load', v)"
    />
    <v-select
      label="Fuel"
      :items="FUEL"
      :model-value="conditions.fuelShare ?? null"
      clearable
      @update:model-value="(v: number | null) => set('fuelShare', v)"
    />
    <v-text-field
      label="What is on board"
      placeholder="plow mount, tools, nothing"
      maxlength="300"
      :model-value="conditions.cargo ?? ''"
      @update:model-value="(v: string) => set('cargo', v)"
    />
    <v-checkbox
      label="On level ground"
      hide-details
      density="compact"
      :model-value="conditions.levelGround ?? false"
      @update:model-value="(v: boolean | null) => set('levelGround', v || null)"
    />
    <v-checkbox
      label="Rolled and bounced before reading"
      hide-details
      density="compact"
      :model-value="conditions.rolledAndBounced ?? false"
      @update:model-value="(v: boolean | null) => set('rolledAndBounced', v || null)"
    />
    <h3>Driveshaft slip joint</h3>
    <QuantityField
      v-for="slip in SLIP"
      :key="slip.field"
      optional
      :label="slip.label"
      :value="underbody[slip.field]"
      :typed="underbody.typed?.[slip.field]"
      :range="LIMITS.underbodyMm"
      @change="(value, typed) => setSlip(slip.field, value, typed)"
    />
    <p v-if="slipShort" class="verdict-rubs">{{ slipShort }}</p>
  </FoldedPanel>
</template>
