<script setup lang="ts">
import type { RoadEntry } from '@/contracts/stance';
import { LIMITS, type Range } from '@/core/limits';
import type { Result } from '@/core/problem';
import type { RoadReport, RoadRow } from '@/core/stance/road-report';
import { formatMm } from '@/core/units/length';
import { problemText } from '@/contracts/problems';
import { readNumber, writeNumber } from '../parts/read-lists';
import QuantityField from '../parts/QuantityField.vue';
import TypedField from '../parts/TypedField.vue';
import { useJobStore } from '../stores/job';
import { ROAD_FIELD_WORDS, ROAD_WORDS } from './stance-words';

/** Clearance, angles, gearing, speedometer and standing, before and after; what was not measured is named. */
defineProps<{ road: Result<RoadReport> }>();
const job = useJobStore();

type Key = keyof RoadEntry;
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
  { key: 'cruiseKmh', range: { min: 5, max: 250, unit: 'km/h' } },
];
const named = (key: Key): string => `${ROAD_FIELD_WORDS[key][0]!.toUpperCase()}${ROAD_FIELD_WORDS[key].slice(1)}`;

function set(key: Key, value: number | undefined): void {
  job.changeSetup((file) => {
    const { [key]: _, ...others } = file.stance?.road ?? {};
    file.stance = { ...file.stance, road: value === undefined ? others : { ...others, [key]: value } };
  }, 'road');
}
const UNITS = { mm: ' mm', deg: '°', perMin: ' /min', ratio: '' } as const;
const number = (row: RoadRow, value: number): string =>
  'missing' in row
    ? ''
    : `${row.unit === 'ratio' ? value.toFixed(2) : formatMm(value, row.unit === 'deg' ? 1 : 0)}${UNITS[row.unit]}`;
const SPEED_WORDS = {
  allowed: 'within UN R39',
  showsTooLittle: 'shows less than the truth, which UN R39 does not allow',
  showsTooMuch: 'shows more than UN R39 allows',
} as const;
</script>

<template>
  <div class="road">
    <section class="panel box" aria-label="On the road">
      <h2 class="panel-title">On the road, before and after</h2>
      <p v-if="!road.ok" class="verdict-rubs" role="alert">{{ problemText(road.problems[0]!) }}</p>
      <template v-else>
        <table class="figures" data-testid="road-rows">
          <thead>
            <tr>
              <th scope="col">What</th>
              <th scope="col">Now</th>
              <th scope="col">Then</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in road.value.rows" :key="r.what">
              <th scope="row">{{ ROAD_WORDS[r.what] }}</th>
              <td v-if="'missing' in r" colspan="2" class="muted">
                measure {{ r.missing.map((key) => ROAD_FIELD_WORDS[key]).join(', ') }}
              </td>
              <template v-else>
                <td>{{ number(r, r.before) }}</td>
                <td>
                  <strong>{{ number(r, r.after) }}</strong>
                </td>
              </template>
            </tr>
          </tbody>
        </table>
        <p v-if="road.value.speedometer" data-testid="speed-says">
          At a true 100 km/h the speedometer shows {{ formatMm(road.value.speedometer.shownKmh) }}, if it is right
          today: {{ SPEED_WORDS[road.value.speedometer.verdict] }}.
        </p>
        <p class="small">
          A higher centre of gravity rolls over sooner: the tilt angle is that of a rigid vehicle, a sprung one tips
          before. Check headlamp aim, wheel coverage and local law; driver-assistance sensors may need setting anew.
        </p>
      </template>
    </section>
    <section class="panel box" aria-label="Measured as it stands today">
      <h2 class="panel-title">As it stands today, on the fitted tires</h2>
      <div class="fields">
        <QuantityField
          v-for="{ key, range } in LENGTHS"
          :key="key"
          :label="named(key)"
          :value="job.document?.stance?.road?.[key]"
          :range="range"
          optional
          @change="(mm) => set(key, mm)"
        />
        <TypedField
          v-for="{ key, range } in NUMBERS"
          :key="key"
          :label="named(key)"
          :value="job.document?.stance?.road?.[key]"
          :read="readNumber(range)"
          :write="writeNumber"
          optional
          @change="(value) => set(key, value)"
        />
      </div>
    </section>
  </div>
</template>

<style scoped>
.road {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr);
  gap: 10px;
  align-items: start;
}
.box {
  padding: 10px 12px;
  display: grid;
  gap: 8px;
  min-width: 0;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  gap: 10px;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  border-top: 1px solid var(--rule);
  padding: 5px 10px 5px 0;
  text-align: left;
}
th[scope='row'] {
  font-weight: 500;
}
.small {
  font-size: 14px;
  line-height: 19px;
}
@media (max-width: 1000px) {
  .road {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
