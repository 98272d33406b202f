<script setup lang="ts">
import { pdfBlob } from '@/web/kit/save-text';
import { problemText } from '../problem-words';
import { dayText, today } from '@/web/kit/dates';
import { useKept } from '../saving/use-kept';
import { mdiDownload, mdiPrinterOutline } from '@mdi/js';
import { computed, ref, toRaw } from 'vue';
import { workOrder } from '@/core/6-decisions/plan/work-order';
import { attempt, ProblemError } from '@/core/1-base/problem';
import { parseMoney } from '@/core/1-base/units/money';
import { setupLine } from '@/sheets/order-head';
import { orderDocument } from '@/sheets/order-document';
import { PAPER_SIZES, type Paper } from '@/sheets/paper';
import { partsCsv } from '@/sheets/parts-csv';
import { saveBlob, saveText } from '../kit/save-text';
import { useJobStore } from '../stores/job';
import { STANDARD_NAMES } from '../words';
import OrderPaper from './OrderPaper.vue';
import type { PlanState } from './use-plan';
import EntryList from '../kit/EntryList.vue';

/** The plan as a work order: on the screen, printed, as PDF, its parts as CSV; the shop adds its own steps and parts. */
const props = defineProps<{ state: PlanState }>();
const job = useJobStore();

const order = computed(() => {
  const plan = props.state.plan.value;
  const judged = props.state.judgement.value;
  return plan && judged ? workOrder(judged.plan, plan.shop, props.state.beside.value) : null;
});
const paperOrder = computed(() => {
  const file = job.document;
  const plan = props.state.plan.value;
  const judged = props.state.judgement.value;
  if (!file || !plan || !judged || !order.value) return null;
  const used = plan.consents.filter(({ corner, obstacle }) =>
    props.state.chosen.value.fixes.some(
      (fix) => fix.kind === 'crashBracket' && fix.corner === corner && fix.obstacle === obstacle,
    ),
  );
  return orderDocument(
    {
      job: job.title,
      customer: job.customer,
      vehicle: file.vehicle.label,
      date: dayText(today()),
      setup: setupLine(judged.setup),
      standard: STANDARD_NAMES[file.standard],
      localRules: file.intake?.localRules ?? '',
      reTorqueAfter: plan.spacer?.reTorqueAfter ?? '',
      taxMillionths: plan.shop.taxMillionths,
      consents: used.map(({ corner, obstacle, owner, date }) => ({
        label: file.corners[corner]?.obstacles.find(({ id }) => id === obstacle)?.label ?? obstacle,
        owner,
        date,
      })),
    },
    judged,
    order.value,
  );
});

const paper = ref<Paper>('A4');
const pdfProblem = ref('');
async function savePdf(): Promise<void> {
  const made = paperOrder.value && (await props.state.client.orderPdf(toRaw(paperOrder.value), paper.value));
  if (!made) return;
  pdfProblem.value = made.ok ? '' : made.problems.map(problemText).join(' ');
  if (made.ok) saveBlob(`work-order-${paper.value}.pdf`, pdfBlob(made.value));
}
const saveCsv = (): void => void (order.value && saveText('parts.csv', 'text/csv', partsCsv(order.value.parts)));
const print = (): void => window.print();

const part = useKept('plan.part', () => ({ name: '', quantity: '1', price: '' }));
const partProblem = ref('');
function addPart(): void {
  const { name, quantity, price } = part.value;
  const read = attempt(() => {
    if (name.trim() === '')
      throw new ProblemError({ code: 'missing', path: 'name', expected: 'what the part is', found: 'nothing' });
    if (!/^[1-9]\d{0,2}$/.test(quantity.trim())) {
      throw new ProblemError({
        code: 'wrongType',
        path: 'quantity',
        expected: 'a whole number from 1 to 999',
        found: quantity.trim() || 'nothing',
      });
    }
    return { name: name.trim(), quantity: Number(quantity), unitMinor: price.trim() === '' ? 0 : parseMoney(price) };
  });
  partProblem.value = read.ok
    ? ''
    : read.problems.map(({ expected, found }) => `Expected ${expected}; found ${found}.`).join(' ');
  if (!read.ok) return;
  props.state.change((plan) => (plan.parts = [...plan.parts, read.value]));
  part.value = { name: '', quantity: '1', price: '' };
}

const step = useKept('plan.step', () => ({ text: '', source: '', minutes: '30' }));
const stepProblem = ref('');
function addStep(): void {
  const { text, source, minutes } = step.value;
  const read = attempt(() => {
    if (text.trim() === '')
      throw new ProblemError({
        code: 'missing',
        path: 'text',
        expected: 'what the kit’s maker prescribes',
        found: 'nothing',
      });
    if (source.trim() === '')
      throw new ProblemError({
        code: 'missing',
        path: 'source',
        expected: 'where it is written: sheet and step',
        found: 'nothing',
      });
    if (!/^\d{1,4}$/.test(minutes.trim())) {
      throw new ProblemError({
        code: 'wrongType',
        path: 'minutes',
        expected: 'whole minutes',
        found: minutes.trim() || 'nothing',
      });
    }
    return { text: text.trim(), source: source.trim(), minutes: Number(minutes) };
  });
  stepProblem.value = read.ok
    ? ''
    : read.problems.map(({ expected, found }) => `Expected ${expected}; found ${found}.`).join(' ');
  if (!read.ok) return;
  props.state.change((plan) => (plan.prescribed = [...plan.prescribed, read.value]));
  step.value = { text: '', source: '', minutes: '30' };
}
</script>

<template>
  <div class="stack">
    <section class="panel box no-print" aria-label="Paper">
      <div class="row">
        <v-select v-model="paper" :items="PAPER_SIZES" label="Paper" hide-details class="short" />
        <v-btn height="48" color="primary" :prepend-icon="mdiDownload" :disabled="!paperOrder" @click="savePdf"
          >PDF</v-btn
        >
        <v-btn height="48" variant="outlined" :prepend-icon="mdiPrinterOutline" :disabled="!paperOrder" @click="print"
          >Print</v-btn
        >
        <v-btn height="48" variant="outlined" :prepend-icon="mdiDownload" :disabled="!order" @click="saveCsv"
          >Parts as CSV</v-btn
        >
      </div>
      <p v-if="pdfProblem" class="verdict-rubs" role="alert">{{ pdfProblem }}</p>
      <details>
        <summary>Add a part</summary>
        <form class="row" aria-label="Add a part" @submit.prevent="addPart">
          <v-text-field v-model="part.name" label="Part" maxlength="120" hide-details class="wide" />
          <v-text-field v-model="part.quantity" label="Quantity" hide-details class="short" />
          <v-text-field v-model="part.price" label="Each" hide-details class="short" />
          <v-btn height="48" type="submit" variant="outlined">Add</v-btn>
        </form>
        <p v-if="partProblem" class="verdict-rubs small" role="alert">{{ partProblem }}</p>
        <EntryList
          :entries="state.plan.value?.parts ?? []"
          :words="({ quantity, name }) => `${quantity} x ${name}`"
          :removal="({ name }) => `Remove ${name}`"
          @remove="(i) => state.change((plan) => void plan.parts.splice(i, 1))"
        />
      </details>
      <details>
        <summary>Record a step that a kit’s maker prescribes</summary>
        <p class="small muted">It is recorded with its source and not judged here.</p>
        <form class="row" aria-label="Record a prescribed step" @submit.prevent="addStep">
          <v-text-field v-model="step.text" label="Step" maxlength="300" hide-details class="wide" />
          <v-text-field v-model="step.source" label="Source" maxlength="200" hide-details class="wide" />
          <v-text-field v-model="step.minutes" label="Minutes" hide-details class="short" />
          <v-btn height="48" type="submit" variant="outlined">Record</v-btn>
        </form>
        <p v-if="stepProblem" class="verdict-rubs small" role="alert">{{ stepProblem }}</p>
        <EntryList
          :entries="state.plan.value?.prescribed ?? []"
          :words="({ text, source }) => `${text} (${source})`"
          :removal="({ text }) => `Remove ${text}`"
          @remove="(i) => state.change((plan) => void plan.prescribed.splice(i, 1))"
        />
      </details>
    </section>
    <OrderPaper v-if="paperOrder" :order="paperOrder" />
    <p v-else class="panel box muted">The plan cannot be judged as it stands: see the Plan view.</p>
  </div>
</template>

<style scoped src="../kit/folded.css"></style>

<style scoped>
.wide {
  flex: 2 1 180px;
}
</style>
