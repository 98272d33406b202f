<script setup lang="ts">
import { dayText } from '@/web/kit/dates';
import { cornerName } from '@/core/2-vehicle/setup/corner-key';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { setupLine } from '@/sheets/order-head';
import { api } from '../api';
import { useJobStore } from '../stores/job';
import { bothUnits } from '../../core/1-base/units/length';
import { CORNER_NAMES } from '../../core/2-vehicle/setup/corner-key';
import { COMEBACK_WORDS } from './follow-up-words';
import { lastMeasured, nextChange, type FollowUpState } from './use-follow-up';

/** Everything that happened to this vehicle, and the way on: from what was last measured, not from what was promised. */
const props = defineProps<{ state: FollowUpState }>();
const job = useJobStore();
const router = useRouter();

interface Event {
  readonly at: string;
  readonly what: string;
}
const events = computed<Event[]>(() => {
  const file = job.document;
  if (!file) return [];
  const { handedOver, due, comebacks } = props.state.followUp.value;
  const all: Event[] = [
    ...(file.testFits ?? []).map(({ date, title, setup, findings, trimmed }) => ({
      at: date,
      what: `${title}${setup ? ` on ${setupLine(setup)}` : ''}: ${findings.length} findings${trimmed.length ? `, ${trimmed.length} trimmed after it` : ''}`,
    })),
    ...(file.testFits ?? []).flatMap(({ title, learned }) =>
      Object.entries(learned).map(([key, at]) => ({
        at: at!.slice(0, 10),
        what: `${title}: ${cornerName(key as keyof typeof CORNER_NAMES)} estimated anew from it`,
      })),
    ),
    ...(file.install?.steps ?? []).flatMap(({ doneAt, text, doneBy }) =>
      doneAt ? [{ at: doneAt.slice(0, 10), what: `${text}${doneBy ? ` (${doneBy})` : ''}` }] : [],
    ),
    ...(file.install?.surprises ?? []).map(({ at, what }) => ({ at: at.slice(0, 10), what: `Problem found: ${what}` })),
    ...(file.plan?.consents ?? []).map(({ date, owner }) => ({ at: date, what: `Consent of ${owner}` })),
    ...(handedOver ? [{ at: handedOver, what: 'Handed over' }] : []),
    ...due.flatMap(({ doneOn, text }) => (doneOn ? [{ at: doneOn, what: `Looked at again: ${text}` }] : [])),
    ...comebacks.map(({ date, cause, note }) => ({
      at: date,
      what: `Came back: ${COMEBACK_WORDS[cause]}${note ? `. ${note}` : ''}`,
    })),
  ];
  return all.sort((a, b) => a.at.localeCompare(b.at));
});
const measured = computed(() => (job.document ? lastMeasured(job.document) : []));
const HALF_INCH_MM = 12.7;
const problem = ref('');
async function goOn(moreMm: number): Promise<void> {
  if (!job.document) return;
  const title = `${job.title}${moreMm ? ', half an inch more' : ', next change'}`.slice(0, 120);
  const made = await api.createJob({ title, customer: job.customer, document: nextChange(job.document, moreMm) });
  problem.value = made.ok ? '' : 'The server does not answer: nothing was begun, and nothing is lost.';
  if (made.ok) await router.push({ name: 'stance', params: { id: made.value.id } });
}
</script>

<template>
  <section class="panel box" aria-label="History">
    <h2 class="panel-title">History of the vehicle</h2>
    <div class="keys">
      <v-btn height="48" variant="outlined" @click="goOn(HALF_INCH_MM)">Half an inch more</v-btn>
      <v-btn height="48" variant="outlined" @click="goOn(0)">Another change from here</v-btn>
    </div>
    <p v-if="measured.length" class="small" data-testid="from-measured">
      Goes on from what was measured:
      {{
        measured
          .map(
            ({ key, measuredMm, expectedMm }) =>
              `${cornerName(key)} hub to lip ${bothUnits(measuredMm)}, ${Math.abs(measuredMm - expectedMm) < 0.5 ? 'as expected' : `${bothUnits(Math.abs(measuredMm - expectedMm))} ${measuredMm > expectedMm ? 'higher' : 'lower'} than expected`}`,
          )
          .join('; ')
      }}.
    </p>
    <p v-else class="small muted">No height was read in a test fit: it goes on from what was expected.</p>
    <p v-if="problem" class="verdict-rubs" role="alert">{{ problem }}</p>
    <p v-if="!events.length" class="muted">Nothing has happened yet.</p>
    <ol class="events" data-testid="history">
      <li v-for="(e, i) in events" :key="i">
        <span class="figures at">{{ dayText(e.at) }}</span>
        <span>{{ e.what }}</span>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.events {
  list-style: none;
  padding: 0;
}
.events li {
  display: grid;
  grid-template-columns: 120px minmax(0, 1fr);
  gap: 10px;
  border-top: 1px solid var(--rule);
  padding: 6px 0;
}
</style>
