<script setup lang="ts">
import { computed } from 'vue';
import type { VehicleKind } from '@/core/2-vehicle/setup/vehicle-kind';
import { bodyPath, glassPath, postsPath, shapeBox, VEHICLE_SHAPES } from '../drawing/vehicle-shapes';

/** An invented vehicle of a kind from the side, front to the right. */
const props = defineProps<{ kind: VehicleKind }>();
const shape = computed(() => VEHICLE_SHAPES[props.kind]);
const hubs = computed(() => [0, shape.value.wheelbaseMm]);
</script>

<template>
  <svg :viewBox="shapeBox(shape).join(' ')" class="silhouette" aria-hidden="true">
    <path :d="bodyPath(shape)" class="body" />
    <path :d="glassPath(shape)" class="glass" />
    <path :d="postsPath(shape)" class="body" />
    <g v-for="x in hubs" :key="x">
      <circle :cx="x" :cy="-shape.tireRadiusMm" :r="shape.tireRadiusMm" class="tire" />
      <circle :cx="x" :cy="-shape.tireRadiusMm" :r="shape.tireRadiusMm * 0.55" class="rim" />
    </g>
  </svg>
</template>

<style scoped>
.silhouette {
  display: block;
}
.body {
  fill: var(--ghost);
}
.glass,
.rim {
  fill: var(--paper);
}
.tire {
  fill: var(--ink);
}
</style>
