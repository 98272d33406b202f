<script setup lang="ts">
import { computed } from 'vue';
import type { PlanEntry } from '@/contracts/plan';
import { MODIFICATION_RULES, MODIFICATIONS, type Modification } from '@/core/6-decisions/plan/modification';
import { attempt, ProblemError } from '@/core/1-base/problem';
import { formatMoney, parseMoney } from '@/core/1-base/units/money';
import { MODIFICATION_WORDS } from '@/sheets/plan-words';
import { readNumber, writeNumber } from '../kit/read-lists';
import ChipGroup from '../kit/ChipGroup.vue';
import { useShop } from '../stores/shop';
import TypedField from '../kit/TypedField.vue';

type Shop = PlanEntry['shop'];

/** What the shop charges and how long it takes: kept with the shop, and with the job what it was reckoned with. */
const props = defineProps<{ shop: Shop; open?: boolean }>();
const emit = defineEmits<{ change: [edit: (shop: Shop) => void] }>();

const own = useShop();

const TOOL_WORDS = { hand: 'Hand tools', power: 'Air and electric' } as const;
const TAX_WORDS = { all: 'On all', parts: 'On parts', nothing: 'No tax' } as const;

const readMoney = (text: string) => attempt(() => parseMoney(text));
/** A percentage to four decimals, in millionths. */
const readPercent = (text: string) =>
  attempt(() => {
    const plain = text.trim().replace(',', '.').replace(/\s*%$/, '');
    if (/^\d{1,3}(\.\d{1,4})?$/.test(plain) && Number(plain) <= 100) return Math.round(Number(plain) * 10_000);
    throw new ProblemError({
      code: 'wrongType',
      path: '',
      expected: 'a percentage such as 19 or 8.875',
      found: text.trim() || 'nothing',
    });
  });
const writePercent = (millionths: number): string => String(Number((millionths / 10_000).toFixed(4)));
const readMinutes = readNumber({ min: 0, max: 6000, unit: 'min' });

/** Usual minutes, with those at an independent axle where they differ. */
function usual(kind: Modification): string {
  const { minutes, minutesIndependent } = MODIFICATION_RULES[kind];
  const own = minutesIndependent?.[props.shop.toolSet];
  return `${minutes[props.shop.toolSet]}${own === undefined ? '' : `, independent ${own}`}`;
}

function setMinutes(kind: Modification, minutes: number | undefined): void {
  change((shop) => {
    if (minutes === undefined) delete shop.minutes[kind];
    else shop.minutes[kind] = Math.round(minutes);
  });
}
function setPrice(kind: Modification, minor: number | undefined): void {
  change((shop) => {
    if (minor === undefined) delete shop.partsMinor[kind];
    else shop.partsMinor[kind] = minor;
  });
}

/** What is changed here is changed for the shop; this job is reckoned with it from now on. */
function change(edit: (shop: Shop) => void): void {
  emit('change', edit);
  // What else this job was reckoned with is none of the shop's any more.
  const next = JSON.parse(JSON.stringify(own.terms ?? props.shop)) as Shop;
  edit(next);
  own.save(next);
}
/** This job was reckoned before the shop changed its rates. */
const isOther = computed(
  () => own.terms !== null && JSON.stringify(sorted(own.terms)) !== JSON.stringify(sorted(props.shop)),
);
const sorted = ({ minutes, partsMinor, ...rest }: Shop) => [
  Object.entries(rest).sort(),
  Object.entries(minutes).sort(),
  Object.entries(partsMinor).sort(),
];
function takeShop(): void {
  const terms = own.terms;
  if (terms) emit('change', (shop) => Object.assign(shop, JSON.parse(JSON.stringify(terms)) as Shop));
}

const line = computed(
  () => `${formatMoney(props.shop.labourMinorPerHour)} an hour, tax ${writePercent(props.shop.taxMillionths)} %`,
);
</script>

<template>
  <details :open="open">
    <summary>
      <strong>Shop</strong> <span class="muted">{{ line }}</span>
    </summary>
    <div class="asked">
      <p v-if="isOther" class="verdict-close" role="status" data-testid="other-rates">
        This job is reckoned with other rates than the shop has now.
        <v-btn height="48" variant="text" @click="takeShop">Take the shop’s</v-btn>
      </p>
      <p v-if="own.state === 'unreachable'" class="muted small" role="status">
        The shop’s rates cannot be reached: what is changed here counts for this job.
      </p>
      <ChipGroup
        label="Tools"
        :words="TOOL_WORDS"
        :chosen="[shop.toolSet]"
        @press="(tools: Shop['toolSet']) => change((next) => (next.toolSet = tools))"
      />
      <div class="pair">
        <TypedField
          label="Labor, an hour"
          :value="shop.labourMinorPerHour"
          :read="readMoney"
          :write="formatMoney"
          @change="(minor) => minor !== undefined && change((next) => (next.labourMinorPerHour = minor))"
        />
        <TypedField
          label="Tax, %"
          :value="shop.taxMillionths"
          :read="readPercent"
          :write="writePercent"
          @change="(rate) => rate !== undefined && change((next) => (next.taxMillionths = rate))"
        />
      </div>
      <ChipGroup
        label="Taxed"
        :words="TAX_WORDS"
        :chosen="[shop.taxOn]"
        @press="(on: Shop['taxOn']) => change((next) => (next.taxOn = on))"
      />
      <details class="inner">
        <summary class="small">Minutes and material of each change, at one place or axle</summary>
        <div v-for="kind in MODIFICATIONS" :key="kind" class="price">
          <span class="small">{{ MODIFICATION_WORDS[kind] }}</span>
          <TypedField
            :label="`Minutes (${usual(kind)})`"
            :value="shop.minutes[kind]"
            :read="readMinutes"
            :write="writeNumber"
            optional
            :aria-label="`Minutes, ${MODIFICATION_WORDS[kind]}`"
            @change="(minutes) => setMinutes(kind, minutes)"
          />
          <TypedField
            label="Parts"
            :value="shop.partsMinor[kind]"
            :read="readMoney"
            :write="formatMoney"
            optional
            :aria-label="`Parts, ${MODIFICATION_WORDS[kind]}`"
            @change="(minor) => setPrice(kind, minor)"
          />
        </div>
      </details>
    </div>
  </details>
</template>

<style scoped src="../kit/asked.css"></style>
<style scoped src="../kit/folded.css"></style>
<style scoped>
.price {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 110px 96px;
  gap: 8px;
  align-items: center;
  padding: 4px 0;
}
</style>
