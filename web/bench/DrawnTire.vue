<script setup lang="ts">
import { computed } from 'vue';
import type { LowgapSetup } from '@/contracts/lowgap-file';
import { nearestSizes } from '@/core/2-vehicle/tire/nearest-sizes';
import { formatMm } from '@/core/1-base/units/length';
import { attempt } from '@/core/1-base/problem';
import { tireSection } from '@/core/2-vehicle/tire/section';

/** A tire pulled to another diameter or width than its size says: what sizes in use come near it. */
const props = defineProps<{ setup: LowgapSetup }>();
const emit = defineEmits<{ edit: [change: (setup: LowgapSetup) => void] }>();

const drawn = computed(() => {
  const { tire, wheel } = props.setup;
  if (tire.measuredDiameterMm === undefined && tire.measuredWidthMm === undefined) return null;
  const section = attempt(() => tireSection(tire, wheel.widthIn));
  if (!section.ok) return null;
  const { diameterMm, widthMm } = section.value;
  return { diameterMm, widthMm, near: nearestSizes(wheel.diameterIn, wheel.widthIn, diameterMm, widthMm, 3) };
});

function take(size: string): void {
  emit('edit', (setup) => (setup.tire = { size }));
}
</script>

<template>
  <div v-if="drawn" class="drawn" data-testid="drawn-tire">
    <p>
      Taken as {{ formatMm(drawn.diameterMm, 0) }} x {{ formatMm(drawn.widthMm, 0) }} mm, not as
      {{ setup.tire.size }} says.
    </p>
    <button v-for="one in drawn.near" :key="one.size" type="button" class="near" @click="take(one.size)">
      <strong class="figures">{{ one.size }}</strong>
      <span class="muted">{{ formatMm(one.diameterMm, 0) }} x {{ formatMm(one.widthMm, 0) }} mm</span>
    </button>
    <v-btn height="48" variant="text" @click="take(setup.tire.size)">Back to {{ setup.tire.size }}</v-btn>
  </div>
</template>

<style scoped>
.drawn {
  display: grid;
  gap: 4px;
  border-left: 4px solid var(--accent);
  padding-left: 8px;
  font-size: 14px;
  line-height: 18px;
}
.near:not(.v-btn) {
  min-height: 48px;
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  padding: 0 8px;
}
.near strong {
  font-size: 16px;
}
</style>
