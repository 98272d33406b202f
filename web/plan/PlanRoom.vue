<script setup lang="ts">
import { fallsShort } from '@/core/4-clearance/case/standard';
import { computed, ref, watchEffect } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { MOST_COMPARED, type LowgapSetup } from '@/contracts/lowgap-file';
import { problemText } from '../problem-words';
import { asCase } from '@/contracts/as-case';
import { asPlanQuestion } from '@/contracts/as-plan-question';
import { withFix, type Fix, type ThingOutcome } from '@/core/6-decisions/plan/judge-plan';
import { type AxleChanges } from '@/core/6-decisions/plan/setup-changes';
import { axleOf, AXLES, type Axle, cornerName } from '@/core/2-vehicle/setup/corner-key';
import { formatMoney } from '@/core/1-base/units/money';
import { knockOnWords, pairOutcomeWords, timeWords } from '@/sheets/plan-words';
import { PERMANENCE_WORDS } from '../finder/finder-words';
import { useView } from '../kit/use-view';
import { useJobStore } from '../stores/job';
import ChangesCatalogue from './ChangesCatalogue.vue';
import ChangesEditor from './ChangesEditor.vue';
import ConsentPanel from './ConsentPanel.vue';
import CutSheetPanel from './CutSheetPanel.vue';
import PlanAsked from './PlanAsked.vue';
import { marginWords } from '@/core/4-clearance/case/standard';
import type { Plan } from '@/core/6-decisions/plan/plan-step';
import { planPrice, type PlanPrice } from '@/core/6-decisions/plan/work-order';
import PlanCards from './PlanCards.vue';
import ShopAsked from './ShopAsked.vue';
import ModelNote from '../job/ModelNote.vue';
import SlipNote from '../stance/SlipNote.vue';
import ThingsTable from './ThingsTable.vue';
import WorkOrderPanel from './WorkOrderPanel.vue';
import { usePlan } from './use-plan';
import ViewTabs from '../kit/ViewTabs.vue';

/** What is the cheapest and least permanent way to make it clear, and how is it done? */
const job = useJobStore();
const state = usePlan();
const route = useRoute();
const router = useRouter();

const VIEWS = {
  plan: 'Plan',
  sheet: 'Cut sheet',
  order: 'Work order',
  changes: 'Changes',
} as const;
const view = useView(VIEWS, 'plan');

const axles = computed(() => AXLES.filter((axle) => job.corners.some((key) => axleOf(key) === axle)));
const judged = computed(() => state.judgement.value);
const brackets = computed(() =>
  (judged.value?.things ?? []).filter(
    ({ kinds, before, after, fix }) =>
      kinds.includes('crashBracket') && (fallsShort(before) || fallsShort(after) || fix !== null),
  ),
);
const failing = computed(() => judged.value?.things.filter(({ after, fault }) => fallsShort(after) || fault) ?? []);
/** What is left closest once the plan is carried out. */
const least = computed(() => {
  const left = (judged.value?.things ?? []).flatMap(({ afterGapMm, requiredMm, label, corner }) =>
    afterGapMm === null ? [] : [{ overMm: afterGapMm - requiredMm, label, corner }],
  );
  return left.sort((a, b) => a.overMm - b.overMm)[0] ?? null;
});
const unsurveyed = computed(() =>
  job.corners
    .filter((key) => !judged.value?.things.some(({ corner }) => corner === key))
    .map((key) => cornerName(key))
    .join(', '),
);
/** Nothing falls short, and too little was measured to say that it clears. */
const notKnown = computed(() => failing.value.length === 0 && !judged.value?.clears);
/** As the work order sums it up. */
const priceOf = (plan: Plan): PlanPrice => {
  const asked = state.plan.value;
  return asked
    ? planPrice(plan, asked.shop, state.beside.value)
    : { netMinor: plan.costMinor, minutes: plan.minutes, besideMinor: 0 };
};
const hasPlan = computed(() => (judged.value?.plan.steps.length ?? 0) > 0);

const setAxle = (axle: Axle, key: keyof AxleChanges, amount: number): void =>
  state.choose(({ changes }) => (changes[axle][key] = amount));
const setBody = (mm: number): void => state.choose(({ changes }) => (changes.bodyLiftMm = mm));

function setFix({ corner, id }: ThingOutcome, fix: Fix | null): void {
  state.choose((chosen) => {
    const [file, plan] = [job.document, state.plan.value];
    if (!file || !plan) return;
    const at = { corner, obstacle: id };
    chosen.fixes = withFix(asCase(file), chosen.fixes, at, fix, asPlanQuestion(plan)).map((one) => ({ ...one }));
  });
}
const asked = ref(false);
const openSheet = ({ corner, id }: ThingOutcome): void =>
  void router.replace({ query: { ...route.query, view: 'sheet', thing: `${corner}:${id}` } });

const plannedSetup = computed(() => judged.value?.setup as LowgapSetup | undefined);
const PLANNED_NAME = 'As planned';
const keepRefusal = ref('');
/** Beside the other setups kept: the bench's own stays what the plan starts from. */
function sideBySide(): void {
  const setup = judged.value?.setup;
  const others = (job.document?.compared ?? []).filter(({ name }) => name !== PLANNED_NAME);
  keepRefusal.value =
    others.length >= MOST_COMPARED
      ? `${MOST_COMPARED} setups are kept already: let go of one on Side by side first.`
      : '';
  if (!setup || keepRefusal.value) return;
  const planned = { name: PLANNED_NAME, setup: JSON.parse(JSON.stringify(setup)) as LowgapSetup };
  job.changeSetup((file) => (file.compared = [...others, planned]));
  void router.push({ name: 'compare', params: { id: job.id } });
}

// Asked at once where nothing was planned yet and something rubs: the room opens on an answer.
watchEffect(() => {
  const { document, evaluation } = job;
  if (!document || !evaluation || asked.value) return;
  asked.value = true;
  if (!document.plan?.chosen && evaluation.obstacles.some(({ verdict }) => fallsShort(verdict))) void state.search();
});
</script>

<template>
  <div v-if="state.plan.value && job.document" class="plan-room" :class="{ wide: view !== 'plan' && view !== 'order' }">
    <div v-if="view === 'plan' || view === 'order'" class="ask no-print">
      <div v-if="view === 'order'" class="panel shop">
        <ShopAsked
          open
          :shop="state.plan.value.shop"
          @change="(edit) => state.change(({ shop }) => edit(shop), 'shop')"
        />
      </div>
      <ModelNote v-if="view === 'plan'" />
      <SlipNote v-if="view === 'plan'" :setup="plannedSetup" />
      <PlanAsked
        v-if="view === 'plan'"
        :plan="state.plan.value"
        :standard="job.document.standard"
        :axles="axles"
        :problems="state.problems.value"
        :running="state.running.value"
        :share="state.share.value"
        @change="(edit) => state.change(edit, 'plan question')"
        @search="state.search"
        @stop="state.stop"
      />
    </div>
    <div class="stack">
      <ViewTabs v-model="view" :views="VIEWS" label="Views of the plan" />
      <template v-if="view === 'plan'">
        <PlanCards
          v-if="state.answer.value"
          :answer="state.answer.value"
          :stale="state.stale.value"
          :price-of="priceOf"
          :sections="state.sections.value"
          @take="state.take"
        />
        <p v-else-if="!job.evaluation?.obstacles.length" class="panel box muted">
          Nothing is surveyed yet: a plan needs to know what stands near the tire.
        </p>
        <ConsentPanel v-if="brackets.length" :brackets="brackets" :plan="state.plan.value" @change="state.change" />
        <section class="panel box" aria-label="The plan">
          <div class="apart">
            <h2 class="panel-title">The plan</h2>
            <v-btn height="48" variant="outlined" :disabled="!judged || !hasPlan" @click="sideBySide"
              >See it side by side</v-btn
            >
          </div>
          <p v-if="keepRefusal" class="verdict-close" role="alert">{{ keepRefusal }}</p>
          <div v-if="state.judgeProblems.value.length" role="alert" class="verdict-rubs" data-testid="judge-problems">
            <p v-for="p in state.judgeProblems.value" :key="p.path + p.code">{{ problemText(p) }}</p>
          </div>
          <template v-if="judged">
            <p v-if="judged.things.length" data-testid="plan-says" role="status">
              <strong :class="judged.clears ? 'verdict-clear' : notKnown ? 'verdict-notKnown' : 'verdict-rubs'">{{
                judged.clears
                  ? hasPlan
                    ? 'Clears as planned'
                    : 'Clears as it is'
                  : notKnown
                    ? 'Not known whether it clears'
                    : `${failing.length} still to do`
              }}</strong><template v-if="hasPlan"
                >: {{ formatMoney(priceOf(judged.plan).netMinor) }} before tax,
                {{ timeWords(priceOf(judged.plan).minutes) }}, {{ PERMANENCE_WORDS[judged.plan.permanence] }}</template
              >.<template v-if="least">
                Tightest: {{ marginWords(least.overMm) }}, {{ least.label }}, {{ cornerName(least.corner) }}.</template
              >
            </p>
            <p v-if="unsurveyed" class="verdict-close">
              Nothing is surveyed at {{ unsurveyed }}: this plan says nothing of it.
            </p>
            <ThingsTable v-if="judged.things.length" :things="judged.things" @fix="setFix" @sheet="openSheet" />
            <ul v-if="judged.pairs.length" class="bullets small" data-testid="plan-pairs">
              <li v-for="p in judged.pairs" :key="p.corner + p.a + p.b" :class="p.isShort ? 'verdict-rubs' : ''">
                {{ pairOutcomeWords(p) }}
              </li>
            </ul>
            <template v-if="judged.knockOns.length || judged.unknownBehind.length">
              <h3>What else it does</h3>
              <ul class="knock" data-testid="knock-ons">
                <li v-for="label in judged.unknownBehind" :key="label" class="verdict-close">
                  Nobody has looked behind {{ label }}: what stands there is unknown.
                </li>
                <li v-for="on in judged.knockOns" :key="knockOnWords(on)">{{ knockOnWords(on) }}</li>
              </ul>
            </template>
          </template>
          <h3>Changes of the setup, by hand</h3>
          <ChangesEditor
            :changes="state.chosen.value.changes"
            :axles="axles"
            :allowed="job.document.intake?.allowed"
            @axle="setAxle"
            @body="setBody"
          />
        </section>
      </template>
      <CutSheetPanel v-else-if="view === 'sheet'" :state="state" />
      <ChangesCatalogue v-else-if="view === 'changes'" :standard="job.document.standard" />
      <WorkOrderPanel v-else :state="state" />
    </div>
  </div>
</template>

<style scoped>
.plan-room {
  display: grid;
  grid-template-columns: 392px minmax(0, 1fr);
  gap: 12px;
  align-items: start;
}
.wide {
  grid-template-columns: minmax(0, 1fr);
}
.shop {
  padding: 2px 12px 8px;
}
.knock {
  padding-left: 18px;
  line-height: 23px;
}
.knock li::first-letter {
  text-transform: uppercase;
}
@media (max-width: 1100px) {
  .plan-room {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media print {
  .plan-room {
    display: block;
  }
}
</style>
