<script setup lang="ts">
import { computed } from 'vue';
import { problemText } from '../problem-words';
import { saveText } from '../kit/save-text';
import { useJobStore } from '../stores/job';
import NoticeBox from '../kit/NoticeBox.vue';

/** What stands between the job and the server, and what somebody can do about it. */
const job = useJobStore();
const status = computed(() => job.saveStatus);

function takeAway(): void {
  const kept = job.unreadable;
  if (kept) saveText('unsent.json', 'application/json', JSON.stringify(kept.draft, null, 2));
}
</script>

<template>
  <NoticeBox v-if="job.loadFailure" kind="error">
    {{
      job.loadFailure.kind === 'refused' && job.loadFailure.status === 404
        ? 'There is no such job. It may have been removed.'
        : job.loadFailure.kind === 'drifted'
          ? 'The server is of another version than this page. Load the page again.'
          : 'The server does not answer. Start it and load this page again.'
    }}
    <v-btn variant="text" :to="{ name: 'bay' }">To the bay board</v-btn>
  </NoticeBox>
  <NoticeBox v-if="status.newer" kind="warning" data-testid="conflict">
    This job was changed in another window while you worked here. Nothing is lost: choose which one stays.
    <div class="keys mt-2">
      <v-btn color="primary" @click="job.settle('mine')">Keep what is here</v-btn>
      <v-btn variant="outlined" @click="job.settle('theirs')">Take the other</v-btn>
    </div>
  </NoticeBox>
  <NoticeBox v-if="status.state === 'refused'" kind="error" data-testid="save-refused">
    The server did not take this.
    {{ status.keptHere ? 'It is kept in this browser.' : 'It is not kept anywhere else: leave this page open.' }}
    <div v-for="p in status.problems.slice(0, 4)" :key="p.path">{{ problemText(p) }}</div>
    <v-btn variant="outlined" height="48" class="mt-2" @click="job.trySaving">Try again</v-btn>
  </NoticeBox>
  <NoticeBox v-if="job.refused.length" kind="error" data-testid="change-refused">
    The last change was not made; everything else is as it was.
    <div v-for="p in job.refused.slice(0, 4)" :key="p.path">{{ problemText(p) }}</div>
  </NoticeBox>
  <NoticeBox v-if="job.unreadable" kind="warning" data-testid="unreadable-draft">
    Unsent work on this job lies in this browser and this version of the program cannot read it. It stays there.
    <v-btn variant="outlined" height="48" class="mt-2" @click="takeAway">Save it as a file</v-btn>
  </NoticeBox>
</template>
