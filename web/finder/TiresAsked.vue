<script setup lang="ts">
import { computed } from 'vue';
import type { FinderQuestionEntry } from '@/contracts/finder';
import { LIMITS } from '@/core/1-base/limits';
import { TIRE_KINDS, type TireKind } from '@/core/2-vehicle/tire/tire-kind';
import { TIRE_KIND_WORDS } from '../words';
import ChipGroup from '../kit/ChipGroup.vue';
import QuantityField from '../kit/QuantityField.vue';

/** Which tires are looked at: the shop's own, sizes in use, or every diameter and width between limits. */
const props = defineProps<{ question: FinderQuestionEntry; problemAt: (path: string) => string | undefined }>();
const emit = defineEmits<{ change: [edit: (question: FinderQuestionEntry) => void]; list: [] }>();

const WORDS = { common: 'Sizes in use', list: 'Our catalog', ranges: 'Any size' } as const;
type From = keyof typeof WORDS;

const tires = computed(() => props.question.tires);
const range = computed(() => {
  const field = tires.value;
  if (field.from === 'common') return { least: field.leastDiameterMm, most: field.mostDiameterMm };
  return field.from === 'ranges'
    ? { least: field.diameterMm.from, most: field.diameterMm.to }
    : { least: 700, most: 900 };
});

function choose(from: From): void {
  if (from === 'list') {
    emit('list');
    return;
  }
  const { least, most } = range.value;
  emit('change', (question) => {
    const kind = question.tires.from === 'list' ? undefined : question.tires.kind;
    const made = kind ? { kind } : {};
    question.tires =
      from === 'common'
        ? { from, leastDiameterMm: least, mostDiameterMm: most, ...made }
        : {
            ...made,
            from,
            diameterMm: { from: least, to: most, step: 10 },
            widthMm: { from: 245, to: 325, step: 10 },
          };
  });
}

function set(end: 'least' | 'most', mm: number | undefined): void {
  if (mm === undefined) return;
  emit('change', ({ tires: field }) => {
    if (field.from === 'common') field[end === 'least' ? 'leastDiameterMm' : 'mostDiameterMm'] = mm;
    if (field.from === 'ranges') field.diameterMm[end === 'least' ? 'from' : 'to'] = mm;
  });
}

function setSpan(of: 'diameterMm' | 'widthMm', end: 'from' | 'to' | 'step', mm: number | undefined): void {
  if (mm === undefined) return;
  emit('change', ({ tires: field }) => {
    if (field.from === 'ranges') field[of][end] = mm;
  });
}

function setKind(kind: TireKind | null): void {
  emit('change', ({ tires: field }) => {
    if (field.from === 'list') return;
    if (kind) field.kind = kind;
    else delete field.kind;
  });
}
const KINDS = [
  { value: null, title: 'any, taken as usual' },
  ...TIRE_KINDS.map((value) => ({ value, title: TIRE_KIND_WORDS[value] })),
];

const STEPS = { min: 0.1, max: 500, unit: 'mm' };
</script>

<template>
  <div class="asked">
    <ChipGroup label="Tires" :words="WORDS" :chosen="[tires.from]" @press="choose" />
    <p v-if="tires.from === 'list'" class="small">
      {{ tires.list.length }} from the catalog.
      <v-btn size="small" height="48" variant="text" @click="emit('list')">Read it again</v-btn>
      <span v-if="problemAt('finder.tires')" class="verdict-rubs">{{ problemAt('finder.tires') }}</span>
    </p>
    <div v-else class="pair">
      <QuantityField
        label="Least diameter"
        :value="range.least"
        :range="LIMITS.tireDiameterMm"
        @change="(mm) => set('least', mm)"
      />
      <QuantityField
        label="Most diameter"
        :value="range.most"
        :range="LIMITS.tireDiameterMm"
        :problem="
          problemAt('finder.tires.mostDiameterMm') ??
          problemAt('finder.tires.diameterMm.to') ??
          problemAt('finder.tires')
        "
        @change="(mm) => set('most', mm)"
      />
    </div>
    <v-select
      v-if="tires.from !== 'list'"
      label="Made for (tread and shoulder)"
      :model-value="tires.kind ?? null"
      :items="KINDS"
      hide-details
      @update:model-value="setKind"
    />
    <div v-if="tires.from === 'ranges'" class="pair">
      <QuantityField
        label="Step"
        :value="tires.diameterMm.step"
        :range="STEPS"
        :problem="problemAt('finder.tires.diameterMm.step')"
        @change="(mm) => setSpan('diameterMm', 'step', mm)"
      />
      <QuantityField
        label="Width step"
        :value="tires.widthMm.step"
        :range="STEPS"
        :problem="problemAt('finder.tires.widthMm.step')"
        @change="(mm) => setSpan('widthMm', 'step', mm)"
      />
      <QuantityField
        label="Least width"
        :value="tires.widthMm.from"
        :range="LIMITS.tireWidthMm"
        @change="(mm) => setSpan('widthMm', 'from', mm)"
      />
      <QuantityField
        label="Most width"
        :value="tires.widthMm.to"
        :range="LIMITS.tireWidthMm"
        :problem="problemAt('finder.tires.widthMm.to')"
        @change="(mm) => setSpan('widthMm', 'to', mm)"
      />
    </div>
  </div>
</template>

<style scoped src="../kit/asked.css"></style>
