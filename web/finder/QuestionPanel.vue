<script setup lang="ts">
import { mdiMagnify, mdiStop } from '@mdi/js';
import { computed, ref } from 'vue';
import { spacerItemSchema, tireItemSchema, wheelItemSchema } from '@/contracts/catalogue';
import type { FinderQuestionEntry } from '@/contracts/finder';
import { problemText } from '../problem-words';
import type { StandardId } from '@/core/4-clearance/case/standard';
import { rollingOfRevolutionsMm } from '@/core/2-vehicle/tire/rolling';
import type { Fit } from '@/core/6-decisions/finder/question';
import type { Problem } from '@/core/1-base/problem';
import { api } from '../api';
import ChipGroup from '../kit/ChipGroup.vue';
import AllowedAsked from './AllowedAsked.vue';
import ConstraintsAsked from './ConstraintsAsked.vue';
import { FIT_WORDS } from './finder-words';
import TiresAsked from './TiresAsked.vue';
import WheelsAsked from './WheelsAsked.vue';

/** What is looked for. Every part is folded away under one line that says what it holds. */
const props = defineProps<{
  question: FinderQuestionEntry;
  standard: StandardId;
  problems: readonly Problem[];
  running: boolean;
  share: number;
  combinations: number;
}>();
const emit = defineEmits<{
  change: [edit: (question: FinderQuestionEntry) => void];
  find: [];
  cancel: [];
}>();

const catalogueProblem = ref('');

const problemAt = (path: string): string | undefined => {
  const found = props.problems.find((problem) => problem.path === path);
  return found ? `Expected ${found.expected}; found ${found.found}.` : undefined;
};

/** The shop's own list, as it is now; entries that say too little are left out and counted. */
async function fromCatalogue(kind: 'tire' | 'wheel'): Promise<void> {
  catalogueProblem.value = '';
  const read = await api.listCatalogue();
  if (!read.ok) {
    catalogueProblem.value = 'The server does not answer, so the catalog cannot be read. Ranges can still be searched.';
    return;
  }
  const items = read.value.items.filter((item) => item.kind === kind);
  const tires = items.map(({ data }) => tireItemSchema.safeParse(data)).flatMap(({ data }) => (data ? [data] : []));
  const wheels = items.map(({ data }) => wheelItemSchema.safeParse(data)).flatMap(({ data }) => (data ? [data] : []));
  const usable = kind === 'tire' ? tires.length : wheels.length;
  const left = items.length - usable;
  if (usable === 0) {
    catalogueProblem.value = `The catalog has no ${kind} that can be used. Add some under Tires and wheels on the bay board.`;
    return;
  }
  if (left > 0)
    catalogueProblem.value = `${left} of ${items.length} entries say too little (a width or an offset) and are left out.`;
  const spacers = read.value.items
    .filter((item) => item.kind === 'spacer')
    .map(({ data }) => spacerItemSchema.safeParse(data))
    .flatMap(({ data }) => (data ? [data] : []));
  emit('change', (question) => {
    if (kind === 'tire') {
      question.tires = {
        from: 'list',
        list: tires.map(({ revolutionsPerKm, ...tire }) => ({
          ...(revolutionsPerKm === undefined ? {} : { rollingMm: rollingOfRevolutionsMm(revolutionsPerKm) }),
          ...tire,
        })),
      };
      return;
    }
    question.wheels = { from: 'list', list: wheels };
    question.spacers = question.spacers.map(
      (spacer) => spacers.find(({ thicknessMm }) => thicknessMm === spacer.thicknessMm) ?? spacer,
    );
  });
}

const tiresLine = computed(() => {
  const { tires } = props.question;
  if (tires.from === 'list') return `${tires.list.length} of the catalog`;
  const [least, most] =
    tires.from === 'common'
      ? [tires.leastDiameterMm, tires.mostDiameterMm]
      : [tires.diameterMm.from, tires.diameterMm.to];
  return `${tires.from === 'common' ? 'sizes in use' : 'any size'}, ${least} to ${most} mm`;
});
const wheelsLine = computed(() => {
  const { wheels, lift } = props.question;
  const lifts = lift ? `, ${lift.amountsMm.length} heights` : '';
  if (wheels.from === 'list') return `${wheels.list.length} of the catalog${lifts}`;
  return `${wheels.diametersIn.join(', ')} in, offset ${wheels.offsetMm.from} to ${wheels.offsetMm.to}${lifts}`;
});
const allowedLine = computed(() => {
  const { unbolt, bumpStopsMm, steeringStopsDeg, axleShiftsMm, ...amounts } = props.question.allowed;
  const count =
    Number(unbolt) +
    Object.values(amounts).filter((mm) => mm > 0).length +
    [bumpStopsMm, steeringStopsDeg, axleShiftsMm].filter((tried) => tried.length > 0).length;
  return count === 0 ? 'nothing' : `${count} kind${count === 1 ? '' : 's'} of change`;
});
const constraintsLine = computed(() => {
  const count = Object.keys(props.question.constraints).length;
  return count === 0 ? 'nothing else' : `${count} point${count === 1 ? '' : 's'}`;
});

/** Problems that no field of this panel shows. */
const others = computed(() =>
  props.problems.filter(({ path }) => !path.startsWith('finder.') || path === 'finder.fit'),
);
</script>

<template>
  <form class="panel box close" aria-label="What to look for" @submit.prevent="emit('find')">
    <div class="row">
      <v-btn v-if="running" height="48" variant="outlined" :prepend-icon="mdiStop" @click="emit('cancel')">Stop</v-btn>
      <v-btn v-else type="submit" height="48" color="primary" :prepend-icon="mdiMagnify">Find</v-btn>
      <v-progress-linear
        v-if="running"
        :model-value="100 * share"
        height="8"
        rounded
        color="primary"
        :aria-label="`Looking through ${combinations} combinations`"
      />
    </div>
    <ChipGroup
      label="Which corners"
      :words="FIT_WORDS"
      :chosen="[question.fit]"
      @press="(fit: Fit) => emit('change', (asked) => (asked.fit = fit))"
    />
    <details open>
      <summary>
        <strong>Tires</strong> <span class="muted">{{ tiresLine }}</span>
      </summary>
      <TiresAsked
        :question="question"
        :problem-at="problemAt"
        @change="(edit) => emit('change', edit)"
        @list="fromCatalogue('tire')"
      />
    </details>
    <details>
      <summary>
        <strong>Wheels and height</strong> <span class="muted">{{ wheelsLine }}</span>
      </summary>
      <WheelsAsked
        :question="question"
        :problem-at="problemAt"
        @change="(edit) => emit('change', edit)"
        @list="fromCatalogue('wheel')"
      />
    </details>
    <details>
      <summary>
        <strong>May be changed</strong> <span class="muted">{{ allowedLine }}</span>
      </summary>
      <AllowedAsked :question="question" :standard="standard" @change="(edit) => emit('change', edit)" />
    </details>
    <details>
      <summary>
        <strong>Has to meet</strong> <span class="muted">{{ constraintsLine }}</span>
      </summary>
      <ConstraintsAsked :question="question" :problem-at="problemAt" @change="(edit) => emit('change', edit)" />
    </details>
    <p v-if="catalogueProblem" class="small verdict-close" role="alert">{{ catalogueProblem }}</p>
    <div v-if="problems.length" class="verdict-rubs small" role="alert" data-testid="finder-problems">
      <p v-for="p in others.length ? others : problems" :key="p.path + p.code">{{ problemText(p) }}</p>
    </div>
  </form>
</template>

<style scoped src="../kit/folded.css"></style>
