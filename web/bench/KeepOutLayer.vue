<script setup lang="ts">
import { line } from 'd3-shape';
import { computed } from 'vue';
import type { PlaneWindow } from '@/core/4-clearance/pictures/plane-raster';
import type { PlanePlace, ZoneDrawing } from '../drawing/keep-out-drawing';

/**
 * The still part of the clear section: the keep-out region, the room wanted to it, and the axes. A drawing of its own
 * under the section, so that neither is drawn anew while the other moves.
 */
const props = defineProps<{
  zones: readonly ZoneDrawing[];
  window: PlaneWindow;
  /** mm of one CSS pixel. */
  unit: number;
  pending: boolean;
}>();

const box = computed(() => {
  const { fromAMm, fromRMm, stepMm, columns, rows } = props.window;
  return { x: fromAMm, y: -(fromRMm + rows * stepMm), width: columns * stepMm, height: rows * stepMm };
});

const path = line<PlanePlace>(
  ([a]) => a,
  ([, r]) => -r,
);
const closed = (rings: readonly (readonly PlanePlace[])[]): string =>
  rings.map((ring) => `${path(ring) ?? ''}Z`).join('');
const drawn = computed(() =>
  props.zones.map(({ zone, region, wanted }) => ({ zone, region: closed(region), wanted: closed(wanted) })),
);

const every = (from: number, to: number, step: number): number[] => {
  const found: number[] = [];
  for (let v = Math.ceil(from / step) * step; v <= to; v += step) found.push(v);
  return found;
};
const ticks = computed(() => {
  const { x, y, width, height } = box.value;
  return { along: every(x + 20, x + width - 20, 50), radius: every(-y - height + 30, -y - 30, 50) };
});
</script>

<template>
  <svg
    class="keep-out steady"
    :viewBox="`${box.x} ${box.y} ${box.width} ${box.height}`"
    :class="{ pending }"
    :font-size="14 * unit"
    aria-hidden="true"
  >
    <defs>
      <pattern
        id="keep-out"
        :width="7 * unit"
        :height="7 * unit"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <path :d="`M0 0V${7 * unit}`" class="hatch" :stroke-width="1.6 * unit" />
      </pattern>
    </defs>
    <g v-for="z in drawn" :key="z.zone" :class="`zone zone-${z.zone}`">
      <path :d="z.region" class="region" fill-rule="evenodd" />
      <path :d="z.wanted" class="wanted" />
    </g>
    <g class="axes">
      <path :d="`M0 ${box.y}V${box.y + box.height}`" class="face" />
      <g v-for="a in ticks.along" :key="`a${a}`">
        <path :d="`M${a} ${box.y + box.height - 7 * unit}v${7 * unit}`" />
        <text v-if="a % 100 === 0" :x="a" :y="box.y + box.height - 10 * unit" text-anchor="middle">
          {{ a === 0 ? 'hub face' : a }}
        </text>
      </g>
      <g v-for="r in ticks.radius" :key="`r${r}`">
        <path :d="`M${box.x} ${-r}h${7 * unit}`" />
        <text v-if="r % 100 === 0" :x="box.x + 10 * unit" :y="-r + 5 * unit">r {{ r }}</text>
      </g>
      <text :x="box.x + box.width - 4 * unit" :y="box.y + box.height - 10 * unit" text-anchor="end">mm</text>
    </g>
  </svg>
</template>

<style scoped>
.keep-out {
  will-change: transform;
}
.pending .zone {
  opacity: 0.55;
}
.hatch {
  stroke: var(--muted);
  stroke-opacity: 0.5;
  vector-effect: none;
}
.region {
  fill: url('#keep-out');
}
.zone-ground .region {
  opacity: 0.45;
}
.wanted {
  fill: none;
  stroke: var(--muted);
  stroke-width: 1.2;
  stroke-dasharray: 5 4;
}
.axes path {
  stroke: var(--muted);
  stroke-width: 1;
}
.axes .face {
  stroke-dasharray: 8 4 2 4;
}
.axes text {
  font-family: var(--figures);
  fill: var(--muted);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
  vector-effect: non-scaling-stroke;
}
</style>
