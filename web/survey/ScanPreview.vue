<script setup lang="ts">
import { computed } from 'vue';
import type { LowgapObstacle } from '@/contracts/lowgap-file';

/** The fitted tire upright on its hub, mm: radius, and its sidewalls from the hub face, + outboard. */
export interface TireBox {
  readonly radiusMm: number;
  readonly innerMm: number;
  readonly outerMm: number;
}

/** A scan's parts as they were understood, from the side and from the front, beside the fitted tire: looked at before they count. */
const props = defineProps<{ parts: readonly LowgapObstacle[]; tire: TireBox }>();

/** Points drawn of one part: enough to know it by. */
const MOST_DRAWN = 700;

type Point = readonly [number, number, number];
const drawn = computed(() =>
  props.parts.map((part, i) => {
    const points = (part.shape?.points ?? []) as readonly Point[];
    const step = Math.max(1, Math.ceil(points.length / MOST_DRAWN));
    return {
      name: part.label ?? part.id,
      points: points.filter((_, at) => at % step === 0),
      tone: 1 - 0.6 * (i / Math.max(1, props.parts.length)),
      number: i + 1,
    };
  }),
);

const VIEWS = [
  { name: 'From the side, front to the right', across: 0 },
  { name: 'From the front, outboard to the right', across: 1 },
] as const;

/** Everything drawn, and the tire, with a margin; mm. */
const box = (across: 0 | 1) => {
  const all = drawn.value.flatMap(({ points }) => points);
  const { radiusMm: r, innerMm, outerMm } = props.tire;
  const xs = [...all.map((point) => point[across]), ...(across === 0 ? [-r, r] : [innerMm, outerMm])];
  const zs = [...all.map((point) => point[2]), -r, r];
  const [left, right] = [Math.min(...xs) - 30, Math.max(...xs) + 30];
  const [low, high] = [Math.min(...zs) - 30, Math.max(...zs) + 30];
  return { left, width: right - left, high, height: high - low };
};
const boxes = computed(() => VIEWS.map(({ across }) => box(across)));
const dots = (points: readonly Point[], across: 0 | 1): string =>
  points.map((point) => `M${point[across].toFixed(0)} ${(-point[2]).toFixed(0)}h1`).join('');
/** Where a part's number stands: at its middle. */
function middle(points: readonly Point[], across: 0 | 1): { x: number; y: number } {
  const mean = (of: (point: Point) => number): number =>
    points.reduce((sum, point) => sum + of(point), 0) / Math.max(1, points.length);
  return { x: mean((point) => point[across]), y: -mean((point) => point[2]) };
}
</script>

<template>
  <div class="views" data-testid="scan-preview">
    <figure v-for="(v, i) in VIEWS" :key="v.name">
      <svg
        :viewBox="`${boxes[i]!.left} ${-boxes[i]!.high} ${boxes[i]!.width} ${boxes[i]!.height}`"
        role="img"
        :aria-label="`${v.name}: ${drawn.map((part) => `${part.number} ${part.name}`).join(', ')}`"
      >
        <circle v-if="v.across === 0" cx="0" cy="0" :r="tire.radiusMm" class="tire" />
        <rect
          v-else
          :x="tire.innerMm"
          :y="-tire.radiusMm"
          :width="tire.outerMm - tire.innerMm"
          :height="2 * tire.radiusMm"
          class="tire"
        />
        <path
          v-for="part in drawn"
          :key="part.number"
          :d="dots(part.points, v.across)"
          class="dots"
          :opacity="part.tone"
        />
        <g v-for="part in drawn" :key="`n${part.number}`">
          <text
            v-if="part.points.length"
            :x="middle(part.points, v.across).x"
            :y="middle(part.points, v.across).y"
            class="number"
          >
            {{ part.number }}
          </text>
        </g>
      </svg>
      <figcaption class="small muted">{{ v.name }}</figcaption>
    </figure>
    <ol class="small">
      <li v-for="part in drawn" :key="part.number">{{ part.number }} {{ part.name }}</li>
    </ol>
  </div>
</template>

<style scoped>
.views {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 8px;
}
.views ol {
  grid-column: 1 / -1;
  padding-left: 20px;
}
figure {
  margin: 0;
}
svg {
  width: 100%;
  max-height: 260px;
  border: 1px solid var(--rule);
}
.tire {
  fill: none;
  stroke: currentcolor;
  stroke-width: 3;
  stroke-dasharray: 14 8;
  opacity: 0.5;
}
.dots {
  stroke: var(--accent);
  stroke-width: 7;
  stroke-linecap: round;
  fill: none;
}
.number {
  font-size: 60px;
  font-weight: 700;
  fill: currentcolor;
  text-anchor: middle;
}
</style>
