<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import { computed, nextTick, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useJobStore } from '../stores/job';
import { ROOMS } from './rooms';

/** The rooms in the order of the work, each with what it says of itself. */
const props = defineProps<{ id: string }>();
const job = useJobStore();

const bar = ref<HTMLElement>();
const route = useRoute();
/** On a narrow screen the room one is in stays in view. */
watch(
  () => route.name,
  async () => {
    await nextTick();
    const list = bar.value?.querySelector('ol');
    const now = list?.querySelector('.router-link-active');
    if (!list || !now) return;
    // Not `scrollIntoView`: browsers take the next Tab from there, past the key that skips to the content.
    const [here, all] = [now.getBoundingClientRect(), list.getBoundingClientRect()];
    list.scrollLeft += here.left - all.left - (all.width - here.width) / 2;
  },
  { immediate: true },
);
const router = useRouter();
/** Alt+Shift+1 to 9 and 0: the rooms in their order, from wherever the focus is. By the key's place: with Shift it types something else. */
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  const digit = event.altKey && event.shiftKey ? /^Digit(\d)$/.exec(event.code)?.[1] : undefined;
  const room = digit === undefined ? undefined : ROOMS[(Number(digit) + 9) % 10];
  if (!room) return;
  event.preventDefault();
  void router.push({ name: room.name, params: { id: props.id }, query: route.query });
});
const rooms = computed(() => ROOMS.map(({ state, ...room }) => ({ ...room, state: state(job) })));
</script>

<template>
  <nav ref="bar" class="rooms" aria-label="Rooms of this job">
    <ol>
      <!-- Only what it says changes with a setup: its address need not be worked out again under a dragging hand. -->
      <li v-for="room in rooms" :key="room.name" v-memo="[room.state, id, $route.query]">
        <router-link :to="{ name: room.name, params: { id }, query: $route.query }" class="room" :title="room.state">
          <span class="room-name">{{ room.label }}</span>
          <span class="room-state">{{ room.state }}</span>
        </router-link>
      </li>
    </ol>
  </nav>
</template>

<style scoped>
.rooms {
  min-width: 0;
}
ol {
  display: flex;
  list-style: none;
  padding: 0;
  min-width: 0;
  max-width: 100%;
  overflow-x: auto;
  scrollbar-width: thin;
}
.room {
  display: flex;
  flex-direction: column;
  justify-content: center;
  min-height: 50px;
  min-width: 78px;
  padding: 2px 10px 2px 8px;
  white-space: nowrap;
  color: inherit;
  text-decoration: none;
  border-bottom: 5px solid transparent;
}
.room.router-link-active {
  border-bottom-color: var(--accent);
}
.room-name {
  font-family: var(--figures);
  font-weight: 600;
  font-size: 18px;
  line-height: 22px;
}
.room-state {
  font-size: 14px;
  line-height: 18px;
  color: var(--muted);
}
/* Little width: only the room one is in says how it stands. */
@media (max-width: 1180px) {
  .room {
    min-width: 0;
    padding-inline: 7px;
  }
  .room:not(.router-link-active) .room-state {
    display: none;
  }
}
@media (max-width: 760px), (max-height: 500px) {
  .room {
    min-height: 48px;
    min-width: 0;
  }
  .room-state {
    display: none;
  }
}
@media print {
  .rooms {
    display: none;
  }
}
</style>
