<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { PhotoPlace } from '@/core/3-survey/description/wheel-photo';
import type { PhotoShown } from '@/core/3-survey/prepared/photos-said';
import { dragFrom, placeIn, type DrawnPlace } from '../../kit/use-drag';

/**
 * A picture to mark. A press aims, with what is under it four times as large beside it, and letting go marks; a mark that is there is
 * pulled. With keys: arrows aim, Enter marks; on a mark arrows move it and Delete takes it off.
 */
const props = defineProps<{
  href: string;
  widthPx: number;
  heightPx: number;
  /** What the marks are of. */
  label: string;
  marks: readonly PhotoPlace[];
  /** Marks that lie off what the others say. */
  off: readonly number[];
  /** Everything else that is marked already, faint. */
  others: readonly PhotoPlace[];
  shown: PhotoShown | null;
  /** Of the things traced, the one that is being traced. */
  tracing: string | null;
}>();
const emit = defineEmits<{
  mark: [place: PhotoPlace];
  move: [index: number, place: PhotoPlace];
  remove: [index: number];
  loaded: [image: HTMLImageElement];
}>();

/** Of the picture's longer side: how large a mark is, and a key's step. */
const unit = computed(() => Math.max(props.widthPx, props.heightPx) / 100);
const STEP_PX = { fine: 1, coarse: 16 } as const;

const aim = ref<DrawnPlace | null>(null);
/** A mark on its way, drawn where the finger is. */
const pulled = ref<{ readonly index: number; readonly at: PhotoPlace } | null>(null);
watch(
  () => props.label,
  () => (aim.value = null),
);

const held = (value: number, most: number): number => Math.min(most, Math.max(0, value));
const within = ({ x, y }: DrawnPlace): DrawnPlace => ({ x: held(x, props.widthPx), y: held(y, props.heightPx) });
const shareOf = ({ x, y }: DrawnPlace): PhotoPlace => ({ x: x / props.widthPx, y: y / props.heightPx });
const pixelOf = ({ x, y }: PhotoPlace): DrawnPlace => ({ x: x * props.widthPx, y: y * props.heightPx });

function press(event: PointerEvent): void {
  if (event.button !== 0) return;
  const at = placeIn(event);
  if (at) aim.value = within(at);
  dragFrom(
    event,
    (place) => (aim.value = within(place)),
    () => {
      if (aim.value) emit('mark', shareOf(aim.value));
      aim.value = null;
    },
  );
}
function pull(event: PointerEvent, index: number): void {
  event.stopPropagation();
  dragFrom(
    event,
    (place) => {
      aim.value = within(place);
      pulled.value = { index, at: shareOf(aim.value) };
    },
    () => {
      if (pulled.value) emit('move', index, pulled.value.at);
      pulled.value = aim.value = null;
    },
  );
}

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
const stepped = (event: KeyboardEvent, { x, y }: DrawnPlace): DrawnPlace | null => {
  const arrow = ARROWS[event.key];
  if (!arrow) return null;
  event.preventDefault();
  const step = event.shiftKey ? STEP_PX.fine : STEP_PX.coarse;
  return within({ x: x + step * arrow[0], y: y + step * arrow[1] });
};
function aimByKey(event: KeyboardEvent): void {
  const from = aim.value ?? { x: props.widthPx / 2, y: props.heightPx / 2 };
  const next = stepped(event, from);
  if (next) aim.value = next;
  else if (event.key === 'Escape') aim.value = null;
  else if (event.key === 'Enter' || event.key === ' ') {
    event.preventDefault();
    if (aim.value) emit('mark', shareOf(aim.value));
    else aim.value = from;
  }
}
function moveByKey(event: KeyboardEvent, index: number): void {
  event.stopPropagation();
  const next = stepped(event, pixelOf(props.marks[index]!));
  if (next) emit('move', index, shareOf(next));
  else if (event.key === 'Delete' || event.key === 'Backspace') {
    event.preventDefault();
    emit('remove', index);
  }
}

const path = (places: readonly PhotoPlace[], close: boolean): string =>
  places.length < 2
    ? ''
    : `M${places.map((place) => `${(place.x * props.widthPx).toFixed(1)} ${(place.y * props.heightPx).toFixed(1)}`).join('L')}${close ? 'Z' : ''}`;
const places = computed(() =>
  props.marks.map((mark, i) => pixelOf(pulled.value?.index === i ? pulled.value.at : mark)),
);
const LOUPE = { across: 22, times: 4 } as const;
const loupe = computed(() => {
  if (!aim.value) return null;
  const half = (LOUPE.across * unit.value) / 2 / LOUPE.times;
  // Away from the finger: at the left unless the aim is there.
  const isLeft = aim.value.x < props.widthPx / 2;
  return {
    x: isLeft ? props.widthPx - (LOUPE.across + 1) * unit.value : unit.value,
    box: `${aim.value.x - half} ${aim.value.y - half} ${2 * half} ${2 * half}`,
    half,
  };
});
</script>

<template>
  <svg
    :viewBox="`0 0 ${widthPx} ${heightPx}`"
    class="marks"
    :style="{ maxWidth: `calc(70vh * ${widthPx / heightPx})` }"
    role="application"
    tabindex="0"
    :aria-label="`Picture of the wheel: ${label}. Arrows aim, Enter marks.`"
    data-testid="photo-marks"
    @pointerdown="press"
    @keydown="aimByKey"
  >
    <image :href="href" :width="widthPx" :height="heightPx" />
    <template v-if="shown">
      <path :d="path(shown.rim, true)" class="solved" />
      <path :d="path(shown.outline, true)" class="solved" />
      <path
        v-for="edge in shown.edges"
        :key="edge.id"
        :d="path(edge.along, false)"
        class="solved edge"
        :class="{ chosen: edge.id === tracing }"
        data-testid="photo-edge"
      />
    </template>
    <circle
      v-for="(o, i) in others"
      :key="`o${i}`"
      :cx="o.x * widthPx"
      :cy="o.y * heightPx"
      :r="unit * 0.4"
      class="other"
    />
    <g
      v-for="(at, i) in places"
      :key="i"
      class="mark"
      :class="{ off: off.includes(i) }"
      role="button"
      tabindex="0"
      :aria-label="`Mark ${i + 1}${off.includes(i) ? ', off' : ''}. Arrows move it, Delete takes it off.`"
      data-testid="photo-mark"
      @pointerdown="pull($event, i)"
      @keydown="moveByKey($event, i)"
    >
      <circle :cx="at.x" :cy="at.y" :r="unit * 2.2" class="reach" />
      <circle :cx="at.x" :cy="at.y" :r="unit * 0.9" class="ring" />
      <circle :cx="at.x" :cy="at.y" :r="unit * 0.18" class="dot" />
    </g>
    <template v-if="aim && loupe">
      <path :d="`M${aim.x - 3 * unit} ${aim.y}h${6 * unit}M${aim.x} ${aim.y - 3 * unit}v${6 * unit}`" class="aim" />
      <svg
        :x="loupe.x"
        :y="unit"
        :width="LOUPE.across * unit"
        :height="LOUPE.across * unit"
        :viewBox="loupe.box"
        class="loupe"
      >
        <image :href="href" :width="widthPx" :height="heightPx" />
        <path
          :d="`M${aim.x - loupe.half} ${aim.y}h${2 * loupe.half}M${aim.x} ${aim.y - loupe.half}v${2 * loupe.half}`"
          class="aim"
        />
        <rect
          :x="aim.x - loupe.half"
          :y="aim.y - loupe.half"
          :width="2 * loupe.half"
          :height="2 * loupe.half"
          class="frame"
        />
      </svg>
    </template>
  </svg>
  <img :src="href" alt="" class="pixels" @load="emit('loaded', $event.target as HTMLImageElement)" />
</template>

<style scoped>
.marks {
  width: 100%;
  display: block;
  margin: 0 auto;
  background: #16181a;
  border-radius: 4px;
  cursor: crosshair;
  /* A finger marks here; the page is scrolled beside it. */
  touch-action: none;
}
.pixels {
  position: absolute;
  width: 1px;
  height: 1px;
  visibility: hidden;
}
.solved,
.aim,
.ring,
.frame {
  fill: none;
  vector-effect: non-scaling-stroke;
  pointer-events: none;
}
.solved {
  stroke: #fff;
  stroke-width: 1.5;
  stroke-dasharray: 6 5;
}
.edge {
  stroke-width: 2;
}
.edge.chosen {
  stroke-width: 4;
  stroke-dasharray: none;
}
.aim {
  stroke: #fff;
  stroke-width: 1.5;
}
.frame {
  stroke: #fff;
  stroke-width: 3;
}
.other {
  fill: #fff;
  opacity: 0.7;
  pointer-events: none;
}
.reach {
  fill: transparent;
}
.ring {
  stroke: #fff;
  stroke-width: 2.5;
}
.dot {
  fill: #fff;
}
.mark {
  cursor: move;
}
.mark.off .ring {
  stroke: #ff6b4a;
  stroke-dasharray: 4 3;
}
.mark.off .dot {
  fill: #ff6b4a;
}
</style>
