<script setup lang="ts">
import { marginWords } from '@/core/4-clearance/case/standard';
import { cornerName } from '@/core/2-vehicle/setup/corner-key';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { computed, ref } from 'vue';
import type { FinderAnswer } from '@/core/6-decisions/finder/answer';
import type { BoardDot } from '@/core/6-decisions/finder/board';
import type { PartialDot } from '@/core/6-decisions/finder/search';
import { MM_PER_IN, signedMm } from '@/core/1-base/units/length';
import { boardLabels } from '../drawing/board-labels';
import { bothIn, CONSTRAINT_WORDS, REMEDY_WORDS } from './finder-words';

/** Where one setup stands on the board. */
export interface BoardMark {
  readonly name: string;
  readonly diameterMm: number;
  readonly effectiveOffsetMm: number;
}

/**
 * Diameter against effective offset: what clears as it is, what clears with changes and by which, and by what the rest fails.
 * The frontier is the biggest diameter of each offset.
 */
const props = defineProps<{
  answer: FinderAnswer | null;
  /** What is known while the search is under way. */
  partial: readonly PartialDot[];
  marks: readonly BoardMark[];
  pickedNumber: number | null;
  /** Enough was measured to say that something clears. */
  isKnown: boolean;
}>();
const emit = defineEmits<{ pick: [number: number] }>();

const WIDTH = 820;
const HEIGHT = 366;
const PLOT = { left: 64, right: WIDTH - 56, top: 14, bottom: HEIGHT - 50 };

const dots = computed<readonly (BoardDot | PartialDot)[]>(() => props.answer?.board ?? props.partial);

const scales = computed(() => {
  const places = [...dots.value, ...props.marks];
  if (places.length === 0) return null;
  const extent = (values: readonly number[], pad: number): [number, number] => [
    Math.min(...values) - pad,
    Math.max(...values) + pad,
  ];
  return {
    x: scaleLinear()
      .domain(
        extent(
          places.map((p) => p.effectiveOffsetMm),
          4,
        ),
      )
      .range([PLOT.left, PLOT.right]),
    y: scaleLinear()
      .domain(
        extent(
          places.map((p) => p.diameterMm),
          8,
        ),
      )
      .range([PLOT.bottom, PLOT.top]),
  };
});

const isWhole = (dot: BoardDot | PartialDot): dot is BoardDot => 'number' in dot;
const drawn = computed(() => {
  const on = scales.value;
  if (!on) return [];
  return dots.value.map((dot) => ({ dot, x: on.x(dot.effectiveOffsetMm), y: on.y(dot.diameterMm) }));
});

/** One path a kind: thousands of single shapes would be felt. */
const paths = computed(() => {
  const parts: Record<BoardDot['result'], string[]> = { clears: [], withChanges: [], fails: [], refused: [] };
  for (const { dot, x, y } of drawn.value) {
    const at = `M${x.toFixed(1)} ${y.toFixed(1)}`;
    if (dot.result === 'fails') parts.fails.push(`${at}m-2.5-2.5l5 5m0-5l-5 5`);
    else if (dot.result === 'refused') parts.refused.push(`${at}h.01`);
    else if (dot.result === 'clears') parts.clears.push(`${at}m-4 0a4 4 0 1 0 8 0a4 4 0 1 0 -8 0`);
    else parts.withChanges.push(`${at}m0-4.5l4.5 4.5l-4.5 4.5l-4.5-4.5z`);
  }
  return Object.fromEntries(Object.entries(parts).map(([kind, list]) => [kind, list.join('')]));
});

const nameOf = (dot: BoardDot | PartialDot): string | null => {
  if (!isWhole(dot)) return null;
  if (dot.result === 'fails') return dot.obstacle;
  if (dot.result === 'withChanges')
    return dot.remedies.map((one) => REMEDY_WORDS[one].toLowerCase()).join(' + ') || null;
  return null;
};
const labels = computed(() =>
  boardLabels(
    drawn.value.map(({ dot, x, y }) => ({ x, y, name: nameOf(dot) })),
    PLOT.right,
  ),
);

/** Biggest diameter as it is, and with changes, offset by offset. */
const frontiers = computed(() => {
  const on = scales.value;
  if (!on || !props.answer) return [];
  const path = line<readonly [number, number]>();
  return (['clearsMm', 'withChangesMm'] as const).map((of) => {
    const best = new Map<number, number>();
    for (const step of props.answer!.frontier) {
      const mm = Math.max(step.clearsMm ?? 0, of === 'withChangesMm' ? (step.withChangesMm ?? 0) : 0);
      if (mm > (best.get(step.effectiveOffsetMm) ?? 0)) best.set(step.effectiveOffsetMm, mm);
    }
    const points = [...best].sort(([a], [b]) => a - b).map(([offset, mm]) => [on.x(offset), on.y(mm)] as const);
    return { of, d: path(points) ?? '' };
  });
});

const ticks = computed(() => {
  const on = scales.value;
  if (!on) return null;
  const inches = scaleLinear()
    .domain(on.y.domain().map((mm) => mm / MM_PER_IN))
    .range(on.y.range());
  return {
    x: on.x.ticks(9).map((value) => ({ value, at: on.x(value) })),
    y: on.y.ticks(7).map((value) => ({ value, at: on.y(value) })),
    inches: inches.ticks(6).map((value) => ({ value, at: inches(value) })),
  };
});

const marked = computed(() => {
  const on = scales.value;
  return on ? props.marks.map((mark) => ({ ...mark, x: on.x(mark.effectiveOffsetMm), y: on.y(mark.diameterMm) })) : [];
});

const hovered = ref<BoardDot | null>(null);
const picked = computed(() => props.answer?.board.find((dot) => dot.number === props.pickedNumber) ?? null);
const looked = computed(() => hovered.value ?? picked.value);
const ringed = computed(() => {
  const on = scales.value;
  return on && looked.value ? { x: on.x(looked.value.effectiveOffsetMm), y: on.y(looked.value.diameterMm) } : null;
});

/** The dot nearest to a place of the drawing. */
function nearest(event: PointerEvent | MouseEvent): BoardDot | null {
  const svg = event.currentTarget as SVGSVGElement;
  const box = svg.getBoundingClientRect();
  const [px, py] = [
    ((event.clientX - box.left) / box.width) * WIDTH,
    ((event.clientY - box.top) / box.height) * HEIGHT,
  ];
  let best: BoardDot | null = null;
  let least = 18;
  for (const { dot, x, y } of drawn.value) {
    if (!isWhole(dot)) continue;
    const apart = Math.hypot(x - px, y - py);
    if (apart >= least) continue;
    least = apart;
    best = dot;
  }
  return best;
}

function take(event: MouseEvent): void {
  const dot = nearest(event);
  if (dot && dot.number >= 0) emit('pick', dot.number);
}

/** The nearest dot in a direction. */
function step(event: KeyboardEvent): void {
  const [dx, dy] = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key] ?? [0, 0];
  if (dx === 0 && dy === 0) return;
  event.preventDefault();
  const from = ringed.value ?? { x: (PLOT.left + PLOT.right) / 2, y: (PLOT.top + PLOT.bottom) / 2 };
  let best: BoardDot | null = null;
  let least = Infinity;
  for (const { dot, x, y } of drawn.value) {
    if (!isWhole(dot) || dot.number < 0) continue;
    const along = (x - from.x) * dx! + (y - from.y) * dy!;
    const aside = Math.abs((x - from.x) * dy!) + Math.abs((y - from.y) * dx!);
    if (along < 0.5 || along + 4 * aside >= least) continue;
    least = along + 4 * aside;
    best = dot;
  }
  if (best) emit('pick', best.number);
}

function sentence(dot: BoardDot): string {
  const where = `${bothIn(dot.diameterMm)} at effective offset ${signedMm(dot.effectiveOffsetMm)} mm`;
  switch (dot.result) {
    case 'clears':
      if (!props.isKnown) return `${where}: falls nowhere short, and is not known to clear.`;
      return `${where}: clears as it is, about ${marginWords(dot.marginMm)}.`;
    case 'withChanges':
      return `${where}: clears with ${dot.remedies.map((one) => REMEDY_WORDS[one].toLowerCase()).join(', ') || 'another stop'}.`;
    case 'fails':
      if (dot.obstacle === null) return `${where}: the wheel is too near what stands inside it.`;
      return `${where}: fails by ${(-dot.missMm).toFixed(0)} mm at ${dot.obstacle}${dot.corner ? `, ${cornerName(dot.corner)}` : ''}.`;
    case 'refused':
      return `${where}: ${dot.refusedBy.map((one) => CONSTRAINT_WORDS[one]).join(', ')} not met.`;
  }
}

const summary = computed(() => {
  if (!props.answer) {
    return props.partial.length > 0
      ? 'Being worked out.'
      : 'Press Find: every combination gets a place here, diameter against offset.';
  }
  const { clears, withChanges, fails, refused } = props.answer.tally;
  const clear = props.isKnown ? 'clear as they are' : 'fall nowhere short, and are not known to clear';
  return `${clears.toLocaleString('en')} combinations ${clear}, ${withChanges.toLocaleString('en')} with changes, ${fails.toLocaleString('en')} fall short, ${refused.toLocaleString('en')} are kept out by what has to be met.`;
});
</script>

<template>
  <figure class="drawing box close">
    <svg
      v-if="scales && ticks"
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      role="group"
      tabindex="0"
      :aria-label="`Diameter against offset. ${summary} Arrow keys go from one to the next; the list says the same.`"
      @pointermove="hovered = nearest($event)"
      @pointerleave="hovered = null"
      @click="take"
      @keydown="step"
    >
      <g class="grid">
        <path v-for="t in ticks.x" :key="`x${t.value}`" :d="`M${t.at} ${PLOT.top}V${PLOT.bottom}`" />
        <path v-for="t in ticks.y" :key="`y${t.value}`" :d="`M${PLOT.left} ${t.at}H${PLOT.right}`" />
      </g>
      <g class="axis figures">
        <text v-for="t in ticks.x" :key="`x${t.value}`" :x="t.at" :y="PLOT.bottom + 18" text-anchor="middle">
          {{ signedMm(t.value) }}
        </text>
        <text v-for="t in ticks.y" :key="`y${t.value}`" :x="PLOT.left - 8" :y="t.at + 5" text-anchor="end">
          {{ t.value }}
        </text>
        <text v-for="t in ticks.inches" :key="`i${t.value}`" :x="PLOT.right + 8" :y="t.at + 5">{{ t.value }} in</text>
        <text class="name" :x="(PLOT.left + PLOT.right) / 2" :y="HEIGHT - 8" text-anchor="middle">
          ← pokes out · wheel offset less spacer, mm · tucks in →
        </text>
        <text
          class="name"
          :transform="`translate(16 ${(PLOT.top + PLOT.bottom) / 2}) rotate(-90)`"
          text-anchor="middle"
        >
          Tire diameter, mm
        </text>
      </g>
      <path class="dot fails" :d="paths['fails']" />
      <path class="dot refused" :d="paths['refused']" />
      <path class="dot with-changes" :d="paths['withChanges']" />
      <path class="dot clears" :class="{ unknown: !isKnown }" :d="paths['clears']" />
      <path v-for="f in frontiers" :key="f.of" class="frontier" :class="f.of" :d="f.d" />
      <g class="labels">
        <text v-for="l in labels" :key="l.name" :x="l.x" :y="l.y + 5" text-anchor="middle">{{ l.name }}</text>
      </g>
      <g v-for="m in marked" :key="m.name" class="mark">
        <path :d="`M${m.x - 9} ${m.y}h18M${m.x} ${m.y - 9}v18`" />
        <text :x="m.x + 11" :y="m.y - 6">{{ m.name }}</text>
      </g>
      <circle v-if="ringed" class="ring" :cx="ringed.x" :cy="ringed.y" r="9" />
    </svg>
    <figcaption>
      <span data-testid="board-says">{{ looked ? sentence(looked) : summary }}</span>
    </figcaption>
    <ul class="legend" aria-label="Signs">
      <li>
        <svg viewBox="0 0 14 14"><path class="dot clears" d="M3 7a4 4 0 1 0 8 0a4 4 0 1 0 -8 0" /></svg>clears as it is
      </li>
      <li>
        <svg viewBox="0 0 14 14"><path class="dot with-changes" d="M7 2.5l4.5 4.5l-4.5 4.5l-4.5-4.5z" /></svg>with
        changes
      </li>
      <li>
        <svg viewBox="0 0 14 14"><path class="dot fails" d="M4.5 4.5l5 5m0-5l-5 5" /></svg>fails
      </li>
      <li>
        <svg viewBox="0 0 14 14"><path class="dot refused" d="M7 7h.01" /></svg>not met
      </li>
      <li>
        <svg viewBox="0 0 24 14"><path class="frontier clearsMm" d="M1 7H23" /></svg>biggest as it is
      </li>
      <li>
        <svg viewBox="0 0 24 14"><path class="frontier withChangesMm" d="M1 7H23" /></svg>biggest with changes
      </li>
    </ul>
  </figure>
</template>

<style scoped>
svg[tabindex] {
  cursor: crosshair;
}
.grid path {
  stroke: var(--rule);
  stroke-width: 0.6;
}
.axis text,
.mark text {
  font-size: 14px;
  fill: var(--ink);
}
.axis .name {
  font-size: 15px;
  font-family: var(--text);
}
.dot {
  fill: none;
}
.clears {
  fill: var(--clear);
}
.clears.unknown {
  fill: var(--ghost);
}
.with-changes {
  stroke: var(--close);
  stroke-width: 1.8;
  fill: var(--paper);
}
.fails {
  stroke: var(--rubs);
  stroke-width: 1.3;
  opacity: 0.75;
}
.refused {
  stroke: var(--ghost);
  stroke-width: 3;
  stroke-linecap: round;
}
.frontier {
  fill: none;
  stroke-width: 2.5;
  stroke: var(--ink);
}
.withChangesMm {
  stroke-dasharray: 6 4;
}
.labels text {
  font-size: 15px;
  font-weight: 600;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 5px;
  stroke-linejoin: round;
}
.mark path {
  stroke: var(--accent);
  stroke-width: 3;
}
.mark text {
  font-weight: 600;
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
}
.ring {
  fill: none;
  stroke: var(--accent);
  stroke-width: 3;
}
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  list-style: none;
  font-size: 14px;
}
.legend li {
  display: inline-flex;
  align-items: center;
  gap: 4px;
}
.legend svg {
  width: auto;
  height: 14px;
}
figcaption {
  min-height: 40px;
}
</style>
