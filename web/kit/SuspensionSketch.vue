<script setup lang="ts">
import type { MotionDescription } from '@/core/2-vehicle/motion/motion-description';

/** One end of a suspension as somebody kneeling before the wheel sees it: wheel to the left, frame to the right. */
defineProps<{ type: MotionDescription['type'] }>();
</script>

<template>
  <svg viewBox="0 0 120 84" class="suspension" aria-hidden="true">
    <rect x="6" y="8" width="26" height="68" rx="7" class="tire" />
    <template v-if="type === 'doubleWishbone'">
      <path d="M88 14h22v52H88z" class="frame" />
      <path d="M38 24L88 20M38 60L88 56" class="arm" />
      <path d="M38 22v40" class="upright" />
      <path d="M62 56l6-4-6-5 6-4-6-5 6-4-6-5 4-5" class="spring" />
      <circle
        v-for="[x, y] in [
          [38, 24],
          [88, 20],
          [38, 60],
          [88, 56],
        ]"
        :key="`${x}${y}`"
        :cx="x"
        :cy="y"
        r="3.6"
        class="joint"
      />
    </template>
    <template v-else-if="type === 'macphersonStrut'">
      <path d="M46 4h60v10H46zM88 52h22v18H88z" class="frame" />
      <path d="M38 62L88 60" class="arm" />
      <path d="M38 62V48L58 14" class="upright" />
      <path d="M44 40l12 0-8-7 12 0-8-7 12 0-8-7" class="spring" />
      <circle
        v-for="[x, y] in [
          [38, 62],
          [88, 60],
          [58, 14],
        ]"
        :key="`${x}${y}`"
        :cx="x"
        :cy="y"
        r="3.6"
        class="joint"
      />
    </template>
    <template v-else-if="type === 'beamAxle'">
      <path d="M76 4h14v14H76z" class="frame" />
      <path d="M32 44h84" class="beam" />
      <path d="M104 30a14 14 0 0 1 14 14a14 14 0 0 1-14 14a14 14 0 0 1-14-14z" class="joint" />
      <path d="M56 40l8-3-8-4 8-3-8-4 8-3-8-4 6-3" class="spring" />
      <path d="M48 18h44" class="arm" />
    </template>
    <template v-else-if="type === 'trailingArm'">
      <path d="M70 6h42v10H70z" class="frame" />
      <path d="M36 54L96 32" class="beam" />
      <path d="M96 32V16" class="upright" />
      <path d="M60 44l7-3-7-4 7-3-7-4 7-3-7-4 5-4" class="spring" />
      <circle cx="96" cy="32" r="4" class="joint" />
    </template>
    <template v-else>
      <path d="M36 42C60 20 84 20 108 42" class="arm" stroke-dasharray="5 5" />
      <text x="72" y="62" text-anchor="middle" class="query">?</text>
    </template>
  </svg>
</template>

<style scoped>
.suspension {
  display: block;
}
.tire {
  fill: var(--ink);
}
.frame {
  fill: var(--ghost);
}
.arm,
.upright,
.spring,
.beam {
  fill: none;
  stroke: var(--ink);
  stroke-width: 4;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.beam {
  stroke-width: 8;
}
.spring {
  stroke-width: 2.5;
}
.joint {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 2.5;
}
.query {
  font-size: 26px;
  font-weight: 600;
  fill: var(--muted);
}
</style>
