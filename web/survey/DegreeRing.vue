<script setup lang="ts">
import { computed, ref } from 'vue';
import { formatClock, seenClock } from '@/core/1-base/units/clock';

/** A ring to print at true size and tape to the wheel: clock positions every ten minutes, for both sides of the vehicle. */
const side = ref<'left' | 'right'>('left');
/** mm: fits a sheet of A4 or letter paper. */
const RADIUS = 92;

const ticks = computed(() =>
  Array.from({ length: 72 }, (_, i) => {
    const degrees = 5 * i;
    const angle = ((side.value === 'left' ? -1 : 1) * degrees * Math.PI) / 180;
    const hour = degrees % 30 === 0;
    const at = (r: number): string => `${(r * Math.sin(angle)).toFixed(2)} ${(-r * Math.cos(angle)).toFixed(2)}`;
    const inner = hour ? RADIUS - 12 : degrees % 15 === 0 ? RADIUS - 8 : RADIUS - 5;
    return {
      degrees,
      hour,
      path: `M${at(RADIUS)}L${at(inner)}`,
      x: (RADIUS - 19) * Math.sin(angle),
      y: -(RADIUS - 19) * Math.cos(angle) + 2,
      clock: seenClock(formatClock(degrees), side.value),
    };
  }),
);
const print = (): void => window.print();
</script>

<template>
  <main class="page">
    <div class="no-print row">
      <h1>Degree ring</h1>
      <v-btn-toggle v-model="side" mandatory aria-label="Side of the vehicle">
        <v-btn value="left" height="48">Left wheel</v-btn>
        <v-btn value="right" height="48">Right wheel</v-btn>
      </v-btn-toggle>
      <v-btn color="primary" height="48" @click="print">Print at 100 %</v-btn>
      <p>Cut along the outer circle, tape it to the wheel about its center with 12:00 straight up by a level.</p>
    </div>
    <svg
      class="ring"
      width="190mm"
      height="205mm"
      viewBox="-95 -95 190 205"
      role="img"
      :aria-label="`Clock ring for a ${side} wheel`"
    >
      <circle :r="RADIUS" class="line" />
      <circle r="32" class="line" />
      <circle r="1" />
      <path d="M-6 0H6M0 -6V6" class="line" />
      <g v-for="t in ticks" :key="t.degrees">
        <path :d="t.path" class="line" :class="{ hour: t.hour }" />
        <text v-if="t.hour" :x="t.x" :y="t.y" text-anchor="middle">{{ t.clock }}</text>
      </g>
      <text y="-44" text-anchor="middle" class="small">{{ side }} wheel</text>
      <text :x="side === 'left' ? -50 : 50" y="2" text-anchor="middle" class="small">front</text>
      <path d="M-50 102H50M-50 100v4M50 100v4" class="line hour" />
      <text y="108" text-anchor="middle" class="small">this line is 100 mm long: check it with a ruler</text>
    </svg>
  </main>
</template>

<style scoped>
.page {
  padding: 12px 20px;
  background: #fff;
  color: #000;
  min-height: 100vh;
}
h1 {
  font-size: 20px;
}
.ring {
  display: block;
  margin: 8px auto;
}
.line {
  fill: none;
  stroke: #000;
  stroke-width: 0.35;
}
.hour {
  stroke-width: 0.8;
}
text {
  font-family: var(--figures);
  font-size: 6px;
  font-weight: 600;
  fill: #000;
}
.small {
  font-size: 4px;
  font-weight: 500;
}
@media print {
  .page {
    padding: 0;
  }
}
</style>
