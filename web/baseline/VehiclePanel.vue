<script setup lang="ts">
import { LIMITS } from '@/core/1-base/limits';
import QuantityField from '../kit/QuantityField.vue';
import { useJobStore } from '../stores/job';

/** Lengths of the vehicle as a whole: turning circle, rake, breakover and the outer lock go by them. */
const job = useJobStore();

const FIELDS = [
  { field: 'wheelbaseMm', label: 'Wheelbase, hub to hub', range: LIMITS.wheelbaseMm },
  { field: 'trackFrontMm', label: 'Front track, tire middle to tire middle', range: LIMITS.trackMm },
  { field: 'trackRearMm', label: 'Rear track', range: LIMITS.trackMm },
] as const;

function set(field: (typeof FIELDS)[number]['field'], value: number | undefined): void {
  job.change((file) => {
    if (value === undefined) delete file.vehicle[field];
    else file.vehicle[field] = value;
  });
}
</script>

<template>
  <section class="panel leaf group" aria-labelledby="vehicle-title">
    <h2 id="vehicle-title" class="panel-title">The vehicle as a whole</h2>
    <QuantityField
      v-for="{ field, label, range } in FIELDS"
      :key="field"
      :label="label"
      :value="job.document?.vehicle[field]"
      :range="range"
      optional
      measured
      @change="(value) => set(field, value)"
    />
  </section>
</template>
