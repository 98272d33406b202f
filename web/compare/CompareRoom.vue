<script setup lang="ts">
import { marginWords, needsWords } from '@/core/4-clearance/case/standard';
import { mdiContentCopy, mdiDeleteOutline, mdiPrinterOutline } from '@mdi/js';
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { asCase } from '@/contracts/as-case';
import { problemText } from '../problem-words';
import { setupForCorner } from '@/core/4-clearance/case/case-description';
import { type CornerKey, cornerName } from '@/core/2-vehicle/setup/corner-key';
import type { Evaluation } from '@/core/4-clearance/verdict/evaluate';
import { attempt, type Result } from '@/core/1-base/problem';
import { fitmentChange } from '@/core/5-consequences/stance/fitment-change';
import { formatMm, signedMm } from '@/core/1-base/units/length';
import { cornerLimits } from '../job/corner-limits';
import VerdictMark from '../kit/VerdictMark.vue';
import { useJobStore } from '../stores/job';
import { ENVELOPE_NAMES, postureWords, STANDARD_NAMES, VERDICT_WORDS } from '../words';
import { CORNER_NAMES } from '../../core/2-vehicle/setup/corner-key';
import { CompareClient } from '../workers/compare-client';
import { comparedRows } from './compared-rows';

/** Up to four kept setups beside the fitted one, obstacle by obstacle: on the screen, on paper, and by its address. */
const job = useJobStore();
const router = useRouter();
const answers = shallowRef<readonly Result<Evaluation>[]>([]);
const computing = ref(true);
const copied = ref<'no' | 'yes' | 'refused'>('no');

const client = new CompareClient((found) => {
  answers.value = found;
  computing.value = false;
});
onBeforeUnmount(() => client.close());

const kept = computed(() => job.document?.compared ?? []);
const columns = computed(() => [{ name: 'Fitted', setup: null }, ...kept.value]);

watch(
  () => job.document,
  (file) => {
    if (!file) return;
    computing.value = true;
    client.ask(file, [null, ...kept.value.map(({ setup }) => setup)]);
  },
  { immediate: true },
);

/** Answers belong to the columns only while there are as many. */
const current = computed(() => (answers.value.length === columns.value.length ? answers.value : []));
const rows = computed(() => comparedRows(current.value));
const groups = computed(() => {
  const found = new Map<CornerKey, typeof rows.value>();
  for (const row of rows.value) found.set(row.corner, [...(found.get(row.corner) ?? []), row]);
  return [...found];
});

const lows = computed(() =>
  current.value.map((answer, i) => {
    if (!answer.ok) return { problem: problemText(answer.problems[0]!) };
    const low = answer.value.lowGap;
    if (!low) return { problem: 'nothing surveyed' };
    const label = answer.value.obstacles.find((o) => o.corner === low.corner && o.id === low.obstacle)?.label;
    const { setup: _, ...fitted } = job.document!;
    const setup = columns.value[i]?.setup;
    const rideMm = cornerLimits(setup ? { ...fitted, setup } : fitted, low.corner)?.ride;
    return {
      low,
      label,
      verdict: low.verdict,
      posture: postureWords(low.steerDeg, low.travelMm, rideMm, low.crossMm),
    };
  }),
);

/** What each changes against the fitted setup, at the first corner of the vehicle. */
const changes = computed(() => {
  const file = job.document;
  const key = job.corners[0];
  const corner = key && file?.corners[key];
  if (!file || !key || !corner) return [];
  return kept.value.map(({ setup }) => {
    const found = attempt(() => fitmentChange(key, corner, setupForCorner({ ...asCase(file), setup }, key)));
    return found.ok ? found.value : null;
  });
});
const CHANGES = [
  { name: 'Tire diameter', read: 'diameterMm' },
  { name: 'Poke', read: 'pokeMm' },
  { name: 'Inboard edge', read: 'inboardMm' },
  { name: 'Fender over ground', read: 'fenderHeightMm' },
] as const;

function tryIt(i: number): void {
  const setup = kept.value[i]!.setup;
  job.changeSetup((file) => (file.setup = structuredClone(setup)));
  void router.push({ name: 'bench', params: { id: job.id } });
}
const takeOut = (i: number): void => job.changeSetup((file) => file.compared?.splice(i, 1));
function rename(i: number, event: Event): void {
  const field = event.target as HTMLInputElement;
  const name = field.value.trim().slice(0, 60);
  // A setup has a name; an empty field goes back to the one it had.
  if (name === '') field.value = kept.value[i]!.name;
  else job.changeSetup((file) => (file.compared![i]!.name = name));
}

async function copyLink(): Promise<void> {
  try {
    await navigator.clipboard.writeText(location.href);
    copied.value = 'yes';
  } catch {
    copied.value = 'refused';
  }
}
const address = location.href;
const print = (): void => window.print();
</script>

<template>
  <section class="panel compare box" aria-label="Setups side by side">
    <div class="head row">
      <h2>Side by side</h2>
      <v-btn height="48" variant="text" :to="{ name: 'bench', query: $route.query }">Back to the bench</v-btn>
      <v-btn height="48" variant="outlined" :prepend-icon="mdiContentCopy" @click="copyLink">Copy the link</v-btn>
      <v-btn height="48" variant="outlined" :prepend-icon="mdiPrinterOutline" @click="print">Print</v-btn>
    </div>
    <p v-if="copied !== 'no'" class="small" role="status">
      {{
        copied === 'yes'
          ? 'The address of this page is copied.'
          : 'This browser does not let pages copy. The address is:'
      }}
      <span class="address">{{ address }}</span>
    </p>
    <p v-if="job.document" class="what">
      {{ job.document.vehicle.label }}. {{ STANDARD_NAMES[job.document.standard] }};
      {{ ENVELOPE_NAMES[job.document.envelope] }}. Gaps, mm, with what is left over or short of what the standard wants;
      in brackets the difference to the fitted setup.
    </p>
    <p v-if="!kept.length" class="empty">
      No setup is kept yet. On the bench, try one and press Keep this one; up to four stand here beside what is fitted.
    </p>
    <div v-else class="scroll" :aria-busy="computing">
      <table class="figures" data-testid="compare-table">
        <thead>
          <tr>
            <th scope="col">Part</th>
            <th v-for="(column, i) in columns" :key="i" scope="col" class="setup">
              <template v-if="column.setup">
                <input
                  :value="column.name"
                  :aria-label="`Name of setup ${i}`"
                  maxlength="60"
                  class="name"
                  @change="rename(i - 1, $event)"
                />
                <span class="keys">
                  <v-btn height="48" min-width="60" variant="outlined" @click="tryIt(i - 1)">Try</v-btn>
                  <v-btn
                    :icon="mdiDeleteOutline"
                    size="48"
                    variant="text"
                    :aria-label="`Take out ${column.name}`"
                    @click="takeOut(i - 1)"
                  />
                </span>
                <span class="printed-name">{{ column.name }}</span>
              </template>
              <template v-else>Fitted</template>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr class="lows">
            <th scope="row">Low gap</th>
            <td v-for="(one, i) in lows" :key="i" :data-testid="`compare-low-${i}`">
              <template v-if="'low' in one && one.low">
                <VerdictMark :verdict="one.verdict!" :size="18" />
                <strong>{{ formatMm(one.low.gapMm) }} mm</strong>
                <span class="sub">{{ needsWords(one.low.requiredMm) }}, {{ marginWords(one.low.mm) }}</span>
                <span class="sub">
                  {{ one.label }}, {{ cornerName(one.low.corner) }};
                  {{ one.posture }}
                </span>
              </template>
              <span v-else class="sub verdict-rubs">{{ one.problem }}</span>
            </td>
          </tr>
        </tbody>
        <tbody v-for="[corner, list] in groups" :key="corner">
          <tr>
            <th :colspan="columns.length + 1" scope="rowgroup" class="group">{{ CORNER_NAMES[corner] }}</th>
          </tr>
          <tr v-for="row in list" :key="row.id">
            <th scope="row">{{ row.label }}</th>
            <td v-for="(v, i) in row.verdicts" :key="i">
              <template v-if="v">
                <VerdictMark :verdict="v.verdict" :size="16" bare />
                <span :class="`verdict-${v.verdict}`">{{ formatMm(v.gapMm) }}</span>
                <span class="muted small spare">{{ marginWords(v.marginMm) }}</span>
                <span class="visually-hidden">{{ VERDICT_WORDS[v.verdict] }}</span>
                <span v-if="i > 0 && row.verdicts[0]" class="muted">
                  ({{ signedMm(v.marginMm - row.verdicts[0].marginMm) }})
                </span>
              </template>
              <span v-else class="muted">no verdict</span>
            </td>
          </tr>
        </tbody>
        <tbody>
          <tr>
            <th :colspan="columns.length + 1" scope="rowgroup" class="group">Against what is fitted, mm</th>
          </tr>
          <tr v-for="line in CHANGES" :key="line.read">
            <th scope="row">{{ line.name }}</th>
            <td>0</td>
            <td v-for="(change, i) in changes" :key="i">{{ change ? signedMm(change[line.read]) : '' }}</td>
          </tr>
          <tr>
            <th scope="row">True speed at 100 shown</th>
            <td>100</td>
            <td v-for="(change, i) in changes" :key="i">{{ change ? formatMm(change.trueSpeedAt100) : '' }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="small aside">
      Verdicts are for the vehicle as surveyed. Follow the vehicle's and the parts' makers and local rules on coverage,
      spacers and height; check at full lock and full bump before driving.
    </p>
  </section>
</template>

<style scoped>
.spare {
  margin-inline: 8px 4px;
}
.head h2 {
  flex: 1;
  font-size: 20px;
}
.address {
  user-select: all;
  overflow-wrap: anywhere;
}
th[scope='row'] {
  font-family: var(--text);
}
td {
  white-space: nowrap;
}
td :deep(.mark) {
  margin-right: 8px;
}
.sub {
  display: block;
  white-space: normal;
  font-size: 14px;
  line-height: 18px;
  color: var(--muted);
}
.group {
  padding-top: 12px;
  font-weight: 600;
}
.setup {
  min-width: 150px;
  vertical-align: bottom;
}
.name {
  width: 100%;
  min-height: 48px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  padding: 0 8px;
  font: inherit;
  color: inherit;
  background: transparent;
}
.keys {
  gap: 4px;
  margin-top: 4px;
}
.printed-name {
  display: none;
}
@media print {
  .compare {
    border: 0;
    padding: 0;
    color: #000;
    background: #fff;
  }
  .head .v-btn,
  .name,
  .keys {
    display: none;
  }
  .printed-name {
    display: block;
  }
  table {
    font-size: 11pt;
  }
  tr {
    break-inside: avoid;
  }
}
</style>
