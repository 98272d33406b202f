<script setup lang="ts">
import { computed, ref } from 'vue';
import type { LowgapFile } from '@/contracts/lowgap-file';
import type { MotionDescription } from '@/core/2-vehicle/motion/motion-description';
import { AXLES, axleOf, CORNER_KEYS, type Axle } from '@/core/2-vehicle/setup/corner-key';
import { VEHICLE_KINDS, type VehicleKind } from '@/core/2-vehicle/setup/vehicle-kind';
import { takeMotion } from '../baseline/blank-corner';
import PictureChoice from '../kit/PictureChoice.vue';
import SuspensionSketch from '../kit/SuspensionSketch.vue';
import VehicleSilhouette from '../kit/VehicleSilhouette.vue';
import { useJobStore } from '../stores/job';
import { MOTION_NAMES, VEHICLE_KIND_NAMES } from '../words';

/** What the vehicle is and what its wheels hang on, by pictures: what anybody can say who bends down once. */
type MotionType = MotionDescription['type'];
const job = useJobStore();

const kinds = VEHICLE_KINDS.map((value) => ({ value, title: VEHICLE_KIND_NAMES[value] }));
const OF_AXLE: Readonly<Record<Axle, readonly MotionType[]>> = {
  front: ['doubleWishbone', 'macphersonStrut', 'beamAxle'],
  rear: ['beamAxle', 'doubleWishbone', 'trailingArm'],
};
const axles = computed(() =>
  AXLES.flatMap((axle) => {
    const corners = CORNER_KEYS.filter((key) => axleOf(key) === axle && job.document?.corners[key]);
    const [first] = corners;
    if (!first) return [];
    const { type } = job.document!.corners[first]!.motion;
    // Swing centers are a start, or known from elsewhere: they are no answer to this.
    return [
      {
        axle,
        corners,
        chosen: type === 'swingArm' ? null : type,
        choices: OF_AXLE[axle].map((value) => ({ value, title: MOTION_NAMES[value] })),
      },
    ];
  }),
);

const setKind = (kind: VehicleKind | null): void =>
  job.change((file) => {
    if (kind === null || file.vehicle.kind === kind) delete file.vehicle.kind;
    else file.vehicle.kind = kind;
  });

/** What was measured of the suspension that stood before, and went with it. */
const lost = ref('');
function undo(): void {
  job.undo();
  lost.value = '';
}

function setMotion(
  corners: readonly (keyof LowgapFile['corners'])[],
  type: MotionType | null,
  now: MotionType | null,
): void {
  // Measures of the one that stands already are not thrown away by pressing it again.
  if (type === null || type === now) return;
  const { starting = [] } = job.document?.corners[corners[0]!] ?? {};
  lost.value = now !== null && !starting.includes('motion') ? MOTION_NAMES[now].toLowerCase() : '';
  job.change((file) => {
    for (const key of corners) {
      const corner = file.corners[key];
      if (corner) takeMotion(corner, type);
    }
  });
}
</script>

<template>
  <section class="panel group leaf" aria-labelledby="kind-title">
    <h2 id="kind-title" class="panel-title">What it is, and what its wheels hang on</h2>
    <PictureChoice
      label="Kind of vehicle"
      :choices="kinds"
      :chosen="job.document?.vehicle.kind ?? null"
      @choose="setKind"
    >
      <template #default="{ value }"><VehicleSilhouette :kind="value" /></template>
    </PictureChoice>
    <template v-for="{ axle, corners, chosen, choices } in axles" :key="axle">
      <p class="small muted">
        At the {{ axle }} wheels, looking in from the {{ axle }}. Two arms: a ball joint above and below the axle line.
        Strut: one arm below, the spring round a leg above. Solid axle: one beam from wheel to wheel.
      </p>
      <PictureChoice
        :label="`Suspension at the ${axle}`"
        :choices="choices"
        :chosen="chosen"
        @choose="(type) => setMotion(corners, type, chosen)"
      >
        <template #default="{ value }"><SuspensionSketch :type="value" /></template>
      </PictureChoice>
    </template>
    <p v-if="lost" class="row" role="status" data-testid="lost">
      <span>What was measured of it as {{ lost }} went with it.</span>
      <v-btn height="48" variant="outlined" @click="undo">Undo it</v-btn>
    </p>
  </section>
</template>
