<script setup lang="ts">
import type { Verdict } from '@/core/clearance/standard';
import { VERDICT_WORDS } from '../words';

/** A verdict by word and shape: two lines apart, two lines near, two lines crossed. */
defineProps<{ verdict: Verdict; size?: number; bare?: boolean }>();
</script>

<template>
  <span class="mark" :class="`verdict-${verdict}`">
    <svg :width="size ?? 22" :height="size ?? 22" viewBox="0 0 24 24" aria-hidden="true" fill="none" stroke="currentColor" stroke-width="3">
      <path v-if="verdict === 'clear'" d="M3 4a14 14 0 0 0 0 16M21 4v16" />
      <path v-else-if="verdict === 'close'" d="M6 3a14 14 0 0 1 0 18M14 3v18" />
      <template v-else>
        <path d="M4 3a16 16 0 0 1 0 18" stroke-width="3" />
        <path d="M11 3h10v18H11z" fill="currentColor" stroke="none" opacity="0.35" />
        <path d="M8 3v18" />
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
