<script setup lang="ts">
import { problemText } from '@/contracts/problems';
import { useView } from '../kit/use-view';
import { usePlanned } from '../plan/use-planned';
import { useJobStore } from '../stores/job';
import AlignmentPanel from './AlignmentPanel.vue';
import ComebacksPanel from './ComebacksPanel.vue';
import DuePanel from './DuePanel.vue';
import HandOverPanel from './HandOverPanel.vue';
import HistoryPanel from './HistoryPanel.vue';
import { useFollowUp } from './use-follow-up';
import ViewTabs from '../kit/ViewTabs.vue';

/** What the customer takes home, what is looked at again and when, and what came of it. */
const job = useJobStore();
const state = useFollowUp();
const { judged, isKnown, problems } = usePlanned();

const VIEWS = {
  due: 'Due',
  handOver: 'Hand-over sheet',
  alignment: 'Alignment',
  history: 'History',
} as const;
const view = useView(VIEWS, 'due');
</script>

<template>
  <div v-if="job.document" class="stack">
    <ViewTabs v-model="view" :views="VIEWS" label="Views of the follow-up" />
    <p v-if="problems.length" class="panel box verdict-rubs" role="alert" data-testid="plan-unjudged">
      The plan cannot be judged, so nothing of it is on what is made here:
      {{ problems.map((problem) => problemText(problem, job.document)).join(' ') }}
    </p>
    <div v-if="view === 'due'" class="two">
      <DuePanel :state="state" :plan="judged?.plan ?? null" :is-plan-known="isKnown" />
      <ComebacksPanel :state="state" />
    </div>
    <HandOverPanel v-else-if="view === 'handOver'" :state="state" :plan="judged?.plan ?? null" />
    <AlignmentPanel v-else-if="view === 'alignment'" :state="state" />
    <HistoryPanel v-else :state="state" />
  </div>
</template>
