<script setup lang="ts">
import { ref } from 'vue';
import type { LowgapCorner, LowgapObstacle } from '@/contracts/lowgap-file';
import { MATERIALS, type Material } from '@/core/obstacle/material';
import { mountsOf } from '@/core/motion/motion-description';
import type { Mount } from '@/core/motion/mount';
import { MATERIAL_NAMES, MOUNT_NAMES } from '../words';

/** A thing near the tire: what it is, what it moves with, whether its readings lie on one edge. */
const props = defineProps<{
  obstacle: LowgapObstacle | null;
  taken: readonly string[];
  motion: LowgapCorner['motion'];
}>();
const emit = defineEmits<{ done: [obstacle: LowgapObstacle]; cancel: [] }>();

const label = ref(props.obstacle?.label ?? props.obstacle?.id ?? '');
const material = ref<Material>(props.obstacle?.material ?? 'sheetMetal');
const mount = ref<Mount>(props.obstacle?.mount ?? 'body');
const edge = ref(props.obstacle?.readingsAs === 'polyline');

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
  emit('done', {
    ...(props.obstacle ?? { id: newId(name), readings: [] }),
    label: name,
    material: material.value,
    mount: mount.value,
    readingsAs: edge.value ? 'polyline' : 'points',
  });
}
</script>

<template>
  <form class="panel form" @submit.prevent="finish">
    <h2 class="panel-title">{{ obstacle ? 'Obstacle' : 'Add something near the tire' }}</h2>
    <v-text-field
      v-model="label"
      label="What it is"
      placeholder="Fender lip, body mount, brake hose"
      autofocus
      maxlength="80"
    />
    <v-select v-model="material" :items="materials" label="Material: decides how much room it wants" />
    <v-select v-model="mount" :items="mounts" label="Fixed to" />
    <v-checkbox v-model="edge" label="Its readings lie on one edge, like a fender lip" hide-details density="compact" />
    <div class="keys">
      <v-btn variant="text" size="large" @click="emit('cancel')">Cancel</v-btn>
      <v-btn type="submit" color="primary" size="large" :disabled="label.trim() === ''">{{
        obstacle ? 'Change' : 'Add'
      }}</v-btn>
    </div>
  </form>
</template>

<style scoped>
.form {
  padding: 20px;
  display: grid;
  gap: 14px;
}
.keys {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
}
</style>
