<script setup lang="ts">
import { computed, ref } from 'vue';
import { fittedCorner } from '@/contracts/as-fit';
import { problemText } from '@/contracts/problems';
import { CORNER_NAMES, type CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { attempt } from '@/core/1-base/problem';
import { formatMm } from '@/core/1-base/units/length';
import { surveyedObstacles } from '@/core/3-survey/prepared/surveyed-obstacles';
import { stopReadings, type StopReading } from '@/core/7-job/test-fit/stop-readings';
import { useJobStore } from '../stores/job';
import { POSTURE_WORDS } from './fit-words';
import type { TestFitState } from './use-test-fit';

/** The bump stop is not where the baseline has it: shown, then taken into the baseline or left. */
const props = defineProps<{ state: TestFitState }>();
const job = useJobStore();

const found = computed(() => {
  const file = job.document;
  const round = props.state.round.value;
  if (!file || !round) return [];
  return job.corners.flatMap((key) => {
    const read = attempt(() => stopReadings(fittedCorner(file, round, key)));
    const [first] = read.ok ? read.value : [];
    return first ? [{ key, stop: first }] : [];
  });
});
const refusal = ref('');

function take(key: CornerKey, { bumpMm }: StopReading): void {
  const corner = job.document?.corners[key];
  if (!corner) return;
  const travel = { ...corner.travel, bumpMm: Math.round(10 * bumpMm) / 10 };
  // A gap of the survey may have been read above the new limit: then one of the two is wrong.
  const stands = attempt(() => surveyedObstacles(key, { ...corner, travel }));
  refusal.value = stands.ok
    ? ''
    : `Not taken in: ${stands.problems.map((problem) => problemText(problem, job.document)).join(' ')}`;
  if (!stands.ok) return;
  job.change((file) => {
    const here = file.corners[key]!;
    here.travel.bumpMm = travel.bumpMm;
    delete here.typed?.['bumpMm'];
    if (here.starting) here.starting = here.starting.filter((value) => value !== 'bumpMm');
  });
}
const words = ({ posture, is, thoughtMm, foundMm }: StopReading): string =>
  is === 'reached'
    ? `${POSTURE_WORDS[posture].name}: the stop closed at ${formatMm(foundMm, 0)} mm of bump, the baseline has it at ${formatMm(thoughtMm, 0)} mm.`
    : `${POSTURE_WORDS[posture].name}: the stop was still open where the baseline has it closed; it lets the wheel go to ${formatMm(foundMm, 0)} mm at least, not ${formatMm(thoughtMm, 0)} mm.`;
</script>

<template>
  <div v-if="found.length || refusal" class="stack" data-testid="stop-readings">
    <p v-for="f in found" :key="f.key" class="verdict-close" role="status">
      {{ CORNER_NAMES[f.key] }}, {{ words(f.stop) }}
      <v-btn height="48" variant="outlined" @click="take(f.key, f.stop)"
        >Bump {{ formatMm(f.stop.bumpMm, 0) }} mm into the baseline</v-btn
      >
    </p>
    <p v-if="refusal" class="verdict-rubs" role="alert">{{ refusal }}</p>
  </div>
</template>
