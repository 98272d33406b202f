<script setup lang="ts">
import { mdiDownload } from '@mdi/js';
import { computed, ref } from 'vue';
import type { FoundRow } from '@/core/6-decisions/finder/rows';
import { gradedVerdict, STANDARDS, verdictOf, type StandardId, type Verdict } from '@/core/4-clearance/case/standard';
import PageKeys from '../kit/PageKeys.vue';
import VerdictMark from '../kit/VerdictMark.vue';
import { formatMm, signedMm } from '@/core/1-base/units/length';
import type { FoundOn } from '@/core/6-decisions/finder/session';
import { saveText } from '../kit/save-text';
import { chanceKey } from './use-finder';
import { answerCsv } from './answer-csv';
import {
  changesWords,
  CONSTRAINT_WORDS,
  costWords,
  lowGapWords,
  PERMANENCE_WORDS,
  stanceWords,
  tireWords,
  wheelWords,
} from './finder-words';

/** Combinations that will do: sorted, filtered, picked, taken away as CSV. */
const props = defineProps<{
  rows: readonly FoundRow[];
  axle: FoundOn;
  chances: ReadonlyMap<string, number | null>;
  caption: string;
  pickedNumber: number | null;
  file: string;
  standard: StandardId;
  /** Enough was measured to say that something clears. */
  isKnown: boolean;
}>();
const emit = defineEmits<{ pick: [number: number] }>();

const search = ref('');
const page = ref(1);
const only = ref<'all' | 'clears'>('all');

const HEADERS = [
  { key: 'grade', title: '', sortable: false },
  { key: 'tire', title: 'Tire' },
  { key: 'diameterMm', title: 'Diameter, mm' },
  { key: 'wheel', title: 'Wheel', minWidth: '150px' },
  { key: 'lowGapMm', title: 'Low gap, mm', minWidth: '96px' },
  { key: 'chance', title: 'Too close, %' },
  { key: 'tightest', title: 'Tightest' },
  { key: 'permanence', title: 'To be changed' },
  { key: 'pokeMm', title: 'Poke, mm' },
  { key: 'costMinor', title: 'Cost' },
] as const;

/** By the margin as it is, and by how likely it is to fall short where that was asked. */
const gradeOf = (row: FoundRow): Verdict =>
  gradedVerdict(
    verdictOf(
      { gapMm: row.lowGapMm + (row.requiredMm ?? 0), marginMm: row.lowGapMm },
      STANDARDS[props.standard],
      props.isKnown,
    ),
    props.chances.get(chanceKey(props.axle, row.number)) ?? null,
  );

const items = computed(() =>
  props.rows
    .filter((row) => only.value === 'all' || row.result === 'clears')
    .map((row) => ({
      row,
      number: row.number,
      tire: `${tireWords(row)}${row.label && tireWords(row) !== row.label ? ` ${row.label}` : ''}`,
      diameterMm: row.diameterMm,
      wheel: [wheelWords(row), stanceWords(row)].filter(Boolean).join(', '),
      lowGapMm: row.lowGapMm,
      grade: gradeOf(row),
      chance: props.chances.get(chanceKey(props.axle, row.number)) ?? -1,
      tightest: row.obstacleLabel ?? 'nothing near',
      changes: changesWords(row),
      permanence: row.permanence,
      pokeMm: row.pokeMm ?? Number.NEGATIVE_INFINITY,
      costMinor: row.costMinor ?? Number.POSITIVE_INFINITY,
    })),
);

const save = (): void => saveText(`${props.file}.csv`, 'text/csv', answerCsv(props.rows));
const unchecked = computed(() => [...new Set(props.rows.flatMap((row) => row.unchecked))]);
</script>

<template>
  <div class="found box">
    <div class="row">
      <v-text-field v-model="search" label="Filter" clearable hide-details autocomplete="off" class="grow" />
      <v-btn-toggle v-model="only" aria-label="Which are listed">
        <v-btn value="all" height="48">All that will do</v-btn>
        <v-btn value="clears" height="48">As they are</v-btn>
      </v-btn-toggle>
      <v-btn variant="outlined" height="48" :prepend-icon="mdiDownload" :disabled="!rows.length" @click="save"
        >To CSV</v-btn
      >
    </div>
    <p class="small muted">
      {{ caption }} Likely too close, %: by how well the well was measured, first rows.
      <template v-if="unchecked.length">
        Not checked where nothing is said: {{ unchecked.map((one) => CONSTRAINT_WORDS[one]).join(', ') }}.
      </template>
    </p>
    <v-data-table
      :headers="HEADERS"
      :items="items"
      v-model:page="page"
      :search="search"
      item-value="number"
      density="compact"
      :items-per-page="15"
      no-data-text="Nothing will do. Below stands what each tire falls short by."
    >
      <template #item="{ item }">
        <tr :data-grade="item.grade" :aria-current="item.number === pickedNumber" @click="emit('pick', item.number)">
          <td class="grade"><VerdictMark :verdict="item.grade" :size="18" /></td>
          <td>
            <button type="button" class="tire figures" @click.stop="emit('pick', item.number)">{{ item.tire }}</button>
          </td>
          <td class="figures">{{ formatMm(item.diameterMm, 0) }}</td>
          <td>{{ item.wheel }}</td>
          <td class="figures">{{ lowGapWords(item.row) }}</td>
          <td class="figures">{{ item.chance < 0 ? '·' : Math.round(100 * item.chance) }}</td>
          <td>{{ item.tightest }}</td>
          <td :class="item.row.result === 'clears' ? 'muted' : 'verdict-close'">
            {{ item.changes
            }}<span v-if="item.permanence" class="muted small"> ({{ PERMANENCE_WORDS[item.permanence] }})</span>
          </td>
          <td class="figures">{{ item.row.pokeMm === null ? 'no edge' : signedMm(item.row.pokeMm) }}</td>
          <td class="figures">{{ costWords(item.row.costMinor) }}</td>
        </tr>
      </template>
      <template #bottom="{ pageCount }">
        <PageKeys :page="page" :pages="pageCount" what="Combinations" @turn="(to) => (page = to)" />
      </template>
    </v-data-table>
  </div>
</template>

<style scoped>
tr {
  cursor: pointer;
}
tr[aria-current='true'] {
  background: rgb(var(--v-theme-primary), 0.12);
}
td {
  padding: 0 8px !important;
  font-size: 15px;
}
.grade {
  white-space: nowrap;
  font-size: 14px;
}
.tire:not(.v-btn) {
  font-weight: 600;
  min-height: 48px;
  text-align: left;
}
.found :deep(th) {
  padding: 0 8px !important;
  font-size: 14px;
}
</style>
