<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue';
import type { LowgapCorner } from '@/contracts/lowgap-file';
import type { Well } from '@/contracts/well-api';
import { type CornerKey, cornerName } from '@/core/2-vehicle/setup/corner-key';
import { BORROWED_TOLERANCE_MM } from '@/core/3-survey/well/borrow';
import { formatMm } from '@/core/1-base/units/length';
import { api } from '../api';
import { useJobStore } from '../stores/job';
import { bothUnits } from '../../core/1-base/units/length';
import { borrowedObstacles, settled, wellCheckOf, withoutBorrowed } from './borrowed';
import EntryList from '../kit/EntryList.vue';
import DialogBox from '../kit/DialogBox.vue';

/** Start from a well surveyed before on the same kind of vehicle, check it by a few readings, or keep this one for later. */
const props = defineProps<{ cornerKey: CornerKey; corner: LowgapCorner }>();
const job = useJobStore();

const open = ref(false);
const wells = shallowRef<readonly Well[]>([]);
const message = ref('');
const title = ref('');

async function show(): Promise<void> {
  message.value = '';
  title.value = job.document?.vehicle.label ?? '';
  const listed = await api.listWells();
  if (listed.ok) wells.value = listed.value.wells;
  else message.value = 'The server does not answer; the library cannot be opened.';
  open.value = true;
}

async function keep(): Promise<void> {
  const kept = await api.addWell({ title: title.value.trim(), cornerKey: props.cornerKey, corner: props.corner });
  message.value = kept.ok ? 'Kept in the library.' : 'The server did not take it.';
  const listed = await api.listWells();
  if (listed.ok) wells.value = listed.value.wells;
}

async function remove(id: string): Promise<void> {
  await api.removeWell(id);
  wells.value = wells.value.filter((well) => well.id !== id);
}

function start(well: Well): void {
  const obstacles = borrowedObstacles(well);
  if (obstacles.length === 0) {
    message.value = 'Nothing in this well can be taken over.';
    return;
  }
  edit((all) => [...all, ...obstacles.filter(({ id }) => !all.some((o) => o.id === id))]);
  open.value = false;
}

function edit(change: (all: LowgapCorner['obstacles']) => LowgapCorner['obstacles']): void {
  job.change((file) => {
    const corner = file.corners[props.cornerKey];
    if (corner) corner.obstacles = change(corner.obstacles);
  });
}

const check = computed(() => wellCheckOf(props.cornerKey, props.corner));
const from = computed(
  () => props.corner.obstacles.find((o) => o.borrowed && !o.borrowed.settled)?.borrowed?.from ?? '',
);
const canKeep = computed(() => props.corner.obstacles.some((o) => (o.readings?.length ?? 0) > 0 || o.shape));
const shiftWords = computed(() => {
  const [x, y, z] = check.value?.shiftMm ?? [0, 0, 0];
  return [
    `${formatMm(Math.abs(x))} mm ${x < 0 ? 'back' : 'forward'}`,
    `${formatMm(Math.abs(y))} mm ${y < 0 ? 'inboard' : 'outboard'}`,
    `${formatMm(Math.abs(z))} mm ${z < 0 ? 'down' : 'up'}`,
  ].join(', ');
});
const sides = (well: Well): string => `${cornerName(well.cornerKey)}, ${well.corner.obstacles.length} parts`;
</script>

<template>
  <section v-if="check" class="check" data-testid="well-check">
    <strong>Borrowed: {{ from }}</strong>
    <p v-if="check.verdict === 'more'">
      Within {{ BORROWED_TOLERANCE_MM.unchecked }} mm until checked. Choose two of the parts above and read the least
      gap: {{ check.wanted }} more.
    </p>
    <template v-else-if="check.verdict === 'accept'">
      <p class="verdict-clear">The readings agree with it ({{ formatMm(check.leftMm) }} mm).</p>
      <v-btn color="primary" height="48" @click="edit((all) => settled(all))">Accept it</v-btn>
    </template>
    <template v-else-if="check.verdict === 'shift'">
      <p class="verdict-close">It agrees once all of it is moved: {{ shiftWords }}.</p>
      <v-btn color="primary" height="48" @click="edit((all) => settled(all, check!.shiftMm))">Move and accept</v-btn>
    </template>
    <p v-else class="verdict-rubs">
      The readings differ by up to {{ bothUnits(Math.max(...check.offMm.map((o) => Math.abs(o.mm)))) }}: this is not the
      same well.
    </p>
    <v-btn variant="text" height="48" @click="edit(withoutBorrowed)">Take it off again</v-btn>
  </section>
  <v-btn variant="text" height="48" @click="show">Well library</v-btn>
  <DialogBox v-model="open" label="Wells surveyed before" :width="620">
    <div class="panel library dialog">
      <h2 class="panel-title">Wells surveyed before</h2>
      <p class="muted">
        The other vehicle's shapes are taken over, not its readings: within {{ BORROWED_TOLERANCE_MM.unchecked }} mm
        until a few gaps of this one have been read.
      </p>
      <p v-if="message" role="status">{{ message }}</p>
      <EntryList
        v-if="wells.length"
        :entries="wells"
        :words="({ title: name }) => name"
        :removal="({ title: name }) => `Remove ${name}`"
        @remove="(i) => remove(wells[i]!.id)"
      >
        <template #default="{ entry }"
          >{{ entry.title }} <span class="muted">{{ sides(entry) }}</span></template
        >
        <template #keys="{ entry }"
          ><v-btn variant="outlined" height="48" @click="start(entry)">Start from it</v-btn></template
        >
      </EntryList>
      <p v-else class="muted">None yet. Keep a surveyed corner here and the next vehicle of its kind starts from it.</p>
      <form v-if="canKeep" class="row" @submit.prevent="keep">
        <v-text-field v-model="title" label="Kind of vehicle" maxlength="120" />
        <v-btn type="submit" variant="outlined" height="48" :disabled="!title.trim()">Keep this well</v-btn>
      </form>
      <v-btn variant="text" height="48" @click="open = false">Close</v-btn>
    </div>
  </DialogBox>
</template>

<style scoped>
.check {
  border: 2px solid var(--close);
  border-radius: 4px;
  padding: 8px 10px;
  display: grid;
  gap: 6px;
  font-size: 15px;
}
</style>
