<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue';
import { changesBetween } from '@/contracts/changes/diff';
import type { JobContent, JobHistory } from '@/contracts/job-api';
import { placeText } from '@/contracts/problems';
import { api } from '../api';
import { fullMomentText } from '../kit/dates';
import DialogBox from '../kit/DialogBox.vue';
import NoticeBox from '../kit/NoticeBox.vue';
import { fieldWords, isTypedText, valueWords } from '../saving/field-words';
import { useJobStore } from '../stores/job';

/** Who changed what in this job and when; any earlier state can be looked at and brought back, which is a change like any other. */
const open = defineModel<boolean>({ required: true });
const job = useJobStore();
const sets = shallowRef<JobHistory['sets'] | null>(null);
const failed = shallowRef(false);
/** The state somebody looks at. */
const then = shallowRef<{ readonly revision: number; readonly content: JobContent } | null>(null);

/** Differences shown of a state. */
const MOST_SHOWN = 40;

const now = computed<JobContent>(() => ({ title: job.title, customer: job.customer, document: job.document! }));

// It may be opened before it has come.
watch(
  open,
  async (isOpen) => {
    then.value = null;
    if (!isOpen) return;
    const read = await api.jobHistory(job.id);
    failed.value = !read.ok;
    sets.value = read.ok ? read.value.sets : null;
  },
  { immediate: true },
);

/** The state before a save. */
async function look(revision: number): Promise<void> {
  const read = await api.jobThen(job.id, revision);
  failed.value = !read.ok;
  if (!read.ok) return;
  const { title, customer, document } = read.value;
  then.value = { revision, content: { title, customer, document } };
}

const differences = computed(() => {
  if (!then.value) return [];
  return changesBetween(now.value, then.value.content)
    .filter(({ path }) => !isTypedText(path))
    .map(({ path, was, now: before }) => ({
      place: fieldWords(path, now.value),
      now: valueWords(was, path.at(-1)),
      then: valueWords(before, path.at(-1)),
    }));
});

function bringBack(): void {
  if (!then.value) return;
  const { title, customer, document } = then.value.content;
  job.become(document);
  if (title !== job.title || customer !== job.customer) job.rename(title, customer);
  open.value = false;
}

const whatOf = ({ paths, count }: JobHistory['sets'][number]): string => {
  const places = [...new Set(paths.filter((path) => !path.includes('.typed.')).map(placeOf))];
  const more = count - paths.length;
  return `${places.slice(0, 3).join('; ')}${places.length > 3 || more > 0 ? ' and more' : ''}`;
};
const placeOf = (path: string): string => placeText(path.replace(/^document\./, ''), job.document);
</script>

<template>
  <DialogBox v-model="open" label="History of this job" :width="760">
    <div class="panel dialog">
      <h2 class="panel-title">History</h2>
      <NoticeBox v-if="failed" kind="warning"
        >The server does not answer; what it keeps of this job is not lost.</NoticeBox
      >
      <p v-else-if="sets && sets.length === 0">Nothing was changed since the job was made.</p>
      <ol v-if="sets && !then" class="sets">
        <li v-for="set in sets" :key="set.revision">
          <span class="when">{{ fullMomentText(set.at) }}</span>
          <span class="what">{{ set.by ? `${set.by}: ` : '' }}{{ whatOf(set) }}</span>
          <v-btn variant="outlined" height="48" @click="look(set.revision - 1)">As it was before</v-btn>
        </li>
      </ol>
      <template v-if="then">
        <p>As the job was then. Brought back, these would change; it is one change, which can be undone.</p>
        <table v-if="differences.length" class="differences">
          <thead>
            <tr>
              <th scope="col">Field</th>
              <th scope="col">Now</th>
              <th scope="col">Then</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(one, i) in differences.slice(0, MOST_SHOWN)" :key="i">
              <td>{{ one.place }}</td>
              <td>{{ one.now }}</td>
              <td>{{ one.then }}</td>
            </tr>
          </tbody>
        </table>
        <p v-if="differences.length > MOST_SHOWN" class="muted">
          and {{ differences.length - MOST_SHOWN }} other fields
        </p>
        <p v-if="differences.length === 0">It is as it is now.</p>
      </template>
      <div class="keys ends">
        <v-btn v-if="then" variant="text" height="48" @click="then = null">Back to the list</v-btn>
        <v-btn variant="text" height="48" @click="open = false">Close</v-btn>
        <v-btn v-if="then && differences.length" color="primary" height="48" @click="bringBack">Bring it back</v-btn>
      </div>
    </div>
  </DialogBox>
</template>

<style scoped>
.sets {
  list-style: none;
  padding: 0;
  max-height: 60vh;
  overflow-y: auto;
}
.sets li {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
.when {
  min-width: 160px;
}
.what {
  flex: 1;
  min-width: 200px;
}
.differences {
  width: 100%;
  border-collapse: collapse;
}
.differences th,
.differences td {
  text-align: left;
  padding: 4px 12px 4px 0;
  border-bottom: 1px solid var(--rule);
}
</style>
