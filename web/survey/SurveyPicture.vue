<script setup lang="ts">
import { computed } from 'vue';
import { flatten } from '@/core/1-base/geometry/outline';
import { attempt } from '@/core/1-base/problem';
import { POLYGON_SAG_MM } from '@/core/1-base/tolerances';
import { parseClock, seenClock } from '@/core/1-base/units/clock';
import { formatMm } from '@/core/1-base/units/length';
import type { Side } from '@/core/2-vehicle/motion/steering';
import type { TireSection } from '@/core/2-vehicle/tire/section';
import type { SurveyedReadings } from '@/core/3-survey/edge-fit/surveyed-readings';
import { drawnThing, MISS_DRAWN, spotOf, type DrawnThing, type ThingKnown, type View } from './survey-picture';

/**
 * What was surveyed round the tire, at scale: from outside, where a clock is chosen too, and from the front. Every part with its edge and
 * the doubt about it as a band; of the chosen part every reading, and by how much the edge misses it.
 */
const props = defineProps<{
  side: Side;
  section: TireSection;
  /** Of the tire's centre plane outboard of the hub face, mm. */
  centrePlaneMm: number;
  things: readonly {
    readonly id: string;
    readonly label: string;
    readonly found: SurveyedReadings;
    readonly known: ThingKnown;
  }[];
  chosen: string | null;
  /** The reading that is looked at. */
  picked: number | null;
  clock: string;
  /** What the walk asks for next is lit here. */
  lit?: string | null;
}>();
const emit = defineEmits<{ choose: [clock: string]; pick: [index: number]; thing: [id: string] }>();

const radius = computed(() => props.section.diameterMm / 2);
const rim = computed(() => props.section.bead.r);
const hand = computed(() => (props.side === 'left' ? -1 : 1));

function onDial(clock: string, r: number): { x: number; y: number } | null {
  const parsed = attempt(() => parseClock(clock));
  if (!parsed.ok) return null;
  const angle = (parsed.value * Math.PI) / 180;
  return { x: hand.value * r * Math.sin(angle), y: -r * Math.cos(angle) };
}
const HOURS = Array.from({ length: 24 }, (_, i) => `${Math.floor(i / 2) || 12}:${i % 2 ? '30' : '00'}`);
const marks = computed(() =>
  HOURS.map((clock, i) => ({
    clock,
    seen: seenClock(clock, props.side),
    isWhole: i % 2 === 0,
    isPatch: i >= 10 && i <= 14,
    inner: onDial(clock, radius.value - (i % 2 ? 26 : 44))!,
    outer: onDial(clock, radius.value)!,
    label: onDial(clock, radius.value - 82)!,
  })),
);
const at = computed(() => onDial(props.clock, radius.value));
const litAt = computed(() => (props.lit ? onDial(props.lit, radius.value) : null));

/** The fitted tire cut through its axle, seen from the front: above and below the axle. */
const cut = computed(() => {
  const half = flatten(props.section.outline, POLYGON_SAG_MM).map(({ a, r }) =>
    spotOf('front', props.side, [0, a + props.centrePlaneMm, r]),
  );
  const path = (sign: number): string =>
    `M${half.map(([x, y]) => `${x.toFixed(1)} ${(sign * y).toFixed(1)}`).join('L')}Z`;
  return [path(1), path(-1)];
});

const drawn = (view: View) =>
  props.things.map(({ label, found, known }) => ({ label, ...drawnThing(found, view, props.side, known) }));
const pictures = computed(() => [
  { view: 'outside' as const, box: '-650 -690 1300 1180', title: 'From outside', things: drawn('outside') },
  {
    view: 'front' as const,
    box: `${hand.value < 0 ? -470 : -290} -690 760 1180`,
    title: 'From the front',
    things: drawn('front'),
  },
]);
const isChosen = ({ id }: DrawnThing): boolean => id === props.chosen;
const missText = (id: string, index: number): string => {
  const off = props.things.find((thing) => thing.id === id)?.found.readings[index]?.gapOffMm ?? null;
  return off === null ? '' : `, ${formatMm(Math.abs(off))} mm ${off > 0 ? 'more' : 'less'} by the edge`;
};
</script>

<template>
  <div class="pictures">
    <svg
      v-for="{ view, box, title, things: all } in pictures"
      :key="view"
      :viewBox="box"
      class="picture"
      :class="view"
      role="group"
      :aria-label="view === 'outside' ? 'Clock positions round the tire' : 'The well from the front'"
      :data-testid="`survey-${view}`"
    >
      <template v-if="view === 'outside'">
        <circle :r="radius" class="tire" />
        <circle :r="rim" class="rim" />
        <path d="M-520 430H520" class="ground" />
      </template>
      <template v-else>
        <path v-for="(d, i) in cut" :key="i" :d="d" class="tire" />
        <path d="M-460 430H460" class="ground" />
      </template>
      <template v-for="thing in all" :key="thing.id">
        <path v-if="thing.band" :d="thing.band" class="band" :class="{ chosen: isChosen(thing) }" />
        <path
          v-if="thing.edge"
          :d="thing.edge"
          class="edge"
          :class="{ chosen: isChosen(thing), block: thing.isClosed }"
          @click="emit('thing', thing.id)"
        >
          <title>{{ thing.label }}</title>
        </path>
        <template v-if="!isChosen(thing)">
          <circle
            v-for="r in thing.readings"
            :key="r.index"
            :cx="r.at[0]"
            :cy="r.at[1]"
            r="9"
            class="other"
            @click="emit('thing', thing.id)"
          >
            <title>{{ thing.label }}</title>
          </circle>
        </template>
      </template>
      <g v-if="view === 'outside'">
        <g v-for="mark in marks" :key="mark.clock">
          <line :x1="mark.inner.x" :y1="mark.inner.y" :x2="mark.outer.x" :y2="mark.outer.y" class="tick" />
          <text v-if="mark.isWhole" :x="mark.label.x" :y="mark.label.y + 17" text-anchor="middle" class="hour">
            {{ mark.seen.split(':')[0] }}
          </text>
          <circle
            v-if="!mark.isPatch"
            :cx="mark.outer.x"
            :cy="mark.outer.y"
            r="52"
            class="target"
            role="button"
            tabindex="-1"
            :aria-label="`Clock ${mark.seen}`"
            @click="emit('choose', mark.clock)"
          />
        </g>
        <circle v-if="litAt" :cx="litAt.x" :cy="litAt.y" r="58" class="lit" data-testid="lit" />
        <path v-if="at" :d="`M0 0L${at.x} ${at.y}`" class="hand" />
        <circle v-if="at" :cx="at.x" :cy="at.y" r="26" class="chosen-clock" />
      </g>
      <template v-for="thing in all.filter(isChosen)" :key="`c${thing.id}`">
        <path
          v-for="([x, y], i) in thing.seen"
          :key="`s${i}`"
          :d="`M${x - 13} ${y}L${x} ${y - 13}L${x + 13} ${y}L${x} ${y + 13}Z`"
          class="seen"
          data-testid="seen-mark"
        />
        <g
          v-for="r in thing.readings"
          :key="r.index"
          class="reading"
          :class="{ doubted: r.isDoubted, picked: r.index === picked }"
          role="button"
          tabindex="-1"
          :aria-label="`Reading ${r.index + 1}${missText(thing.id, r.index)}`"
          @click="emit('pick', r.index)"
        >
          <title>Reading {{ r.index + 1 }}{{ missText(thing.id, r.index) }}</title>
          <path v-if="r.miss" :d="`M${r.at[0]} ${r.at[1]}L${r.miss[0]} ${r.miss[1]}`" class="miss" />
          <circle :cx="r.at[0]" :cy="r.at[1]" r="23" class="dot" />
          <text :x="r.at[0]" :y="r.at[1] + 12" text-anchor="middle">{{ r.index + 1 }}</text>
        </g>
      </template>
      <g class="ends">
        <template v-if="view === 'outside'">
          <text :x="hand * 520" y="-640" text-anchor="middle">FRONT</text>
          <text :x="-hand * 520" y="-640" text-anchor="middle">REAR</text>
        </template>
        <template v-else>
          <text :x="-hand * 150" y="-640" text-anchor="middle">OUT</text>
          <text :x="hand * 330" y="-640" text-anchor="middle">IN</text>
        </template>
      </g>
      <text :x="view === 'front' ? (hand < 0 ? -90 : 90) : 0" y="478" text-anchor="middle" class="note">
        {{ title }}
      </text>
    </svg>
  </div>
  <p v-if="chosen && things.some(({ id, found }) => id === chosen && found.edge)" class="muted small">
    The band holds the part in 9 of 10 cases. A stroke at a reading is by how much the edge misses it,
    {{ MISS_DRAWN }} times as long.
    <template v-if="things.some(({ id, found }) => id === chosen && found.seen.length)"
      >Diamonds are marks of pictures.</template
    >
  </p>
</template>

<style scoped>
.pictures {
  display: grid;
  grid-template-columns: 1300fr 760fr;
  gap: 6px;
}
@media (max-width: 760px) {
  .pictures {
    grid-template-columns: minmax(0, 1fr);
  }
}
.picture {
  width: 100%;
  max-height: 400px;
}
.tire {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 6;
}
.rim {
  fill: none;
  stroke: var(--ghost);
  stroke-width: 5;
}
.ground {
  stroke: var(--muted);
  stroke-width: 5;
  stroke-dasharray: 22 14;
}
.tick {
  stroke: var(--muted);
  stroke-width: 5;
}
.hour {
  font-family: var(--figures);
  font-size: 50px;
  font-weight: 600;
  fill: var(--ink);
}
.note {
  font-size: 38px;
  fill: var(--muted);
}
.ends {
  font-size: 46px;
  font-weight: 700;
  letter-spacing: 0.04em;
  fill: var(--ink);
}
.band {
  fill: var(--ghost);
  opacity: 0.16;
  pointer-events: none;
}
.band.chosen {
  fill: var(--accent);
  opacity: 0.24;
}
.edge {
  fill: none;
  stroke: var(--ghost);
  stroke-width: 9;
  cursor: pointer;
}
.edge.block {
  fill: var(--ghost);
  fill-opacity: 0.25;
}
.edge.chosen {
  stroke: var(--accent);
  stroke-width: 12;
}
.edge.block.chosen {
  fill: var(--accent);
}
.other {
  fill: var(--muted);
  cursor: pointer;
}
.target {
  fill: transparent;
  cursor: pointer;
}
.target:hover {
  fill: var(--accent);
  opacity: 0.25;
}
.hand {
  stroke: var(--accent);
  stroke-width: 8;
  pointer-events: none;
}
.chosen-clock {
  fill: var(--accent);
  pointer-events: none;
}
.lit {
  fill: none;
  stroke: var(--accent);
  stroke-width: 11;
  stroke-dasharray: 26 14;
  pointer-events: none;
}
.seen {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 5;
  pointer-events: none;
}
.reading {
  cursor: pointer;
}
.reading text {
  font-family: var(--figures);
  font-size: 34px;
  font-weight: 700;
  fill: var(--paper);
  pointer-events: none;
}
.dot {
  fill: var(--ink);
}
.doubted .dot {
  fill: var(--rubs);
}
.picked .dot {
  stroke: var(--accent);
  stroke-width: 11;
}
.miss {
  stroke: var(--ink);
  stroke-width: 9;
}
.doubted .miss {
  stroke: var(--rubs);
}
</style>
