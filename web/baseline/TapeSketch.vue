<script setup lang="ts">
import { computed } from 'vue';
import type { Motion } from './motion-entries';

/** Where to hold the tape: the suspension from the front (outboard to the right), each measurement drawn from end to end. */
const props = defineProps<{ motion: Motion }>();

interface Tape {
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
  readonly label: string;
  /** The label's shift from the middle of the tape. */
  readonly shift: readonly [number, number];
}

interface Sketch {
  readonly title: string;
  /** Bars of the suspension: pairs of ends. */
  readonly bars: readonly (readonly [number, number, number, number])[];
  readonly joints: readonly (readonly [number, number])[];
  readonly tapes: readonly Tape[];
  readonly side?: boolean;
}

const tape = (from: Tape['from'], to: Tape['to'], label: string, shift: Tape['shift'] = [0, -8]): Tape => ({
  from,
  to,
  label,
  shift,
});

const LOWER = [
  tape([150, 214], [300, 222], 'lower arm', [-14, 22]),
  tape([330, 150], [330, 222], 'hub down to joint', [-72, 4]),
] as const;

const SKETCHES: Readonly<Record<Motion['type'], Sketch>> = {
  doubleWishbone: {
    title: 'Double wishbone from the front',
    bars: [
      [150, 204, 300, 212],
      [180, 84, 288, 78],
      [300, 212, 288, 78],
    ],
    joints: [
      [150, 204],
      [300, 212],
      [180, 84],
      [288, 78],
    ],
    tapes: [
      ...LOWER,
      tape([180, 70], [288, 64], 'upper arm'),
      tape([330, 150], [330, 78], 'hub up to joint', [-66, 4]),
    ],
  },
  macphersonStrut: {
    title: 'Strut from the front',
    bars: [
      [150, 204, 300, 212],
      [300, 212, 252, 24],
    ],
    joints: [
      [150, 204],
      [300, 212],
      [252, 24],
    ],
    tapes: [...LOWER, tape([330, 150], [330, 24], 'hub up to strut mount', [-88, 10])],
  },
  beamAxle: {
    title: 'Beam axle from the front: hub faces, bump stops and shocks',
    bars: [
      [70, 150, 350, 150],
      [140, 150, 140, 118],
      [280, 150, 280, 118],
      [162, 150, 174, 118],
      [258, 150, 246, 118],
    ],
    joints: [
      [70, 150],
      [350, 150],
    ],
    tapes: [
      tape([70, 222], [350, 222], 'hub face to hub face'),
      tape([140, 106], [280, 106], 'stop to stop', [0, -8]),
      tape([162, 172], [258, 172], 'shock to shock', [0, 18]),
    ],
  },
  trailingArm: {
    title: 'Trailing arm from the side, front to the left',
    bars: [[130, 120, 345, 150]],
    joints: [
      [130, 120],
      [345, 150],
    ],
    tapes: [
      tape([130, 96], [345, 126], 'pivot to hub center'),
      tape([110, 150], [110, 120], 'pivot above hub', [-10, 36]),
    ],
    side: true,
  },
  swingArm: {
    title: 'Swing center from the front: where the lines of the arms meet',
    bars: [[40, 162, 330, 150]],
    joints: [[40, 162]],
    tapes: [
      tape([40, 206], [330, 206], 'inboard to the swing center'),
      tape([40, 150], [40, 162], 'its height', [32, -6]),
    ],
  },
};

const sketch = computed(() => SKETCHES[props.motion.type]);
</script>

<template>
  <svg viewBox="0 0 430 260" class="sketch" role="img" :aria-label="sketch.title">
    <circle v-if="sketch.side" cx="345" cy="150" r="82" class="tire" />
    <rect v-else x="350" y="54" width="60" height="192" rx="16" class="tire" />
    <path v-if="!sketch.side" d="M330 150H350" class="bar" />
    <path v-for="(bar, i) in sketch.bars" :key="i" :d="`M${bar[0]} ${bar[1]}L${bar[2]} ${bar[3]}`" class="bar" />
    <circle v-for="(joint, i) in sketch.joints" :key="`j${i}`" :cx="joint[0]" :cy="joint[1]" r="6" class="joint" />
    <circle v-if="!sketch.side" cx="330" cy="150" r="4" class="hub" />
    <g v-for="t in sketch.tapes" :key="t.label" class="tape">
      <path :d="`M${t.from[0]} ${t.from[1]}L${t.to[0]} ${t.to[1]}`" />
      <circle :cx="t.from[0]" :cy="t.from[1]" r="3.5" />
      <circle :cx="t.to[0]" :cy="t.to[1]" r="3.5" />
      <text
        :x="(t.from[0] + t.to[0]) / 2 + t.shift[0]"
        :y="(t.from[1] + t.to[1]) / 2 + t.shift[1]"
        text-anchor="middle"
      >
        {{ t.label }}
      </text>
    </g>
    <text x="8" y="252" class="caption">{{ sketch.side ? '← front' : 'inboard ←   → outboard' }}</text>
  </svg>
</template>

<style scoped>
.sketch {
  width: 100%;
  max-height: 230px;
}
.tire {
  fill: none;
  stroke: var(--ghost);
  stroke-width: 3;
}
.bar {
  stroke: var(--ink);
  stroke-width: 4;
  fill: none;
}
.joint {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 3;
}
.hub {
  fill: var(--ink);
}
.tape path {
  stroke: var(--accent);
  stroke-width: 2;
  stroke-dasharray: 7 4;
}
.tape circle {
  fill: var(--accent);
}
.tape text {
  font-size: 15px;
  font-weight: 600;
  fill: var(--accent);
  stroke: var(--paper);
  stroke-width: 5;
  paint-order: stroke;
}
.caption {
  font-size: 14px;
  fill: var(--muted);
}
</style>
