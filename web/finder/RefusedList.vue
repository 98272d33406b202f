<script setup lang="ts">
import { computed, ref } from 'vue';
import type { FinderAnswer } from '@/core/6-decisions/finder/answer';
import { CONSTRAINT_WORDS, refusalSentence, stanceWords, tireWords } from './finder-words';
import { formatMm } from '@/core/1-base/units/length';
import { CONSTRAINTS } from '@/core/6-decisions/finder/constraints';

/** Every tire for which nothing does, each with why in one sentence; the nearest miss first. */
const props = defineProps<{ answer: FinderAnswer; rideMm: number }>();
const emit = defineEmits<{ pick: [number: number] }>();

const search = ref('');
const lines = computed(() =>
  props.answer.refused
    .map((tire) => ({ tire, name: tireWords(tire), sentence: refusalSentence(tire, props.rideMm) }))
    .filter(({ name, sentence }) =>
      `${name} ${sentence}`.toLowerCase().includes((search.value ?? '').trim().toLowerCase()),
    ),
);
const kept = computed(() =>
  CONSTRAINTS.flatMap((constraint, i) => {
    const count = props.answer.tally.refusedBy[i] ?? 0;
    return count > 0 ? [`${CONSTRAINT_WORDS[constraint]} ${count.toLocaleString('en')}`] : [];
  }),
);
</script>

<template>
  <div class="box close">
    <p v-if="kept.length" class="small">Combinations kept out by what has to be met: {{ kept.join(', ') }}.</p>
    <p v-for="c in answer.cannotStand" :key="JSON.stringify(c.stance)" class="small verdict-close">
      Left out: {{ stanceWords({ stand: c.stance }) || 'the height as it is' }}. Expected {{ c.expected }}; found
      {{ c.found }}.
    </p>
    <v-text-field v-model="search" label="Filter" clearable hide-details autocomplete="off" />
    <ul class="ruled" v-if="lines.length">
      <li v-for="line in lines" :key="line.tire.tire">
        <component
          :is="line.tire.number === null ? 'div' : 'button'"
          class="line-key line"
          :type="line.tire.number === null ? undefined : 'button'"
          @click="line.tire.number !== null && emit('pick', line.tire.number)"
        >
          <strong class="figures">{{ line.name }}</strong>
          <span class="muted figures">{{ formatMm(line.tire.diameterMm, 0) }} mm</span>
          <span class="sentence">{{ line.sentence }}</span>
        </component>
      </li>
    </ul>
    <p v-else class="muted">
      {{ search ? 'Nothing matches.' : 'Every tire asked about has a combination that does.' }}
    </p>
  </div>
</template>

<style scoped>
.line {
  grid-template-columns: 150px 70px minmax(0, 1fr);
}
@media (max-width: 700px) {
  .line {
    grid-template-columns: 1fr auto;
  }
  .sentence {
    grid-column: 1 / -1;
  }
}
</style>
