<script setup lang="ts">
import { computed } from 'vue';
import { CORNER_KEYS, type CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { formatMm } from '@/core/1-base/units/length';
import { useJobStore } from '../stores/job';
import { CORNER_NAMES } from '../../core/2-vehicle/setup/corner-key';
import { useCurrentCorner } from './current-corner';

const job = useJobStore();
const corner = useCurrentCorner();

/** Least margin of each corner, beside its name. */
const least = computed(() => {
  const found = new Map<CornerKey, number>();
  for (const o of job.evaluation?.obstacles ?? []) {
    found.set(o.corner, Math.min(found.get(o.corner) ?? Infinity, o.marginMm));
  }
  return found;
});

const state = (key: CornerKey): string => {
  const margin = least.value.get(key);
  const known = job.evaluation?.known.find((one) => one.corner === key)?.isEnough ?? false;
  if (margin !== undefined) return known || margin < 0 ? `${formatMm(margin)} mm` : 'not known';
  return job.document?.corners[key] ? 'no survey' : 'not taken';
};
</script>

<template>
  <div class="corners" role="group" aria-label="Corner of the vehicle">
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
      <span class="state figures">{{ state(key) }}</span>
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
