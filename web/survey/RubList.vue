<script setup lang="ts">
import { reactive, ref } from 'vue';
import type { z } from 'zod';
import type { LowgapObstacle } from '@/contracts/lowgap-file';
import type { rubSchema } from '@/contracts/lowgap-file';
import EntryList from '../kit/EntryList.vue';

/** Marks already on a thing, and rubs the driver tells of: the fitted tire touches it somewhere in those postures. */
type Rub = z.output<typeof rubSchema>;

const props = defineProps<{ obstacle: LowgapObstacle }>();
const emit = defineEmits<{ change: [rubs: Rub[]] }>();

const adding = ref(false);
const form = reactive<{
  seen: Rub['seen'];
  steer: Rub['steer'];
  height: Rub['height'];
  going: NonNullable<Rub['going']> | 'any';
  loaded: boolean;
  note: string;
}>({
  seen: 'mark',
  steer: 'any',
  height: 'any',
  going: 'any',
  loaded: false,
  note: '',
});

const SEEN = [
  { value: 'mark', title: 'A mark is on it' },
  { value: 'driver', title: 'The driver tells of it' },
];
const STEER = [
  { value: 'any', title: 'steering not known' },
  { value: 'left', title: 'turning left' },
  { value: 'right', title: 'turning right' },
  { value: 'straight', title: 'straight ahead' },
];
const HEIGHT = [
  { value: 'any', title: 'height not known' },
  { value: 'ride', title: 'at ride height' },
  { value: 'bump', title: 'over bumps' },
];
const GOING = [
  { value: 'any', title: 'either way' },
  { value: 'forward', title: 'going forward' },
  { value: 'reverse', title: 'in reverse' },
];
const titleOf = (all: readonly { value: string; title: string }[], value: string): string =>
  all.find((a) => a.value === value)!.title;

function add(): void {
  const { going, loaded, note, ...rest } = form;
  const rub: Rub = {
    ...rest,
    ...(going === 'any' ? {} : { going }),
    ...(loaded ? { loaded } : {}),
    ...(note.trim() === '' ? {} : { note: note.trim() }),
  };
  emit('change', [...(props.obstacle.rubs ?? []), rub]);
  adding.value = false;
  form.note = '';
}

const words = (rub: Rub): string =>
  [
    titleOf(SEEN, rub.seen),
    titleOf(STEER, rub.steer),
    titleOf(HEIGHT, rub.height),
    ...(rub.going ? [titleOf(GOING, rub.going)] : []),
    ...(rub.loaded ? ['loaded'] : []),
    ...(rub.note ? [rub.note] : []),
  ].join(', ');

const remove = (index: number): void =>
  emit(
    'change',
    (props.obstacle.rubs ?? []).filter((_, i) => i !== index),
  );
</script>

<template>
  <section class="rubs" aria-label="Rubs already there">
    <EntryList :entries="obstacle.rubs ?? []" :words="words" :removal="() => 'Remove this rub'" @remove="remove" />
    <v-btn v-if="!adding" variant="text" height="48" @click="adding = true">Rubs already?</v-btn>
    <form v-else class="fields" @submit.prevent="add">
      <v-select v-model="form.seen" :items="SEEN" label="How it is known" />
      <v-select v-model="form.steer" :items="STEER" label="Steering" />
      <v-select v-model="form.height" :items="HEIGHT" label="Height" />
      <v-select v-model="form.going" :items="GOING" label="Direction" />
      <v-text-field v-model="form.note" label="Where, in words" maxlength="300" autocomplete="off" />
      <v-checkbox v-model="form.loaded" label="Loaded" hide-details density="compact" />
      <div class="ends">
        <v-btn variant="text" height="48" @click="adding = false">Cancel</v-btn>
        <v-btn type="submit" variant="outlined" height="48">Add the rub</v-btn>
      </div>
    </form>
  </section>
</template>

<style scoped>
.rubs {
  margin-top: 6px;
}
</style>
