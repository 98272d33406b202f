<script setup lang="ts">
import { cornerName, CORNERS_OF } from '@/core/2-vehicle/setup/corner-key';
import { formatMm } from '@/core/1-base/units/length';
import { computed, ref } from 'vue';
import { asCase } from '@/contracts/as-case';
import type { LowgapFile, LowgapFitted, LowgapSetup } from '@/contracts/lowgap-file';
import { enteredSetupFor } from '@/core/4-clearance/case/case-description';
import { ENVELOPES } from '@/core/4-clearance/envelope/envelope-kind';
import { STANDARD_IDS } from '@/core/4-clearance/case/standard';
import { LIMITS, type Range } from '@/core/1-base/limits';
import { useCurrentCorner } from '../job/current-corner';
import FitmentFields from '../kit/FitmentFields.vue';
import QuantityField from '../kit/QuantityField.vue';
import { useJobStore } from '../stores/job';
import { ENVELOPE_NAMES, STANDARD_NAMES } from '../words';
import CataloguePick from './CataloguePick.vue';
import DrawnTire from './DrawnTire.vue';
import TireMayBe from './TireMayBe.vue';
import { startingSetup } from '../stores/starting-setup';
import { axleOf } from '../../core/2-vehicle/setup/corner-key';

type HeightField = 'suspensionLiftMm' | 'bodyLiftMm' | 'bumpStopMm' | 'axleShiftMm';
type StopField = 'steerStopLeftDeg' | 'steerStopRightDeg';

/** What is being tried, all round or with its own setup on one axle. */
const job = useJobStore();
const key = useCurrentCorner();
const choosing = ref(false);

const end = computed(() => axleOf(key.value));
const ofAxle = computed(() => CORNERS_OF[end.value]);
/** The axle looked at has a setup of its own. */
const own = computed(() => job.document?.setup?.corners?.[key.value] !== undefined);
const setup = computed<LowgapSetup | null>(() =>
  job.document?.setup ? (enteredSetupFor(asCase(job.document), key.value) as LowgapSetup) : null,
);
const steered = computed(() => job.document?.corners[key.value]?.steering);

const HEIGHTS: readonly { field: HeightField; label: string; range: Range }[] = [
  { field: 'suspensionLiftMm', label: 'Suspension lift', range: LIMITS.suspensionLiftMm },
  { field: 'bodyLiftMm', label: 'Body lift', range: LIMITS.bodyLiftMm },
  { field: 'bumpStopMm', label: 'Bump-stop extension', range: LIMITS.bumpStopMm },
  { field: 'axleShiftMm', label: 'Axle shift forward', range: LIMITS.shiftMm },
];
const STOPS: readonly { field: StopField; label: string }[] = [
  { field: 'steerStopLeftDeg', label: 'Steering stop, left' },
  { field: 'steerStopRightDeg', label: 'Steering stop, right' },
];

function edit(change: (setup: LowgapSetup) => void): void {
  job.changeSetup((file) => {
    file.setup ??= startingSetup(file);
    const { corners, ...common } = file.setup;
    // A setup of its own holds every field, so that it is edited as a whole one.
    const axle = own.value ? ofAxle.value.filter((k) => corners?.[k]) : [];
    for (const k of axle) corners![k] = { ...structuredClone(common), ...corners![k] };
    const targets = axle.length ? axle.map((k) => corners![k] as LowgapSetup) : [file.setup];
    for (const target of targets) change(target);
  });
}

const editFitment = (change: (fitment: LowgapFitted) => void): void => edit(change);

function keepTyped(target: LowgapSetup, field: string, typed: string | undefined): void {
  const { [field]: _old, ...rest } = target.typed ?? {};
  target.typed = typed === undefined ? rest : { ...rest, [field]: typed };
}

function setHeight(field: HeightField, value: number | undefined, typed: string | undefined): void {
  if (value === undefined) return;
  edit((target) => {
    target[field] = value;
    keepTyped(target, field, typed);
  });
}

function setStop(field: StopField, value: number | undefined, typed: string | undefined): void {
  edit((target) => {
    if (value === undefined) delete target[field];
    else target[field] = value;
    keepTyped(target, field, typed);
  });
}

function begin(): void {
  job.changeSetup((file) => (file.setup = startingSetup(file)));
}

function splitAxle(): void {
  job.changeSetup((file) => {
    const { corners, ...common } = (file.setup ??= startingSetup(file));
    const copies = Object.fromEntries(ofAxle.value.map((k) => [k, { ...structuredClone(common), ...corners?.[k] }]));
    file.setup.corners = { ...corners, ...copies };
  });
}

/** What the axle has of its own beside tire and wheel, in words: it would go with the axle's own setup. */
const ownThings = computed(() => {
  const file = job.document;
  if (!file?.setup || !own.value) return [];
  const { corners, ...common } = file.setup;
  return ofAxle.value.flatMap((k) => {
    const mine: Partial<LowgapSetup> = corners?.[k] ?? {};
    const differs = (field: Exclude<keyof LowgapSetup, 'corners'>): boolean =>
      mine[field] !== undefined && JSON.stringify(mine[field]) !== JSON.stringify(common[field]);
    return [
      ...(differs('parts') ? [`${mine.parts!.length} lift part${mine.parts!.length === 1 ? '' : 's'}`] : []),
      ...(differs('spacerMm') ? [`a spacer of ${formatMm(mine.spacerMm!)} mm`] : []),
      ...HEIGHTS.filter(({ field }) => differs(field)).map(
        ({ field, label }) => `${label.toLowerCase()} ${formatMm(mine[field]!)} mm`,
      ),
    ].map((what) => `${cornerName(k)}: ${what}`);
  });
});
const asking = ref(false);
function askToJoin(): void {
  if (ownThings.value.length) asking.value = true;
  else joinAxle();
}
/** Tire and wheel as all round; parts, spacer and heights of the axle stay its own. */
function joinTires(): void {
  asking.value = false;
  job.changeSetup((file) => {
    for (const k of ofAxle.value) {
      const mine = file.setup?.corners?.[k];
      if (!mine) continue;
      delete mine.tire;
      delete mine.wheel;
    }
  });
}

function joinAxle(): void {
  asking.value = false;
  job.changeSetup((file) => {
    for (const k of ofAxle.value) delete file.setup?.corners?.[k];
    if (file.setup?.corners && Object.keys(file.setup.corners).length === 0) delete file.setup.corners;
  });
}

const setEnvelope = (envelope: LowgapFile['envelope']): void => job.changeSetup((file) => (file.envelope = envelope));
/** Those that need something the file does not have are not offered. */
const envelopes = computed(() =>
  ENVELOPES.filter(
    (kind) =>
      (kind !== 'drawn' || job.document?.drawnEnvelope !== undefined) &&
      (kind !== 'loaded' || job.corners.every((k) => job.document?.corners[k]?.loadedSagMm !== undefined)),
  ).map((value) => ({ value, title: ENVELOPE_NAMES[value] })),
);
const setStandard = (standard: LowgapFile['standard']): void => job.changeSetup((file) => (file.standard = standard));
const standards = STANDARD_IDS.map((value) => ({ value, title: STANDARD_NAMES[value] }));

const ALIGNMENTS = [
  { value: 'aligned', title: 'aligned back to its targets' },
  { value: 'asStands', title: 'as it stands before alignment' },
] as const;
const SPACER_TYPES = [
  { value: 'slipOn', title: 'slipped over the studs' },
  { value: 'boltOn', title: 'bolted on, with its own studs' },
] as const;

/** The same at every change: the fields are not made anew for it. */
const problemOf = (path: string): string | undefined => job.problemAt(`setup.${path}`);
</script>

<template>
  <section class="panel box" aria-label="Setup to try">
    <h2 class="panel-title">Setup to try</h2>
    <template v-if="!setup">
      <p>Nothing is being tried yet: the verdict is for what is fitted.</p>
      <v-btn color="primary" size="large" @click="begin">Try another tire or wheel</v-btn>
    </template>
    <template v-else>
      <p class="apart">
        <span>{{ own ? `On the ${end} axle only` : 'All round' }}</span>
        <v-btn height="48" variant="text" class="axle" @click="own ? askToJoin() : splitAxle()">
          {{ own ? 'Same all round' : `Its own for the ${end}` }}
        </v-btn>
      </p>
      <div v-if="asking" class="stack" role="alertdialog" aria-label="What goes with it">
        <p class="small">This axle has of its own: {{ ownThings.join('; ') }}.</p>
        <v-btn height="48" variant="outlined" @click="joinTires">Only tire and wheel alike, keep these</v-btn>
        <v-btn height="48" variant="outlined" @click="joinAxle">All alike, these go</v-btn>
        <v-btn height="48" variant="text" @click="asking = false">Leave it</v-btn>
      </div>
      <FitmentFields :key="`${own}:${end}`" steps :fitment="setup" :problem-at="problemOf" @edit="editFitment">
        <template #below-size>
          <DrawnTire :setup="setup" @edit="edit" />
          <v-btn height="48" variant="outlined" @click="choosing = true">From the catalog</v-btn>
        </template>
      </FitmentFields>
      <TireMayBe :setup="setup" @edit="edit" />
      <template v-if="setup.spacerMm > 0">
        <v-select
          :model-value="setup.spacerType ?? 'slipOn'"
          :items="SPACER_TYPES"
          label="The spacer is"
          @update:model-value="(type) => edit((target) => (target.spacerType = type))"
        />
        <QuantityField
          v-if="setup.spacerType === 'boltOn'"
          label="Stud pockets in the wheel"
          optional
          :value="setup.wheel.studPocketMm"
          :typed="setup.typed?.['studPocketMm']"
          :range="LIMITS.studMm"
          @change="
            (value, typed) =>
              edit((target) => {
                if (value === undefined) delete target.wheel.studPocketMm;
                else target.wheel.studPocketMm = value;
                keepTyped(target, 'studPocketMm', typed);
              })
          "
        />
      </template>
      <QuantityField
        v-for="height in HEIGHTS"
        :key="height.field"
        v-memo="[setup[height.field], setup.typed?.[height.field], job.problemAt(`setup.${height.field}`), own, end]"
        :label="height.label"
        :value="setup[height.field]"
        :typed="setup.typed?.[height.field]"
        :range="height.range"
        :step="5"
        :problem="job.problemAt(`setup.${height.field}`)"
        @change="(value, typed) => setHeight(height.field, value, typed)"
      />
      <template v-if="steered">
        <QuantityField
          v-for="stop in STOPS"
          :key="stop.field"
          v-memo="[setup[stop.field], setup.typed?.[stop.field], job.problemAt(`setup.${stop.field}`), steered, own]"
          :label="stop.label"
          quantity="degrees"
          optional
          :value="setup[stop.field]"
          :typed="setup.typed?.[stop.field]"
          :range="LIMITS.lockDeg"
          :step="1"
          :from="stop.field === 'steerStopLeftDeg' ? steered.lockLeftDeg : steered.lockRightDeg"
          :problem="job.problemAt(`setup.${stop.field}`)"
          @change="(value, typed) => setStop(stop.field, value, typed)"
        />
        <p class="small muted">
          Stops in degrees of this wheel; empty: the surveyed locks, {{ steered.lockLeftDeg }}° left and
          {{ steered.lockRightDeg }}° right. A stop turned in takes turning circle.
        </p>
      </template>
      <v-select
        v-memo="[setup.alignment, own, end]"
        :model-value="setup.alignment ?? 'asStands'"
        :items="ALIGNMENTS"
        label="The verdict is for the vehicle"
        @update:model-value="(alignment) => edit((target) => (target.alignment = alignment))"
      >
        <template #loader />
      </v-select>
      <v-select
        v-memo="[job.document?.envelope, envelopes.length]"
        :model-value="job.document?.envelope"
        :items="envelopes"
        label="What to clear"
        @update:model-value="setEnvelope"
      >
        <template #loader />
      </v-select>
      <v-select
        v-memo="[job.document?.standard]"
        :model-value="job.document?.standard"
        :items="standards"
        label="Standard"
        @update:model-value="setStandard"
      >
        <template #loader />
      </v-select>
      <CataloguePick v-model="choosing" :rim-in="setup.wheel.diameterIn" @edit="edit" />
    </template>
  </section>
</template>

<style scoped>
.axle {
  padding: 0 6px;
}
</style>
