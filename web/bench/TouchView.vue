<script setup lang="ts">
import { line } from 'd3-shape';
import { computed } from 'vue';
import type { ObstacleVerdict } from '@/core/4-clearance/verdict/evaluate';
import { formatMm } from '@/core/1-base/units/length';
import type { TouchSection } from '@/core/4-clearance/pictures/touch-section';

/** The cut through the axle line and the picked place: here the gap is drawn in its true length. */
const props = defineProps<{ section: TouchSection; picked: ObstacleVerdict; gapMm: number }>();

const path = line<readonly [number, number]>(
  ([a]) => a,
  ([, r]) => -r,
);
/** Window: the obstacle's place in the middle, wide enough to see the shoulder it meets. */
const box = computed(() => {
  const [a, r] = props.section.obstacle;
  const half = Math.max(150, Math.abs(props.gapMm) * 1.6);
  const middle = { a: (a + props.section.nearest[0]) / 2, r: (r + props.section.nearest[1]) / 2 };
  return { x: middle.a - half, y: -middle.r - half, size: 2 * half };
});
const unit = computed(() => box.value.size / 300);
const label = computed(() => {
  const [a, r] = props.section.obstacle;
  const toRight = a > box.value.x + box.value.size * 0.62;
  return { x: a + (toRight ? -14 : 14) * unit.value, y: -r - 16 * unit.value, anchor: toRight ? 'end' : 'start' };
});
</script>

<template>
  <figure class="drawing">
    <figcaption>At the touching place <span class="muted">outboard →</span></figcaption>
    <svg
      class="steady"
      :viewBox="`${box.x} ${box.y} ${box.size} ${box.size}`"
      role="img"
      :aria-label="`Gap ${formatMm(gapMm)} mm to ${picked.label}`"
    >
      <path :d="path(section.tried) + 'Z'" class="tried" />
      <path :d="path(section.fitted) + 'Z'" class="fitted" />
      <circle
        :cx="section.obstacle[0]"
        :cy="-section.obstacle[1]"
        :r="Math.max(picked.requiredMm, 0.1)"
        class="wanted"
      />
      <path
        :d="`M${section.nearest[0]} ${-section.nearest[1]}L${section.obstacle[0]} ${-section.obstacle[1]}`"
        class="gap"
      />
      <circle
        :cx="section.obstacle[0]"
        :cy="-section.obstacle[1]"
        :r="4.5 * unit"
        class="place"
        :class="`verdict-${picked.verdict}`"
      />
      <text :x="label.x" :y="label.y" :text-anchor="label.anchor" :font-size="19 * unit">{{ formatMm(gapMm) }} mm</text>
      <g :transform="`translate(${box.x + 12 * unit} ${box.y + box.size - 12 * unit})`" class="scale">
        <path :d="`M0 ${-5 * unit}v${5 * unit}h50v${-5 * unit}`" />
        <text x="54" :y="2 * unit" :font-size="13 * unit">50 mm</text>
      </g>
    </svg>
  </figure>
</template>

<style scoped>
svg {
  aspect-ratio: 1;
}
.tried {
  fill: rgb(var(--v-theme-primary), 0.16);
  stroke: var(--accent);
  stroke-width: 2;
}
.fitted {
  fill: none;
  stroke: var(--ghost);
  stroke-width: 1.5;
  stroke-dasharray: 5 4;
}
.wanted {
  fill: none;
  stroke: var(--muted);
  stroke-dasharray: 3 3;
}
.gap {
  stroke: var(--ink);
  stroke-width: 2.5;
}
.place {
  fill: currentColor;
}
text {
  font-family: var(--figures);
  font-weight: 600;
  fill: var(--ink);
  paint-order: stroke;
  stroke: rgb(var(--v-theme-surface));
  stroke-width: 4px;
  stroke-linejoin: round;
}
.scale path {
  stroke: var(--muted);
  fill: none;
  stroke-width: 1.5;
}
.scale text {
  fill: var(--muted);
  font-weight: 500;
}
</style>
