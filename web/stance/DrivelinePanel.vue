<script setup lang="ts">
import { computed } from 'vue';
import { asCase } from '@/contracts/as-case';
import type { DriveEntry } from '@/contracts/stance';
import { LIMITS, type Range } from '@/core/limits';
import { DRIVE_PLACES, halfShaftReport, propshaftReport, type DrivePlace } from '@/core/driveline/driveline-report';
import { attempt } from '@/core/problem';
import { formatMm } from '@/core/units/length';
import QuantityField from '../parts/QuantityField.vue';
import { useJobStore } from '../stores/job';
import { cornersOf, type StanceAxle } from './axle-parts';
import { propshaftEntry } from './propshaft-entry';

/** Propshaft of a beam axle or half shafts of an independent one, at both ends of the travel, before and after. */
const props = defineProps<{ axle: StanceAxle }>();
const job = useJobStore();

const key = computed(() => cornersOf(job.document!, props.axle)[0]!);
const isBeam = computed(() => job.document!.corners[key.value]!.motion.type === 'beamAxle');
const drive = computed<DriveEntry>(() => job.document?.stance?.drive?.[props.axle] ?? {});

const angle: Range = { min: -40, max: 40, unit: 'degrees' };
interface Field {
  readonly key: keyof DriveEntry;
  readonly label: string;
  readonly range: Range;
  readonly degrees?: true;
}
const PROPSHAFT: readonly Field[] = [
  { key: 'shaftLengthMm', label: 'Propshaft, joint to joint', range: LIMITS.wheelbaseMm },
  { key: 'shaftRiseMm', label: 'Case joint above axle joint', range: LIMITS.riseMm },
  { key: 'outputDeg', label: 'Output points down by', range: angle, degrees: true },
  { key: 'pinionDeg', label: 'Pinion points up by', range: angle, degrees: true },
];
const HALF_SHAFT: readonly Field[] = [
  { key: 'innerInboardMm', label: 'Inner joint inboard of hub face', range: LIMITS.jointMm },
  { key: 'innerRiseMm', label: 'Inner joint above hub centre', range: LIMITS.riseMm },
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

const PLACES: Readonly<Record<DrivePlace, string>> = { droop: 'Hanging', ride: 'Parked', bump: 'Full bump' };

interface Row {
  readonly name: string;
  readonly cells: readonly { readonly before: string; readonly after: string }[];
}
const deg = (value: number | undefined): string => (value === undefined ? 'out of reach' : `${value.toFixed(1)}°`);
const mm = (value: number | null | undefined): string =>
  value === undefined ? 'out of reach' : value === null ? 'not measured' : `${formatMm(value)} mm`;

const rows = computed<readonly Row[] | null>(() => {
  const file = job.document;
  if (!file) return null;
  const d = drive.value;
  const made = attempt((): Row[] | null => {
    if (isBeam.value) {
      const shaft = propshaftEntry(file, props.axle);
      if (!shaft) return null;
      const report = propshaftReport(asCase(file), key.value, shaft);
      const row = (name: string, of: (state: NonNullable<typeof report.before.ride>) => string): Row => ({
        name,
        cells: DRIVE_PLACES.map((place) => ({
          before: report.before[place] ? of(report.before[place]) : 'out of reach',
          after: report.after[place] ? of(report.after[place]) : 'out of reach',
        })),
      });
      return [
        row('Joint at the case', (state) => deg(state.outputJointDeg)),
        row('Joint at the pinion', (state) => deg(state.pinionJointDeg)),
        row('Slip joint pulled apart by', (state) => mm(state.pulledApartMm)),
        row('Slip joint engaged', (state) => mm(state.engagedMm)),
      ];
    }
    const { innerInboardMm, innerRiseMm, outerInboardMm, differentialDropMm } = d;
    if (innerInboardMm === undefined || innerRiseMm === undefined || outerInboardMm === undefined) return null;
    const shaft = { innerInboardMm, innerRiseMm, outerInboardMm };
    const plain = halfShaftReport(asCase(file), key.value, shaft);
    const dropped = halfShaftReport(asCase(file), key.value, shaft, differentialDropMm ?? 0);
    const row = (
      name: string,
      after: typeof plain.after,
      of: (state: NonNullable<typeof plain.before.ride>) => string,
    ): Row => ({
      name,
      cells: DRIVE_PLACES.map((place) => ({
        before: plain.before[place] ? of(plain.before[place]) : 'out of reach',
        after: after[place] ? of(after[place]) : 'out of reach',
      })),
    });
    return [
      row('Outer joint', plain.after, (state) => deg(state.outerDeg)),
      row('Inner joint', plain.after, (state) => deg(state.innerDeg)),
      row('Between the joints', plain.after, (state) => mm(state.lengthMm)),
      ...(differentialDropMm
        ? [
            row('Outer joint, differential dropped', dropped.after, (state) => deg(state.outerDeg)),
            row('Inner joint, differential dropped', dropped.after, (state) => deg(state.innerDeg)),
          ]
        : []),
    ];
  });
  return made.ok ? made.value : null;
});
const missing = computed(() =>
  fields.value
    .filter(({ key: field }) => field !== 'differentialDropMm' && drive.value[field] === undefined)
    .map(({ label }) => label.toLowerCase())
    .join(', '),
);
</script>

<template>
  <section class="panel box" :aria-label="`Driveline, ${axle}`">
    <h2 class="panel-title">{{ isBeam ? 'Propshaft' : 'Half shafts' }}, {{ axle }} axle</h2>
    <div class="fields">
      <QuantityField
        v-for="field in fields"
        :key="field.key"
        :label="field.label"
        :value="drive[field.key]"
        :range="field.range"
        :quantity="field.degrees ? 'degrees' : 'length'"
        optional
        @change="(value) => set(field.key, value)"
      />
    </div>
    <p v-if="!rows" class="muted">Not answered: measure {{ missing }}.</p>
    <table v-else class="figures" :data-testid="`drive-${axle}`">
      <thead>
        <tr>
          <th scope="col">As fitted, and with the setup</th>
          <th v-for="place in DRIVE_PLACES" :key="place" scope="col">{{ PLACES[place] }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.name">
          <th scope="row">{{ r.name }}</th>
          <td v-for="(c, i) in r.cells" :key="i">
            {{ c.before }} <strong>{{ c.after }}</strong>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="small">
      {{
        isBeam
          ? 'By geometry, both wheels alike; the joints’ makers say what they stand. Support the propshaft before it comes off.'
          : 'Straight ahead; steering adds to the outer joint. Some lower the differential, some call it needless: compare the lines.'
      }}
    </p>
  </section>
</template>

<style scoped>
.box {
  padding: 10px 12px;
  display: grid;
  gap: 8px;
  min-width: 0;
}
.fields {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 10px;
}
table {
  border-collapse: collapse;
  width: 100%;
  font-size: 15px;
}
th,
td {
  border-top: 1px solid var(--rule);
  padding: 4px 8px 4px 0;
  text-align: left;
  font-weight: 400;
}
.small {
  font-size: 14px;
  line-height: 19px;
}
</style>
