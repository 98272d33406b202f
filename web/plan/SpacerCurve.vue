<script setup lang="ts">
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { computed, ref } from 'vue';
import { useWidth } from '../parts/use-width';
import type { SpacerSweep } from '@/core/6-decisions/plan/spacer-sweep';
import { formatMm } from '@/core/1-base/units/length';

/** Low gap against thickness of spacer, and the stretch that clears. */
const props = defineProps<{ sweep: SpacerSweep; thicknessMm: number }>();
const emit = defineEmits<{ pick: [mm: number] }>();

const figure = ref<HTMLElement>();
const width = useWidth(figure, 760);
const HEIGHT = 190;
const asTable = ref(false);

const known = computed(() => props.sweep.steps.flatMap(({ thicknessMm, low }) => (low ? [{ thicknessMm, low }] : [])));
const x = computed(() =>
  scaleLinear()
    .domain([0, props.sweep.steps.at(-1)!.thicknessMm])
    .range([44, width.value - 12]),
);
const y = computed(() => {
  const margins = known.value.map(({ low }) => low.marginMm);
  return scaleLinear()
    .domain([Math.min(-10, ...margins), Math.max(15, ...margins)])
    .nice()
    .range([HEIGHT - 30, 10]);
});
const path = computed(
  () =>
    line<(typeof known.value)[number]>()
      .x((step) => x.value(step.thicknessMm))
      .y((step) => y.value(step.low.marginMm))(known.value) ?? '',
);
const clearWords = computed(() => {
  const { clear, reaches } = props.sweep;
  const stretches = clear.map(
    ({ fromMm, toMm }) => `${formatMm(Math.ceil(10 * fromMm) / 10)} to ${formatMm(Math.floor(10 * toMm) / 10)} mm`,
  );
  const hopeless = reaches.filter(({ thicknessMm }) => thicknessMm === null).map(({ label }) => label);
  const reach = [
    ...reaches.flatMap(({ label, thicknessMm }) =>
      thicknessMm === null ? [] : [`${label} needs ${formatMm(Math.ceil(10 * thicknessMm) / 10)} mm`],
    ),
    ...(hopeless.length ? [`no spacer clears ${hopeless.join(', ')}`] : []),
  ];
  const all = stretches.length
    ? `Everything clears with ${stretches.join(', or ')}`
    : 'At no thickness does everything clear';
  return `${all}${reach.length ? `; ${reach.join(', ')}` : ''}.`;
});
const atNow = computed(() => known.value.find(({ thicknessMm }) => Math.abs(thicknessMm - props.thicknessMm) <= 0.5));

function pickAt(event: MouseEvent): void {
  const box = (event.currentTarget as SVGElement).getBoundingClientRect();
  const mm = Math.round(x.value.invert(((event.clientX - box.left) / box.width) * width.value));
  emit('pick', Math.min(props.sweep.steps.at(-1)!.thicknessMm, Math.max(0, mm)));
}
</script>

<template>
  <figure ref="figure" class="drawing">
    <p data-testid="spacer-says">{{ clearWords }}</p>
    <svg
      v-if="!asTable"
      :viewBox="`0 0 ${width} ${HEIGHT}`"
      role="img"
      :aria-label="`Low gap against thickness. ${clearWords}`"
      class="figures"
      @click="pickAt"
    >
      <rect
        v-for="c in sweep.clear"
        :key="c.fromMm"
        class="clear"
        :x="x(c.fromMm)"
        :width="Math.max(1, x(c.toMm) - x(c.fromMm))"
        y="10"
        :height="HEIGHT - 40"
      />
      <g v-for="tick in y.ticks(5)" :key="`y${tick}`">
        <path class="rule" :d="`M44 ${y(tick)}H${width - 12}`" :class="{ zero: tick === 0 }" />
        <text x="38" :y="y(tick) + 5" text-anchor="end">{{ tick }}</text>
      </g>
      <g v-for="tick in x.ticks(12)" :key="`x${tick}`">
        <text :x="x(tick)" :y="HEIGHT - 8" text-anchor="middle">{{ tick }}</text>
      </g>
      <path class="curve" :d="path" />
      <path class="now" :d="`M${x(thicknessMm)} 10V${HEIGHT - 30}`" />
    </svg>
    <div v-else class="scroll">
      <table class="figures">
        <thead>
          <tr>
            <th>Thickness mm</th>
            <th>Low gap over what is wanted, mm</th>
            <th>At</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in known" :key="s.thicknessMm">
            <td>{{ s.thicknessMm }}</td>
            <td>{{ formatMm(s.low.marginMm) }}</td>
            <td>{{ s.low.label }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <figcaption>
      <span
        >Across: thickness, mm. Up: low gap over what is wanted, mm.
        <template v-if="atNow"
          >At {{ atNow.thicknessMm }} mm: {{ formatMm(atNow.low.marginMm) }} mm, {{ atNow.low.label }}.</template
        ></span
      >
      <v-btn height="44" variant="text" @click="asTable = !asTable">{{ asTable ? 'Curve' : 'Table' }}</v-btn>
    </figcaption>
  </figure>
</template>

<style scoped>
svg {
  cursor: crosshair;
  font-size: 14px;
  fill: var(--ink);
}
.clear {
  fill: var(--clear);
  opacity: 0.16;
}
.rule {
  stroke: var(--rule);
}
.zero {
  stroke: var(--ink);
}
.curve {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.4;
}
.now {
  stroke: var(--accent);
  stroke-width: 2.4;
  stroke-dasharray: 6 4;
}
.scroll {
  max-height: 260px;
  overflow: auto;
}
td,
th {
  padding: 2px 14px 2px 0;
  text-align: left;
}
figcaption {
  align-items: center;
  gap: 8px;
}
</style>
