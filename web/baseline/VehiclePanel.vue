<script setup lang="ts">
import { computed } from 'vue';
import { LIMITS } from '@/core/1-base/limits';
import FoldedPanel from '../kit/FoldedPanel.vue';
import QuantityField from '../kit/QuantityField.vue';
import { useJobStore } from '../stores/job';

/** Lengths of the vehicle as a whole: turning circle, rake, breakover and the outer lock go by them. */
const job = useJobStore();

const FIELDS = [
  { field: 'wheelbaseMm', label: 'Wheelbase, hub to hub', range: LIMITS.wheelbaseMm },
  { field: 'trackFrontMm', label: 'Front track, tire middle to tire middle', range: LIMITS.trackMm },
  { field: 'trackRearMm', label: 'Rear track', range: LIMITS.trackMm },
] as const;

const says = computed(() => {
  const entered = FIELDS.filter(({ field }) => job.document?.vehicle[field] !== undefined).length;
  return `wheelbase and tracks: ${entered} of ${FIELDS.length} entered`;
});

function set(field: (typeof FIELDS)[number]['field'], value: number | undefined): void {
  job.change((file) => {
    if (value === undefined) delete file.vehicle[field];
    else file.vehicle[field] = value;
  });
}
</script>

<template>
  <FoldedPanel title="The vehicle as a whole" :says="says">
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
  </FoldedPanel>
</template>
