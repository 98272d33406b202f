<script setup lang="ts">
import { computed, ref } from 'vue';
import { axleOf, type CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { MM_PER_IN } from '@/core/1-base/units/length';
import { attempt } from '@/core/1-base/problem';
import { heightTable } from '@/core/5-consequences/stance/height-table';
import type { HeightSchool } from '@/core/5-consequences/stance/height-schools';
import { USUAL_AXLES, type AxleKind } from '@/core/5-consequences/stance/usual-axles';
import ChipGroup from '../kit/ChipGroup.vue';
import FiguresTable from '../kit/FiguresTable.vue';
import { problemText } from '../problem-words';
import { useJobStore } from '../stores/job';
import { calledForShort, notAnsweredWords } from './called-for-words';
import { SCHOOL_WORDS } from './stance-words';
import { heightTableOf } from './use-stance';

/** What 1, 2, 3 and 4 in call for: at this corner by what was measured, and at the two usual kinds of front axle for somebody new. */
const props = defineProps<{ corner: CornerKey }>();
const job = useJobStore();

const INCHES = [1, 2, 3, 4];
const LIFTS_MM = INCHES.map((inches) => inches * MM_PER_IN);

const school = ref<HeightSchool>('toTheLimit');
const of = ref<'here' | AxleKind>('here');
const OF_WORDS = computed(() => ({
  here: `this vehicle, ${axleOf(props.corner)}`,
  independent: 'a usual independent front',
  beam: 'a usual beam front axle',
}));

const table = computed(() => {
  const file = job.document;
  const kind = of.value;
  if (!file) return null;
  return attempt(() => {
    if (kind === 'here') return heightTableOf(file, props.corner, LIFTS_MM, school.value);
    const { description, measured } = USUAL_AXLES[kind];
    return heightTable(description, 'frontLeft', measured, LIFTS_MM, school.value);
  });
});
const rows = computed(() =>
  table.value?.ok
    ? table.value.value.rows.map(({ calls, problem }, i) => ({
        name: `${INCHES[i]} in`,
        cells: [
          [
            ...calls.map(calledForShort),
            ...(problem ? ['other arms or less: the linkage does not reach all of its travel'] : []),
          ].join(', ') || (open.value ? 'nothing of what could be answered' : 'springs alone'),
        ],
      }))
    : [],
);
const open = computed(() => (table.value?.ok ? notAnsweredWords(table.value.value.notAnswered) : ''));
</script>

<template>
  <section class="panel box" aria-label="What 1 to 4 in call for">
    <h2 class="panel-title">What 1 to 4 in call for</h2>
    <ChipGroup label="Of which axle" :words="OF_WORDS" :chosen="[of]" @press="(one: typeof of) => (of = one)" />
    <ChipGroup
      label="By which school"
      :words="SCHOOL_WORDS"
      :chosen="[school]"
      @press="(one: HeightSchool) => (school = one)"
    />
    <p v-if="table && !table.ok" class="verdict-rubs" role="alert">{{ problemText(table.problems[0]!) }}</p>
    <FiguresTable
      v-else
      data-testid="height-table"
      caption="What 1 to 4 in call for"
      corner="Lift"
      :columns="['calls for, beyond springs']"
      :rows="rows"
    />
    <p v-if="of === 'here' && open" class="small" data-testid="height-table-open">
      Not answered at any height: measure {{ open }}.
    </p>
    <p v-else-if="of !== 'here'" class="small verdict-close">
      A made-up axle of that kind, to show what asks for what. It is not this vehicle: measure this one.
    </p>
    <p class="small muted">
      On the fitted tires, lifted by springs. Shocks stay while they leave three fifths of today’s droop; from there on
      they are taken to be longer by the lift, so that hoses, joints and shafts hang as much lower.
    </p>
  </section>
</template>
