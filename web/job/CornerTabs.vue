<script setup lang="ts">
import { computed } from 'vue';
import { CORNER_KEYS, type CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { formatMm } from '@/core/1-base/units/length';
import { marginWords } from '@/core/4-clearance/case/standard';
import type { ObstacleVerdict } from '@/core/4-clearance/verdict/evaluate';
import VerdictMark from '../kit/VerdictMark.vue';
import { VERDICT_WORDS } from '../words';
import { useJobStore } from '../stores/job';
import { CORNER_NAMES } from '../../core/2-vehicle/setup/corner-key';
import { useCurrentCorner } from './current-corner';

const job = useJobStore();
const corner = useCurrentCorner();

/** The worst thing of each corner, beside its name. */
const worst = computed(() => {
  const found = new Map<CornerKey, ObstacleVerdict>();
  for (const o of job.evaluation?.obstacles ?? []) {
    const before = found.get(o.corner);
    if (!before || o.marginMm < before.marginMm) found.set(o.corner, o);
  }
  return found;
});
const state = (key: CornerKey): string => (job.document?.corners[key] ? 'no survey' : 'not taken');
</script>

<template>
  <div class="corners" :data-old="job.isOld || undefined" role="group" aria-label="Corner of the vehicle">
    <button
      v-for="key in CORNER_KEYS"
      :key="key"
      type="button"
      class="corner"
      :class="{ absent: !job.document?.corners[key] }"
      :aria-pressed="corner === key"
      @click="corner = key"
    >
      <span>{{ CORNER_NAMES[key] }}</span>
      <span
        v-if="worst.has(key)"
        class="state figures"
        :title="`${VERDICT_WORDS[worst.get(key)!.verdict]}, ${marginWords(worst.get(key)!.marginMm)}`"
      >
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
  display: flex;
  gap: 2px;
  align-items: center;
}
.corner {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  justify-content: center;
  min-height: 48px;
  min-width: 84px;
  padding: 2px 7px;
  border-radius: 4px;
  font-size: 15px;
  line-height: 19px;
}
.corner[aria-pressed='true'] {
  background: var(--paper);
  box-shadow: inset 0 0 0 2px var(--accent);
}
.state {
  font-size: 14px;
  color: var(--muted);
}
.absent {
  color: var(--muted);
}
@media (max-width: 760px) {
  .corner {
    min-width: 0;
    padding: 2px 6px;
    font-size: 14px;
  }
}
</style>
