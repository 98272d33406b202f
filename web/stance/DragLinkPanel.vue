<script setup lang="ts">
import { computed } from 'vue';
import { asCase } from '@/contracts/as-case';
import type { DragLinkEntry } from '@/contracts/stance';
import { LIMITS } from '@/core/1-base/limits';
import { attempt } from '@/core/1-base/problem';
import { dragLinkReport } from '@/core/5-consequences/stance/drag-link';
import FieldList from '../kit/FieldList.vue';
import { useJobStore } from '../stores/job';
import { cornersOf } from './axle-parts';
import type { Axle } from '../../core/2-vehicle/setup/corner-key';
import { dragLinkEntry } from './link-entries';
import { placesRow } from './places-row';
import PlacesTable from './PlacesTable.vue';

/** Drag link against track bar: bump steer through the travel, and where the steering wheel stands at the new height. */
const props = defineProps<{ axle: Axle }>();
const job = useJobStore();
const link = computed<DragLinkEntry>(() => job.document?.stance?.[props.axle]?.dragLink ?? {});

const FIELDS = [
  { key: 'acrossMm', label: 'Between its ends, across', range: LIMITS.armMm },
  { key: 'riseMm', label: 'Box end above knuckle end', range: LIMITS.riseMm },
  { key: 'armMm', label: 'Steering arm of the knuckle', range: LIMITS.linkMm },
  {
    key: 'steeringRatio',
    label: 'Steering wheel turn per road wheel turn',
    range: LIMITS.steeringRatio,
    kind: 'number',
  },
] as const;
const SIDES = [
  { value: 'right', title: 'Runs to the right' },
  { value: 'left', title: 'Runs to the left' },
];
const ARMS = [
  { value: true, title: 'Arm ahead of the axle' },
  { value: false, title: 'Arm behind the axle' },
];

function set(change: Partial<DragLinkEntry>): void {
  job.changeSetup((file) => {
    const all = { ...file.stance?.[props.axle]?.dragLink, ...change };
    const dragLink = Object.fromEntries(
      Object.entries(all).filter(([, value]) => value !== undefined),
    ) as DragLinkEntry;
    file.stance = { ...file.stance, [props.axle]: { ...file.stance?.[props.axle], dragLink } };
  }, `drag link ${props.axle}`);
}

const turned = (deg: number): string =>
  Math.abs(deg) < 0.05 ? 'straight' : `${Math.abs(deg).toFixed(1)}° ${deg > 0 ? 'left' : 'right'}`;
const rows = computed(() => {
  const file = job.document;
  const measured = file && dragLinkEntry(file, props.axle);
  if (!file || !measured) return null;
  const found = attempt(() => dragLinkReport(asCase(file), cornersOf(file, props.axle)[0]!, measured));
  return found.ok
    ? [
        placesRow('Road wheels turned by it', found.value, ({ steerDeg }) => turned(steerDeg)),
        placesRow('Steering wheel, driven straight', found.value, ({ steeringWheelDeg }) => turned(steeringWheelDeg)),
      ]
    : null;
});
const missing = computed(() =>
  FIELDS.filter(({ key }) => link.value[key] === undefined)
    .map(({ label }) => label.toLowerCase())
    .join(', '),
);
const hasTrackBar = computed(() => {
  const [key] = job.document ? cornersOf(job.document, props.axle) : [];
  const motion = key && job.document!.corners[key]!.motion;
  return motion ? motion.type === 'beamAxle' && motion.points?.panhardFrame !== undefined : false;
});
</script>

<template>
  <section class="panel box" :aria-label="`Drag link, ${axle}`">
    <h2 class="panel-title">Drag link and track bar, {{ axle }} axle</h2>
    <FieldList :fields="FIELDS" :values="link" @change="(key, value) => set({ [key]: value })">
      <v-select
        :model-value="link.runsTo ?? 'right'"
        :items="SIDES"
        aria-label="To which side it runs"
        hide-details
        @update:model-value="(runsTo: 'left' | 'right') => set({ runsTo })"
      />
      <v-select
        :model-value="link.armAhead ?? true"
        :items="ARMS"
        aria-label="Where the steering arm points"
        hide-details
        @update:model-value="(armAhead: boolean) => set({ armAhead })"
      />
    </FieldList>
    <p v-if="missing" class="muted">Not answered: measure {{ missing }}.</p>
    <p v-else-if="!rows" class="verdict-rubs" role="alert">The corner cannot be worked out with this setup.</p>
    <PlacesTable v-else :rows="rows" :data-testid="`drag-${axle}`" />
    <p class="small">
      {{
        hasTrackBar
          ? 'Against the track bar of the baseline: rods alike in length and slope steer nothing.'
          : 'No track bar is in the baseline: the axle is taken to stay where it is, across.'
      }}
      Center the steering wheel by the link’s sleeve, not by its spokes.
    </p>
  </section>
</template>

<style scoped src="../kit/measured.css"></style>
