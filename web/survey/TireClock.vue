<script setup lang="ts">
import { computed } from 'vue';
import type { Side } from '@/core/2-vehicle/motion/steering';
import type { Vec3 } from '@/core/1-base/geometry/vec3';
import type { ReadingPlace } from '@/core/3-survey/reading/reading';
import { parseClock, seenClock } from '@/core/1-base/units/clock';
import { attempt } from '@/core/1-base/problem';

/** The tire seen from outside the vehicle: where round it a reading is taken, and what has been taken. */
const props = defineProps<{
  side: Side;
  clock: string;
  taken: readonly { clock: string; across: ReadingPlace }[];
  /** Where readings landed, mount's frame, mm; drawn to the tire's scale. */
  landed?: readonly { readonly at: Vec3; readonly doubted: boolean }[];
  tireRadiusMm?: number;
  /** What the walk asks for next is lit here. */
  lit?: string | null;
}>();

const emit = defineEmits<{ choose: [clock: string] }>();

// Seen from outboard, the front of the vehicle is to the left on the left side and to the right on the right.
const hand = computed(() => (props.side === 'left' ? -1 : 1));

function at(clock: string, radius: number): { x: number; y: number } | null {
  const parsed = attempt(() => parseClock(clock));
  if (!parsed.ok) return null;
  const angle = (parsed.value * Math.PI) / 180;
  return { x: hand.value * radius * Math.sin(angle), y: -radius * Math.cos(angle) };
}

const HOURS = Array.from(
  { length: 24 },
  (_, i) => `${Math.floor(i / 2) === 0 ? 12 : Math.floor(i / 2)}:${i % 2 ? '30' : '00'}`,
);
const marks = computed(() =>
  HOURS.map((clock, i) => {
    const whole = i % 2 === 0;
    return {
      clock,
      whole,
      patch: i >= 10 && i <= 14,
      inner: at(clock, whole ? 128 : 136)!,
      outer: at(clock, 146)!,
      label: at(clock, 168)!,
    };
  }),
);
const chosen = computed(() => at(props.clock, 146));
const dots = computed(() =>
  props.taken.flatMap((r) => (at(r.clock, RADII[r.across]) ? [{ ...at(r.clock, RADII[r.across])!, ...r }] : [])),
);

const places = computed(() => {
  const scale = 146 / (props.tireRadiusMm ?? 400);
  return (props.landed ?? []).map(({ at: [x, , z], doubted }) => ({
    x: hand.value * x * scale,
    y: -z * scale,
    doubted,
  }));
});
const litAt = computed(() => (props.lit ? at(props.lit, 146) : null));

const RADII: Readonly<Record<ReadingPlace, number>> = {
  tread: 146,
  outerShoulder: 136,
  innerShoulder: 136,
  outerSidewall: 112,
  innerSidewall: 112,
};
</script>

<template>
  <svg viewBox="-230 -222 460 430" class="clock" role="group" aria-label="Clock positions round the tire">
    <circle r="146" class="tire" />
    <circle r="84" class="rim" />
    <path d="M-73 126A146 146 0 0 0 73 126L55 96A110 110 0 0 1 -55 96Z" class="patch" />
    <text y="118" class="note" text-anchor="middle">ground</text>
    <g v-for="mark in marks" :key="mark.clock">
      <line :x1="mark.inner.x" :y1="mark.inner.y" :x2="mark.outer.x" :y2="mark.outer.y" class="tick" />
      <text v-if="mark.whole" :x="mark.label.x" :y="mark.label.y + 6" text-anchor="middle" class="hour">
        {{ seenClock(mark.clock, side).split(':')[0] }}
      </text>
      <circle
        v-if="!mark.patch"
        :cx="mark.outer.x"
        :cy="mark.outer.y"
        r="19"
        class="target"
        role="button"
        tabindex="-1"
        :aria-label="`Clock ${seenClock(mark.clock, side)}`"
        @click="emit('choose', mark.clock)"
      />
    </g>
    <circle v-if="litAt" :cx="litAt.x" :cy="litAt.y" r="22" class="lit" data-testid="lit" />
    <g v-for="(p, i) in places" :key="`l${i}`" class="landed" :class="{ doubted: p.doubted }">
      <path :d="`M${p.x - 7} ${p.y}h14M${p.x} ${p.y - 7}v14`" />
    </g>
    <path v-if="chosen" :d="`M0 0L${chosen.x} ${chosen.y}`" class="hand" />
    <circle v-if="chosen" :cx="chosen.x" :cy="chosen.y" r="11" class="chosen" />
    <circle
      v-for="(dot, i) in dots"
      :key="i"
      :cx="dot.x"
      :cy="dot.y"
      r="6"
      class="dot"
      :class="{ hollow: dot.across.startsWith('inner') }"
    />
    <g class="ends">
      <text :x="hand * 196" y="-188" text-anchor="middle">FRONT</text>
      <text :x="-hand * 196" y="-188" text-anchor="middle">REAR</text>
    </g>
  </svg>
</template>

<style scoped>
.clock {
  width: 100%;
  max-height: 330px;
}
.tire {
  fill: none;
  stroke: var(--ink);
  stroke-width: 3;
}
.rim {
  fill: none;
  stroke: var(--ghost);
  stroke-width: 2;
}
.patch {
  fill: var(--rule);
  opacity: 0.6;
}
.tick {
  stroke: var(--muted);
  stroke-width: 2;
}
.hour {
  font-family: var(--figures);
  font-size: 20px;
  font-weight: 600;
  fill: var(--ink);
}
.note {
  font-size: 16px;
  fill: var(--muted);
}
/* Which way the vehicle faces, as large as the hours. */
.ends {
  font-size: 21px;
  font-weight: 700;
  letter-spacing: 0.04em;
  fill: var(--ink);
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
  stroke-width: 3;
  pointer-events: none;
}
.chosen {
  fill: var(--accent);
  pointer-events: none;
}
.lit {
  fill: none;
  stroke: var(--accent);
  stroke-width: 4;
  stroke-dasharray: 9 5;
}
.landed path {
  stroke: var(--ink);
  stroke-width: 3;
}
.landed.doubted path {
  stroke: var(--close);
}
.dot {
  fill: rgb(var(--v-theme-secondary));
  pointer-events: none;
}
.hollow {
  fill: var(--paper);
  stroke: rgb(var(--v-theme-secondary));
  stroke-width: 3;
}
</style>
