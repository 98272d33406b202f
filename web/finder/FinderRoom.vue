<script setup lang="ts">
import type { WheelAndTire } from '@/core/2-vehicle/setup/wheel-and-tire';
import { computed, onMounted, ref } from 'vue';
import { useRouter } from 'vue-router';
import { asCase } from '@/contracts/as-case';
import type { LowgapSetup } from '@/contracts/lowgap-file';
import { setupForCorner } from '@/core/4-clearance/case/case-description';
import { attempt } from '@/core/1-base/problem';
import { tireSection } from '@/core/2-vehicle/tire/section';
import { formatMm } from '@/core/1-base/units/length';
import { wheelOffsetMm } from '@/core/2-vehicle/wheel/rim';
import { cornerLimits } from '../job/corner-limits';
import { useView } from '../kit/use-view';
import { useJobStore } from '../stores/job';
import { AXLE_WORDS, contradictionSentence, refusalSentence, tireWords, waitWords, wheelWords } from './finder-words';
import ClaimPanel from './ClaimPanel.vue';
import { cornerName } from '@/core/2-vehicle/setup/corner-key';
import { unknownWords } from '../advice';
import FinderBoard, { type BoardMark } from './FinderBoard.vue';
import { marginWords } from '@/core/4-clearance/case/standard';
import { canClear } from '@/core/3-survey/known/known';
import FoundTable from './FoundTable.vue';
import FrontierTable from './FrontierTable.vue';
import KeptAnswerList from './KeptAnswerList.vue';
import NeedGapCard from './NeedGapCard.vue';
import PickedCombination from './PickedCombination.vue';
import QuestionPanel from './QuestionPanel.vue';
import RefusedList from './RefusedList.vue';
import SchoolsTable from './SchoolsTable.vue';
import { useFinder } from './use-finder';
import ViewTabs from '../kit/ViewTabs.vue';

/** What is the biggest that clears this vehicle, and why does each other one not? */
const job = useJobStore();
const finder = useFinder();
// Started before it is asked, so that the first answer does not wait for it.
onMounted(() => finder.client.start());
const router = useRouter();

const VIEWS = {
  board: 'Board',
  list: 'List',
  card: 'Pre-check card',
  claim: 'Claim check',
  schools: 'Schools',
} as const;
const view = useView(VIEWS, 'board');

const axleIndex = ref(0);
const axles = computed(() => finder.result.value?.axles ?? []);
const answer = computed(() => axles.value[Math.min(axleIndex.value, axles.value.length - 1)] ?? null);
/** Something can be said of at least one of the corners it is about. */
const isKnown = computed(() =>
  answer.value ? canClear(answer.value.corners, answer.value.notKnown, job.begun) : true,
);
const pairs = computed(() => finder.result.value?.pairs ?? []);
const pickedNumber = computed(() =>
  finder.picked.value?.axle === answer.value?.axle ? (finder.picked.value?.number ?? null) : null,
);
const rideMm = computed(() => {
  const key = answer.value?.corners[0] ?? job.corners[0];
  return (key && cornerLimits(job.document, key)?.ride) ?? 0;
});

const pick = (number: number): void => {
  if (answer.value && number >= 0) finder.pick({ axle: answer.value.axle, number });
};

/** The fitted setup and the one being tried. */
const marks = computed<BoardMark[]>(() => {
  const file = job.document;
  const key = answer.value?.corners[0] ?? job.corners[0];
  const corner = key && file?.corners[key];
  if (!file || !key || !corner) return [];
  const mark = (name: string, { tire, wheel, spacerMm }: WheelAndTire): BoardMark[] => {
    const made = attempt(() => ({
      name,
      diameterMm: tireSection(tire, wheel.widthIn).diameterMm,
      effectiveOffsetMm: wheelOffsetMm(wheel) - spacerMm,
    }));
    return made.ok ? [made.value] : [];
  };
  return [...mark('fitted', corner.fitted), ...(file.setup ? mark('tried', setupForCorner(asCase(file), key)) : [])];
});

function tryIn(room: 'bench' | 'plan', setup: unknown): void {
  const next = structuredClone(setup) as LowgapSetup;
  job.changeSetup((file) => (file.setup = next));
  void router.push({ name: room, params: { id: job.id } });
}

async function pairOnBench(front: number, rear: number): Promise<void> {
  const found = await finder.client.pairSetup(front, rear);
  if (found?.ok) tryIn('bench', found.value);
}

const caption = computed(() => {
  const tally = answer.value?.tally;
  if (!tally) return '';
  return `The best way to each tire, biggest first; ${tally.combinations.toLocaleString('en')} combinations looked at in ${(finder.tookMs.value / 1000).toFixed(1)} s.`;
});
/** Where nothing does: the constraints that see to that, or the nearest miss. */
const nothing = computed(() => {
  const found = answer.value;
  if (!found || found.rows.length > 0) return '';
  if (found.contradiction) return contradictionSentence(found.contradiction);
  const [miss] = found.refused;
  return miss ? `Nothing does. ${tireWords(miss)}: ${refusalSentence(miss, rideMm.value)}` : 'Nothing does.';
});
const wanted = computed(() => (finder.explanation.value?.setup as LowgapSetup | undefined) ?? null);
</script>

<template>
  <div v-if="finder.question.value" class="finder">
    <div class="no-print">
      <QuestionPanel
        :question="finder.question.value"
        :standard="job.document!.standard"
        :problems="finder.problems.value"
        :running="finder.running.value"
        :share="finder.share.value"
        :combinations="finder.combinations.value"
        @change="finder.change"
        @find="finder.find"
        @cancel="finder.cancel"
      />
      <v-checkbox
        v-model="finder.onServer.value"
        label="Let the server do the searching"
        hide-details
        density="compact"
        class="server"
      />
    </div>
    <div class="stack">
      <div class="row">
        <ViewTabs v-model="view" :views="VIEWS" label="Views of the answer" />
        <v-btn-toggle v-if="axles.length > 1" v-model="axleIndex" aria-label="Axle">
          <v-btn v-for="(a, i) in axles" :key="a.axle" :value="i" height="48">{{ AXLE_WORDS[a.axle] }}</v-btn>
        </v-btn-toggle>
      </div>
      <p v-if="finder.stale.value" class="small verdict-close" role="status">
        The question or the survey changed since: press Find again.
      </p>
      <p v-if="nothing" class="verdict-rubs" role="alert" data-testid="nothing-found">{{ nothing }}</p>
      <p v-if="answer && !isKnown" class="verdict-notKnown" role="status" data-testid="finder-not-known">
        Not known whether anything clears: {{ unknownWords(job.evaluation?.known ?? []) }}
      </p>
      <p v-else-if="answer?.notKnown.length" class="small verdict-close" data-testid="finder-not-all">
        Too little is measured at {{ answer.notKnown.map((key) => cornerName(key)).join(', ') }}: the answer says
        nothing of it.
      </p>
      <p v-if="finder.ahead.value !== null" class="small" role="status" data-testid="finder-waits">
        {{ waitWords(finder.ahead.value) }}
      </p>
      <p v-else-if="finder.running.value" class="small" role="status" data-testid="finder-runs">
        {{ finder.combinations.value.toLocaleString('en') }} combinations, {{ Math.round(100 * finder.share.value) }} %
        done<template v-if="finder.first.value.length"
          >. First looks:
          <span v-for="f in finder.first.value" :key="f.size + f.diameterMm"
            >{{ f.label ?? f.size }} {{ marginWords(f.lowGapMm) }};
          </span></template
        >
      </p>
      <section class="panel" :aria-label="VIEWS[view]">
        <template v-if="view === 'board'">
          <FinderBoard
            :answer="answer"
            :partial="finder.dots.value"
            :marks="marks"
            :picked-number="pickedNumber"
            :is-known="isKnown"
            @pick="pick"
          />
          <FrontierTable v-if="answer" :answer="answer" @pick="pick" />
          <KeptAnswerList
            v-if="!answer && !finder.running.value && finder.kept.value"
            :kept="finder.kept.value"
            :current="finder.keptIsCurrent.value"
          />
        </template>
        <NeedGapCard v-else-if="view === 'card'" :client="finder.client" :wanted="wanted" />
        <ClaimPanel v-else-if="view === 'claim'" :client="finder.client" />
        <SchoolsTable v-else-if="view === 'schools'" :client="finder.client" :question="finder.question.value" />
        <p v-else-if="!answer" class="muted none">Press Find first: there is no answer yet.</p>
        <template v-else>
          <FoundTable
            :rows="answer.rows"
            :axle="answer.axle"
            :chances="finder.chances.value"
            :caption="caption"
            :picked-number="pickedNumber"
            :file="`finder-${answer.axle}`"
            :standard="job.document?.standard ?? 'neverRub'"
            :is-known="isKnown"
            @pick="pick"
          />
          <RefusedList :answer="answer" :ride-mm="rideMm" @pick="pick" />
        </template>
      </section>
      <section v-if="pairs.length && (view === 'board' || view === 'list')" class="panel pairs box" aria-label="Pairs">
        <h2 class="panel-title">Biggest pairs, front and rear</h2>
        <ul class="entries">
          <li v-for="p in pairs.slice(0, 8)" :key="`${p.front.number}:${p.rear.number}`">
            <span class="figures"
              >{{ tireWords(p.front) }} on {{ wheelWords(p.front) }}, {{ formatMm(p.front.diameterMm, 0) }} mm; behind
              {{ tireWords(p.rear) }} on {{ wheelWords(p.rear) }}, {{ formatMm(p.rear.diameterMm, 0) }} mm</span
            >
            <v-btn height="48" variant="outlined" @click="pairOnBench(p.front.number, p.rear.number)"
              >Put on the bench</v-btn
            >
          </li>
        </ul>
      </section>
      <PickedCombination
        v-if="answer && (view === 'board' || view === 'list')"
        :explanation="finder.explanation.value"
        :explaining="finder.explaining.value"
        :ways="finder.ways.value"
        :ride-mm="rideMm"
        :is-known="isKnown"
        @bench="finder.explanation.value && tryIn('bench', finder.explanation.value.setup)"
        @plan="finder.explanation.value && tryIn('plan', finder.explanation.value.setup)"
        @pick="pick"
      />
    </div>
  </div>
</template>

<style scoped>
.finder {
  display: grid;
  grid-template-columns: 392px minmax(0, 1fr);
  gap: 12px;
  align-items: start;
}
.views {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  min-width: 0;
  overflow-x: auto;
}
.none {
  padding: 30px 12px;
}
@media (max-width: 1100px) {
  .finder {
    grid-template-columns: 330px minmax(0, 1fr);
  }
}
@media (max-width: 860px) {
  .finder {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media print {
  .finder {
    display: block;
  }
}
</style>
