<script setup lang="ts">
import { computed } from 'vue';
import type { Conditions } from '@/contracts/job-record';
import { useJobStore } from '../stores/job';

/** How the vehicle stood: without it a height cannot be compared with the next one. */
const job = useJobStore();
const conditions = computed<Conditions>(() => job.document?.conditions ?? {});

function set<K extends keyof Conditions>(field: K, value: Conditions[K] | null): void {
  job.change((file) => {
    const { [field]: _old, ...rest } = file.conditions ?? {};
    file.conditions = value === null || value === undefined || value === '' ? rest : { ...rest, [field]: value };
  });
}

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
  <section class="panel conditions" aria-labelledby="conditions-title">
    <h2 id="conditions-title" class="panel-title">How it stood</h2>
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
  </section>
</template>

<style scoped>
.conditions {
  padding: 14px;
  display: grid;
  gap: 10px;
  break-inside: avoid;
  margin-bottom: 14px;
}
</style>
