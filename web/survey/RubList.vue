<script setup lang="ts">
import { computed, reactive, ref } from 'vue';
import type { z } from 'zod';
import type { LowgapObstacle } from '@/contracts/lowgap-file';
import type { rubSchema } from '@/contracts/obstacle-schema';
import EntryList from '../kit/EntryList.vue';

/** Marks already on a thing, and rubs the driver tells of: the fitted tire touches it somewhere in those postures. */
type Rub = z.output<typeof rubSchema>;

const props = defineProps<{ obstacle: LowgapObstacle }>();
const emit = defineEmits<{ change: [rubs: Rub[]] }>();

const adding = ref(false);
const form = reactive<{
  touches: boolean;
  seen: Rub['seen'];
  steer: Rub['steer'];
  height: Rub['height'];
  going: NonNullable<Rub['going']> | 'any';
  loaded: boolean;
  note: string;
}>({
  touches: true,
  seen: 'mark',
  steer: 'any',
  height: 'any',
  going: 'any',
  loaded: false,
  note: '',
});

const TOUCHES = [
  { value: true, title: 'It rubs' },
  { value: false, title: 'It does not rub' },
];
const SEEN = computed(() =>
  form.touches
    ? [
        { value: 'mark', title: 'A mark is on it' },
        { value: 'driver', title: 'The driver tells of it' },
      ]
    : [
        { value: 'mark', title: 'Looked for marks: none' },
        { value: 'driver', title: 'The driver says so' },
      ],
);
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
  const { touches, going, loaded, note, ...rest } = form;
  const rub: Rub = {
    ...rest,
    ...(touches ? {} : { touches }),
    ...(going === 'any' ? {} : { going }),
    ...(loaded ? { loaded } : {}),
    ...(note.trim() === '' ? {} : { note: note.trim() }),
  };
  emit('change', [...(props.obstacle.rubs ?? []), rub]);
  adding.value = false;
  form.note = '';
}

const SAID = {
  true: { mark: 'A mark is on it', driver: 'The driver tells of it' },
  false: { mark: 'No mark', driver: 'It does not rub, says the driver' },
} as const;
const words = (rub: Rub): string =>
  [
    SAID[`${rub.touches !== false}`][rub.seen],
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
  <section class="rubs" aria-label="Rubs today">
    <EntryList :entries="obstacle.rubs ?? []" :words="words" :removal="() => 'Remove this rub'" @remove="remove" />
    <v-btn v-if="!adding" variant="text" height="48" @click="adding = true">Rubs today, or not?</v-btn>
    <form v-else class="fields" @submit.prevent="add">
      <v-select v-model="form.touches" :items="TOUCHES" label="Today" />
      <v-select v-model="form.seen" :items="SEEN" label="How it is known" />
      <v-select v-model="form.steer" :items="STEER" label="Steering" />
      <v-select v-model="form.height" :items="HEIGHT" label="Height" />
      <v-select v-model="form.going" :items="GOING" label="Direction" />
      <v-text-field v-model="form.note" label="Where, in words" maxlength="300" autocomplete="off" />
      <v-checkbox v-model="form.loaded" label="Loaded" hide-details density="compact" />
      <div class="ends">
        <v-btn variant="text" height="48" @click="adding = false">Cancel</v-btn>
        <v-btn type="submit" variant="outlined" height="48">{{
          form.touches ? 'Add the rub' : 'Add that it does not'
        }}</v-btn>
      </div>
    </form>
  </section>
</template>

<style scoped>
.rubs {
  margin-top: 6px;
}
</style>
