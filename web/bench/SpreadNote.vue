<script setup lang="ts">
import { computed } from 'vue';
import type { ObstacleSpread, Remeasure } from '@/core/5-consequences/spread/spread';
import { formatMm } from '@/core/1-base/units/length';
import { chanceWords, remeasureWords } from '../advice';

/** How sure the picked gap is, and which measurement would narrow the low gap most; null while it is worked out. */
const props = defineProps<{
  spread: ObstacleSpread | null;
  next: readonly Remeasure[];
  labelOf: (id: string) => string;
}>();

const first = computed(() => props.next.slice(0, 2).map((what) => remeasureWords(what, props.labelOf)));
</script>

<template>
  <p v-if="!spread" class="note muted">Working out how sure this is ...</p>
  <p v-else class="note figures" data-testid="spread-note">
    As measured, the gap is {{ formatMm(spread.gap.p5Mm) }} to {{ formatMm(spread.gap.p95Mm) }} mm with the measuring
    error (90 % of cases): <strong>{{ chanceWords(spread.chanceOfRub) }}</strong>.
    <template v-if="first.length"> To narrow the low gap, measure again: {{ first.join('; ') }}. </template>
  </p>
</template>

<style scoped>
.note {
  font-size: 15px;
  line-height: 20px;
  margin: 0;
  min-height: 60px;
}
</style>
