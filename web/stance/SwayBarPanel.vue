<script setup lang="ts">
import { computed } from 'vue';
import { asCase } from '@/contracts/as-case';
import type { SwayBarEntry } from '@/contracts/stance';
import { LIMITS } from '@/core/1-base/limits';
import { attempt } from '@/core/1-base/problem';
import { TRAVEL_PLACES } from '@/core/4-clearance/case/travel-places';
import { nearlyInLine, swayBarReport } from '@/core/5-consequences/stance/sway-bar';
import FieldList from '../kit/FieldList.vue';
import { useJobStore } from '../stores/job';
import { cornersOf } from './axle-parts';
import type { Axle } from '../../core/2-vehicle/setup/corner-key';
import { swayBarEntry } from './link-entries';
import { placesRow } from './places-row';
import PlacesTable from './PlacesTable.vue';
import { PLACE_WORDS } from './stance-words';

/** A sway bar's link at both ends of the travel: how it leans, and how near it comes to lying in line with the arm. */
const props = defineProps<{ axle: Axle }>();
const job = useJobStore();
const bar = computed<SwayBarEntry>(() => job.document?.stance?.[props.axle]?.swayBar ?? {});

const FIELDS = [
  { key: 'armMm', label: 'Arm, bar to link', range: LIMITS.linkMm },
  { key: 'armRiseMm', label: 'Link’s joint above the bar', range: LIMITS.riseMm },
  { key: 'linkMm', label: 'Link, joint to joint', range: LIMITS.linkMm },
  { key: 'linkLeanMm', label: 'Wheel end further from the bar', range: LIMITS.riseMm },
  { key: 'linkRatio', label: 'Link per wheel travel', range: LIMITS.motionRatio, kind: 'number' },
] as const;

function set(change: Partial<SwayBarEntry>): void {
  job.changeSetup((file) => {
    const all = { ...file.stance?.[props.axle]?.swayBar, ...change };
    const swayBar = Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined)) as SwayBarEntry;
    file.stance = { ...file.stance, [props.axle]: { ...file.stance?.[props.axle], swayBar } };
  }, `sway bar ${props.axle}`);
}

const report = computed(() => {
  const file = job.document;
  const measured = file && swayBarEntry(file, props.axle);
  if (!file || !measured) return null;
  const found = attempt(() => swayBarReport(asCase(file), cornersOf(file, props.axle)[0]!, measured));
  return found.ok ? found.value : null;
});
const rows = computed(
  () =>
    report.value?.before.ride && [
      placesRow('Link from upright', report.value, ({ linkLeanDeg }) => `${linkLeanDeg.toFixed(1)}°`),
      placesRow('Between arm and link', report.value, ({ armToLinkDeg }) => `${armToLinkDeg.toFixed(0)}°`),
      placesRow('Arm turned', report.value, ({ armTurnDeg }) => `${armTurnDeg.toFixed(1)}°`),
    ],
);
const bad = computed(() =>
  TRAVEL_PLACES.filter((place) => {
    const state = report.value?.after[place];
    return report.value && (!state || nearlyInLine(state));
  }).map((place) => PLACE_WORDS[place].toLowerCase()),
);
const missing = computed(() =>
  FIELDS.filter(({ key }) => bar.value[key] === undefined)
    .map(({ label }) => label.toLowerCase())
    .join(', '),
);
</script>

<template>
  <section class="panel box" :aria-label="`Sway bar, ${axle}`">
    <h2 class="panel-title">Sway bar, {{ axle }} axle</h2>
    <FieldList :fields="FIELDS" :values="bar" @change="(key, value) => set({ [key]: value })">
      <v-checkbox
        :model-value="bar.linkRunsUp ?? false"
        label="Link runs up from the bar"
        hide-details
        @update:model-value="(up: boolean | null) => set({ linkRunsUp: up === true })"
      />
    </FieldList>
    <p v-if="missing" class="muted">Not answered: measure {{ missing }}.</p>
    <p v-else-if="!rows" class="verdict-rubs" role="alert">
      Arm and link do not go together so: a rise or lean is longer than the part itself.
    </p>
    <template v-else>
      <PlacesTable :rows="rows" :data-testid="`sway-${axle}`" />
      <p v-if="bad.length" class="verdict-rubs" role="status">
        {{ bad.join(', ') }}: the link does not reach, or comes near to lying in line with its arm.
      </p>
    </template>
    <p class="small">Both wheels moved alike; one wheel alone twists the bar as well.</p>
  </section>
</template>

<style scoped src="../kit/measured.css"></style>
