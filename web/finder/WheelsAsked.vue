<script setup lang="ts">
import { computed } from 'vue';
import type { FinderQuestionEntry } from '@/contracts/finder';
import { LIMITS } from '@/core/1-base/limits';
import { LIFT_KINDS, type LiftKind } from '@/core/6-decisions/finder/question';
import ChipGroup from '../kit/ChipGroup.vue';
import QuantityField from '../kit/QuantityField.vue';
import TypedField from '../kit/TypedField.vue';
import { LIFT_WORDS } from './finder-words';
import { bothUnitsOf, readLengths, readNumbers, writeLengths, writeList } from '../kit/read-lists';
import { useUnits } from '../stores/units';

/** Which wheels, spacers and heights are looked at. */
const props = defineProps<{ question: FinderQuestionEntry; problemAt: (path: string) => string | undefined }>();
const emit = defineEmits<{ change: [edit: (question: FinderQuestionEntry) => void]; list: [] }>();

const units = useUnits();
const WORDS = { ranges: 'Any offset', list: 'Our catalog' } as const;

const wheels = computed(() => props.question.wheels);

function choose(from: keyof typeof WORDS): void {
  if (from === 'list') {
    emit('list');
    return;
  }
  const first = wheels.value.from === 'list' ? wheels.value.list[0] : undefined;
  emit('change', (question) => {
    question.wheels = {
      from: 'ranges',
      diametersIn: [first?.diameterIn ?? 17],
      widthsIn: [first?.widthIn ?? 8],
      offsetMm: { from: -30, to: 45, step: 5 },
    };
  });
}

function setRims(of: 'diametersIn' | 'widthsIn', values: number[] | undefined): void {
  if (!values) return;
  emit('change', ({ wheels: field }) => {
    if (field.from === 'ranges') field[of] = values;
  });
}

function setOffset(end: 'from' | 'to' | 'step', mm: number | undefined): void {
  if (mm === undefined) return;
  emit('change', ({ wheels: field }) => {
    if (field.from === 'ranges') field.offsetMm[end] = mm;
  });
}

function setSpacers(thicknesses: number[] | undefined): void {
  emit('change', (question) => {
    const known = question.spacers;
    question.spacers = (thicknesses ?? []).map(
      (thicknessMm) => known.find((spacer) => spacer.thicknessMm === thicknessMm) ?? { thicknessMm },
    );
  });
}

function setLift(change: { kind?: LiftKind; amountsMm?: number[] | undefined }): void {
  emit('change', (question) => {
    const { kind, amountsMm } = { kind: 'spring' as const, amountsMm: [], ...question.lift, ...change };
    if (amountsMm && amountsMm.length > 0) question.lift = { kind, amountsMm };
    else delete question.lift;
  });
}

const LIFTS = LIFT_KINDS.map((value) => ({ value, title: LIFT_WORDS[value] }));
const STEPS = { min: 0.1, max: 500, unit: 'mm' };
</script>

<template>
  <div class="asked">
    <ChipGroup label="Wheels" :words="WORDS" :chosen="[wheels.from]" @press="choose" />
    <p v-if="wheels.from === 'list'" class="small">
      {{ wheels.list.length }} from the catalog.
      <v-btn size="small" height="48" variant="text" @click="emit('list')">Read it again</v-btn>
      <span v-if="problemAt('finder.wheels')" class="verdict-rubs">{{ problemAt('finder.wheels') }}</span>
    </p>
    <template v-else>
      <div class="pair">
        <TypedField
          label="Rim diameters, in"
          :value="wheels.diametersIn"
          :read="readNumbers(LIMITS.rimDiameterIn)"
          :write="writeList"
          :problem="problemAt('finder.wheels.diametersIn')"
          @change="(values) => setRims('diametersIn', values)"
        />
        <TypedField
          label="Rim widths, in"
          :value="wheels.widthsIn"
          :read="readNumbers(LIMITS.rimWidthIn)"
          :write="writeList"
          :problem="problemAt('finder.wheels.widthsIn')"
          @change="(values) => setRims('widthsIn', values)"
        />
        <QuantityField
          label="Least offset"
          quantity="offset"
          :value="wheels.offsetMm.from"
          :range="LIMITS.offsetMm"
          @change="(mm) => setOffset('from', mm)"
        />
        <QuantityField
          label="Most offset"
          quantity="offset"
          :value="wheels.offsetMm.to"
          :range="LIMITS.offsetMm"
          :problem="problemAt('finder.wheels.offsetMm.to')"
          @change="(mm) => setOffset('to', mm)"
        />
        <QuantityField
          label="Offset step"
          quantity="offset"
          :value="wheels.offsetMm.step"
          :range="STEPS"
          :problem="problemAt('finder.wheels.offsetMm.step')"
          @change="(mm) => setOffset('step', mm)"
        />
      </div>
    </template>
    <div class="pair">
      <TypedField
        :key="`spacers ${units.unit}`"
        :label="`Spacers, ${units.unit}`"
        :value="question.spacers.map(({ thicknessMm }) => thicknessMm)"
        :read="readLengths(LIMITS.spacerMm, units.unit)"
        :write="writeLengths(units.unit)"
        :echo="bothUnitsOf"
        optional
        hint="0; 25"
        @change="setSpacers"
      />
      <TypedField
        :key="`lift ${units.unit}`"
        :label="`Lift at the wheel, ${units.unit}`"
        :value="question.lift?.amountsMm ?? []"
        :read="readLengths(LIMITS.suspensionLiftMm, units.unit)"
        :write="writeLengths(units.unit)"
        :echo="bothUnitsOf"
        optional
        hint="0; 2 in"
        @change="(amountsMm) => setLift({ amountsMm })"
      />
    </div>
    <v-select
      v-if="question.lift"
      label="The lift is"
      :model-value="question.lift.kind"
      :items="LIFTS"
      @update:model-value="(kind: LiftKind) => setLift({ kind })"
    />
  </div>
</template>

<style scoped src="../kit/asked.css"></style>
