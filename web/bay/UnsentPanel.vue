<script setup lang="ts">
import { fullMomentText } from '../kit/dates';
import { downloadJob } from '../kit/job-file';
import NoticeBox from '../kit/NoticeBox.vue';
import { useUnsent, type Unsent } from '../saving/unsent';

/** Work in this browser that the server does not have, by job. */
const emit = defineEmits<{ sent: [] }>();
const { list, isSending, send, letGo } = useUnsent(() => emit('sent'));

const contentOf = ({ title, customer, document }: Unsent['draft']) => ({ title, customer, document });

function says({ isOpen, status }: Unsent): string {
  if (isOpen) return 'open in another tab, which sends it';
  switch (status?.state) {
    case 'conflict':
      return 'the same was changed elsewhere: open it and choose which value stays';
    case 'refused':
      return 'the server does not take it: its job may be in the bin';
    default:
      return 'goes when the server answers';
  }
}
</script>

<template>
  <NoticeBox v-if="list.length" kind="warning" data-testid="unsent">
    <strong>Not sent yet</strong>, kept in this browser alone:
    <ul>
      <li v-for="one in list" :key="`${one.draft.job} ${one.draft.tab}`">
        <router-link :to="{ name: 'bench', params: { id: one.draft.job } }">{{ one.draft.title }}</router-link>, changed
        {{ fullMomentText(one.draft.at) }}: {{ says(one) }}
        <template v-if="one.status?.state === 'refused'">
          <v-btn variant="text" height="48" @click="downloadJob(contentOf(one.draft))">Save it as a file</v-btn>
          <v-btn variant="text" height="48" @click="letGo(one.draft)">Let go of it</v-btn>
        </template>
      </li>
    </ul>
    <v-btn variant="outlined" height="48" class="mt-2" :disabled="isSending" @click="send">Send now</v-btn>
  </NoticeBox>
</template>
