<script setup lang="ts">
import type { KeptAnswer } from '@/contracts/finder';
import { formatMm } from '@/core/1-base/units/length';
import { AXLE_WORDS, changesWords, lowGapWords, wheelWords } from './finder-words';

/** The answer that was kept with the job, until the question is asked again. */
defineProps<{ kept: KeptAnswer; current: boolean }>();
</script>

<template>
  <div class="box close">
    <p class="small" :class="{ 'verdict-close': !current }">
      {{
        current
          ? 'Found before on this survey and kept with the job. Press Find for the board.'
          : 'Found before and kept with the job, on another survey, setup or standard than now. Press Find again.'
      }}
      {{ kept.combinations.toLocaleString('en') }} combinations, {{ kept.clears.toLocaleString('en') }} clear as they
      are, {{ kept.withChanges.toLocaleString('en') }} with changes.
    </p>
    <ol>
      <li v-for="(row, i) in kept.rows.slice(0, 12)" :key="i">
        <strong class="figures">{{ row.size }}</strong>
        <span class="figures">{{ formatMm(row.diameterMm, 0) }} mm</span>
        <span
          >{{ row.axle === 'all' ? '' : `${AXLE_WORDS[row.axle]}: ` }}{{ wheelWords(row)
          }}{{ row.liftMm ? `, ${formatMm(row.liftMm)} mm lift` : '' }}</span
        >
        <span class="figures">{{
          lowGapWords({ lowGapMm: row.lowGapMm, requiredMm: row.requiredMm ?? null, lowGapIsLeast: false })
        }}</span>
        <span :class="row.result === 'clears' ? 'muted' : 'verdict-close'">{{ changesWords(row) }}</span>
      </li>
    </ol>
  </div>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 140px 70px minmax(0, 1fr) 140px minmax(0, 1fr);
  gap: 8px;
  padding: 5px 0;
  border-top: 1px solid var(--rule);
  font-size: 15px;
}
@media (max-width: 700px) {
  li {
    grid-template-columns: 1fr auto;
  }
}
</style>
