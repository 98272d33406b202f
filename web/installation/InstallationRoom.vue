<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue';
import type { Installation } from '@/contracts/installation-api';
import type { ShopImport, ShopPlan } from '@/contracts/shop-file';
import type { Problem } from '@/core/1-base/problem';
import { api, problemsOf } from '../api';
import { fullMomentText } from '../kit/dates';
import NoticeBox from '../kit/NoticeBox.vue';
import PageHead from '../kit/PageHead.vue';
import { problemText } from '../problem-words';
import { planWords, sizeWords } from './installation-words';

/** What runs here, when it was last copied, and the whole shop out and in as one file. */
const told = shallowRef<Installation | null>(null);
const unreachable = ref(false);
const picker = ref<HTMLInputElement>();
/** A file that was read, and what it would change. */
const read = shallowRef<{ readonly file: File; readonly plan: ShopPlan } | null>(null);
const done = shallowRef<ShopPlan | null>(null);
const problems = shallowRef<readonly Problem[]>([]);
const isWorking = ref(false);

async function load(): Promise<void> {
  const answer = await api.readInstallation();
  unreachable.value = !answer.ok;
  if (answer.ok) told.value = answer.value;
}
onMounted(load);

const lastCopy = computed(() => told.value?.copies[0]);

async function bring(how: ShopImport, file: File): Promise<ShopPlan | null> {
  isWorking.value = true;
  const answer = await api.bringIn(how, file);
  isWorking.value = false;
  problems.value = problemsOf(answer);
  return answer.ok ? answer.value : null;
}

async function choose(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  input.value = '';
  if (!file) return;
  done.value = null;
  const plan = await bring('plan', file);
  read.value = plan && { file, plan };
}

async function goOn(how: 'add' | 'replace'): Promise<void> {
  if (!read.value) return;
  done.value = await bring(how, read.value.file);
  if (done.value) read.value = null;
  await load();
}
</script>

<template>
  <PageHead title="This installation" says="What runs here, and the whole shop out and in as one file" />
  <main class="page">
    <NoticeBox v-if="unreachable" kind="warning">The server does not answer.</NoticeBox>
    <NoticeBox v-if="told?.copyFailed" kind="error" data-testid="copy-failed">
      Today's copy was not made: {{ told.copyFailed }}. Take the whole shop as one file meanwhile.
    </NoticeBox>
    <section v-if="told" class="panel leaf">
      <h2 class="panel-title">What runs here</h2>
      <dl class="told">
        <dt>Version</dt>
        <dd>{{ told.version }}</dd>
        <dt>Database</dt>
        <dd>
          {{ told.database === 'embedded' ? 'embedded, in the data directory' : 'on a PostgreSQL server' }},
          {{ sizeWords(told.databaseBytes) }}, {{ told.jobs }} {{ told.jobs === 1 ? 'job' : 'jobs' }}
        </dd>
        <template v-if="told.freeBytes !== null">
          <dt>Free on its disk</dt>
          <dd>{{ sizeWords(told.freeBytes) }}</dd>
        </template>
        <dt>Last copy</dt>
        <dd v-if="told.copiesKept === null">none by itself: the database is copied where it lies</dd>
        <dd v-else-if="lastCopy">
          {{ fullMomentText(lastCopy.madeAt) }}, {{ sizeWords(lastCopy.bytes) }}, opened again and read whole;
          {{ told.copies.length }} of {{ told.copiesKept }} days kept
        </dd>
        <dd v-else>none yet; the first is made a minute after the start</dd>
        <dt>Since {{ fullMomentText(told.since) }}</dt>
        <dd>
          {{ told.counts.saves }} saves, {{ told.counts.clashes }} met another's, {{ told.counts.refused }} requests
          refused, {{ told.counts.faults }} faults, {{ told.counts.searches }} searches
        </dd>
        <template v-if="told.people.people > 0">
          <dt>People</dt>
          <dd>
            {{ told.people.people }}, on {{ told.people.devices }} paired
            {{ told.people.devices === 1 ? 'device' : 'devices' }}; {{ told.people.signedIn }} signed in now
          </dd>
        </template>
        <dt>Searches now</dt>
        <dd>{{ told.searching.running }} running, {{ told.searching.waiting }} waiting</dd>
      </dl>
    </section>
    <section class="panel leaf">
      <h2 class="panel-title">Out and in</h2>
      <p>
        One file holds everything: jobs with their history, photos, tires and wheels, wells, rates, and people without
        what they sign in with. With it the shop can be had back on another machine.
      </p>
      <div class="keys">
        <v-btn color="primary" size="large" :href="api.backupAddress" download>Take the whole shop as one file</v-btn>
        <v-btn variant="outlined" size="large" :disabled="isWorking" @click="picker?.click()"
          >Bring a shop's file in</v-btn
        >
        <input ref="picker" type="file" accept=".zip,application/zip" hidden data-testid="shop-file" @change="choose" />
      </div>
      <NoticeBox v-if="problems.length" kind="error" data-testid="shop-problems">
        <strong>Nothing was brought in.</strong>
        <div v-for="p in problems.slice(0, 6)" :key="p.path + p.code">{{ problemText(p) }}</div>
      </NoticeBox>
      <div v-if="read" data-testid="shop-plan">
        <p>
          <strong>The shop as of {{ fullMomentText(read.plan.madeAt) }}.</strong> Nothing was changed yet.
        </p>
        <ul>
          <li v-for="line in planWords(read.plan)" :key="line">{{ line }}</li>
        </ul>
        <div class="keys">
          <v-btn color="primary" height="48" :disabled="isWorking" @click="goOn('add')">Add what is not here</v-btn>
          <v-btn
            v-if="read.plan.jobs.differing.length"
            variant="outlined"
            height="48"
            :disabled="isWorking"
            @click="goOn('replace')"
            >Add, and put the differing jobs back to the file's</v-btn
          >
          <v-btn variant="text" height="48" @click="read = null">Leave it</v-btn>
        </div>
      </div>
      <p v-if="done" data-testid="shop-done">
        Brought in. A job that was put back to the file's can be taken back by its history.
      </p>
    </section>
  </main>
</template>

<style scoped>
.told {
  display: grid;
  grid-template-columns: minmax(140px, auto) 1fr;
  gap: 6px 18px;
}
.told dt {
  color: var(--muted);
}
.leaf {
  padding: 18px 20px;
  margin-bottom: 18px;
  max-width: 900px;
}
</style>
