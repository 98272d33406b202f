<script setup lang="ts">
import { CORNER_KEYS, axleOf, sideOf, type CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { Verdict } from '@/core/4-clearance/case/standard';

/** The vehicle from above, front up: each wheel by its verdict, one looked at ringed. */
defineProps<{ verdicts: Readonly<Partial<Record<CornerKey, Verdict>>>; current?: CornerKey }>();

const WHEEL = { width: 13, height: 27 };
const placeOf = (key: CornerKey): { x: number; y: number } => ({
  x: sideOf(key) === 'left' ? 1 : 60 - 1 - WHEEL.width,
  y: axleOf(key) === 'front' ? 14 : 79,
});
</script>

<template>
  <svg viewBox="-3 -3 66 126" class="above" aria-hidden="true">
    <path d="M16 8Q17 2 24 1.5H36Q43 2 44 8L47 40V108Q47 117 39 118H21Q13 117 13 108V40Z" class="body" />
    <path d="M17 44Q30 36 43 44L40 54H20Z" class="glass" />
    <path d="M20 102H40L42 110H18Z" class="glass" />
    <g v-for="key in CORNER_KEYS" :key="key" :class="verdicts[key] ? `verdict-${verdicts[key]}` : 'nothing'">
      <rect
        v-bind="{ ...placeOf(key), ...WHEEL }"
        rx="4"
        class="wheel"
        :class="{ open: !verdicts[key] || verdicts[key] === 'notKnown' }"
      />
      <rect
        v-if="current === key"
        :x="placeOf(key).x - 2.5"
        :y="placeOf(key).y - 2.5"
        :width="WHEEL.width + 5"
        :height="WHEEL.height + 5"
        rx="6"
        class="ring"
      />
    </g>
  </svg>
</template>

<style scoped>
.above {
  display: block;
}
.body {
  fill: rgb(var(--v-theme-ghost), 0.35);
  stroke: var(--ghost);
  stroke-width: 1.5;
}
.glass {
  fill: var(--paper);
}
.wheel {
  fill: currentColor;
  stroke: currentColor;
  stroke-width: 2;
}
.open {
  fill: var(--paper);
  stroke-dasharray: 4 3;
}
.nothing {
  color: var(--muted);
}
.ring {
  fill: none;
  stroke: var(--accent);
  stroke-width: 2.5;
}
</style>
