<script setup lang="ts">
import { TRAVEL_PLACES } from '@/core/4-clearance/case/travel-places';
import type { PlacesRow } from './places-row';
import { PLACE_WORDS } from './stance-words';
import FiguresTable from '../kit/FiguresTable.vue';

/** Quantities at both ends of the travel and parked: as fitted, and with the setup in bold. */
defineProps<{ rows: readonly PlacesRow[] }>();
</script>

<template>
  <FiguresTable
    caption="As fitted, and with the setup"
    corner="As fitted, and with the setup"
    :columns="TRAVEL_PLACES.map((place) => PLACE_WORDS[place])"
    :rows="rows"
  />
</template>
