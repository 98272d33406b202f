<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue';
import type { FinderQuestionEntry } from '@/contracts/finder';
import { problemText } from '@/contracts/problems';
import type { FoundRow } from '@/core/6-decisions/finder/rows';
import type { SchoolAnswer } from '@/core/6-decisions/finder/schools';
import type { Problem } from '@/core/1-base/problem';
import { formatMm } from '@/core/1-base/units/length';
import { useJobStore } from '../stores/job';
import type { FinderClient } from '../workers/finder-client';
import { STANDARD_NAMES } from '../words';
import { AXLE_WORDS, changesWords, REMEDY_WORDS, tireWords, wheelWords } from './finder-words';

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
</script>

<template>
  <div class="schools">
    <div class="go">
      <v-btn height="48" color="primary" :loading="share !== null" @click="compare">Ask every school</v-btn>
      <v-progress-linear v-if="share !== null" :model-value="100 * share" height="8" rounded color="primary" />
    </div>
    <p v-for="p in problems" :key="p.path + p.code" class="verdict-rubs" role="alert">{{ problemText(p) }}</p>
    <p v-if="!answers.length" class="muted">
      The question as it stands, by each standard: what never rubs at all, what may kiss plastic near full bump, and
      what fits once cut.
    </p>
    <table v-else>
      <thead>
        <tr>
          <th scope="col">School</th>
          <th scope="col">Clear as they are</th>
          <th scope="col">With changes</th>
          <th scope="col">Biggest as it is</th>
          <th scope="col">Biggest with changes</th>
          <th scope="col">Does not allow</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="a in answers" :key="a.standard + a.axle">
          <th scope="row">
            {{ STANDARD_NAMES[a.standard]
            }}<template v-if="axles > 1">, {{ AXLE_WORDS[a.axle].toLowerCase() }}</template>
          </th>
          <td class="figures">{{ a.clears.toLocaleString('en') }}</td>
          <td class="figures">{{ a.withChanges.toLocaleString('en') }}</td>
          <td>{{ rowWords(a.biggest) }}</td>
          <td>{{ rowWords(a.biggestChanged) }}</td>
          <td>{{ a.forbids.map((one) => REMEDY_WORDS[one].toLowerCase()).join(', ') || 'nothing' }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.schools {
  padding: 10px 12px;
  display: grid;
  gap: 10px;
  overflow-x: auto;
}
.go {
  display: flex;
  gap: 12px;
  align-items: center;
}
table {
  border-collapse: collapse;
  font-size: 15px;
}
th,
td {
  text-align: left;
  vertical-align: top;
  padding: 7px 8px;
  border-top: 1px solid var(--rule);
}
</style>
