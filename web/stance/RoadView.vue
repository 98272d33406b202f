<script setup lang="ts">
import { computed } from 'vue';
import { asCase } from '@/contracts/as-case';
import type { RoadEntry } from '@/contracts/stance';
import { setupForCorner } from '@/core/4-clearance/case/case-description';
import { LIMITS, type Range } from '@/core/1-base/limits';
import { attempt, type Result } from '@/core/1-base/problem';
import { axleTireLoad } from '@/core/5-consequences/road/tire-load';
import type { RoadReport, RoadRow } from '@/core/5-consequences/stance/road-report';
import { parseTireSize } from '@/core/2-vehicle/tire/size';
import { formatMm } from '@/core/1-base/units/length';
import { parseSpeed, speedIn } from '@/core/1-base/units/distance';
import { parsePressure, pressureIn } from '@/core/1-base/units/pressure';
import { problemText } from '../problem-words';
import { inRange, readNumber } from '../kit/read-lists';
import TypedField from '../kit/TypedField.vue';
import { useJobStore } from '../stores/job';
import { useUnits } from '../stores/units';
import { cornersOf } from './axle-parts';
import { loadSays } from './load-words';
import { ROAD_FIELD_WORDS, ROAD_WORDS } from './stance-words';
import FieldList from '../kit/FieldList.vue';
import FiguresTable, { type FiguresRow } from '../kit/FiguresTable.vue';

/** Clearance, angles, gearing, speedometer and standing, before and after; what was not measured is named. */
const props = defineProps<{ road: Result<RoadReport> }>();
const job = useJobStore();

type Choice = 'frontFixedTo' | 'rearFixedTo' | 'vehicle';
type Key = Exclude<keyof RoadEntry, Choice>;
const FIXED_TO = [
  { value: 'body', title: 'the body' },
  { value: 'frame', title: 'the frame' },
];
const VEHICLES = [
  { value: 'car', title: 'a car' },
  { value: 'truck', title: 'a truck, van or off-road vehicle' },
];
const LENGTHS: readonly { key: Key; range: Range }[] = (
  [
    'frontReachMm',
    'frontHeightMm',
    'rearReachMm',
    'rearHeightMm',
    'bellyBehindMm',
    'bellyHeightMm',
    'axleClearanceMm',
    'centreOfGravityMm',
  ] as const
).map((key) => ({ key, range: key === 'bellyBehindMm' ? LIMITS.wheelbaseMm : LIMITS.underbodyMm }));
const NUMBERS: readonly { key: Key; range: Range }[] = [
  { key: 'axleRatio', range: { min: 1, max: 12, unit: 'to 1' } },
  { key: 'gearRatio', range: { min: 0.2, max: 10, unit: 'to 1' } },
  { key: 'frontAxleKg', range: LIMITS.axleKg },
  { key: 'rearAxleKg', range: LIMITS.axleKg },
  { key: 'tireLoadIndex', range: { min: 60, max: 140, unit: '' } },
];
const FIELD_WORDS: Readonly<Record<Key, string>> = {
  ...ROAD_FIELD_WORDS,
  frontAxleKg: 'heaviest front axle, kg',
  rearAxleKg: 'heaviest rear axle, kg',
  tireLoadIndex: 'load index, where the size does not say it',
  tireReferenceKpa: 'pressure the load index holds at',
  topKmh: 'fastest it is driven',
};
const named = (key: Key): string => `${FIELD_WORDS[key][0]!.toUpperCase()}${FIELD_WORDS[key].slice(1)}`;
const FIELDS = [
  ...LENGTHS.map((field) => ({ ...field, label: named(field.key) })),
  ...NUMBERS.map((field) => ({ ...field, label: named(field.key), kind: 'number' as const })),
];

const units = useUnits();
function set(key: Key | Choice, value: number | string | undefined): void {
  job.changeSetup((file) => {
    const { [key]: _, ...others } = file.stance?.road ?? {};
    file.stance = { ...file.stance, road: value === undefined ? others : { ...others, [key]: value } };
  }, 'road');
}
const readPercent = (text: string): Result<number> => {
  const read = readNumber({ min: -10, max: 20, unit: '%' })(text.replace('%', ''));
  return read.ok ? { ok: true, value: Math.round(read.value * 1000) / 100_000 } : read;
};
const writePercent = (share: number): string => formatMm(100 * share, 3);
const readPressure = (text: string): Result<number> => attempt(() => parsePressure(text, units.pressure));
const speedUpTo =
  (max: number, unit: string) =>
  (text: string): Result<number> =>
    attempt(() => inRange(parseSpeed(text, units.distance), { min: 5, max, unit }, text));
const readSpeed = speedUpTo(250, 'km/h (3 to 155 mph)');
const readTopSpeed = speedUpTo(350, 'km/h (3 to 217 mph)');
const writePressure = (kpa: number): string => pressureIn(kpa, units.pressure);
const writeSpeed = (kmh: number): string => speedIn(kmh, units.distance);
const UNITS = { mm: ' mm', deg: '°', perMin: ' /min', ratio: '' } as const;
const number = (row: RoadRow, value: number): string =>
  'missing' in row
    ? ''
    : `${row.unit === 'ratio' ? value.toFixed(2) : formatMm(value, row.unit === 'deg' ? 1 : 0)}${UNITS[row.unit]}`;
const figuresOf = (row: RoadRow): FiguresRow => ({
  name: ROAD_WORDS[row.what],
  cells:
    'missing' in row
      ? [{ text: `measure ${row.missing.map((key) => ROAD_FIELD_WORDS[key]).join(', ')}`, tone: 'muted', across: 2 }]
      : [number(row, row.before), { text: number(row, row.after), strong: true }],
});
const speedIf = computed(() =>
  job.document?.stance?.road?.speedometerErrorShare === undefined ? ', if it is right today' : '',
);
/** What each axle asks of the tires tried. */
const loads = computed(() => {
  const file = job.document;
  if (!file) return [];
  const { frontAxleKg, rearAxleKg, tireLoadIndex, tireReferenceKpa, vehicle, topKmh } = file.stance?.road ?? {};
  return (
    [
      ['front', frontAxleKg],
      ['rear', rearAxleKg],
    ] as const
  ).flatMap(([axle, axleKg]) => {
    const [key] = cornersOf(file, axle);
    if (axleKg === undefined || !key) return [];
    const found = attempt(() => {
      const size = parseTireSize(setupForCorner(asCase(file), key).tire.size);
      const duty = { axleKg, vehicle, topKmh };
      const tire = { size, index: tireLoadIndex, referenceKpa: tireReferenceKpa };
      return loadSays(axle, { duty, tire, found: axleTireLoad(duty, tire) }, units);
    });
    return [{ axle, ...(found.ok ? found.value : { bad: true, says: problemText(found.problems[0]!) }) }];
  });
});
/** Numbers alone: what they are fixed to and what the vehicle counts as are chosen. */
const numbers = computed(() => {
  const { frontFixedTo: _f, rearFixedTo: _r, vehicle: _v, ...values } = job.document?.stance?.road ?? {};
  return values;
});
const choices = computed(() => {
  const { frontFixedTo, rearFixedTo, vehicle } = job.document?.stance?.road ?? {};
  return [
    { key: 'frontFixedTo', label: 'Front lowest place is fixed to', value: frontFixedTo, items: FIXED_TO },
    { key: 'rearFixedTo', label: 'Rear lowest place is fixed to', value: rearFixedTo, items: FIXED_TO },
    { key: 'vehicle', label: 'Counts as, for its tires', value: vehicle, items: VEHICLES },
  ] as const;
});
/** A body lift takes up what is fixed to the body alone: said where nobody told which. */
const assumesBody = computed(() => {
  const { frontFixedTo, rearFixedTo, frontHeightMm, rearHeightMm } = job.document?.stance?.road ?? {};
  const lifted = props.road.ok && props.road.value.hasBodyLift;
  return lifted && ((frontHeightMm && !frontFixedTo) || (rearHeightMm && !rearFixedTo));
});
const SPEED_WORDS = {
  allowed: 'within UN R39',
  showsTooLittle: 'shows less than the truth, which UN R39 does not allow',
  showsTooMuch: 'shows more than UN R39 allows',
} as const;
</script>

<template>
  <div class="road two">
    <section class="panel box" aria-label="On the road">
      <h2 class="panel-title">On the road, before and after</h2>
      <p v-if="!road.ok" class="verdict-rubs" role="alert">{{ problemText(road.problems[0]!) }}</p>
      <template v-else>
        <FiguresTable
          data-testid="road-rows"
          caption="On the road, before and after"
          corner="What"
          :columns="['Now', 'Then']"
          :rows="road.value.rows.map(figuresOf)"
        />
        <p v-if="assumesBody" class="verdict-close">
          What a lowest place is fixed to is not said: it is taken to go up with the body lift, which a bumper on the
          frame does not.
        </p>
        <p v-if="road.value.speedometer" data-testid="speed-says">
          At a true {{ speedIn(100, units.distance) }} the speedometer shows
          {{ speedIn(road.value.speedometer.shownKmh, units.distance) }}{{ speedIf }}:
          {{ SPEED_WORDS[road.value.speedometer.verdict] }}. Tires from
          {{ formatMm(road.value.lawfulDiametersMm[0], 0) }} to {{ formatMm(road.value.lawfulDiametersMm[1], 0) }} mm
          tall keep it lawful.
        </p>
        <p v-for="load in loads" :key="load.axle" :class="load.bad ? 'verdict-rubs' : ''" data-testid="load-says">
          {{ load.says }}
        </p>
        <p class="small">
          A higher center of gravity rolls over sooner: the tilt angle is that of a rigid vehicle, a sprung one tips
          before. Check headlamp aim, wheel coverage and local law; driver-assistance sensors may need setting anew.
        </p>
      </template>
    </section>
    <section class="panel box" aria-label="Measured as it stands today">
      <h2 class="panel-title">As it stands today, on the fitted tires</h2>
      <FieldList :fields="FIELDS" :values="numbers" @change="set">
        <TypedField
          :label="named('tireReferenceKpa')"
          :value="job.document?.stance?.road?.tireReferenceKpa"
          :read="readPressure"
          :write="writePressure"
          optional
          @change="(value) => set('tireReferenceKpa', value)"
        />
        <TypedField
          :label="named('cruiseKmh')"
          :value="job.document?.stance?.road?.cruiseKmh"
          :read="readSpeed"
          :write="writeSpeed"
          optional
          @change="(value) => set('cruiseKmh', value)"
        />
        <TypedField
          :label="named('topKmh')"
          :value="job.document?.stance?.road?.topKmh"
          :read="readTopSpeed"
          :write="writeSpeed"
          optional
          @change="(value) => set('topKmh', value)"
        />
        <v-select
          v-for="{ key, label, value, items } in choices"
          :key="key"
          :label="label"
          :model-value="value ?? null"
          :items="items"
          clearable
          hide-details
          @update:model-value="(chosen: string | null) => set(key, chosen ?? undefined)"
        />
        <TypedField
          label="Speedometer shows too much by, %"
          :value="job.document?.stance?.road?.speedometerErrorShare"
          :read="readPercent"
          :write="writePercent"
          optional
          @change="(value) => set('speedometerErrorShare', value)"
        />
      </FieldList>
    </section>
  </div>
</template>
