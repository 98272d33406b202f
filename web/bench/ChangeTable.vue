<script setup lang="ts">
import { computed } from 'vue';
import type { FitmentChange } from '@/core/stance/fitment-change';
import { formatFraction, formatMm } from '@/core/units/length';

/** What changes against what is fitted, in the trade's words. */
const props = defineProps<{ change: FitmentChange }>();

const signed = (mm: number): string => `${mm > 0.05 ? '+' : ''}${formatMm(mm)}`;
const signedIn = (mm: number): string => `${mm > 0.8 ? '+' : ''}${formatFraction(mm)} in`;

const rows = computed(() => [
  { name: 'Tire diameter', mm: props.change.diameterMm },
  { name: 'Section width', mm: props.change.widthMm },
  { name: 'Outer sidewall, + = further out', mm: props.change.pokeMm },
  { name: 'Inner sidewall, + = further in', mm: props.change.inboardMm },
  { name: 'Fender height, free radius', mm: props.change.fenderHeightMm },
]);
</script>

<template>
  <section aria-label="Against what is fitted">
    <h2 class="panel-title">Against what is fitted</h2>
    <table class="figures">
      <tbody>
        <tr v-for="row in rows" :key="row.name">
          <th scope="row">{{ row.name }}</th>
          <td>{{ signed(row.mm) }} mm</td>
          <td class="muted">{{ signedIn(row.mm) }}</td>
        </tr>
        <tr>
          <th scope="row">True speed when 100 is shown</th>
          <td>{{ formatMm(change.trueSpeedAt100, 1) }}</td>
          <td class="muted">if right today</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 16px;
}
th {
  text-align: left;
  font-weight: 400;
  font-family: var(--text);
  font-size: 15px;
}
td {
  text-align: right;
  white-space: nowrap;
}
tr {
  border-top: 1px solid var(--rule);
}
td,
th {
  padding: 3px 0 3px 8px;
}
th {
  padding-left: 0;
}
</style>
