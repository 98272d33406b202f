<script setup lang="ts">
import { READING_PLACES, type ReadingPlace } from '@/core/3-survey/reading/reading';
import { ACROSS_NAMES } from '../words';
import AcrossSketch from './AcrossSketch.vue';

/** Which of five places across the tire the tape starts from. */
defineProps<{ across: ReadingPlace; plain?: boolean }>();
const emit = defineEmits<{ choose: [across: ReadingPlace] }>();

const IN_ORDER: readonly ReadingPlace[] = ['innerSidewall', 'innerShoulder', 'tread', 'outerShoulder', 'outerSidewall'];
const short = (place: ReadingPlace): string => ACROSS_NAMES[place];
if (IN_ORDER.length !== READING_PLACES.length) throw new Error('every place needs a spot');
</script>

<template>
  <div class="across">
    <AcrossSketch v-if="!plain" :across="across" />
    <div class="places" role="radiogroup" aria-label="Place across the tire">
      <button
        v-for="place in IN_ORDER"
        :key="place"
        type="button"
        role="radio"
        :aria-checked="place === across"
        class="place"
        @click="emit('choose', place)"
      >
        {{ short(place) }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.across {
  display: grid;
  gap: 4px;
}
.places {
  display: grid;
  grid-template-columns: repeat(5, 1fr);
  gap: 4px;
}
.place {
  min-height: 48px;
  font-size: 15px;
  line-height: 17px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  padding: 2px;
}
.place[aria-checked='true'] {
  border-color: var(--accent);
  box-shadow: inset 0 0 0 2px var(--accent);
  font-weight: 600;
}
</style>
