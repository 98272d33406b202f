<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue';
import {
  tireItemSchema,
  tireShapeFields,
  wheelInsideFields,
  wheelItemSchema,
  spacerItemSchema,
  type CatalogueItem,
  type CatalogueKind,
} from '@/contracts/catalogue';
import type { LowgapSetup } from '@/contracts/lowgap-file';
import { attempt } from '@/core/1-base/problem';
import { tireOf } from '@/core/2-vehicle/tire/tire-shape';
import { parseTireSize } from '@/core/2-vehicle/tire/size';
import { formatMm } from '@/core/1-base/units/length';
import { api } from '../api';
import { TIRE_KIND_WORDS } from '../words';
import DialogBox from '../kit/DialogBox.vue';

/** Tires, wheels and spacers of the shop's catalogue, to be tried with one press. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ rimIn: number }>();
const emit = defineEmits<{ edit: [change: (setup: LowgapSetup) => void] }>();

const items = shallowRef<readonly CatalogueItem[]>([]);
const state = ref<'loading' | 'here' | 'unreachable'>('loading');
const kind = ref<CatalogueKind>('tire');
const search = ref('');

watch(open, async (now) => {
  if (!now) return;
  state.value = 'loading';
  const listed = await api.listCatalogue();
  state.value = listed.ok ? 'here' : 'unreachable';
  if (listed.ok) items.value = listed.value.items;
});

interface Row {
  readonly id: string;
  readonly name: string;
  readonly detail: string;
  /** Does not go on the rim that is tried. */
  readonly otherRim: boolean;
  readonly apply: (setup: LowgapSetup) => void;
}

function rowOf({ id, kind: of, data }: CatalogueItem): Row | null {
  if (of === 'tire') {
    const read = tireItemSchema.safeParse(data);
    const size = read.success ? attempt(() => parseTireSize(read.data.size)) : null;
    if (!read.success || !size?.ok) return null;
    const {
      size: text,
      label,
      kind: made,
      measuredDiameterMm,
      radiusToleranceMm,
      sideToleranceMm,
      growthMm,
    } = read.data;
    const beyond = withoutUndefined({ radiusToleranceMm, sideToleranceMm, growthMm });
    const measured = measuredDiameterMm ? `measured ${formatMm(measuredDiameterMm, 0)} mm` : '';
    return {
      id,
      name: text,
      detail: [label, made && TIRE_KIND_WORDS[made], measured].filter(Boolean).join(', '),
      otherRim: size.value.rimDiameterIn !== props.rimIn,
      apply: (setup) => {
        setup.tire = tireOf(read.data) as LowgapSetup['tire'];
        // Room for a chain is asked of any tire; what the one before might be went with it.
        const chain = setup.allowances?.chain;
        setup.allowances = { ...beyond, ...(chain ? { chain } : {}) };
        if (Object.keys(setup.allowances).length === 0) delete setup.allowances;
        forget(setup, [...Object.keys(tireShapeFields), ...TOLERANCES]);
      },
    };
  }
  if (of === 'wheel') {
    const read = wheelItemSchema.safeParse(data);
    if (!read.success) return null;
    const { diameterIn, widthIn, offsetMm, backspacingMm, studPocketMm, label, insideDiameterMm, dropCentreInsideMm } =
      read.data;
    const stands = offsetMm === undefined ? `backspacing ${formatMm(backspacingMm ?? 0)} mm` : `offset ${offsetMm} mm`;
    return {
      id,
      name: `${diameterIn} x ${widthIn}`,
      detail: [stands, label].filter(Boolean).join(', '),
      otherRim: diameterIn !== props.rimIn,
      apply: (setup) => {
        const stand = offsetMm === undefined ? { backspacingMm: backspacingMm ?? 0 } : { offsetMm };
        const measured = withoutUndefined({ studPocketMm, insideDiameterMm, dropCentreInsideMm });
        setup.wheel = { diameterIn, widthIn, ...stand, ...measured };
        forget(setup, [
          ...Object.keys(wheelInsideFields),
          'diameterIn',
          'widthIn',
          'offsetMm',
          'backspacingMm',
          'studPocketMm',
        ]);
      },
    };
  }
  const read = spacerItemSchema.safeParse(data);
  if (!read.success) return null;
  const { thicknessMm, type, label } = read.data;
  return {
    id,
    name: `${formatMm(thicknessMm)} mm`,
    detail: [type === 'boltOn' ? 'bolt-on' : 'slip-on', label].filter(Boolean).join(', '),
    otherRim: false,
    apply: (setup) => {
      setup.spacerMm = thicknessMm;
      setup.spacerType = type ?? 'slipOn';
      forget(setup, ['spacerMm']);
    },
  };
}

const TOLERANCES = ['radiusToleranceMm', 'sideToleranceMm', 'growthMm'];
const withoutUndefined = <T extends object>(said: T): T =>
  Object.fromEntries(Object.entries(said).filter(([, value]) => value !== undefined)) as T;

/** What was typed for fields that now hold something else. */
function forget(setup: LowgapSetup, fields: readonly string[]): void {
  if (setup.typed) setup.typed = Object.fromEntries(Object.entries(setup.typed).filter(([f]) => !fields.includes(f)));
}

const rows = computed(() =>
  items.value
    .filter((item) => item.kind === kind.value)
    .flatMap((item) => rowOf(item) ?? [])
    .filter(({ name, detail }) => `${name} ${detail}`.toLowerCase().includes(search.value.trim().toLowerCase()))
    .sort((a, b) => Number(a.otherRim) - Number(b.otherRim)),
);

function take(row: Row): void {
  emit('edit', row.apply);
  open.value = false;
}

const KINDS = [
  { value: 'tire', title: 'Tires' },
  { value: 'wheel', title: 'Wheels' },
  { value: 'spacer', title: 'Spacers' },
] as const;
</script>

<template>
  <DialogBox v-model="open" label="From the catalog" :width="560">
    <div class="panel dialog">
      <h2 class="panel-title">From the catalog</h2>
      <v-btn-toggle v-model="kind" aria-label="What to take">
        <v-btn v-for="one in KINDS" :key="one.value" :value="one.value" height="48">{{ one.title }}</v-btn>
      </v-btn-toggle>
      <v-text-field v-model="search" label="Search" clearable autocomplete="off" />
      <p v-if="state === 'loading'" class="muted">Reading the catalog</p>
      <p v-else-if="state === 'unreachable'" class="verdict-rubs" role="alert">
        The server does not answer, so the catalog cannot be read. A size can still be typed.
      </p>
      <p v-else-if="!rows.length" class="muted">
        Nothing of this kind
        {{ search ? 'matches' : 'is in the catalog yet; add it under Tires and wheels on the bay board' }}.
      </p>
      <ul class="ruled">
        <li v-for="row in rows" :key="row.id">
          <button type="button" class="line-key tire" @click="take(row)">
            <strong class="figures">{{ row.name }}</strong>
            <span class="muted">{{ row.detail }}</span>
            <span v-if="row.otherRim" class="verdict-close">another rim diameter</span>
          </button>
        </li>
      </ul>
      <div class="keys ends"><v-btn height="48" variant="outlined" @click="open = false">Close</v-btn></div>
    </div>
  </DialogBox>
</template>

<style scoped>
.tire {
  grid-template-columns: 140px minmax(0, 1fr) auto;
}
</style>
