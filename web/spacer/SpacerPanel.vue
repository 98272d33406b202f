<script setup lang="ts">
import { axleOf, cornerName } from '@/core/2-vehicle/setup/corner-key';
import { computed, onBeforeUnmount, shallowRef, watch } from 'vue';
import { asCase } from '@/contracts/as-case';
import type { LowgapSetup } from '@/contracts/lowgap-file';
import type { SpacerEntry } from '@/contracts/plan';
import { problemText } from '../problem-words';
import { enteredSetupFor, setupForCorner } from '@/core/4-clearance/case/case-description';
import { bearingMomentRatio } from '@/core/6-decisions/plan/bearing-moment';
import { checkSpacerFit, spacerHardware } from '@/core/6-decisions/plan/spacer-check';
import type { SpacerSweep } from '@/core/6-decisions/plan/spacer-sweep';
import { attempt, type Problem } from '@/core/1-base/problem';
import { scrubRadiusMm } from '@/core/5-consequences/stance/scrub-radius';
import { formatMm } from '@/core/1-base/units/length';
import { standingRadiusMm } from '@/core/2-vehicle/setup/loaded-radius';
import type { WheelAndTire } from '@/core/2-vehicle/setup/wheel-and-tire';
import { tireSection } from '@/core/2-vehicle/tire/section';
import { wheelOffsetMm } from '@/core/2-vehicle/wheel/rim';
import { hardwareWords, PRECAUTION_WORDS } from '@/sheets/plan-words';
import { useCurrentCorner } from '../job/current-corner';
import { useJobStore } from '../stores/job';
import { PlanClient } from '../workers/plan-client';
import SpacerCurve from './SpacerCurve.vue';
import SpacerFitForm from './SpacerFitForm.vue';
import { spacerFit, startingSpacer } from './spacer-fit';
import { usePlanEntry } from '../plan/use-plan-entry';
import { trySetup } from '../bench/try-setup';
import { startingSetup } from '../stores/starting-setup';

/** A spacer or another wheel on one corner: how thick to reach the gap, whether it fits, what else it moves. */
const job = useJobStore();
const state = usePlanEntry();
const key = useCurrentCorner();

/** Its own worker: a sweep must not hold up the plan. */
const client = new PlanClient(() => undefined);
onBeforeUnmount(() => client.close());

const MOST_MM = 60;
const sweep = shallowRef<SpacerSweep | null>(null);
const problems = shallowRef<readonly Problem[]>([]);

const entry = computed<SpacerEntry>(() => {
  const kept = state.plan.value?.spacer;
  return kept && kept.corner === key.value
    ? kept
    : { ...(kept ?? startingSpacer(job.document!, key.value)), corner: key.value };
});

/** Fixes of the plan at this corner: what they mend counts for no low gap here. */
const mended = computed(() => state.chosen.value.fixes.filter(({ corner }) => corner === key.value));
const mendedWords = computed(() =>
  mended.value
    .map(
      ({ obstacle }) =>
        job.document?.corners[key.value]?.obstacles.find(({ id }) => id === obstacle)?.label ?? obstacle,
    )
    .join(', '),
);

watch(
  [key, mended, () => job.document?.corners, () => job.document?.setup, () => job.document?.standard],
  async ([corner]) => {
    sweep.value = null;
    const file = job.document;
    if (!file?.corners[corner]) return;
    const found = await client.spacer(
      file,
      corner,
      MOST_MM,
      mended.value.map(({ obstacle }) => obstacle),
    );
    if (!found || corner !== key.value) return;
    sweep.value = found.ok ? found.value : null;
    problems.value = found.ok ? [] : found.problems;
  },
  { immediate: true },
);

function set(field: keyof SpacerEntry, value: SpacerEntry[keyof SpacerEntry] | undefined): void {
  state.change((plan) => {
    const { [field]: _, ...others } = entry.value;
    plan.spacer = { ...others, ...(value === undefined ? {} : { [field]: value }) } as SpacerEntry;
  });
}

const fit = computed(() => spacerFit(job.document!, entry.value));
const checked = computed(() => attempt(() => checkSpacerFit(fit.value)));
const findings = computed(() => (checked.value.ok ? checked.value.value : []));
const hardware = computed(() => {
  const found = attempt(() => spacerHardware(fit.value, 2));
  return found.ok ? found.value : [];
});

const setStuds = (mm: number | undefined): void =>
  job.change((file) => {
    const corner = file.corners[key.value];
    if (!corner) return;
    if (mm === undefined) delete corner.studProtrusionMm;
    else corner.studProtrusionMm = mm;
  });
const setPocket = (mm: number | undefined): void =>
  job.changeSetup((file) => {
    if (!file.setup) return;
    const { studPocketMm: _, ...wheel } = file.setup.wheel;
    file.setup.wheel = mm === undefined ? wheel : { ...wheel, studPocketMm: mm };
  });

/** Enough of this corner was measured to say that it clears. */
const isKnown = computed(() => job.evaluation?.known.find(({ corner }) => corner === key.value)?.isEnough ?? false);

/** What moves with the wheel: against what is fitted. */
const moves = computed(() => {
  const file = job.document;
  const corner = file?.corners[key.value];
  if (!file || !corner) return null;
  const found = attempt(() => {
    const setup = { ...setupForCorner(asCase(file), key.value), spacerMm: entry.value.thicknessMm };
    const middle = (of: { wheel: typeof setup.wheel; spacerMm: number }): number =>
      of.spacerMm - wheelOffsetMm(of.wheel);
    const outMm = middle(setup) - middle(corner.fitted);
    const lever = entry.value.bearingInboardMm;
    const leverOf = (of: WheelAndTire) => ({
      leverMm: (lever ?? 0) + middle(of),
      loadedRadiusMm: standingRadiusMm(corner, tireSection(of.tire, of.wheel.widthIn)),
    });
    return {
      outMm,
      scrubNow: scrubRadiusMm(key.value, corner, { ...setup, ...corner.fitted }),
      scrubThen: scrubRadiusMm(key.value, corner, setup),
      moment: lever === undefined ? null : bearingMomentRatio(leverOf(corner.fitted), leverOf(setup)),
    };
  });
  return found.ok ? found.value : null;
});

/** On the bench, in place of whatever spacer is tried at this corner. */
const tryIt = (): void =>
  job.changeSetup((file) => {
    file.setup ??= startingSetup(file);
    const before = enteredSetupFor(asCase(file), key.value) as LowgapSetup;
    trySetup(file, key.value, before, {
      ...structuredClone(before),
      spacerMm: entry.value.thicknessMm,
      spacerType: entry.value.type,
    });
  });
const planIt = (): void =>
  state.choose(({ changes }) => {
    const axle = changes[axleOf(key.value)];
    const now = setupForCorner(asCase(job.document!), key.value).spacerMm;
    axle.spacerMm = Math.max(0, entry.value.thicknessMm - now);
  });
</script>

<template>
  <div class="stack">
    <section class="panel box" aria-label="How thick">
      <h2 class="panel-title">How thick, {{ cornerName(key) }}</h2>
      <p v-for="p in problems" :key="p.path + p.code" class="verdict-rubs" role="alert">{{ problemText(p) }}</p>
      <p v-if="!sweep && !problems.length" class="muted">Working it out</p>
      <p v-if="sweep && mendedWords" class="small muted">Left out, as the plan mends them: {{ mendedWords }}.</p>
      <SpacerCurve
        v-if="sweep"
        :sweep="sweep"
        :thickness-mm="entry.thicknessMm"
        :is-known="isKnown"
        @pick="(mm) => set('thicknessMm', mm)"
      />
    </section>
    <SpacerFitForm
      :entry="entry"
      :fit="fit"
      :problem="checked.ok ? '' : problemText(checked.problems[0]!)"
      :findings="findings"
      @set="set"
      @studs="setStuds"
      @pocket="setPocket"
    />
    <section class="panel box" aria-label="What else it moves">
      <h2 class="panel-title">What else it moves, against what is fitted</h2>
      <ul v-if="moves" class="bullets">
        <li>
          Wheel {{ formatMm(Math.abs(moves.outMm)) }} mm further {{ moves.outMm >= 0 ? 'out' : 'in' }}; track
          {{ formatMm(2 * Math.abs(moves.outMm)) }} mm {{ moves.outMm >= 0 ? 'wider' : 'narrower' }} with both sides
          alike.
        </li>
        <li v-if="moves.scrubNow !== null && moves.scrubThen !== null">
          Scrub radius {{ formatMm(moves.scrubNow, 0) }} to {{ formatMm(moves.scrubThen, 0) }} mm: it pulls more on the
          steering as it grows.
        </li>
        <li>
          Bearing moment:
          {{
            moves.moment === null
              ? 'enter where the bearing’s middle is'
              : `${formatMm(100 * moves.moment, 0)} % of what it is now in a hard corner`
          }}.
        </li>
      </ul>
      <h3>Hardware for one axle</h3>
      <ul class="bullets">
        <li v-for="h in hardware" :key="h.what">
          {{ h.quantity === 0 ? 'Enter the bolt patterns:' : `${h.quantity} x` }} {{ hardwareWords(h) }}
        </li>
      </ul>
      <p class="small">
        {{ PRECAUTION_WORDS.cleanBareFaces }} {{ PRECAUTION_WORDS.spacerLaw }}
        {{ PRECAUTION_WORDS.reTorque }} Re-torque: {{ entry.reTorqueAfter ?? 'as the part’s maker says; not entered' }}.
        <template v-if="job.document?.intake?.localRules"
          >Local rules noted: {{ job.document.intake.localRules }}</template
        >
      </p>
      <div class="keys">
        <v-btn height="48" color="primary" @click="tryIt">Try it on the bench</v-btn>
        <v-btn height="48" variant="outlined" @click="planIt">Put it into the plan</v-btn>
      </div>
    </section>
  </div>
</template>
