<script setup lang="ts">
import { formatMm } from '@/core/1-base/units/length';
import { marginWords } from '@/core/4-clearance/case/standard';
import { fallsShort } from '@/core/4-clearance/case/standard';
import { computed, onUnmounted, shallowRef, watch } from 'vue';
import { asCase } from '@/contracts/as-case';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { setupForCorner } from '@/core/4-clearance/case/case-description';
import { attempt } from '@/core/1-base/problem';
import { fitmentChange } from '@/core/5-consequences/stance/fitment-change';
import { cornerLimits } from '../job/corner-limits';
import { useCurrentCorner } from '../job/current-corner';
import { BenchPictures, SetupPanel, SlipNote, SpacerPanel } from './late-parts';
import { useJobStore } from '../stores/job';
import { verdictSentence } from '../advice';
import { CORNER_NAMES } from '../../core/2-vehicle/setup/corner-key';
import ChangeTable from './ChangeTable.vue';
import ModelNote from '../job/ModelNote.vue';
import AlignmentNote from './AlignmentNote.vue';
import CompareBar from './CompareBar.vue';
import CornersSummary from './CornersSummary.vue';
import GapLadder from './GapLadder.vue';
import LeverList from './LeverList.vue';
import SpreadNote from './SpreadNote.vue';
import { pairWords } from '@/sheets/plan-words';
import { surveyGaps } from './survey-gaps';
import FoldedPanel from '../kit/FoldedPanel.vue';

const job = useJobStore();
const key = useCurrentCorner();

const corner = computed(() => job.document?.corners[key.value]);
const obstacles = computed(() => job.evaluation?.obstacles.filter((o) => o.corner === key.value) ?? []);
/** Parts whose own gap matters, by their names. */
const pairs = computed(() => {
  const named = (id: string): string => corner.value?.obstacles.find((one) => one.id === id)?.label ?? id;
  return (job.evaluation?.pairs ?? [])
    .filter((pair) => pair.corner === key.value)
    .map((pair) => ({ ...pair, a: named(pair.a), b: named(pair.b) }));
});
const unknown = computed(() => job.evaluation?.unmeasured.filter((o) => o.corner === key.value) ?? []);
const unmeasured = computed(() => unknown.value.filter((o) => o.why === 'notMeasured'));
const unseen = computed(() => unknown.value.filter((o) => o.why === 'behindRemoved'));

/** What has least left over on this corner. */
const worst = computed(() =>
  obstacles.value.reduce<(typeof obstacles.value)[number] | null>(
    (least, o) => (least === null || o.marginMm < least.marginMm ? o : least),
    null,
  ),
);
/** The picked obstacle when it is on this corner, else this corner's own least margin. */
const picked = computed(() => {
  if (job.picked?.corner === key.value) return job.picked;
  return worst.value;
});

/** What is drawn is the document that the shown verdict is about. */
const shown = computed(() => job.answered ?? job.document);
const shownCorner = computed(() => shown.value?.corners[key.value]);
const rideMm = computed(() => cornerLimits(shown.value, key.value)?.ride ?? 0);
const change = computed(() => {
  const file = shown.value;
  const described = file?.corners[key.value];
  if (!file?.setup || !described) return null;
  const found = attempt(() => fitmentChange(key.value, described, setupForCorner(asCase(file), key.value)));
  return found.ok ? found.value : null;
});
/** What the survey still lacks, for a corner about which nothing can be said yet. */
const missing = computed(() => {
  const described = corner.value;
  if (!described || obstacles.value.length) return [];
  return surveyGaps(described);
});

const rubbing = computed(() => picked.value !== null && fallsShort(picked.value.verdict));
/** Spread and levers follow what is shown. */
watch(
  [key, () => (rubbing.value ? picked.value!.id : null)],
  ([corner, obstacle]) => (job.studyOf = { corner, obstacle }),
  { immediate: true },
);
onUnmounted(() => (job.studyOf = null));
const study = computed(() => (job.study?.corner === key.value ? job.study : null));
const spreads = computed(() => new Map((study.value?.spread?.obstacles ?? []).map((o) => [o.id, o] as const)));
const labelOf = (id: string): string => corner.value?.obstacles.find((o) => o.id === id)?.label ?? id;

/** What was tried last by a lever, as long as nothing came after it. */
const tried = shallowRef<{ readonly words: string; readonly file: LowgapFile | null } | null>(null);
const undoTried = computed(() => (tried.value && tried.value.file === job.document ? tried.value.words : null));
function leverTried(words: string): void {
  tried.value = { words, file: job.document };
}

function pick(id: string): void {
  job.pick = { corner: key.value, id };
}
</script>

<template>
  <div class="bench">
    <div class="setup-column"><SetupPanel /></div>

    <div class="stack">
      <section v-if="!corner" class="panel empty">
        {{ CORNER_NAMES[key] }} has no baseline yet. Take it in the Baseline, then try a setup here.
      </section>
      <div v-else-if="shown && shownCorner" class="pictures">
        <BenchPictures
          :file="shown"
          :corner-key="key"
          :corner="shownCorner"
          :verdicts="obstacles"
          :picked="picked"
          @pick="pick"
        />
      </div>
      <section v-if="missing.length" class="panel missing box starts" data-testid="missing">
        <h2 class="panel-title">Still missing here</h2>
        <ul class="bullets">
          <li v-for="line in missing" :key="line">{{ line }}</li>
        </ul>
        <v-btn height="48" variant="outlined" :to="{ name: 'survey', query: $route.query }">To the Survey</v-btn>
      </section>
      <FoldedPanel
        v-if="corner"
        :key="`spacer${key}`"
        title="Spacer"
        says="how thick reaches the gap, and whether it fits"
        late
      >
        <SpacerPanel />
      </FoldedPanel>
      <CornersSummary />
      <CompareBar />
    </div>

    <section class="panel answer box" :data-old="job.looksOld || undefined">
      <p v-if="picked && worst && picked.id !== worst.id" class="muted small" data-testid="looked-at">
        Looked at on purpose: {{ picked.label }}. The worst here is {{ worst.label }}, {{ formatMm(worst.gapMm) }} mm,
        {{ marginWords(worst.marginMm) }}.
        <v-btn variant="text" height="48" @click="pick(worst.id)">Back to the worst</v-btn>
      </p>
      <GapLadder
        v-if="obstacles.length"
        :obstacles="obstacles"
        :spreads="spreads"
        :picked-id="picked?.id ?? null"
        :ride-mm="rideMm"
        @pick="pick"
      />
      <p v-if="picked" class="sentence" data-testid="sentence" :class="`verdict-${picked.verdict}`">
        {{ verdictSentence(picked, rideMm) }}
      </p>
      <p v-if="picked && picked.lateralToleranceMm > 0" class="muted small">
        How far outboard it lies was not measured: its place across the tire may be off by
        {{ picked.lateralToleranceMm.toFixed(0) }} mm.
      </p>
      <SpreadNote
        v-if="picked"
        :spread="spreads.get(picked.id) ?? null"
        :next="study?.spread?.next ?? []"
        :label-of="labelOf"
      />
      <ModelNote />
      <SlipNote />
      <AlignmentNote v-if="job.evaluation?.beforeAlignment" :before="job.evaluation.beforeAlignment" />
      <ul v-if="pairs.length" class="bullets small" aria-label="Parts against each other" data-testid="pairs">
        <li v-for="p in pairs" :key="p.a + p.b" :class="p.marginMm < 0 ? 'verdict-rubs' : ''">{{ pairWords(p) }}</li>
      </ul>
      <LeverList
        v-if="picked && rubbing"
        :corner="key"
        :levers="study?.levers?.id === picked.id ? study.levers : null"
        @tried="leverTried"
      />
      <p v-if="undoTried" class="tried-note" role="status" data-testid="tried">
        <span>Tried: {{ undoTried }}.</span>
        <v-btn height="48" variant="outlined" @click="job.undo">Undo it</v-btn>
      </p>
      <p v-if="unmeasured.length" class="small">
        Listed but not measured, so nothing is said about: {{ unmeasured.map((o) => o.label).join(', ') }}.
      </p>
      <p v-if="unseen.length" class="small">
        Nobody looked behind what comes off: {{ unseen.map((o) => o.label).join(', ') }}. What stands there is unknown.
      </p>
      <ChangeTable v-if="change" :change="change" />
      <p class="small aside">
        A verdict is for the vehicle as surveyed, and only as good as its readings. Fit nothing the vehicle's or the
        part's maker forbids; local rules on wheel coverage, spacers and height still apply. Check the fit at full lock
        and full bump before driving, with the vehicle on stands and never on its jack.
      </p>
    </section>
  </div>
</template>

<style scoped>
.bench {
  display: grid;
  grid-template-columns: 280px minmax(0, 1fr) 430px;
  gap: 14px;
  align-items: start;
}
.tried-note {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 10px;
  font-size: 16px;
  border-left: 4px solid var(--accent);
  padding-left: 10px;
}
.sentence {
  font-size: 18px;
  line-height: 24px;
  font-weight: 500;
  margin: 0;
}
/* What changes in one column moves nothing in another. */
.setup-column,
.answer {
  contain: layout style;
}
/* What stands beneath the pictures does not jump when they come. */
.pictures:empty {
  min-height: 600px;
}
/* Picture and ladder side by side; what is tried stands beneath the picture, whose handles change it too. */
@media (max-width: 1180px) {
  .setup-column {
    grid-area: 2 / 1;
  }
  .bench {
    grid-template-columns: minmax(0, 1fr) minmax(0, 410px);
  }
  .answer {
    grid-area: 1 / 2 / span 2;
  }
}
@media (max-width: 760px) {
  .bench {
    grid-template-columns: minmax(0, 1fr);
  }
  .answer,
  .setup-column {
    grid-area: auto;
  }
  .setup-column {
    order: 1;
  }
}
</style>
