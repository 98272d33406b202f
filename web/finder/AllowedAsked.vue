<script setup lang="ts">
import { computed } from 'vue';
import { PRICED_CHANGES, type FinderQuestionEntry } from '@/contracts/finder';
import { forbiddenBy, REMEDIES, type Remedy } from '@/core/6-decisions/finder/remedies';
import type { StandardId } from '@/core/4-clearance/case/standard';
import { STANDARDS } from '@/core/4-clearance/case/standard';
import { LIMITS } from '@/core/1-base/limits';
import { attempt } from '@/core/1-base/problem';
import { formatMoney, parseMoney } from '@/core/1-base/units/money';
import QuantityField from '../kit/QuantityField.vue';
import TypedField from '../kit/TypedField.vue';
import { STANDARD_NAMES } from '../words';
import { REMEDY_WORDS } from './finder-words';
import { bothUnitsOf, readLengths, readNumbers, writeLengths, writeList } from '../kit/read-lists';
import { useUnits } from '../stores/units';

/** What may be changed where a tire would rub, by how much at most, and what each change costs. */
const props = defineProps<{ question: FinderQuestionEntry; standard: StandardId }>();
const emit = defineEmits<{ change: [edit: (question: FinderQuestionEntry) => void] }>();

type Amount = Exclude<Remedy, 'unbolt'>;
const AMOUNTS = REMEDIES.filter((remedy): remedy is Amount => remedy !== 'unbolt');
/** In little room; the most that may be given. */
const SHORT: Readonly<Record<Amount, string>> = {
  reroute: 'Reroute hoses, most',
  tuckLiner: 'Tuck liner, most',
  trimPlastic: 'Trim plastic, most',
  foldLip: 'Fold lip, most',
  cutSheetMetal: 'Cut metal, most',
  bodyMount: 'Chop mount, most',
};
const amountOf = (remedy: Amount): number => props.question.allowed[`${remedy}Mm`];

const forbidden = computed(() => forbiddenBy(STANDARDS[props.standard], props.question.allowed));

const setAmount = (remedy: Amount, mm: number | undefined): void =>
  emit('change', ({ allowed }) => (allowed[`${remedy}Mm`] = mm ?? 0));

const units = useUnits();
const tried = computed(() => {
  const write = writeLengths(units.unit);
  return [
    {
      key: 'bumpStopsMm',
      label: `Bump stop longer, ${units.unit}`,
      read: readLengths(LIMITS.bumpStopMm, units.unit),
      write,
      echo: bothUnitsOf,
    },
    {
      key: 'steeringStopsDeg',
      label: 'Less lock, °',
      read: readNumbers(LIMITS.lockDeg),
      write: writeList,
      echo: () => '',
    },
    {
      key: 'axleShiftsMm',
      label: `Axle forward, ${units.unit}`,
      read: readLengths(LIMITS.shiftMm, units.unit),
      write,
      echo: bothUnitsOf,
    },
  ] as const;
});

const setTried = (key: (typeof tried.value)[number]['key'], values: number[] | undefined): void =>
  emit('change', ({ allowed }) => (allowed[key] = values ?? []));

const PRICE_WORDS: Readonly<Record<(typeof PRICED_CHANGES)[number], string>> = {
  ...REMEDY_WORDS,
  lift: 'Lift',
  bumpStop: 'Bump stop',
  steeringStop: 'Steering stop',
  axleShift: 'Axle shift',
};
const readMoney = (text: string) => attempt(() => parseMoney(text));

const setPrice = (change: (typeof PRICED_CHANGES)[number], minor: number | undefined): void =>
  emit('change', (question) => {
    const { [change]: _, ...others } = question.prices ?? {};
    question.prices = minor === undefined ? others : { ...others, [change]: minor };
  });
</script>

<template>
  <div class="asked">
    <v-checkbox
      :model-value="question.allowed.unbolt"
      :label="`${REMEDY_WORDS.unbolt} what can be taken off`"
      hide-details
      density="compact"
      @update:model-value="(on: boolean | null) => emit('change', ({ allowed }) => (allowed.unbolt = on === true))"
    />
    <div class="pair">
      <QuantityField
        v-for="remedy in AMOUNTS"
        :key="remedy"
        :label="SHORT[remedy]"
        :value="amountOf(remedy)"
        :range="LIMITS.changeMm"
        @change="(mm) => setAmount(remedy, mm)"
      />
    </div>
    <p v-if="forbidden.length" class="small verdict-close" role="note">
      By “{{ STANDARD_NAMES[standard] }}” these are not allowed and not used:
      {{ forbidden.map((one) => REMEDY_WORDS[one].toLowerCase()).join(', ') }}.
    </p>
    <div class="pair">
      <TypedField
        v-for="{ key, label, read, write, echo } in tried"
        :key="key + units.unit"
        :label="label"
        :value="question.allowed[key]"
        :read="read"
        :write="write"
        :echo="echo"
        optional
        @change="(values) => setTried(key, values)"
      />
    </div>
    <p class="small muted">
      Never offered: control arms, knuckles, frame rails, brake and what stands inside the wheel. A body mount or any
      structural cut is welded by a qualified person; mind wiring, fuel lines and airbags behind a panel.
    </p>
    <details>
      <summary class="small">What a change costs at one corner</summary>
      <div class="pair prices">
        <TypedField
          v-for="change in PRICED_CHANGES"
          :key="change"
          :label="PRICE_WORDS[change]"
          :value="question.prices?.[change]"
          :read="readMoney"
          :write="formatMoney"
          optional
          @change="(minor) => setPrice(change, minor)"
        />
      </div>
      <p class="small muted">Changes without a price count nothing; tires and wheels take theirs from the catalog.</p>
    </details>
  </div>
</template>

<style scoped src="../kit/asked.css"></style>
<style scoped>
summary {
  min-height: 48px;
  display: flex;
  align-items: center;
  cursor: pointer;
}
.prices {
  padding: 8px 0;
}
</style>
