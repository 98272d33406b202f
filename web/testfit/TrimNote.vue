<script setup lang="ts">
import { useKept } from '../saving/use-kept';
import { mdiDeleteOutline } from '@mdi/js';
import { computed } from 'vue';
import { type CornerKey, cornerName } from '@/core/2-vehicle/setup/corner-key';
import { LIMITS } from '@/core/1-base/limits';
import QuantityField from '../kit/QuantityField.vue';
import { useJobStore } from '../stores/job';
import { bothUnits } from '../../core/1-base/units/length';
import type { TestFitState } from './use-test-fit';

/** What was trimmed after a round and not measured: the next round is predicted with the gap gained, the survey stays as it is. */
const props = defineProps<{ state: TestFitState }>();
const job = useJobStore();
const round = computed(() => props.state.round.value!);
const labelOf = (corner: CornerKey, id: string): string =>
  job.document?.corners[corner]?.obstacles.find((o) => o.id === id)?.label ?? id;

const cut = useKept('testFit.trim', () => ({ thing: '', mm: undefined as number | undefined }));
const touched = computed(() =>
  [...new Map(round.value.findings.map((f) => [`${f.corner}:${f.obstacle}`, f])).entries()].map(([value, f]) => ({
    value,
    title: `${labelOf(f.corner, f.obstacle)}, ${cornerName(f.corner)}`,
  })),
);
const unmeasured = computed(() => round.value.trimmed.map((t, i) => ({ t, i })).filter(({ t }) => !t.isMeasured));
function trim(): void {
  const [corner, obstacle] = cut.value.thing.split(':') as [CornerKey, string];
  const { mm } = cut.value;
  if (!obstacle || mm === undefined) return;
  props.state.change((one) => one.trimmed.push({ corner, obstacle, mm }));
  cut.value = { thing: '', mm: undefined };
}
</script>

<template>
  <details v-if="touched.length || unmeasured.length" class="stack" :open="unmeasured.length > 0">
    <summary>Not measured yet: note it as gap gained</summary>
    <div v-if="touched.length" class="fields" role="group" aria-label="Trimmed, not measured">
      <v-select v-model="cut.thing" :items="touched" label="Trimmed, not measured" hide-details />
      <QuantityField
        label="Gap gained"
        :value="cut.mm"
        :range="LIMITS.changeMm"
        optional
        @change="(mm) => (cut.mm = mm)"
      />
      <v-btn height="48" variant="outlined" :disabled="!cut.thing || cut.mm === undefined" @click="trim"
        >Note the trim</v-btn
      >
    </div>
    <ul v-if="unmeasured.length" class="small bullets" data-testid="trims">
      <li v-for="{ t, i } in unmeasured" :key="i">
        {{ labelOf(t.corner, t.obstacle) }}, {{ cornerName(t.corner) }}: {{ bothUnits(t.mm) }} gained, not measured:
        only the next round is predicted with it; strip, finder and plan keep the old edge.
        <v-btn
          size="48"
          variant="text"
          :icon="mdiDeleteOutline"
          aria-label="Take the trim out"
          @click="state.change((one) => void one.trimmed.splice(i, 1))"
        />
      </li>
    </ul>
  </details>
</template>
