<script setup lang="ts">
import { TRAVEL_PLACES } from '@/core/4-clearance/case/travel-places';
import type { PlacesRow } from './places-row';
import { PLACE_WORDS } from './stance-words';

/** Quantities at both ends of the travel and parked: as fitted, and with the setup in bold. */
defineProps<{ rows: readonly PlacesRow[] }>();
</script>

<template>
  <table class="figures">
    <thead>
      <tr>
        <th scope="col">As fitted, and with the setup</th>
        <th v-for="place in TRAVEL_PLACES" :key="place" scope="col">{{ PLACE_WORDS[place] }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="r in rows" :key="r.name">
        <th scope="row">{{ r.name }}</th>
        <td v-for="(c, i) in r.cells" :key="i">
          {{ c.before }} <strong>{{ c.after }}</strong>
        </td>
      </tr>
    </tbody>
  </table>
</template>
