<script setup lang="ts">
import { scaleLinear } from 'd3-scale';
import { computed, ref } from 'vue';
import FiguresTable, { type FiguresRow } from './FiguresTable.vue';
import { useWidth } from './use-width';

/**
 * A chart as every room shows one: ticked axes, a summary in words for those who do not see it, and the same figures as a table at
 * the press of a key. What is drawn goes into the slot, which is given the scales from its own units to the frame.
 */
const props = withDefaults(
  defineProps<{
    /** What is shown, in a few words. */
    title: string;
    /** What it says, in a sentence. */
    summary: string;
    /** Ends of the axes, in their own units. */
    x: readonly [number, number];
    y: readonly [number, number];
    xTicks?: number;
    yTicks?: number;
    /** Room on the left for the ticks of y. */
    left?: number;
    height: number;
    table: { readonly corner?: string; readonly columns: readonly string[]; readonly rows: readonly FiguresRow[] };
  }>(),
  { xTicks: 8, yTicks: 6, left: 52 },
);

const FIRST_WIDTH = 760;
const MARGIN = { right: 16, top: 12, bottom: 34 };

const figure = ref<HTMLElement>();
const width = useWidth(figure, FIRST_WIDTH);
const asTable = ref(false);
const xScale = computed(() =>
  scaleLinear()
    .domain(props.x)
    .range([props.left, width.value - MARGIN.right]),
);
const yScale = computed(() =>
  scaleLinear()
    .domain(props.y)
    .range([props.height - MARGIN.bottom, MARGIN.top]),
);
</script>

<template>
  <figure ref="figure" class="drawing">
    <svg
      v-if="!asTable"
      :viewBox="`0 0 ${width} ${height}`"
      class="figures chart"
      role="img"
      :aria-label="`${title}. ${summary}`"
    >
      <g v-for="tick in yScale.ticks(yTicks)" :key="`y${tick}`">
        <path class="rule" :class="{ zero: tick === 0 }" :d="`M${left} ${yScale(tick)}H${width - MARGIN.right}`" />
        <text :x="left - 8" :y="yScale(tick) + 5" text-anchor="end">{{ tick }}</text>
      </g>
      <text
        v-for="tick in xScale.ticks(xTicks)"
        :key="`x${tick}`"
        :x="xScale(tick)"
        :y="height - 10"
        text-anchor="middle"
      >
        {{ tick }}
      </text>
      <slot :x="xScale" :y="yScale" :width="width" />
    </svg>
    <FiguresTable v-else :caption="title" :corner="table.corner" :columns="table.columns" :rows="table.rows" />
    <figcaption>
      <!-- What the axes are of, units included. -->
      <span><slot name="axes" /></span>
      <v-btn height="48" variant="text" @click="asTable = !asTable">{{ asTable ? 'Curve' : 'Table' }}</v-btn>
    </figcaption>
  </figure>
</template>

<style scoped>
.chart {
  font-size: 14px;
  fill: var(--ink);
}
.rule {
  stroke: var(--rule);
}
.zero {
  stroke: var(--ink);
}
figcaption {
  align-items: center;
  gap: 8px;
}
</style>
