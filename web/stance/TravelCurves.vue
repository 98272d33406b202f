<script setup lang="ts">
import { extent } from 'd3-array';
import { line } from 'd3-shape';
import { computed, ref } from 'vue';
import { problemText } from '../problem-words';
import { TRAVEL_PLACES } from '@/core/4-clearance/case/travel-places';
import type { WheelStand } from '@/core/5-consequences/stance/alignment-curve';
import type { HalfShaftCurves, ShaftAngles } from '@/core/5-consequences/driveline/driveline-report';
import type { CornerStance } from '@/core/5-consequences/stance/stance-report';
import { formatMm } from '@/core/1-base/units/length';
import ChipGroup from '../kit/ChipGroup.vue';
import ChartFrame from '../kit/ChartFrame.vue';
import { PLACE_WORDS } from './stance-words';

/** Camber, caster, toe, joint angles and the like against travel, as fitted and with the setup. */
const props = defineProps<{ stance: CornerStance; shaft?: HalfShaftCurves | null }>();

const QUANTITIES = {
  camberDeg: 'Camber',
  casterDeg: 'Caster',
  toeDeg: 'Toe',
  outboardMm: 'Tire’s middle outboard',
  forwardMm: 'Tire’s middle forward',
  scrubRadiusMm: 'Scrub radius',
  upperJointDeg: 'Upper ball joint',
  lowerJointDeg: 'Lower ball joint',
  outerShaftDeg: 'Half shaft, outer joint',
  innerShaftDeg: 'Half shaft, inner joint',
} as const;
type QuantityKey = keyof typeof QUANTITIES;
const shown = ref<QuantityKey>('camberDeg');
const unit = computed(() => (shown.value.endsWith('Deg') ? '°' : 'mm'));

interface Point {
  readonly travelMm: number;
  readonly value: number;
}
/** What the corner's stand and its half shaft say at one travel. */
type Shown = Partial<Record<QuantityKey, number | null>> & { readonly travelMm: number };
const shownAt = (stands: readonly WheelStand[], shaft: readonly ShaftAngles[] | undefined): Shown[] =>
  stands.map((stand) => {
    const at = shaft?.find(({ travelMm }) => Math.abs(travelMm - stand.travelMm) < 1e-6);
    return { ...stand, outerShaftDeg: at?.outerDeg ?? null, innerShaftDeg: at?.innerDeg ?? null };
  });
const pointsOf = (stands: readonly Shown[]): Point[] =>
  stands.flatMap((stand) => {
    const value = stand[shown.value] ?? null;
    return value === null ? [] : [{ travelMm: stand.travelMm, value }];
  });
const states = computed(() => ({
  before: shownAt(props.stance.before.curve.stands, props.shaft?.before),
  after: shownAt(props.stance.after.curve.stands, props.shaft?.after),
}));
const before = computed(() => pointsOf(states.value.before));
const after = computed(() => pointsOf(states.value.after));
const all = computed(() => [...before.value, ...after.value]);

/** Ends of the axes: travel up, the quantity across with a little room. */
const ends = computed(() => {
  const [least = 0, most = 0] = extent(all.value, ({ value }) => value);
  const [lowest = 0, highest = 0] = extent(all.value, ({ travelMm }) => travelMm);
  const pad = Math.max(0.1, 0.08 * (most - least));
  return { x: [least - pad, most + pad] as const, y: [lowest, highest] as const };
});
type Scale = (value: number) => number;
const path = (points: readonly Point[], x: Scale, y: Scale): string =>
  line<Point>()
    .x((p) => x(p.value))
    .y((p) => y(p.travelMm))(points as Point[]) ?? '';
/** The nearest stand of the curve to the parked height. */
const parkedOn = (points: readonly Point[], rideMm: number): Point | undefined =>
  points.reduce<Point | undefined>(
    (best, point) => (best && Math.abs(best.travelMm - rideMm) <= Math.abs(point.travelMm - rideMm) ? best : point),
    undefined,
  );
const parked = computed(() =>
  (
    [
      ['fitted', props.stance.before, before.value],
      ['setup', props.stance.after, after.value],
    ] as const
  ).flatMap(([name, { ride, limits }, points]) => {
    const own = shown.value in (ride ?? {}) ? ((ride as Shown | null)?.[shown.value] ?? null) : null;
    const exact = own === null ? parkedOn(points, limits.ride) : { travelMm: limits.ride, value: own };
    return exact ? [{ name, ...exact }] : [];
  }),
);
const number = (value: number | null | undefined): string =>
  value === null || value === undefined ? '' : unit.value === '°' ? value.toFixed(2) : formatMm(value);

const summary = computed(() => {
  const [fitted, setup] = parked.value;
  if (!fitted || !setup) return `${QUANTITIES[shown.value]} is not there on this corner.`;
  return `${QUANTITIES[shown.value]} at ride height: ${number(fitted.value)} ${unit.value} as fitted, ${number(setup.value)} ${unit.value} with the setup.`;
});
const IN_STANDS = Object.entries(QUANTITIES).filter(([key]) => !key.endsWith('ShaftDeg')) as [
  keyof WheelStand,
  string,
][];
/** What a wheel says of each quantity; one that does not steer, or has no such joint, says nothing. */
const cellsOf = (stand: WheelStand | null): (string | null)[] =>
  IN_STANDS.map(([key]) => {
    const value = stand?.[key] ?? null;
    return value === null ? null : formatMm(value, 2);
  });
const table = computed(() => ({
  corner: 'Place',
  columns: IN_STANDS.map(([, title]) => title),
  rows: TRAVEL_PLACES.flatMap((place) => [
    { name: `${PLACE_WORDS[place]}, fitted`, cells: cellsOf(props.stance.before[place]) },
    { name: `${PLACE_WORDS[place]}, setup`, cells: cellsOf(props.stance.after[place]) },
  ]),
}));
const locked = computed(() => props.stance.after.curve.locked);
</script>

<template>
  <section class="panel box" aria-label="Through the travel">
    <ChipGroup
      label="What is drawn"
      :words="QUANTITIES"
      :chosen="[shown]"
      @press="(one: QuantityKey) => (shown = one)"
    />
    <p data-testid="curve-says">{{ summary }}</p>
    <p v-if="locked" class="verdict-rubs" role="alert">
      {{ problemText(locked.problem) }} The linkage does not reach {{ formatMm(Math.min(...locked.travelsMm), 0) }} to
      {{ formatMm(Math.max(...locked.travelsMm), 0) }} mm of travel; the rest is shown.
    </p>
    <ChartFrame
      v-if="all.length"
      :title="`${QUANTITIES[shown]} against travel`"
      :summary="summary"
      :x="ends.x"
      :y="ends.y"
      :y-ticks="7"
      :left="60"
      :height="300"
      :table="table"
    >
      <template #default="{ x, y }">
        <path class="before" :d="path(before, x, y)" />
        <path class="after" :d="path(after, x, y)" />
        <g v-for="p in parked" :key="p.name">
          <circle :class="p.name" :cx="x(p.value)" :cy="y(p.travelMm)" r="6" />
          <text :x="x(p.value) + 10" :y="y(p.travelMm) - 8">{{
            p.name === 'fitted' ? 'parked now' : 'parked then'
          }}</text>
        </g>
      </template>
      <template #axes>
        Up: travel from the surveyed height, mm. Across: {{ QUANTITIES[shown].toLowerCase() }}, {{ unit }}. Dashed: as
        fitted.
      </template>
    </ChartFrame>
    <p class="small">
      Ball joints are counted from how they stand today. Half shafts are drawn once their joints are measured
      (underneath, shafts).
    </p>
  </section>
</template>

<style scoped>
.before,
.after {
  fill: none;
  stroke-width: 2.6;
}
.before {
  stroke: var(--ghost);
  stroke-dasharray: 7 5;
}
.after {
  stroke: var(--accent);
}
.fitted {
  fill: var(--ghost);
}
.setup {
  fill: var(--accent);
}
</style>
