<script setup lang="ts">
import { computed } from 'vue';
import { formatMm } from '@/core/1-base/units/length';
import type { VehicleKind } from '@/core/2-vehicle/setup/vehicle-kind';
import { bodyPath, glassPath, postsPath, shapeBox, VEHICLE_SHAPES } from '../drawing/vehicle-shapes';

interface AxleStand {
  readonly now: number;
  readonly then: number;
}

/** The vehicle from the side, front to the right: its body as it is expected to stand, and as it stands now as a ghost. */
const props = defineProps<{ front: AxleStand; rear: AxleStand; kind: VehicleKind }>();

const shape = computed(() => VEHICLE_SHAPES[props.kind]);
const box = computed(() => {
  const [x, y, width, height] = shapeBox(shape.value);
  return [x, y - 160, width, height + 330] as const;
});

/** What changes is small beside a vehicle: it is drawn so many times larger, and says so. */
const MOST_DRAWN_MM = 150;
const times = computed(() => {
  const most = Math.max(
    ...[props.front, props.rear].map(({ now, then }) => Math.abs(then - now)),
    Math.abs(props.rear.now - props.front.now),
    Math.abs(props.rear.then - props.front.then),
    1,
  );
  return Math.max(1, Math.min(3, Math.floor(MOST_DRAWN_MM / most)));
});
/** Level as drawn, it stands at the mean of the lips now. */
const level = computed(() => (props.front.now + props.rear.now) / 2);
/** The body moved so that its lips stand as they do at each axle: sheared, since a rake of so little turns nothing. */
function stood(of: 'now' | 'then'): string {
  const rear = times.value * (props.rear[of] - level.value);
  const front = times.value * (props.front[of] - level.value);
  return `matrix(1 ${-(front - rear) / shape.value.wheelbaseMm} 0 1 0 ${-rear})`;
}
const lipY = (mm: number): number =>
  -(shape.value.tireRadiusMm + shape.value.archRadiusMm) - times.value * (mm - level.value);
const axles = computed(() => [
  { name: 'rear', x: 0, own: props.rear },
  { name: 'front', x: shape.value.wheelbaseMm, own: props.front },
]);
</script>

<template>
  <figure class="drawing rake">
    <svg
      :viewBox="box.join(' ')"
      role="img"
      class="figures"
      :aria-label="`Front lip ${formatMm(front.now, 0)} to ${formatMm(front.then, 0)} mm, rear lip ${formatMm(rear.now, 0)} to ${formatMm(rear.then, 0)} mm`"
    >
      <path class="ground" :d="`M${box[0]} 0h${box[2]}`" />
      <g :transform="stood('then')">
        <path :d="bodyPath(shape)" class="then" />
        <path :d="glassPath(shape)" class="glass" />
        <path :d="postsPath(shape)" class="then" />
      </g>
      <path :d="bodyPath(shape)" :transform="stood('now')" class="now" />
      <g v-for="{ name, x, own } in axles" :key="name">
        <circle class="tire" :cx="x" :cy="-shape.tireRadiusMm" :r="shape.tireRadiusMm" />
        <circle class="rim" :cx="x" :cy="-shape.tireRadiusMm" :r="shape.tireRadiusMm * 0.56" />
        <g class="halo">
          <path class="lip" :d="`M${x - 190} ${lipY(own.then)}h380`" />
          <text :x="x" :y="lipY(own.then) - 45" text-anchor="middle">{{ formatMm(own.then, 0) }} mm</text>
          <text :x="x" y="150" text-anchor="middle" class="name">{{ name }}, now {{ formatMm(own.now, 0) }}</text>
        </g>
      </g>
    </svg>
    <figcaption v-if="times > 1" class="small muted">
      <span>Dashed: as it stands now. What changes is drawn {{ times }} times as large.</span>
    </figcaption>
  </figure>
</template>

<style scoped>
.rake svg {
  max-height: 230px;
}
text {
  font-size: 150px;
  font-weight: 600;
  fill: var(--ink);
}
.halo text {
  stroke-width: 5px;
}
.name {
  font-weight: 500;
}
.ground {
  stroke: var(--ink);
  stroke-width: 14;
}
.then {
  fill: rgb(var(--v-theme-primary), 0.22);
  stroke: var(--accent);
  stroke-width: 22;
}
.now {
  fill: none;
  stroke: var(--muted);
  stroke-width: 14;
  stroke-dasharray: 60 44;
}
.glass,
.rim {
  fill: var(--paper);
}
.tire {
  fill: var(--ink);
}
.lip {
  stroke: var(--ink);
  stroke-width: 22;
}
</style>
