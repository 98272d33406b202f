<script setup lang="ts">
import { marginWords } from '@/core/4-clearance/case/standard';
import { extent, nice } from 'd3-array';
import { line } from 'd3-shape';
import { computed } from 'vue';
import ChartFrame from '../kit/ChartFrame.vue';
import type { SpacerSweep } from '@/core/6-decisions/plan/spacer-sweep';
import { formatMm } from '@/core/1-base/units/length';

/** Low gap against thickness of spacer, and the stretch that clears. */
/** `isKnown`: enough of this corner was measured to say that it clears. */
const props = defineProps<{ sweep: SpacerSweep; thicknessMm: number; isKnown: boolean }>();
const emit = defineEmits<{ pick: [mm: number] }>();

const HEIGHT = 190;

const known = computed(() => props.sweep.steps.flatMap(({ thicknessMm, low }) => (low ? [{ thicknessMm, low }] : [])));
const most = computed(() => props.sweep.steps.at(-1)!.thicknessMm);
const margins = computed(() => {
  const [least = 0, greatest = 0] = extent(known.value, ({ low }) => low.marginMm);
  return nice(Math.min(-10, least), Math.max(15, greatest), 10);
});
type Scale = (value: number) => number;
const path = (x: Scale, y: Scale): string =>
  line<(typeof known.value)[number]>()
    .x((step) => x(step.thicknessMm))
    .y((step) => y(step.low.marginMm))(known.value) ?? '';
const table = computed(() => ({
  corner: 'Thickness mm',
  columns: ['Low gap over what is wanted, mm', 'At'],
  rows: known.value.map(({ thicknessMm, low }) => ({
    name: formatMm(thicknessMm),
    cells: [formatMm(low.marginMm), low.label],
  })),
}));
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
  if (!props.isKnown && stretches.length) {
    return `Nothing measured falls short with ${stretches.join(', or ')}; too little is measured to say that it clears.`;
  }
  const all = stretches.length
    ? `Everything clears with ${stretches.join(', or ')}`
    : 'At no thickness does everything clear';
  return `${all}${reach.length ? `; ${reach.join(', ')}` : ''}.`;
});
const atNow = computed(() => known.value.find(({ thicknessMm }) => Math.abs(thicknessMm - props.thicknessMm) <= 0.5));

function pickAt(event: MouseEvent, x: { invert(at: number): number }, width: number): void {
  const box = (event.currentTarget as SVGElement).ownerSVGElement!.getBoundingClientRect();
  const mm = Math.round(x.invert(((event.clientX - box.left) / box.width) * width));
  emit('pick', Math.min(most.value, Math.max(0, mm)));
}
</script>

<template>
  <p data-testid="spacer-says">{{ clearWords }}</p>
  <ChartFrame
    title="Low gap against thickness"
    :summary="clearWords"
    :x="[0, most]"
    :y="margins"
    :x-ticks="12"
    :y-ticks="5"
    :left="44"
    :height="HEIGHT"
    :table="table"
  >
    <template #default="{ x, y, width }">
      <rect
        v-for="c in isKnown ? sweep.clear : []"
        :key="c.fromMm"
        class="clear"
        :x="x(c.fromMm)"
        :width="Math.max(1, x(c.toMm) - x(c.fromMm))"
        y="12"
        :height="HEIGHT - 46"
      />
      <path class="curve" :d="path(x, y)" />
      <path class="now" :d="`M${x(thicknessMm)} 12V${HEIGHT - 34}`" />
      <rect
        class="touch"
        :x="x(0)"
        y="12"
        :width="x(most) - x(0)"
        :height="HEIGHT - 46"
        @click="pickAt($event, x, width)"
      />
    </template>
    <template #axes>
      Across: thickness, mm. Up: low gap over what is wanted, mm.
      <template v-if="atNow"
        >At {{ atNow.thicknessMm }} mm: {{ marginWords(atNow.low.marginMm) }}, {{ atNow.low.label }}.</template
      >
    </template>
  </ChartFrame>
</template>

<style scoped>
.touch {
  fill: transparent;
  cursor: crosshair;
}
.clear {
  fill: var(--clear);
  opacity: 0.16;
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
</style>
