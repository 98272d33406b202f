<script setup lang="ts">
import { computed } from 'vue';

/** Steer across, travel up: touch where it comes nearest. Arrow keys move the mark. */
const props = defineProps<{
  leftDeg: number;
  rightDeg: number;
  bumpMm: number;
  droopMm: number;
  parkedMm: number;
  steerDeg: number;
  travelMm: number;
  pointed: boolean;
  answer: { readonly steerDeg: number; readonly travelMm: number } | null;
}>();
const emit = defineEmits<{ point: [steerDeg: number, travelMm: number] }>();

const WIDTH = 300;
const HEIGHT = 260;
// Left lock is drawn to the left, as the driver turns.
const x = (deg: number): number => ((props.leftDeg - deg) / (props.leftDeg + props.rightDeg)) * WIDTH;
const y = (mm: number): number => ((props.bumpMm - mm) / (props.bumpMm + props.droopMm)) * HEIGHT;

function touch(event: MouseEvent): void {
  const box = (event.currentTarget as SVGElement).getBoundingClientRect();
  const [across, down] = [(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height];
  emit(
    'point',
    props.leftDeg - across * (props.leftDeg + props.rightDeg),
    props.bumpMm - down * (props.bumpMm + props.droopMm),
  );
}
const STEP = { deg: 4, mm: 10 };
const clamp = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value));
function key(event: KeyboardEvent): void {
  const by = { ArrowLeft: [1, 0], ArrowRight: [-1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
  if (!by) return;
  event.preventDefault();
  emit(
    'point',
    clamp(props.steerDeg + by[0]! * STEP.deg, -props.rightDeg, props.leftDeg),
    clamp(props.travelMm + by[1]! * STEP.mm, -props.droopMm, props.bumpMm),
  );
}
const says = computed(() =>
  props.pointed
    ? `${Math.abs(props.steerDeg).toFixed(0)} degrees ${props.steerDeg >= 0 ? 'left' : 'right'}, ${props.travelMm.toFixed(0)} mm`
    : 'nothing pointed at yet',
);
</script>

<template>
  <figure>
    <svg
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      role="application"
      tabindex="0"
      :aria-label="`Steer across, travel up: ${says}`"
      data-testid="posture-pad"
      @click="touch"
      @keydown="key"
    >
      <rect class="frame" x="1" y="1" :width="WIDTH - 2" :height="HEIGHT - 2" />
      <path class="mid" :d="`M${x(0)} 0V${HEIGHT}M0 ${y(parkedMm)}H${WIDTH}`" />
      <text x="8" y="20">left lock, bump</text>
      <text :x="WIDTH - 8" :y="HEIGHT - 8" text-anchor="end">right lock, droop</text>
      <text :x="WIDTH - 8" :y="y(parkedMm) - 6" text-anchor="end">parked</text>
      <circle v-if="pointed" class="own" :cx="x(steerDeg)" :cy="y(travelMm)" r="10" />
      <path
        v-if="answer"
        class="answer"
        :d="`M${x(answer.steerDeg) - 12} ${y(answer.travelMm) - 12}l24 24m0 -24l-24 24`"
      />
    </svg>
    <figcaption class="muted">Steer across, travel up. Ring: yours; cross: the engine’s.</figcaption>
  </figure>
</template>

<style scoped>
svg {
  width: 100%;
  max-height: 40vh;
  cursor: crosshair;
  font-size: 14px;
  fill: var(--ink);
}
.frame {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.mid {
  stroke: var(--rule);
  fill: none;
}
.own {
  fill: none;
  stroke: var(--accent);
  stroke-width: 5;
}
.answer {
  stroke: var(--ink);
  stroke-width: 5;
}
</style>
