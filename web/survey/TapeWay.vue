<script setup lang="ts">
/** How the tape was held: straight out from the tire at the clock, or slid along the thing to where the gap is least. */
defineProps<{ nearest: boolean; only?: boolean }>();
const emit = defineEmits<{ choose: [nearest: boolean] }>();

const WAYS = [
  { nearest: false, title: 'Straight out', says: 'at the clock, square to the tire' },
  { nearest: true, title: 'Nearest', says: 'slid along it to where the gap is least' },
] as const;
</script>

<template>
  <div class="ways" role="radiogroup" aria-label="How the tape is held">
    <button
      v-for="way in WAYS"
      :key="way.title"
      type="button"
      role="radio"
      class="way"
      :aria-checked="way.nearest === nearest"
      :disabled="only && way.nearest !== nearest"
      @click="emit('choose', way.nearest)"
    >
      <!-- The tire below, a thing that leans above it, the tape between them. -->
      <svg viewBox="0 0 64 44" aria-hidden="true">
        <path d="M2 42a40 40 0 0 1 60 0" class="tire" />
        <path d="M4 20L60 4" class="thing" />
        <template v-if="way.nearest">
          <path d="M14 33L8 19" class="tape" />
          <path d="M22 9l-10 3m3-4l-3 4l5 1" class="slide" />
        </template>
        <path v-else d="M32 29V12" class="tape" />
      </svg>
      <span
        ><strong>{{ way.title }}</strong> <span class="says">{{ way.says }}</span></span
      >
    </button>
  </div>
</template>

<style scoped>
.ways {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px;
}
.way:not(.v-btn) {
  min-height: 52px;
  display: flex;
  align-items: center;
  gap: 6px;
  padding: 3px 6px;
  text-align: left;
  font-size: 15px;
  line-height: 17px;
  border: 1px solid var(--rule);
  border-radius: 4px;
}
.way[aria-checked='true'] {
  border-color: var(--accent);
  box-shadow: inset 0 0 0 2px var(--accent);
}
.says {
  font-size: 14px;
  color: var(--muted);
}
svg {
  width: 52px;
  flex: none;
  fill: none;
}
.tire {
  stroke: var(--ink);
  stroke-width: 3;
}
.thing {
  stroke: var(--muted);
  stroke-width: 4;
}
.tape {
  stroke: var(--accent);
  stroke-width: 3;
}
.slide {
  stroke: var(--accent);
  stroke-width: 1.5;
}
</style>
