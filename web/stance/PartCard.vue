<script setup lang="ts">
import { mdiDeleteOutline } from '@mdi/js';
import { computed } from 'vue';
import type { LiftPart } from '@/core/2-vehicle/setup/lift-part';
import { liftPartShift, type HeightShift } from '@/core/2-vehicle/setup/part-shift';
import { formatMm, signedMm } from '@/core/1-base/units/length';
import { readNumber, writeNumber } from '../kit/read-lists';
import QuantityField from '../kit/QuantityField.vue';
import TypedField from '../kit/TypedField.vue';
import type { AxlePart, PartSide } from './axle-parts';
import { nameOf, PART_FIELDS, PART_WORDS, type PartField } from './part-fields';

/** One part of an axle: its numbers, what is asked about it, and what it moves. */
const props = defineProps<{ own: AxlePart; bothSides: boolean; stopsKnown: boolean }>();
const emit = defineEmits<{ change: [own: AxlePart]; remove: [] }>();
const part = computed(() => props.own.part);

interface Choice {
  readonly label: string;
  readonly value: string | null;
  readonly items: readonly { readonly value: string; readonly title: string }[];
  readonly set: (value: string) => void;
}
const option = (value: string, title: string) => ({ value, title });
const with_ = (more: object): void => emit('change', { ...props.own, part: { ...part.value, ...more } as LiftPart });

/** What is chosen of a part rather than measured. */
const choices = computed<Choice[]>(() => {
  const now = part.value;
  const of = (label: string, key: string, value: string | null, items: Choice['items']): Choice => ({
    label,
    value,
    items,
    set: (chosen) => with_({ [key]: chosen }),
  });
  const strut = [option('inStrut', 'Stop inside the strut'), option('onFrame', 'Stop on the frame')];
  const own =
    now.kind === 'block'
      ? [
          of('Where the stop bears', 'stopBearsOn', now.stopBearsOn, [
            option('axle', 'Stop bears on the axle'),
            option('springPack', 'Stop bears on the spring pack'),
          ]),
          of('What sets the droop', 'droopSetBy', now.droopSetBy, [
            option('spring', 'Spring sets the droop'),
            option('shock', 'Shock sets the droop'),
          ]),
        ]
      : now.kind === 'shackle'
        ? [
            of('Where the shackle sits', 'sits', now.sits ?? 'behind', [
              option('behind', 'Shackle behind the axle'),
              option('ahead', 'Shackle ahead of the axle'),
            ]),
          ]
        : now.kind === 'strutTopSpacer' || now.kind === 'coilOver'
          ? [of('Where the stop is', 'stops', now.stops ?? null, strut)]
          : [];
  const sides = [option('both', 'Both sides'), option('left', 'Left only'), option('right', 'Right only')];
  const side: Choice = {
    label: 'On which side',
    value: props.own.side,
    items: sides,
    set: (to) => emit('change', { ...props.own, side: to as PartSide }),
  };
  return props.bothSides ? [...own, side] : own;
});

const isStarting = (field: PartField): boolean => part.value.starting?.includes(nameOf(field)) ?? false;
function valueOf({ path }: PartField): number | undefined {
  const [first, second] = path;
  const own = (part.value as unknown as Record<string, unknown>)[first];
  const value = second === undefined ? own : (own as Record<string, unknown>)[second];
  return value === undefined ? undefined : Number(value);
}
/** Numbers that a seen sinking answers for. */
const ANSWERED_BY_SINKING = ['share', 'rateNPerMm', 'motionRatio'];

/** A typed number is somebody's; `undefined`: it was not finished, and stands in as before. */
function setNumber(field: PartField, value: number | undefined): void {
  const name = nameOf(field);
  const { starting = [], ...now } = part.value as LiftPart & Record<string, unknown>;
  const [first, second] = field.path;
  const next: Record<string, unknown> = { ...now };
  if (value !== undefined) next[first] = second === undefined ? value : { ...(next[first] as object), [second]: value };
  else if (field.optional) delete next[first];
  const answered = name === 'sinksMm' && value !== undefined ? ANSWERED_BY_SINKING : [];
  const left = starting.filter((one) => one !== name && !answered.includes(one));
  const again = value === undefined && !field.optional ? [...left, name] : left;
  emit('change', {
    ...props.own,
    part: { ...next, ...(again.length > 0 ? { starting: again } : {}) } as unknown as LiftPart,
  });
}

const MOVES: readonly (readonly [key: keyof HeightShift, words: (mm: number) => string])[] = [
  ['suspensionLiftMm', (mm) => `parked height ${signedMm(mm)}`],
  ['hubDropMm', (mm) => `hub on its knuckle down ${formatMm(mm)}`],
  ['strutTopDropMm', (mm) => `strut’s mount down ${formatMm(mm)}`],
  ['armDropMm', (mm) => `arms at the frame down ${formatMm(mm)}`],
  ['linkageDropMm', (mm) => `linkage down ${formatMm(mm)}`],
  ['swayBarDropMm', (mm) => `sway bar down ${formatMm(mm)}`],
  ['bodyLiftMm', (mm) => `body ${signedMm(mm)}`],
  ['bumpStopMm', (mm) => `bump stop ${formatMm(mm)} sooner`],
  ['bumpLimitShiftMm', (mm) => `full bump ${signedMm(mm)}`],
  ['droopLimitShiftMm', (mm) => `full droop ${signedMm(mm)}`],
  ['axleShiftMm', (mm) => `axle forward ${signedMm(mm)}`],
];
/** What it moves, at the wheel. */
const moves = computed(() => {
  const shift = liftPartShift(part.value);
  const said = MOVES.flatMap(([key, words]) => (shift[key] ? [words(shift[key])] : []));
  const caster = shift.casterChangeDeg;
  const turned = caster ? [`caster ${caster > 0 ? '+' : '-'}${Math.abs(caster).toFixed(1)}°`] : [];
  return [...(said.length ? [`${said.join(', ')} mm`] : []), ...turned].join(', ') || 'nothing';
});
const wanting = computed(() => {
  const fields = PART_FIELDS[part.value.kind].filter(isStarting).map(({ label }) => label.toLowerCase());
  const ratio = part.value.starting?.includes('motionRatio') ? ['spring travel over wheel travel (above)'] : [];
  return [...fields, ...ratio].join('; ');
});
/** A collar that cannot go lower than it stands. */
const floor = computed(() => {
  const now = part.value;
  if (now.kind !== 'collar' || now.starting?.length || now.lowestOverSeatMm <= 0) return '';
  const least = liftPartShift({ ...now, turns: 0 }).suspensionLiftMm;
  return `Screwed right down it still lifts ${formatMm(least)} mm: its lowest seat stands over the old one.`;
});
/** Where the stop was not looked at, a part is counted so that nothing is promised by it. */
const asksStop = computed(() => !props.stopsKnown && ['block', 'strutTopSpacer', 'coilOver'].includes(part.value.kind));
const isOlder = computed(() => part.value.kind === 'strutTopSpacer' && part.value.stops === undefined);
</script>

<template>
  <article class="part" :aria-label="PART_WORDS[part.kind]">
    <div class="apart">
      <strong>{{ PART_WORDS[part.kind] }}</strong>
      <v-btn
        size="48"
        variant="text"
        :icon="mdiDeleteOutline"
        :aria-label="`Remove: ${PART_WORDS[part.kind]}`"
        @click="emit('remove')"
      />
    </div>
    <div class="fields">
      <template v-for="field in PART_FIELDS[part.kind]" :key="field.label">
        <QuantityField
          v-if="field.isLength"
          :label="field.label"
          :value="valueOf(field)"
          :range="field.range"
          :starting="isStarting(field)"
          :optional="field.optional ?? false"
          @change="(mm, _typed, unfinished) => setNumber(field, unfinished ? undefined : mm)"
        />
        <TypedField
          v-else
          :label="field.label"
          :value="isStarting(field) ? undefined : valueOf(field)"
          :standing="isStarting(field) ? String(valueOf(field)) : undefined"
          :read="readNumber(field.range)"
          :write="writeNumber"
          :optional="field.optional ?? false"
          @change="(value) => setNumber(field, value)"
        />
      </template>
      <v-select
        v-for="choice in choices"
        :key="choice.label"
        :model-value="choice.value"
        :items="choice.items"
        :label="choice.label"
        hide-details
        @update:model-value="(value: string | null) => value !== null && choice.set(value)"
      />
    </div>
    <p v-if="wanting" class="small verdict-close" data-testid="part-wanting">
      Not counted yet: it moves nothing until you type {{ wanting }}.
    </p>
    <p v-else class="small muted">Moves: {{ moves }}.</p>
    <template v-if="part.kind === 'upperArm'">
      <v-checkbox
        :model-value="part.measured === true"
        label="What was surveyed on the upper arm was measured on the new one"
        hide-details
        density="compact"
        @update:model-value="(on: boolean | null) => with_({ measured: on ? true : undefined })"
      />
    </template>
    <p v-if="asksStop" class="small verdict-close" data-testid="asks-stop">
      Nobody said where the bump stop sits (Baseline, Travel). Until then choose here; a stop that stays lets the wheel
      come up as far as before.
    </p>
    <p v-if="isOlder" class="small verdict-close">
      As in older jobs: stop inside the strut, and its mount taken to stay where it was. Choose where the stop is.
    </p>
    <p v-if="floor" class="small" role="status">{{ floor }}</p>
  </article>
</template>

<style scoped>
.part {
  border-top: 1px solid var(--rule);
  display: grid;
  gap: 8px;
  padding-top: 2px;
}
</style>
