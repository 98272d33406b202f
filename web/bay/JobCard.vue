<script setup lang="ts">
import { mdiContentCopy, mdiDeleteOutline } from '@mdi/js';
import { useIntersectionObserver } from '@vueuse/core';
import { computed, ref } from 'vue';
import type { JobHead } from '@/contracts/job-api';
import { cornerName, CORNER_KEYS } from '@/core/2-vehicle/setup/corner-key';
import { cornerVerdicts, worstOfCorners } from '@/core/4-clearance/verdict/worst-of-corners';
import { api } from '../api';
import { nextStep } from '../job/next-step';
import { ROOM_LABELS } from '../job/rooms';
import { dayText, fullMomentText, today } from '../kit/dates';
import NoticeBox from '../kit/NoticeBox.vue';
import VehicleAbove from '../kit/VehicleAbove.vue';
import { VERDICT_WORDS } from '../words';
import type { Standing } from './use-board-verdicts';

/** One job on the board. What it stands at is worked out once it comes into sight. */
const props = defineProps<{ head: JobHead; standing: Standing | undefined; mayRemove: boolean }>();
const emit = defineEmits<{ seen: []; copy: []; remove: [] }>();

const card = ref<HTMLElement>();
const { isSupported, stop } = useIntersectionObserver(card, ([entry]) => {
  if (!entry?.isIntersecting) return;
  stop();
  emit('seen');
});
if (!isSupported.value) emit('seen');

const summary = computed(() => props.head.summary);
const stands = computed(() => cornerVerdicts(worstOfCorners(props.standing?.evaluation?.obstacles ?? [])));
/** What the drawing shows, in words. */
const standsWords = computed(() =>
  CORNER_KEYS.flatMap((key) =>
    stands.value[key] ? [`${cornerName(key)} ${VERDICT_WORDS[stands.value[key]]}`] : [],
  ).join(', '),
);
const next = computed(() => {
  if (!props.standing) return '';
  const step = nextStep(props.standing.job.document, props.standing.evaluation);
  return step ? `${ROOM_LABELS[step.room]}: ${step.says}` : 'nothing is open';
});
const due = computed(() => summary.value?.due);
const isLate = computed(() => due.value !== undefined && due.value.due < today());
</script>

<template>
  <li ref="card">
    <article v-if="!summary" class="card panel" data-testid="unreadable-job">
      <h2>{{ head.title }}</h2>
      <NoticeBox kind="error">
        This version of the program cannot read this job. It is kept as it is, and no other job is touched by it.
      </NoticeBox>
      <v-btn variant="outlined" height="48" :href="api.jobTextAddress(head.id)" download>Save its text as a file</v-btn>
    </article>
    <router-link v-else class="card panel" :to="{ name: 'bench', params: { id: head.id } }">
      <VehicleAbove :verdicts="stands" class="drawn" />
      <h2>{{ head.title }}</h2>
      <p class="vehicle">{{ summary.vehicle }}</p>
      <dl class="figures facts">
        <div>
          <dt>Fitted</dt>
          <dd>{{ summary.fitted }}</dd>
        </div>
        <div>
          <dt>Wanted</dt>
          <dd>{{ summary.wanted || 'not chosen yet' }}</dd>
        </div>
      </dl>
      <p class="stands" :class="{ 'visually-hidden': !standsWords }">{{ standsWords || 'nothing judged' }}</p>
      <p v-if="due" class="due" :class="isLate ? 'verdict-rubs' : ''">
        {{ isLate ? 'Overdue' : 'Due' }} {{ dayText(due.due) }}: {{ due.text }}
      </p>
      <p v-else-if="next"><span class="muted">Next,</span> {{ next }}</p>
      <p class="muted when">
        {{ head.customer || 'No customer named' }}<br />changed {{ fullMomentText(head.updatedAt)
        }}{{ head.changedBy ? ` by ${head.changedBy}` : '' }}
      </p>
    </router-link>
    <div class="on-card">
      <v-btn
        v-if="summary"
        variant="text"
        size="48"
        :icon="mdiContentCopy"
        :aria-label="`Copy ${head.title}`"
        title="Another job on the same vehicle: measured and chosen goes along, what was done does not"
        @click="emit('copy')"
      />
      <v-btn
        v-if="mayRemove"
        variant="text"
        size="48"
        :icon="mdiDeleteOutline"
        :aria-label="`Put ${head.title} into the bin`"
        title="Into the bin; it can be brought back"
        @click="emit('remove')"
      />
    </div>
  </li>
</template>

<style scoped>
li {
  position: relative;
}
.on-card {
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
  margin-right: 100px;
}
</style>
