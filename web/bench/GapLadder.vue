<script setup lang="ts">
import { marginWords, needsWords, VERDICTS } from '@/core/4-clearance/case/standard';
import { scaleLinear } from 'd3-scale';
import { seenClock } from '@/core/1-base/units/clock';
import { sideOf } from '@/core/2-vehicle/setup/corner-key';
import { computed, ref } from 'vue';
import type { ObstacleVerdict } from '@/core/4-clearance/verdict/evaluate';
import type { ObstacleSpread } from '@/core/5-consequences/spread/spread';
import { formatMm } from '@/core/1-base/units/length';
import VerdictMark from '../kit/VerdictMark.vue';
import { ACROSS_NAMES, VERDICT_WORDS, postureWords } from '../words';
import { chanceWords } from '../advice';
import FiguresTable, { type FiguresRow } from '../kit/FiguresTable.vue';

/** Every obstacle as a rung on one ruled scale: zero is touch, the notch is what the standard wants. */
const props = defineProps<{
  obstacles: readonly ObstacleVerdict[];
  /** By obstacle; empty while it is being worked out. */
  spreads: ReadonlyMap<string, ObstacleSpread>;
  pickedId: string | null;
  rideMm: number;
}>();
const emit = defineEmits<{ pick: [id: string] }>();

const asTable = ref(false);
const WIDTH = 360;
/** Gaps beyond this are all the same to the eye: the rung runs off the end with an arrow. */
const MOST_MM = 60;

const rungs = computed(() => [...props.obstacles].sort((a, b) => a.marginMm - b.marginMm));
const scale = computed(() => {
  const least = Math.min(-10, ...rungs.value.map((o) => o.gapMm - 5));
  return scaleLinear()
    .domain([Math.max(least, -90), MOST_MM])
    .range([14, WIDTH - 20])
    .clamp(true);
});
const ticks = computed(() => scale.value.ticks(8));
const x = (mm: number): number => scale.value(mm);

const whisker = ({ gap }: ObstacleSpread): string =>
  `M${x(gap.p5Mm)} 4v8M${x(gap.p5Mm)} 8H${x(gap.p95Mm)}M${x(gap.p95Mm)} 4v8`;
const rangeOf = (id: string): string => {
  const gap = props.spreads.get(id)?.gap;
  return gap ? `${formatMm(gap.p5Mm)} to ${formatMm(gap.p95Mm)}` : '';
};
const chanceOf = (id: string): string => {
  const spread = props.spreads.get(id);
  return spread ? chanceWords(spread.chanceOfRub) : '';
};

const summary = computed(() => {
  const count = (verdict: string): number => rungs.value.filter((o) => o.verdict === verdict).length;
  const said = [...VERDICTS]
    .reverse()
    .flatMap((verdict) => (count(verdict) ? [`${count(verdict)} ${VERDICT_WORDS[verdict]}`] : []));
  return `${rungs.value.length} parts: ${said.join(', ')}.`;
});

const figuresOf = (o: ObstacleVerdict): FiguresRow => ({
  name: o.label,
  cells: [
    formatMm(o.gapMm),
    String(o.requiredMm),
    marginWords(o.marginMm),
    VERDICT_WORDS[o.verdict],
    rangeOf(o.id),
    chanceOf(o.id),
    `${seenClock(o.clock, sideOf(o.corner))}, ${ACROSS_NAMES[o.across]}; ${postureWords(o.steerDeg, o.travelMm, props.rideMm, o.crossMm)}`,
  ],
});
</script>

<template>
  <section class="ladder" aria-label="Gap ladder">
    <div class="ladder-head">
      <h2 class="panel-title">Gap ladder</h2>
      <span class="muted summary">{{ summary }}</span>
    </div>

    <FiguresTable
      v-if="asTable"
      data-testid="ladder-table"
      caption="Gaps of this corner"
      corner="Part"
      :columns="[
        'Gap mm',
        'Needs',
        'Left over',
        'Verdict',
        '5 to 95 %',
        'Chance of rub',
        'Where and at which steer and travel',
      ]"
      :rows="rungs.map(figuresOf)"
    />

    <template v-else>
      <svg class="axis figures" :viewBox="`0 0 ${WIDTH} 26`" aria-hidden="true">
        <defs>
          <pattern id="overlap" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path d="M0 0v6" class="verdict-rubs" stroke="currentColor" stroke-width="2.4" />
          </pattern>
        </defs>
        <g v-for="tick in ticks" :key="tick" :transform="`translate(${x(tick)} 0)`">
          <path d="M0 20v6" />
          <text y="15" text-anchor="middle">
            {{ tick === 0 ? 'touch' : tick === ticks.at(-1) ? `${tick} mm` : tick }}
          </text>
        </g>
      </svg>
      <!-- A rung is a place in the order: what it says changes, it stays. One that is moved is styled and laid out anew, and loses the focus. -->
      <ol>
        <li v-for="(o, i) in rungs" :key="i">
          <button
            type="button"
            class="rung"
            :aria-pressed="o.id === pickedId"
            :data-testid="`rung-${o.id}`"
            :title="needsWords(o.requiredMm)"
            @click="emit('pick', o.id)"
          >
            <span class="line">
              <VerdictMark :verdict="o.verdict" :size="18" />
              <span class="named"
                ><strong>{{ o.label }}</strong
                ><span class="spare"
                  ><span class="visually-hidden">{{ needsWords(o.requiredMm) }}, </span
                  >{{ marginWords(o.marginMm) }}</span
                ></span
              >
              <span class="gap figures">{{ formatMm(o.gapMm) }} mm</span>
            </span>
            <svg :viewBox="`0 0 ${WIDTH} 16`" aria-hidden="true" :class="`verdict-${o.verdict}`">
              <rect
                v-if="o.gapMm < 0"
                :x="x(o.gapMm)"
                y="3"
                :width="x(0) - x(o.gapMm)"
                height="10"
                fill="url(#overlap)"
              />
              <rect v-else :x="x(0)" y="5.5" :width="x(o.gapMm) - x(0)" height="5" class="bar" />
              <path v-if="spreads.get(o.id)" class="whisker" data-testid="whisker" :d="whisker(spreads.get(o.id)!)" />
              <path :d="`M${x(0)} 0v16`" class="zero" />
              <path :d="`M${x(o.requiredMm) - 5} 0h10l-5 7z`" class="notch" />
              <path v-if="o.gapMm > MOST_MM" :d="`M${WIDTH - 9} 2l8 6l-8 6z`" class="bar" />
              <circle v-else :cx="x(o.gapMm)" cy="8" r="6" class="bar" />
            </svg>
          </button>
        </li>
      </ol>
      <p class="muted key">
        Notch: the gap the standard wants. Hatched: overlap. Thin line: measuring error, 90 % of cases.
      </p>
    </template>
    <v-btn height="48" min-width="64" variant="text" class="turn" @click="asTable = !asTable">{{
      asTable ? 'Ladder' : 'Table'
    }}</v-btn>
  </section>
</template>

<style scoped>
.ladder {
  max-width: 560px;
  display: grid;
  /* A long name is cut, not made room for: the gap stands at its end. */
  grid-template-columns: minmax(0, 1fr);
  gap: 2px;
  min-width: 0;
}
.ladder-head {
  display: flex;
  align-items: center;
  gap: 10px;
}
.summary {
  flex: 1;
  font-size: 14px;
  line-height: 18px;
}
/* With the key, beneath the last rung. */
.turn {
  justify-self: end;
  margin-top: -42px;
}
.key {
  padding-right: 76px;
  min-height: 36px;
}
@media (max-width: 1180px) {
  .spare {
    display: none;
  }
}
.axis text {
  font-size: 13px;
  fill: var(--muted);
}
.axis path {
  stroke: var(--muted);
  stroke-width: 1.5;
}
.rung {
  display: block;
  width: 100%;
  min-height: 48px;
  text-align: left;
  padding: 1px 0;
  border-top: 1px solid var(--rule);
}
.rung[aria-pressed='true'] {
  background: rgb(var(--v-theme-primary), 0.1);
}
.line {
  display: flex;
  align-items: center;
  gap: 10px;
  font-size: 16px;
  line-height: 21px;
}
.line :deep(.mark) {
  flex: none;
  width: 88px;
  white-space: nowrap;
  font-size: 15px;
}
.line strong {
  font-weight: 500;
}
.gap {
  min-width: 62px;
  text-align: right;
  white-space: nowrap;
  font-size: 18px;
  font-weight: 600;
}
.named {
  flex: 1;
  min-width: 0;
  display: flex;
  justify-content: space-between;
  gap: 8px;
}
.named strong {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.spare {
  flex: none;
  font-size: 14px;
  color: var(--muted);
}
.bar {
  fill: currentColor;
}
.whisker {
  stroke: var(--ink);
  stroke-width: 1.5;
  fill: none;
}
.zero {
  stroke: var(--ink);
  stroke-width: 2;
}
.notch {
  fill: var(--muted);
}
.key {
  font-size: 14px;
  margin: 4px 0 0;
}
</style>
