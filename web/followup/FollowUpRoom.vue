<script setup lang="ts">
import { useView } from '../kit/use-view';
import { useJobStore } from '../stores/job';
import AlignmentPanel from './AlignmentPanel.vue';
import ComebacksPanel from './ComebacksPanel.vue';
import DuePanel from './DuePanel.vue';
import HandOverPanel from './HandOverPanel.vue';
import HistoryPanel from './HistoryPanel.vue';
import { useFollowUp } from './use-follow-up';

/** What the customer takes home, what is looked at again and when, and what came of it. */
const job = useJobStore();
const state = useFollowUp();

const VIEWS = {
  due: 'Due',
  handOver: 'Hand-over sheet',
  alignment: 'Alignment',
  history: 'History',
} as const;
const view = useView(VIEWS, 'due');
</script>

<template>
  <div v-if="job.document" class="follow-room">
    <nav class="views" aria-label="Views of the follow-up">
      <v-btn-toggle v-model="view" mandatory aria-label="View">
        <v-btn v-for="(title, value) in VIEWS" :key="value" :value="value" height="48">{{ title }}</v-btn>
      </v-btn-toggle>
    </nav>
    <div v-if="view === 'due'" class="two">
      <DuePanel :state="state" />
      <ComebacksPanel :state="state" />
    </div>
    <HandOverPanel v-else-if="view === 'handOver'" :state="state" />
    <AlignmentPanel v-else-if="view === 'alignment'" :state="state" />
    <HistoryPanel v-else :state="state" />
  </div>
</template>

<style scoped>
.follow-room {
  display: grid;
  gap: 10px;
  min-width: 0;
}
.views {
  overflow-x: auto;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
  gap: 10px;
  align-items: start;
}
@media (max-width: 1000px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media print {
  .views {
    display: none;
  }
}
</style>
