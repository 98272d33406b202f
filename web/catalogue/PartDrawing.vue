<script setup lang="ts">
import { computed } from 'vue';
import WheelFace from '../kit/WheelFace.vue';
import type { PartShape } from './shelf';

/** A part as it stands on the shelf, all of one shelf at one scale: a tire on its tread, a wheel and a spacer by face and section. */
const props = defineProps<{ shape: PartShape; pxPerMm: number }>();

/** mm between a face and the section beside it. */
const APART_MM = 40;
/** Degrees round the tire between two rows of its tread. */
const ROW_DEG = 12;

const half = computed(() => props.shape.heightMm / 2);
/** Where the section stands beside the face, and how wide all is, mm. */
const across = computed(() => {
  const { shape } = props;
  const side =
    shape.kind === 'spacer'
      ? shape.thicknessMm
      : Math.max(...shape.section.map(({ a }) => a)) - Math.min(...shape.section.map(({ a }) => a));
  const face = shape.kind === 'tire' ? 0 : shape.heightMm + APART_MM;
  return { section: (face + side) / 2 - side / 2, face: -(face + side) / 2 + half.value, width: face + side };
});
/** Outboard to the left, as the face beside it is seen from there. */
const silhouette = computed(() => {
  if (props.shape.kind === 'spacer') return '';
  const upper = props.shape.section.map(({ a, r }) => `${-a} ${-r}`);
  const lower = props.shape.section.map(({ a, r }) => `${-a} ${r}`).reverse();
  return `M${[...upper, ...lower].join('L')}Z`;
});
const rows = computed(() => {
  if (props.shape.kind !== 'tire') return [];
  const wide = props.shape.treadMm / 2 - 8;
  return Array.from({ length: Math.floor(150 / ROW_DEG) + 1 }, (_, i) => {
    const angle = ((i * ROW_DEG - 72) * Math.PI) / 180;
    const y = half.value * Math.sin(angle);
    const fall = half.value * 0.05 * Math.cos(angle);
    return `M${-wide} ${y - fall}L${-wide / 3} ${y + fall}M${wide / 3} ${y + fall}L${wide} ${y - fall}`;
  });
});
</script>

<template>
  <svg
    :viewBox="`${-across.width / 2 - 4} ${-half - 4} ${across.width + 8} ${shape.heightMm + 8}`"
    :width="(across.width + 8) * pxPerMm"
    :height="(shape.heightMm + 8) * pxPerMm"
    aria-hidden="true"
    :data-shape="shape.kind"
  >
    <template v-if="shape.kind === 'tire'">
      <path :d="silhouette" class="rubber" />
      <path :d="rows.join('')" class="groove" />
    </template>
    <template v-else-if="shape.kind === 'wheel'">
      <g :transform="`translate(${across.face} 0)`">
        <WheelFace
          :rim-radius="half"
          :studs="shape.holes.studs || 5"
          :circle-radius="shape.holes.circleMm / 2"
          :bore-radius="shape.holes.boreMm / 2"
        />
      </g>
      <g :transform="`translate(${across.section} 0)`">
        <path :d="silhouette" class="metal" />
        <path :d="`M${-shape.offsetMm} -90V90`" class="pad" />
      </g>
    </template>
    <template v-else>
      <g :transform="`translate(${across.face} 0)`">
        <circle :r="half" class="metal" />
        <circle :r="shape.holes.boreMm / 2" class="hole" />
        <circle
          v-for="i in shape.holes.studs"
          :key="i"
          :transform="`rotate(${(360 * i) / shape.holes.studs})`"
          cx="0"
          :cy="-shape.holes.circleMm / 2"
          r="7"
          class="hole"
        />
      </g>
      <rect
        :x="across.section - shape.thicknessMm / 2"
        :y="-half"
        :width="shape.thicknessMm"
        :height="2 * half"
        class="metal"
      />
    </template>
  </svg>
</template>

<style scoped>
svg {
  display: block;
  max-width: 100%;
}
.rubber {
  fill: var(--rubber);
}
.groove,
.pad {
  fill: none;
  stroke: var(--metal);
  stroke-width: 7;
  stroke-linecap: round;
}
.groove {
  opacity: 0.5;
}
.pad {
  stroke: var(--accent);
  stroke-width: 12;
}
.metal {
  fill: var(--metal);
  stroke: var(--ghost);
  stroke-width: 3;
}
.hole {
  fill: var(--paper);
}
</style>
