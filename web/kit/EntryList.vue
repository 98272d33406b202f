<script setup lang="ts" generic="Entry">
import { mdiDeleteOutline } from '@mdi/js';

/** Things that were written down one after the other, each with a key that takes it out again. */
defineProps<{
  entries: readonly Entry[];
  /** What an entry says, unless the slot says it. */
  words: (entry: Entry) => string;
  /** What its key is called. */
  removal?: (entry: Entry) => string;
}>();
defineEmits<{ remove: [index: number] }>();
defineSlots<{ default?(slot: { entry: Entry; index: number }): unknown; keys?(slot: { entry: Entry }): unknown }>();
</script>

<template>
  <ul v-if="entries.length" class="entries">
    <li v-for="(entry, index) in entries" :key="index">
      <span class="grow"
        ><slot :entry="entry" :index="index">{{ words(entry) }}</slot></span
      >
      <slot name="keys" :entry="entry" />
      <v-btn
        size="48"
        variant="text"
        :icon="mdiDeleteOutline"
        :aria-label="removal ? removal(entry) : `Remove: ${words(entry)}`"
        @click="$emit('remove', index)"
      />
    </li>
  </ul>
</template>
