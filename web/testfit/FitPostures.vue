<script setup lang="ts">
import { computed, ref } from 'vue';
import type { TriedPostureEntry } from '@/contracts/test-fit';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { LIMITS } from '@/core/1-base/limits';
import { FIT_POSTURES, HUMPED, type FitPosture } from '@/core/7-job/test-fit/postures';
import QuantityField from '../kit/QuantityField.vue';
import TickButton from '../kit/TickButton.vue';
import { useJobStore } from '../stores/job';
import { CORNER_NAMES } from '../../core/2-vehicle/setup/corner-key';
import { POSTURE_WORDS } from './fit-words';
import StopNote from './StopNote.vue';
import type { TestFitState } from './use-test-fit';

/** A guided set of postures, each with how far the wheels really went. */
const props = defineProps<{ state: TestFitState }>();
const job = useJobStore();
const open = ref<FitPosture | null>(null);

const postures = computed<TriedPostureEntry[]>(() =>
  FIT_POSTURES.filter((kind) => !HUMPED[kind] || job.corners.includes(HUMPED[kind])).map(
    (kind) => props.state.round.value?.postures.find((one) => one.kind === kind) ?? { kind, done: false, reach: {} },
  ),
);
function edit(kind: FitPosture, change: (one: TriedPostureEntry) => void, gesture: string | null = null): void {
  props.state.change((round) => {
    let found = round.postures.find((one) => one.kind === kind);
    if (!found) round.postures.push((found = { kind, done: false, reach: {} }));
    change(found);
  }, gesture);
}
const toggle = (kind: FitPosture): void =>
  edit(kind, (one) => {
    one.done = !one.done;
  });
function setReach(kind: FitPosture, key: CornerKey, field: 'hubToLipMm' | 'stopGapMm', mm: number | undefined): void {
  edit(
    kind,
    (one) => {
      const { [field]: _, ...others } = one.reach[key] ?? {};
      one.reach[key] = mm === undefined ? others : { ...others, [field]: mm };
    },
    `${kind}${key}${field}`,
  );
}
/** As it stands nothing has to be read: the heights above say it. */
const wantsReach = (kind: FitPosture): boolean => kind !== 'rideForward' && kind !== 'rideReverse';
const isRead = ({ kind, reach }: TriedPostureEntry): boolean => {
  const hump = HUMPED[kind];
  const at = hump ? [reach[hump]] : job.corners.map((key) => reach[key]);
  return !wantsReach(kind) || at.some((one) => one?.hubToLipMm !== undefined || one?.stopGapMm !== undefined);
};
</script>

<template>
  <section class="panel box" aria-label="Tried">
    <h2 class="panel-title">What was tried, and how far it really went</h2>
    <article v-for="p in postures" :key="p.kind" class="posture" :aria-label="POSTURE_WORDS[p.kind].name">
      <TickButton :done="p.done" :label="`Tried: ${POSTURE_WORDS[p.kind].name}`" @tick="toggle(p.kind)" />
      <div class="stack close">
        <strong>{{ POSTURE_WORDS[p.kind].name }}</strong>
        <span class="muted small">{{ POSTURE_WORDS[p.kind].how }}</span>
        <span v-if="p.done && !isRead(p)" class="verdict-close small">Read hub to lip, or it counts for nothing.</span>
      </div>
      <v-btn
        v-if="wantsReach(p.kind)"
        height="48"
        variant="text"
        :aria-expanded="open === p.kind"
        @click="open = open === p.kind ? null : p.kind"
        >How far</v-btn
      >
      <div v-if="open === p.kind" class="reach">
        <template v-for="key in job.corners" :key="key">
          <QuantityField
            :label="`${CORNER_NAMES[key]} hub to lip then`"
            measured
            :value="p.reach[key]?.hubToLipMm"
            :range="LIMITS.hubToLipMm"
            optional
            @change="(mm) => setReach(p.kind, key, 'hubToLipMm', mm)"
          />
          <QuantityField
            :label="`${CORNER_NAMES[key]} left at the stop, 0 reached`"
            :value="p.reach[key]?.stopGapMm"
            :range="LIMITS.underbodyMm"
            optional
            @change="(mm) => setReach(p.kind, key, 'stopGapMm', mm)"
          />
        </template>
      </div>
    </article>
    <StopNote :state="state" />
    <p class="small muted">
      Stands on level ground, chocks, nobody beneath. Stop at the first sound; never strain a hose to see whether it
      reaches.
    </p>
  </section>
</template>

<style scoped>
.posture {
  display: grid;
  grid-template-columns: 60px minmax(0, 1fr) auto;
  gap: 4px 10px;
  align-items: center;
  border-top: 1px solid var(--rule);
  padding-top: 6px;
}
.reach {
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 8px;
}
</style>
