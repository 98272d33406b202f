<script setup lang="ts">
import { signedMm } from '@/core/1-base/units/length';
import { computed } from 'vue';
import { asCase } from '@/contracts/as-case';
import { problemText } from '../problem-words';
import { setupForCorner } from '@/core/4-clearance/case/case-description';
import { LIMITS } from '@/core/1-base/limits';
import { attempt } from '@/core/1-base/problem';
import { fenderStand } from '@/core/5-consequences/stance/poke';
import { wheelOffsetMm } from '@/core/2-vehicle/wheel/rim';
import { useJobStore } from '../stores/job';
import { bothUnits } from '../../core/1-base/units/length';
import { CORNER_NAMES, type Axle } from '../../core/2-vehicle/setup/corner-key';
import { cornersOf, setAxleOffset } from './axle-parts';
import FiguresTable from '../kit/FiguresTable.vue';

/** Tire against fender at the new height: tucked, flush or poking, covered or not, and the offset that makes it flush. */
const job = useJobStore();

const rows = computed(() => {
  const file = job.document;
  if (!file) return [];
  return job.corners.map((key) => {
    const found = attempt(() => fenderStand(asCase(file), key));
    const name = CORNER_NAMES[key];
    return found.ok
      ? {
          key,
          name,
          pokeMm: found.value.pokeMm,
          cells: [pokeWords(found.value.pokeMm), coverWords(found.value.covered)],
        }
      : {
          key,
          name,
          pokeMm: null,
          cells: [{ text: problemText(found.problems[0]!), tone: 'rubs' as const, across: 2 }],
        };
  });
});
const pokeWords = (mm: number | null): string =>
  mm === null
    ? 'edge not surveyed at the top'
    : Math.abs(mm) < 0.5
      ? 'flush'
      : mm < 0
        ? `tucked ${bothUnits(-mm)}`
        : `pokes ${bothUnits(mm)}`;
const coverWords = (covered: boolean | null): string =>
  covered === null ? 'too little surveyed' : covered ? 'covered' : 'not covered';

/** What would make an axle's further poking side flush. */
const flush = computed(() =>
  (['front', 'rear'] as const).flatMap((axle: Axle) => {
    const file = job.document!;
    const pokes = rows.value.flatMap(({ key, pokeMm }) => (key.startsWith(axle) && pokeMm !== null ? [pokeMm] : []));
    if (!pokes.length) return [];
    const poke = Math.max(...pokes);
    const now = attempt(() => wheelOffsetMm(setupForCorner(asCase(file), cornersOf(file, axle)[0]!).wheel));
    if (!now.ok) return [];
    const offsetMm = Math.round(now.value + poke);
    const can = offsetMm >= LIMITS.offsetMm.min && offsetMm <= LIMITS.offsetMm.max;
    return can && Math.abs(poke) >= 0.5 ? [{ axle, offsetMm }] : [];
  }),
);
</script>

<template>
  <section class="panel box" aria-label="Tire and fender">
    <h2 class="panel-title">Tire and fender at this height</h2>
    <FiguresTable
      data-testid="fender-rows"
      caption="Tire and fender, corner by corner"
      corner="Corner"
      :columns="['Outer sidewall', '30° ahead to 50° behind']"
      :rows="rows"
    />
    <div class="keys">
      <v-btn
        v-for="f in flush"
        :key="f.axle"
        height="48"
        variant="outlined"
        @click="job.changeSetup((file) => setAxleOffset(file, f.axle, f.offsetMm))"
        >Flush {{ f.axle }}: offset {{ signedMm(f.offsetMm) }}</v-btn
      >
    </div>
    <p class="small muted">
      The arc is that of 78/549/EEC; what must be covered, and how far a tire may poke, is for local law. Another offset
      moves the tire against arms and frame too: the gap strip says what it does.
    </p>
  </section>
</template>
