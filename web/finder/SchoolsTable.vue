<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue';
import type { FinderQuestionEntry } from '@/contracts/finder';
import { problemText } from '../problem-words';
import type { FoundRow } from '@/core/6-decisions/finder/rows';
import type { SchoolAnswer } from '@/core/6-decisions/finder/schools';
import type { Problem } from '@/core/1-base/problem';
import { formatMm } from '@/core/1-base/units/length';
import { useJobStore } from '../stores/job';
import type { FinderClient } from '../workers/finder-client';
import { STANDARD_NAMES } from '../words';
import { AXLE_WORDS, changesWords, REMEDY_WORDS, tireWords, wheelWords } from './finder-words';
import FiguresTable, { type FiguresRow } from '../kit/FiguresTable.vue';

/** The same question by every school. */
const props = defineProps<{ client: FinderClient; question: FinderQuestionEntry }>();
const job = useJobStore();

const answers = shallowRef<readonly SchoolAnswer[]>([]);
const problems = shallowRef<readonly Problem[]>([]);
const share = ref<number | null>(null);

async function compare(): Promise<void> {
  const file = job.document;
  if (!file) return;
  share.value = 0;
  const found = await props.client.schools(file, props.question, ({ done, total }) => (share.value = done / total));
  share.value = null;
  if (!found) return;
  answers.value = found.ok ? found.value : [];
  problems.value = found.ok ? [] : found.problems;
}

const rowWords = (row: FoundRow | null): string =>
  row
    ? `${tireWords(row)}, ${formatMm(row.diameterMm, 0)} mm, on ${wheelWords(row)}${row.remedies.length ? `: ${changesWords(row)}` : ''}`
    : 'none';
const axles = computed(() => new Set(answers.value.map(({ axle }) => axle)).size);

const figuresOf = (answer: SchoolAnswer): FiguresRow => ({
  name: `${STANDARD_NAMES[answer.standard]}${axles.value > 1 ? `, ${AXLE_WORDS[answer.axle].toLowerCase()}` : ''}`,
  cells: [
    answer.clears.toLocaleString('en'),
    answer.withChanges.toLocaleString('en'),
    rowWords(answer.biggest),
    rowWords(answer.biggestChanged),
    answer.forbids.map((one) => REMEDY_WORDS[one].toLowerCase()).join(', ') || 'nothing',
  ],
});
</script>

<template>
  <div class="box scroll">
    <div class="row">
      <v-btn height="48" color="primary" :loading="share !== null" @click="compare">Ask every school</v-btn>
      <v-progress-linear v-if="share !== null" :model-value="100 * share" height="8" rounded color="primary" />
    </div>
    <p v-for="p in problems" :key="p.path + p.code" class="verdict-rubs" role="alert">{{ problemText(p) }}</p>
    <p v-if="!answers.length" class="muted">
      The question as it stands, by each standard: what never rubs at all, what may kiss plastic near full bump, and
      what fits once cut.
    </p>
    <FiguresTable
      v-else
      caption="The schools side by side"
      corner="School"
      :columns="['Clear as they are', 'With changes', 'Biggest as it is', 'Biggest with changes', 'Does not allow']"
      :rows="answers.map(figuresOf)"
    />
  </div>
</template>
