<script setup lang="ts">
import { computed } from 'vue';
import type { LowgapFitted } from '@/contracts/lowgap-file';
import { LIMITS, type Range } from '@/core/1-base/limits';
import { attempt } from '@/core/1-base/problem';
import { formatMm } from '@/core/1-base/units/length';
import { tireSection } from '@/core/2-vehicle/tire/section';
import { SHOULDERS, TIRE_KINDS, type Shoulder, type TireKind } from '@/core/2-vehicle/tire/tire-kind';
import { SHOULDER_WORDS, TIRE_KIND_WORDS } from '../words';
import QuantityField from './QuantityField.vue';

type Fitment = Pick<LowgapFitted, 'tire' | 'wheel' | 'typed'>;
type Length =
  | 'measuredDiameterMm'
  | 'measuredWidthMm'
  | 'treadWidthMm'
  | 'shoulderRadiusMm'
  | 'underPrintMm'
  | 'lugsMm'
  | 'loadedRadiusMm'
  | 'rollingMm'
  | 'rimProtectorMm';

/** A tire as it really is: what the tape and the eye say beyond its size. Folded away under a line that says what is known. */
const props = defineProps<{ fitment: Fitment; measured: boolean; problemAt: (path: string) => string | undefined }>();
const emit = defineEmits<{ edit: [change: (fitment: Fitment) => void] }>();

const tire = computed(() => props.fitment.tire);
const section = computed(() => {
  const found = attempt(() => tireSection(tire.value, props.fitment.wheel.widthIn));
  return found.ok ? found.value : null;
});
const isFlotation = computed(() => section.value?.size.printedDiameterMm !== undefined);

const LENGTHS: readonly { field: Length; label: string; range: Range }[] = [
  { field: 'measuredDiameterMm', label: 'Measured diameter', range: LIMITS.tireDiameterMm },
  { field: 'measuredWidthMm', label: 'Measured width', range: LIMITS.tireWidthMm },
  { field: 'underPrintMm', label: 'Measures under its print by', range: LIMITS.allowanceMm },
  { field: 'treadWidthMm', label: 'Tread, edge to edge', range: LIMITS.tireWidthMm },
  { field: 'shoulderRadiusMm', label: 'Shoulder radius', range: LIMITS.shoulderRadiusMm },
  { field: 'lugsMm', label: 'Lugs beyond the sidewall', range: LIMITS.allowanceMm },
  { field: 'rimProtectorMm', label: 'Rim protector beyond the flange', range: LIMITS.allowanceMm },
  { field: 'loadedRadiusMm', label: 'Hub to ground, loaded', range: LIMITS.loadedRadiusMm },
  { field: 'rollingMm', label: 'One turn rolls', range: LIMITS.rollingMm },
];
/** What a tape says first of the tire now fitted stands open. */
const isFirst = (field: Length): boolean => field === 'measuredDiameterMm' || field === 'measuredWidthMm';
const shown = computed(() => LENGTHS.filter(({ field }) => props.measured && isFirst(field)));
const folded = computed(() => lengths.value.filter(({ field }) => !(props.measured && isFirst(field))));
const lengths = computed(() =>
  LENGTHS.filter(({ field }) => field !== 'underPrintMm' || (isFlotation.value && !tire.value.measuredDiameterMm)),
);

function set<Key extends keyof Fitment['tire']>(
  field: Key,
  value: Fitment['tire'][Key] | undefined,
  typed?: string,
): void {
  emit('edit', (fitment) => {
    const tire: Fitment['tire'] = { ...fitment.tire };
    if (value === undefined) delete tire[field];
    else tire[field] = value;
    fitment.tire = tire;
    const { [field]: _typed, ...kept } = fitment.typed ?? {};
    fitment.typed = typed === undefined ? kept : { ...kept, [field]: typed };
  });
}

/** A picture pressed again is taken back; a radius of one's own goes before it. */
const chooseShoulder = (shoulder: Shoulder): void =>
  set('shoulder', tire.value.shoulder === shoulder ? undefined : shoulder);

const KINDS = [
  { value: null, title: 'not said' },
  ...TIRE_KINDS.map((value: TireKind) => ({ value, title: TIRE_KIND_WORDS[value] })),
];

/** Outlines of a tire's upper right quarter, from the crown round the shoulder and down the sidewall. */
const PICTURES: Readonly<Record<Shoulder, string>> = {
  round: 'M4 8H20A24 24 0 0 1 44 32V44',
  usual: 'M4 8H30A14 14 0 0 1 44 22V44',
  square: 'M4 8H40A4 4 0 0 1 44 12V44',
};

const summary = computed(() => {
  const { kind, shoulder, treadWidthMm, measuredDiameterMm, measuredWidthMm } = tire.value;
  const said = [
    kind ? TIRE_KIND_WORDS[kind] : null,
    measuredDiameterMm || measuredWidthMm ? 'measured' : null,
    treadWidthMm ? `tread ${formatMm(treadWidthMm, 0)} mm` : null,
    shoulder ? `${SHOULDER_WORDS[shoulder]} shoulder` : null,
  ].filter(Boolean);
  return said.length ? said.join(', ') : 'as its size says, a usual tread and shoulder';
});
</script>

<template>
  <QuantityField
    v-for="{ field, label, range } in shown"
    :key="field"
    :label="label"
    measured
    optional
    :value="tire[field]"
    :typed="fitment.typed?.[field]"
    :range="range"
    :problem="problemAt(`tire.${field}`)"
    @change="(value, typed) => set(field, value, typed)"
  />
  <details data-testid="tire-shape">
    <summary>
      <span>The tire itself</span> <span class="muted small">{{ summary }}</span>
    </summary>
    <div class="stack">
      <v-select
        label="Kind of tire"
        :model-value="tire.kind ?? null"
        :items="KINDS"
        @update:model-value="(kind: TireKind | null) => set('kind', kind ?? undefined)"
      />
      <div class="shoulders" role="group" aria-label="Shoulder">
        <button
          v-for="one in SHOULDERS"
          :key="one"
          type="button"
          class="picture"
          :aria-pressed="tire.shoulder === one"
          @click="chooseShoulder(one)"
        >
          <svg viewBox="0 0 52 46" width="52" height="46" aria-hidden="true"><path :d="PICTURES[one]" /></svg>
          {{ SHOULDER_WORDS[one] }}
        </button>
      </div>
      <QuantityField
        v-for="{ field, label, range } in folded"
        :key="field"
        :label="label"
        measured
        optional
        :value="tire[field]"
        :typed="fitment.typed?.[field]"
        :range="range"
        :problem="problemAt(`tire.${field}`)"
        @change="(value, typed) => set(field, value, typed)"
      />
      <p v-if="section" class="small muted">
        Counted: {{ formatMm(section.diameterMm, 0) }} mm tall, {{ formatMm(section.widthMm, 0) }} wide, tread
        {{ formatMm(section.treadWidthMm, 0) }}, shoulder radius {{ formatMm(section.shoulderRadiusMm, 0) }}.
        <template v-if="isFlotation && !tire.measuredDiameterMm"
          >Tires of such sizes measure 5 to 13 mm under their print.</template
        >
      </p>
    </div>
  </details>
</template>

<style scoped src="./folded.css"></style>
<style scoped>
.shoulders {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 6px;
}
.picture:not(.v-btn) {
  min-height: 72px;
  padding: 4px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  display: grid;
  justify-items: center;
  font-size: 14px;
}
.picture[aria-pressed='true'] {
  border-color: var(--accent);
  box-shadow: inset 0 0 0 2px var(--accent);
}
.picture path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 3;
}
</style>
