<script setup lang="ts">
import { line } from 'd3-shape';
import { computed } from 'vue';
import { formatMm } from '@/core/1-base/units/length';
import { cornerName } from '@/core/2-vehicle/setup/corner-key';
import type { PlanCut, PlanSection } from '@/core/6-decisions/plan/plan-section';
import { VERDICT_WORDS } from '../words';

/** The part that falls shortest, cut with the tire before the plan and after it, both at one scale. Outboard to the right. */
const props = defineProps<{ section: PlanSection }>();

/** mm about the place that are shown, and half the length of the part's edge as it is drawn. */
const HALF_MM = 85;
const EDGE_MM = 26;

const path = line<readonly [number, number]>(
  ([a]) => a,
  ([, r]) => -r,
);
/** One window for both: about the middle of the gap before. */
const box = computed(() => {
  const { part, nearest } = props.section.before;
  const [a, r] = [(part![0] + nearest[0]) / 2, (part![1] + nearest[1]) / 2];
  return `${a - HALF_MM} ${-r - HALF_MM} ${2 * HALF_MM} ${2 * HALF_MM}`;
});
/** Degrees by which the part's edge is turned: across the gap. */
const turned = ({ part, nearest }: PlanCut): number =>
  part ? (Math.atan2(-(part[1] - nearest[1]), part[0] - nearest[0]) * 180) / Math.PI : 0;
const says = ({ gapMm, verdict }: PlanCut): string =>
  gapMm === null || verdict === 'takenAway' ? 'taken away' : `${formatMm(gapMm)} mm, ${VERDICT_WORDS[verdict]}`;
const cuts = computed(
  () =>
    [
      ['Now', props.section.before],
      ['Then', props.section.after],
    ] as const,
);
</script>

<template>
  <figure class="drawing">
    <div class="pair">
      <svg
        v-for="[name, cut] in cuts"
        :key="name"
        :viewBox="box"
        role="img"
        :aria-label="`${name}: ${section.label}, ${says(cut)}`"
        :class="`verdict-${cut.verdict}`"
      >
        <path :d="`${path(cut.tire)}Z`" class="tire" />
        <template v-if="cut.part">
          <path :d="`M${cut.nearest[0]} ${-cut.nearest[1]}L${cut.part[0]} ${-cut.part[1]}`" class="gap" />
          <path
            :transform="`translate(${cut.part[0]} ${-cut.part[1]}) rotate(${turned(cut)})`"
            :d="`M4 ${-EDGE_MM}V${EDGE_MM}`"
            class="part"
          />
        </template>
      </svg>
    </div>
    <figcaption>
      <span v-for="[name, cut] in cuts" :key="name" class="small">{{ name }}: {{ says(cut) }}</span>
    </figcaption>
    <p class="small muted">{{ section.label }}, {{ cornerName(section.corner) }}, needs {{ section.requiredMm }} mm</p>
  </figure>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px;
}
svg {
  aspect-ratio: 1.2;
  border: 1px solid var(--rule);
}
.tire {
  fill: var(--rubber);
}
.gap {
  stroke: currentColor;
  stroke-width: 2.5;
}
.part {
  stroke: currentColor;
  stroke-width: 8;
  stroke-linecap: round;
}
figcaption {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px;
}
</style>
