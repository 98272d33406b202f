<script setup lang="ts">
import { axleOf } from '@/core/2-vehicle/setup/corner-key';
import { computed } from 'vue';
import { asCase } from '@/contracts/as-case';
import { problemText } from '../problem-words';
import { halfShaftCurves } from '@/core/5-consequences/driveline/driveline-report';
import type { CornerState } from '@/core/5-consequences/stance/stance-report';
import { useCurrentCorner } from '../job/current-corner';
import { useView } from '../kit/use-view';
import { useJobStore } from '../stores/job';
import HeightsView from './HeightsView.vue';
import { halfShaftEntry } from './link-entries';
import RoadView from './RoadView.vue';
import SidePhotoView from './SidePhotoView.vue';
import TravelCurves from './TravelCurves.vue';
import UnderneathView from './UnderneathView.vue';
import { useStance } from './use-stance';
import ModelNote from '../job/ModelNote.vue';
import SlipNote from './SlipNote.vue';
import ViewTabs from '../kit/ViewTabs.vue';

/** The height wanted, the parts that give it, and what it does to everything else. */
const job = useJobStore();
const key = useCurrentCorner();
const { reports, road } = useStance();

const VIEWS = {
  heights: 'Heights',
  travel: 'Through the travel',
  under: 'Underneath',
  road: 'On the road',
  photo: 'Side photo',
} as const;
const view = useView(VIEWS, 'heights');
const here = computed(() => reports.value.find((report) => report.key === key.value) ?? null);
/** The corner's half shaft along the drawn travels; null: not measured, or a beam axle. */
const shaft = computed(() => {
  const file = job.document;
  const stance = here.value?.stance;
  if (!file || !stance?.ok || file.corners[key.value]?.motion.type === 'beamAxle') return null;
  const axle = axleOf(key.value);
  const entry = halfShaftEntry(file, axle);
  const travels = (state: CornerState): number[] => state.curve.stands.map(({ travelMm }) => travelMm);
  return (
    entry &&
    halfShaftCurves(asCase(file), key.value, entry, file.stance?.drive?.[axle]?.differentialDropMm ?? 0, {
      before: travels(stance.value.before),
      after: travels(stance.value.after),
    })
  );
});
</script>

<template>
  <div v-if="job.document" class="stack">
    <ViewTabs v-model="view" :views="VIEWS" label="Views of the stance" />
    <ModelNote />
    <SlipNote />
    <HeightsView v-if="view === 'heights'" :reports="reports" />
    <template v-else-if="view === 'travel'">
      <p v-if="!here" class="panel box muted">This corner is not taken yet: begin with its baseline.</p>
      <TravelCurves v-else-if="here.stance.ok" :stance="here.stance.value" :shaft="shaft" />
      <p v-else class="panel box verdict-rubs" role="alert">{{ problemText(here.stance.problems[0]!) }}</p>
    </template>
    <UnderneathView v-else-if="view === 'under'" :reports="reports" :corner="key" />
    <SidePhotoView v-else-if="view === 'photo'" />
    <RoadView v-else-if="road" :road="road" />
  </div>
</template>
