<script setup lang="ts">
import { computed } from 'vue';
import { problemText } from '../problem-words';
import { saveText } from '../kit/save-text';
import { useJobStore } from '../stores/job';
import NoticeBox from '../kit/NoticeBox.vue';
import ClashChoice from './ClashChoice.vue';

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
  <NoticeBox v-if="status.clashes.length" kind="warning" data-testid="conflict">
    {{
      status.clashes[0]!.path.length === 0
        ? 'This job was changed elsewhere in a way that does not go together with what is here. Nothing is lost: choose which one stays.'
        : 'The same was changed elsewhere while you worked here. All else is together already. Which value stays?'
    }}
    <ClashChoice :clashes="status.clashes" />
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
