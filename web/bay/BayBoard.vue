<script setup lang="ts">
import {
  mdiAccountGroupOutline,
  mdiChartBoxOutline,
  mdiDeleteOutline,
  mdiFileImportOutline,
  mdiLogout,
  mdiPhoneOutline,
  mdiPlus,
  mdiSchoolOutline,
  mdiServerOutline,
  mdiTire,
} from '@mdi/js';
import { onMounted, ref, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import { copiedJob } from '@/contracts/copied-job';
import type { Job, JobContent, JobHead } from '@/contracts/job-api';
import { problemText } from '../problem-words';
import type { Problem } from '@/core/1-base/problem';
import { api, problemsOf, type ApiResult } from '../api';
import type { LengthUnit } from '@/core/1-base/units/length';
import { vFirst } from '../kit/first-field';
import UnitsToggle from '../kit/UnitsToggle.vue';
import { useJobDocuments } from '../stores/job-documents';
import { useUnits } from '../stores/units';
import { useWho } from '../stores/who';
import PageHead from '../kit/PageHead.vue';
import { jobFromFile, readJobUpload } from '../kit/job-file';
import { useBoardVerdicts } from './use-board-verdicts';
import WelcomePage from './WelcomePage.vue';
import { blankJob } from './blank-job';
import NoticeBox from '../kit/NoticeBox.vue';
import DialogBox from '../kit/DialogBox.vue';
import JobCard from './JobCard.vue';
import UnsentPanel from './UnsentPanel.vue';

const router = useRouter();
const jobs = shallowRef<readonly JobHead[]>([]);
const loaded = ref(false);
const unreachable = ref(false);
const problems = shallowRef<readonly Problem[]>([]);
const picker = ref<HTMLInputElement>();
const naming = ref(false);
const newTitle = ref('');
const units = useUnits();
const who = useWho();
async function leave(): Promise<void> {
  await who.signOut();
  await router.push({ name: 'signIn' });
}
const newUnits = ref<LengthUnit>('mm');
/** In what this shop measures: as chosen here last, or else as its newest job does. */
function askName(): void {
  const [newest] = [...jobs.value].sort((a, b) => b.updatedAt.localeCompare(a.updatedAt));
  newUnits.value = units.chosen ?? newest?.summary?.units ?? 'mm';
  naming.value = true;
}

async function load(): Promise<void> {
  const listed = await api.listJobs();
  loaded.value = true;
  unreachable.value = !listed.ok;
  if (listed.ok) jobs.value = listed.value.jobs;
}

onMounted(load);

async function create(content: JobContent, room: string): Promise<void> {
  await enter(await api.createJob(content), room);
}

async function enter(made: ApiResult<Job>, room: string): Promise<void> {
  if (made.ok) await router.push({ name: room, params: { id: made.value.id } });
  else problems.value = problemsOf(made);
}

async function startNew(): Promise<void> {
  if (newTitle.value.trim() === '') return;
  units.chosen = newUnits.value;
  await create(blankJob(newTitle.value.trim(), newUnits.value), 'intake');
}

const openExample = async (): Promise<void> => enter(await api.exampleJob(), 'bench');

async function importFile(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  input.value = '';
  if (!file) return;
  const read = await readJobUpload(file);
  problems.value = read.ok ? [] : read.problems;
  if (read.ok) await enter(await jobFromFile(read.value), 'bench');
  if (read.ok) await load();
}

const { found, see } = useBoardVerdicts();

async function copy(head: JobHead): Promise<void> {
  const job = await useJobDocuments().documentOf(head);
  if (job) await create(copiedJob(job), 'bench');
  else unreachable.value = true;
}

/** What was put into the bin last, until it is brought back or the board is left. */
const removed = shallowRef<JobHead | null>(null);
async function remove(head: JobHead): Promise<void> {
  const done = await api.removeJob(head.id);
  if (done.ok) removed.value = head;
  await load();
}
async function bringBack(): Promise<void> {
  if (!removed.value) return;
  await api.bringBack('jobs', removed.value.id);
  removed.value = null;
  await load();
}
</script>

<template>
  <PageHead title="Bay board" says="What clears, where, by how much" is-first>
    <v-btn variant="outlined" size="large" :prepend-icon="mdiPhoneOutline" :to="{ name: 'quick' }">Quick look</v-btn>
    <v-btn variant="outlined" size="large" :prepend-icon="mdiTire" :to="{ name: 'catalogue' }">Tires and wheels</v-btn>
    <v-btn variant="outlined" size="large" :prepend-icon="mdiChartBoxOutline" :to="{ name: 'record' }"
      >Shop record</v-btn
    >
    <v-btn variant="outlined" size="large" :prepend-icon="mdiSchoolOutline" :to="{ name: 'practice' }">Practice</v-btn>
    <v-btn variant="outlined" size="large" :prepend-icon="mdiFileImportOutline" @click="picker?.click()"
      >Open a job file</v-btn
    >
    <input
      ref="picker"
      type="file"
      accept=".json,application/json"
      hidden
      data-testid="import-file"
      @change="importFile"
    />
    <v-btn color="primary" size="large" :prepend-icon="mdiPlus" @click="askName">New job</v-btn>
  </PageHead>
  <main class="page">
    <NoticeBox v-if="problems.length" kind="error" closable data-testid="import-problems" @close="problems = []">
      <strong>No job was made.</strong>
      <ul>
        <li v-for="p in problems.slice(0, 8)" :key="p.path + p.code">{{ problemText(p) }}</li>
      </ul>
    </NoticeBox>
    <NoticeBox v-if="unreachable" kind="warning">
      The server does not answer. Start it and <a href="/">load this page again</a>; what is kept in this browser is
      safe.
    </NoticeBox>
    <UnsentPanel @sent="load" />
    <NoticeBox v-if="removed" kind="warning" closable data-testid="put-into-bin" @close="removed = null">
      {{ removed.title }} is in the bin.
      <v-btn variant="text" height="48" @click="bringBack">Bring it back</v-btn>
    </NoticeBox>
    <WelcomePage v-if="loaded && !unreachable && jobs.length === 0" @start="askName" @example="openExample" />
    <ul class="cards">
      <JobCard
        v-for="head in jobs"
        :key="`${head.id} ${head.revision}`"
        :head="head"
        :may-remove="who.may('delete')"
        :standing="found.get(head.id)"
        @seen="see(head)"
        @copy="copy(head)"
        @remove="remove(head)"
      />
    </ul>
    <nav v-if="loaded" class="keys shop-keys" aria-label="The shop's own">
      <v-btn variant="text" height="48" :prepend-icon="mdiDeleteOutline" :to="{ name: 'bin' }">Bin</v-btn>
      <template v-if="who.me?.isAsked">
        <v-btn
          v-if="who.may('lookAfter')"
          variant="text"
          height="48"
          :prepend-icon="mdiAccountGroupOutline"
          :to="{ name: 'people' }"
          >People</v-btn
        >
        <v-btn variant="text" height="48" :prepend-icon="mdiLogout" @click="leave"
          >Sign {{ who.me.who?.name }} out</v-btn
        >
      </template>
      <v-btn
        v-if="who.may('lookAfter')"
        variant="text"
        height="48"
        :prepend-icon="mdiServerOutline"
        :to="{ name: 'installation' }"
        >This installation</v-btn
      >
    </nav>
  </main>
  <DialogBox v-model="naming" label="New job" :width="480">
    <form class="panel dialog" @submit.prevent="startNew">
      <h2 class="panel-title">New job</h2>
      <v-text-field v-model="newTitle" label="What is wanted, on which vehicle" v-first />
      <UnitsToggle :units="newUnits" @choose="(unit) => (newUnits = unit)" />
      <div class="keys ends">
        <v-btn variant="text" @click="naming = false">Cancel</v-btn>
        <v-btn type="submit" color="primary" :disabled="newTitle.trim() === ''">Start with the intake</v-btn>
      </div>
    </form>
  </DialogBox>
</template>

<style scoped>
.cards {
  list-style: none;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(380px, 100%), 1fr));
  gap: 18px;
  padding: 0;
}
.shop-keys {
  margin-top: 18px;
}
</style>
