<script setup lang="ts">
import { computed } from 'vue';

/**
 * A wheel as somebody sees it who faces it, about (0, 0), in the drawing's own lengths: spokes, bore and stud holes, and the tire where
 * one is on. Colors are attributes, so that a picture kept as a file has them too.
 */
const props = withDefaults(
  defineProps<{
    rimRadius: number;
    /** None: the wheel alone. */
    tireRadius?: number;
    studs?: number;
    circleRadius?: number;
    boreRadius?: number;
    colors?: { readonly rubber: string; readonly metal: string; readonly shade: string; readonly hole: string };
  }>(),
  {
    tireRadius: 0,
    studs: 5,
    circleRadius: 0,
    boreRadius: 0,
    colors: () => ({ rubber: 'var(--rubber)', metal: 'var(--metal)', shade: 'var(--ghost)', hole: 'var(--paper)' }),
  },
);

const SPOKES = [0, 72, 144, 216, 288];
const LUGS = Array.from({ length: 36 }, (_, i) => 10 * i);
const circle = computed(() => props.circleRadius || 0.19 * props.rimRadius);
const bore = computed(() => props.boreRadius || 0.6 * circle.value);
const hub = computed(() => Math.min(0.7 * props.rimRadius, 1.3 * circle.value));
const nuts = computed(() => Array.from({ length: props.studs }, (_, i) => (360 * (i + 0.5)) / props.studs));
const spoke = computed(() => {
  const [r, w] = [props.rimRadius, props.rimRadius / 7];
  return `M${-w} ${-hub.value * 0.8}L${-1.3 * w} ${-0.91 * r}Q0 ${-0.97 * r} ${1.3 * w} ${-0.91 * r}L${w} ${-hub.value * 0.8}Z`;
});
const lug = computed(() => {
  const [r, w] = [props.tireRadius, props.tireRadius / 28];
  return `M${-w} ${-1.024 * r}H${w}L${0.67 * w} ${-0.92 * r}H${-0.67 * w}Z`;
});
</script>

<template>
  <g aria-hidden="true">
    <template v-if="tireRadius">
      <circle :r="tireRadius" :fill="colors.rubber" />
      <path v-for="a in LUGS" :key="a" :transform="`rotate(${a})`" :d="lug" :fill="colors.rubber" />
      <circle :r="1.05 * rimRadius" fill="none" :stroke="colors.shade" :stroke-width="0.014 * rimRadius" />
    </template>
    <circle :r="rimRadius" :fill="colors.metal" />
    <path v-for="a in SPOKES" :key="`s${a}`" :transform="`rotate(${a})`" :d="spoke" :fill="colors.shade" />
    <circle :r="hub" :fill="colors.shade" />
    <circle :r="bore" :fill="colors.metal" />
    <circle
      v-for="a in nuts"
      :key="`n${a}`"
      :transform="`rotate(${a})`"
      cx="0"
      :cy="-circle"
      :r="Math.max(0.033 * rimRadius, 0.09 * circle)"
      :fill="colors.hole"
    />
  </g>
</template>
