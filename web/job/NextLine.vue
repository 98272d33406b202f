<script setup lang="ts">
import { mdiArrowRight } from '@mdi/js';
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import { useJobStore } from '../stores/job';
import { nextStep } from './next-step';
import { ROOM_LABELS } from './rooms';

/** What every room ends with: what is missing and matters most, and the way there. */
defineProps<{ id: string }>();
const job = useJobStore();
const route = useRoute();
const next = computed(() => (job.document ? nextStep(job.document, job.evaluation) : null));
const isHere = computed(() => {
  const step = next.value;
  return step !== null && step.room === route.name && (!step.corner || step.corner === route.query['corner']);
});
</script>

<template>
  <nav class="next" aria-label="Next" data-testid="next-line">
    <template v-if="next">
      <span class="says"
        ><strong>Next{{ isHere ? ', here' : '' }}:</strong> {{ next.says }}.</span
      >
      <v-btn
        v-if="!isHere"
        color="primary"
        height="48"
        :append-icon="mdiArrowRight"
        :to="{ name: next.room, params: { id }, query: next.corner ? { corner: next.corner } : {} }"
        >{{ ROOM_LABELS[next.room] }}</v-btn
      >
    </template>
    <span v-else class="says"><strong>Next:</strong> nothing is open on this job.</span>
  </nav>
</template>

<style scoped>
.next {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 16px;
  margin-top: 16px;
  padding: 10px 0 2px;
  border-top: 2px solid var(--rule);
}
.says {
  font-size: 17px;
  line-height: 23px;
}
@media print {
  .next {
    display: none;
  }
}
</style>
