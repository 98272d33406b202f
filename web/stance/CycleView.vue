<script setup lang="ts">
import { mdiDeleteOutline } from '@mdi/js';
import { computed, ref } from 'vue';
import { asCase } from '@/contracts/as-case';
import type { CycleStepEntry } from '@/contracts/stance';
import { type CornerKey, axleOf, cornerName } from '@/core/2-vehicle/setup/corner-key';
import { driveshaftWithSetup } from '@/core/5-consequences/driveline/driveline-report';
import { LIMITS, type Range } from '@/core/1-base/limits';
import { attempt } from '@/core/1-base/problem';
import {
  CYCLE_WATCHED,
  travelCycle,
  type CycleComputed,
  type CycleLimits,
  type CycleTrend,
  type CycleWatched,
} from '@/core/5-consequences/stance/travel-cycle';
import { formatMm } from '@/core/1-base/units/length';
import { cornerLimits } from '../job/corner-limits';
import QuantityField from '../kit/QuantityField.vue';
import { useJobStore } from '../stores/job';
import { driveshaftEntry } from './link-entries';

/** One corner stepped through its travel: what was read at each step beside what was computed, and where it runs out. */
const props = defineProps<{ corner: CornerKey }>();
const job = useJobStore();

const WORDS: Readonly<Record<CycleWatched, string>> = {
  shockMm: 'Shock, eye to eye',
  slipEngagedMm: 'Slip joint engaged',
  hoseSlackMm: 'Brake hose slack',
  coilGapMm: 'Coil to retainer gap',
  trackBarGapMm: 'Track bar gap',
};
const range: Range = { min: -200, max: 2000, unit: 'mm' };

const steps = computed(() => job.document?.stance?.cycles?.[props.corner] ?? []);
const described = computed(() => job.document?.corners[props.corner]);
const hubToLip = computed(() => described.value?.hubToLipMm);

const blank = (): Partial<CycleStepEntry> => ({});
const next = ref<Partial<CycleStepEntry>>(blank());
/** Fields are made anew after each step. */
const turn = ref(0);

function setSteps(to: readonly CycleStepEntry[]): void {
  job.changeSetup((file) => {
    file.stance = { ...file.stance, cycles: { ...file.stance?.cycles, [props.corner]: structuredClone([...to]) } };
  });
}
function add(): void {
  const { hubToLipMm } = next.value;
  if (hubToLipMm === undefined) return;
  setSteps([...JSON.parse(JSON.stringify(steps.value)), { ...next.value, hubToLipMm }]);
  next.value = blank();
  turn.value += 1;
}
const remove = (i: number): void =>
  setSteps(ordered.value.filter((_, k) => k !== i).map(({ step }) => JSON.parse(JSON.stringify(step))));

const axle = computed(() => axleOf(props.corner));
const computedAt = computed<CycleComputed>(() => {
  const file = job.document;
  const corner = described.value;
  const under = corner?.underbody;
  const ratio = file?.stance?.[axle.value]?.shockRatio;
  const shaft = file && corner?.motion.type === 'beamAxle' ? driveshaftEntry(file, axle.value) : null;
  const nowMm = under?.shockNowMm;
  const spare = under?.brakeHoseSpareMm;
  const slip =
    file && shaft
      ? (travel: number): number | null => {
          const found = attempt(() => driveshaftWithSetup(asCase(file), props.corner, shaft, travel).engagedMm);
          return found.ok ? found.value : null;
        }
      : null;
  return {
    shockMm: nowMm !== undefined && ratio !== undefined ? (travel) => nowMm - ratio * travel : null,
    slipEngagedMm: slip,
    hoseSlackMm: spare !== undefined && corner ? (travel) => spare + corner.travel.droopMm + travel : null,
    coilGapMm: null,
    trackBarGapMm: null,
  };
});
const limits = computed<CycleLimits>(() => {
  const under = described.value?.underbody;
  return {
    shockMm: { leastMm: under?.shockClosedMm, mostMm: under?.shockOpenMm },
    slipEngagedMm: { leastMm: job.document?.underbody?.slipJointLeastMm ?? 0 },
    hoseSlackMm: { leastMm: 0 },
    coilGapMm: { leastMm: 0 },
    trackBarGapMm: { leastMm: 0 },
  };
});
const cycle = computed(() => {
  if (hubToLip.value === undefined) return null;
  const stops = cornerLimits(job.document, props.corner) ?? { droop: -300, bump: 300 };
  return travelCycle(steps.value, hubToLip.value, computedAt.value, limits.value, stops);
});
/** Steps in the order of their rows. */
const ordered = computed(() =>
  [...steps.value]
    .map((step) => ({ step, travelMm: (hubToLip.value ?? 0) - step.hubToLipMm }))
    .sort((a, b) => a.travelMm - b.travelMm),
);
const shown = computed(() => CYCLE_WATCHED.filter((what) => steps.value.some((step) => step[what] !== undefined)));

function trendWords({ what, direction, perMm, runsOutAtMm }: CycleTrend): string {
  const moves =
    direction === 'still'
      ? 'does not move'
      : `${direction} as the wheel rises, ${formatMm(Math.abs(10 * perMm))} mm for 10 mm`;
  const end =
    runsOutAtMm === null
      ? ''
      : `; it runs out ${formatMm(Math.abs(runsOutAtMm), 0)} mm ${runsOutAtMm >= 0 ? 'up' : 'down'} from the surveyed height`;
  return `${WORDS[what]} ${moves}${end}.`;
}
</script>

<template>
  <section class="panel box" :aria-label="`Travel cycle, ${cornerName(corner)}`">
    <h2 class="panel-title">Travel cycle, {{ cornerName(corner) }}</h2>
    <p class="small">
      Spring out, or on a hump: step the wheel from hanging to the stop, and read at each step. Support the axle; never
      hang the caliper, and keep hands out of the coil.
    </p>
    <p v-if="hubToLip === undefined" class="verdict-close">
      Hub to lip at ride height is not read yet: without it no step can be placed. It is in the baseline.
    </p>
    <template v-else>
      <div class="scroll" tabindex="0" role="group" aria-label="Steps of the cycle">
        <table v-if="cycle && cycle.rows.length" class="figures" data-testid="cycle-rows">
          <thead>
            <tr>
              <th scope="col">Hub to lip</th>
              <th scope="col">Travel</th>
              <th v-for="what in shown" :key="what" scope="col">{{ WORDS[what] }}</th>
              <th scope="col"><span class="visually-hidden">Remove</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(r, i) in cycle.rows" :key="i">
              <td>{{ formatMm(ordered[i]!.step.hubToLipMm) }}</td>
              <td>{{ r.travelMm > 0 ? '+' : '' }}{{ formatMm(r.travelMm) }}</td>
              <td v-for="what in shown" :key="what">
                <template v-if="r.watched[what]">
                  <strong>{{ formatMm(r.watched[what]!.measuredMm) }}</strong>
                  <span v-if="r.watched[what]!.computedMm !== null" class="muted"
                    >computed {{ formatMm(r.watched[what]!.computedMm!) }}</span
                  >
                </template>
              </td>
              <td>
                <v-btn
                  size="48"
                  variant="text"
                  :icon="mdiDeleteOutline"
                  :aria-label="`Remove the step at ${formatMm(ordered[i]!.step.hubToLipMm)} mm`"
                  @click="remove(i)"
                />
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="!steps.length" class="muted">No step yet.</p>
      <ul v-if="cycle?.trends.length" class="bullets" data-testid="cycle-trends">
        <li v-for="t in cycle.trends" :key="t.what" :class="t.runsOutAtMm === null ? '' : 'verdict-close'">
          {{ trendWords(t) }}
        </li>
      </ul>
      <form class="fields" aria-label="Next step" @submit.prevent="add">
        <QuantityField
          :key="`lip${turn}`"
          label="Hub to lip"
          :value="next.hubToLipMm"
          :range="LIMITS.hubToLipMm"
          optional
          @change="(mm) => (next.hubToLipMm = mm)"
        />
        <QuantityField
          v-for="what in CYCLE_WATCHED"
          :key="`${what}${turn}`"
          :label="WORDS[what]"
          :value="next[what]"
          :range="range"
          optional
          @change="(mm) => (next[what] = mm)"
        />
        <v-btn height="48" type="submit" color="primary" :disabled="next.hubToLipMm === undefined">Add the step</v-btn>
      </form>
    </template>
  </section>
</template>
