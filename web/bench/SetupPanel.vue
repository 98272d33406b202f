<script setup lang="ts">
import { computed } from 'vue';
import type { LowgapFile, LowgapFitted, LowgapSetup } from '@/contracts/lowgap-file';
import { ENVELOPES } from '@/core/clearance/description';
import { STANDARD_IDS } from '@/core/clearance/standard';
import { LIMITS, type Range } from '@/core/limits';
import FitmentFields from '../parts/FitmentFields.vue';
import QuantityField from '../parts/QuantityField.vue';
import { useJobStore } from '../stores/job';
import { ENVELOPE_NAMES, STANDARD_NAMES } from '../words';
import { startingSetup } from './starting-setup';

type HeightField = 'suspensionLiftMm' | 'bodyLiftMm' | 'bumpStopMm' | 'axleShiftMm';

const job = useJobStore();
const setup = computed(() => job.document?.setup);

const HEIGHTS: readonly { field: HeightField; label: string; range: Range }[] = [
  { field: 'suspensionLiftMm', label: 'Suspension lift', range: LIMITS.suspensionLiftMm },
  { field: 'bodyLiftMm', label: 'Body lift', range: LIMITS.bodyLiftMm },
  { field: 'bumpStopMm', label: 'Bump-stop extension', range: LIMITS.bumpStopMm },
  { field: 'axleShiftMm', label: 'Axle shift forward', range: LIMITS.shiftMm },
];

function edit(change: (setup: LowgapSetup) => void): void {
  job.change((file) => {
    file.setup ??= startingSetup(file);
    change(file.setup);
  });
}

const editFitment = (change: (fitment: LowgapFitted) => void): void => edit(change);

function setHeight(field: HeightField, value: number | undefined, typed: string | undefined): void {
  if (value === undefined) return;
  edit((target) => {
    target[field] = value;
    const { [field]: _old, ...rest } = target.typed ?? {};
    target.typed = typed === undefined ? rest : { ...rest, [field]: typed };
  });
}

function begin(): void {
  job.change((file) => (file.setup = startingSetup(file)));
}

const setEnvelope = (envelope: LowgapFile['envelope']): void => job.change((file) => (file.envelope = envelope));
/** Those that need something the file does not have are not offered. */
const envelopes = computed(() =>
  ENVELOPES.filter(
    (kind) =>
      (kind !== 'drawn' || job.document?.drawnEnvelope !== undefined) &&
      (kind !== 'loaded' || job.corners.every((key) => job.document?.corners[key]?.loadedSagMm !== undefined)),
  ).map((value) => ({ value, title: ENVELOPE_NAMES[value] })),
);
const setStandard = (standard: LowgapFile['standard']): void => job.change((file) => (file.standard = standard));
const standards = STANDARD_IDS.map((value) => ({ value, title: STANDARD_NAMES[value] }));
</script>

<template>
  <section class="panel setup" aria-label="Setup to try">
    <h2 class="panel-title">Setup to try</h2>
    <template v-if="!setup">
      <p>Nothing is being tried yet: the verdict is for what is fitted.</p>
      <v-btn color="primary" size="large" @click="begin">Try another tire or wheel</v-btn>
    </template>
    <template v-else>
      <FitmentFields
        steps
        :fitment="setup"
        :problem-at="(path) => job.problemAt(`setup.${path}`)"
        @edit="editFitment"
      />
      <QuantityField
        v-for="height in HEIGHTS"
        :key="height.field"
        :label="height.label"
        :value="setup[height.field]"
        :typed="setup.typed?.[height.field]"
        :range="height.range"
        :step="5"
        :problem="job.problemAt(`setup.${height.field}`)"
        @change="(value, typed) => setHeight(height.field, value, typed)"
      />
      <v-select
        :model-value="job.document?.envelope"
        :items="envelopes"
        label="Postures to clear"
        @update:model-value="setEnvelope"
      />
      <v-select
        :model-value="job.document?.standard"
        :items="standards"
        label="Standard"
        @update:model-value="setStandard"
      />
    </template>
  </section>
</template>

<style scoped>
.setup {
  padding: 12px;
  display: grid;
  gap: 10px;
}
</style>
