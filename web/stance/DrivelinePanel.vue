<script setup lang="ts">
import { computed } from 'vue';
import { asCase } from '@/contracts/as-case';
import type { LowgapFile } from '@/contracts/lowgap-file';
import type { DriveEntry } from '@/contracts/stance';
import { LIMITS, type Range } from '@/core/1-base/limits';
import { halfShaftReport, driveshaftReport } from '@/core/5-consequences/driveline/driveline-report';
import { attempt } from '@/core/1-base/problem';
import { formatMm } from '@/core/1-base/units/length';
import FieldList, { type Field } from '../kit/FieldList.vue';
import { useJobStore } from '../stores/job';
import { cornersOf } from './axle-parts';
import type { Axle } from '../../core/2-vehicle/setup/corner-key';
import { halfShaftEntry, driveshaftEntry } from './link-entries';
import { placesRow, type PlacesRow } from './places-row';
import PlacesTable from './PlacesTable.vue';

/** Driveshaft of a beam axle or half shafts of an independent one, at both ends of the travel, before and after. */
const props = defineProps<{ axle: Axle }>();
const job = useJobStore();

const key = computed(() => cornersOf(job.document!, props.axle)[0]!);
const isBeam = computed(() => job.document!.corners[key.value]!.motion.type === 'beamAxle');
const drive = computed<DriveEntry>(() => job.document?.stance?.drive?.[props.axle] ?? {});

const angle: Range = { min: -40, max: 40, unit: 'degrees' };
const PROPSHAFT: readonly Field<keyof DriveEntry>[] = [
  { key: 'shaftLengthMm', label: 'Driveshaft, joint to joint', range: LIMITS.wheelbaseMm },
  { key: 'shaftRiseMm', label: 'Case joint above axle joint', range: LIMITS.riseMm },
  { key: 'outputDeg', label: 'Output points down by', range: angle, kind: 'degrees' },
  { key: 'pinionDeg', label: 'Pinion points up by', range: angle, kind: 'degrees' },
  { key: 'pinionReachMm', label: 'Pinion joint from the hub, toward the case', range: LIMITS.pinionReachMm },
  { key: 'pinionRiseMm', label: 'Pinion joint above the hub center', range: LIMITS.riseMm },
];
const HALF_SHAFT: readonly Field<keyof DriveEntry>[] = [
  { key: 'innerInboardMm', label: 'Inner joint inboard of hub face', range: LIMITS.jointMm },
  { key: 'innerRiseMm', label: 'Inner joint above hub center', range: LIMITS.riseMm },
  { key: 'outerInboardMm', label: 'Outer joint inboard of hub face', range: LIMITS.jointMm },
  { key: 'differentialDropMm', label: 'Differential dropped by', range: LIMITS.changeMm },
];
const fields = computed(() => (isBeam.value ? PROPSHAFT : HALF_SHAFT));

function set(field: keyof DriveEntry, value: number | undefined): void {
  job.changeSetup((file) => {
    const { [field]: _, ...others } = file.stance?.drive?.[props.axle] ?? {};
    const own = value === undefined ? others : { ...others, [field]: value };
    file.stance = { ...file.stance, drive: { ...file.stance?.drive, [props.axle]: own } };
  }, `drive ${props.axle}`);
}

const deg = (value: number): string => `${value.toFixed(1)}°`;
const mm = (value: number | null): string => (value === null ? 'not measured' : `${formatMm(value)} mm`);

const rows = computed<readonly PlacesRow[] | null>(() => {
  const file = job.document;
  if (!file) return null;
  const made = attempt((): PlacesRow[] | null => (isBeam.value ? driveshaftRows(file) : halfShaftRows(file)));
  return made.ok ? made.value : null;
});
function driveshaftRows(file: LowgapFile): PlacesRow[] | null {
  const shaft = driveshaftEntry(file, props.axle);
  if (!shaft) return null;
  const report = driveshaftReport(asCase(file), key.value, shaft);
  return [
    placesRow('Joint at the case', report, (state) => deg(state.outputJointDeg)),
    placesRow('Joint at the pinion', report, (state) => deg(state.pinionJointDeg)),
    placesRow('Slip joint pulled apart by', report, (state) => mm(state.pulledApartMm)),
    placesRow('Slip joint engaged', report, (state) => mm(state.engagedMm)),
  ];
}
function halfShaftRows(file: LowgapFile): PlacesRow[] | null {
  const shaft = halfShaftEntry(file, props.axle);
  if (!shaft) return null;
  const dropMm = drive.value.differentialDropMm;
  const plain = halfShaftReport(asCase(file), key.value, shaft);
  const dropped = dropMm ? halfShaftReport(asCase(file), key.value, shaft, dropMm) : null;
  return [
    placesRow('Outer joint', plain, (state) => deg(state.outerDeg)),
    placesRow('Inner joint', plain, (state) => deg(state.innerDeg)),
    placesRow('Between the joints', plain, (state) => mm(state.lengthMm)),
    ...(dropped
      ? [
          placesRow('Outer joint, differential dropped', dropped, (state) => deg(state.outerDeg)),
          placesRow('Inner joint, differential dropped', dropped, (state) => deg(state.innerDeg)),
        ]
      : []),
  ];
}
/** Answered without these; said where they would change the answer. */
const MAY_LACK: readonly (keyof DriveEntry)[] = ['differentialDropMm', 'pinionReachMm', 'pinionRiseMm'];
const atHub = computed(() => isBeam.value && rows.value !== null && drive.value.pinionReachMm === undefined);
const missing = computed(() =>
  fields.value
    .filter(({ key: field }) => !MAY_LACK.includes(field) && drive.value[field] === undefined)
    .map(({ label }) => label.toLowerCase())
    .join(', '),
);
</script>

<template>
  <section class="panel box" :aria-label="`Driveline, ${axle}`">
    <h2 class="panel-title">{{ isBeam ? 'Driveshaft' : 'Half shafts' }}, {{ axle }} axle</h2>
    <FieldList :fields="fields" :values="drive" @change="set" />
    <p v-if="!rows" class="muted">Not answered: measure {{ missing }}.</p>
    <PlacesTable v-else :rows="rows" :data-testid="`drive-${axle}`" />
    <p v-if="atHub" class="small verdict-close">
      The pinion’s joint is taken at the hub, as in older jobs: where it really sits, a turning axle moves it up and
      down.
    </p>
    <p class="small">
      {{
        isBeam
          ? 'By geometry, both wheels alike; the joints’ makers say what they stand. Support the driveshaft before it comes off.'
          : 'Straight ahead; steering adds to the outer joint. Some lower the differential, some call it needless: compare the lines.'
      }}
    </p>
  </section>
</template>

<style scoped src="../kit/measured.css"></style>
