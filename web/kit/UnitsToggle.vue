<script setup lang="ts">
import { LENGTH_UNITS, type LengthUnit } from '@/core/1-base/units/length';

/** What a bare number is in. */
defineProps<{ units: LengthUnit }>();
const emit = defineEmits<{ choose: [units: LengthUnit] }>();
const WORDS: Readonly<Record<LengthUnit, string>> = {
  in: 'Inches, psi, lb ft',
  mm: 'Millimeters, kPa, N m',
};
</script>

<template>
  <div class="stack close">
    <span class="small muted">A number without a unit is in</span>
    <v-btn-toggle
      :model-value="units"
      mandatory
      class="both"
      aria-label="Units worked in"
      @update:model-value="(unit: LengthUnit) => emit('choose', unit)"
    >
      <v-btn v-for="unit in LENGTH_UNITS" :key="unit" :value="unit" height="48">{{ WORDS[unit] }}</v-btn>
    </v-btn-toggle>
  </div>
</template>

<style scoped>
/* One beneath the other where they do not stand side by side. */
.both {
  flex-wrap: wrap;
  height: auto;
}
</style>
