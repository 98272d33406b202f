<script setup lang="ts">
import { computed } from 'vue';
import { useJobStore } from '../stores/job';
import { cornersOf } from './axle-parts';
import type { Axle } from '../../core/2-vehicle/setup/corner-key';
import DragLinkPanel from './DragLinkPanel.vue';
import DrivelinePanel from './DrivelinePanel.vue';
import SwayBarPanel from './SwayBarPanel.vue';

/** What turns with the height besides the arms: shafts, sway bars, and the steering of a beam axle. */
const job = useJobStore();
const axles = computed(() =>
  (['front', 'rear'] as const).flatMap((axle) => {
    const [key] = job.document ? cornersOf(job.document, axle) : [];
    const corner = key && job.document!.corners[key];
    return corner
      ? [{ axle, steersBeam: corner.motion.type === 'beamAxle' && corner.steering !== undefined }]
      : ([] as { axle: Axle; steersBeam: boolean }[]);
  }),
);
</script>

<template>
  <div class="two">
    <template v-for="{ axle, steersBeam } in axles" :key="axle">
      <DrivelinePanel :axle="axle" />
      <SwayBarPanel :axle="axle" />
      <DragLinkPanel v-if="steersBeam" :axle="axle" />
    </template>
  </div>
</template>
