<script setup lang="ts">
import { scaleLinear } from 'd3-scale';
import { computed, ref } from 'vue';
import type { Seen } from '@/core/5-consequences/calibration/observation';
import { formatMm } from '@/core/1-base/units/length';
import { useWidth } from '../kit/use-width';

/** Predicted gaps (open) and measured ones (full) on one scale, zero is touch; what is between them is the residual. */
const props = defineProps<{
  rows: readonly {
    readonly key: string;
    readonly label: string;
    readonly seen: Seen['kind'];
    readonly predictedMm: number;
    readonly measuredMm: number | null;
  }[];
}>();
const figure = ref<HTMLElement>();
const width = useWidth(figure, 760);
const ROW = 26;
const TOP = 26;
const LABELS = 230;
const height = computed(() => TOP + ROW * props.rows.length + 8);
const x = computed(() => {
  const all = props.rows.flatMap(({ predictedMm, measuredMm }) => [predictedMm, measuredMm ?? 0]);
  return scaleLinear()
    .domain([Math.min(-5, ...all), Math.max(10, ...all)])
    .nice()
    .range([LABELS, width.value - 18]);
});
/** A mark is a touch; a rub lies somewhere below, a clear one somewhere above. */
const atOf = ({ seen, measuredMm }: (typeof props.rows)[number]): number => measuredMm ?? (seen === 'mark' ? 0 : NaN);
const summary = computed(() => {
  const off = props.rows.flatMap((row) => (Number.isFinite(atOf(row)) ? [Math.abs(atOf(row) - row.predictedMm)] : []));
  if (!off.length) return 'Nothing was measured yet that a prediction can be laid beside.';
  const mean = off.reduce((sum, mm) => sum + mm, 0) / off.length;
  return `${off.length} measured: on average ${formatMm(mean)} mm beside the prediction, at most ${formatMm(Math.max(...off))} mm.`;
});
const short = (text: string): string => (text.length > 32 ? `${text.slice(0, 31)}…` : text);
</script>

<template>
  <figure ref="figure">
    <svg :viewBox="`0 0 ${width} ${height}`" class="figures" role="img" :aria-label="`Predicted and seen. ${summary}`">
      <g v-for="tick in x.ticks(8)" :key="tick">
        <path class="rule" :class="{ zero: tick === 0 }" :d="`M${x(tick)} ${TOP - 6}V${height}`" />
        <text :x="x(tick)" y="14" text-anchor="middle">{{ tick }}</text>
      </g>
      <g v-for="(r, i) in rows" :key="r.key" :transform="`translate(0 ${TOP + ROW * i + ROW / 2})`">
        <text x="0" y="5">{{ short(r.label) }}</text>
        <path v-if="Number.isFinite(atOf(r))" class="miss" :d="`M${x(r.predictedMm)} 0H${x(atOf(r))}`" />
        <path v-else-if="r.seen === 'rubs'" class="side" :d="`M${x(0)} 0H${x.range()[0]}`" />
        <path v-else-if="r.seen === 'clear'" class="side" :d="`M${x(0)} 0H${x.range()[1]}`" />
        <circle class="predicted" :cx="x(r.predictedMm)" r="6" />
        <circle v-if="Number.isFinite(atOf(r))" class="seen" :cx="x(atOf(r))" r="5" />
      </g>
    </svg>
    <figcaption class="small" data-testid="residuals-say">
      Gap, mm; zero is touch. Open: predicted. Full: measured, or a mark. A dashed line: anywhere on that side.
      {{ summary }}
    </figcaption>
  </figure>
</template>

<style scoped>
svg {
  font-size: 13px;
  fill: var(--ink);
}
.rule {
  stroke: var(--rule);
}
.zero {
  stroke: var(--ink);
  stroke-width: 2;
}
.miss {
  stroke: var(--accent);
  stroke-width: 4;
}
.side {
  stroke: var(--ghost);
  stroke-width: 3;
  stroke-dasharray: 5 5;
}
.predicted {
  fill: var(--paper, #fff);
  stroke: var(--ink);
  stroke-width: 2;
}
.seen {
  fill: var(--accent);
}
</style>
