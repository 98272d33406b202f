<script setup lang="ts">
import { READING_PLACES, type ReadingPlace } from '@/core/obstacle/reading';
import { ACROSS_NAMES } from '../words';

/** The tire cut across: which of five places the tape starts from. Inboard to the left. */
defineProps<{ across: ReadingPlace; plain?: boolean }>();
const emit = defineEmits<{ choose: [across: ReadingPlace] }>();

const SPOTS: Readonly<Record<ReadingPlace, { x: number; y: number }>> = {
  innerSidewall: { x: 62, y: 66 },
  innerShoulder: { x: 80, y: 26 },
  tread: { x: 150, y: 16 },
  outerShoulder: { x: 220, y: 26 },
  outerSidewall: { x: 238, y: 66 },
};
const IN_ORDER: readonly ReadingPlace[] = ['innerSidewall', 'innerShoulder', 'tread', 'outerShoulder', 'outerSidewall'];
const short = (place: ReadingPlace): string => ACROSS_NAMES[place];
if (IN_ORDER.length !== READING_PLACES.length) throw new Error('every place needs a spot');
</script>

<template>
  <div class="across">
    <svg v-if="!plain" viewBox="0 0 300 112" aria-hidden="true">
      <path d="M92 104C50 92 56 40 78 24Q86 16 98 16H202Q214 16 222 24C244 40 250 92 208 104" class="tire" />
      <circle
        v-for="place in IN_ORDER"
        :key="place"
        :cx="SPOTS[place].x"
        :cy="SPOTS[place].y"
        :r="place === across ? 10 : 6"
        :class="{ on: place === across }"
      />
      <text x="6" y="106">inboard</text>
      <text x="246" y="106">outboard</text>
    </svg>
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
svg {
  width: 100%;
  max-height: 76px;
}
.tire {
  fill: none;
  stroke: var(--ink);
  stroke-width: 3;
}
circle {
  fill: var(--ghost);
}
circle.on {
  fill: var(--accent);
}
text {
  font-size: 13px;
  fill: var(--muted);
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
