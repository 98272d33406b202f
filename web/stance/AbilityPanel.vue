<script setup lang="ts">
import type { AxleAbilityEntry } from '@/contracts/stance';
import { LIMITS, type Range } from '@/core/1-base/limits';
import { readNumber, writeNumber } from '../kit/read-lists';
import QuantityField from '../kit/QuantityField.vue';
import TypedField from '../kit/TypedField.vue';
import { useJobStore } from '../stores/job';
import type { Axle } from '../../core/2-vehicle/setup/corner-key';
import { cornersOf } from './axle-parts';
import { abilityOf } from './use-stance';

/** What the adjusters and joints of an axle can do. */
defineProps<{ axle: Axle }>();
const job = useJobStore();

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
</script>

<template>
  <section class="panel box" :aria-label="`What adjusters and joints can do, ${axle}`">
    <h2 class="panel-title">What adjusters and joints can do, {{ axle }} axle</h2>
    <div class="fields">
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
</template>
