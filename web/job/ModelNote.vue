<script setup lang="ts">
import { computed } from 'vue';
import { useJobStore } from '../stores/job';
import { modelNotes } from './model-notes';

/** Beside a verdict: older models it stands on, and parts that are not counted in it. */
const job = useJobStore();
const notes = computed(() => (job.document ? modelNotes(job.document) : []));
</script>

<template>
  <p v-for="note in notes" :key="note" class="verdict-close small" role="status" data-testid="model-note">{{ note }}</p>
</template>
