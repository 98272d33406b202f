<script setup lang="ts">
import { computed } from 'vue';

/** A posture as a small wheel: turned as seen from above (front of the vehicle up), lifted between its stops. */
const props = defineProps<{
  /** + = vehicle left. */
  steerDeg: number;
  travelMm: number;
  lowestMm: number;
  highestMm: number;
  size?: number;
}>();

const lift = computed(() => {
  const span = props.highestMm - props.lowestMm;
  return span > 0 ? 30 - (24 * (props.travelMm - props.lowestMm)) / span : 18;
});
</script>

<template>
  <svg :width="(size ?? 44) * 1.5" :height="size ?? 44" viewBox="0 0 60 40" aria-hidden="true" class="glyph">
    <g :transform="`rotate(${-steerDeg} 20 20)`">
      <rect x="13" y="5" width="14" height="30" rx="5" class="tire" />
      <path d="M20 9v-6" class="axis" />
    </g>
    <path d="M46 6v24M42 6h8M42 30h8" class="rail" />
    <circle cx="46" :cy="lift" r="5.5" class="tire" />
  </svg>
</template>

<style scoped>
.glyph {
  flex: none;
}
.tire {
  fill: var(--ink);
}
.axis,
.rail {
  stroke: var(--muted);
  stroke-width: 2.5;
  fill: none;
}
</style>
