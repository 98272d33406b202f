<script setup lang="ts">
import { mdiArrowRight } from '@mdi/js';
import { useEventListener } from '@vueuse/core';
import { computed } from 'vue';
import { useRoute, useRouter, type RouteLocationRaw } from 'vue-router';
import { useJobStore } from '../stores/job';
import { nextStep } from './next-step';
import { ROOM_LABELS } from './rooms';

/** What every room ends with: what is missing and matters most, and the way there. */
const props = defineProps<{ id: string }>();
const job = useJobStore();
const route = useRoute();
const router = useRouter();
const next = computed(() => (job.document ? nextStep(job.document, job.evaluation) : null));
const isHere = computed(() => {
  const step = next.value;
  return step !== null && step.room === route.name && (!step.corner || step.corner === route.query['corner']);
});
const way = computed<RouteLocationRaw | null>(() => {
  const step = next.value;
  if (!step || isHere.value) return null;
  return { name: step.room, params: { id: props.id }, query: step.corner ? { corner: step.corner } : {} };
});
/** From wherever the focus is; in a dialog the dialog comes first. */
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (event.key !== 'Enter' || !(event.ctrlKey || event.metaKey) || !way.value) return;
  if (event.target instanceof Element && event.target.closest('[role="dialog"]')) return;
  event.preventDefault();
  void router.push(way.value);
});
</script>

<template>
  <nav class="next" aria-label="Next" data-testid="next-line">
    <template v-if="next">
      <span class="says"
        ><strong>Next{{ isHere ? ', here' : '' }}:</strong> {{ next.says }}.</span
      >
      <v-btn v-if="way" color="primary" height="48" :append-icon="mdiArrowRight" :to="way" title="Ctrl+Enter">{{
        ROOM_LABELS[next.room]
      }}</v-btn>
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
