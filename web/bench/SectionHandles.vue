<script setup lang="ts">
import { computed, ref } from 'vue';
import type { Rotor } from '@/core/2-vehicle/setup/rotor';
import { LIMITS } from '@/core/1-base/limits';
import { bothUnits } from '../../core/1-base/units/length';
import { dragFrom, placeIn } from '../kit/use-drag';
import { handlePlaces } from './handle-places';

/**
 * Handles of the tried section: slide it for offset, pull its crown for diameter and its sidewall for width; by pointer or
 * by arrow keys (with Shift in tens). Each names the length while it has the hand.
 */
const props = defineProps<{
  rotor: Rotor;
  /** mm of one CSS pixel. */
  unit: number;
}>();

const emit = defineEmits<{
  offset: [mm: number, gesture: string | null];
  diameter: [mm: number, gesture: string | null];
  width: [mm: number, gesture: string | null];
  /** The hand is on the section: the picture must not move under it. */
  hold: [on: boolean];
}>();

type Handle = 'offset' | 'diameter' | 'width';

const held = ref<Handle | null>(null);

const handles = computed(() => {
  const { section, offsetMm } = props.rotor;
  const [offsetAt, diameterAt, widthAt] = handlePlaces(props.rotor);
  return [
    {
      kind: 'offset' as const,
      name: 'Offset',
      does: 'Slide the section for offset',
      mm: offsetMm,
      range: LIMITS.offsetMm,
      at: offsetAt,
      arrow: 'M-13 0h26M-8 -5l-5 5 5 5M8 -5l5 5 -5 5',
    },
    {
      kind: 'diameter' as const,
      name: 'Diameter',
      does: 'Pull the crown for diameter',
      mm: section.diameterMm,
      range: LIMITS.tireDiameterMm,
      at: diameterAt,
      arrow: 'M0 -13v26M-5 -8l5 -5 5 5M-5 8l5 5 5 -5',
    },
    {
      kind: 'width' as const,
      name: 'Section width',
      does: 'Pull the sidewall for width',
      mm: section.widthMm,
      range: LIMITS.tireWidthMm,
      at: widthAt,
      arrow: 'M-13 0h26M-8 -5l-5 5 5 5M8 -5l5 5 -5 5',
    },
  ];
});

function send(kind: Handle, mm: number, gesture: string | null): void {
  const { range } = handles.value.find((h) => h.kind === kind)!;
  const within = Math.min(range.max, Math.max(range.min, Math.round(mm)));
  if (kind === 'offset') emit('offset', within, gesture);
  else if (kind === 'diameter') emit('diameter', within, gesture);
  else emit('width', within, gesture);
}

function drag(kind: Handle, event: PointerEvent): void {
  if (event.button !== 0) return;
  (event.currentTarget as SVGElement).focus();
  held.value = kind;
  const { offsetMm } = props.rotor;
  const from = placeIn(event)?.x ?? 0;
  emit('hold', true);
  dragFrom(
    event,
    ({ x, y }, gesture) => {
      if (kind === 'offset') send(kind, offsetMm - (x - from), gesture);
      else if (kind === 'diameter') send(kind, -2 * y, gesture);
      else send(kind, 2 * (x - props.rotor.centrePlaneMm), gesture);
    },
    () => {
      held.value = null;
      emit('hold', false);
    },
  );
}

/** Right and up grow what they move along; the offset is less further out. */
const KEYS: Readonly<Record<string, number>> = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 };

function key(kind: Handle, mm: number, event: KeyboardEvent): void {
  const step = KEYS[event.key];
  if (step === undefined) return;
  event.preventDefault();
  const moved = kind === 'offset' && (event.key === 'ArrowRight' || event.key === 'ArrowLeft') ? -step : step;
  send(kind, Math.round(mm) + moved * (event.shiftKey ? 10 : 1), null);
}
</script>

<template>
  <g
    v-for="h in handles"
    :key="h.kind"
    class="handle"
    :class="{ held: held === h.kind }"
    :transform="`translate(${h.at[0]} ${h.at[1]}) scale(${unit})`"
    tabindex="0"
    role="slider"
    :aria-label="h.does"
    :aria-valuenow="Math.round(h.mm * 10) / 10"
    :aria-valuetext="bothUnits(h.mm)"
    :aria-valuemin="h.range.min"
    :aria-valuemax="h.range.max"
    :data-testid="`handle-${h.kind}`"
    @pointerdown.stop="drag(h.kind, $event)"
    @keydown="key(h.kind, h.mm, $event)"
    @focus="held = h.kind"
    @blur="held = null"
  >
    <circle r="24" class="reach" />
    <circle r="15" class="knob" />
    <path :d="h.arrow" />
    <text
      v-if="held === h.kind"
      :x="h.kind === 'width' ? 18 : 24"
      :y="h.kind === 'width' ? -26 : h.kind === 'diameter' ? 26 : 6"
      :text-anchor="h.kind === 'width' ? 'end' : 'start'"
      font-size="16"
    >
      {{ h.name }} {{ bothUnits(h.mm) }}
    </text>
  </g>
</template>

<style scoped>
.handle {
  cursor: grab;
  outline: none;
}
.reach {
  fill: transparent;
}
.knob {
  fill: var(--paper);
  stroke: var(--accent);
  stroke-width: 1.5;
}
.handle:focus-visible .knob,
.handle.held .knob {
  stroke-width: 4;
}
.handle path {
  fill: none;
  stroke: var(--accent);
  stroke-width: 2;
}
.handle text {
  font-family: var(--figures);
  font-weight: 600;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 5px;
  stroke-linejoin: round;
}
</style>
