<script setup lang="ts">
import { computed, ref } from 'vue';
import { takeInCut, takeOutCut } from '@/contracts/cut-edges';
import { problemText } from '@/contracts/problems';
import { type CornerKey, cornerName, sideOf } from '@/core/2-vehicle/setup/corner-key';
import { LIMITS } from '@/core/1-base/limits';
import { attempt } from '@/core/1-base/problem';
import { formatClock, parseClock, seenClock } from '@/core/1-base/units/clock';
import { bothUnits } from '@/core/1-base/units/length';
import { MODIFICATION_WORDS } from '@/sheets/plan-words';
import { today } from '../kit/dates';
import EntryList from '../kit/EntryList.vue';
import QuantityField from '../kit/QuantityField.vue';
import TypedField from '../kit/TypedField.vue';
import { useKept } from '../saving/use-kept';
import { useJobStore } from '../stores/job';
import { blankCut, readCut, reshapesOf } from './read-cut';
import { seenText } from '../survey/seen-clock';
import TrimNote from './TrimNote.vue';
import type { TestFitState } from './use-test-fit';

/** What was cut after a round: the new edge as it was measured takes the old one's place in the survey. */
const props = defineProps<{ state: TestFitState }>();
const job = useJobStore();
const round = computed(() => props.state.round.value!);

const form = useKept('testFit.cut', blankCut);
const next = useKept('testFit.cutReading', () => ({
  clock: undefined as string | undefined,
  gapMm: undefined as number | undefined,
  steer: 'straight' as 'straight' | 'left' | 'right',
}));
const refusals = ref<readonly string[]>([]);

const thingsOf = (key: CornerKey) =>
  (job.document?.corners[key]?.obstacles ?? []).map((obstacle) => ({ key, obstacle, kinds: reshapesOf(obstacle) }));
const things = computed(() =>
  job.corners.flatMap((key) =>
    thingsOf(key)
      .filter(({ kinds }) => kinds.length > 0)
      .map(({ obstacle }) => ({
        value: `${key}:${obstacle.id}`,
        title: `${obstacle.label ?? obstacle.id}, ${cornerName(key)}`,
      })),
  ),
);
const kinds = computed(() => {
  const found = job.corners.flatMap(thingsOf).find(({ key, obstacle }) => `${key}:${obstacle.id}` === form.value.thing);
  return (found?.kinds ?? []).map((value) => ({ value, title: MODIFICATION_WORDS[value] }));
});
function choose(thing: string): void {
  form.value = { ...form.value, thing, kind: '', isLip: false };
  const [only] = kinds.value;
  if (kinds.value.length === 1 && only) form.value.kind = only.value;
}

const side = computed(() => sideOf((form.value.thing.split(':')[0] || 'frontLeft') as CornerKey));
/** Typed and written as whoever faces the wheel sees it; kept as the file has it. */
const readClock = (text: string) => attempt(() => seenClock(formatClock(parseClock(text, 'cut.clock')), side.value));
const asWritten = (clock: string): string => seenClock(clock, side.value);
/** A stretch runs clockwise as it is seen: on the left the file has it from its other end. */
const isTurned = computed(() => side.value === 'left');
const ends = computed(() =>
  isTurned.value ? ({ from: 'toClock', to: 'fromClock' } as const) : ({ from: 'fromClock', to: 'toClock' } as const),
);
const stretchWords = (key: CornerKey, { fromClock, toClock }: { fromClock: string; toClock: string }): string => {
  const [first, last] = [fromClock, toClock].map((clock) => seenClock(clock, sideOf(key)));
  return sideOf(key) === 'left' ? `${last} to ${first}` : `${first} to ${last}`;
};
const STEERS = [
  { value: 'straight', title: 'Straight' },
  { value: 'left', title: 'Full left' },
  { value: 'right', title: 'Full right' },
] as const;
const steerWords = { straight: 'straight', left: 'full left', right: 'full right' } as const;

function addReading(): void {
  const { clock, gapMm, steer } = next.value;
  if (clock === undefined || gapMm === undefined) return;
  form.value.readings.push({ clock, gapMm, steer });
  next.value = { clock: undefined, gapMm: undefined, steer };
}
function take(): void {
  addReading();
  const file = job.document;
  if (!file) return;
  const read = readCut(file, round.value, form.value, today());
  refusals.value = read.ok ? [] : read.problems.map((problem) => seenText(problemText(problem, file), side.value));
  if (!read.ok) return;
  const { corner, obstacle, left } = read.value;
  const gained = Math.max(0, Math.min(...left.gainedMm));
  job.change((one) => {
    takeInCut(one, read.value);
    const here = one.testFits?.find(({ id }) => id === round.value.id);
    here?.trimmed.push({ corner, obstacle, mm: Math.round(10 * gained) / 10, isMeasured: true });
  });
  form.value = blankCut();
}

/** Cuts measured after this round, newest of each thing last. */
const done = computed(() =>
  job.corners.flatMap((key) =>
    (job.document?.corners[key]?.obstacles ?? []).flatMap(({ id, label, cuts = [] }) =>
      cuts.flatMap((cut, i) =>
        cut.round === round.value.id ? [{ key, id, label: label ?? id, cut, isLast: i === cuts.length - 1 }] : [],
      ),
    ),
  ),
);
function takeOut(key: CornerKey, id: string): void {
  job.change((file) => {
    const corner = file.corners[key];
    if (corner) takeOutCut(corner, id);
    const here = file.testFits?.find((one) => one.id === round.value.id);
    const at = here?.trimmed.findLastIndex((one) => one.corner === key && one.obstacle === id && one.isMeasured) ?? -1;
    if (at >= 0) here?.trimmed.splice(at, 1);
  });
}
const readingWords = ({ clock, gapMm, steer }: (typeof form.value.readings)[number]): string =>
  `${seenClock(clock, side.value)}, ${steerWords[steer]}: ${bothUnits(gapMm)}`;
</script>

<template>
  <section class="stack cut" aria-label="Cut after this round">
    <h3>Cut, folded or trimmed after this round</h3>
    <p class="muted small">
      With this round’s tires still on and the vehicle standing as in it, measure from the tread straight out to the new
      edge, the least across it, at three places or more, the outermost near both ends of the cut. What is measured
      takes the old edge’s place; what is not measured stays as it was.
    </p>
    <ul v-if="done.length" class="small bullets" data-testid="cuts">
      <li v-for="(d, i) in done" :key="i">
        {{ d.label }}, {{ cornerName(d.key) }}: {{ MODIFICATION_WORDS[d.cut.kind].toLowerCase() }},
        {{ stretchWords(d.key, d.cut) }}; measured
        {{ d.cut.readings.map((r) => `${bothUnits(r.gapMm)} at ${seenClock(r.clock, sideOf(d.key))}`).join(', ') }}. The
        survey holds the new edge<template v-if="d.cut.lipRaisedMm">
          , and heights read to it count {{ bothUnits(d.cut.lipRaisedMm) }} more</template
        >.
        <v-btn v-if="d.isLast" height="48" variant="text" @click="takeOut(d.key, d.id)">Back as it was surveyed</v-btn>
      </li>
    </ul>
    <div class="fields" role="group" aria-label="The cut">
      <v-select
        :model-value="form.thing || null"
        :items="things"
        label="What was cut"
        hide-details
        no-data-text="Nothing surveyed that may be cut"
        @update:model-value="choose"
      />
      <v-select
        :model-value="form.kind || null"
        :items="kinds"
        label="How"
        hide-details
        @update:model-value="(kind) => (form.kind = kind ?? '')"
      />
      <TypedField
        label="From clock"
        :value="form[ends.from] || undefined"
        :read="readClock"
        :write="asWritten"
        optional
        hint="10:30"
        @change="(clock) => (form[ends.from] = clock ?? '')"
      />
      <TypedField
        label="To clock"
        :value="form[ends.to] || undefined"
        :read="readClock"
        :write="asWritten"
        optional
        hint="1:30"
        @change="(clock) => (form[ends.to] = clock ?? '')"
      />
    </div>
    <EntryList
      :entries="form.readings"
      :words="readingWords"
      @remove="(index) => void form.readings.splice(index, 1)"
    />
    <form class="fields" aria-label="Gap to the new edge" @submit.prevent="addReading">
      <TypedField
        label="At clock"
        :value="next.clock"
        :read="readClock"
        :write="asWritten"
        optional
        @change="(clock) => (next.clock = clock)"
      />
      <QuantityField
        label="Gap now"
        :value="next.gapMm"
        :range="LIMITS.gapMm"
        optional
        measured
        @change="(mm) => (next.gapMm = mm)"
      />
      <v-select v-model="next.steer" :items="STEERS" label="Wheels" hide-details />
      <v-btn type="submit" height="48" variant="outlined" :disabled="!next.clock || next.gapMm === undefined"
        >Next reading</v-btn
      >
    </form>
    <v-checkbox
      v-model="form.isLip"
      density="comfortable"
      hide-details
      label="Heights of this corner are read to this edge: it came up with the cut"
    />
    <p v-for="r in refusals" :key="r" class="verdict-rubs" role="alert">{{ r }}</p>
    <div class="keys">
      <v-btn height="48" color="primary" :disabled="!form.thing" @click="take">Put the new edge in the survey</v-btn>
    </div>
    <TrimNote :state="state" />
  </section>
</template>

<style scoped>
.cut {
  border-top: 1px solid var(--rule);
  padding-top: 8px;
}
</style>
