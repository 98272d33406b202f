<script setup lang="ts">
import { mdiDeleteOutline } from '@mdi/js';
import { computed, ref } from 'vue';
import { liftPartShift, type LiftPart } from '@/core/2-vehicle/setup/lift-part';
import { formatMm, signedMm } from '@/core/1-base/units/length';
import { readNumber, writeNumber } from '../kit/read-lists';
import QuantityField from '../kit/QuantityField.vue';
import TypedField from '../kit/TypedField.vue';
import type { AxlePart, PartSide } from './axle-parts';
import {
  blankPart,
  fitsSuspension,
  PART_FIELDS,
  PART_WORDS,
  type PartField,
  type StopsAnswer,
  type Suspension,
} from './stance-words';

/** Lift and lowering parts of an axle: each moves the parked height, the stops or the linkage by its kind. */
const props = defineProps<{
  title: string;
  parts: readonly AxlePart[];
  bothSides: boolean;
  suspension: Suspension;
  /** Motion ratio by the linkage itself; null: the spring's ends are not known. */
  linkageRatio: number | null;
  /** What the corner's stop does; null: nobody looked where it sits. */
  stops: StopsAnswer | null;
  ownLiftMm: number;
}>();
const emit = defineEmits<{ change: [parts: AxlePart[]]; own: []; leaf: [sits: 'overAxle' | 'underAxle'] }>();

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
const offLinkage = (part: LiftPart): boolean =>
  props.linkageRatio !== null && 'motionRatio' in part && part.motionRatio !== props.linkageRatio;
const takeRatio = (i: number, part: LiftPart): void => {
  if (props.linkageRatio !== null) replace(i, { part: { ...part, motionRatio: props.linkageRatio } as LiftPart });
};
/** A collar or adjuster that cannot go lower than it stands. */
const floorWords = (part: LiftPart): string =>
  part.kind === 'collar' && part.lowestOverSeatMm > 0
    ? `Screwed right down it still lifts ${formatMm(liftPartShift({ ...part, turns: 0 }).suspensionLiftMm)} mm: its lowest seat stands over the old one.`
    : '';

const SIDES: { value: PartSide; title: string }[] = [
  { value: 'both', title: 'Both sides' },
  { value: 'left', title: 'Left only' },
  { value: 'right', title: 'Right only' },
];
const STOPS = [
  { value: 'axle', title: 'Stop bears on the axle' },
  { value: 'springPack', title: 'Stop bears on the spring pack' },
];
const STRUT_STOPS = [
  { value: 'inStrut', title: 'Stop inside the strut' },
  { value: 'onFrame', title: 'Stop on the frame' },
];
const SHACKLES = [
  { value: 'behind', title: 'Shackle behind the axle' },
  { value: 'ahead', title: 'Shackle ahead of the axle' },
];
const DROOPS = [
  { value: 'spring', title: 'Spring sets the droop' },
  { value: 'shock', title: 'Shock sets the droop' },
];

function valueOf(part: LiftPart, { path }: PartField): number {
  const [first, second] = path;
  const own = (part as unknown as Record<string, unknown>)[first];
  return Number((second === undefined ? own : (own as Record<string, unknown>)[second]) ?? 0);
}
function withValue(part: LiftPart, { path }: PartField, value: number): LiftPart {
  const [first, second] = path;
  const own = part as unknown as Record<string, unknown>;
  const next = second === undefined ? value : { ...(own[first] as object), [second]: value };
  return { ...own, [first]: next } as unknown as LiftPart;
}
const replace = (i: number, next: Partial<AxlePart>): void =>
  emit(
    'change',
    props.parts.map((one, k) => (k === i ? { ...one, ...next } : one)),
  );

/** Where the stop was not looked at, a part is counted so that nothing is promised by it. */
const asksStop = (part: LiftPart): boolean =>
  props.stops === null && (part.kind === 'block' || part.kind === 'strutTopSpacer');
const isOlder = (part: LiftPart): boolean => part.kind === 'strutTopSpacer' && part.stops === undefined;

/** What a part moves, at the wheel. */
function movesWords(part: LiftPart): string {
  const shift = liftPartShift(part);
  const { suspensionLiftMm, bodyLiftMm, bumpStopMm, bumpLimitShiftMm, droopLimitShiftMm, linkageDropMm } = shift;
  const said = [
    ...(suspensionLiftMm ? [`parked height ${signedMm(suspensionLiftMm)}`] : []),
    ...(shift.hubDropMm ? [`hub on its knuckle down ${formatMm(shift.hubDropMm)}`] : []),
    ...(shift.strutTopDropMm ? [`strut’s mount down ${formatMm(shift.strutTopDropMm)}`] : []),
    ...(shift.armDropMm ? [`arms at the frame down ${formatMm(shift.armDropMm)}`] : []),
    ...(linkageDropMm ? [`linkage down ${formatMm(linkageDropMm)}`] : []),
    ...(bodyLiftMm ? [`body ${signedMm(bodyLiftMm)}`] : []),
    ...(bumpStopMm ? [`bump stop ${formatMm(bumpStopMm)} sooner`] : []),
    ...(bumpLimitShiftMm ? [`full bump ${signedMm(bumpLimitShiftMm)}`] : []),
    ...(droopLimitShiftMm ? [`full droop ${signedMm(droopLimitShiftMm)}`] : []),
    ...(shift.axleShiftMm ? [`axle forward ${signedMm(shift.axleShiftMm)}`] : []),
  ];
  const turned = shift.casterChangeDeg
    ? [`caster ${shift.casterChangeDeg > 0 ? '+' : '−'}${Math.abs(shift.casterChangeDeg).toFixed(1)}°`]
    : [];
  return [...(said.length ? [`${said.join(', ')} mm`] : []), ...turned].join(', ') || 'nothing';
}
</script>

<template>
  <section class="stack" :aria-label="title">
    <h3>{{ title }}</h3>
    <p v-if="ownLiftMm" class="small apart">
      <span>The bench’s own lift of {{ signedMm(ownLiftMm) }} mm counts beside these.</span>
      <v-btn height="48" variant="text" @click="emit('own')">Make it a part</v-btn>
    </p>
    <p v-else-if="!parts.length" class="muted small">No parts yet.</p>
    <article v-for="({ part, side }, i) in parts" :key="i" class="part" :aria-label="PART_WORDS[part.kind]">
      <div class="apart">
        <strong>{{ PART_WORDS[part.kind] }}</strong>
        <v-btn
          size="48"
          variant="text"
          :icon="mdiDeleteOutline"
          :aria-label="`Remove: ${PART_WORDS[part.kind]}`"
          @click="
            emit(
              'change',
              parts.filter((_, k) => k !== i),
            )
          "
        />
      </div>
      <div class="fields">
        <template v-for="field in PART_FIELDS[part.kind]" :key="field.label">
          <QuantityField
            v-if="field.isLength"
            :label="field.label"
            :value="valueOf(part, field)"
            :range="field.range"
            @change="(mm) => mm !== undefined && replace(i, { part: withValue(part, field, mm) })"
          />
          <TypedField
            v-else
            :label="field.label"
            :value="valueOf(part, field)"
            :read="readNumber(field.range)"
            :write="writeNumber"
            @change="(value) => value !== undefined && replace(i, { part: withValue(part, field, value) })"
          />
        </template>
        <v-select
          v-if="part.kind === 'block'"
          :model-value="part.stopBearsOn"
          :items="STOPS"
          aria-label="Where the stop bears"
          hide-details
          @update:model-value="(stopBearsOn: 'axle' | 'springPack') => replace(i, { part: { ...part, stopBearsOn } })"
        />
        <v-select
          v-if="part.kind === 'block'"
          :model-value="part.droopSetBy"
          :items="DROOPS"
          aria-label="What sets the droop"
          hide-details
          @update:model-value="(droopSetBy: 'spring' | 'shock') => replace(i, { part: { ...part, droopSetBy } })"
        />
        <v-select
          v-if="part.kind === 'shackle'"
          :model-value="part.sits ?? 'behind'"
          :items="SHACKLES"
          aria-label="Where the shackle sits"
          hide-details
          @update:model-value="(sits: 'behind' | 'ahead') => replace(i, { part: { ...part, sits } })"
        />
        <v-select
          v-if="part.kind === 'strutTopSpacer'"
          :model-value="part.stops ?? null"
          :items="STRUT_STOPS"
          label="Where the stop is"
          hide-details
          @update:model-value="
            (stops: 'inStrut' | 'onFrame' | null) => stops && replace(i, { part: { ...part, stops } })
          "
        />
        <v-select
          v-if="bothSides"
          :model-value="side"
          :items="SIDES"
          aria-label="On which side"
          hide-details
          @update:model-value="(to: PartSide) => replace(i, { side: to })"
        />
      </div>
      <p class="small muted">Moves: {{ movesWords(part) }}.</p>
      <p v-if="asksStop(part)" class="small verdict-close" data-testid="asks-stop">
        Nobody said where the bump stop sits (Baseline, Travel). Until then choose here; a stop that stays lets the
        wheel come up as far as before.
      </p>
      <p v-if="isOlder(part)" class="small verdict-close">
        As in older jobs: stop inside the strut, and its mount taken to stay where it was. Choose where the stop is.
      </p>
      <p v-if="floorWords(part)" class="small" role="status">{{ floorWords(part) }}</p>
      <p v-if="offLinkage(part)" class="small apart">
        <span>The linkage says {{ linkageRatio }} spring travel over wheel travel.</span>
        <v-btn height="48" variant="text" @click="takeRatio(i, part)">Take it</v-btn>
      </p>
    </article>
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
      <v-btn
        height="48"
        variant="outlined"
        @click="
          emit('change', [
            ...parts,
            { part: blankPart(kind, linkageRatio ?? undefined, stops ?? undefined), side: 'both' },
          ])
        "
        >Add</v-btn
      >
    </div>
  </section>
</template>

<style scoped>
.part {
  border-top: 1px solid var(--rule);
  display: grid;
  gap: 8px;
  padding-top: 2px;
}
.add {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 8px;
  border-top: 1px solid var(--rule);
  padding-top: 10px;
}
</style>
