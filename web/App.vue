<script setup lang="ts">
import { nextTick, watch } from 'vue';
import { useRoute } from 'vue-router';
import RoomFailure from './kit/RoomFailure.vue';
import OfflineStrip from './offline/OfflineStrip.vue';

/** Past the keys of the head to what the page is for. */
function skip(): void {
  const content = document.querySelector<HTMLElement>('#content, main');
  if (!content) return;
  content.tabIndex = -1;
  content.focus();
  content.scrollIntoView();
}

/** Another room begins at its content, also for the keyboard; unless something in it has the focus already. */
const route = useRoute();
watch(
  () => route.name,
  async (_now, before) => {
    if (before === undefined) return;
    await nextTick();
    const content = document.querySelector<HTMLElement>('#content, main');
    if (!content || content.contains(document.activeElement)) return;
    content.tabIndex = -1;
    content.focus({ preventScroll: true });
  },
);
</script>

<template>
  <v-app>
    <a href="#content" class="skip" @click.prevent="skip">Skip to content</a>
    <RoomFailure class="room-failure" />
    <div class="no-print strips"><OfflineStrip /></div>
    <router-view />
  </v-app>
</template>

<style scoped>
.skip {
  position: absolute;
  left: 8px;
  top: -80px;
  z-index: 3000;
  padding: 12px 18px;
  background: var(--paper);
  color: var(--ink);
  border-radius: 4px;
}
.skip:focus {
  top: 8px;
}
.room-failure {
  position: sticky;
  top: 0;
  z-index: 2000;
  margin: 8px 20px;
}
.strips:has(*) {
  padding: 8px 20px 0;
}
</style>
