<script setup lang="ts">
import { marginWords, needsWords } from '@/core/4-clearance/case/standard';
import { seenClock } from '@/core/1-base/units/clock';
import { CORNER_KEYS, cornerName, sideOf } from '@/core/2-vehicle/setup/corner-key';
import { computed } from 'vue';
import { problemText } from '../problem-words';
import { formatFraction, formatMm } from '@/core/1-base/units/length';
import { cornerLimits } from '../job/corner-limits';
import { useJobStore } from '../stores/job';
import { ACROSS_NAMES, pastLockWords, postureWords, STANDARD_NAMES, VERDICT_WORDS } from '../words';
import { chanceWords, unknownWords } from '../advice';
import PostureGlyph from './PostureGlyph.vue';
import VerdictMark from './VerdictMark.vue';

const job = useJobStore();

const low = computed(() => job.evaluation?.lowGap ?? null);
const obstacle = computed(() =>
  job.evaluation?.obstacles.find((o) => o.corner === low.value?.corner && o.id === low.value.obstacle),
);
const before = computed(() => job.evaluation?.beforeAlignment ?? null);
const limits = computed(() => (low.value ? cornerLimits(job.document, low.value.corner) : null));
const verdict = computed(() => low.value?.verdict ?? null);
/** Corners about which too little is known to say that they clear, with what to measure first. */
const unknown = computed(() => unknownWords(job.evaluation?.known ?? []));

/** Corners that the setup stands on too, and of which nothing can be said. */
const unsaid = computed(() => {
  const surveyed = new Set(job.evaluation?.obstacles.map(({ corner }) => corner));
  const silent = CORNER_KEYS.filter((key) => !surveyed.has(key));
  return silent.length > 0 ? `says nothing of ${silent.map((key) => cornerName(key)).join(', ')}` : '';
});

/** How often less is left than wanted at the low gap's obstacle, once that is known. */
const chance = computed(() => {
  const { study } = job;
  if (!study?.spread || study.corner !== low.value?.corner) return null;
  return study.spread.obstacles.find((o) => o.id === low.value?.obstacle)?.chanceOfRub ?? null;
});

function showWhere(): void {
  if (low.value) job.pick = { corner: low.value.corner, id: low.value.obstacle };
}
</script>

<template>
  <footer
    class="strip"
    :class="verdict ? `is-${verdict}` : ''"
    aria-label="Gap strip"
    data-testid="gap-strip"
    :data-old="job.looksOld || undefined"
    :data-asked="job.turns.asked"
    :data-answered="job.turns.answered"
  >
    <div class="ticks" aria-hidden="true" />
    <template v-if="low && obstacle && limits && verdict">
      <div class="amount figures" :class="`verdict-${verdict}`">
        <span class="caption">{{ job.looksOld ? 'old, being worked out' : 'low gap' }}</span>
        <span class="number" data-testid="low-gap">{{ formatMm(low.gapMm) }}</span>
        <span class="units">mm<br />{{ formatFraction(low.gapMm) }} in</span>
        <VerdictMark :verdict="verdict" :size="28" />
      </div>
      <button class="where" type="button" @click="showWhere">
        <strong>{{ obstacle.label }}</strong>, {{ cornerName(low.corner) }}
        <span class="detail">
          <strong data-testid="low-margin">{{ needsWords(low.requiredMm) }}, {{ marginWords(low.mm) }}</strong> · at
          {{ seenClock(low.clock, sideOf(low.corner)) }} on the {{ ACROSS_NAMES[low.across] }}
          <template v-if="chance !== null && verdict !== 'notKnown'"> · {{ chanceWords(chance) }}</template>
          <template v-if="before?.lowGap"> · before alignment {{ formatMm(before.lowGap.gapMm) }} mm</template>
          <template v-if="verdict === 'notKnown'"> · {{ unknown }}</template>
          <template v-if="unsaid"> · {{ unsaid }}</template>
        </span>
      </button>
      <PostureGlyph
        :steer-deg="low.steerDeg"
        :travel-mm="low.travelMm"
        :lowest-mm="limits.lowest"
        :highest-mm="limits.highest"
      />
      <div class="posture">
        {{ postureWords(low.steerDeg, low.travelMm, limits.ride, low.crossMm) }}
        <span class="detail">
          {{ STANDARD_NAMES[job.document!.standard] }} standard · {{ job.document!.envelope }} envelope
          <template v-if="low.pastLock"> · {{ pastLockWords(low.pastLock) }}</template>
        </span>
      </div>
    </template>
    <p v-else-if="job.problems.length" class="message verdict-rubs" role="alert" data-testid="strip-problem">
      No verdict: {{ problemText(job.problems[0]!) }}
    </p>
    <p v-else-if="job.computing" class="message muted">Working out the low gap</p>
    <p v-else-if="job.document && job.evaluation" class="message muted" data-testid="strip-unknown">
      No low gap yet: {{ unknown }}
    </p>
    <p v-else class="message muted">
      No low gap yet: nothing near the tire has been surveyed. Take the first reading in the Survey.
    </p>
    <span class="visually-hidden" role="status">
      {{
        low && obstacle
          ? `Low gap ${formatMm(low.gapMm)} millimeters at the ${obstacle.label}, ${needsWords(low.requiredMm)}, ${VERDICT_WORDS[low.verdict]}`
          : ''
      }}
    </span>
  </footer>
</template>

<style scoped>
.strip {
  position: fixed;
  inset: auto 0 0 0;
  z-index: 900;
  min-height: var(--strip-height);
  padding: 11px 20px 4px;
  display: flex;
  align-items: center;
  gap: 24px;
  background: var(--paper);
  border-top: 2px solid var(--rule);
}
/* A rule's edge: the strip is a tape laid along the bottom of the screen. */
.ticks {
  position: absolute;
  inset: 0 0 auto 0;
  height: 9px;
  background:
    repeating-linear-gradient(90deg, var(--rule) 0 1px, transparent 1px 10px) 0 0 / 100% 5px no-repeat,
    repeating-linear-gradient(90deg, var(--muted) 0 1px, transparent 1px 50px) 0 0 / 100% 9px no-repeat;
}
.amount {
  display: flex;
  align-items: center;
  gap: 10px;
  flex: none;
}
.caption {
  font-family: var(--text);
  color: var(--muted);
  font-size: 14px;
  line-height: 16px;
  width: 30px;
}
.number {
  font-size: 42px;
  line-height: 44px;
  font-weight: 600;
  min-width: 3.2ch;
  text-align: right;
}
.units {
  font-size: 15px;
  line-height: 18px;
  min-width: 62px;
}
.where {
  text-align: left;
  font-size: 18px;
  line-height: 24px;
  min-width: 0;
  flex: 1 1 auto;
  min-height: 48px;
}
.posture {
  font-size: 16px;
  line-height: 22px;
  flex: 0 1 400px;
  min-width: 0;
}
.detail {
  display: -webkit-box;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
  line-clamp: 2;
  overflow: hidden;
  font-size: 14px;
  line-height: 18px;
  color: var(--muted);
}
.message {
  font-size: 17px;
  margin: 0;
}
@media (max-width: 1180px) {
  .strip {
    gap: 14px;
  }
  .posture {
    flex-basis: 250px;
    font-size: 15px;
    line-height: 19px;
  }
  .posture .detail {
    -webkit-line-clamp: 1;
    line-clamp: 1;
  }
}
@media (max-width: 760px), (max-height: 500px) {
  .strip {
    gap: 4px 12px;
    padding: 7px 10px 2px;
  }
  .caption,
  .posture,
  .strip .glyph,
  .amount :deep(.word) {
    display: none;
  }
  .number {
    font-size: 30px;
    line-height: 34px;
  }
  .where {
    font-size: 15px;
    line-height: 19px;
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .detail {
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .message {
    font-size: 15px;
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
}
@media print {
  .strip {
    display: none;
  }
}
</style>
