<script setup lang="ts">
import { mdiPlus } from '@mdi/js';
import { computed, ref } from 'vue';
import { fieldText } from '@/contracts/problems';
import type { LowgapSetup, LowgapTestFit } from '@/contracts/lowgap-file';
import { attempt } from '@/core/1-base/problem';
import { parseTireSize } from '@/core/2-vehicle/tire/size';
import { setupLine } from '@/sheets/order-head';
import { startingSetup } from '../stores/starting-setup';
import { usePlanned } from '../plan/use-planned';
import { useJobStore } from '../stores/job';
import { CORNER_NAMES } from '../../core/2-vehicle/setup/corner-key';
import FitFindings from './FitFindings.vue';
import FitHeights from './FitHeights.vue';
import FitPostures from './FitPostures.vue';
import { untriedWords } from './fit-words';
import SlipNote from '../stance/SlipNote.vue';
import LearnPanel from './LearnPanel.vue';
import TriedView from './TriedView.vue';
import { useTestFit } from './use-test-fit';

/** What really happened: heights, how far each wheel went, what touched; what was not tried; what it teaches. */
const job = useJobStore();
const state = useTestFit();
const { judged, hasPlan } = usePlanned();

const bench = computed<LowgapSetup | null>(() => {
  const file = job.document;
  return file ? (file.setup ?? startingSetup(file)) : null;
});
const planned = computed(() => (hasPlan.value ? (judged.value?.setup ?? null) : null));
const choosing = ref(false);
const size = ref('');
const sizeProblem = ref('');

const title = (of: LowgapTestFit['of']): string =>
  of === 'borrowed' ? `Trial with ${size.value.trim()}` : `Round ${state.rounds.value.length + 1}`;
function begin(of: 'bench' | 'plan', setup: LowgapSetup): void {
  state.begin(of, setup, title(of));
  choosing.value = false;
}
function beginBorrowed(): void {
  const read = attempt(() => parseTireSize(size.value.trim()));
  sizeProblem.value = read.ok ? '' : read.problems.map(fieldText).join(' ');
  const setup = read.ok ? state.borrowedSetup(size.value.trim()) : null;
  if (!setup) return;
  state.begin('borrowed', setup, title('borrowed'));
  choosing.value = false;
  size.value = '';
}
/** The bench tries something else by now than what this round had on. */
const otherSetup = computed(() => {
  const one = state.round.value;
  const now = bench.value;
  if (!one?.setup || !now) return '';
  const [then, is] = [setupLine(one.setup), setupLine(now)];
  return then === is
    ? ''
    : `This round had on: ${then}. The bench tries ${is} now; the round is judged by what it had on.`;
});
const open = computed(() => state.notTried.value.filter(({ what }) => what.length > 0));
</script>

<template>
  <div v-if="job.document" class="stack">
    <SlipNote :setup="state.round.value?.setup" />
    <nav class="row" aria-label="Rounds of the test fit">
      <v-btn
        v-for="r in state.rounds.value"
        :key="r.id"
        height="48"
        :variant="r.id === state.round.value?.id ? 'flat' : 'outlined'"
        :color="r.id === state.round.value?.id ? 'primary' : undefined"
        :aria-pressed="r.id === state.round.value?.id"
        @click="state.open(r.id)"
        >{{ r.title }}</v-btn
      >
      <v-btn height="48" variant="outlined" :prepend-icon="mdiPlus" @click="choosing = !choosing"
        >Begin a test fit</v-btn
      >
    </nav>
    <section v-if="choosing || !state.rounds.value.length" class="panel box" aria-label="Which setup is on">
      <h2 class="panel-title">Which setup is on the vehicle?</h2>
      <p class="muted">
        A trial with borrowed tires and nothing cut can be logged at any time. Each round keeps what it had on.
      </p>
      <div class="row which">
        <v-btn v-if="planned" height="56" variant="outlined" @click="begin('plan', planned as LowgapSetup)"
          >As planned: {{ setupLine(planned) }}</v-btn
        >
        <v-btn v-if="bench" height="56" variant="outlined" @click="begin('bench', bench)"
          >The bench’s: {{ setupLine(bench) }}</v-btn
        >
      </div>
      <div class="row which">
        <v-text-field
          v-model="size"
          label="Borrowed tires, on the wheels that are on now"
          placeholder="285/70R17"
          :error-messages="sizeProblem"
          hide-details="auto"
          @keyup.enter="beginBorrowed"
        />
        <v-btn height="48" variant="outlined" :disabled="!size.trim()" @click="beginBorrowed">Try them on</v-btn>
      </div>
    </section>
    <template v-if="state.round.value">
      <p v-if="otherSetup" class="panel box verdict-close" role="status">{{ otherSetup }}</p>
      <section class="panel box" aria-label="Not tried">
        <p v-if="!open.length" class="verdict-clear" data-testid="not-tried">
          Every corner went through all its stops and locks allow: what was seen holds for the whole envelope.
        </p>
        <p v-else class="open" data-testid="not-tried">
          <strong>Not tried yet, so not known.</strong>
          <span v-for="o in open" :key="o.key"
            >{{ CORNER_NAMES[o.key] }}: {{ o.what.map(untriedWords).join('; ') }}.
          </span>
        </p>
        <div class="row tops pictures">
          <template v-for="o in state.notTried.value" :key="o.key">
            <TriedView
              v-if="o.picture"
              :corner="o.key"
              :picture="o.picture"
              :words="o.what.map(untriedWords).join('; ') || 'nothing'"
            />
          </template>
        </div>
        <p class="small muted">Steered across, through the travel upward. Shaded: nobody has tried it.</p>
      </section>
      <div class="two">
        <FitHeights :state="state" />
        <FitPostures :key="state.round.value.id" :state="state" />
      </div>
      <FitFindings :state="state" />
      <LearnPanel :key="state.round.value.id" :state="state" />
    </template>
  </div>
</template>

<style scoped>
.pictures {
  flex-wrap: wrap;
}
.open > span {
  margin-left: 6px;
}
.which :deep(.v-text-field) {
  flex: 0 1 420px;
}
.which :deep(.v-btn__content) {
  white-space: normal;
}
</style>
