<script setup lang="ts" generic="View extends string">
import { computed, nextTick, ref } from 'vue';

/** The views of a room, one of which is open: by pointer, or by arrow keys, Home and End once one has the focus. */
const open = defineModel<View>({ required: true });
const props = defineProps<{ views: Readonly<Record<View, string>>; label: string }>();

const names = computed(() => Object.keys(props.views) as View[]);
const bar = ref<HTMLElement>();

function move(event: KeyboardEvent): void {
  const count = names.value.length;
  const at = names.value.indexOf(open.value);
  const to = { ArrowRight: at + 1, ArrowLeft: at - 1 + count, Home: 0, End: count - 1 }[event.key];
  if (to === undefined) return;
  event.preventDefault();
  open.value = names.value[to % count]!;
  void nextTick(() => bar.value?.querySelectorAll('button')[to % count]?.focus());
}
</script>

<template>
  <nav ref="bar" class="scroll no-print" :aria-label="label" @keydown="move">
    <v-btn-toggle v-model="open" mandatory aria-label="View">
      <v-btn v-for="(title, view) in views" :key="view" :value="view" height="48">{{ title }}</v-btn>
    </v-btn-toggle>
  </nav>
</template>
