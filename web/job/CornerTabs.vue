<script setup lang="ts">
import { computed } from 'vue';
import { CORNER_KEYS, type CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { formatMm } from '@/core/1-base/units/length';
import { marginWords } from '@/core/4-clearance/case/standard';
import { cornerVerdicts, worstOfCorners } from '@/core/4-clearance/verdict/worst-of-corners';
import VehicleAbove from '../kit/VehicleAbove.vue';
import VerdictMark from '../kit/VerdictMark.vue';
import { VERDICT_WORDS } from '../words';
import { useJobStore } from '../stores/job';
import { CORNER_NAMES } from '../../core/2-vehicle/setup/corner-key';
import { useCurrentCorner } from './current-corner';
import { whyUnjudged, type Unjudged } from './unjudged';

const job = useJobStore();
const corner = useCurrentCorner();

/** The worst part of each corner, beside its name. */
const worst = computed(() => worstOfCorners(job.evaluation?.obstacles ?? []));
const verdicts = computed(() => cornerVerdicts(worst.value));
const UNJUDGED: Readonly<Record<Unjudged, string>> = {
  notTaken: 'not taken',
  noSurvey: 'no survey',
  noVerdict: 'no verdict',
  notYet: '…',
};
const state = (key: CornerKey): string => UNJUDGED[whyUnjudged(job, key)];
</script>

<template>
  <div class="corners" :data-old="job.looksOld || undefined" role="group" aria-label="Corner of the vehicle">
    <VehicleAbove :verdicts="verdicts" :current="corner" class="drawn" />
    <button
      v-for="key in CORNER_KEYS"
      :key="key"
      type="button"
      class="corner"
      :class="[key, { absent: !job.document?.corners[key] }]"
      :aria-pressed="corner === key"
      :title="worst.has(key) ? marginWords(worst.get(key)!.marginMm) : ''"
      @click="corner = key"
    >
      <span class="name">{{ CORNER_NAMES[key] }}</span>
      <span v-if="worst.has(key)" class="state figures">
        <VerdictMark :verdict="worst.get(key)!.verdict" :size="14" bare />
        {{ worst.get(key)!.verdict === 'notKnown' ? VERDICT_WORDS.notKnown : `${formatMm(worst.get(key)!.gapMm)} mm` }}
        <span v-if="worst.get(key)!.verdict !== 'notKnown'" class="visually-hidden">{{
          VERDICT_WORDS[worst.get(key)!.verdict]
        }}</span>
      </span>
      <span v-else class="state figures">{{ state(key) }}</span>
    </button>
  </div>
</template>

<style scoped>
.corners {
  display: grid;
  grid-template: 'frontLeft drawn frontRight' 1fr 'rearLeft drawn rearRight' 1fr / 1fr 52px 1fr;
  gap: 2px 4px;
  flex: none;
  width: 266px;
}
.drawn {
  grid-area: drawn;
  height: 100px;
  align-self: center;
}
.corner {
  display: flex;
  flex-direction: column;
  justify-content: center;
  min-height: 48px;
  padding: 1px 7px;
  border-radius: 4px;
  font-size: 14px;
  line-height: 18px;
}
.frontLeft {
  grid-area: frontLeft;
}
.frontRight {
  grid-area: frontRight;
}
.rearLeft {
  grid-area: rearLeft;
}
.rearRight {
  grid-area: rearRight;
}
.frontLeft,
.rearLeft {
  align-items: flex-end;
  text-align: right;
}
.frontRight,
.rearRight {
  align-items: flex-start;
}
.corner[aria-pressed='true'] {
  background: var(--paper);
  box-shadow: inset 0 0 0 2px var(--accent);
}
.state {
  font-size: 15px;
  font-weight: 600;
}
.name,
.absent {
  color: var(--muted);
}
@media (max-width: 760px), (max-height: 500px) {
  .corners {
    display: flex;
    width: auto;
    max-width: 100%;
    overflow-x: auto;
  }
  .drawn {
    display: none;
  }
  .corner {
    flex: 1 0 auto;
    align-items: flex-start;
    padding: 1px 6px;
  }
}
@media print {
  .corners {
    display: none;
  }
}
</style>
