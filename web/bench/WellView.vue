<script setup lang="ts">
import { line } from 'd3-shape';
import { computed } from 'vue';
import type { SweptShape } from '@/core/4-clearance/pictures/swept-shape';
import type { Vec3 } from '@/core/1-base/geometry/vec3';
import type { Posture } from '@/core/2-vehicle/motion/corner-motion';
import { formatMm } from '@/core/1-base/units/length';
import { sweptOutline } from '../drawing/swept-outline';
import { projector, silhouette, viewBox, type SceneWindow, type ViewName, type WellScene } from '../drawing/well-scene';
import { dragFrom } from '../kit/use-drag';
import WheelFace from '../kit/WheelFace.vue';

/**
 * One true-scale view of the wheel well. All views of a bench share the same window in mm. The wheel can be taken hold
 * of: from above it steers, from the front and from outside it moves up and down.
 */
const props = defineProps<{
  scene: WellScene;
  window: SceneWindow;
  view: ViewName;
  title: string;
  looked: Posture;
  swept: SweptShape | null;
}>();
const emit = defineEmits<{ pick: [id: string]; look: [posture: { steer: number; travel: number }] }>();

const box = computed(() => viewBox(props.window, props.view, props.scene.side));

const project = computed(() => projector(props.view, props.scene.side));
const path = line<readonly [number, number]>();
const outline = (points: readonly Vec3[]): string => `${path(silhouette(points, project.value)) ?? ''}Z`;

const fitted = computed(() => outline(props.scene.fitted));
const tried = computed(() => outline(props.scene.tried));
const hub = computed(() => project.value(props.scene.hub));

/** The wheel's own plane as it is seen from outside: turned, leaned and lifted with it. */
const faceAt = computed(() => {
  const { forward, up, face } = props.scene.wheel;
  const [origin, x, y] = [face, forward, up].map(project.value) as [number, number][];
  return `matrix(${x![0]} ${x![1]} ${-y![0]} ${-y![1]} ${origin![0]} ${origin![1]})`;
});

const obstacles = computed(() =>
  props.scene.obstacles.map((o) => {
    const strands = o.strands.map((strand) => strand.map(project.value));
    return {
      ...o,
      dots: strands.filter((s) => s.length === 1).map((s) => s[0]!),
      lines: strands.filter((s) => s.length > 1).map((s) => path(s) ?? ''),
      solids: o.solids.map(outline),
      picked: o.id === props.scene.touch?.id,
      // From outside the wheel stands before what is inboard of it.
      isBehind: props.view === 'side' && o.solids.flat().every(([, y]) => y < props.scene.hub[1]),
    };
  }),
);
const touch = computed(() => {
  if (!props.scene.touch) return null;
  const a = project.value(props.scene.touch.tire);
  const b = project.value(props.scene.touch.obstacle);
  return { a, b, gap: formatMm(props.scene.touch.gapMm) };
});

/** What is met, by name, over its place; it runs toward the middle of the picture. */
const named = computed(() => {
  const met = props.scene.obstacles.find(({ id }) => id === props.scene.touch?.id);
  if (!met || !touch.value) return null;
  const [x, y] = touch.value.b;
  const isRight = x > box.value[0] + box.value[2] / 2;
  const above = Math.max(box.value[1] + 44, y - 130);
  return { label: met.label, x: x + (isRight ? 20 : -20), y: above, anchor: isRight ? 'end' : 'start' };
});

const sweptPath = computed(() => (props.swept ? `${path(sweptOutline(props.swept, project.value)) ?? ''}Z` : ''));

function takeHold(event: PointerEvent): void {
  if (event.button !== 0) return;
  const start = { ...props.looked };
  const [hubX, hubY] = hub.value;
  const bearing = (x: number, y: number): number => Math.atan2(y - hubY, x - hubX);
  let from: { x: number; y: number } | null = null;
  dragFrom(event, (place) => {
    from ??= place;
    if (props.view !== 'above') {
      emit('look', { steer: start.steer, travel: start.travel - (place.y - from.y) });
      return;
    }
    const turned = bearing(place.x, place.y) - bearing(from.x, from.y);
    // The front is down and the vehicle's left to the right: turning left goes against the screen's angles.
    const steer = start.steer - Math.atan2(Math.sin(turned), Math.cos(turned));
    emit('look', { steer, travel: start.travel });
  });
}

const ARROWS: Readonly<Record<ViewName, (left: boolean) => string>> = {
  front: (left) => (left ? 'outboard →' : '← outboard'),
  above: () => 'front ↓',
  side: (left) => (left ? '← front' : 'front →'),
};
</script>

<template>
  <figure class="drawing">
    <figcaption>
      {{ title }} <span class="muted">{{ ARROWS[view](scene.side === 'left') }}</span>
    </figcaption>
    <svg
      :viewBox="box.join(' ')"
      :style="{ aspectRatio: `${box[2]} / ${box[3]}` }"
      role="img"
      :aria-label="`${title}: ${touch ? `gap ${touch.gap} mm` : 'parked, straight ahead'}`"
    >
      <path v-if="sweptPath" :d="sweptPath" class="swept" />
      <path :d="tried" class="tried" @pointerdown="takeHold" />
      <g v-if="view === 'side'" :transform="faceAt" class="face">
        <WheelFace :rim-radius="scene.wheel.rimRadiusMm" :tire-radius="scene.wheel.tireRadiusMm / 1.024" />
      </g>
      <path :d="fitted" class="fitted" />
      <path :d="`M${hub[0] - 22} ${hub[1]}h44M${hub[0]} ${hub[1] - 22}v44`" class="hub" />
      <g
        v-for="o in obstacles"
        :key="o.id"
        class="obstacle"
        :class="[o.verdict ? `verdict-${o.verdict}` : '', { picked: o.picked, hidden: o.isBehind }]"
        @click="emit('pick', o.id)"
      >
        <title>{{ o.label }}</title>
        <path v-for="(d, i) in o.solids" :key="`s${i}`" :d="d" class="solid" />
        <path v-for="(d, i) in o.lines" :key="`l${i}`" :d="d" class="edge" />
        <circle
          v-for="(dot, i) in o.dots"
          :key="`d${i}`"
          :cx="dot[0]"
          :cy="dot[1]"
          :r="o.solids.length ? 7 : o.picked ? 15 : 11"
        />
      </g>
      <g v-if="touch" class="touch">
        <path :d="`M${touch.a[0]} ${touch.a[1]}L${touch.b[0]} ${touch.b[1]}`" />
        <circle :cx="touch.b[0]" :cy="touch.b[1]" r="30" />
        <path v-if="named" :d="`M${touch.b[0]} ${touch.b[1] - 30}V${named.y + 12}`" class="leader" />
      </g>
      <text v-if="named" :x="named.x" :y="named.y" :text-anchor="named.anchor" class="name halo">
        {{ named.label }}
      </text>
      <g class="scale" :transform="`translate(${box[0] + 24} ${box[1] + box[3] - 20})`">
        <path d="M0 -12v12h200v-12M100 -8v8" />
        <text x="212" y="6">200 mm</text>
      </g>
    </svg>
  </figure>
</template>

<style scoped>
.tried {
  fill: rgb(var(--v-theme-primary), 0.16);
  stroke: var(--accent);
  stroke-width: 6;
}
.fitted {
  pointer-events: none;
  fill: none;
  stroke: var(--ghost);
  stroke-width: 4;
  stroke-dasharray: 18 12;
}
.tried {
  cursor: grab;
}
svg {
  touch-action: none;
  user-select: none;
}
.swept {
  fill: rgb(var(--v-theme-primary), 0.07);
  stroke: var(--accent);
  stroke-width: 2;
  stroke-dasharray: 4 10;
}
.hub {
  pointer-events: none;
  stroke: var(--accent);
  stroke-width: 4;
}
.obstacle {
  cursor: pointer;
}
.solid {
  fill: currentColor;
  fill-opacity: 0.4;
  stroke: currentColor;
  stroke-width: 3;
  stroke-linejoin: round;
}
.picked .solid {
  fill-opacity: 0.75;
}
.face {
  pointer-events: none;
}
.obstacle circle {
  fill: currentColor;
}
.edge {
  fill: none;
  stroke: currentColor;
  stroke-width: 9;
  stroke-linejoin: round;
}
.picked .edge {
  stroke-width: 14;
}
.touch {
  stroke: var(--ink);
  stroke-width: 5;
  fill: none;
  pointer-events: none;
}
.hidden .solid {
  fill-opacity: 0.1;
}
.leader {
  stroke-width: 3;
}
.name {
  font-size: 44px;
  font-weight: 600;
  font-family: var(--figures);
  fill: var(--ink);
  pointer-events: none;
}
.scale path {
  stroke: var(--muted);
  stroke-width: 4;
  fill: none;
}
.scale text {
  font-size: 38px;
  fill: var(--muted);
  font-family: var(--figures);
}
</style>
