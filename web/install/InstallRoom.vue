<script setup lang="ts">
import { computed } from 'vue';
import { usePlanned } from '../plan/use-planned';
import { useView } from '../kit/use-view';
import { useJobStore } from '../stores/job';
import FastenersPanel from './FastenersPanel.vue';
import InstallSheet from './InstallSheet.vue';
import ReceivingPanel from './ReceivingPanel.vue';
import SurprisesPanel from './SurprisesPanel.vue';
import { useInstall } from './use-install';

/** The parts checked, then the work in its order, on a tablet in the bay. */
const job = useJobStore();
const state = useInstall();

const VIEWS = {
  receiving: 'Parts received',
  sheet: 'Sheet',
  fasteners: 'Fasteners',
  surprises: 'Parts and surprises',
} as const;
const view = useView(VIEWS, 'sheet');

const { judged } = usePlanned();
const plan = computed(() => judged.value?.plan ?? null);
const print = (): void => window.print();
</script>

<template>
  <div v-if="job.document" class="install-room">
    <nav class="views no-print" aria-label="Views of the installation">
      <v-btn-toggle v-model="view" mandatory aria-label="View">
        <v-btn v-for="(title, value) in VIEWS" :key="value" :value="value" height="48">{{ title }}</v-btn>
      </v-btn-toggle>
      <v-btn height="48" variant="outlined" @click="print">Print</v-btn>
    </nav>
    <p v-if="state.onHold.value.length && view !== 'receiving'" class="panel hold verdict-rubs" role="status">
      <strong>Do not begin:</strong> {{ state.onHold.value.length }} of the parts are not in order yet.
      <v-btn height="48" variant="text" @click="view = 'receiving'">Look at the parts</v-btn>
    </p>
    <ReceivingPanel v-if="view === 'receiving'" :state="state" />
    <FastenersPanel v-else-if="view === 'fasteners'" :state="state" />
    <SurprisesPanel v-else-if="view === 'surprises'" :state="state" />
    <InstallSheet v-else :state="state" :plan="plan" />
  </div>
</template>

<style scoped>
.install-room {
  display: grid;
  gap: 10px;
  min-width: 0;
}
.views {
  display: flex;
  gap: 10px;
  overflow-x: auto;
  justify-content: space-between;
}
.hold {
  padding: 8px 12px;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
@media print {
  .no-print {
    display: none;
  }
}
</style>
