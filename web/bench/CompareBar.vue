<script setup lang="ts">
import { computed } from 'vue';
import { MOST_COMPARED } from '@/contracts/lowgap-file';
import { useJobStore } from '../stores/job';
import { setupName } from './setup-name';

/** Keeps the setup being tried beside others, and leads to the comparison. */
const job = useJobStore();
const kept = computed(() => job.document?.compared ?? []);
const full = computed(() => kept.value.length >= MOST_COMPARED);

function keep(): void {
  job.changeSetup((file) => {
    if (!file.setup) return;
    const setup = structuredClone(file.setup);
    file.compared = [...(file.compared ?? []), { name: setupName(setup), setup }];
  });
}
</script>

<template>
  <section class="panel box close" aria-label="Compare setups">
    <h2 class="panel-title">Compare</h2>
    <p class="small">
      {{
        kept.length
          ? `${kept.length} of ${MOST_COMPARED} kept: ${kept.map(({ name }) => name).join('; ')}.`
          : 'Keep a setup, try another, and see them side by side.'
      }}
      <template v-if="full"> Take one out before another is kept.</template>
    </p>
    <div class="keys">
      <v-btn height="48" variant="outlined" :disabled="!job.document?.setup || full" @click="keep">Keep this one</v-btn>
      <v-btn height="48" variant="outlined" :to="{ name: 'compare', query: $route.query }" :disabled="!kept.length">
        Side by side
      </v-btn>
    </div>
  </section>
</template>
