<script setup lang="ts">
import { computed } from 'vue';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { fittedCorner } from '@/contracts/as-fit';
import { attempt } from '@/core/1-base/problem';
import { kitGot } from '@/core/7-job/test-fit/kit-got';
import { kitWords } from '@/sheets/height-words';
import { LIMITS } from '@/core/1-base/limits';
import type { Expected } from '@/core/5-consequences/stance/expected-height';
import { heightVerdict } from '@/core/7-job/test-fit/height-check';
import { formatMm } from '@/core/1-base/units/length';
import QuantityField from '../kit/QuantityField.vue';
import { useJobStore } from '../stores/job';
import { CORNER_NAMES } from '../../core/2-vehicle/setup/corner-key';
import type { TestFitState } from './use-test-fit';

/** Heights once more, after rolling and bouncing, against what was expected. */
const props = defineProps<{ state: TestFitState }>();
const job = useJobStore();
const FIELDS = [
  { key: 'hubToLipMm', label: 'hub to lip', expected: 'hub', range: LIMITS.hubToLipMm },
  { key: 'groundToLipMm', label: 'ground to lip', expected: 'ground', range: LIMITS.groundToLipMm },
] as const;

/** What springs and parts promised at the wheel, and what the tape says came of it. */
function kitSays(key: CornerKey): string {
  const file = job.document;
  const round = props.state.round.value;
  const got = file && round ? attempt(() => kitGot(fittedCorner(file, round, key))) : null;
  return got?.ok && got.value ? kitWords(got.value) : '';
}

const rows = computed(() =>
  job.corners.map((key) => {
    const expected = props.state.expectedAt(key);
    const read = props.state.round.value?.heights[key] ?? {};
    return {
      key,
      kit: kitSays(key),
      fields: FIELDS.map((field) => ({
        ...field,
        value: read[field.key],
        band: expected[field.expected],
        says: saysOf(expected[field.expected], read[field.key]),
      })),
    };
  }),
);
function saysOf(expected: Expected | null, mm: number | undefined): { text: string; bad: boolean } {
  if (!expected) return { text: 'the baseline has none to compare with', bad: false };
  const band = `${formatMm(expected.lowMm, 0)} to ${formatMm(expected.highMm, 0)} expected`;
  if (mm === undefined) return { text: band, bad: false };
  const verdict = heightVerdict(expected, mm);
  switch (verdict.is) {
    case 'within':
      return { text: `as expected (${formatMm(expected.mm, 0)})`, bad: false };
    case 'below':
      return { text: `${formatMm(verdict.byMm, 0)} mm lower than ${band}`, bad: false };
    case 'above':
      return { text: `${formatMm(verdict.byMm, 0)} mm higher than ${band}`, bad: false };
    case 'cannotBe':
      return {
        text: `cannot be: ${band}${verdict.meantMm === null ? '' : `. Was ${formatMm(verdict.meantMm, 0)} meant?`}`,
        bad: true,
      };
  }
}
function set(key: CornerKey, field: 'hubToLipMm' | 'groundToLipMm', mm: number | undefined): void {
  props.state.change((round) => {
    const { [field]: _, ...others } = round.heights[key] ?? {};
    round.heights[key] = mm === undefined ? others : { ...others, [field]: mm };
  }, `${key}${field}`);
}
</script>

<template>
  <section class="panel box" aria-label="Heights of the test fit">
    <h2 class="panel-title">Heights again, rolled and bounced</h2>
    <div v-for="r in rows" :key="r.key" class="corner">
      <strong
        >{{ CORNER_NAMES[r.key]
        }}<span v-if="r.kit" class="muted small kit" data-testid="kit-got">{{ r.kit }}</span></strong
      >
      <div v-for="f in r.fields" :key="f.key">
        <QuantityField
          :label="`${CORNER_NAMES[r.key]} ${f.label}`"
          :value="f.value"
          :range="f.range"
          measured
          optional
          @change="(mm) => set(r.key, f.key, mm)"
        />
        <span class="small" :class="f.says.bad ? 'verdict-rubs' : 'muted'" :role="f.says.bad ? 'alert' : undefined">{{
          f.says.text
        }}</span>
      </div>
    </div>
  </section>
</template>

<style scoped>
.corner {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 4px 10px;
}
.kit {
  margin-left: 10px;
}
.corner strong {
  grid-column: 1 / -1;
}
</style>
