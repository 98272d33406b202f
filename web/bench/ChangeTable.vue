<script setup lang="ts">
import { computed } from 'vue';
import type { FitmentChange } from '@/core/5-consequences/stance/fitment-change';
import { formatFraction, formatMm, signedMm } from '@/core/1-base/units/length';
import FiguresTable from '../kit/FiguresTable.vue';

/** What changes against what is fitted, in the trade's words. */
const props = defineProps<{ change: FitmentChange }>();

const signedIn = (mm: number): string => `${mm > 0.8 ? '+' : ''}${formatFraction(mm)} in`;

const rows = computed(() => {
  const { change } = props;
  const scrub = change.scrubRadiusMm;
  const lengths = [
    { name: 'Tire diameter', mm: change.diameterMm },
    { name: 'Section width', mm: change.widthMm },
    { name: 'Poke: outer sidewall further out', mm: change.pokeMm },
    { name: 'Inboard edge: inner sidewall further in', mm: change.inboardMm },
    { name: 'Backspacing, lip to pad', mm: change.backspacingMm },
    { name: 'Ride height, frame over ground', mm: change.rideHeightMm },
    { name: 'Fender over ground', mm: change.fenderHeightMm },
    { name: 'Track, both sides alike', mm: change.trackMm },
    ...(scrub ? [{ name: `Scrub radius, now ${formatMm(scrub.after, 0)} mm`, mm: scrub.after - scrub.before }] : []),
  ];
  const speed = { text: formatMm(change.trueSpeedAt100, 1), beside: 'if right today' };
  return [
    ...lengths.map(({ name, mm }) => ({ name, cells: [{ text: `${signedMm(mm)} mm`, beside: signedIn(mm) }] })),
    { name: 'Speedometer: true speed when 100 is shown', cells: [speed] },
  ];
});
</script>

<template>
  <section aria-label="Against what is fitted">
    <h2 class="panel-title">Against what is fitted</h2>
    <FiguresTable caption="Against what is fitted" :columns="[]" :rows="rows" />
    <p class="muted small">
      Heights by the loaded radius; scrub radius at the loaded radius, + = tire outboard of the steering axis at the
      ground. More of it loads bearings and steering.
    </p>
  </section>
</template>
