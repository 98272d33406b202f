<script setup lang="ts">
import { useKept } from '../saving/use-kept';
import { mdiDeleteOutline } from '@mdi/js';
import { computed, ref } from 'vue';
import { fittedCorner } from '@/contracts/as-fit';
import type { FindingEntry } from '@/contracts/test-fit';
import { contradictions, type Seen } from '@/core/5-consequences/calibration/observation';
import { type CornerKey, cornerName } from '@/core/2-vehicle/setup/corner-key';
import { LIMITS } from '@/core/1-base/limits';
import { attempt } from '@/core/1-base/problem';
import { fitObservations, type UsableFinding } from '@/core/7-job/test-fit/fit-observations';
import { FIT_POSTURES, type FitPosture } from '@/core/7-job/test-fit/postures';
import { formatMm } from '@/core/1-base/units/length';
import QuantityField from '../kit/QuantityField.vue';
import { useJobStore } from '../stores/job';
import { bothUnits } from '../../core/1-base/units/length';
import { CORNER_NAMES } from '../../core/2-vehicle/setup/corner-key';
import { POSTURE_WORDS, SEEN_WORDS, WHY_WORDS } from './fit-words';
import ResidualChart from './ResidualChart.vue';
import CutMeasured from './CutMeasured.vue';
import type { TestFitState } from './use-test-fit';

/** What was seen at each thing, beside what was predicted there; and what is trimmed after it. */
const props = defineProps<{ state: TestFitState }>();
const job = useJobStore();

const round = computed(() => props.state.round.value!);
const draft = useKept('testFit.finding', () => ({
  corner: 'frontLeft' as CornerKey,
  obstacle: '',
  posture: null as FitPosture | null,
  seen: 'clear' as Seen['kind'],
  gapMm: undefined as number | undefined,
  place: '',
  photo: undefined as string | undefined,
}));
const refusal = ref('');

const corners = computed(() => job.corners.map((value) => ({ value, title: CORNER_NAMES[value] })));
const things = computed(() =>
  (job.document?.corners[draft.value.corner]?.obstacles ?? []).map(({ id, label }) => ({
    value: id,
    title: label ?? id,
  })),
);
const tried = computed(() =>
  FIT_POSTURES.filter((kind) => round.value.postures.some((one) => one.kind === kind && one.done)).map((value) => ({
    value,
    title: POSTURE_WORDS[value].name,
  })),
);
const SEEN = (Object.keys(SEEN_WORDS) as Seen['kind'][]).map((value) => ({ value, title: SEEN_WORDS[value] }));
const photos = computed(() =>
  (job.document?.intake?.photos ?? []).map(({ id, caption }, i) => ({
    value: id,
    title: caption || `Photo ${i + 1}`,
  })),
);
const labelOf = (corner: CornerKey, id: string): string =>
  job.document?.corners[corner]?.obstacles.find((o) => o.id === id)?.label ?? id;

function add(): void {
  const { corner, obstacle, posture, seen, gapMm, place, photo } = draft.value;
  const lacks = [
    ...(obstacle ? [] : ['which part']),
    ...(posture && tried.value.some(({ value }) => value === posture)
      ? []
      : ['what was tried when it was seen, ticked']),
    ...(seen === 'gap' && gapMm === undefined ? ['the gap'] : []),
  ];
  refusal.value = lacks.length ? `Still wanted: ${lacks.join(', ')}.` : '';
  if (lacks.length || !posture) return;
  const predicted = props.state.expected.value.find(
    (one) => one.corner === corner && one.obstacle === obstacle && one.posture === posture,
  );
  const finding: FindingEntry = {
    corner,
    obstacle,
    posture,
    seen,
    ...(seen === 'gap' && gapMm !== undefined ? { gapMm } : {}),
    ...(predicted ? { expectedMm: Math.round(predicted.gapMm * 100) / 100 } : {}),
    ...(place.trim() ? { place: place.trim().slice(0, 120) } : {}),
    ...(photo ? { photo } : {}),
  };
  props.state.change((one) => one.findings.push(finding));
  draft.value = { ...draft.value, obstacle: '', gapMm: undefined, place: '', photo: undefined };
}

interface Row {
  readonly index: number;
  readonly finding: FindingEntry;
  readonly label: string;
  readonly predictedMm: number | null;
  /** What would be predicted by now, where that is something else. */
  readonly nowMm: number | null;
  readonly why: string;
  readonly contradicts: boolean;
}
/** Findings of each corner as evidence, in the order of the findings. */
const usable = computed<readonly UsableFinding[]>(() => {
  const file = job.document;
  if (!file) return [];
  return job.corners.flatMap((key) => {
    const at = attempt(() => fittedCorner(file, round.value, key));
    return at.ok ? fitObservations(at.value, round.value.findings) : [];
  });
});
const clashing = computed(() => {
  const counted = usable.value.flatMap((one) =>
    'observation' in one
      ? [
          {
            finding: one.finding,
            observation: { ...one.observation, obstacle: `${one.finding.corner} ${one.finding.obstacle}` },
          },
        ]
      : [],
  );
  return new Set(
    contradictions(counted.map(({ observation }) => observation)).flatMap(({ first, second }) => [
      counted[first]!.finding,
      counted[second]!.finding,
    ]),
  );
});
const rows = computed<Row[]>(() =>
  round.value.findings.map((finding, index) => {
    const found = usable.value.find((one) => one.finding === finding);
    const gap = props.state.expected.value.find(
      (one) => one.corner === finding.corner && one.obstacle === finding.obstacle && one.posture === finding.posture,
    );
    return {
      index,
      finding,
      label: `${labelOf(finding.corner, finding.obstacle)}, ${cornerName(finding.corner)}`,
      predictedMm: finding.expectedMm ?? gap?.gapMm ?? null,
      nowMm:
        gap && finding.expectedMm !== undefined && Math.abs(gap.gapMm - finding.expectedMm) > 0.5 ? gap.gapMm : null,
      why: found && 'why' in found ? WHY_WORDS[found.why] : '',
      contradicts: clashing.value.has(finding),
    };
  }),
);
const seenWords = ({ seen, gapMm }: FindingEntry): string =>
  seen === 'gap' && gapMm !== undefined ? bothUnits(gapMm) : SEEN_WORDS[seen].toLowerCase();
const drawn = computed(() =>
  rows.value.flatMap(({ index, finding, label, predictedMm }) =>
    predictedMm === null
      ? []
      : [{ key: String(index), label, seen: finding.seen, predictedMm, measuredMm: finding.gapMm ?? null }],
  ),
);
const confirm = (index: number): void =>
  props.state.change((one) => {
    const found = one.findings[index];
    if (found) found.confirmed = !found.confirmed;
  });
const remove = (index: number): void => props.state.change((one) => void one.findings.splice(index, 1));
</script>

<template>
  <section class="panel box" aria-label="What was seen">
    <h2 class="panel-title">What was seen, beside what was predicted</h2>
    <p v-if="!tried.length" class="muted">Tick what was tried first; what is seen belongs to one.</p>
    <form class="fields" aria-label="Next finding" @submit.prevent="add">
      <v-select v-model="draft.corner" :items="corners" label="Corner" hide-details />
      <v-select
        v-model="draft.obstacle"
        :items="things"
        label="Part"
        hide-details
        no-data-text="Nothing surveyed here"
      />
      <v-select
        v-model="draft.posture"
        :items="tried"
        label="Steer and travel"
        hide-details
        no-data-text="None ticked as tried"
      />
      <v-select v-model="draft.seen" :items="SEEN" label="Seen" hide-details />
      <QuantityField
        v-if="draft.seen === 'gap'"
        label="Least gap"
        :value="draft.gapMm"
        :range="LIMITS.gapMm"
        optional
        @change="(mm) => (draft.gapMm = mm)"
      />
      <v-text-field v-model="draft.place" label="Where on it" maxlength="120" hide-details />
      <v-select v-if="photos.length" v-model="draft.photo" :items="photos" label="Photo" clearable hide-details />
      <v-btn type="submit" height="48" color="primary">Add the finding</v-btn>
    </form>
    <p v-if="refusal" class="verdict-rubs" role="alert">{{ refusal }}</p>
    <div v-if="rows.length" class="scroll" tabindex="0" role="group" aria-label="Findings">
      <table class="figures" data-testid="findings">
        <thead>
          <tr>
            <th scope="col">Part</th>
            <th scope="col">Steer and travel</th>
            <th scope="col">Predicted</th>
            <th scope="col">Seen</th>
            <th scope="col"><span class="visually-hidden">Keys</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.index">
            <th scope="row">
              {{ r.label }}<span v-if="r.finding.place" class="muted"> · {{ r.finding.place }}</span>
              <span v-if="r.contradicts" class="verdict-rubs block" role="status"
                >Contradicts another finding here: it touched where it also stood clear. Look again.</span
              >
              <span v-else-if="r.why" class="verdict-close block">{{ r.why }}</span>
            </th>
            <td>{{ POSTURE_WORDS[r.finding.posture].name }}</td>
            <td>
              {{ r.predictedMm === null ? 'not known' : `${formatMm(r.predictedMm)} mm`
              }}<span v-if="r.nowMm !== null" class="muted block" data-testid="by-now"
                >as predicted then; by what was learned since {{ formatMm(r.nowMm) }} mm</span
              >
            </td>
            <td>
              <strong>{{ seenWords(r.finding) }}</strong>
            </td>
            <td class="keys">
              <v-btn
                height="48"
                variant="text"
                :aria-pressed="r.finding.confirmed === true"
                @click="confirm(r.index)"
                >{{ r.finding.confirmed ? 'Confirmed' : 'Confirm' }}</v-btn
              >
              <v-btn
                size="48"
                variant="text"
                :icon="mdiDeleteOutline"
                :aria-label="`Remove the finding: ${r.label}`"
                @click="remove(r.index)"
              />
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <ResidualChart v-if="drawn.length" :rows="drawn" />
    <CutMeasured :key="round.id" :state="state" />
  </section>
</template>

<style scoped>
.keys {
  white-space: nowrap;
}
</style>
