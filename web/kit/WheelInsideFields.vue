<script setup lang="ts">
import { computed } from 'vue';
import type { LowgapFitted } from '@/contracts/lowgap-file';
import { LIMITS } from '@/core/1-base/limits';
import { formatMm } from '@/core/1-base/units/length';
import { hollowWheel } from '@/core/2-vehicle/wheel/wheel-section';
import EntryList from './EntryList.vue';
import QuantityField from './QuantityField.vue';

type Fitment = Pick<LowgapFitted, 'wheel' | 'typed'>;
type SpokePlace = NonNullable<LowgapFitted['wheel']['spokeBack']>[number];

/** The wheel seen from the brake: its barrel, and its spokes' back as a template of the caliper reads it. Folded away. */
const props = defineProps<{ fitment: Fitment }>();
const emit = defineEmits<{ edit: [change: (fitment: Fitment) => void] }>();

const wheel = computed(() => props.fitment.wheel);
const counted = computed(() => {
  const { diameterIn, widthIn, insideDiameterMm, dropCentreInsideMm } = wheel.value;
  const [barrel, drop] = hollowWheel({ diameterIn, widthIn, offsetMm: 0, insideDiameterMm, dropCentreInsideMm }).metal;
  return { barrelMm: 2 * barrel![2], dropMm: 2 * drop![2] };
});

const FIELDS = [
  { field: 'insideDiameterMm', label: 'Inside across, where the brake is' },
  { field: 'dropCentreInsideMm', label: 'Inside across, at the drop center' },
] as const;

function set(field: (typeof FIELDS)[number]['field'], value: number | undefined, typed: string | undefined): void {
  emit('edit', (fitment) => {
    const next = { ...fitment.wheel };
    if (value === undefined) delete next[field];
    else next[field] = value;
    fitment.wheel = next;
    const { [field]: _old, ...kept } = fitment.typed ?? {};
    fitment.typed = typed === undefined ? kept : { ...kept, [field]: typed };
  });
}

const places = computed(() => wheel.value.spokeBack ?? []);
function setPlaces(next: readonly SpokePlace[]): void {
  emit('edit', (fitment) => {
    const { spokeBack: _old, ...rest } = fitment.wheel;
    fitment.wheel = next.length > 0 ? { ...rest, spokeBack: [...next] } : rest;
  });
}
const replace = (i: number, place: Partial<SpokePlace>): void =>
  setPlaces(places.value.map((one, k) => (k === i ? { ...one, ...place } : one)));
const MOST_PLACES = 12;
const add = (): void =>
  setPlaces([...places.value, { radiusMm: (places.value.at(-1)?.radiusMm ?? 80) + 30, backMm: 0 }]);

const summary = computed(() => {
  const { insideDiameterMm } = wheel.value;
  const across = `${formatMm(counted.value.barrelMm, 0)} mm across${insideDiameterMm === undefined ? ' as usual' : ''}`;
  return places.value.length ? `${across}, spokes measured at ${places.value.length} places` : across;
});
</script>

<template>
  <details data-testid="wheel-inside">
    <summary>
      <span>The wheel inside</span> <span class="muted small">{{ summary }}</span>
    </summary>
    <div class="stack">
      <QuantityField
        v-for="{ field, label } in FIELDS"
        :key="field"
        :label="label"
        optional
        :value="wheel[field]"
        :typed="fitment.typed?.[field]"
        :range="LIMITS.insideDiameterMm"
        @change="(value, typed) => set(field, value, typed)"
      />
      <p class="small muted">
        Counted: {{ formatMm(counted.barrelMm, 0) }} mm inside, {{ formatMm(counted.dropMm, 0) }} at the drop center.
        With a template of the caliper laid in the wheel: how far out from the axis, and how far the spokes’ back stands
        outboard of the mounting face there (- toward the brake).
      </p>
      <EntryList
        :entries="places"
        :words="({ radiusMm }) => `Spokes’ back, ${formatMm(radiusMm, 0)} mm out`"
        @remove="(i) => setPlaces(places.filter((_, k) => k !== i))"
      >
        <template #default="{ entry, index }">
          <span class="place">
            <QuantityField
              :label="`Place ${index + 1}: out from the axis`"
              :value="entry.radiusMm"
              :range="LIMITS.spokeRadiusMm"
              @change="(mm) => mm !== undefined && replace(index, { radiusMm: mm })"
            />
            <QuantityField
              :label="`Place ${index + 1}: outboard of the mounting face`"
              :value="entry.backMm"
              :range="LIMITS.spokeBackMm"
              @change="(mm) => mm !== undefined && replace(index, { backMm: mm })"
            />
          </span>
        </template>
      </EntryList>
      <v-btn v-if="places.length < MOST_PLACES" height="48" variant="outlined" @click="add"
        >Add a place of the spokes</v-btn
      >
    </div>
  </details>
</template>

<style scoped src="./folded.css"></style>
<style scoped>
.place {
  display: grid;
  gap: 6px;
}
</style>
