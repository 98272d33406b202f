<script setup lang="ts">
import { computed } from 'vue';
import type { AxleAbilityEntry } from '@/contracts/stance';
import { LIMITS, type Range } from '@/core/1-base/limits';
import { formatMm } from '@/core/1-base/units/length';
import type { Axle } from '@/core/2-vehicle/setup/corner-key';
import FieldList, { type Field } from '../kit/FieldList.vue';
import { useJobStore } from '../stores/job';
import { axleParts, cornersOf, setAxleParts } from './axle-parts';
import { sagWords, useCargo, wheelRateOf } from './cargo';

/** Weight put on the vehicle: what each axle carries of it, how far it sinks or rises, and which spring would hold the height. */
const job = useJobStore();
const cargo = useCargo();
const AXLES: readonly Axle[] = ['front', 'rear'];

type CargoKey = 'weightKg' | 'behindFrontMm';
const CARGO: readonly Field<CargoKey>[] = [
  { key: 'weightKg', label: 'Weight carried, kg', range: { min: 0, max: 5000, unit: 'kg' }, kind: 'number' },
  { key: 'behindFrontMm', label: 'Behind the front axle, - ahead', range: { min: -3000, max: 12_000, unit: 'mm' } },
];
type RateKey = 'wheelRateNPerMm' | 'sankKg' | 'sankMm' | 'standsKg';
const kg = (max: number): Range => ({ min: 1, max, unit: 'kg' });
const ratesOf = (axle: Axle): readonly Field<RateKey>[] => [
  { key: 'wheelRateNPerMm', label: `Wheel rate, ${axle}, N/mm`, range: LIMITS.springRateNPerMm, kind: 'number' },
  { key: 'standsKg', label: `Sprung weight on the ${axle} axle, kg`, range: LIMITS.axleKg, kind: 'number' },
  { key: 'sankKg', label: `Or: so many kg over the ${axle} axle`, range: kg(5000), kind: 'number' },
  { key: 'sankMm', label: `sank the ${axle} by`, range: LIMITS.sagMm },
];

const setCargo = (key: CargoKey, value: number | undefined): void =>
  job.changeSetup((file) => {
    const { [key]: _, ...others } = file.stance?.cargo ?? {};
    file.stance = { ...file.stance, cargo: value === undefined ? others : { ...others, [key]: value } };
  }, 'cargo');
const setRate = (axle: Axle, key: keyof AxleAbilityEntry, value: number | undefined): void =>
  job.changeSetup((file) => {
    const { [key]: _, ...others } = file.stance?.[axle] ?? {};
    file.stance = { ...file.stance, [axle]: value === undefined ? others : { ...others, [key]: value } };
  }, `rate ${axle}`);

const kgWords = (kg: number): string => `${kg < 0 ? '-' : ''}${formatMm(Math.abs(kg), 0)}`;
const holds = computed(() =>
  AXLES.flatMap((axle) => {
    const held = cargo.value.holding[axle];
    if (!held || Math.abs(held.share) < 0.005) return [];
    const percent = `${formatMm(Math.abs(100 * held.share), 0)} % ${held.share > 0 ? 'stiffer' : 'softer'}`;
    return [
      `A wheel rate of ${formatMm(held.rateNPerMm)} N/mm (${percent}) holds today’s ${axle} height, on springs of the same free length.`,
    ];
  }),
);

/** The load as a part of both axles: each wheel's share by levers, at the wheel rates. */
function putOn(): void {
  const { weights, sag } = cargo.value;
  const weightKg = job.document?.stance?.cargo?.weightKg;
  if (!weights || !sag || !weightKg) return;
  job.changeSetup((file) => {
    for (const axle of AXLES) {
      const rateNPerMm = wheelRateOf(file, axle);
      if (cornersOf(file, axle).length === 0 || rateNPerMm === undefined) continue;
      const share = Math.round((1000 * weights[axle]) / weightKg / 2) / 1000;
      const part = { kind: 'load', weightKg, share, rateNPerMm, motionRatio: 1 } as const;
      const others = axleParts(file, axle).filter((one) => one.part.kind !== 'load');
      setAxleParts(file, axle, [...others, { part, side: 'both' }]);
    }
  }, 'load');
}
</script>

<template>
  <section class="panel box" aria-label="Load">
    <h2 class="panel-title">Load</h2>
    <FieldList :fields="CARGO" :values="job.document?.stance?.cargo ?? {}" @change="setCargo" />
    <FieldList
      v-for="axle in AXLES"
      :key="axle"
      :fields="ratesOf(axle)"
      :values="{
        wheelRateNPerMm: job.document?.stance?.[axle]?.wheelRateNPerMm,
        sankKg: job.document?.stance?.[axle]?.sankKg,
        sankMm: job.document?.stance?.[axle]?.sankMm,
        standsKg: job.document?.stance?.[axle]?.standsKg,
      }"
      @change="(key, value) => setRate(axle, key, value)"
    />
    <p v-if="cargo.weights" data-testid="load-weights">
      {{ kgWords(cargo.weights.front) }} kg of it on the front axle, {{ kgWords(cargo.weights.rear) }} on the
      rear<template v-if="cargo.sag">. {{ sagWords(cargo.sag) }}</template
      >.
    </p>
    <p v-if="cargo.missing.length" class="muted" data-testid="load-missing">
      Not answered: enter {{ cargo.missing.join(', ') }}.
    </p>
    <p v-for="says in holds" :key="says" data-testid="load-holds">{{ says }}</p>
    <v-btn height="48" variant="outlined" :disabled="!cargo.sag" @click="putOn">Carry it all the time</v-btn>
    <p class="small muted">
      By levers: what hangs over beyond an axle loads that one with more than its weight and lightens the other. The
      axles’ ratings and the tires’ are limits of their own (on the road).
    </p>
  </section>
</template>
