<script setup lang="ts">
import { marginWords } from '@/core/4-clearance/case/standard';
import { computed } from 'vue';
import type { PairShort, PlanAnswer } from '@/core/6-decisions/plan/planner';
import { cheapestOf, type PlanPrice } from '@/core/6-decisions/plan/work-order';
import type { PlanSection } from '@/core/6-decisions/plan/plan-section';
import type { Plan } from '@/core/6-decisions/plan/plan-step';
import type { Modification } from '@/core/6-decisions/plan/modification';
import { formatMoney } from '@/core/1-base/units/money';
import { liftWords, MODIFICATION_WORDS, pairWords, refusalWords, stepWords, timeWords } from '@/sheets/plan-words';
import { cornerName } from '@/core/2-vehicle/setup/corner-key';
import { useJobStore } from '../stores/job';
import { PERMANENCE_WORDS } from '../finder/finder-words';
import PlanSectionDrawing from './PlanSectionDrawing.vue';

/** The plans found side by side, with what each trades; or why there is none, and what comes nearest. */
const props = defineProps<{
  answer: PlanAnswer;
  stale: boolean;
  /** What a plan comes to by its work order. */
  priceOf: (plan: Plan) => PlanPrice;
  /** What a plan does to the part that wants it most, where it is drawn already. */
  sections: ReadonlyMap<Plan, PlanSection>;
}>();
const emit = defineEmits<{ take: [plan: Plan] }>();
const job = useJobStore();
/** Parts by their names instead of their ids. */
function pairNamed(pair: PairShort): PairShort {
  const named = (id: string): string =>
    job.document?.corners[pair.corner]?.obstacles.find((one) => one.id === id)?.label ?? id;
  return { ...pair, a: named(pair.a), b: named(pair.b) };
}

const sameSteps = (a: Plan, b: Plan): boolean =>
  JSON.stringify(a.steps.map(stepWords)) === JSON.stringify(b.steps.map(stepWords));

const cards = computed(() => {
  const { leastPermanent, runnerUp, alternatives } = props.answer;
  const found = [leastPermanent, props.answer.cheapest, ...alternatives.map(({ plan }) => plan)].flatMap(
    (plan) => plan ?? [],
  );
  // Standing work comes with some changes and not with others: the cheapest is so as a whole order.
  const cheapest = cheapestOf(found, props.priceOf);
  if (!leastPermanent || !cheapest) return [];
  const both = sameSteps(leastPermanent, cheapest);
  const without = alternatives.find(({ plan }) => plan && runnerUp && sameSteps(plan, runnerUp))?.without;
  return [
    { name: both ? 'Least permanent, and cheapest' : 'Least permanent', plan: leastPermanent, trades: '' },
    ...(both ? [] : [{ name: 'Cheapest', plan: cheapest, trades: tradesOf(cheapest, leastPermanent, null) }]),
    ...(runnerUp
      ? [{ name: 'Runner-up', plan: runnerUp, trades: tradesOf(runnerUp, leastPermanent, without ?? null) }]
      : []),
  ];
});

const others = computed(() => {
  const { alternatives, runnerUp, leastPermanent } = props.answer;
  if (!leastPermanent) return [];
  return alternatives
    .filter(({ plan }) => !plan || !runnerUp || !sameSteps(plan, runnerUp))
    .map(({ without, plan }) => ({
      without,
      plan,
      says: plan
        ? tradesOf(plan, leastPermanent, without)
        : `Without “${MODIFICATION_WORDS[without].toLowerCase()}” nothing that is allowed clears.`,
    }));
});

/** How far the nearest goes. */
const partialWords = computed(() => {
  const { nearest } = props.answer;
  if (!nearest) return '';
  const [done, left] = [nearest.plan.steps.length, nearest.left.length + nearest.pairs.length];
  const remain = left === 1 ? 'one part remains' : `${left} parts remain`;
  return done === 0
    ? `Of what falls short ${remain}:`
    : `${done === 1 ? 'One change' : `${done} changes`} can be made, and ${remain}:`;
});

/** What is given and got against the least permanent plan. */
function tradesOf(plan: Plan, against: Plan, without: Modification | null): string {
  const [mine, theirs] = [props.priceOf(plan), props.priceOf(against)];
  const money = mine.netMinor - theirs.netMinor;
  const time = mine.minutes - theirs.minutes;
  const kinds = (of: Plan): Set<Modification> => new Set(of.steps.map(({ kind }) => kind));
  const more = [...kinds(plan)].filter((kind) => !kinds(against).has(kind));
  const said = [
    ...(more.length
      ? [`takes “${more.map((kind) => MODIFICATION_WORDS[kind].toLowerCase()).join(', ')}” instead`]
      : []),
    money === 0 ? 'same cost' : `${formatMoney(Math.abs(money))} ${money > 0 ? 'dearer' : 'cheaper'}`,
    ...(time === 0 ? [] : [`${timeWords(Math.abs(time))} ${time > 0 ? 'longer' : 'shorter'}`]),
    ...(plan.permanence === against.permanence ? [] : [PERMANENCE_WORDS[plan.permanence] ?? '']),
  ];
  const start = without ? `Without “${MODIFICATION_WORDS[without].toLowerCase()}”: ` : '';
  return `${start}${said.join(', ')}.`;
}
</script>

<template>
  <section class="panel box" aria-label="Plans found">
    <p v-if="stale" class="small verdict-close" role="status">
      Something these plans depend on changed since: press Find plans again.
    </p>
    <div v-if="cards.length" class="cards">
      <article v-for="card in cards" :key="card.name" class="plan-card" :aria-label="card.name">
        <h3>{{ card.name }}</h3>
        <PlanSectionDrawing v-if="sections.get(card.plan)" :section="sections.get(card.plan)!" />
        <p class="figures sum">
          <strong data-testid="card-sum">{{ formatMoney(priceOf(card.plan).netMinor) }}</strong> before tax,
          {{ timeWords(priceOf(card.plan).minutes) }}, {{ PERMANENCE_WORDS[card.plan.permanence] }}
        </p>
        <p v-if="priceOf(card.plan).besideMinor" class="small muted">
          As its work order: the changes {{ formatMoney(card.plan.costMinor) }}, setting up, trial fits and what comes
          after {{ formatMoney(priceOf(card.plan).besideMinor) }}.
        </p>
        <p v-if="card.trades" class="small">{{ card.trades }}</p>
        <p v-if="!card.plan.steps.length">Clears as it is: nothing has to be done.</p>
        <ol class="bullets">
          <li v-for="step in card.plan.steps" :key="stepWords(step)" class="small">{{ stepWords(step) }}</li>
        </ol>
        <v-btn height="48" variant="outlined" :disabled="stale" @click="emit('take', card.plan)">Take this plan</v-btn>
      </article>
    </div>
    <ul v-if="answer.lift.length" class="bullets small" aria-label="What a lift does" data-testid="lift-says">
      <li v-for="said in liftWords(answer.lift)" :key="said">{{ said }}</li>
    </ul>
    <details v-if="others.length" class="small">
      <summary>What each change is worth: the best plan without it</summary>
      <ul class="entries">
        <li v-for="other in others" :key="other.without">
          <span>{{ other.says }}</span>
          <v-btn v-if="other.plan" height="48" variant="text" :disabled="stale" @click="emit('take', other.plan)"
            >Take it</v-btn
          >
        </li>
      </ul>
    </details>
    <div v-if="!cards.length && answer.nearest" role="alert" data-testid="no-plan">
      <p class="verdict-rubs"><strong>Nothing that is allowed clears it.</strong> {{ partialWords }}</p>
      <ul class="bullets">
        <li v-for="{ verdict, refusals } in answer.nearest.left" :key="verdict.corner + verdict.id">
          <strong>{{ verdict.label }}</strong>, {{ cornerName(verdict.corner) }}: {{ marginWords(verdict.marginMm) }}.
          <span class="muted">{{
            refusals.length
              ? `${refusals.map(refusalWords).join('; ')}.`
              : 'It is never cut or changed: try another tire, offset, stop or height.'
          }}</span>
        </li>
        <li v-for="pair in answer.nearest.pairs" :key="pair.corner + pair.a + pair.b">
          {{ pairWords(pairNamed(pair)) }}. <span class="muted">Another height, stop or axle position parts them.</span>
        </li>
      </ul>
      <article v-if="answer.nearest.plan.steps.length" class="plan-card" aria-label="As far as it goes">
        <h3>As far as it goes</h3>
        <p class="figures sum">
          <strong>{{ formatMoney(priceOf(answer.nearest.plan).netMinor) }}</strong> before tax,
          {{ timeWords(priceOf(answer.nearest.plan).minutes) }},
          {{ PERMANENCE_WORDS[answer.nearest.plan.permanence] }}
        </p>
        <ol class="bullets">
          <li v-for="step in answer.nearest.plan.steps" :key="stepWords(step)" class="small">{{ stepWords(step) }}</li>
        </ol>
        <v-btn height="48" variant="outlined" :disabled="stale" @click="emit('take', answer.nearest!.plan)"
          >Take it as far as it goes</v-btn
        >
      </article>
    </div>
  </section>
</template>

<style scoped src="../kit/folded.css"></style>

<style scoped>
.cards {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(250px, 1fr));
  gap: 14px;
}
.plan-card {
  display: grid;
  gap: 4px;
  align-content: start;
  border-top: 3px solid var(--ink);
  padding-top: 6px;
}
</style>
