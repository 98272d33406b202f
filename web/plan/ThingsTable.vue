<script setup lang="ts">
import { fallsShort } from '@/core/4-clearance/case/standard';
import { computed, ref } from 'vue';
import { CUTS, MODIFICATION_RULES, type Modification } from '@/core/6-decisions/plan/modification';
import { markable, type Fix, type ThingOutcome } from '@/core/6-decisions/plan/judge-plan';
import { formatMm } from '@/core/1-base/units/length';
import { faultWords, MODIFICATION_WORDS } from '@/sheets/plan-words';
import { axleOf, cornerName } from '@/core/2-vehicle/setup/corner-key';
import QuantityField from '../kit/QuantityField.vue';
import VerdictMark from '../kit/VerdictMark.vue';

/** Every thing near the tire before and after the plan, and what is done to it: any of it can be changed by hand. */
const props = defineProps<{ things: readonly ThingOutcome[] }>();
const emit = defineEmits<{ fix: [thing: ThingOutcome, fix: Fix | null]; sheet: [thing: ThingOutcome] }>();

const showAll = ref(false);
/** What a plan is about: what rubs, what is near, and what is touched. */
const shown = computed(() =>
  props.things.filter(({ before, after, fix }) => showAll.value || fallsShort(before) || fallsShort(after) || fix),
);
const hidden = computed(() => props.things.length - shown.value.length);

const NOTHING = 'nothing';
const choices = (thing: ThingOutcome) => [
  { value: NOTHING, title: 'Nothing' },
  ...thing.kinds.map((kind) => ({ value: kind, title: MODIFICATION_WORDS[kind] })),
];

function chooseKind(thing: ThingOutcome, kind: Modification | typeof NOTHING): void {
  if (kind === NOTHING) emit('fix', thing, null);
  else emit('fix', thing, fixOf(thing, kind, Math.max(0, -thing.unmendedMarginMm)));
}

const fixOf = ({ corner, id }: ThingOutcome, kind: Modification, mm: number): Fix => ({
  corner,
  obstacle: id,
  kind,
  amountMm: MODIFICATION_RULES[kind].most === null ? 0 : markable(kind, mm),
});

/** What a thing wants, and the same thing across the axle where the same is done to it. */
const needsMm = ({ id, corner, fix }: ThingOutcome): number =>
  Math.max(
    0,
    ...props.things
      .filter((one) => one.id === id && axleOf(one.corner) === axleOf(corner) && one.fix?.kind === fix?.kind)
      .map(({ unmendedMarginMm }) => -unmendedMarginMm),
  );
const range = { min: 0, max: 300, unit: 'mm' };
</script>

<template>
  <div>
    <table class="figures" data-testid="plan-things">
      <caption class="visually-hidden">
        Gaps before and after the plan
      </caption>
      <thead>
        <tr>
          <th scope="col">Part</th>
          <th scope="col">Before</th>
          <th scope="col">What is done</th>
          <th scope="col">After</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="thing in shown" :key="thing.corner + thing.id">
          <th scope="row">
            {{ thing.label }}
            <span class="muted where">{{ cornerName(thing.corner) }}, wants {{ thing.requiredMm }} mm</span>
          </th>
          <td>
            <VerdictMark :verdict="thing.before" :size="18" />
            <span class="gap">{{ formatMm(thing.beforeGapMm) }} mm</span>
          </td>
          <td class="done">
            <div v-if="thing.kinds.length" class="fix">
              <v-select
                :model-value="thing.fix?.kind ?? NOTHING"
                :items="choices(thing)"
                :aria-label="`What is done to ${thing.label}, ${cornerName(thing.corner)}`"
                hide-details
                @update:model-value="(kind: Modification | typeof NOTHING) => chooseKind(thing, kind)"
              />
              <QuantityField
                v-if="thing.fix && MODIFICATION_RULES[thing.fix.kind].most !== null"
                label="Gap gained"
                :value="thing.fix.amountMm"
                :range="range"
                @change="(mm) => thing.fix && emit('fix', thing, { ...thing.fix, amountMm: mm ?? 0 })"
              />
            </div>
            <span v-else class="muted">{{
              fallsShort(thing.after) ? 'Never changed: use stops, offset or height' : 'Never changed'
            }}</span>
            <p v-if="thing.fault" class="verdict-rubs small" role="alert">
              {{ faultWords(thing.fault) }}
              <v-btn
                v-if="thing.fault.why === 'notEnough' && thing.fix"
                height="48"
                variant="text"
                @click="emit('fix', thing, fixOf(thing, thing.fix.kind, needsMm(thing)))"
                >Take enough</v-btn
              >
            </p>
            <v-btn
              v-if="thing.fix && !thing.fault && CUTS.includes(thing.fix.kind)"
              height="48"
              variant="text"
              @click="emit('sheet', thing)"
              >Cut sheet</v-btn
            >
          </td>
          <td>
            <template v-if="thing.after === 'takenAway'">taken away</template>
            <template v-else>
              <VerdictMark :verdict="thing.after" :size="18" />
              <span class="gap">{{ formatMm(thing.afterGapMm ?? 0) }} mm</span>
            </template>
          </td>
        </tr>
      </tbody>
    </table>
    <v-btn v-if="hidden || showAll" height="48" variant="text" @click="showAll = !showAll">{{
      showAll ? 'Only what the plan is about' : `And ${hidden} more that clear before and after`
    }}</v-btn>
  </div>
</template>

<style scoped>
th[scope='row'] {
  font-weight: 600;
  min-width: 130px;
}
.where {
  display: block;
  font-weight: 400;
  font-size: 14px;
}
.gap {
  display: block;
  white-space: nowrap;
}
.done {
  width: 46%;
}
.fix {
  display: grid;
  grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr);
  gap: 8px;
}
/* On a phone each thing is a block: its name, before beside after, and below what is done. */
@media (max-width: 700px) {
  thead {
    display: none;
  }
  tr {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    border-top: 1px solid var(--rule);
    padding: 6px 0;
  }
  th,
  td {
    border: 0;
    padding: 3px 0;
  }
  th[scope='row'],
  .done {
    grid-column: 1 / -1;
    width: auto;
  }
  .done {
    order: 1;
  }
}
</style>
