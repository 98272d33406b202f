<script setup lang="ts">
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { computed, ref } from 'vue';
import { problemText } from '@/contracts/problems';
import { TRAVEL_PLACES } from '@/core/4-clearance/case/travel-places';
import type { WheelStand } from '@/core/5-consequences/stance/alignment-curve';
import type { HalfShaftCurves, ShaftAngles } from '@/core/5-consequences/driveline/driveline-report';
import type { CornerStance } from '@/core/5-consequences/stance/stance-report';
import { formatMm } from '@/core/1-base/units/length';
import ChipGroup from '../parts/ChipGroup.vue';
import { useWidth } from '../parts/use-width';
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
const asTable = ref(false);
const unit = computed(() => (shown.value.endsWith('Deg') ? '°' : 'mm'));

const figure = ref<HTMLElement>();
const width = useWidth(figure, 760);
const HEIGHT = 300;

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

const y = computed(() => {
  const travels = all.value.map(({ travelMm }) => travelMm);
  return scaleLinear()
    .domain([Math.min(...travels), Math.max(...travels)])
    .range([HEIGHT - 34, 12]);
});
const x = computed(() => {
  const values = all.value.map(({ value }) => value);
  const [least, most] = [Math.min(...values), Math.max(...values)];
  const pad = Math.max(0.1, 0.08 * (most - least));
  return scaleLinear()
    .domain([least - pad, most + pad])
    .range([60, width.value - 16]);
});
const path = (points: readonly Point[]): string =>
  line<Point>()
    .x((p) => x.value(p.value))
    .y((p) => y.value(p.travelMm))(points as Point[]) ?? '';
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
const places = computed(() =>
  TRAVEL_PLACES.map((place) => ({
    place,
    before: props.stance.before[place],
    after: props.stance.after[place],
  })),
);
const IN_STANDS = Object.fromEntries(
  Object.entries(QUANTITIES).filter(([key]) => !key.endsWith('ShaftDeg')),
) as Readonly<Partial<Record<keyof WheelStand, string>>>;
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
    <figure v-if="all.length" ref="figure" class="drawing">
      <svg
        v-if="!asTable"
        :viewBox="`0 0 ${width} ${HEIGHT}`"
        class="figures"
        role="img"
        :aria-label="`${QUANTITIES[shown]} against travel. ${summary}`"
      >
        <g v-for="tick in y.ticks(7)" :key="`y${tick}`">
          <path class="rule" :class="{ zero: tick === 0 }" :d="`M60 ${y(tick)}H${width - 16}`" />
          <text x="52" :y="y(tick) + 5" text-anchor="end">{{ tick }}</text>
        </g>
        <text v-for="tick in x.ticks(8)" :key="`x${tick}`" :x="x(tick)" :y="HEIGHT - 10" text-anchor="middle">
          {{ tick }}
        </text>
        <path class="before" :d="path(before)" />
        <path class="after" :d="path(after)" />
        <g v-for="p in parked" :key="p.name">
          <circle :class="p.name" :cx="x(p.value)" :cy="y(p.travelMm)" r="6" />
          <text :x="x(p.value) + 10" :y="y(p.travelMm) - 8">
            {{ p.name === 'fitted' ? 'parked now' : 'parked then' }}
          </text>
        </g>
      </svg>
      <table v-else class="figures">
        <thead>
          <tr>
            <th>Place</th>
            <th v-for="(title, q) in IN_STANDS" :key="q">{{ title }}</th>
          </tr>
        </thead>
        <tbody>
          <template v-for="p in places" :key="p.place">
            <tr>
              <th scope="row">{{ PLACE_WORDS[p.place] }}, fitted</th>
              <td v-for="(_, q) in IN_STANDS" :key="q">{{ p.before ? formatMm(p.before[q] ?? NaN, 2) : '' }}</td>
            </tr>
            <tr>
              <th scope="row">{{ PLACE_WORDS[p.place] }}, setup</th>
              <td v-for="(_, q) in IN_STANDS" :key="q">{{ p.after ? formatMm(p.after[q] ?? NaN, 2) : '' }}</td>
            </tr>
          </template>
        </tbody>
      </table>
      <figcaption>
        <span
          >Up: travel from the surveyed height, mm. Across: {{ QUANTITIES[shown].toLowerCase() }}, {{ unit }}. Dashed:
          as fitted.</span
        >
        <v-btn height="44" variant="text" @click="asTable = !asTable">{{ asTable ? 'Curve' : 'Table' }}</v-btn>
      </figcaption>
    </figure>
    <p class="small">
      Ball joints are counted from how they stand today. Half shafts are drawn once their joints are measured under
      links and shafts.
    </p>
  </section>
</template>

<style scoped>
.box {
  padding: 10px 12px;
  display: grid;
  gap: 8px;
  min-width: 0;
}
svg {
  font-size: 14px;
  fill: var(--ink);
}
.rule {
  stroke: var(--rule);
}
.zero {
  stroke: var(--ink);
}
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
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  text-align: left;
  border-top: 1px solid var(--rule);
  padding: 4px 10px 4px 0;
}
figcaption {
  align-items: center;
  gap: 8px;
}
.small {
  font-size: 14px;
  line-height: 19px;
}
</style>
