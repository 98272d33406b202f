<script setup lang="ts">
import { computed } from 'vue';
import type { LowgapSetup } from '@/contracts/lowgap-file';
import { LIMITS } from '@/core/1-base/limits';
import { formatMm } from '@/core/1-base/units/length';
import { CHAIN_CLASSES, CHAIN_ROOM, chainClassOf } from '@/core/2-vehicle/tire/chain-room';
import QuantityField from '../kit/QuantityField.vue';
import { CHAIN_WORDS } from '../words';

type Allowances = NonNullable<LowgapSetup['allowances']>;
type Length = 'radiusToleranceMm' | 'sideToleranceMm' | 'growthMm';

/** What the tire tried may be beyond what it measures: its making, its growth, a chain on it. */
const props = defineProps<{ setup: LowgapSetup }>();
const emit = defineEmits<{ edit: [change: (setup: LowgapSetup) => void] }>();

const LENGTHS: readonly { field: Length; label: string }[] = [
  { field: 'radiusToleranceMm', label: 'May be taller, in radius' },
  { field: 'sideToleranceMm', label: 'May be wider, a side' },
  { field: 'growthMm', label: 'Grows in radius, at speed and in service' },
];

const allowances = computed<Allowances>(() => props.setup.allowances ?? {});
const chain = computed(() => {
  const room = allowances.value.chain;
  return room ? (chainClassOf(room) ?? 'own') : null;
});
const CHAINS = computed(() => [
  { value: null, title: 'no chain' },
  ...CHAIN_CLASSES.map((value) => ({ value, title: `${CHAIN_WORDS[value]}: ${roomWords(CHAIN_ROOM[value])}` })),
  ...(chain.value === 'own' ? [{ value: 'own', title: `its own: ${roomWords(allowances.value.chain!)}` }] : []),
]);
function roomWords({ treadMm, sidewallMm }: { treadMm: number; sidewallMm: number }): string {
  return `${formatMm(treadMm, 0)} mm off the tread, ${formatMm(sidewallMm, 0)} off the sidewall`;
}

function set(change: Partial<Allowances>, without?: keyof Allowances, typed?: string): void {
  emit('edit', (setup) => {
    const next = { ...setup.allowances, ...change };
    if (without) delete next[without];
    if (Object.keys(next).length) setup.allowances = next;
    else delete setup.allowances;
    const [field] = without ? [without] : Object.keys(change);
    const { [field!]: _old, ...kept } = setup.typed ?? {};
    setup.typed = typed === undefined ? kept : { ...kept, [field!]: typed };
  });
}
const setLength = (field: Length, value: number | undefined, typed: string | undefined): void =>
  value === undefined ? set({}, field) : set({ [field]: value }, undefined, typed);
const setChain = (of: string | null): void => {
  const found = CHAIN_CLASSES.find((one) => one === of);
  if (of === null) set({}, 'chain');
  else if (found) set({ chain: { ...CHAIN_ROOM[found] } });
};

const summary = computed(() => {
  const { radiusToleranceMm = 0, sideToleranceMm = 0, growthMm = 0 } = allowances.value;
  const said = [
    radiusToleranceMm + growthMm > 0 ? `${formatMm(radiusToleranceMm + growthMm)} mm taller in radius` : null,
    sideToleranceMm > 0 ? `${formatMm(sideToleranceMm)} mm wider a side` : null,
    chain.value ? 'a chain on it' : null,
  ].filter(Boolean);
  return said.length ? said.join(', ') : 'no more than it measures';
});
</script>

<template>
  <details data-testid="tire-may-be">
    <summary>
      <span>It may be more</span> <span class="muted small">{{ summary }}</span>
    </summary>
    <div class="stack">
      <QuantityField
        v-for="{ field, label } in LENGTHS"
        :key="field"
        :label="label"
        optional
        :value="allowances[field]"
        :typed="setup.typed?.[field]"
        :range="LIMITS.allowanceMm"
        @change="(value, typed) => setLength(field, value, typed)"
      />
      <v-select label="Room for a snow chain" :model-value="chain" :items="CHAINS" @update:model-value="setChain" />
      <p class="small muted">What the chain’s maker asks goes before these classes; some tires may not wear one.</p>
    </div>
  </details>
</template>

<style scoped src="../kit/folded.css"></style>
