<script setup lang="ts">
import type { LowgapCorner } from '@/contracts/lowgap-file';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import QuantityField from '../kit/QuantityField.vue';
import type { Entry } from './baseline-entries';

/** Numbers of a corner's baseline, one under the other. */
defineProps<{
  entries: readonly Entry[];
  corner: LowgapCorner;
  across: LowgapCorner | undefined;
  cornerKey: CornerKey;
  isStarting: (name: string) => boolean;
}>();
const emit = defineEmits<{
  write: [entry: Entry, value: number | undefined, typed: string | undefined, unfinished?: true];
}>();
</script>

<template>
  <QuantityField
    v-for="entry in entries"
    :key="`${cornerKey}.${entry.typedAs}`"
    :label="entry.label"
    :value="entry.read(corner, across)"
    :typed="corner.typed?.[entry.typedAs]"
    :quantity="entry.quantity ?? 'length'"
    :range="entry.range"
    :optional="entry.optional ?? false"
    measured
    :starting="isStarting(entry.typedAs) && entry.read(corner, across) !== undefined"
    @change="(value, typed, unfinished) => emit('write', entry, value, typed, unfinished)"
  />
</template>
