<script setup lang="ts">
import { computed } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { problemText } from '@/contracts/problems';
import { useCurrentCorner } from '../job/current-corner';
import { useJobStore } from '../stores/job';
import CycleView from './CycleView.vue';
import HeightsView from './HeightsView.vue';
import RoadView from './RoadView.vue';
import TravelCurves from './TravelCurves.vue';
import UnderneathView from './UnderneathView.vue';
import { useStance } from './use-stance';

/** The height wanted, the parts that give it, and what it does to everything else. */
const job = useJobStore();
const key = useCurrentCorner();
const route = useRoute();
const router = useRouter();
const { reports, road } = useStance();

const VIEWS = {
  heights: 'Heights',
  travel: 'Through the travel',
  under: 'Shocks and lines',
  cycle: 'Travel cycle',
  road: 'On the road',
} as const;
type View = keyof typeof VIEWS;
const view = computed<View>({
  get: () => (Object.keys(VIEWS) as View[]).find((one) => one === route.query['view']) ?? 'heights',
  set: (next) => void router.replace({ query: { ...route.query, view: next } }),
});
const here = computed(() => reports.value.find((report) => report.key === key.value) ?? null);
</script>

<template>
  <div v-if="job.document" class="stance-room">
    <nav class="views" aria-label="Views of the stance">
      <v-btn-toggle v-model="view" aria-label="View">
        <v-btn v-for="(title, value) in VIEWS" :key="value" :value="value" height="48">{{ title }}</v-btn>
      </v-btn-toggle>
    </nav>
    <HeightsView v-if="view === 'heights'" :reports="reports" />
    <template v-else-if="view === 'travel'">
      <p v-if="!here" class="panel box muted">This corner is not taken yet: begin with its baseline.</p>
      <TravelCurves v-else-if="here.stance.ok" :stance="here.stance.value" />
      <p v-else class="panel box verdict-rubs" role="alert">{{ problemText(here.stance.problems[0]!) }}</p>
    </template>
    <CycleView v-else-if="view === 'cycle'" :key="key" :corner="key" />
    <UnderneathView v-else-if="view === 'under'" :reports="reports" />
    <RoadView v-else-if="road" :road="road" />
  </div>
</template>

<style scoped>
.stance-room {
  display: grid;
  gap: 10px;
  min-width: 0;
}
.views {
  display: flex;
  min-width: 0;
  overflow-x: auto;
}
.box {
  padding: 12px;
}
</style>
