<script setup lang="ts">
import { computed } from 'vue';
import type { SpacerEntry } from '@/contracts/plan';
import { LIMITS, type Range } from '@/core/1-base/limits';
import type { SpacerFinding, SpacerFit } from '@/core/6-decisions/plan/spacer-check';
import { attempt } from '@/core/1-base/problem';
import { formatMm } from '@/core/1-base/units/length';
import { parseBoltPattern } from '@/core/2-vehicle/wheel/bolt-pattern';
import { SPACER_CHECK_WORDS, SPACER_FIELD_WORDS } from '@/sheets/plan-words';
import ChipGroup from '../kit/ChipGroup.vue';
import QuantityField from '../kit/QuantityField.vue';
import TypedField from '../kit/TypedField.vue';
import FiguresTable from '../kit/FiguresTable.vue';

/** What was measured of a spacer, its hub and its wheel, and what that says. */
const props = defineProps<{
  entry: SpacerEntry;
  fit: SpacerFit;
  findings: readonly SpacerFinding[];
  problem: string;
}>();
const emit = defineEmits<{
  set: [field: keyof SpacerEntry, value: SpacerEntry[keyof SpacerEntry] | undefined];
  studs: [mm: number | undefined];
  pocket: [mm: number | undefined];
}>();

const TYPE_WORDS = { slipOn: 'Slip-on, over the studs', boltOn: 'Bolted to the hub' } as const;
const VERDICT_WORDS = { right: 'right', wrong: 'WRONG', unknown: 'not measured' } as const;

interface Field {
  readonly field: Exclude<
    keyof typeof SPACER_FIELD_WORDS,
    'type' | 'thicknessMm' | 'hubPattern' | 'wheelPattern' | 'facesBare' | 'studProtrusionMm' | 'studPocketMm'
  >;
  readonly range: Range;
  /** Of spacers held that way alone. */
  readonly only?: SpacerEntry['type'];
}
const mmRange = (min: number, max: number): Range => ({ min, max, unit: 'mm' });
const FIELDS: readonly Field[] = [
  { field: 'studDiameterMm', range: mmRange(4, 40) },
  { field: 'threadPitchMm', range: mmRange(0.5, 4) },
  { field: 'padMm', range: mmRange(1, 80) },
  { field: 'nutDepthMm', range: mmRange(0, 80) },
  { field: 'flangeMm', range: mmRange(1, 80) },
  { field: 'underNutMm', range: mmRange(1, 80), only: 'boltOn' },
  { field: 'ownStudMm', range: mmRange(5, 120), only: 'boltOn' },
  { field: 'hubBoreMm', range: mmRange(20, 300) },
  { field: 'hubRegisterMm', range: mmRange(0, 80) },
  { field: 'spacerBoreMm', range: mmRange(20, 300) },
  { field: 'spacerLipMm', range: mmRange(0, 300) },
  { field: 'wheelBoreMm', range: mmRange(20, 300) },
];
const asked = computed(() => FIELDS.filter(({ only }) => only === undefined || only === props.entry.type));
const named = (field: keyof typeof SPACER_FIELD_WORDS): string => {
  const words = SPACER_FIELD_WORDS[field];
  return `${words[0]!.toUpperCase()}${words.slice(1)}`;
};

const readPattern = (text: string) =>
  attempt(() => {
    const { studs, circleMm } = parseBoltPattern(text);
    return `${studs}x${Number(circleMm.toFixed(2))}`;
  });
const writeText = (text: string): string => text;
const readText = (text: string) => attempt(() => text.trim().slice(0, 80));

const TONES = { right: 'clear', wrong: 'rubs', unknown: 'close' } as const;
function foundWords({ check, missing, haveMm, needMm }: SpacerFinding): string {
  if (missing.length) return `measure ${missing.map((field) => SPACER_FIELD_WORDS[field]).join(', ')}`;
  if (haveMm === null || needMm === null) return '';
  const have = `${formatMm(haveMm, 2)} mm`;
  return ['register', 'wheelRegister', 'pattern'].includes(check)
    ? `${have} against ${formatMm(needMm, 2)} mm`
    : `${have}, at least ${formatMm(needMm)} mm wanted`;
}
const rows = computed(() =>
  props.findings.map((finding) => ({
    name: SPACER_CHECK_WORDS[finding.check],
    cells: [{ text: VERDICT_WORDS[finding.verdict], strong: true, tone: TONES[finding.verdict] }, foundWords(finding)],
  })),
);
</script>

<template>
  <section class="panel box" aria-label="Whether it fits">
    <h2 class="panel-title">Whether it fits</h2>
    <ChipGroup
      label="How it is held"
      :words="TYPE_WORDS"
      :chosen="[entry.type]"
      @press="(type: SpacerEntry['type']) => emit('set', 'type', type)"
    />
    <div class="fields">
      <QuantityField
        label="Thickness"
        :value="entry.thicknessMm"
        :range="LIMITS.spacerMm"
        :step="1"
        @change="(mm) => emit('set', 'thicknessMm', mm ?? 0)"
      />
      <QuantityField
        :label="named('studProtrusionMm')"
        :value="fit.studProtrusionMm"
        :range="LIMITS.studMm"
        optional
        @change="(mm) => emit('studs', mm)"
      />
      <QuantityField
        :label="named('studPocketMm')"
        :value="fit.studPocketMm"
        :range="LIMITS.studMm"
        optional
        @change="(mm) => emit('pocket', mm)"
      />
      <QuantityField
        v-for="{ field, range } in asked"
        :key="field"
        :label="named(field)"
        :value="entry[field]"
        :range="range"
        optional
        @change="(mm) => emit('set', field, mm)"
      />
      <TypedField
        v-for="field in ['hubPattern', 'wheelPattern'] as const"
        :key="field"
        :label="named(field)"
        hint="6x139.7"
        :value="entry[field]"
        :read="readPattern"
        :write="writeText"
        optional
        @change="(pattern) => emit('set', field, pattern)"
      />
      <QuantityField
        label="Bearing’s middle inboard of the hub face"
        :value="entry.bearingInboardMm"
        :range="mmRange(-100, 300)"
        optional
        @change="(mm) => emit('set', 'bearingInboardMm', mm)"
      />
      <TypedField
        label="Re-torque, as the maker writes"
        :value="entry.reTorqueAfter"
        :read="readText"
        :write="writeText"
        optional
        @change="(text) => emit('set', 'reTorqueAfter', text || undefined)"
      />
    </div>
    <v-checkbox
      :model-value="entry.facesBare === true"
      label="Hub, spacer and wheel faces seen: clean, bare, flat"
      hide-details
      density="compact"
      @update:model-value="(on: boolean | null) => emit('set', 'facesBare', on ? true : undefined)"
    />
    <FiguresTable data-testid="spacer-checks" caption="Checks of the spacer" :columns="[]" :rows="rows" />
    <p v-if="problem" class="verdict-rubs" role="alert">{{ problem }}</p>
  </section>
</template>
