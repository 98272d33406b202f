<script setup lang="ts">
import { mdiPrinterOutline } from '@mdi/js';
import { computed, ref, shallowRef, watch } from 'vue';
import type { LowgapSetup } from '@/contracts/lowgap-file';
import { problemText } from '../problem-words';
import { POKE_POSTURES, type NeedGap, type NeedGapCard, type PokePosture } from '@/core/6-decisions/finder/need-gap';
import type { Material } from '@/core/3-survey/shape/material';
import { READING_PLACES } from '@/core/3-survey/reading/reading';
import type { Problem } from '@/core/1-base/problem';
import { formatFraction, formatMm, signedMm } from '@/core/1-base/units/length';
import { useCurrentCorner } from '../job/current-corner';
import { useJobStore } from '../stores/job';
import { ACROSS_NAMES, MATERIAL_NAMES, STANDARD_NAMES } from '../words';
import { seenClock } from '@/core/1-base/units/clock';
import { CORNER_NAMES, sideOf } from '../../core/2-vehicle/setup/corner-key';
import type { FinderClient } from '../workers/finder-client';
import { POKE_POSTURE_WORDS } from './finder-words';

/** What gap the tire now fitted must have, place by place, for the wanted setup to clear: to take to the vehicle. */
const props = defineProps<{ client: FinderClient; wanted: LowgapSetup | null }>();
const job = useJobStore();
const key = useCurrentCorner();

const material = ref<Material>('sheetMetal');
const card = shallowRef<NeedGapCard | null>(null);
const problems = shallowRef<readonly Problem[]>([]);
const working = ref(false);
const posture = ref<PokePosture>('straight');

const setup = computed(() => props.wanted ?? job.document?.setup ?? null);
const setupWords = computed(() => {
  if (!setup.value) return '';
  const { tire, wheel, spacerMm } = setup.value;
  const stands = wheel.offsetMm === undefined ? '' : `, offset ${signedMm(wheel.offsetMm)} mm`;
  return `${tire.size} on ${wheel.diameterIn} x ${wheel.widthIn}${stands}${spacerMm ? `, ${formatMm(spacerMm)} mm spacer` : ''}`;
});
const fittedWords = computed(() => job.document?.corners[key.value]?.fitted.tire.size ?? '');

watch([setup, material, key, () => job.document?.corners], () => (card.value = null));

async function work(): Promise<void> {
  const file = job.document;
  if (!file || !setup.value) return;
  working.value = true;
  const found = await props.client.card({ ...file, setup: setup.value }, key.value, material.value);
  working.value = false;
  if (!found) return;
  card.value = found.ok ? found.value : null;
  problems.value = found.ok ? [] : found.problems;
}

const postures = computed(() => POKE_POSTURES.filter((one) => card.value?.needs.some((need) => need.posture === one)));
const seen = (clock: string): string => seenClock(clock, sideOf(card.value!.corner));
const clocksOf = (of: PokePosture): string[] => [
  ...new Set(card.value?.needs.filter((need) => need.posture === of).map(({ clock }) => clock)),
];
const needs = computed(
  () => new Map(card.value?.needs.map((need) => [`${need.posture}:${need.clock}:${need.across}`, need])),
);
function needWords(need: NeedGap | undefined): string {
  if (!need) return '';
  if (need.needMm === null) return 'turned or lifted';
  return need.needMm === 0 ? 'any' : formatMm(Math.ceil(need.needMm * 2) / 2);
}
const materials = Object.entries(MATERIAL_NAMES).map(([value, title]) => ({ value: value as Material, title }));
const print = (): void => window.print();
</script>

<template>
  <div class="box">
    <div class="no-print row">
      <v-select v-model="material" label="What is in the way" :items="materials" hide-details class="material" />
      <v-btn height="48" color="primary" :loading="working" :disabled="!setup" @click="work">Make the card</v-btn>
      <v-btn height="48" variant="outlined" :prepend-icon="mdiPrinterOutline" :disabled="!card" @click="print"
        >Print</v-btn
      >
    </div>
    <p v-if="!setup" class="muted">Pick a combination, or try a setup on the bench: the card is made for it.</p>
    <p v-for="p in problems" :key="p.path + p.code" class="verdict-rubs" role="alert">{{ problemText(p) }}</p>
    <p v-if="setup && !card && !problems.length" class="muted">
      For {{ setupWords }}: the gap that {{ fittedWords }} must have today at each place, so that a few pokes say
      whether it will fit before anything is bought.
    </p>
    <template v-if="card">
      <h2 class="figures">Will it fit? {{ setupWords }}</h2>
      <p>
        {{ CORNER_NAMES[card.corner] }}, against {{ MATERIAL_NAMES[card.material].toLowerCase() }}, by “{{
          STANDARD_NAMES[job.document!.standard]
        }}”. Measure from the tire now fitted, {{ fittedWords }}, square to its surface, at the surveyed height. Less
        than this, and the wanted tire would come too near.
      </p>
      <div class="two">
        <section>
          <h3>Ten to poke first</h3>
          <p v-if="!card.first.length">Nothing is needed that the fitted tire does not already need.</p>
          <ol class="pokes ruled">
            <li v-for="n in card.first" :key="n.posture + n.clock + n.across">
              <strong class="figures">{{ seen(n.clock) }} {{ ACROSS_NAMES[n.across] }}</strong>
              <span>{{ POKE_POSTURE_WORDS[n.posture] }}</span>
              <span class="figures need">{{ formatMm(n.needMm!) }} mm ({{ formatFraction(n.needMm!) }} in)</span>
              <span class="square" aria-hidden="true"></span>
            </li>
          </ol>
        </section>
        <section>
          <h3>Sticks, true length when printed at 100 %</h3>
          <p v-if="!card.sticks.length">No single stick tells it here: use the places.</p>
          <div v-for="s in card.sticks" :key="s.across + s.posture" class="stick">
            <span class="bar-line" :style="{ width: `${s.lengthMm}mm` }"></span>
            <span class="figures"
              >{{ formatMm(s.lengthMm) }} mm: {{ ACROSS_NAMES[s.across] }}, {{ POKE_POSTURE_WORDS[s.posture] }}. Where
              it passes all along, it clears.</span
            >
          </div>
          <p class="small">Check: this side is 50 mm <span class="check"></span></p>
        </section>
      </div>
      <v-btn-toggle v-model="posture" class="no-print" aria-label="Steer and travel">
        <v-btn v-for="p in postures" :key="p" :value="p" height="48">{{ POKE_POSTURE_WORDS[p] }}</v-btn>
      </v-btn-toggle>
      <table
        v-for="p in postures"
        :key="p"
        class="needs figures"
        :class="{ 'only-print': p !== posture }"
        :aria-label="`Needed gaps, ${POKE_POSTURE_WORDS[p]}, mm`"
      >
        <caption>
          Needed gap in mm,
          {{
            POKE_POSTURE_WORDS[p]
          }}
        </caption>
        <thead>
          <tr>
            <th scope="col">Clock</th>
            <th v-for="a in READING_PLACES" :key="a" scope="col">{{ ACROSS_NAMES[a] }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="c in clocksOf(p)" :key="c">
            <th scope="row">{{ seen(c) }}</th>
            <td v-for="a in READING_PLACES" :key="a">{{ needWords(needs.get(`${p}:${c}:${a}`)) }}</td>
          </tr>
        </tbody>
      </table>
      <p class="small">
        “Any”: whatever clears the fitted tire there clears the wanted one. “Turned or lifted”: the tire sweeps past
        that place when it is; poke it there. A trial fit stays the last word.
      </p>
    </template>
  </div>
</template>

<style scoped>
.material {
  flex: 1 1 200px;
  max-width: 280px;
}
.pokes li {
  display: grid;
  grid-template-columns: 138px minmax(0, 1fr) auto 20px;
  gap: 8px;
  align-items: center;
  padding: 5px 0;
  border-top: 1px solid var(--rule);
}
.need {
  font-weight: 600;
}
.square {
  width: 18px;
  height: 18px;
  border: 1.5px solid var(--ink);
}
.stick {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 2px;
  padding: 5px 0;
  border-top: 1px solid var(--rule);
}
.bar-line {
  height: 8px;
  max-width: 100%;
  border: 2px solid var(--ink);
  border-bottom: 0;
}
.check {
  display: inline-block;
  width: 50mm;
  height: 6mm;
  border: 1px solid var(--ink);
  vertical-align: middle;
}
caption {
  text-align: left;
  font-weight: 600;
  padding: 4px 0;
}
th,
td {
  text-align: right;
}
@media print {
  table {
    break-inside: avoid;
    font-size: 12px;
  }
}
</style>
