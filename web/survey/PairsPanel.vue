<script setup lang="ts">
import { computed, ref } from 'vue';
import type { LowgapCorner } from '@/contracts/lowgap-file';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { LIMITS } from '@/core/1-base/limits';
import { pairWords } from '@/sheets/plan-words';
import EntryList from '../kit/EntryList.vue';
import QuantityField from '../kit/QuantityField.vue';
import { useKept } from '../saving/use-kept';
import { useJobStore } from '../stores/job';

/** Parts of the vehicle that come near each other as the suspension moves: a track bar and its perch, a spring and a bracket. */
const props = defineProps<{ cornerKey: CornerKey; corner: LowgapCorner }>();
const job = useJobStore();

type Pair = NonNullable<LowgapCorner['pairs']>[number];
const pairs = computed<readonly Pair[]>(() => props.corner.pairs ?? []);
/** A sheet is no part: between it and another thing nothing is measured. */
const things = computed(() =>
  props.corner.obstacles
    .filter(({ shape, insideWheel }) => shape?.type !== 'panel' && !insideWheel)
    .map(({ id, label }) => ({ value: id, title: label ?? id })),
);
const labelOf = (id: string): string => props.corner.obstacles.find((one) => one.id === id)?.label ?? id;
const gapOf = ({ a, b }: Pair) =>
  job.evaluation?.pairs.find((one) => one.corner === props.cornerKey && one.a === a && one.b === b);
function words(pair: Pair): string {
  const [a, b] = [labelOf(pair.a), labelOf(pair.b)];
  const found = gapOf(pair);
  return found
    ? pairWords({ ...found, a, b, corner: props.cornerKey })
    : `${a} and ${b}: not known until both have places`;
}
const isShort = (pair: Pair): boolean => (gapOf(pair)?.marginMm ?? 0) < 0;

const next = useKept(`survey.pair.${props.cornerKey}`, () => ({
  a: null as string | null,
  b: null as string | null,
  requiredMm: undefined as number | undefined,
}));
const refusal = ref('');
function add(): void {
  const { a, b, requiredMm } = next.value;
  const [first, second] = [a, b].map((id) => props.corner.obstacles.find((one) => one.id === id));
  const wrong = [
    ...(!first || !second ? ['both parts'] : []),
    ...(first && second && first.mount === second.mount ? ['two parts that do not move together'] : []),
    ...(requiredMm === undefined ? ['how much they want between them'] : []),
    ...(a && b && pairs.value.some((one) => [one.a, one.b].includes(a) && [one.a, one.b].includes(b) && a !== b)
      ? ['a pair that is not on the list yet']
      : []),
  ];
  refusal.value = wrong.length ? `Wanted: ${wrong.join('; ')}.` : '';
  if (wrong.length || requiredMm === undefined || !a || !b) return;
  job.change((file) => {
    const corner = file.corners[props.cornerKey]!;
    corner.pairs = [...(corner.pairs ?? []), { a, b, requiredMm }];
  });
  next.value = { a: null, b: null, requiredMm: undefined };
}
const remove = (index: number): void =>
  job.change((file) => void file.corners[props.cornerKey]!.pairs?.splice(index, 1));
</script>

<template>
  <details :open="pairs.length > 0">
    <summary>Parts that come near each other</summary>
    <p class="muted small">
      A track bar and its perch, a spring and a bracket: their own gap is followed through the travel and planned for.
    </p>
    <EntryList :entries="pairs" :words="words" @remove="remove">
      <template #default="{ entry }">
        <span :class="isShort(entry) ? 'verdict-rubs' : ''">{{ words(entry) }}</span>
      </template>
    </EntryList>
    <form class="stack" aria-label="Two parts" @submit.prevent="add">
      <v-select v-model="next.a" :items="things" label="One part" hide-details />
      <v-select v-model="next.b" :items="things" label="The other part" hide-details />
      <QuantityField
        label="Wanted between them"
        :value="next.requiredMm"
        :range="LIMITS.requiredMm"
        optional
        @change="(mm) => (next.requiredMm = mm)"
      />
      <v-btn type="submit" height="48" variant="outlined">Follow these two</v-btn>
    </form>
    <p v-if="refusal" class="verdict-rubs" role="alert">{{ refusal }}</p>
  </details>
</template>
