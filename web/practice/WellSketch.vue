<script setup lang="ts">
import { polygonHull } from 'd3-polygon';
import { computed } from 'vue';
import type { PracticeThing } from '@/core/6-decisions/practice/task';
import { THING_NAMES } from './practice-words';

/** The well from the side and from above: touch the thing meant. Front to the right; true to scale. */
const props = defineProps<{
  things: readonly PracticeThing[];
  tireDiameterMm: number;
  tireWidthMm: number;
  centrePlaneMm: number;
  chosen: string;
  answer: string | null;
}>();
const emit = defineEmits<{ choose: [id: string] }>();

const VIEWS = [
  { name: 'From the side', across: 0, up: 2, sign: -1 },
  { name: 'From above, outboard down', across: 0, up: 1, sign: 1 },
] as const;
type View = (typeof VIEWS)[number];
const HALF = 560;
const at = (view: View, point: readonly number[]): string => `${point[view.across]!},${view.sign * point[view.up]!}`;
function path(view: View, { points, solid }: PracticeThing): string {
  if (points.length === 1) return `M${at(view, points[0]!)}l0.1 0`;
  const hull = solid
    ? polygonHull(points.map((point): [number, number] => [point[view.across]!, view.sign * point[view.up]!]))
    : null;
  return hull ? `M${hull.join('L')}Z` : `M${points.map((point) => at(view, point)).join('L')}`;
}
const middle = (view: View, thing: PracticeThing): { x: number; y: number } => {
  const n = thing.points.length;
  const mean = (axis: number): number => thing.points.reduce((sum, point) => sum + point[axis]!, 0) / n;
  return { x: mean(view.across), y: view.sign * mean(view.up) };
};
const tire = computed(() => {
  const r = props.tireDiameterMm / 2;
  const inner = props.centrePlaneMm - props.tireWidthMm / 2;
  return { r, inner };
});
</script>

<template>
  <div class="sketches">
    <figure v-for="v in VIEWS" :key="v.name">
      <svg :viewBox="`${-HALF} ${-HALF} ${2 * HALF} ${2 * HALF}`" role="group" :aria-label="v.name">
        <circle v-if="v.up === 2" class="tire" cx="0" cy="0" :r="tire.r" />
        <rect v-else class="tire" :x="-tire.r" :y="tire.inner" :width="2 * tire.r" :height="tireWidthMm" rx="40" />
        <g
          v-for="t in things"
          :key="t.id"
          class="thing"
          :class="{ chosen: t.id === chosen, answer: t.id === answer }"
          role="button"
          tabindex="0"
          :aria-pressed="t.id === chosen"
          :aria-label="THING_NAMES[t.id] ?? t.id"
          @click="emit('choose', t.id)"
          @keydown.enter.prevent="emit('choose', t.id)"
          @keydown.space.prevent="emit('choose', t.id)"
        >
          <path class="reach" :d="path(v, t)" />
          <path class="line" :d="path(v, t)" />
          <circle v-if="t.points.length === 1" class="dot" :cx="middle(v, t).x" :cy="middle(v, t).y" r="16" />
          <text
            :x="Math.min(HALF - 130, Math.max(130 - HALF, middle(v, t).x))"
            :y="middle(v, t).y - 24"
            text-anchor="middle"
          >
            {{ THING_NAMES[t.id] ?? t.id }}
          </text>
        </g>
      </svg>
      <figcaption class="muted">{{ v.name }}</figcaption>
    </figure>
  </div>
</template>

<style scoped>
.sketches {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(300px, 100%), 1fr));
  gap: 10px;
}
svg {
  width: 100%;
  max-height: 52vh;
  font-size: 46px;
  fill: var(--ink);
}
.tire {
  fill: none;
  stroke: var(--ghost);
  stroke-width: 12;
}
.thing {
  cursor: pointer;
}
.reach {
  fill: none;
  stroke: transparent;
  stroke-width: 90;
  stroke-linecap: round;
}
.line {
  fill: none;
  stroke: var(--ink);
  stroke-width: 9;
  stroke-linecap: round;
}
.dot {
  fill: var(--ink);
}
.chosen .dot {
  fill: var(--accent);
}
.chosen .line {
  stroke: var(--accent);
  stroke-width: 22;
}
.answer .line {
  stroke-dasharray: 34 22;
  stroke-width: 22;
}
</style>
