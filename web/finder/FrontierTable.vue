<script setup lang="ts">
import { computed, ref } from 'vue';
import type { FinderAnswer } from '@/core/6-decisions/finder/answer';
import type { FoundRow } from '@/core/6-decisions/finder/rows';
import { changesWords, costWords, PERMANENCE_WORDS, tireWords, wheelWords } from './finder-words';
import { formatMm, signedMm } from '@/core/1-base/units/length';

/** The biggest diameter for each width and offset, and the combinations that no other beats on every count. */
const props = defineProps<{ answer: FinderAnswer }>();
const emit = defineEmits<{ pick: [number: number] }>();

const of = ref<'clearsMm' | 'withChangesMm'>('clearsMm');
const offsets = computed(() =>
  [...new Set(props.answer.frontier.map((step) => step.effectiveOffsetMm))].sort((a, b) => a - b),
);
const widths = computed(() => [...new Set(props.answer.frontier.map((step) => step.widthMm))].sort((a, b) => a - b));
const cells = computed(
  () =>
    new Map(
      props.answer.frontier.map((step) => [
        `${step.widthMm}:${step.effectiveOffsetMm}`,
        of.value === 'clearsMm' ? step.clearsMm : Math.max(step.clearsMm ?? 0, step.withChangesMm ?? 0) || null,
      ]),
    ),
);
const most = computed(() => Math.max(0, ...[...cells.value.values()].map((mm) => mm ?? 0)));
const pareto = computed<readonly FoundRow[]>(() => props.answer.pareto);
</script>

<template>
  <div class="box">
    <v-btn-toggle v-model="of" aria-label="How they may clear">
      <v-btn value="clearsMm" height="48">As they are</v-btn>
      <v-btn value="withChangesMm" height="48">With changes</v-btn>
    </v-btn-toggle>
    <div class="scroll" tabindex="0" role="region" aria-label="Biggest diameter by width and effective offset, mm">
      <table v-if="offsets.length" class="figures">
        <caption>
          Biggest diameter in mm: width of the mounted tire down, wheel offset less spacer across
        </caption>
        <thead>
          <tr>
            <th scope="col">mm</th>
            <th v-for="offset in offsets" :key="offset" scope="col">{{ signedMm(offset) }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="width in widths" :key="width">
            <th scope="row">{{ width }} to {{ width + 10 }}</th>
            <td
              v-for="offset in offsets"
              :key="offset"
              :class="{ best: cells.get(`${width}:${offset}`) === most && most > 0 }"
            >
              {{ cells.get(`${width}:${offset}`) ? formatMm(cells.get(`${width}:${offset}`)!, 0) : '·' }}
            </td>
          </tr>
        </tbody>
      </table>
      <p v-else class="muted">Nothing will do, so there is no frontier.</p>
    </div>
    <template v-if="pareto.length">
      <h3>None of these is beaten in diameter, permanence, cost and poke at once</h3>
      <ul class="ruled">
        <li v-for="row in pareto" :key="row.number">
          <button type="button" class="line-key line" @click="emit('pick', row.number)">
            <strong class="figures">{{ tireWords(row) }}</strong>
            <span class="figures">{{ formatMm(row.diameterMm, 0) }} mm</span>
            <span>{{ wheelWords(row) }}</span>
            <span class="muted"
              >{{ PERMANENCE_WORDS[row.permanence]
              }}<template v-if="row.remedies.length">: {{ changesWords(row) }}</template
              >; {{ costWords(row.costMinor)
              }}{{ row.pokeMm === null ? '' : `; poke ${signedMm(row.pokeMm)} mm` }}</span
            >
          </button>
        </li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
caption {
  text-align: left;
  font-size: 14px;
  padding-bottom: 4px;
}
th,
td {
  border: 1px solid var(--rule);
  text-align: right;
  white-space: nowrap;
}
.best {
  font-weight: 700;
  box-shadow: inset 0 0 0 2px var(--clear);
}
.line {
  grid-template-columns: 150px 70px minmax(0, 1fr) minmax(0, 1.2fr);
}
@media (max-width: 700px) {
  .line {
    grid-template-columns: 1fr auto;
  }
}
</style>
