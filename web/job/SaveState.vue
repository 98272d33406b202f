<script setup lang="ts">
import { saveWords } from '../saving/save-words';
import { useJobStore } from '../stores/job';

/** How the saving of the open job stands, in words. */
const job = useJobStore();
</script>

<template>
  <span class="save" :class="`save-${job.saveStatus.state}`" role="status" data-testid="save-state">{{
    saveWords(job.saveStatus)
  }}</span>
</template>

<style scoped>
.save {
  font-size: 14px;
  color: var(--muted);
  padding: 0 8px;
}
.save-waiting,
.save-conflict,
.save-refused {
  color: var(--rubs);
  font-weight: 600;
}
</style>
