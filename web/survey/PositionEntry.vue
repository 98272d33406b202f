<script setup lang="ts">
import { reactive, ref } from 'vue';
import type { LowgapObstacle } from '@/contracts/lowgap-file';
import { fieldText } from '@/contracts/problems';
import { LIMITS } from '@/core/1-base/limits';
import { heardText, parseQuantity } from '../kit/quantity';
import { useUnits } from '../stores/units';

/** A place by its position: from the centre of the hub's face, wheels straight, at ride height. */
const props = defineProps<{ obstacle: LowgapObstacle }>();
const emit = defineEmits<{ take: [point: [number, number, number]]; clear: [] }>();

const AXES = [
  'Ahead of the hub (- behind)',
  'Outboard of the hub face (- inboard)',
  'Above the hub (- below)',
] as const;
const units = useUnits();
const texts = reactive(['', '', '']);
const problems = ref<string[]>(['', '', '']);

function take(): void {
  const read = texts.map((text) => parseQuantity(text, 'length', LIMITS.coordinateMm, units.goingOn('gaps')));
  problems.value = read.map((r) => (r.ok ? '' : r.problems.map(fieldText).join(' ')));
  const point = read.flatMap((r) => (r.ok ? [r.value] : []));
  if (point.length < 3) return;
  emit('take', [point[0]!, point[1]!, point[2]!]);
  texts.splice(0, 3, '', '', '');
}

const others = props.obstacle.shape !== undefined && props.obstacle.shape.type !== 'points';
</script>

<template>
  <form class="stack" @submit.prevent="take">
    <p v-if="others" class="muted">
      This one has a shape of its own from a file or a scan; places cannot be added to it.
    </p>
    <template v-else>
      <v-text-field
        v-for="(axis, i) in AXES"
        :key="axis"
        v-model="texts[i]"
        :label="axis"
        :error-messages="problems[i] ? [problems[i]!] : []"
        :suffix="/^[-+\d.,]+$/.test(texts[i]!.trim()) ? units.goingOn('gaps') : undefined"
        :hint="heardText(texts[i]!, LIMITS.coordinateMm, units.goingOn('gaps'))"
        persistent-hint
        class="figures"
        autocomplete="off"
      />
      <v-btn type="submit" color="primary" height="48">Add the place</v-btn>
      <p class="muted">Places by position so far: {{ obstacle.shape?.points.length ?? 0 }}.</p>
      <v-btn v-if="obstacle.shape" variant="text" height="48" @click="emit('clear')">Remove them</v-btn>
    </template>
  </form>
</template>
