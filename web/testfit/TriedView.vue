<script setup lang="ts">
import { scaleLinear } from 'd3-scale';
import { area } from 'd3-shape';
import { computed } from 'vue';
import { CORNER_NAMES, type CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { formatMm } from '@/core/1-base/units/length';
import type { OutlineRow } from '@/core/4-clearance/pictures/posture-map';
import type { TriedPicture } from '@/core/7-job/test-fit/tried-picture';

/** Steer across and travel up of one corner: what was tried is open, what nobody tried is shaded. */
const props = defineProps<{ corner: CornerKey; picture: TriedPicture; words: string }>();

const WIDTH = 250;
const HEIGHT = 176;
/** Degrees that a wheel which does not steer is drawn wide. */
const UNSTEERED_DEG = 4;

const rows = computed(() => props.picture.outline);
const x = computed(() => {
  const most = Math.max(UNSTEERED_DEG, ...rows.value.flatMap(({ lowDeg, highDeg }) => [-lowDeg, highDeg]));
  // Left is left, as from the driver's seat.
  return scaleLinear()
    .domain([most, -most])
    .range([14, WIDTH - 14]);
});
const y = computed(() =>
  scaleLinear()
    .domain([rows.value[0]!.travelMm, rows.value.at(-1)!.travelMm])
    .range([HEIGHT - 24, 24]),
);
const wide = (deg: number, side: 1 | -1): number => (Math.abs(deg) < 0.5 ? side * UNSTEERED_DEG : deg);
const shape = computed(() =>
  area<OutlineRow>()
    .x0(({ lowDeg }) => x.value(wide(lowDeg, -1)))
    .x1(({ highDeg }) => x.value(wide(highDeg, 1)))
    .y(({ travelMm }) => y.value(travelMm)),
);
const ride = computed(() => {
  const at = rows.value.reduce((best, row) =>
    Math.abs(row.travelMm - props.picture.rideMm) < Math.abs(best.travelMm - props.picture.rideMm) ? row : best,
  );
  return { from: x.value(wide(at.highDeg, 1)), to: x.value(wide(at.lowDeg, -1)), y: y.value(props.picture.rideMm) };
});
</script>

<template>
  <figure class="drawing tried-view">
    <figcaption>{{ CORNER_NAMES[corner] }}</figcaption>
    <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="`${CORNER_NAMES[corner]}, not tried: ${words}`">
      <path :d="shape(rows) ?? ''" class="shaded" />
      <path v-if="picture.tried.length" :d="shape(picture.tried) ?? ''" class="open" />
      <path :d="shape(rows) ?? ''" class="edge" />
      <path :d="`M${ride.from} ${ride.y}H${ride.to}`" class="ride" :class="{ done: picture.turnedBothWays }" />
      <text :x="WIDTH / 2" y="17">full bump {{ formatMm(rows.at(-1)!.travelMm, 0) }}</text>
      <text :x="WIDTH / 2" :y="ride.y - 6">as parked</text>
      <text :x="WIDTH / 2" :y="HEIGHT - 6">full droop {{ formatMm(rows[0]!.travelMm, 0) }}</text>
    </svg>
  </figure>
</template>

<style scoped>
.tried-view {
  flex: 0 1 250px;
}
.shaded {
  fill: var(--ghost);
  opacity: 0.55;
}
.open {
  fill: var(--paper);
}
.edge {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}
.ride {
  stroke: var(--ghost);
  stroke-width: 6;
}
.ride.done {
  stroke: var(--accent);
}
text {
  font-family: var(--figures);
  font-size: 15px;
  font-weight: 500;
  text-anchor: middle;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
  stroke-linejoin: round;
}
</style>
