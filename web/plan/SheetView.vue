<script setup lang="ts">
import { line } from 'd3-shape';
import { computed } from 'vue';
import type { SheetPoint } from '@/core/5-consequences/panel/flat-sheet';
import type { CutSheet } from '@/core/6-decisions/plan/cut-sheet';
import { hatch } from '@/sheets/hatch';
import { dragFrom } from '../kit/use-drag';

/** The sheet at scale: the panel as it is, where it is cut or folded, and the handles of a line for looks. */
const props = defineProps<{ sheet: CutSheet; looks: readonly SheetPoint[] | null }>();
const emit = defineEmits<{ looks: [points: SheetPoint[], gesture: string | null] }>();

const MARGIN_MM = 30;

const box = computed(() => {
  const { edge, outline, need, firstCut, flapEdge, looks } = props.sheet;
  const all = [...edge, ...outline, ...need, ...firstCut, ...flapEdge, ...(looks?.lines ?? [])].flat();
  const xs = all.map(([x]) => x);
  const ys = all.map(([, y]) => y);
  return {
    left: Math.min(...xs) - MARGIN_MM,
    top: Math.max(...ys) + MARGIN_MM,
    width: Math.max(...xs) - Math.min(...xs) + 2 * MARGIN_MM,
    height: Math.max(...ys) - Math.min(...ys) + 2 * MARGIN_MM,
  };
});
/** Up on the sheet is up on the screen. */
const x = ([right]: SheetPoint): number => right - box.value.left;
const y = ([, up]: SheetPoint): number => box.value.top - up;
const draw = line<SheetPoint>().x(x).y(y);
const paths = (lines: readonly (readonly SheetPoint[])[]): string =>
  lines.map((points) => draw(points as SheetPoint[]) ?? '').join('');

/** mm of one CSS pixel, about: the drawing is some 700 pixels wide or 330 high. */
const unit = computed(() => Math.max(box.value.width / 700, box.value.height / 330));

const lines = computed(() => [
  { name: 'waste', d: paths(props.sheet.flapMm > 0 ? [] : hatch(props.sheet.waste)) },
  { name: 'outline', d: paths(props.sheet.outline) },
  { name: 'edge', d: paths(props.sheet.edge) },
  { name: props.sheet.flapMm > 0 ? 'fold' : 'cut', d: paths(props.sheet.need) },
  { name: 'cut', d: paths(props.sheet.flapEdge) },
  { name: 'first', d: paths(props.sheet.firstCut) },
  { name: 'looks', d: paths(props.sheet.looks?.lines ?? []) },
]);
const plumb = computed(() => {
  const hubX = x(props.sheet.hub);
  return props.sheet.isUpright && hubX > 0 && hubX < box.value.width ? `M${hubX} 4V${box.value.height - 4}` : '';
});

function moved(i: number, to: SheetPoint, gesture: string | null): void {
  const next = [...(props.looks ?? [])];
  next[i] = [Math.round(10 * to[0]) / 10, Math.round(10 * to[1]) / 10];
  emit('looks', next, gesture);
}
const drag = (event: PointerEvent, i: number): void =>
  dragFrom(event, (at, gesture) => moved(i, [at.x + box.value.left, box.value.top - at.y], gesture));

const STEPS: Readonly<Record<string, SheetPoint>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};
function key(event: KeyboardEvent, i: number): void {
  const step = STEPS[event.key];
  const at = props.looks?.[i];
  if (!step || !at) return;
  event.preventDefault();
  const by = event.shiftKey ? 10 : 1;
  moved(i, [at[0] + by * step[0], at[1] + by * step[1]], null);
}
</script>

<template>
  <svg
    class="sheet figures"
    :viewBox="`0 0 ${box.width} ${box.height}`"
    role="group"
    :aria-label="`Cut sheet of ${sheet.label}, seen from outside`"
  >
    <path v-if="plumb" class="plumb" :d="plumb" :stroke-width="unit" />
    <path v-for="l in lines" :key="l.name + l.d" :class="l.name" :d="l.d" :stroke-width="2 * unit" />
    <circle
      v-for="(at, i) in looks ?? []"
      :key="i"
      class="handle"
      :cx="x(at)"
      :cy="y(at)"
      :r="10 * unit"
      :stroke-width="2 * unit"
      tabindex="0"
      role="slider"
      :aria-label="`Place ${i + 1} of the line for looks: ${at[0]} mm right, ${at[1]} mm up`"
      :aria-valuenow="at[1]"
      @pointerdown="(event) => drag(event, i)"
      @keydown="(event) => key(event, i)"
    />
  </svg>
</template>

<style scoped>
.sheet {
  width: 100%;
  max-height: 330px;
  display: block;
}
path {
  fill: none;
  stroke: var(--ink);
}
.outline {
  stroke: var(--rule);
  stroke-dasharray: 4 4;
}
.waste {
  stroke: var(--muted);
  opacity: 0.55;
}
.edge {
  stroke: var(--ink);
}
.cut {
  stroke: var(--rubs);
}
.fold {
  stroke: var(--rubs);
  stroke-dasharray: 3 3;
}
.first {
  stroke: var(--close);
  stroke-dasharray: 8 5;
}
.looks {
  stroke: var(--accent);
  stroke-dasharray: 14 5;
}
.plumb {
  stroke: var(--ghost);
  stroke-dasharray: 12 4 2 4;
}
.handle {
  fill: var(--paper);
  stroke: var(--accent);
  cursor: grab;
  touch-action: none;
}
</style>
