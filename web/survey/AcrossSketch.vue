<script setup lang="ts">
import { READING_PLACES, type ReadingPlace } from '@/core/3-survey/reading/reading';

/** The tire cut across, inboard to the left: which of five places the tape starts from. */
defineProps<{ across: ReadingPlace }>();

const SPOTS: Readonly<Record<ReadingPlace, { x: number; y: number }>> = {
  innerSidewall: { x: 62, y: 66 },
  innerShoulder: { x: 80, y: 26 },
  tread: { x: 150, y: 16 },
  outerShoulder: { x: 220, y: 26 },
  outerSidewall: { x: 238, y: 66 },
};
</script>

<template>
  <svg viewBox="0 0 300 112" aria-hidden="true">
    <path d="M92 104C50 92 56 40 78 24Q86 16 98 16H202Q214 16 222 24C244 40 250 92 208 104" class="tire" />
    <circle
      v-for="place in READING_PLACES"
      :key="place"
      :cx="SPOTS[place].x"
      :cy="SPOTS[place].y"
      :r="place === across ? 10 : 6"
      :class="{ on: place === across }"
    />
    <text x="6" y="106">inboard</text>
    <text x="246" y="106">outboard</text>
  </svg>
</template>

<style scoped>
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
</style>
