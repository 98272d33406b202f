<script setup lang="ts">
import { useKept } from '../saving/use-kept';
import { mdiDeleteOutline, mdiPlus } from '@mdi/js';
import { computed, ref } from 'vue';
import type { PieceEntry } from '@/contracts/install';
import { PIECE_STATES, type PieceState } from '@/core/7-job/install/receiving';
import { CONSUMABLES } from '@/core/6-decisions/plan/modification';
import type { Plan } from '@/core/6-decisions/plan/plan-step';
import { partWords } from '@/sheets/order-document';
import { LIMITS } from '@/core/1-base/limits';
import { HOLD_WORDS, PIECE_STATE_WORDS } from '@/sheets/install-words';
import { readNumber, writeNumber } from '../kit/read-lists';
import QuantityField from '../kit/QuantityField.vue';
import TypedField from '../kit/TypedField.vue';
import { useJobStore } from '../stores/job';
import { type InstallState } from './use-install';
import { newId, putInto } from '../kit/entries';

/** Every piece counted and laid beside the old one before a bolt is turned. */
const props = defineProps<{ state: InstallState; plan: Plan | null; isPlanKnown: boolean }>();
const job = useJobStore();

const pieces = computed(() => props.state.install.value.pieces);
const COUNT = { min: 0, max: 999, unit: 'pieces' };
const wholeCount = readNumber(COUNT);

const edit = (id: string, change: Partial<PieceEntry>, gesture: string | null = null): void =>
  props.state.change((own) => putInto(own.pieces, id, change), gesture);
const name = useKept('install.piece', () => '');
const wanted = useKept('install.pieceCount', () => '1');
const refusal = ref('');
function add(): void {
  const count = Number(wanted.value);
  if (name.value.trim() === '' || !Number.isInteger(count) || count < 1 || count > 999) {
    refusal.value = `A piece wants a name and a whole number from 1 to 999; found ${name.value.trim() || 'no name'}, ${wanted.value.trim() || 'no number'}.`;
    return;
  }
  refusal.value = '';
  props.state.change((own) =>
    own.pieces.push({ id: newId(), name: name.value.trim().slice(0, 120), wanted: count, state: 'notLooked' }),
  );
  name.value = '';
  wanted.value = '1';
}
/** What the work order lists and nobody has written down here yet; what is used up in the shop is none of it. */
const fromOrder = computed(() =>
  props.state
    .order(props.plan)
    .parts.filter(({ what }) => !CONSUMABLES.some((one) => one === what))
    .map((part) => ({ name: partWords(part).slice(0, 120), wanted: part.quantity }))
    .filter((part) => !pieces.value.some((one) => one.name === part.name)),
);
const takeOrder = (): void =>
  props.state.change((own) => {
    for (const { name: piece, wanted: count } of fromOrder.value) {
      own.pieces.push({ id: newId(), name: piece, wanted: count, state: 'notLooked' });
    }
  });
const STATES = PIECE_STATES.map((value) => ({ value, title: PIECE_STATE_WORDS[value] }));
const SIDES = [
  { value: 'both', title: 'Both sides' },
  { value: 'left', title: 'Left' },
  { value: 'right', title: 'Right' },
];
const BESIDE = [
  { value: 'alike', title: 'Like the old one' },
  { value: 'asIntended', title: 'Differs as meant' },
  { value: 'wrong', title: 'Does not fit' },
];
/** The tire that came against the tire that is tried. */
const wrongSize = (piece: PieceEntry): string => {
  const tried = job.document?.setup?.tire.size;
  const claimed = piece.claimedSize?.trim();
  return claimed && tried && claimed.replace(/\s+/g, '').toUpperCase() !== tried.replace(/\s+/g, '').toUpperCase()
    ? `The job is about ${tried}.`
    : '';
};
</script>

<template>
  <section class="panel box" aria-label="Parts received">
    <h2 class="panel-title">Parts received, before a bolt is turned</h2>
    <p v-if="state.onHold.value.length" class="verdict-rubs" role="status" data-testid="hold">
      Do not begin: {{ state.onHold.value.map((h) => `${h.name}: ${HOLD_WORDS[h.why]}`).join('; ') }}.
    </p>
    <p v-else-if="pieces.length" class="verdict-clear" data-testid="hold">All parts are there and right: begin.</p>
    <p v-else class="muted">
      Write down what the kit’s list says, then count, lay old beside new, and look at thread, side and direction.
    </p>
    <article v-for="p in pieces" :key="p.id" class="piece" :aria-label="p.name">
      <strong>{{ p.name }}</strong>
      <TypedField
        :label="`Found, of ${p.wanted}`"
        :value="p.found"
        :read="wholeCount"
        :write="writeNumber"
        optional
        @change="(found) => edit(p.id, { found: found === undefined ? undefined : Math.round(found) })"
      />
      <v-select
        label="How it was found"
        :model-value="p.state"
        :items="STATES"
        hide-details
        @update:model-value="(to: PieceState) => edit(p.id, { state: to })"
      />
      <v-select
        label="Beside the old one"
        clearable
        :model-value="p.besideOld"
        :items="BESIDE"
        hide-details
        @update:model-value="(to: PieceEntry['besideOld'] | null) => edit(p.id, { besideOld: to ?? undefined })"
      />
      <v-select
        label="Side"
        clearable
        :model-value="p.side"
        :items="SIDES"
        hide-details
        @update:model-value="(to: PieceEntry['side'] | null) => edit(p.id, { side: to ?? undefined })"
      />
      <v-text-field
        v-for="[field, label] in [
          ['place', 'Place'],
          ['direction', 'Which way up or round'],
          ['thread', 'Thread and pitch'],
          ['claimedSize', 'Tire size on it'],
          ['note', 'Note'],
        ] as const"
        :key="field"
        :label="label"
        hide-details
        maxlength="40"
        :model-value="p[field] ?? ''"
        @update:model-value="(text: string) => edit(p.id, { [field]: text }, `${p.id}${field}`)"
      />
      <QuantityField
        label="Lift claimed for it"
        :value="p.claimedLiftMm"
        :range="LIMITS.suspensionLiftMm"
        optional
        @change="(mm) => edit(p.id, { claimedLiftMm: mm })"
      />
      <v-btn
        size="48"
        variant="text"
        :icon="mdiDeleteOutline"
        :aria-label="`Take ${p.name} off the list`"
        @click="state.change((own) => (own.pieces = own.pieces.filter(({ id }) => id !== p.id)))"
      />
      <p v-if="wrongSize(p)" class="verdict-rubs wide" role="status">{{ p.claimedSize }}: {{ wrongSize(p) }}</p>
    </article>
    <div class="add row">
      <v-text-field
        v-model="name"
        label="Piece, as the list names it"
        maxlength="120"
        hide-details
        @keyup.enter="add"
      />
      <v-text-field
        v-model="wanted"
        class="count"
        label="How many"
        inputmode="numeric"
        hide-details
        @keyup.enter="add"
      />
      <v-btn height="48" variant="outlined" :prepend-icon="mdiPlus" @click="add">Add</v-btn>
      <v-btn v-if="isPlanKnown && fromOrder.length" height="48" variant="outlined" @click="takeOrder"
        >Take {{ fromOrder.length }} from the work order</v-btn
      >
    </div>
    <p v-if="refusal" class="verdict-rubs" role="alert">{{ refusal }}</p>
  </section>
</template>

<style scoped>
.piece {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(190px, 100%), 1fr));
  gap: 8px;
  align-items: center;
  border-top: 1px solid var(--rule);
  padding-top: 8px;
}
.piece strong,
.wide {
  grid-column: 1 / -1;
}
.add :deep(.v-text-field) {
  flex: 1 1 220px;
}
.add .count {
  flex: 0 0 120px;
}
</style>
