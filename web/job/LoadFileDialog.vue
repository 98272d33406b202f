<script setup lang="ts">
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import type { JobFile } from '@/contracts/job-file';
import type { Problem } from '@/core/1-base/problem';
import { problemsOf } from '../api';
import DialogBox from '../kit/DialogBox.vue';
import { jobFromFile, keepPictures } from '../kit/job-file';
import { useJobStore } from '../stores/job';

/** What becomes of a file that was read while a job is open: nothing is replaced unasked. */
const file = defineModel<JobFile | null>({ required: true });
const emit = defineEmits<{ problems: [problems: readonly Problem[]] }>();
const job = useJobStore();
const router = useRouter();
const open = computed({ get: () => file.value !== null, set: (is) => is || (file.value = null) });

async function asNewJob(): Promise<void> {
  const read = file.value!;
  file.value = null;
  const made = await jobFromFile(read);
  if (made.ok) await router.push({ name: 'bench', params: { id: made.value.id } });
  else emit('problems', problemsOf(made));
}

async function intoThisJob(): Promise<void> {
  const read = file.value!;
  file.value = null;
  // One change like any other: undo brings the former document back. The job keeps its own name.
  job.become(read.document);
  emit('problems', await keepPictures(job.id, read));
}
</script>

<template>
  <DialogBox v-model="open" label="Open a file" :width="560">
    <div class="panel dialog">
      <h2 class="panel-title">{{ file?.title }}</h2>
      <p>
        The file holds {{ file?.document.vehicle.label }}. As a new job it stands beside this one. Loaded into this job
        it takes the place of everything that was measured and chosen here; undo brings that back.
      </p>
      <div class="keys ends">
        <v-btn variant="text" height="48" @click="open = false">Neither</v-btn>
        <v-btn variant="outlined" height="48" @click="intoThisJob">Load into this job</v-btn>
        <v-btn color="primary" height="48" @click="asNewJob">Open as a new job</v-btn>
      </div>
    </div>
  </DialogBox>
</template>
