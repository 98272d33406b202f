<script setup lang="ts">
import { today, dayText } from '@/web/kit/dates';
import {
  mdiChartBoxOutline,
  mdiContentCopy,
  mdiFileImportOutline,
  mdiPhoneOutline,
  mdiPlus,
  mdiSchoolOutline,
  mdiTire,
} from '@mdi/js';
import { format } from 'date-fns';
import { onMounted, ref, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import { copiedJob } from '@/contracts/copied-job';
import type { Job, JobContent } from '@/contracts/job-api';
import { problemText } from '../problem-words';
import type { Problem } from '@/core/1-base/problem';
import { api, type ApiResult } from '../api';
import type { LengthUnit } from '@/core/1-base/units/length';
import UnitsToggle from '../kit/UnitsToggle.vue';
import { useUnits } from '../stores/units';
import PageHead from '../kit/PageHead.vue';
import { readLowgapUpload } from '../kit/lowgap-upload';
import { cornerVerdicts, worstOfCorners } from '@/core/4-clearance/verdict/worst-of-corners';
import { nextStep } from '../job/next-step';
import { ROOM_LABELS } from '../job/rooms';
import VehicleAbove from '../kit/VehicleAbove.vue';
import { VERDICT_WORDS } from '../words';
import { useBoardVerdicts } from './use-board-verdicts';
import { AXLES, cornerName, CORNER_KEYS, CORNERS_OF, type Axle } from '@/core/2-vehicle/setup/corner-key';
import WelcomePage from './WelcomePage.vue';
import { blankJob } from './blank-job';
import NoticeBox from '../kit/NoticeBox.vue';
import DialogBox from '../kit/DialogBox.vue';

const router = useRouter();
const jobs = shallowRef<readonly Job[]>([]);
const loaded = ref(false);
const unreachable = ref(false);
const problems = shallowRef<readonly Problem[]>([]);
const picker = ref<HTMLInputElement>();
const naming = ref(false);
const newTitle = ref('');
const units = useUnits();
const newUnits = ref<LengthUnit>('mm');
/** In what this shop measures: as chosen here last, or else as its newest job does. */
function askName(): void {
  const [newest] = [...jobs.value].sort((a, b) => b.updatedAt.localeCompare(a.updatedAt));
  newUnits.value = units.chosen ?? newest?.document.units ?? 'mm';
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
  if (made.ok) {
    await router.push({ name: room, params: { id: made.value.id } });
  } else {
    problems.value =
      made.failure.kind === 'refused'
        ? made.failure.problems
        : [{ code: 'internal', path: '', expected: 'an answer from the server', found: 'none; is it running?' }];
  }
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
  const read = await readLowgapUpload(file);
  problems.value = read.ok ? [] : read.problems;
  if (read.ok) await create({ title: read.value.vehicle.label, customer: '', document: read.value }, 'bench');
}

const evaluations = useBoardVerdicts(jobs);
const stands = (job: Job) => cornerVerdicts(worstOfCorners(evaluations.value.get(job.id)?.obstacles ?? []));
/** What the drawing shows, in words. */
const standsWords = (job: Job): string => {
  const verdicts = stands(job);
  return CORNER_KEYS.flatMap((key) =>
    verdicts[key] ? [`${cornerName(key)} ${VERDICT_WORDS[verdicts[key]]}`] : [],
  ).join(', ');
};
const next = (job: Job): string => {
  const step = nextStep(job.document, evaluations.value.get(job.id) ?? null);
  return step ? `${ROOM_LABELS[step.room]}: ${step.says}` : 'nothing is open';
};

/** The first look that is still to come, or was missed. */
function nextDue({ document }: Job): { readonly due: string; readonly text: string; readonly late: boolean } | null {
  const open = (document.followUp?.due ?? []).filter(({ doneOn }) => doneOn === undefined);
  const [first] = [...open].sort((a, b) => a.due.localeCompare(b.due));
  return first ? { due: first.due, text: first.text, late: first.due < today() } : null;
}
/** Each axle's tire: `265/70R17`, or `front 255/85R16, rear 265/75R16` where they differ. */
function byAxle(sizeOf: (axle: Axle) => string | undefined): string {
  const sizes = AXLES.flatMap((axle) => {
    const size = sizeOf(axle);
    return size === undefined ? [] : [{ axle, size }];
  });
  const [first] = sizes;
  if (!first) return '';
  return sizes.every(({ size }) => size === first.size)
    ? first.size
    : sizes.map(({ axle, size }) => `${axle} ${size}`).join(', ');
}
const wanted = ({ document: { setup } }: Job): string =>
  setup
    ? byAxle((axle) => CORNERS_OF[axle].flatMap((key) => setup.corners?.[key]?.tire?.size ?? [])[0] ?? setup.tire.size)
    : 'not chosen yet';
const fitted = (job: Job): string =>
  byAxle((axle) => CORNERS_OF[axle].flatMap((key) => job.document.corners[key]?.fitted.tire.size ?? [])[0]);
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
      The server does not answer. Start it and <a href="/">load this page again</a>; drafts kept in this browser are
      safe.
    </NoticeBox>
    <WelcomePage v-else-if="loaded && jobs.length === 0" @start="askName" @example="openExample" />
    <ul class="cards">
      <li v-for="job in jobs" :key="job.id">
        <router-link class="card panel" :to="{ name: 'bench', params: { id: job.id } }">
          <VehicleAbove :verdicts="stands(job)" class="drawn" />
          <h2>{{ job.title }}</h2>
          <p class="vehicle">{{ job.document.vehicle.label }}</p>
          <dl class="figures facts">
            <div>
              <dt>Fitted</dt>
              <dd>{{ fitted(job) }}</dd>
            </div>
            <div>
              <dt>Wanted</dt>
              <dd>{{ wanted(job) }}</dd>
            </div>
          </dl>
          <p class="stands" :class="{ 'visually-hidden': !standsWords(job) }">
            {{ standsWords(job) || 'nothing judged' }}
          </p>
          <p v-if="!nextDue(job)"><span class="muted">Next,</span> {{ next(job) }}</p>
          <p v-if="nextDue(job)" class="due" :class="nextDue(job)!.late ? 'verdict-rubs' : ''">
            {{ nextDue(job)!.late ? 'Overdue' : 'Due' }} {{ dayText(nextDue(job)!.due) }}:
            {{ nextDue(job)!.text }}
          </p>
          <p class="muted when">
            {{ job.customer || 'No customer named' }}<br />changed
            {{ format(new Date(job.updatedAt), 'd MMM yyyy, HH:mm') }}
          </p>
        </router-link>
        <v-btn
          class="copy"
          variant="text"
          size="48"
          :icon="mdiContentCopy"
          :aria-label="`Copy ${job.title}`"
          title="Another job on the same vehicle: measured and chosen goes along, what was done does not"
          @click="create(copiedJob(job), 'bench')"
        />
      </li>
    </ul>
  </main>
  <DialogBox v-model="naming" label="New job" :width="480">
    <form class="panel dialog" @submit.prevent="startNew">
      <h2 class="panel-title">New job</h2>
      <v-text-field v-model="newTitle" label="What is wanted, on which vehicle" autofocus />
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
.cards > li {
  position: relative;
}
.copy {
  position: absolute;
  right: 8px;
  bottom: 6px;
}
.card {
  display: block;
  height: 100%;
  padding: 18px 20px;
  color: inherit;
  text-decoration: none;
}
.drawn {
  float: right;
  height: 132px;
  margin: 0 -4px 0 12px;
}
.card:hover {
  border-color: var(--accent);
}
.card h2 {
  font-size: 21px;
  line-height: 26px;
  font-weight: 600;
}
.vehicle {
  font-size: 17px;
  margin-bottom: 10px;
}
.due {
  font-weight: 600;
  font-size: 16px;
}
.when {
  font-size: 14px;
  margin-top: 4px;
}
</style>
