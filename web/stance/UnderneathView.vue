<script setup lang="ts">
import { computed } from 'vue';
import type { AxleAbilityEntry } from '@/contracts/stance';
import { type CornerKey, axleOf } from '@/core/2-vehicle/setup/corner-key';
import { LIMITS, type Range } from '@/core/1-base/limits';
import { HEIGHT_SCHOOLS, SCHOOL_ASKS, type HeightSchool } from '@/core/5-consequences/stance/height-schools';
import { formatMm } from '@/core/1-base/units/length';
import { readNumber, writeNumber } from '../kit/read-lists';
import QuantityField from '../kit/QuantityField.vue';
import TypedField from '../kit/TypedField.vue';
import { useJobStore } from '../stores/job';
import { bothUnits } from '../../core/1-base/units/length';
import { CORNER_NAMES, type Axle } from '../../core/2-vehicle/setup/corner-key';
import SpringEndsPanel from './SpringEndsPanel.vue';
import { adjustWords, calledForWords, notAnsweredWords } from './called-for-words';
import HeightTablePanel from './HeightTablePanel.vue';
import { LINE_WORDS, SCHOOL_WORDS } from './stance-words';
import { cornersOf } from './axle-parts';
import { abilityOf, type CornerReport } from './use-stance';

/** Shocks, hoses, adjusters and joints at the new height, and what it calls for. */
const props = defineProps<{ reports: readonly CornerReport[]; corner: CornerKey }>();
const job = useJobStore();

const axles = computed<Axle[]>(() =>
  (['front', 'rear'] as const).filter((axle) => props.reports.some(({ key }) => key.startsWith(axle))),
);
const degrees = (max: number): Range => ({ min: 0, max, unit: 'degrees' });

function set(axle: Axle, field: keyof AxleAbilityEntry, value: number | undefined): void {
  job.changeSetup((file) => {
    const { [field]: _, ...others } = file.stance?.[axle] ?? {};
    file.stance = { ...file.stance, [axle]: value === undefined ? others : { ...others, [field]: value } };
  }, `stance ${axle}`);
}

/** How far joints may swing from how they stand today. */
const MOSTS = [
  { field: 'jointMostDeg', label: 'Ball joints swing at most' },
  { field: 'upperJointMostDeg', label: 'The upper one, if it differs' },
  { field: 'armMostDeg', label: 'Arms turn at the frame at most' },
  { field: 'shaftMostDeg', label: 'Shaft joints’ most' },
] as const;

type Reach = 'camberByDeg' | 'casterByDeg';
const reachOf = (axle: Axle, field: Reach): number | undefined => {
  const [first] = cornersOf(job.document!, axle);
  return first && abilityOf(job.document!, first)[field];
};
/** On both corners of the axle: the verdict is for the vehicle aligned as far as they reach. */
function setReach(axle: Axle, field: Reach, value: number | undefined): void {
  job.changeSetup((file) => {
    const { [field]: _, ...others } = file.stance?.[axle] ?? {};
    if (file.stance?.[axle]) file.stance = { ...file.stance, [axle]: others };
    for (const key of cornersOf(file, axle)) {
      const { [field]: _old, ...rest } = file.corners[key]!.adjusters ?? {};
      file.corners[key]!.adjusters = value === undefined ? rest : { ...rest, [field]: value };
    }
  }, `stance ${axle}`);
}

const calls = computed(() =>
  props.reports.flatMap(({ key, calls: found }) =>
    found.map((call) => ({
      key: `${key}${call.what}`,
      corner: CORNER_NAMES[key],
      says: calledForWords(call),
      by: call.schools.length === HEIGHT_SCHOOLS.length ? '' : call.schools.map((one) => SCHOOL_WORDS[one]).join(', '),
    })),
  ),
);
/** Questions without an answer; corners that lack the same are said together. */
const open = computed(() => {
  const corners = new Map<string, string[]>();
  for (const { key, open: questions } of props.reports) {
    if (questions.length === 0) continue;
    const says = notAnsweredWords(questions);
    corners.set(says, [...(corners.get(says) ?? []), CORNER_NAMES[key]]);
  }
  return [...corners].map(([says, names]) => ({ corner: names.join(', '), says }));
});
const percent = (school: HeightSchool): string => `${Math.round(100 * SCHOOL_ASKS[school].share)} %`;
/** Why an answer is off. */
const missingShock = ({ key }: CornerReport): string => {
  const under = job.document?.corners[key]?.underbody;
  const axle = axleOf(key);
  const asked = [
    ...(under?.shockNowMm === undefined ? ['its length at ride height'] : []),
    ...(under?.shockOpenMm === undefined ? ['fully open'] : []),
    ...(under?.shockClosedMm === undefined ? ['fully closed'] : []),
    ...(job.document?.stance?.[axle]?.shockRatio === undefined ? ['shock travel per wheel travel (here)'] : []),
  ];
  return `Not answered: enter ${asked.join(', ')}${asked.length > 1 || !asked[0]?.includes('here') ? '; lengths are in the baseline, under what hangs below' : ''}.`;
};
</script>

<template>
  <div class="under two">
    <div class="stack">
      <section class="panel box" aria-label="What it calls for">
        <h2 class="panel-title">What this height calls for</h2>
        <p v-if="!calls.length" class="muted" data-testid="calls-nothing">
          {{
            open.length ? 'Nothing of what could be answered. Not answered:' : 'Nothing more than before the change.'
          }}
        </p>
        <ul v-else class="bullets" data-testid="calls">
          <li v-for="call in calls" :key="call.key">
            <strong>{{ call.corner }}.</strong> {{ call.says }}
            <span v-if="call.by" class="muted">Only by the school: {{ call.by }}.</span>
          </li>
        </ul>
        <ul v-if="open.length" class="bullets small" data-testid="calls-open">
          <li v-for="one in open" :key="one.corner">
            <strong>{{ one.corner }}: not answered.</strong> Measure {{ one.says }}.
          </li>
        </ul>
        <p class="small muted">
          Schools differ. One keeps a reserve ({{ percent('keepReserve') }} of what joints and adjusters can,
          {{ SCHOOL_ASKS.keepReserve.spareMm }} mm of shock and hose); one goes to the limit; one counts on corrected
          arms, longer shocks and hoses in any case. Working values of this program.
        </p>
        <p class="small">
          Support the axle before a shock comes off; coil springs store lethal energy; gas-charged shocks only by those
          equipped. The vehicle’s and the parts’ makers have the last word.
        </p>
      </section>
      <HeightTablePanel :corner="corner" />
      <SpringEndsPanel :key="corner" :corner="corner" />
    </div>
    <div class="stack">
      <section class="panel box" aria-label="What adjusters and joints can do">
        <h2 class="panel-title">What adjusters and joints can do</h2>
        <div v-for="axle in axles" :key="axle" class="fields">
          <strong>{{ axle === 'front' ? 'Front axle' : 'Rear axle' }}</strong>
          <QuantityField
            label="Camber adjusts ±"
            quantity="degrees"
            :value="reachOf(axle, 'camberByDeg')"
            :range="degrees(30)"
            optional
            @change="(value) => setReach(axle, 'camberByDeg', value)"
          />
          <QuantityField
            label="Caster adjusts ±"
            quantity="degrees"
            :value="reachOf(axle, 'casterByDeg')"
            :range="degrees(30)"
            optional
            @change="(value) => setReach(axle, 'casterByDeg', value)"
          />
          <QuantityField
            v-for="{ field, label } in MOSTS"
            :key="field"
            :label="label"
            quantity="degrees"
            :value="job.document?.stance?.[axle]?.[field]"
            :range="degrees(60)"
            optional
            @change="(value) => set(axle, field, value)"
          />
          <TypedField
            label="Shock per wheel travel"
            :value="job.document?.stance?.[axle]?.shockRatio"
            :read="readNumber(LIMITS.motionRatio)"
            :write="writeNumber"
            optional
            @change="(value) => set(axle, 'shockRatio', value)"
          />
        </div>
      </section>
      <section v-for="report in reports" :key="report.key" class="panel box" :aria-label="CORNER_NAMES[report.key]">
        <h2 class="panel-title">{{ CORNER_NAMES[report.key] }}</h2>
        <template v-if="report.stance.ok">
          <p v-if="report.stance.value.shock" data-testid="shock-says">
            Shock {{ formatMm(report.stance.value.shock.droopMm, 0) }} mm long hanging,
            {{ formatMm(report.stance.value.shock.rideMm, 0) }} parked,
            {{ formatMm(report.stance.value.shock.bumpMm, 0) }} in full bump:
            <strong v-if="report.stance.value.shock.shortMm > 0" class="verdict-rubs"
              >{{ formatMm(report.stance.value.shock.shortMm) }} mm too short to hang so low</strong
            >
            <strong v-if="report.stance.value.shock.bottomsMm > 0" class="verdict-rubs"
              >bottoms {{ formatMm(report.stance.value.shock.bottomsMm) }} mm early</strong
            >
            <strong
              v-if="report.stance.value.shock.shortMm === 0 && report.stance.value.shock.bottomsMm === 0"
              class="verdict-clear"
              >within what it can</strong
            >.
          </p>
          <p v-else class="muted">Shock. {{ missingShock(report) }}</p>
          <p v-for="l in report.stance.value.lines" :key="l.what" :class="l.leftMm < 0 ? 'verdict-rubs' : ''">
            {{ LINE_WORDS[l.what] }}:
            {{ l.leftMm < 0 ? `${bothUnits(-l.leftMm)} short` : `${bothUnits(l.leftMm)} to spare` }}
            at full droop.
          </p>
          <p v-if="!report.stance.value.lines.length" class="muted">
            Hoses and wires: no spare length was measured with the wheel hanging (baseline, under what hangs below).
          </p>
          <p v-if="report.stance.value.adjust" data-testid="adjust-says">
            {{ adjustWords(report.stance.value.adjust) }}
          </p>
        </template>
        <p v-else class="verdict-rubs" role="alert">
          {{ report.stance.problems[0]?.expected }}; found {{ report.stance.problems[0]?.found }}.
        </p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.fields strong {
  grid-column: 1 / -1;
}
</style>
