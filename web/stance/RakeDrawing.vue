<script setup lang="ts">
import { computed } from 'vue';
import { formatMm } from '@/core/1-base/units/length';

/** Lip heights from the side, front to the left: as it stands, and as expected. */
const props = defineProps<{
  front: { readonly now: number; readonly then: number };
  rear: { readonly now: number; readonly then: number };
}>();

const WIDTH = 460;
const HEIGHT = 150;
const GROUND = 132;
const [FRONT_X, REAR_X] = [80, 380];
/** What changes is small beside the heights: lips are drawn over the lowest one, half a unit to the millimeter or less. */
const all = computed(() => [props.front.now, props.front.then, props.rear.now, props.rear.then]);
const base = computed(() => Math.min(...all.value));
const ROOM = 44;
const perMm = computed(() => Math.min(0.5, ROOM / Math.max(1, Math.max(...all.value) - base.value)));
const y = (mm: number): number => 66 - (mm - base.value) * perMm.value;
const line = (front: number, rear: number): string => `M${FRONT_X - 50} ${y(front)}L${REAR_X + 50} ${y(rear)}`;
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
    role="img"
    class="figures"
    :aria-label="`Front lip ${formatMm(front.now, 0)} to ${formatMm(front.then, 0)} mm, rear lip ${formatMm(rear.now, 0)} to ${formatMm(rear.then, 0)} mm`"
  >
    <path class="ground" :d="`M10 ${GROUND}H${WIDTH - 10}`" />
    <circle v-for="x in [FRONT_X, REAR_X]" :key="x" class="tire" :cx="x" :cy="GROUND - 30" r="30" />
    <path class="now" :d="line(front.now, rear.now)" />
    <path class="then" :d="line(front.then, rear.then)" />
    <text :x="FRONT_X" :y="y(front.then) - 8" text-anchor="middle">{{ formatMm(front.then, 0) }}</text>
    <text :x="REAR_X" :y="y(rear.then) - 8" text-anchor="middle">{{ formatMm(rear.then, 0) }}</text>
    <text :x="FRONT_X" :y="GROUND + 15" text-anchor="middle">front</text>
    <text :x="REAR_X" :y="GROUND + 15" text-anchor="middle">rear</text>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  max-height: 190px;
  font-size: 15px;
  fill: var(--ink);
}
.ground {
  stroke: var(--ink);
  stroke-width: 2;
}
.tire {
  fill: none;
  stroke: var(--ghost);
  stroke-width: 7;
}
.now {
  stroke: var(--ghost);
  stroke-width: 2;
  stroke-dasharray: 6 4;
}
.then {
  stroke: var(--accent);
  stroke-width: 3;
}
</style>
