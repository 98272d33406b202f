<script setup lang="ts">
import { useKept } from '../saving/use-kept';
import { mdiCalendarExport, mdiDeleteOutline, mdiPlus } from '@mdi/js';
import { format, parseISO } from 'date-fns';
import { computed, ref } from 'vue';
import { calendarRequestSchema } from '@/contracts/sheets-api';
import type { Plan } from '@/core/6-decisions/plan/plan-step';
import { FOLLOW_UP_KINDS, type FollowUpKind } from '@/core/7-job/follow-up/due';
import { api } from '../api';
import { newId } from '../kit/entries';
import { saveBlob } from '../kit/save-text';
import TickButton from '../kit/TickButton.vue';
import { attempt } from '@/core/1-base/problem';
import { distanceIn, parseDistance } from '@/core/1-base/units/distance';
import { inRange } from '../kit/read-lists';
import { useJobStore } from '../stores/job';
import { useUnits } from '../stores/units';
import { FOLLOW_UP_WORDS, openWords } from './follow-up-words';
import { type FollowUpState } from './use-follow-up';
import { dayText, isDay, today } from '../kit/dates';
import DateField from '../kit/DateField.vue';

/** What is looked at again, and when; as a calendar file too. */
const props = defineProps<{ state: FollowUpState; plan: Plan | null; isPlanKnown: boolean }>();
const job = useJobStore();
const units = useUnits();
const MOST = { min: 0, max: 100_000, unit: 'km' };
const due = computed(() => [...props.state.followUp.value.due].sort((a, b) => a.due.localeCompare(b.due)));
const handedOver = computed(() => props.state.followUp.value.handedOver);
const date = ref(today());

const dateProblem = ref('');
const reason = ref(props.state.followUp.value.openReason ?? '');
const reasonProblem = ref('');
const setRecord = (on: boolean | null): void => props.state.change((own) => (own.inRecord = on === true), 'record');
function handOver(): void {
  if (!props.isPlanKnown) return;
  dateProblem.value = isDay(date.value)
    ? ''
    : `A day such as ${dayText(today())} is wanted; found ${date.value || 'nothing'}.`;
  const isOpen = props.state.open.value.length > 0;
  reasonProblem.value =
    isOpen && reason.value.trim() === ''
      ? 'Say why it goes home all the same: it is printed on the hand-over sheet.'
      : '';
  if (!dateProblem.value && !reasonProblem.value) props.state.handOver(date.value, reason.value, props.plan);
}

const next = useKept('followUp.due', () => ({ kind: 'customer' as FollowUpKind, text: '', due: '', km: '' }));
const refusal = ref('');
function add(): void {
  const { kind, text, due: day, km } = next.value;
  const read = km.trim() === '' ? null : attempt(() => inRange(parseDistance(km, units.distance), MOST, km));
  const distance = read?.ok ? Math.round(read.value * 10) / 10 : undefined;
  const wrong = [
    ...(isDay(day) ? [] : [`a day such as ${dayText(today())}; found ${day || 'nothing'}`]),
    ...(isDay(day) && day < today() ? [`a day from today on; ${dayText(day)} is in the past`] : []),
    ...(read?.ok === false ? read.problems.map(({ expected, found }) => `${expected}; found ${found}`) : []),
  ];
  refusal.value = wrong.length ? `Wanted: ${wrong.join('; ')}.` : '';
  if (wrong.length) return;
  props.state.change((own) =>
    own.due.push({
      id: newId(),
      kind,
      text: (text.trim() || FOLLOW_UP_WORDS[kind]).slice(0, 200),
      due: day,
      ...(distance === undefined ? {} : { orAfterKm: distance }),
    }),
  );
  next.value = { kind: 'customer', text: '', due: '', km: '' };
}
const toggle = (id: string): void =>
  props.state.change((own) => {
    const found = own.due.find((one) => one.id === id);
    if (!found) return;
    if (found.doneOn === undefined) found.doneOn = today();
    else delete found.doneOn;
  });
const remove = (id: string): void => props.state.change((own) => (own.due = own.due.filter((one) => one.id !== id)));
const isLate = (day: string): boolean => day < today();
const dayWords = (day: string): string => format(parseISO(day), 'EEE d MMM yyyy');

const saving = ref('');
async function saveCalendar(): Promise<void> {
  const request = calendarRequestSchema.safeParse({
    title: job.title,
    job: job.id,
    events: due.value.map(({ id, due: day, text, orAfterKm, note, doneOn }) => ({
      id,
      due: day,
      text: `${text}: ${job.document?.vehicle.label ?? ''}`.slice(0, 600),
      note: [orAfterKm === undefined ? '' : `or after ${distanceIn(orAfterKm, units.distance)}`, note ?? '']
        .filter(Boolean)
        .join('; '),
      done: doneOn !== undefined,
    })),
  });
  if (!request.success) return;
  const made = await api.calendar(request.data);
  saving.value = made.ok
    ? ''
    : 'The server does not answer, so the calendar cannot be written. The days are kept here.';
  if (made.ok) saveBlob('follow-up.ics', made.value);
}
const KINDS = FOLLOW_UP_KINDS.map((value) => ({ value, title: FOLLOW_UP_WORDS[value] }));
</script>

<template>
  <section class="panel box" aria-label="Due">
    <h2 class="panel-title">To be looked at again</h2>
    <div class="fields">
      <DateField v-model="date" label="Handed over on" :problem="dateProblem" />
      <v-btn height="48" color="primary" :loading="!isPlanKnown" @click="handOver">{{
        handedOver ? 'Handed over anew' : 'Handed over'
      }}</v-btn>
      <v-btn
        v-if="due.some(({ doneOn }) => !doneOn)"
        height="48"
        variant="outlined"
        :prepend-icon="mdiCalendarExport"
        @click="saveCalendar"
        >Calendar file</v-btn
      >
    </div>
    <template v-if="state.open.value.length">
      <p class="verdict-close" role="note" data-testid="still-open">Still open: {{ openWords(state.open.value) }}.</p>
      <v-text-field
        v-model="reason"
        label="Why it goes home all the same"
        maxlength="300"
        hide-details="auto"
        :error-messages="reasonProblem"
      />
    </template>
    <v-checkbox
      :model-value="state.followUp.value.inRecord === true"
      label="Its measurements may go into the shop record: heights, tires, hours, comebacks"
      hide-details
      density="compact"
      @update:model-value="setRecord"
    />
    <p v-if="saving" class="verdict-rubs" role="alert">{{ saving }}</p>
    <p v-if="!handedOver" class="muted">
      Handing over writes down the usual looks: wheel nuts, what was opened, rub marks, a year later. Days are this
      program’s working values; a maker’s own come first.
    </p>
    <ul class="list ruled" data-testid="due">
      <li v-for="d in due" :key="d.id">
        <TickButton :done="d.doneOn !== undefined" :label="`Done: ${d.text}`" @tick="toggle(d.id)" />
        <span class="stack close">
          <strong>{{ d.text }}</strong>
          <span :class="!d.doneOn && isLate(d.due) ? 'verdict-rubs' : 'muted'">
            {{ dayWords(d.due)
            }}{{ d.orAfterKm === undefined ? '' : `, or after ${distanceIn(d.orAfterKm, units.distance)}`
            }}{{ d.doneOn ? `; done ${dayWords(d.doneOn)}` : isLate(d.due) ? ': overdue' : '' }}
          </span>
        </span>
        <v-btn
          size="48"
          variant="text"
          :icon="mdiDeleteOutline"
          :aria-label="`Remove: ${d.text}`"
          @click="remove(d.id)"
        />
      </li>
    </ul>
    <form class="fields" aria-label="Another look" @submit.prevent="add">
      <v-select v-model="next.kind" :items="KINDS" label="What" hide-details />
      <v-text-field v-model="next.text" label="In own words" maxlength="200" hide-details />
      <DateField v-model="next.due" label="Due on" />
      <v-text-field v-model="next.km" :label="`Or after ${units.distance}`" hide-details />
      <v-btn type="submit" height="48" variant="outlined" :prepend-icon="mdiPlus">Add the look</v-btn>
    </form>
    <p v-if="refusal" class="verdict-rubs" role="alert">{{ refusal }}</p>
  </section>
</template>

<style scoped>
.list li {
  display: grid;
  grid-template-columns: 60px minmax(0, 1fr) 48px;
  gap: 10px;
  align-items: center;
  border-top: 1px solid var(--rule);
  padding: 6px 0;
}
</style>
