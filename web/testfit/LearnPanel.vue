<script setup lang="ts">
import { momentNow } from '@/web/kit/dates';
import { USUAL } from '@/core/3-survey/reading/usual-errors';
import { computed, ref, shallowRef } from 'vue';
import { problemText } from '../problem-words';
import type { Calibration } from '@/core/5-consequences/calibration/calibrate';
import { type CornerKey, cornerName } from '@/core/2-vehicle/setup/corner-key';
import type { Problem } from '@/core/1-base/problem';
import { formatMm } from '@/core/1-base/units/length';
import { useJobStore } from '../stores/job';
import { SOURCE_WORDS } from '../advice';
import { CORNER_NAMES } from '../../core/2-vehicle/setup/corner-key';
import { applyLearned } from './apply-learned';
import { SEEN_WORDS } from './fit-words';
import type { TestFitState } from './use-test-fit';

/** What the round teaches of each corner: shown, then taken or left; never silently. */
const props = defineProps<{ state: TestFitState }>();
const job = useJobStore();

interface Lesson {
  readonly key: CornerKey;
  readonly found: Calibration;
}
const lessons = shallowRef<readonly Lesson[]>([]);
const problems = shallowRef<readonly { readonly key: CornerKey; readonly problem: Problem }[]>([]);
const running = ref(false);
const round = computed(() => props.state.round.value!);
/** Corners with findings that were not learned from yet. */
const open = computed(() =>
  job.corners.filter((key) => round.value.findings.some(({ corner }) => corner === key) && !round.value.learned[key]),
);
const learnedAt = computed(() => job.corners.filter((key) => round.value.learned[key] !== undefined));

async function learn(): Promise<void> {
  const file = job.document;
  if (!file) return;
  running.value = true;
  lessons.value = [];
  problems.value = [];
  for (const key of open.value) {
    const found = await props.state.client.learn(file, round.value.id, key);
    // Left before it was worked out.
    if (!found) break;
    if (found.ok) lessons.value = [...lessons.value, { key, found: found.value }];
    else problems.value = [...problems.value, ...found.problems.map((problem) => ({ key, problem }))];
  }
  running.value = false;
}
function take({ key, found }: Lesson): void {
  job.change((file) => applyLearned(file, round.value.id, key, found, momentNow()));
  // The tire may have turned out otherwise: what the other corners teach is worked out anew.
  const others = lessons.value.length > 1;
  lessons.value = [];
  if (others) void learn();
}
const leave = ({ key }: Lesson): void => {
  lessons.value = lessons.value.filter((one) => one.key !== key);
};
const labelOf = (key: CornerKey, id: string): string =>
  job.document?.corners[key]?.obstacles.find((o) => o.id === id)?.label ?? id;

const hasTrims = computed(() =>
  (job.document?.testFits ?? []).some(({ trimmed }) => trimmed.some((one) => !one.isMeasured)),
);
/** Standard deviations below which a number has not moved to speak of. */
const FELT_SD = 0.15;
/** mm by which an estimate that stopped short may be off before it is said: what a tape is off by. */
const UNSETTLED_MM = USUAL.gapMm;
/** mm below which a thing has not. */
const FELT_MM = 0.5;
const movedNumbers = ({ found }: Lesson): string[] => {
  const bySource = new Map<string, number>();
  for (const { source, by } of found.numbers) {
    const said = SOURCE_WORDS[source];
    bySource.set(said, Math.max(bySource.get(said) ?? 0, Math.abs(by)));
  }
  return [...bySource]
    .filter(([, by]) => by >= FELT_SD)
    .sort((a, b) => b[1] - a[1])
    .slice(0, 5)
    .map(([said, by]) => `${said} (${by.toFixed(1)} of its usual error)`);
};
const length = (v: readonly number[]): number => Math.hypot(...v);
const movedThings = ({ key, found }: Lesson): string[] =>
  found.obstacles
    .filter(({ shiftMm }) => length(shiftMm) >= FELT_MM)
    .map(({ id, shiftMm, sdMm }) => {
      const [x, y, z] = shiftMm;
      const parts = [
        ...(Math.abs(x) >= FELT_MM ? [`${formatMm(Math.abs(x))} ${x > 0 ? 'forward' : 'back'}`] : []),
        ...(Math.abs(y) >= FELT_MM ? [`${formatMm(Math.abs(y))} ${y > 0 ? 'outboard' : 'inboard'}`] : []),
        ...(Math.abs(z) >= FELT_MM ? [`${formatMm(Math.abs(z))} ${z > 0 ? 'up' : 'down'}`] : []),
      ];
      return `${labelOf(key, id)}: ${parts.join(', ') || `${formatMm(length(shiftMm))} about`} mm, now known to about ${formatMm(length(sdMm))} mm`;
    });
const low = ({ found }: Lesson): { before: string; after: string } | null => {
  const least = [...found.predicted].sort((a, b) => a.after.gapMm - b.after.gapMm)[0];
  if (!least) return null;
  const band = ({ gapMm, lowMm, highMm }: typeof least.after): string =>
    `${formatMm(gapMm)} mm (${formatMm(lowMm)} to ${formatMm(highMm)})`;
  return { before: band(least.before), after: band(least.after) };
};
</script>

<template>
  <section class="panel box" aria-label="What it teaches">
    <h2 class="panel-title">What it teaches</h2>
    <p v-if="learnedAt.length" class="verdict-clear" data-testid="learned">
      Taken in: {{ learnedAt.map((key) => cornerName(key)).join(', ') }}. The prediction above is the corner’s as it is
      known now.
    </p>
    <p v-if="!open.length && !learnedAt.length" class="muted">
      Add what was seen; then the corner is estimated anew, and what moved is shown before anything is taken.
    </p>
    <div v-if="open.length" class="keys">
      <v-btn height="48" variant="outlined" :loading="running" @click="learn">Work out what it teaches</v-btn>
      <span class="muted">{{ open.map((key) => cornerName(key)).join(', ') }}; a few seconds each</span>
    </div>
    <p v-for="p in problems" :key="p.key" class="verdict-rubs" role="alert">
      {{ CORNER_NAMES[p.key] }}: {{ problemText(p.problem) }}
    </p>
    <article v-for="l in lessons" :key="l.key" class="stack lesson" :aria-label="`Lesson, ${CORNER_NAMES[l.key]}`">
      <h3>{{ CORNER_NAMES[l.key] }}</h3>
      <table class="figures" data-testid="lesson">
        <thead>
          <tr>
            <th scope="col">Part</th>
            <th scope="col">Predicted</th>
            <th scope="col">Seen</th>
            <th scope="col">Then predicted</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(s, i) in l.found.seen" :key="i">
            <th scope="row">
              {{ labelOf(l.key, s.observation.obstacle) }}
              <span v-if="s.setAside" class="verdict-rubs block" role="status">
                Cannot be true with the rest: {{ Math.abs(s.missSd).toFixed(0) }} times the usual error off. Left out
                until it is read again or confirmed.
              </span>
            </th>
            <td>{{ formatMm(s.beforeMm) }}</td>
            <td>
              <strong>{{
                s.observation.seen.kind === 'gap'
                  ? formatMm(s.observation.seen.mm)
                  : SEEN_WORDS[s.observation.seen.kind].toLowerCase()
              }}</strong>
            </td>
            <td>{{ formatMm(s.afterMm) }}</td>
          </tr>
        </tbody>
      </table>
      <p
        v-if="l.found.status !== 'converged' && l.found.leftMm > UNSETTLED_MM"
        class="verdict-close"
        role="status"
        data-testid="unsettled"
      >
        The estimate did not settle: it may still be off by {{ formatMm(l.found.leftMm) }} mm. What was seen may
        contradict itself; read the gaps once more before taking it in.
      </p>
      <p v-if="low(l)" class="small">
        Least gap over the whole envelope: {{ low(l)!.before }} before, <strong>{{ low(l)!.after }}</strong> then; in
        brackets where it lies in 90 % of cases.<template v-if="hasTrims">
          What was trimmed and not measured is not counted in it: measure the new edge once the cutting is
          done.</template
        >
      </p>
      <ul class="small bullets" data-testid="moved">
        <li v-for="m in movedThings(l)" :key="m">{{ m }}.</li>
        <li v-for="m in movedNumbers(l)" :key="m">Moved: {{ m }}.</li>
        <li v-if="!movedThings(l).length && !movedNumbers(l).length">
          Nothing moved to speak of: it was as predicted.
        </li>
      </ul>
      <div class="keys">
        <v-btn height="48" color="primary" @click="take(l)">Take it in</v-btn>
        <v-btn height="48" variant="text" @click="leave(l)">Leave it</v-btn>
      </div>
    </article>
  </section>
</template>

<style scoped>
.lesson {
  border-top: 1px solid var(--rule);
  padding: 8px 0 0;
}
</style>
