<script setup lang="ts">
import { computed } from 'vue';
import type { PostureMap } from '@/core/4-clearance/pictures/posture-map';
import { formatMm } from '@/core/1-base/units/length';

/** A coarse reading of the posture map, for those who do not see it. */
const props = defineProps<{ map: PostureMap; values: Float32Array }>();

/** Evenly spread places of an axis, both ends among them. */
const some = (count: number): number[] => {
  const n = Math.min(count, 7);
  return Array.from({ length: n }, (_, i) => Math.round((i * (count - 1)) / Math.max(1, n - 1)));
};
/** Left on the left, bump at the top, as drawn. */
const table = computed(() => {
  const { steersDeg, travelsMm } = props.map;
  const columns = some(steersDeg.length).reverse();
  return {
    steers: columns.map((c) => steersDeg[c]!),
    rows: some(travelsMm.length)
      .reverse()
      .map((r) => ({ travelMm: travelsMm[r]!, mm: columns.map((c) => props.values[r * steersDeg.length + c]!) })),
  };
});
const steerName = (degrees: number): string =>
  Math.abs(degrees) < 0.5 ? 'straight' : `${Math.abs(degrees).toFixed(0)}° ${degrees > 0 ? 'left' : 'right'}`;
</script>

<template>
  <div class="table-wrap">
    <table class="figures twin" data-testid="map-table">
      <caption class="visually-hidden">
        Millimeters by travel (rows, + = bump) and steer (columns)
      </caption>
      <thead>
        <tr>
          <th>Travel, mm</th>
          <th v-for="s in table.steers" :key="s">{{ steerName(s) }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in table.rows" :key="row.travelMm">
          <th scope="row">{{ formatMm(row.travelMm, 0) }}</th>
          <td v-for="(mm, i) in row.mm" :key="i">{{ formatMm(mm, 0) }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
