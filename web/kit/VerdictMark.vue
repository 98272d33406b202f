<script setup lang="ts">
import type { Verdict } from '@/core/4-clearance/case/standard';
import { VERDICT_WORDS } from '../words';

/** A verdict by word and shape: two lines apart, near, hardly apart, crossed; broken where it is not known. */
defineProps<{ verdict: Verdict; size?: number; bare?: boolean }>();
</script>

<template>
  <span class="mark" :class="`verdict-${verdict}`">
    <svg
      :width="size ?? 22"
      :height="size ?? 22"
      viewBox="0 0 24 24"
      aria-hidden="true"
      fill="none"
      stroke="currentColor"
      stroke-width="3"
    >
      <path v-if="verdict === 'clear'" d="M3 3a12 12 0 0 1 0 18M20 3v18" />
      <path v-else-if="verdict === 'close'" d="M8 3a12 12 0 0 1 0 18M18 3v18" />
      <path v-else-if="verdict === 'tooClose'" d="M13 3a12 12 0 0 1 0 18M18 3v18" />
      <path v-else-if="verdict === 'notKnown'" d="M6 3a12 12 0 0 1 0 18M20 3v18" stroke-dasharray="3 4" />
      <template v-else>
        <path d="M12 3a11 11 0 0 1 0 18z" fill="currentColor" />
        <path d="M12 2v20" stroke-width="4" />
      </template>
    </svg>
    <span v-if="!bare" class="word">{{ VERDICT_WORDS[verdict] }}</span>
  </span>
</template>

<style scoped>
.mark {
  display: inline-flex;
  align-items: center;
  gap: 4px;
}
.word {
  font-weight: 600;
}
</style>
