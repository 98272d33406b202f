<script setup lang="ts" generic="Key extends string">
import type { Range } from '@/core/1-base/limits';
import QuantityField from './QuantityField.vue';
import type { Quantity } from './quantity';
import { readNumber, writeNumber } from './read-lists';
import TypedField from './TypedField.vue';

/** A number that a room asks for: a length, an angle, or a plain number in the unit of its range. */
export interface Field<Key extends string> {
  readonly key: Key;
  readonly label: string;
  readonly range: Range;
  readonly kind?: Quantity | 'number';
}

/** Fields for numbers that may be left open, side by side; more of another kind goes into the slot. */
defineProps<{ fields: readonly Field<Key>[]; values: Readonly<Partial<Record<Key, number | undefined>>> }>();
const emit = defineEmits<{ change: [key: Key, value: number | undefined] }>();
</script>

<template>
  <div class="fields">
    <template v-for="{ key, label, range, kind = 'length' } in fields" :key="key">
      <TypedField
        v-if="kind === 'number'"
        :label="label"
        :value="values[key]"
        :read="readNumber(range)"
        :write="writeNumber"
        optional
        @change="(value) => emit('change', key, value)"
      />
      <QuantityField
        v-else
        :label="label"
        :value="values[key]"
        :range="range"
        :quantity="kind"
        optional
        @change="(value) => emit('change', key, value)"
      />
    </template>
    <slot />
  </div>
</template>
