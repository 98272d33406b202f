<script setup lang="ts">
import { computed } from 'vue';
import type { VehicleKind } from '@/core/2-vehicle/setup/vehicle-kind';
import { bodyPath, glassPath, postsPath, shapeBox, VEHICLE_SHAPES } from '../drawing/vehicle-shapes';

/** Where both heights are taken on a vehicle of this kind: the fields stand beside their dimension lines. Front to the right. */
const props = defineProps<{ kind: VehicleKind }>();

/** mm from the body to its dimension lines. */
const NEAR_MM = 210;
const FAR_MM = 620;

const shape = computed(() => VEHICLE_SHAPES[props.kind]);
const box = computed(() => {
  const [x, y, width, height] = shapeBox(shape.value);
  return { x: x - FAR_MM - 330, y, width: width + 2 * FAR_MM + 660, height: height + 60 };
});
const lip = computed(() => -(shape.value.tireRadiusMm + shape.value.archRadiusMm));
const hub = computed(() => -shape.value.tireRadiusMm);
const ends = computed(() => {
  const [x, , width] = shapeBox(shape.value);
  return [
    { axle: 'rear', hubX: 0, near: x - NEAR_MM, far: x - FAR_MM },
    { axle: 'front', hubX: shape.value.wheelbaseMm, near: x + width + NEAR_MM, far: x + width + FAR_MM },
  ];
});
</script>

<template>
  <figure class="drawing">
    <svg
      :viewBox="`${box.x} ${box.y} ${box.width} ${box.height}`"
      role="img"
      aria-label="Hub to lip: from the middle of the wheel straight up to the fender's edge. Ground to lip: from the ground to the same place."
    >
      <path class="ground" :d="`M${box.x} 0h${box.width}`" />
      <path :d="bodyPath(shape)" class="body" />
      <path :d="glassPath(shape)" class="glass" />
      <path :d="postsPath(shape)" class="body" />
      <g v-for="{ axle, hubX, near, far } in ends" :key="axle">
        <circle :cx="hubX" :cy="hub" :r="shape.tireRadiusMm" class="tire" />
        <circle :cx="hubX" :cy="hub" :r="shape.tireRadiusMm * 0.56" class="rim" />
        <path :d="`M${hubX} ${lip}H${far}M${hubX} ${hub}H${near}`" class="guide" />
        <path :d="`M${near} ${lip + 20}V${hub - 20}`" class="dimension" />
        <path :d="`M${far} ${lip + 20}V-20`" class="dimension" />
        <circle :cx="hubX" :cy="hub" r="45" class="dot" />
        <circle :cx="hubX" :cy="lip" r="45" class="dot" />
        <g class="halo">
          <text :x="near" :y="(lip + hub) / 2 + 55">hub</text>
          <text :x="far" :y="-shape.tireRadiusMm / 2 + 40">ground</text>
        </g>
      </g>
    </svg>
  </figure>
</template>

<style scoped>
svg {
  max-height: 210px;
}
.ground {
  stroke: var(--ink);
  stroke-width: 16;
}
.body {
  fill: var(--metal);
}
.glass,
.rim {
  fill: var(--paper);
}
.tire {
  fill: var(--rubber);
}
.guide {
  stroke: var(--accent);
  stroke-width: 12;
  fill: none;
}
.dimension {
  stroke: var(--accent);
  stroke-width: 26;
}
.dot {
  fill: var(--accent);
}
text {
  font-family: var(--text);
  font-size: 190px;
  font-weight: 500;
  text-anchor: middle;
  fill: var(--ink);
}
</style>
