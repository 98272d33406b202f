<script setup lang="ts">
import { momentNow } from '@/web/kit/dates';
import { useKept } from '../saving/use-kept';
import { mdiDeleteOutline, mdiPlus } from '@mdi/js';
import { format, parseISO } from 'date-fns';
import { computed, ref } from 'vue';
import { timeWords } from '@/sheets/plan-words';
import type { InstallState } from './use-install';

/** What was kept or replaced, and what nobody had reckoned with, with the time it cost. */
const props = defineProps<{ state: InstallState }>();
const used = computed(() => props.state.install.value.used);
const surprises = computed(() => props.state.install.value.surprises);
const lost = computed(() => surprises.value.reduce((sum, { minutes }) => sum + minutes, 0));

const part = useKept('install.part', () => '');
const fate = ref<'reused' | 'replaced'>('replaced');
function addPart(): void {
  if (part.value.trim() === '') return;
  props.state.change((own) => own.used.push({ name: part.value.trim().slice(0, 120), fate: fate.value }));
  part.value = '';
}
const what = useKept('install.surprise', () => '');
const minutes = useKept('install.surpriseMinutes', () => '');
const refusal = ref('');
function addSurprise(): void {
  const cost = Number(minutes.value.replace(',', '.'));
  if (what.value.trim() === '' || minutes.value.trim() === '' || !(cost >= 0 && cost <= 6000)) {
    refusal.value = `A surprise wants words and 0 to 6000 minutes; found ${what.value.trim() || 'no words'}, ${minutes.value.trim() || 'no minutes'}.`;
    return;
  }
  refusal.value = '';
  props.state.change((own) =>
    own.surprises.push({ what: what.value.trim().slice(0, 200), minutes: cost, at: momentNow() }),
  );
  what.value = '';
  minutes.value = '';
}
const FATES = [
  { value: 'replaced', title: 'Replaced' },
  { value: 'reused', title: 'Used again' },
];
</script>

<template>
  <div class="two">
    <section class="panel box" aria-label="Surprises">
      <h2 class="panel-title">Surprises</h2>
      <p v-if="!surprises.length" class="muted">
        A broken bolt, a missing washer: what came between, and what it cost.
      </p>
      <p v-else data-testid="surprises-say">They cost {{ timeWords(lost) }} in all.</p>
      <ul>
        <li v-for="(s, i) in surprises" :key="i">
          <span>{{ s.what }}, {{ timeWords(s.minutes) }}, {{ format(parseISO(s.at), 'd MMM') }}</span>
          <v-btn
            size="48"
            variant="text"
            :icon="mdiDeleteOutline"
            :aria-label="`Take out: ${s.what}`"
            @click="state.change((own) => void own.surprises.splice(i, 1))"
          />
        </li>
      </ul>
      <v-text-field v-model="what" label="What happened" maxlength="200" hide-details />
      <div class="add">
        <v-text-field
          v-model="minutes"
          label="Minutes it cost"
          inputmode="decimal"
          hide-details
          @keyup.enter="addSurprise"
        />
        <v-btn height="48" variant="outlined" :prepend-icon="mdiPlus" @click="addSurprise">Add the surprise</v-btn>
      </div>
      <p v-if="refusal" class="verdict-rubs" role="alert">{{ refusal }}</p>
    </section>
    <section class="panel box" aria-label="Parts used">
      <h2 class="panel-title">Used again or replaced</h2>
      <ul>
        <li v-for="(u, i) in used" :key="i">
          <span>{{ u.name }}: {{ u.fate === 'reused' ? 'used again' : 'replaced' }}</span>
          <v-btn
            size="48"
            variant="text"
            :icon="mdiDeleteOutline"
            :aria-label="`Take out: ${u.name}`"
            @click="state.change((own) => void own.used.splice(i, 1))"
          />
        </li>
      </ul>
      <v-text-field v-model="part" label="Part" maxlength="120" hide-details @keyup.enter="addPart" />
      <div class="add">
        <v-select v-model="fate" :items="FATES" aria-label="What became of it" hide-details />
        <v-btn height="48" variant="outlined" :prepend-icon="mdiPlus" @click="addPart">Add the part</v-btn>
      </div>
    </section>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(420px, 100%), 1fr));
  gap: 10px;
  align-items: start;
}
ul {
  list-style: none;
  padding: 0;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  border-top: 1px solid var(--rule);
}
.add {
  display: flex;
  gap: 10px;
}
</style>
