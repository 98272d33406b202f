<script setup lang="ts">
import { computed } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { axleOf, type Axle, type CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { useJobStore } from '../stores/job';
import AbilityPanel from './AbilityPanel.vue';
import { cornersOf } from './axle-parts';
import CalledForPanel from './CalledForPanel.vue';
import CycleView from './CycleView.vue';
import DragLinkPanel from './DragLinkPanel.vue';
import DrivelinePanel from './DrivelinePanel.vue';
import HeightTablePanel from './HeightTablePanel.vue';
import ShockAndLines from './ShockAndLines.vue';
import SpringEndsPanel from './SpringEndsPanel.vue';
import SwayBarPanel from './SwayBarPanel.vue';
import { placeId, underPlaces, type UnderPlace } from './under-places';
import UnderneathDrawing from './UnderneathDrawing.vue';
import type { CornerReport } from './use-stance';

/** What hangs beneath the vehicle at the new height: pressed in the drawing, measured and answered beside it. */
const props = defineProps<{ reports: readonly CornerReport[]; corner: CornerKey }>();
const job = useJobStore();
const route = useRoute();
const router = useRouter();

const motionOf = (axle: Axle) => {
  const [key] = job.document ? cornersOf(job.document, axle) : [];
  return key && job.document!.corners[key];
};
const isBeam = (axle: Axle): boolean => motionOf(axle)?.motion.type === 'beamAxle';
const steersBeam = (axle: Axle): boolean => isBeam(axle) && motionOf(axle)?.steering !== undefined;

const places = computed(() => underPlaces(props.reports, steersBeam));
/** In the address; unless said, the shock of the corner looked at. */
const place = computed<UnderPlace | null>(() => {
  const own = places.value.find(({ corner }) => corner === props.corner) ?? places.value[0] ?? null;
  const asked = places.value.find((one) => placeId(one) === route.query['part']) ?? own;
  return asked?.part === 'shock' ? own : asked;
});
const report = computed(() => props.reports.find(({ key }) => key === place.value?.corner) ?? null);
function choose(one: UnderPlace): void {
  const corner = one.corner ? { corner: one.corner } : {};
  void router.replace({ query: { ...route.query, ...corner, part: placeId(one) } });
}
/** The corner that the table of heights is of: one of the axle looked at. */
const tableCorner = computed(() => {
  const axle = place.value?.axle;
  return axle && axleOf(props.corner) !== axle ? (cornersOf(job.document!, axle)[0] ?? props.corner) : props.corner;
});
</script>

<template>
  <div class="stack">
    <section class="panel box" aria-label="Underneath">
      <p v-if="!places.length" class="muted">No corner is taken yet: begin with its baseline.</p>
      <UnderneathDrawing
        v-else
        :places="places"
        :chosen="place ? placeId(place) : ''"
        :is-beam="isBeam"
        @choose="choose"
      />
    </section>
    <div class="two">
      <div v-if="place" class="stack">
        <template v-if="report">
          <ShockAndLines :report="report" />
          <CycleView :key="report.key" :corner="report.key" />
          <SpringEndsPanel :key="report.key" :corner="report.key" />
        </template>
        <AbilityPanel v-else-if="place.part === 'joints'" :axle="place.axle" />
        <DrivelinePanel v-else-if="place.part === 'shafts'" :axle="place.axle" />
        <SwayBarPanel v-else-if="place.part === 'sway'" :axle="place.axle" />
        <DragLinkPanel v-else :axle="place.axle" />
      </div>
      <div class="stack">
        <CalledForPanel :reports="reports" />
        <HeightTablePanel :corner="tableCorner" />
      </div>
    </div>
  </div>
</template>
