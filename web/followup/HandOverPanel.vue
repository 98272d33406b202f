<script setup lang="ts">
import { type Axle, axleOf, type CornerKey, cornerName } from '@/core/2-vehicle/setup/corner-key';
import { computed } from 'vue';
import { fittedCorner } from '@/contracts/as-fit';
import { kitGot } from '@/core/7-job/test-fit/kit-got';
import { wantedSaid, type WantedLip } from '@/core/5-consequences/stance/wanted-height';
import { heightWords, kitWords } from '@/sheets/height-words';
import { asCase } from '@/contracts/as-case';
import { asHandedOver } from '@/contracts/as-handed-over';
import { attempt } from '@/core/1-base/problem';
import { roadReport } from '@/core/5-consequences/stance/road-report';
import { formatMm } from '@/core/1-base/units/length';
import { setupLine } from '@/sheets/order-head';
import { roadMeasured } from '../stance/use-stance';
import { distanceIn, speedIn } from '@/core/1-base/units/distance';
import { useJobStore } from '../stores/job';
import { useUnits } from '../stores/units';
import { STANDARD_NAMES } from '../words';
import { bothUnits } from '../../core/1-base/units/length';
import { CORNER_NAMES } from '../../core/2-vehicle/setup/corner-key';
import type { Plan } from '@/core/6-decisions/plan/plan-step';
import { setupWork } from '@/core/6-decisions/plan/setup-work';
import { stepWords } from '@/sheets/plan-words';
import { workWords } from '@/sheets/setup-work-words';
import { openWords } from './follow-up-words';
import { type FollowUpState } from './use-follow-up';
import { dayText } from '../kit/dates';
import { bodyRiseMm } from '@/core/2-vehicle/setup/setup';
import { setupForCorner } from '@/core/4-clearance/case/case-description';

/** One sheet for the customer: what was done, what to watch, what to do. Printed in black on white. */
const props = defineProps<{ state: FollowUpState; plan: Plan | null }>();
const job = useJobStore();
const units = useUnits();

const own = computed(() => props.state.followUp.value);
function set(field: 'pressures' | 'spare' | 'watch', text: string): void {
  props.state.change((kept) => {
    if (text.trim() === '') delete kept[field];
    else kept[field] = text;
  }, field);
}
const setup = computed(() => job.document?.testFits?.at(-1)?.setup ?? job.document?.setup ?? null);
const speed = computed(() => {
  const file = job.document;
  const found = file
    ? attempt(() => roadReport({ ...asCase(file), ...(setup.value ? { setup: setup.value } : {}) }, roadMeasured(file)))
    : null;
  return found?.ok ? found.value.speedometer : null;
});
/** All that was done, by the one account of the job: on the vehicle, then the plan's on top of it. */
const home = computed(() => {
  const file = job.document;
  const found = file ? attempt(() => asHandedOver(file, props.plan)) : null;
  return found?.ok ? found.value : null;
});
const works = computed(() => {
  const found = home.value ? attempt(() => setupWork(home.value!.description)) : null;
  return found?.ok ? found.value.map(workWords) : [];
});
const cuts = computed(() => (home.value?.plan?.steps ?? []).map(stepWords));
const trims = computed(() =>
  (job.document?.testFits ?? []).flatMap(({ trimmed }) =>
    trimmed.map(({ corner, obstacle, mm, isMeasured }) => {
      const label = job.document?.corners[corner]?.obstacles.find(({ id }) => id === obstacle)?.label ?? obstacle;
      return `${label}, ${cornerName(corner)}: ${isMeasured ? 'cut and measured' : 'trimmed, not measured'}, ${bothUnits(mm)} of gap gained`;
    }),
  ),
);
/** What the kit promised at a corner, and what came of it in the last round in which it was measured. */
function kitAt(key: CornerKey): string[] {
  const file = job.document;
  const round = file?.testFits?.findLast(({ heights: all }) => all[key]?.hubToLipMm !== undefined);
  const got = file && round ? attempt(() => kitGot(fittedCorner(file, round, key))) : null;
  return got?.ok && got.value ? [`lift ${kitWords(got.value)}`] : [];
}
/** Measured heights against the wanted ones. */
const heightsSaid = computed(() => {
  const wanted = job.document?.stance?.wantedLip;
  const lipOf = (axle: Axle): WantedLip | null => {
    const read = job.corners
      .filter((key) => axleOf(key) === axle)
      .flatMap((key) => {
        const mm = job.document?.testFits?.map((fit) => fit.heights[key]?.groundToLipMm).findLast(Number.isFinite);
        return mm === undefined ? [] : [mm];
      });
    const wantedMm = wanted?.[axle === 'front' ? 'frontMm' : 'rearMm'] ?? null;
    if (read.length === 0) return null;
    return { axle, thenMm: read.reduce((sum, mm) => sum + mm, 0) / read.length, wantedMm, parts: [] };
  };
  return wantedSaid(lipOf('front'), lipOf('rear'), job.document?.stance?.rakeMm ?? null).map(heightWords);
});
const heights = computed(() =>
  job.corners.flatMap((key) => {
    const read = job.document?.testFits
      ?.map(({ heights: all }) => all[key])
      .findLast((one) => one?.groundToLipMm ?? one?.hubToLipMm);
    if (!read) return [];
    const said = [
      ...(read.hubToLipMm === undefined ? [] : [`hub to lip ${formatMm(read.hubToLipMm, 0)} mm`]),
      ...(read.groundToLipMm === undefined ? [] : [`ground to lip ${formatMm(read.groundToLipMm, 0)} mm`]),
    ];
    return [`${CORNER_NAMES[key]}: ${[...said, ...kitAt(key)].join('; ')}`];
  }),
);
const lifted = computed(
  () =>
    (setup.value?.suspensionLiftMm ?? 0) !== 0 ||
    (setup.value?.bodyLiftMm ?? 0) !== 0 ||
    job.corners.some((key) => (setup.value?.corners?.[key]?.parts ?? setup.value?.parts ?? []).length > 0),
);
/** By how much the frame stands otherwise over the wheels, at the corner where that is most. */
const riseMm = computed(() => {
  const file = job.document;
  if (!file || !setup.value) return 0;
  const rises = job.corners.flatMap((key) => {
    const counted = attempt(() => setupForCorner({ ...asCase(file), setup: setup.value! }, key));
    return counted.ok ? [bodyRiseMm(counted.value)] : [];
  });
  return rises.reduce((most, mm) => (Math.abs(mm) > Math.abs(most) ? mm : most), 0);
});
const standsWords = computed(() => {
  if (Math.abs(riseMm.value) < 0.5) return '';
  return riseMm.value > 0
    ? 'It stands higher: it rolls over sooner, brakes and corners otherwise. Take it slowly at first.'
    : 'It stands lower: it touches ramps, curbs and its bump stops sooner. Take it slowly at first.';
});

const FIELDS = [
  { key: 'pressures', label: 'Tire pressures, front and rear' },
  { key: 'spare', label: 'Spare: which, and does it fit under or on it' },
  { key: 'watch', label: 'What to watch on this vehicle' },
] as const;
const print = (): void => window.print();
</script>

<template>
  <div class="leaves two">
    <section class="panel box no-print" aria-label="For the sheet">
      <h2 class="panel-title">For the sheet</h2>
      <v-textarea
        v-for="f in FIELDS"
        :key="f.key"
        :label="f.label"
        rows="1"
        auto-grow
        hide-details
        :maxlength="f.key === 'watch' ? 1000 : f.key === 'spare' ? 200 : 120"
        :model-value="own[f.key] ?? ''"
        @update:model-value="(text: string) => set(f.key, text)"
      />
      <v-btn height="48" color="primary" @click="print">Print</v-btn>
    </section>
    <article class="paper" aria-label="Hand-over sheet">
      <h2>Your vehicle, as it leaves us</h2>
      <p>
        <strong>{{ job.document?.vehicle.label }}</strong>{{ job.customer ? `, ${job.customer}` : '' }}.
        {{ job.title }}. {{ own.handedOver ? `Handed over ${dayText(own.handedOver)}` : 'Not handed over yet' }}.
      </p>
      <p v-if="own.openThen?.length" class="open" data-testid="open-then">
        <strong>Handed over with this open:</strong> {{ openWords(own.openThen) }}. Why: {{ own.openReason }}
      </p>
      <template v-if="setup">
        <h3>On it now</h3>
        <p>{{ setupLine(setup) }}. Judged by: {{ STANDARD_NAMES[job.document!.standard] }}.</p>
      </template>
      <ul class="bullets" v-if="heights.length">
        <li v-for="h in [...heights, ...heightsSaid]" :key="h">{{ h }}</li>
      </ul>
      <h3>Tires</h3>
      <p>
        Pressures: {{ own.pressures ?? 'see the vehicle’s plate; ask us before changing them' }}. Spare:
        {{ own.spare ?? 'not checked' }}.
      </p>
      <template v-if="speed">
        <h3>Speedometer</h3>
        <p>
          At a true {{ speedIn(100, units.distance) }} it shows about {{ speedIn(speed.shownKmh, units.distance) }}, if
          it was right before.
        </p>
      </template>
      <template v-if="works.length || cuts.length || trims.length">
        <h3>What was done</h3>
        <ul class="bullets" data-testid="was-done">
          <li v-for="c in [...works, ...cuts, ...trims]" :key="c">{{ c }}</li>
        </ul>
      </template>
      <h3>Please</h3>
      <ul class="bullets">
        <li>Come back for the wheel nuts as written below; until then look at them yourself before longer trips.</li>
        <li v-if="standsWords">{{ standsWords }}</li>
        <li v-if="lifted">Have headlamp aim and any driver-assistance sensors checked; have it aligned.</li>
        <li>Listen for rubbing at full lock and when loaded; look for fresh marks in the wheel wells.</li>
        <li v-if="cuts.length || trims.length">Cut edges were sealed: look at them for rust once a year.</li>
        <li>What is lawful where you drive (coverage, height, spacers, tire size) is yours to keep to.</li>
        <li v-if="own.watch">{{ own.watch }}</li>
      </ul>
      <template v-if="own.due.length">
        <h3>We look at it again</h3>
        <ul class="bullets">
          <li v-for="d in own.due.filter(({ doneOn }) => !doneOn)" :key="d.id">
            {{ d.due }}{{ d.orAfterKm === undefined ? '' : `, or after ${distanceIn(d.orAfterKm, units.distance)}` }}:
            {{ d.text }}
          </li>
        </ul>
      </template>
    </article>
  </div>
</template>

<style scoped>
.paper {
  background: #fff;
  color: #000;
  padding: 26px 30px;
  border: 1px solid var(--rule);
  line-height: 24px;
}
.paper h2 {
  font-size: 24px;
  margin-bottom: 8px;
}
.paper h3 {
  font-size: 17px;
  margin-top: 12px;
}
@media print {
  .paper {
    border: 0;
    padding: 0;
  }
}
</style>
