<script setup lang="ts">
import { computed } from 'vue';
import type { LowgapSetup } from '@/contracts/lowgap-file';
import { usePlanned } from '../plan/use-planned';
import { problemText } from '@/contracts/problems';
import { useView } from '../kit/use-view';
import { useJobStore } from '../stores/job';
import FastenersPanel from './FastenersPanel.vue';
import InstallSheet from './InstallSheet.vue';
import ReceivingPanel from './ReceivingPanel.vue';
import SurprisesPanel from './SurprisesPanel.vue';
import { useInstall } from './use-install';
import SlipNote from '../stance/SlipNote.vue';
import ViewTabs from '../kit/ViewTabs.vue';

/** The parts checked, then the work in its order, on a tablet in the bay. */
const job = useJobStore();
const state = useInstall();

const VIEWS = {
  receiving: 'Parts received',
  sheet: 'Sheet',
} as const;
const view = useView(VIEWS, 'sheet');

const { judged, isKnown, problems } = usePlanned();
const plan = computed(() => judged.value?.plan ?? null);
/** The sheet is for the plan; without one, for the bench's setup. */
const planned = computed(() => judged.value?.setup as LowgapSetup | undefined);
const print = (): void => window.print();
</script>

<template>
  <div v-if="job.document" class="stack">
    <div class="apart">
      <ViewTabs v-model="view" :views="VIEWS" label="Views of the installation" />
      <v-btn height="48" variant="outlined" class="no-print" @click="print">Print</v-btn>
    </div>
    <p v-if="state.onHold.value.length && view !== 'receiving'" class="panel verdict-rubs row box" role="status">
      <strong>Do not begin:</strong> {{ state.onHold.value.length }} of the parts are not in order yet.
      <v-btn height="48" variant="text" @click="view = 'receiving'">Look at the parts</v-btn>
    </p>
    <p v-if="problems.length" class="panel box verdict-rubs" role="alert" data-testid="plan-unjudged">
      The plan cannot be judged, so nothing of it is on what is made here:
      {{ problems.map((problem) => problemText(problem, job.document)).join(' ') }}
    </p>
    <SlipNote :setup="planned" />
    <ReceivingPanel v-if="view === 'receiving'" :state="state" :plan="plan" :is-plan-known="isKnown" />
    <template v-else>
      <InstallSheet :state="state" :plan="plan" :is-plan-known="isKnown" />
      <FastenersPanel :state="state" :plan="plan" :is-plan-known="isKnown" />
      <SurprisesPanel :state="state" />
    </template>
  </div>
</template>
