<script setup lang="ts">
import { fallsShort, marginWords, needsWords } from '@/core/4-clearance/case/standard';
import { computed } from 'vue';
import { problemText } from '../problem-words';
import { CORNER_KEYS, type CornerKey, cornerName } from '@/core/2-vehicle/setup/corner-key';
import type { ObstacleVerdict } from '@/core/4-clearance/verdict/evaluate';
import { formatMm } from '@/core/1-base/units/length';
import { cornerLimits } from '../job/corner-limits';
import { useCurrentCorner } from '../job/current-corner';
import { whyUnjudged, type Unjudged } from '../job/unjudged';
import VerdictMark from '../kit/VerdictMark.vue';
import { useJobStore } from '../stores/job';
import { postureWords } from '../words';
import { CORNER_NAMES } from '../../core/2-vehicle/setup/corner-key';

/** All four corners, the worst first, and what a rotation front to rear would do. */
const job = useJobStore();
const current = useCurrentCorner();

interface CornerState {
  readonly key: CornerKey;
  readonly least: ObstacleVerdict | null;
  readonly words: string;
}

const leastOf = (all: readonly ObstacleVerdict[], key: CornerKey): ObstacleVerdict | null =>
  all
    .filter((o) => o.corner === key)
    .reduce<ObstacleVerdict | null>((least, o) => (!least || o.marginMm < least.marginMm ? o : least), null);

const UNJUDGED: Readonly<Record<Unjudged, string>> = {
  notTaken: 'not taken: no baseline',
  noSurvey: 'nothing near the tire surveyed',
  noVerdict: 'no verdict as entered',
  notYet: 'being worked out',
};

const corners = computed<CornerState[]>(() =>
  CORNER_KEYS.map((key) => {
    const least = leastOf(job.evaluation?.obstacles ?? [], key);
    const words = least
      ? `${needsWords(least.requiredMm)}, ${marginWords(least.marginMm)}: ${least.label}, ${postureWords(least.steerDeg, least.travelMm, cornerLimits(job.document, key)?.ride, least.crossMm)}`
      : UNJUDGED[whyUnjudged(job, key)];
    return { key, least, words };
  }).sort((a, b) => (a.least?.marginMm ?? Infinity) - (b.least?.marginMm ?? Infinity)),
);

/** Beside the other side of the same axle. */
const sideways = computed(() => {
  const margin = (key: CornerKey): number | null => corners.value.find((c) => c.key === key)?.least?.marginMm ?? null;
  return (['front', 'rear'] as const).flatMap((end) => {
    const [left, right] = [margin(`${end}Left`), margin(`${end}Right`)];
    if (left === null || right === null) return [];
    const by = Math.abs(left - right);
    if (by < 3) return [];
    return [`At the ${end} the ${left < right ? 'left' : 'right'} is tighter by ${formatMm(by)} mm.`];
  });
});

const rotation = computed(() => {
  if (job.problems.length) return 'Rotation front to rear: not without a verdict.';
  if (!job.rotation) return 'Rotation front to rear: being worked out.';
  if (!job.rotation.ok) return `Rotation front to rear: ${problemText(job.rotation.problems[0]!)}`;
  const found = job.rotation.value;
  if (found === null) return 'Rotation front to rear changes nothing: the same tire and wheel all round.';
  const worse = CORNER_KEYS.flatMap((key) => {
    const least = leastOf(found.obstacles, key);
    return least ? [{ key, least }] : [];
  }).sort((a, b) => a.least.marginMm - b.least.marginMm);
  const [first] = worse;
  if (!first) return 'Rotation front to rear: nothing surveyed to check it against.';
  if (first.least.verdict === 'notKnown') {
    return `Rotated front to rear: not known, ${cornerName(first.key)} is surveyed too little.`;
  }
  return fallsShort(first.least.verdict)
    ? `Do not rotate front to rear: ${cornerName(first.key)}, ${first.least.label} would be ${marginWords(first.least.marginMm)}.`
    : `Rotated front to rear it clears: ${marginWords(first.least.marginMm)}, ${cornerName(first.key)}, ${first.least.label}.`;
});
</script>

<template>
  <section class="panel box close" aria-label="All four corners">
    <h2 class="panel-title">All four corners</h2>
    <ol class="ruled">
      <li v-for="c in corners" :key="c.key">
        <button type="button" class="line-key corner-row" :aria-current="c.key === current" @click="current = c.key">
          <strong>{{ CORNER_NAMES[c.key] }}</strong>
          <VerdictMark v-if="c.least" :verdict="c.least.verdict" :size="18" />
          <span v-else class="muted">unknown</span>
          <span class="figures margin">{{ c.least ? `${formatMm(c.least.gapMm)} mm` : '' }}</span>
          <span class="muted words">{{ c.words }}</span>
        </button>
      </li>
    </ol>
    <p v-for="line in sideways" :key="line" class="small">{{ line }}</p>
    <p class="small" data-testid="rotation">{{ rotation }}</p>
  </section>
</template>

<style scoped>
.corner-row {
  grid-template-columns: 92px 74px 76px minmax(0, 1fr);
}
.margin {
  text-align: right;
  font-weight: 600;
}
@media (max-width: 760px) {
  .corner-row {
    grid-template-columns: 92px 74px 76px;
  }
  .words {
    grid-column: 1 / -1;
  }
}
</style>
