<script setup lang="ts">
import { computed, reactive } from 'vue';
import type { Clash } from '@/contracts/changes/change';
import { fieldWords, isTypedText, valueWords } from '../saving/field-words';
import { useJobStore } from '../stores/job';

/** The fields that two people changed to something else: each asks which value stays. */
const job = useJobStore();
const props = defineProps<{ clashes: readonly Clash[] }>();

type Side = 'mine' | 'theirs';
const chosen = reactive(new Map<string, Side>());

const content = computed(() => ({ title: job.title, customer: job.customer, document: job.document! }));
/** What was typed goes with its number. */
const keyOf = ({ path }: Clash): string => JSON.stringify(path.filter((step) => step !== 'typed'));
const asked = computed(() => {
  const shown = props.clashes.filter(({ path }) => !isTypedText(path));
  return (shown.length > 0 ? shown : props.clashes).map((clash) => ({
    key: keyOf(clash),
    place: fieldWords(clash.path, content.value),
    mine: clash.path.length === 0 ? 'what is here' : valueWords(clash.mine, clash.path.at(-1)),
    theirs: clash.path.length === 0 ? 'what was saved elsewhere' : valueWords(clash.theirs, clash.path.at(-1)),
  }));
});
const open = computed(() => asked.value.filter(({ key }) => !chosen.has(key)).length);

function goOn(): void {
  job.settle((clash) => chosen.get(keyOf(clash)) ?? 'theirs');
}
function takeAll(side: Side): void {
  job.settle(() => side);
}
</script>

<template>
  <ul class="clashes">
    <li v-for="one in asked" :key="one.key">
      <span class="place">{{ one.place }}</span>
      <div class="sides" role="radiogroup" :aria-label="one.place">
        <v-btn
          v-for="side in ['mine', 'theirs'] as const"
          :key="side"
          role="radio"
          height="48"
          :variant="chosen.get(one.key) === side ? 'flat' : 'outlined'"
          :color="chosen.get(one.key) === side ? 'primary' : undefined"
          :aria-checked="chosen.get(one.key) === side"
          @click="chosen.set(one.key, side)"
          >{{ side === 'mine' ? 'Here' : 'Elsewhere' }}: {{ one[side] }}</v-btn
        >
      </div>
    </li>
  </ul>
  <div class="keys">
    <v-btn color="primary" height="48" :disabled="open > 0" @click="goOn">Go on with these</v-btn>
    <v-btn variant="outlined" height="48" @click="takeAll('mine')">Keep all that is here</v-btn>
    <v-btn variant="outlined" height="48" @click="takeAll('theirs')">Take all from elsewhere</v-btn>
  </div>
</template>

<style scoped>
.clashes {
  list-style: none;
  padding: 0;
  margin: 8px 0;
  display: grid;
  gap: 8px;
}
.clashes li,
.sides {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.place {
  min-width: 220px;
  font-weight: 600;
}
</style>
