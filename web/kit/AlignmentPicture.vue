<script setup lang="ts">
import { computed } from 'vue';
import type { Side } from '@/core/2-vehicle/motion/steering';
import { ANGLES, drawnDeg, outboardSign, type AlignmentAngle } from '../drawing/alignment-angles';
import WheelFace from './WheelFace.vue';

/** One angle of one wheel, drawn larger than it is: as it was behind, as it is before it. */
const props = defineProps<{ angle: AlignmentAngle; side: Side; was?: number | undefined; is?: number | undefined }>();

const SIZE = 120;
const view = computed(() => ANGLES[props.angle]);
const turns = computed(() =>
  [
    { name: 'was', deg: props.was },
    { name: 'is', deg: props.is },
  ].flatMap(({ name, deg }) => (deg === undefined ? [] : [{ name, turn: drawnDeg(props.angle, deg, props.side) }])),
);
/** With nothing read it stands straight, and pale. */
const shown = computed(() => (turns.value.length > 0 ? turns.value : [{ name: 'unread', turn: 0 }]));
const outboard = computed(() => outboardSign(props.side));
/** Facing a left wheel from outside the front is to the left. */
const front = computed(() => (props.angle === 'caster' ? (props.side === 'left' ? 'start' : 'end') : null));
</script>

<template>
  <svg
    :viewBox="`${-SIZE / 2} ${-SIZE / 2} ${SIZE} ${SIZE}`"
    class="alignment"
    role="img"
    :aria-label="`${view.name} of a ${side} wheel, ${view.seen}`"
  >
    <path :d="`M0 -54V54`" class="straight" />
    <template v-if="angle === 'caster'">
      <WheelFace :rim-radius="27" :tire-radius="40" />
      <path
        v-for="one in shown"
        :key="one.name"
        :transform="`rotate(${one.turn})`"
        d="M0 -56V56"
        :class="one.name"
        class="axis"
      />
      <text :x="front === 'start' ? -58 : 58" y="-46" :text-anchor="front ?? 'middle'">front</text>
    </template>
    <template v-else>
      <g v-for="one in shown" :key="one.name" :transform="`rotate(${one.turn})`" :class="one.name">
        <rect x="-15" y="-42" width="30" height="84" rx="8" class="tire" />
        <rect :x="outboard > 0 ? 2 : -10" y="-26" width="8" height="52" class="rim" />
      </g>
      <text v-if="angle === 'toe'" x="0" y="-46" text-anchor="middle">front</text>
      <text :x="54 * outboard" y="54" :text-anchor="outboard > 0 ? 'end' : 'start'">out</text>
    </template>
  </svg>
</template>

<style scoped>
.alignment {
  display: block;
  width: 120px;
  height: 120px;
}
.straight {
  stroke: var(--rule);
  stroke-width: 2;
}
.tire {
  fill: var(--rubber);
}
.rim {
  fill: var(--metal);
}
.was .tire,
.unread .tire {
  fill: none;
  stroke: var(--ghost);
  stroke-width: 2;
}
.was .rim,
.unread .rim {
  fill: none;
}
.axis {
  stroke: var(--accent);
  stroke-width: 5;
  stroke-linecap: round;
}
.axis.was,
.axis.unread {
  stroke: var(--ghost);
  stroke-width: 3;
}
text {
  font-family: var(--text);
  font-size: 14px;
  fill: var(--muted);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 3px;
}
</style>
