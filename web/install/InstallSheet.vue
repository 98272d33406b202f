<script setup lang="ts">
import { momentNow, momentText } from '@/web/kit/dates';
import { useKept } from '../saving/use-kept';
import { mdiArrowDown, mdiArrowUp, mdiDeleteOutline, mdiPencilOutline, mdiPlus } from '@mdi/js';
import { computed, ref } from 'vue';
import type { InstallStep } from '@/contracts/install';
import type { Plan } from '@/core/6-decisions/plan/plan-step';
import { PRECAUTION_WORDS, timeWords } from '@/sheets/plan-words';
import { readNumber, writeNumber } from '../kit/read-lists';
import TickButton from '../kit/TickButton.vue';
import TypedField from '../kit/TypedField.vue';
import { MOST_TEXT, type InstallState } from './use-install';
import { newId } from '../kit/entries';

/** The work in its order: one big key for each step, its caution where the risk is. */
const props = defineProps<{ state: InstallState; plan: Plan | null; isPlanKnown: boolean }>();

const steps = computed(() => props.state.steps.value);
const by = ref(localStorage.getItem('lowgap.worker') ?? '');
function setBy(name: string): void {
  by.value = name;
  localStorage.setItem('lowgap.worker', name);
}
const open = ref<string | null>(null);

function toggle(step: InstallStep): void {
  props.state.editStep(step.id, (own) => {
    if (own.doneAt !== undefined) {
      delete own.doneAt;
      delete own.doneBy;
      return;
    }
    own.doneAt = momentNow();
    if (by.value.trim() !== '') own.doneBy = by.value.trim();
  });
}
/** Before the parts are in order nothing is lifted or loosened; what is done stays done. */
const BEFORE_HOLD: readonly InstallStep['kind'][] = ['soakBolts', 'layOutParts', 'heightsBefore', 'own'];
const held = ({ kind, doneAt }: InstallStep): boolean =>
  props.state.onHold.value.length > 0 && doneAt === undefined && !BEFORE_HOLD.includes(kind);
const MINUTES = { min: 0, max: 6000, unit: 'minutes' };
const setMinutes = (id: string, minutes: number | undefined): void =>
  props.state.editStep(id, (own) => {
    if (minutes === undefined) delete own.spentMinutes;
    else own.spentMinutes = minutes;
  });
const setText = (id: string, text: string): void => {
  if (text.trim() !== '') props.state.editStep(id, (own) => (own.text = text.slice(0, MOST_TEXT)), `step ${id}`);
};
const setNote = (id: string, note: string): void =>
  props.state.editStep(
    id,
    (own) => {
      if (note.trim() === '') delete own.note;
      else own.note = note.slice(0, 400);
    },
    `note ${id}`,
  );
function move(id: string, by: 1 | -1): void {
  props.state.change((own) => {
    const from = own.steps.findIndex((one) => one.id === id);
    const to = from + by;
    const [one] = own.steps.splice(from, 1);
    if (one) own.steps.splice(Math.max(0, Math.min(own.steps.length, to)), 0, one);
  });
}
const remove = (id: string): void =>
  props.state.change((own) => (own.steps = own.steps.filter((one) => one.id !== id)));
const added = useKept('install.step', () => '');
function add(): void {
  if (added.value.trim() === '') return;
  props.state.change((own) =>
    own.steps.push({ id: newId(), kind: 'own', text: added.value.trim().slice(0, 400), cautions: [] }),
  );
  added.value = '';
}
const when = (moment: string): string => momentText(moment);
const spent = computed(() => steps.value.reduce((sum, { spentMinutes = 0 }) => sum + spentMinutes, 0));
/** A sheet that is half done is not thrown away by a slip. */
const anew = ref(false);
function make(): void {
  if (!props.isPlanKnown) return;
  if (props.state.done.value > 0 && !anew.value) {
    anew.value = true;
    return;
  }
  anew.value = false;
  props.state.makeSheet(props.plan);
}
</script>

<template>
  <section class="panel box" aria-label="Installation sheet">
    <div class="row">
      <h2 class="panel-title">Installation sheet</h2>
      <span data-testid="sheet-says"
        >{{ state.done.value }} of {{ steps.length }} done{{ spent ? `, ${timeWords(spent)} so far` : '' }}</span
      >
      <v-text-field
        class="by"
        label="Done by"
        maxlength="60"
        hide-details
        :model-value="by"
        @update:model-value="setBy"
      />
      <v-btn height="48" variant="outlined" class="no-print" :loading="!isPlanKnown" @click="make">{{
        steps.length ? 'Make it anew from the plan' : 'Make the sheet from the plan'
      }}</v-btn>
    </div>
    <p v-if="anew" class="verdict-close" role="alert">
      {{ state.done.value }} steps are done: making the sheet anew forgets that. Press once more if that is meant; undo
      brings it back.
    </p>
    <p v-if="!steps.length" class="muted">
      No sheet yet. It is made from the setup, the suspension and the plan, and can be changed as the work wants.
    </p>
    <ol class="steps ruled">
      <li v-for="(s, i) in steps" :key="s.id" :class="{ done: s.doneAt }">
        <TickButton
          :done="s.doneAt !== undefined"
          :number="i + 1"
          :next="s.id === state.next.value?.id"
          :disabled="held(s)"
          :label="`Step ${i + 1} ${s.doneAt ? 'is done' : 'done'}: ${s.text}`"
          @tick="toggle(s)"
        />
        <div class="stack close">
          <v-textarea
            v-if="open === s.id"
            label="What is done"
            rows="2"
            auto-grow
            hide-details
            :model-value="s.text"
            @update:model-value="(text: string) => setText(s.id, text)"
          />
          <span v-else class="text">{{ s.text }}</span>
          <span v-if="s.tools || s.plannedMinutes" class="muted small">{{
            [s.plannedMinutes ? `about ${timeWords(s.plannedMinutes)}` : '', s.tools ?? ''].filter(Boolean).join(' · ')
          }}</span>
          <span v-for="c in s.cautions" :key="c" class="caution">{{ PRECAUTION_WORDS[c] }}</span>
          <span v-if="s.doneAt" class="muted small">
            {{ when(s.doneAt) }}{{ s.doneBy ? `, ${s.doneBy}` : '' }}{{ s.spentMinutes ? `, ${s.spentMinutes} min` : ''
            }}{{ s.note ? `. ${s.note}` : '' }}
          </span>
          <div v-if="open === s.id" class="row more">
            <TypedField
              label="Minutes it took"
              :value="s.spentMinutes"
              :read="readNumber(MINUTES)"
              :write="writeNumber"
              optional
              @change="(minutes) => setMinutes(s.id, minutes)"
            />
            <v-text-field
              label="Note"
              maxlength="400"
              hide-details
              :model-value="s.note ?? ''"
              @update:model-value="(note: string) => setNote(s.id, note)"
            />
            <v-btn
              size="48"
              variant="text"
              :icon="mdiArrowUp"
              aria-label="Move up"
              :disabled="i === 0"
              @click="move(s.id, -1)"
            />
            <v-btn
              size="48"
              variant="text"
              :icon="mdiArrowDown"
              aria-label="Move down"
              :disabled="i === steps.length - 1"
              @click="move(s.id, 1)"
            />
            <v-btn
              size="48"
              variant="text"
              :icon="mdiDeleteOutline"
              aria-label="Take the step out"
              @click="remove(s.id)"
            />
          </div>
        </div>
        <v-btn
          class="no-print"
          size="48"
          variant="text"
          :icon="mdiPencilOutline"
          :aria-label="`Change step ${i + 1}`"
          :aria-expanded="open === s.id"
          @click="open = open === s.id ? null : s.id"
        />
      </li>
    </ol>
    <div class="add row no-print">
      <v-text-field v-model="added" label="A step of one’s own" maxlength="400" hide-details @keyup.enter="add" />
      <v-btn height="48" variant="outlined" :prepend-icon="mdiPlus" @click="add">Add the step</v-btn>
    </div>
    <p class="small muted">
      Torque, sequence and safety are the vehicle’s and the parts’ makers’ to say; this sheet orders the work and keeps
      what was done.
    </p>
  </section>
</template>

<style scoped>
.by {
  flex: 0 1 200px;
}
.add :deep(.v-text-field),
.more :deep(.v-text-field) {
  flex: 1 1 180px;
}
.steps li {
  display: grid;
  grid-template-columns: 64px minmax(0, 1fr) 48px;
  gap: 10px;
  align-items: start;
  border-top: 1px solid var(--rule);
  padding: 6px 0;
}
.text {
  font-size: 18px;
  line-height: 25px;
}
.done .text {
  color: var(--muted, inherit);
}
.caution::before {
  content: '! ';
  font-weight: 700;
}
.caution {
  font-size: 15px;
}
</style>
