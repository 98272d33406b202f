<script setup lang="ts">
import { momentNow, momentText } from '@/web/kit/dates';
import { useKept } from '../saving/use-kept';
import { mdiDeleteOutline, mdiPlus } from '@mdi/js';
import { computed } from 'vue';
import type { FastenerEntry } from '@/contracts/install';
import { asCase } from '@/contracts/as-case';
import type { Plan } from '@/core/6-decisions/plan/plan-step';
import { jobJoints } from '@/core/7-job/install/joints';
import { jointWords } from '@/sheets/install-words';
import { otherTorque, parseTorque, torqueIn, withTorqueUnit } from '@/core/1-base/units/torque';
import { attempt } from '@/core/1-base/problem';
import { LIMITS } from '@/core/1-base/limits';
import { inRange } from '../kit/read-lists';
import { useJobStore } from '../stores/job';
import { useUnits } from '../stores/units';
import TickButton from '../kit/TickButton.vue';
import TypedField from '../kit/TypedField.vue';
import { type InstallState } from './use-install';
import { newId, putInto } from '../kit/entries';

/** Fasteners with the torque the maker's instructions give, and which are done. */
const props = defineProps<{ state: InstallState; plan: Plan | null; isPlanKnown: boolean }>();
const all = computed(() => props.state.install.value.fasteners);
const job = useJobStore();
const units = useUnits();
interface Torque {
  readonly nm: number;
  readonly typed: string;
}
/** As it was typed, with the unit it was meant in. */
const writeTorque = ({ typed }: Torque): string => typed;
const readTorque = (text: string) =>
  attempt((): Torque => ({
    nm: inRange(parseTorque(text, units.torque), LIMITS.torqueNm, text),
    typed: withTorqueUnit(text, units.torque),
  }));
const torqueOf = ({ torqueNm, torqueTyped }: FastenerEntry): Torque | undefined =>
  torqueNm === undefined ? undefined : { nm: torqueNm, typed: torqueTyped ?? torqueIn(torqueNm, units.torque) };
const saidTorque = (one: FastenerEntry): string => {
  const torque = torqueOf(one);
  return torque ? `${torque.typed} (${torqueIn(torque.nm, otherTorque(torque.typed))})` : '';
};
const setTorque = (id: string, torque: Torque | undefined): void =>
  edit(id, { torqueNm: torque?.nm, torqueTyped: torque?.typed, doneAt: undefined, doneBy: undefined });

/** Joints that the work opens and that are not on the list yet. */
const wanted = computed(() => {
  const file = job.document;
  const found = file ? attempt(() => jobJoints(asCase(file), props.plan)) : null;
  const names = found?.ok ? found.value.map(jointWords) : [];
  return names.filter((one) => !all.value.some(({ name: known }) => known === one));
});
const takeWork = (): void =>
  props.state.change((own) => {
    for (const one of wanted.value) own.fasteners.push({ id: newId(), name: one, count: 1, joint: one });
  });

const edit = (id: string, change: Partial<FastenerEntry>, gesture: string | null = null): void =>
  props.state.change((own) => putInto(own.fasteners, id, change), gesture);
const name = useKept('install.fastener', () => '');
function add(): void {
  if (name.value.trim() === '') return;
  props.state.change((own) => own.fasteners.push({ id: newId(), name: name.value.trim().slice(0, 120), count: 1 }));
  name.value = '';
}
function toggle(one: FastenerEntry): void {
  const by = (localStorage.getItem('lowgap.worker') ?? '').trim();
  edit(
    one.id,
    one.doneAt === undefined
      ? { doneAt: momentNow(), ...(by ? { doneBy: by } : {}) }
      : { doneAt: undefined, doneBy: undefined },
  );
}
</script>

<template>
  <section class="panel box" aria-label="Fasteners">
    <h2 class="panel-title">Fasteners, by the makers’ instructions</h2>
    <p class="muted">
      No torque ships with this program: enter what the vehicle’s or the part’s instructions say, and where it is
      written.
    </p>
    <article v-for="f in all" :key="f.id" class="bolt" :aria-label="f.name">
      <TickButton
        :done="f.doneAt !== undefined"
        :label="`Tightened: ${f.name}`"
        :disabled="f.torqueNm === undefined"
        @tick="toggle(f)"
      />
      <div class="stack close">
        <strong>{{ f.name }}</strong>
        <span v-if="f.torqueNm !== undefined" class="figures small">{{ saidTorque(f) }}</span>
        <span v-else class="muted small">torque not entered: it cannot be ticked off</span>
        <span v-if="f.doneAt" class="muted small">{{ momentText(f.doneAt) }}{{ f.doneBy ? `, ${f.doneBy}` : '' }}</span>
      </div>
      <TypedField
        :label="units.torque === 'nm' ? 'Torque, N·m or lb ft' : 'Torque, lb ft or N·m'"
        :value="torqueOf(f)"
        :read="readTorque"
        :write="writeTorque"
        optional
        @change="(torque) => setTorque(f.id, torque)"
      />
      <v-text-field
        label="Where it is written"
        maxlength="160"
        hide-details
        :model-value="f.source ?? ''"
        @update:model-value="(source: string) => edit(f.id, { source }, `${f.id}s`)"
      />
      <v-text-field
        label="Socket"
        maxlength="30"
        hide-details
        :model-value="f.socket ?? ''"
        @update:model-value="(socket: string) => edit(f.id, { socket }, `${f.id}k`)"
      />
      <v-btn
        size="48"
        variant="text"
        :icon="mdiDeleteOutline"
        :aria-label="`Take out: ${f.name}`"
        @click="state.change((own) => (own.fasteners = own.fasteners.filter(({ id }) => id !== f.id)))"
      />
    </article>
    <div class="row">
      <v-text-field v-model="name" label="Fastener" maxlength="120" class="grow" hide-details @keyup.enter="add" />
      <v-btn height="48" variant="outlined" :prepend-icon="mdiPlus" @click="add">Add the fastener</v-btn>
      <v-btn v-if="isPlanKnown && wanted.length" height="48" variant="outlined" @click="takeWork"
        >Take {{ wanted.length }} from the work</v-btn
      >
    </div>
  </section>
</template>

<style scoped>
.bolt {
  display: grid;
  grid-template-columns: 60px minmax(180px, 1.3fr) repeat(3, minmax(120px, 1fr)) 48px;
  gap: 10px;
  align-items: center;
  border-top: 1px solid var(--rule);
  padding-top: 8px;
}
@media (max-width: 900px) {
  .bolt {
    grid-template-columns: 60px minmax(0, 1fr);
  }
}
</style>
