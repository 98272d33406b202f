<script setup lang="ts">
import { momentNow } from '@/web/kit/dates';
import { useKept } from '../saving/use-kept';
import { mdiPlus } from '@mdi/js';
import { format, parseISO } from 'date-fns';
import { computed, ref } from 'vue';
import { timeWords } from '@/sheets/plan-words';
import type { InstallState } from './use-install';
import EntryList from '../kit/EntryList.vue';

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
    refusal.value = `A problem wants words and 0 to 6000 minutes; found ${what.value.trim() || 'no words'}, ${minutes.value.trim() || 'no minutes'}.`;
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
    <section class="panel box" aria-label="Problems found">
      <h2 class="panel-title">Problems found</h2>
      <p v-if="!surprises.length" class="muted">
        A broken bolt, a missing washer: what came between, and what it cost.
      </p>
      <p v-else data-testid="surprises-say">They cost {{ timeWords(lost) }} in all.</p>
      <EntryList
        :entries="surprises"
        :words="({ what: said, minutes: cost, at }) => `${said}, ${timeWords(cost)}, ${format(parseISO(at), 'd MMM')}`"
        :removal="({ what: said }) => `Take out: ${said}`"
        @remove="(i) => state.change((own) => void own.surprises.splice(i, 1))"
      />
      <v-text-field v-model="what" label="What happened" maxlength="200" hide-details />
      <div class="row">
        <v-text-field
          v-model="minutes"
          label="Minutes it cost"
          class="grow"
          inputmode="decimal"
          hide-details
          @keyup.enter="addSurprise"
        />
        <v-btn height="48" variant="outlined" :prepend-icon="mdiPlus" @click="addSurprise">Add the problem</v-btn>
      </div>
      <p v-if="refusal" class="verdict-rubs" role="alert">{{ refusal }}</p>
    </section>
    <section class="panel box" aria-label="Parts used">
      <h2 class="panel-title">Used again or replaced</h2>
      <EntryList
        :entries="used"
        :words="({ name, fate: came }) => `${name}: ${came === 'reused' ? 'used again' : 'replaced'}`"
        :removal="({ name }) => `Take out: ${name}`"
        @remove="(i) => state.change((own) => void own.used.splice(i, 1))"
      />
      <v-text-field v-model="part" label="Part" maxlength="120" hide-details @keyup.enter="addPart" />
      <div class="row">
        <v-select v-model="fate" :items="FATES" aria-label="What became of it" class="grow" hide-details />
        <v-btn height="48" variant="outlined" :prepend-icon="mdiPlus" @click="addPart">Add the part</v-btn>
      </div>
    </section>
  </div>
</template>
