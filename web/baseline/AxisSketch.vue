<script setup lang="ts">
import { computed } from 'vue';
import type { SteeringDescription } from '@/core/2-vehicle/motion/steering';
import { toRadians } from '@/core/1-base/units/angle';

/** The steering axis against the hub, from the front (outboard to the right) and from the side (front to the left). */
const props = defineProps<{ steering: SteeringDescription }>();

const REACH = 260;
const front = computed(() => ({
  at: -(props.steering.kingpinOffsetMm ?? 0),
  lean: Math.tan(toRadians(props.steering.inclinationDeg ?? 0)) * REACH,
}));
const side = computed(() => ({
  at: -(props.steering.casterTrailMm ?? 0),
  lean: Math.tan(toRadians(props.steering.casterDeg ?? 0)) * REACH,
}));
</script>

<template>
  <svg viewBox="0 0 640 330" class="sketch" role="img" aria-label="Steering axis from the front and from the side">
    <g transform="translate(220 150)">
      <rect x="-50" y="-120" width="130" height="240" rx="26" class="tire" />
      <path d="M-160 0h230" class="hub" />
      <path :d="`M${front.at + front.lean / 2} ${REACH / 2}L${front.at - front.lean / 2} ${-REACH / 2}`" class="axis" />
      <text y="168" x="-120">from the front, outboard →</text>
    </g>
    <g transform="translate(490 150)">
      <circle r="120" class="tire" />
      <circle r="6" class="dot" />
      <path :d="`M${side.at - side.lean / 2} ${REACH / 2}L${side.at + side.lean / 2} ${-REACH / 2}`" class="axis" />
      <text y="168" x="-90">from the side, ← front</text>
    </g>
  </svg>
</template>

<style scoped>
.sketch {
  width: 100%;
}
.tire {
  fill: none;
  stroke: var(--ghost);
  stroke-width: 3;
}
.hub {
  stroke: var(--rule);
  stroke-width: 3;
}
.dot {
  fill: var(--ghost);
}
.axis {
  stroke: var(--accent);
  stroke-width: 6;
  stroke-linecap: round;
}
text {
  font-size: 21px;
  fill: var(--muted);
}
</style>
