<script setup lang="ts">
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { computed, ref } from 'vue';
import type { ObstacleVerdict } from '@/core/4-clearance/verdict/evaluate';
import type { PostureMap } from '@/core/4-clearance/pictures/posture-map';
import type { Posture } from '@/core/2-vehicle/motion/corner-motion';
import { toDegrees, toRadians } from '@/core/1-base/units/angle';
import { formatMm } from '@/core/1-base/units/length';
import { areasBelow, levelsWithin, leastMargins } from '../drawing/gap-lines';
import { dragFrom, placeIn } from '../kit/use-drag';
import { postureWords, shortPosture } from '../words';
import PostureMapTable from './PostureMapTable.vue';

/**
 * The gap in every posture: steer across as the driver turns, travel up. Lines of equal gap, the envelope's outline, the
 * parked height, the least gap, and the posture looked at, which can be dragged or moved with the arrow keys.
 */
const props = defineProps<{
  map: PostureMap | null;
  pending: boolean;
  picked: ObstacleVerdict | null;
  looked: Posture;
  labelOf: (id: string) => string;
}>();

const emit = defineEmits<{ look: [posture: { steer: number; travel: number }] }>();

/** `all`: the worst of all obstacles, as margin. */
const of = ref<'picked' | 'all'>('picked');
const asTable = ref(false);
const WIDTH = 480;
const HEIGHT = 340;
const PLOT = { left: 52, right: WIDTH - 14, top: 16, bottom: HEIGHT - 46 };

const obstacle = computed(() => props.map?.obstacles.find(({ id }) => id === props.picked?.id) ?? null);
const least = computed(() => (props.map ? leastMargins(props.map) : null));
const shown = computed(() => {
  if (!props.map) return null;
  if (of.value === 'picked' && obstacle.value) return obstacle.value.gapMm;
  return least.value?.mm ?? null;
});
/** Values that fall short: below what is wanted of the picked obstacle, or any margin below zero. */
const short = computed(() => (of.value === 'picked' && obstacle.value ? obstacle.value.marginMm : least.value?.mm));

const scales = computed(() => {
  const { steersDeg, travelsMm } = props.map!;
  const [right, left] = [Math.min(-1, steersDeg[0]!), Math.max(1, steersDeg.at(-1)!)];
  return {
    // As the wheel is turned: left on the left.
    x: scaleLinear().domain([left, right]).range([PLOT.left, PLOT.right]),
    y: scaleLinear()
      .domain([travelsMm[0]!, travelsMm.at(-1)!])
      .range([PLOT.bottom, PLOT.top]),
  };
});

const drawPath = line<readonly [number, number]>();

const areas = computed(() => {
  const { map } = props;
  if (!map || !shown.value || !short.value || map.steersDeg.length < 2) return null;
  const columns = map.steersDeg.length;
  const rows = map.travelsMm.length;
  const { x, y } = scales.value;
  const steer = scaleLinear()
    .domain([0, columns - 1])
    .range([map.steersDeg[0]!, map.steersDeg.at(-1)!])
    .clamp(true);
  const travel = scaleLinear()
    .domain([0, rows - 1])
    .range([map.travelsMm[0]!, map.travelsMm.at(-1)!])
    .clamp(true);
  const ringPath = (ring: readonly (readonly [number, number])[]): string =>
    `${drawPath(ring.map(([c, r]) => [x(steer(c)), y(travel(r))] as const)) ?? ''}Z`;
  const lines = areasBelow(shown.value, columns, rows, levelsWithin(shown.value)).map(({ mm, rings }) => ({
    mm,
    d: rings.map(ringPath).join(''),
    label: labelSpot(rings, x, steer, y, travel),
  }));
  const [shortfall] = areasBelow(short.value, columns, rows, [0]);
  const [touch] = of.value === 'picked' ? areasBelow(shown.value, columns, rows, [0]) : [];
  return {
    lines,
    shortfall: shortfall!.rings.map(ringPath).join(''),
    touch: touch?.rings.map(ringPath).join('') ?? '',
  };
});

/** A place of a line well within the plot, for its number. */
function labelSpot(
  rings: readonly (readonly (readonly [number, number])[])[],
  x: (v: number) => number,
  steer: (v: number) => number,
  y: (v: number) => number,
  travel: (v: number) => number,
): { x: number; y: number } | null {
  for (const ring of rings) {
    const inner = ring
      .map(([c, r]) => ({ x: x(steer(c)), y: y(travel(r)) }))
      .filter((p) => p.x > PLOT.left + 24 && p.x < PLOT.right - 24 && p.y > PLOT.top + 18 && p.y < PLOT.bottom - 18);
    if (inner.length > 3) return inner[Math.floor(inner.length * 0.3)]!;
  }
  return null;
}

/** Numbers of the lines, those that would lie on another left out. */
const labels = computed(() => {
  const placed: { mm: number; x: number; y: number }[] = [];
  for (const { mm, label } of areas.value?.lines ?? []) {
    if (label && placed.every((p) => Math.abs(p.x - label.x) > 26 || Math.abs(p.y - label.y) > 16)) {
      placed.push({ mm, ...label });
    }
  }
  return placed;
});

const outline = computed(() => {
  if (!props.map) return '';
  const { x, y } = scales.value;
  const { outline: rows } = props.map;
  const left = rows.map((row) => [x(row.highDeg), y(row.travelMm)] as const);
  const right = rows.map((row) => [x(row.lowDeg), y(row.travelMm)] as const);
  return `${drawPath([...left, ...right.reverse()]) ?? ''}Z`;
});

const steerDeg = computed(() => toDegrees(props.looked.steer));
const cursor = computed(() => ({ x: scales.value.x(steerDeg.value), y: scales.value.y(props.looked.travel) }));
const lowMark = computed(() => {
  if (!props.picked || of.value !== 'picked') return null;
  return { x: scales.value.x(props.picked.steerDeg), y: scales.value.y(props.picked.travelMm) };
});

const within = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));

function look(steer: number, travel: number): void {
  const { steersDeg, travelsMm } = props.map!;
  emit('look', {
    steer: toRadians(within(steer, steersDeg[0]!, steersDeg.at(-1)!)),
    travel: within(travel, travelsMm[0]!, travelsMm.at(-1)!),
  });
}

function press(event: PointerEvent): void {
  if (event.button !== 0) return;
  const { x, y } = scales.value;
  const here = placeIn(event);
  if (here) look(x.invert(here.x), y.invert(here.y));
  dragFrom(event, (place) => look(x.invert(place.x), y.invert(place.y)));
  (event.currentTarget as SVGElement).focus();
}

const KEYS: Readonly<Record<string, readonly [steer: number, travel: number]>> = {
  ArrowLeft: [1, 0],
  ArrowRight: [-1, 0],
  ArrowUp: [0, 5],
  ArrowDown: [0, -5],
};

function key(event: KeyboardEvent): void {
  const way = KEYS[event.key];
  if (!way || !props.map) return;
  event.preventDefault();
  const times = event.shiftKey ? 5 : 1;
  look(steerDeg.value + times * way[0], props.looked.travel + times * way[1]);
}

const summary = computed(() => {
  const { map } = props;
  if (!map || !short.value) return '';
  const count = [...short.value].filter((mm) => mm < 0).length;
  const what =
    of.value === 'picked' && props.picked
      ? props.labelOf(props.picked.id)
      : 'The worst of all parts, short by or to spare';
  const of100 = (100 * count) / short.value.length;
  const share = count > 0 && of100 < 1 ? 'less than 1' : String(Math.round(of100));
  const where = props.picked
    ? ` Least ${formatMm(props.picked.gapMm)} mm: ${shortPosture(props.picked.steerDeg, props.picked.travelMm, map.rideMm)}.`
    : '';
  return `${what}: less than wanted in ${share} % of what the stops allow.${of.value === 'picked' ? where : ''}`;
});
</script>

<template>
  <figure class="drawing map" :aria-busy="pending" data-testid="posture-map">
    <figcaption>
      <span>Gap by steer and travel</span>
      <v-btn-toggle v-model="of" aria-label="Whose gap" class="of">
        <v-btn value="picked" height="48">{{ picked ? labelOf(picked.id) : 'Picked' }}</v-btn>
        <v-btn value="all" height="48">All, short by or to spare</v-btn>
      </v-btn-toggle>
      <v-btn height="48" min-width="64" variant="text" @click="asTable = !asTable">{{
        asTable ? 'Drawing' : 'Table'
      }}</v-btn>
    </figcaption>
    <p class="summary muted" data-testid="map-summary">{{ summary }}</p>

    <PostureMapTable v-if="asTable && map && shown" :map="map" :values="shown" />

    <svg
      v-else-if="map && areas"
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      :class="{ pending }"
      role="application"
      tabindex="0"
      :aria-label="`Map of steer and travel. Looked at: ${postureWords(steerDeg, looked.travel, map.rideMm)}. Arrow keys steer and move the wheel. ${summary}`"
      data-testid="map-plot"
      @pointerdown="press"
      @keydown="key"
    >
      <defs>
        <pattern id="short" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0v7" class="hatch" />
        </pattern>
        <clipPath id="plot">
          <rect :x="PLOT.left" :y="PLOT.top" :width="PLOT.right - PLOT.left" :height="PLOT.bottom - PLOT.top" />
        </clipPath>
      </defs>
      <g clip-path="url(#plot)">
        <path :d="areas.shortfall" class="short" fill-rule="evenodd" />
        <path :d="areas.touch" class="touch" fill-rule="evenodd" />
        <path v-for="l in areas.lines" :key="l.mm" :d="l.d" class="level" :class="{ zero: l.mm === 0 }" />
      </g>
      <path :d="outline" class="outline" />
      <g class="axis figures">
        <rect
          :x="PLOT.left"
          :y="PLOT.top"
          :width="PLOT.right - PLOT.left"
          :height="PLOT.bottom - PLOT.top"
          class="frame"
        />
        <g v-for="s in scales.x.ticks(7)" :key="`s${s}`" :transform="`translate(${scales.x(s)} ${PLOT.bottom})`">
          <path d="M0 0v6" />
          <text y="20" text-anchor="middle">{{ s === 0 ? '0°' : `${Math.abs(s)}°` }}</text>
        </g>
        <text :x="PLOT.left" :y="HEIGHT - 8">← steered left</text>
        <text :x="PLOT.right" :y="HEIGHT - 8" text-anchor="end">steered right →</text>
        <g v-for="t in scales.y.ticks(8)" :key="`t${t}`" :transform="`translate(${PLOT.left} ${scales.y(t)})`">
          <path d="M-6 0h6" />
          <text x="-9" y="5" text-anchor="end">{{ t }}</text>
        </g>
        <text :transform="`translate(13 ${(PLOT.top + PLOT.bottom) / 2}) rotate(-90)`" text-anchor="middle">
          travel, mm: bump up, droop down
        </text>
      </g>
      <g class="parked">
        <path :d="`M${PLOT.left} ${scales.y(map.rideMm)}H${PLOT.right}`" />
        <text :x="PLOT.right - 6" :y="scales.y(map.rideMm) - 5" text-anchor="end">parked</text>
      </g>
      <g v-if="Math.abs(map.rideMm) > 1" class="surveyed">
        <path :d="`M${PLOT.left} ${scales.y(0)}H${PLOT.right}`" />
        <text :x="PLOT.left + 6" :y="scales.y(0) - 5">parked when surveyed</text>
      </g>
      <text v-for="l in labels" :key="`n${l.mm}`" :x="l.x" :y="l.y + 5" text-anchor="middle" class="number figures">
        {{ l.mm }}
      </text>
      <g
        v-if="lowMark"
        class="low"
        :transform="`translate(${lowMark.x} ${lowMark.y})`"
        :class="`verdict-${picked?.verdict}`"
      >
        <path d="M0 -9L9 0 0 9 -9 0Z" />
        <title>Least gap</title>
      </g>
      <g class="cursor" :transform="`translate(${cursor.x} ${cursor.y})`" data-testid="map-cursor">
        <path d="M-16 0h10M6 0h10M0 -16v10M0 6v10" />
        <circle r="6" />
      </g>
    </svg>
    <p v-else-if="map" class="note muted">
      This wheel does not steer: its gaps change with travel alone. See the table.
    </p>
    <p v-else class="note muted">{{ pending ? 'Drawing the map' : 'Nothing to draw yet.' }}</p>
    <p class="note muted">
      Hatched: less than the standard wants; solid: touching. Bold dashes: the envelope. Diamond: the least gap. Ring:
      what is looked at.{{ pending ? ' Coarse, finer in a moment.' : '' }}
    </p>
  </figure>
</template>

<style scoped>
.map figcaption {
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}
.map figcaption > :first-child {
  flex: 1;
}
.of {
  height: 44px;
}
.summary,
.note {
  font-size: 14px;
  line-height: 19px;
}
svg {
  touch-action: none;
  user-select: none;
  cursor: crosshair;
}
svg.pending {
  opacity: 0.6;
}
text {
  font-size: 14px;
  font-family: var(--figures);
  fill: var(--ink);
}
.axis path,
.frame {
  stroke: var(--muted);
  fill: none;
}
.axis text {
  fill: var(--muted);
}
.hatch {
  stroke: var(--rubs);
  stroke-opacity: 0.55;
  stroke-width: 3;
}
.short {
  fill: url('#short');
}
.touch {
  fill: rgb(var(--v-theme-rubs), 0.35);
}
.level {
  fill: none;
  stroke: var(--muted);
  stroke-width: 1;
}
.level.zero {
  stroke: var(--rubs);
  stroke-width: 2.5;
}
.outline {
  fill: none;
  stroke: var(--ink);
  stroke-width: 3;
  stroke-dasharray: 9 5;
  pointer-events: none;
}
.parked path {
  stroke: var(--accent);
  stroke-width: 2;
}
.parked text,
.number {
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
}
.parked text {
  fill: var(--accent);
  font-weight: 600;
}
.surveyed path {
  stroke: var(--ghost);
  stroke-dasharray: 5 4;
}
.surveyed text {
  fill: var(--muted);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
}
.low path {
  fill: currentColor;
  stroke: var(--paper);
  stroke-width: 1.5;
}
.cursor path,
.cursor circle {
  stroke: var(--ink);
  stroke-width: 2.5;
  fill: none;
}
.cursor {
  pointer-events: none;
}
</style>
