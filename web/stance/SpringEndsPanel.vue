<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { asCase } from '@/contracts/as-case';
import type { SpringEndsEntry } from '@/contracts/stance';
import { type CornerKey, axleOf, cornerName } from '@/core/2-vehicle/setup/corner-key';
import { LIMITS } from '@/core/1-base/limits';
import { attempt } from '@/core/1-base/problem';
import { atPlaces } from '@/core/4-clearance/case/travel-places';
import { motionRatio, springLengthMm } from '@/core/5-consequences/stance/spring-line';
import QuantityField from '../kit/QuantityField.vue';
import { useJobStore } from '../stores/job';
import { CORNER_NAMES } from '../../core/2-vehicle/setup/corner-key';
import { placesRow } from './places-row';
import PlacesTable from './PlacesTable.vue';

/** The spring by its two ends: its motion ratio comes from the linkage itself. */
const props = defineProps<{ corner: CornerKey }>();
const job = useJobStore();

const AXES = ['forward', 'outboard', 'up'] as const;
const ENDS = { top: 'Upper end', bottom: 'Lower end' } as const;
type End = keyof typeof ENDS;
type Point = (number | undefined)[];

const kept = computed<SpringEndsEntry | undefined>(() => job.document?.stance?.springs?.[props.corner]);
/** Both ends are kept only when all six numbers are there; until then they stand here. */
const draft = ref<Record<End, Point>>({ top: [], bottom: [] });
watch(
  kept,
  (ends) => {
    if (ends) draft.value = { top: [...ends.top], bottom: [...ends.bottom] };
  },
  { immediate: true },
);

const MOUNT_WORDS = {
  axle: 'on the axle',
  knuckle: 'on the knuckle',
  lowerArm: 'on the lower arm',
  upperArm: 'on the upper arm',
};
const mounts = computed(() => {
  const type = job.document?.corners[props.corner]?.motion.type;
  const has: SpringEndsEntry['on'][] =
    type === 'doubleWishbone'
      ? ['lowerArm', 'upperArm', 'knuckle']
      : type === 'macphersonStrut'
        ? ['lowerArm', 'knuckle']
        : ['axle'];
  return has.map((value) => ({ value, title: `Lower end ${MOUNT_WORDS[value]}` }));
});
const on = ref<SpringEndsEntry['on']>(kept.value?.on ?? mounts.value[0]!.value);

function keep(): void {
  const [top, bottom] = [[...draft.value.top], [...draft.value.bottom]];
  const whole = (point: Point): point is [number, number, number] => AXES.every((_, i) => point[i] !== undefined);
  job.changeSetup((file) => {
    const { [props.corner]: _, ...others } = file.stance?.springs ?? {};
    const own = whole(top) && whole(bottom) ? { top, bottom, on: on.value } : null;
    file.stance = { ...file.stance, springs: own ? { ...others, [props.corner]: own } : others };
  }, `spring ${props.corner}`);
}
function set(end: End, axis: number, value: number | undefined): void {
  draft.value[end][axis] = value;
  keep();
}

const report = computed(() => {
  const [file, ends] = [job.document, kept.value];
  if (!file || !ends) return null;
  return attempt(() =>
    atPlaces(asCase(file), props.corner, (motion, travel) => ({
      ratio: motionRatio(motion, ends, travel),
      lengthMm: springLengthMm(motion, ends, travel),
    })),
  );
});
const rows = computed(() =>
  report.value?.ok
    ? [
        placesRow('Spring travel over wheel travel', report.value.value, ({ ratio }) => ratio.toFixed(3)),
        placesRow('Between its ends', report.value.value, ({ lengthMm }) => `${lengthMm.toFixed(0)} mm`),
      ]
    : null,
);
const parked = computed(() => (report.value?.ok ? report.value.value.before.ride : null));
const axle = computed(() => axleOf(props.corner));
const useForShock = (): void => {
  const ratio = parked.value?.ratio;
  if (ratio === undefined) return;
  job.changeSetup((file) => {
    const own = file.stance?.[axle.value];
    file.stance = { ...file.stance, [axle.value]: { ...own, shockRatio: Math.round(1000 * ratio) / 1000 } };
  });
};
const usable = computed(() => {
  const ratio = parked.value?.ratio;
  return ratio !== undefined && ratio >= LIMITS.motionRatio.min && ratio <= LIMITS.motionRatio.max;
});
</script>

<template>
  <section class="panel box" :aria-label="`Spring, ${CORNER_NAMES[corner]}`">
    <h2 class="panel-title">Spring or coil-over by its ends, {{ cornerName(corner) }}</h2>
    <div v-for="(title, end) in ENDS" :key="end" class="fields end">
      <QuantityField
        v-for="(axis, i) in AXES"
        :key="axis"
        :label="`${title} ${axis}`"
        :value="draft[end][i]"
        :range="LIMITS.coordinateMm"
        optional
        @change="(value) => set(end, i, value)"
      />
    </div>
    <v-select v-model="on" :items="mounts" label="What it moves with" hide-details @update:model-value="keep" />
    <p v-if="!kept" class="muted">
      From the hub’s face at the surveyed height, outboard + : enter both ends, and the linkage gives the motion ratio.
    </p>
    <p v-else-if="!rows" class="verdict-rubs" role="alert">With this setup the corner cannot be worked out.</p>
    <template v-else>
      <PlacesTable :rows="rows" :data-testid="`ratio-${corner}`" />
      <p v-if="!usable" class="verdict-rubs" role="status">
        A ratio outside {{ LIMITS.motionRatio.min }} to {{ LIMITS.motionRatio.max }} is not a spring’s: look at the
        places of its ends.
      </p>
      <v-btn v-else height="48" variant="outlined" @click="useForShock"
        >Shock moves alike: take {{ parked?.ratio.toFixed(3) }}</v-btn
      >
    </template>
  </section>
</template>

<style scoped>
.end {
  grid-template-columns: repeat(3, minmax(0, 1fr));
}
</style>
