<script setup lang="ts">
import { computed } from 'vue';
import type { PracticeTask, TouchTask } from '@/core/6-decisions/practice/task';
import { leverWords } from '../advice';
import { bothUnits } from '../../core/1-base/units/length';
import { THING_NAMES } from './practice-words';

/** What is so, in a sentence. */
const props = defineProps<{ task: PracticeTask }>();

const steerWords = (deg: number): string =>
  Math.abs(deg) < 1 ? 'straight' : `${Math.abs(deg).toFixed(0)}° ${deg > 0 ? 'left' : 'right'}`;
const travelWords = (mm: number): string =>
  Math.abs(mm) < 1 ? 'at ride' : `${bothUnits(Math.abs(mm))} ${mm > 0 ? 'up' : 'down'}`;
const moves = (mm: number, word: string, other: string): string =>
  `${bothUnits(Math.abs(mm))} ${mm >= 0 ? word : other}`;

function touchWords({ answer, levers }: TouchTask): string {
  const { id, steerDeg, travelMm, gapMm } = answer;
  const gap = gapMm < 0 ? `${bothUnits(-gapMm)} of overlap` : `${bothUnits(gapMm)} of gap`;
  const clears = levers.filter((lever) => lever.clears).map(({ kind, amount }) => leverWords(kind, Math.ceil(amount)));
  const cleared =
    levers.length === 0
      ? ''
      : clears.length > 0
        ? ` It is cleared by ${clears.join(', or ')}.`
        : ' None of these alone clears it.';
  return `${THING_NAMES[id] ?? id}, steered ${steerWords(steerDeg)}, wheel ${travelWords(travelMm)}: ${gap}.${cleared}`;
}
const says = computed(() =>
  props.task.level === 'offset'
    ? `The inner sidewall stands ${moves(props.task.inwardMm, 'further in', 'less far in')}, the outer one ${moves(props.task.outwardMm, 'further out', 'less far out')}: half the width plus offset, half the width less offset.`
    : touchWords(props.task),
);
</script>

<template>
  <p data-testid="practice-truth">{{ says }}</p>
</template>
