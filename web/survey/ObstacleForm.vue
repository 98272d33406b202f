<script setup lang="ts">
import { computed, ref } from 'vue';
import type { LowgapCorner, LowgapObstacle } from '@/contracts/lowgap-file';
import { EDGE_KINDS, ROD_RUNS, type RodRun } from '@/core/3-survey/description/edge-kind';
import { LIMITS } from '@/core/1-base/limits';
import { MATERIALS, type Material } from '@/core/3-survey/shape/material';
import { PART_KINDS, type PartKind } from '@/core/3-survey/shape/part-kind';
import { defaultMount } from '@/core/3-survey/description/default-mount';
import { mountsOf } from '@/core/2-vehicle/motion/motion-description';
import type { Mount } from '@/core/2-vehicle/motion/mount';
import { vFirst } from '../kit/first-field';
import QuantityField from '../kit/QuantityField.vue';
import { EDGE_NAMES, MATERIAL_NAMES, MOUNT_NAMES, MOUNT_SAYS, PART_KIND_NAMES, ROD_RUN_NAMES } from '../words';

type ReadingsAs = NonNullable<LowgapObstacle['readingsAs']>;

/** A thing near the tire: what it is, what it moves with, whether its readings lie on one edge. */
const props = defineProps<{
  obstacle: LowgapObstacle | null;
  taken: readonly string[];
  motion: LowgapCorner['motion'];
}>();
const emit = defineEmits<{ done: [obstacle: LowgapObstacle]; cancel: [] }>();

const label = ref(props.obstacle?.label ?? props.obstacle?.id ?? '');
const material = ref<Material>(props.obstacle?.material ?? 'sheetMetal');
const mount = ref<Mount>(props.obstacle?.mount ?? defaultMount(material.value, props.motion));
/** Somebody said what it is fixed to; until then it follows from what it is. */
let isChosen = props.obstacle !== null && props.obstacle.mount !== defaultMount(material.value, props.motion);
function chooseMaterial(chosen: Material): void {
  material.value = chosen;
  if (!isChosen) mount.value = defaultMount(chosen, props.motion);
}
function chooseMount(chosen: Mount): void {
  mount.value = chosen;
  isChosen = true;
}
const readingsAs = ref<ReadingsAs>(props.obstacle?.readingsAs ?? 'points');
const runs = ref<RodRun>(props.obstacle?.form?.runs ?? 'across');
const rodDiameterMm = ref(props.obstacle?.form?.rodDiameterMm);
const boxMm = ref<(number | undefined)[]>([...(props.obstacle?.form?.boxMm ?? [undefined, undefined, undefined])]);
const ORDINARY = 'ordinary';
const part = ref<PartKind | typeof ORDINARY>(props.obstacle?.part ?? ORDINARY);
const removable = ref(props.obstacle?.removable ?? false);
const looked = ref(props.obstacle?.behind !== undefined);
const behind = ref<string[]>([...(props.obstacle?.behind ?? [])]);

const KINDS: readonly { value: ReadingsAs; title: string }[] = [
  { value: 'points', title: 'Separate places' },
  { value: 'polyline', title: 'Places on one edge, joined as read' },
  ...EDGE_KINDS.map((value) => ({ value, title: EDGE_NAMES[value] })),
];
const PARTS = [
  { value: ORDINARY, title: 'Nothing special' },
  ...PART_KINDS.map((value) => ({ value, title: PART_KIND_NAMES[value] })),
];
const RUNS = ROD_RUNS.map((value) => ({ value, title: ROD_RUN_NAMES[value] }));
const BOX_SIDES = ['Fore and aft', 'Across', 'Up'];
const others = computed(() => props.taken.filter((id) => id !== props.obstacle?.id));

function edgeForm(): Pick<LowgapObstacle, 'form'> {
  const round = readingsAs.value === 'rod' || readingsAs.value === 'tip';
  const [x, y, z] = boxMm.value;
  const whole = readingsAs.value === 'box' && x !== undefined && y !== undefined && z !== undefined;
  const form = {
    ...(readingsAs.value === 'rod' ? { runs: runs.value } : {}),
    ...(round && rodDiameterMm.value !== undefined ? { rodDiameterMm: rodDiameterMm.value } : {}),
    ...(whole ? { boxMm: [x, y, z] as [number, number, number] } : {}),
  };
  return Object.keys(form).length > 0 ? { form } : {};
}

const materials = MATERIALS.map((value) => ({ value, title: MATERIAL_NAMES[value] }));
const mounts = mountsOf(props.motion).map((value) => ({ value, title: MOUNT_NAMES[value] }));

function newId(name: string): string {
  const base =
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 50) || 'obstacle';
  let id = base;
  for (let n = 2; props.taken.includes(id); n++) id = `${base}-${n}`;
  return id;
}

function finish(): void {
  const name = label.value.trim();
  if (name === '') return;
  const {
    form: _form,
    part: _part,
    removable: _removable,
    behind: _behind,
    ...kept
  } = props.obstacle ?? { id: newId(name), readings: [] };
  emit('done', {
    ...kept,
    ...edgeForm(),
    ...(part.value === ORDINARY ? {} : { part: part.value }),
    ...(removable.value ? { removable: true } : {}),
    ...(removable.value && looked.value ? { behind: behind.value } : {}),
    label: name,
    material: material.value,
    mount: mount.value,
    readingsAs: readingsAs.value,
  });
}
</script>

<template>
  <form class="panel dialog" @submit.prevent="finish">
    <h2 class="panel-title">{{ obstacle ? 'Part' : 'Add something near the tire' }}</h2>
    <v-text-field
      v-model="label"
      label="What it is"
      placeholder="Fender lip, body mount, brake hose"
      v-first
      maxlength="80"
    />
    <v-select
      :model-value="material"
      :items="materials"
      label="Material: decides how much room it wants"
      @update:model-value="chooseMaterial"
    />
    <v-select
      :model-value="mount"
      :items="mounts"
      label="Fixed to"
      :hint="MOUNT_SAYS[mount]"
      persistent-hint
      @update:model-value="chooseMount"
    />
    <v-select v-model="readingsAs" :items="KINDS" label="What its readings make together" />
    <v-select v-if="readingsAs === 'rod'" v-model="runs" :items="RUNS" label="It runs" />
    <QuantityField
      v-if="readingsAs === 'rod' || readingsAs === 'tip'"
      optional
      :label="readingsAs === 'rod' ? 'Its diameter' : 'Diameter of its round end'"
      :value="rodDiameterMm"
      :range="LIMITS.rodDiameterMm"
      @change="(value) => (rodDiameterMm = value)"
    />
    <div v-if="readingsAs === 'box'" class="row">
      <QuantityField
        v-for="(side, i) in BOX_SIDES"
        :key="side"
        optional
        :label="side"
        :value="boxMm[i]"
        :range="LIMITS.boxMm"
        @change="(value) => (boxMm[i] = value)"
      />
    </div>
    <v-select v-model="part" :items="PARTS" label="It is" />
    <p v-if="part === 'crashBracket' || part === 'structure'" class="muted">
      {{
        part === 'structure'
          ? 'Restraint and crash structure is never changed for gap.'
          : 'Taking a crash bracket off is a decision of its own, with the owner’s consent.'
      }}
    </p>
    <v-checkbox v-model="removable" label="It can be unbolted" hide-details density="compact" />
    <template v-if="removable">
      <v-checkbox v-model="looked" label="Somebody has looked behind it" hide-details density="compact" />
      <v-select v-if="looked" v-model="behind" :items="others" multiple label="What stands behind it (none: nothing)" />
      <p v-else class="muted">Until then what is behind it counts as unknown, never as clear.</p>
    </template>
    <div class="ends">
      <v-btn variant="text" size="large" @click="emit('cancel')">Cancel</v-btn>
      <v-btn type="submit" color="primary" size="large" :disabled="label.trim() === ''">{{
        obstacle ? 'Change' : 'Add'
      }}</v-btn>
    </div>
  </form>
</template>
