<script setup lang="ts">
import { computed } from 'vue';
import { baselineState } from '../baseline/room-state';
import { benchState } from '../bench/room-state';
import { finderState } from '../finder/room-state';
import { followUpState } from '../followup/room-state';
import { installState } from '../install/room-state';
import { intakeState } from '../intake/room-state';
import { planState } from '../plan/room-state';
import { stanceState } from '../stance/room-state';
import { useJobStore } from '../stores/job';
import { surveyState } from '../survey/room-state';
import { testFitState } from '../testfit/room-state';
import CornerTabs from './CornerTabs.vue';

/** The rooms in the order of the work, each with what it says of itself. */
defineProps<{ id: string }>();
const job = useJobStore();

const ROOMS = [
  { name: 'intake', label: 'Intake', state: intakeState },
  { name: 'baseline', label: 'Baseline', state: baselineState },
  { name: 'survey', label: 'Survey', state: surveyState },
  { name: 'stance', label: 'Stance', state: stanceState },
  { name: 'bench', label: 'Bench', state: benchState },
  { name: 'finder', label: 'Finder', state: finderState },
  { name: 'plan', label: 'Plan', state: planState },
  { name: 'install', label: 'Install', state: installState },
  { name: 'testFit', label: 'Test fit', state: testFitState },
  { name: 'followUp', label: 'Follow-up', state: followUpState },
] as const;

const rooms = computed(() => ROOMS.map(({ state, ...room }) => ({ ...room, state: state(job) })));
</script>

<template>
  <nav class="rooms" aria-label="Rooms of this job">
    <ol>
      <!-- Only what it says changes with a setup: its address need not be worked out again under a dragging hand. -->
      <li v-for="room in rooms" :key="room.name" v-memo="[room.state, id, $route.query]">
        <router-link :to="{ name: room.name, params: { id }, query: $route.query }" class="room">
          <span class="room-name">{{ room.label }}</span>
          <span class="room-state">{{ room.state }}</span>
        </router-link>
      </li>
    </ol>
    <CornerTabs v-if="job.document" />
  </nav>
</template>

<style scoped>
.rooms {
  display: flex;
  justify-content: space-between;
  align-items: stretch;
  flex-wrap: wrap;
  gap: 0 6px;
  padding: 0 12px;
  border-bottom: 2px solid var(--rule);
}
ol {
  display: flex;
  list-style: none;
  padding: 0;
  min-width: 0;
  max-width: 100%;
  overflow-x: auto;
}
.room {
  display: flex;
  flex-direction: column;
  justify-content: center;
  min-height: 50px;
  min-width: 84px;
  padding: 2px 6px 2px 8px;
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
@media (max-width: 760px) {
  .rooms {
    padding-left: 10px;
    padding-right: 10px;
  }
  .room {
    min-width: 90px;
    padding-right: 10px;
  }
}
@media print {
  .rooms {
    display: none;
  }
}
</style>
