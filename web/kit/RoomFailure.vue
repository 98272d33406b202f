<script setup lang="ts">
import { useRouter } from 'vue-router';
import NoticeBox from './NoticeBox.vue';
import { roomFailure } from './room-failure';

/** Said where a room could not be fetched; what was typed stays where it is. */
const router = useRouter();
async function again(): Promise<void> {
  const to = roomFailure.value;
  if (to !== null) await router.push(to).catch(() => undefined);
}
</script>

<template>
  <NoticeBox v-if="roomFailure !== null" kind="warning" closable data-testid="room-failure" @close="roomFailure = null">
    That page is not in this browser yet, and the server does not answer. What you were at is as it was.
    <v-btn variant="outlined" height="48" class="mt-2" @click="again">Try again</v-btn>
  </NoticeBox>
</template>
