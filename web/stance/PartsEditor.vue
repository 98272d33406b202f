<script setup lang="ts">
import { computed, ref } from 'vue';
import { LIMITS } from '@/core/1-base/limits';
import type { LiftPart } from '@/core/2-vehicle/setup/lift-part';
import { signedMm } from '@/core/1-base/units/length';
import { readNumber, writeNumber } from '../kit/read-lists';
import TypedField from '../kit/TypedField.vue';
import type { AxlePart } from './axle-parts';
import PartCard from './PartCard.vue';
import {
  blankPart,
  BY_SPRING_RATIO,
  fitsSuspension,
  PART_WORDS,
  USUAL_RATIO,
  type KnownNumbers,
  type StopsAnswer,
  type Suspension,
} from './part-fields';

/** Lift and lowering parts of an axle: each moves the parked height, the stops or the linkage by its kind. */
const props = defineProps<{
  title: string;
  parts: readonly AxlePart[];
  bothSides: boolean;
  suspension: Suspension;
  /** Spring travel over wheel travel as somebody entered it. */
  enteredRatio: number | undefined;
  /** The same by the linkage itself; null: the spring's ends are not known. */
  linkageRatio: number | null;
  /** What the corner's stop does; null: nobody looked where it sits. */
  stops: StopsAnswer | null;
  /** Numbers of parts that were measured elsewhere in the job. */
  known: KnownNumbers;
  ownLiftMm: number;
}>();
const emit = defineEmits<{
  change: [parts: AxlePart[]];
  ratio: [value: number | undefined];
  own: [];
  leaf: [sits: 'overAxle' | 'underAxle'];
}>();

const kind = ref<LiftPart['kind']>('ride');
const kinds = computed(() =>
  (Object.keys(PART_WORDS) as LiftPart['kind'][])
    .filter((one) => fitsSuspension(one, props.suspension))
    .map((value) => ({ value, title: PART_WORDS[value] })),
);
const LEAVES = [
  { value: 'overAxle', title: 'Leaf spring over the axle' },
  { value: 'underAxle', title: 'Leaf spring under the axle' },
];
/** What does not go with the suspension, of the parts that are on. */
const misfits = computed(() => props.parts.filter(({ part }) => !fitsSuspension(part.kind, props.suspension)));

/** A spring that sits on a beam axle moves as far as it; of an independent one somebody has to measure. */
const ratio = computed(() => props.enteredRatio ?? props.linkageRatio ?? (props.suspension.isBeam ? 1 : undefined));
const byRatio = computed(() => props.parts.some(({ part }) => BY_SPRING_RATIO.includes(part.kind)));
/** Stands in on an independent wheel; on the axle, or by the linkage, it is known. */
const standingRatio = computed(() => (ratio.value === undefined ? String(USUAL_RATIO) : undefined));
const ratioHint = computed(() =>
  props.linkageRatio === null ? '1, on the axle' : `${props.linkageRatio} by the linkage`,
);
const isOff = computed(
  () =>
    ratio.value !== undefined &&
    props.parts.some(
      ({ part }) => BY_SPRING_RATIO.includes(part.kind) && 'motionRatio' in part && part.motionRatio !== ratio.value,
    ),
);

const replace = (i: number, next: AxlePart): void =>
  emit(
    'change',
    props.parts.map((one, k) => (k === i ? next : one)),
  );
const remove = (i: number): void =>
  emit(
    'change',
    props.parts.filter((_, k) => k !== i),
  );
const add = (): void =>
  emit('change', [
    ...props.parts,
    { part: blankPart(kind.value, ratio.value, props.stops ?? undefined, props.known), side: 'both' },
  ]);
</script>

<template>
  <section class="stack" :aria-label="title">
    <h3>{{ title }}</h3>
    <p v-if="ownLiftMm" class="small apart">
      <span>The bench’s own lift of {{ signedMm(ownLiftMm) }} mm counts beside these.</span>
      <v-btn height="48" variant="text" @click="emit('own')">Make it a part</v-btn>
    </p>
    <p v-else-if="!parts.length" class="muted small">No parts yet.</p>
    <template v-if="byRatio">
      <TypedField
        label="Spring travel over wheel travel"
        :value="enteredRatio"
        :hint="ratioHint"
        :standing="standingRatio"
        :read="readNumber(LIMITS.motionRatio)"
        :write="writeNumber"
        optional
        @change="(value) => emit('ratio', value)"
      />
      <p v-if="isOff" class="small apart">
        <span>Parts below were counted with another ratio than {{ ratio }}.</span>
        <v-btn height="48" variant="text" @click="emit('ratio', ratio)">Take it for all</v-btn>
      </p>
    </template>
    <PartCard
      v-for="(own, i) in parts"
      :key="i"
      :own="own"
      :both-sides="bothSides"
      :stops-known="stops !== null"
      @change="(next) => replace(i, next)"
      @remove="remove(i)"
    />
    <p v-if="misfits.length" class="small verdict-close" role="status">
      {{ misfits.map(({ part }) => PART_WORDS[part.kind].toLowerCase()).join('; ') }}: not for this suspension.
    </p>
    <v-select
      v-if="suspension.leaf"
      :model-value="suspension.leaf"
      :items="LEAVES"
      aria-label="Where the leaf spring sits"
      hide-details
      @update:model-value="(sits: 'overAxle' | 'underAxle') => emit('leaf', sits)"
    />
    <p v-if="suspension.leaf === 'underAxle'" class="small muted">
      Under the axle a block would lower it: a longer shackle lifts it instead.
    </p>
    <div class="add">
      <v-select v-model="kind" :items="kinds" :label="`Part for the ${title.toLowerCase()}`" hide-details />
      <v-btn height="48" variant="outlined" @click="add">Add</v-btn>
    </div>
  </section>
</template>

<style scoped>
.add {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 8px;
  border-top: 1px solid var(--rule);
  padding-top: 10px;
}
</style>
