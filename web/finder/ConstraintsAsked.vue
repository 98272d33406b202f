<script setup lang="ts">
import { computed } from 'vue';
import { constraintsSchema, type FinderQuestionEntry } from '@/contracts/finder';
import { LIMITS } from '@/core/1-base/limits';
import { attempt, type Result } from '@/core/1-base/problem';
import { SPEED_SYMBOLS, speedOfSymbolKmh } from '@/core/5-consequences/road/load-and-speed';
import { formatMoney, parseMoney } from '@/core/1-base/units/money';
import QuantityField from '../kit/QuantityField.vue';
import TypedField from '../kit/TypedField.vue';
import { readNumber, writeNumber } from '../kit/read-lists';

/** What a combination has to meet beside clearing. An empty field asks for nothing. */
const props = defineProps<{ question: FinderQuestionEntry; problemAt: (path: string) => string | undefined }>();
const emit = defineEmits<{ change: [edit: (question: FinderQuestionEntry) => void] }>();

type Constraints = FinderQuestionEntry['constraints'];
const own = computed(() => props.question.constraints);

function set<K extends keyof Constraints>(key: K, value: Constraints[K] | undefined): void {
  emit('change', ({ constraints }) => {
    if (value === undefined) delete constraints[key];
    else constraints[key] = value;
  });
}

const readMoney = (text: string) => attempt(() => parseMoney(text));
const readPattern = (text: string): Result<string> => {
  const read = constraintsSchema.shape.boltPattern.safeParse(text.trim());
  if (read.success && read.data !== undefined) return { ok: true, value: read.data };
  return {
    ok: false,
    problems: [{ code: 'wrongFormat', path: '', expected: 'a bolt pattern such as 6x139.7', found: text }],
  };
};
const SYMBOLS = SPEED_SYMBOLS.map((symbol) => ({
  value: symbol,
  title: `${symbol}, ${speedOfSymbolKmh(symbol)} km/h`,
}));
const PERCENT = { min: -10, max: 20, unit: '%' };

/** Pairs that only mean something together: the other one begins at a usual value. */
const clearance = computed(() => own.value.groundClearance);
const setClearance = (change: Partial<NonNullable<Constraints['groundClearance']>> | null): void =>
  set(
    'groundClearance',
    change === null ? undefined : { nowMm: 200, leastMm: 200, at: 'frame', ...clearance.value, ...change },
  );
const chain = computed(() => own.value.chain);
const CHAIN = { treadMm: 12, sidewallMm: 10 };
const spare = computed(() => own.value.spare);
const SPARE = { mostDiameterMm: 800, mostWidthMm: 280 };
</script>

<template>
  <div class="asked">
    <div class="pair">
      <TypedField
        label="Load index, least"
        :value="own.loadIndexLeast"
        :read="readNumber({ min: 60, max: 150, unit: '' })"
        :write="writeNumber"
        optional
        @change="(value) => set('loadIndexLeast', value)"
      />
      <v-select
        label="Speed symbol"
        :model-value="own.speedSymbolLeast"
        :items="SYMBOLS"
        clearable
        @update:model-value="(value: string | null) => set('speedSymbolLeast', value ?? undefined)"
      />
      <TypedField
        label="Rim may be off by, in"
        :value="own.rimOffMostIn"
        :read="readNumber({ min: 0, max: 6, unit: 'in' })"
        :write="writeNumber"
        optional
        @change="(value) => set('rimOffMostIn', value)"
      />
      <TypedField
        label="Wheel over brake, in"
        :value="own.rimDiameterLeastIn"
        :read="readNumber(LIMITS.rimDiameterIn)"
        :write="writeNumber"
        optional
        @change="(value) => set('rimDiameterLeastIn', value)"
      />
      <TypedField
        label="Bolt pattern"
        :value="own.boltPattern"
        :read="readPattern"
        :write="(text: string) => text"
        optional
        hint="6x139.7"
        @change="(value) => set('boltPattern', value)"
      />
      <TypedField
        label="Hub for bore, mm"
        :value="own.hubBoreMm"
        :read="readNumber({ min: 20, max: 300, unit: 'mm' })"
        :write="writeNumber"
        optional
        @change="(value) => set('hubBoreMm', value)"
      />
      <QuantityField
        label="Poke, least"
        :value="own.pokeLeastMm"
        :range="LIMITS.pokeMm"
        optional
        :problem="problemAt('finder.constraints.pokeLeastMm')"
        @change="(value) => set('pokeLeastMm', value)"
      />
      <QuantityField
        label="Poke, most"
        :value="own.pokeMostMm"
        :range="LIMITS.pokeMm"
        optional
        :problem="problemAt('finder.constraints.pokeMostMm')"
        @change="(value) => set('pokeMostMm', value)"
      />
    </div>
    <v-checkbox
      :model-value="own.covered ?? false"
      label="Tire covered by the fender, 30° ahead to 50° behind"
      hide-details
      density="compact"
      @update:model-value="(on: boolean | null) => set('covered', on ? true : undefined)"
    />
    <div class="pair">
      <TypedField
        label="Speedo reads high, %"
        :value="own.speedometerErrorShare === undefined ? undefined : Math.round(own.speedometerErrorShare * 1e4) / 100"
        :read="readNumber(PERCENT)"
        :write="writeNumber"
        optional
        hint="keeps it lawful"
        @change="(value) => set('speedometerErrorShare', value === undefined ? undefined : value / 100)"
      />
      <TypedField
        label="Budget for the set"
        :value="own.budgetMinor"
        :read="readMoney"
        :write="formatMoney"
        optional
        @change="(value) => set('budgetMinor', value)"
      />
    </div>
    <v-checkbox
      :model-value="clearance !== undefined"
      label="Least ground clearance"
      hide-details
      density="compact"
      @update:model-value="(on: boolean | null) => setClearance(on ? {} : null)"
    />
    <div v-if="clearance" class="pair">
      <QuantityField
        label="Clearance now"
        :value="clearance.nowMm"
        :range="LIMITS.underbodyMm"
        @change="(mm) => mm !== undefined && setClearance({ nowMm: mm })"
      />
      <QuantityField
        label="Clearance, least"
        :value="clearance.leastMm"
        :range="LIMITS.underbodyMm"
        @change="(mm) => mm !== undefined && setClearance({ leastMm: mm })"
      />
      <v-select
        label="Lowest part hangs from"
        :model-value="clearance.at"
        :items="[
          { value: 'frame', title: 'frame or body' },
          { value: 'axle', title: 'the axle' },
        ]"
        @update:model-value="(at: 'frame' | 'axle') => setClearance({ at })"
      />
    </div>
    <v-checkbox
      :model-value="chain !== undefined"
      label="Room for a snow chain"
      hide-details
      density="compact"
      @update:model-value="(on: boolean | null) => set('chain', on ? CHAIN : undefined)"
    />
    <div v-if="chain" class="pair">
      <QuantityField
        label="Chain off the tread"
        :value="chain.treadMm"
        :range="LIMITS.chainRoomMm"
        @change="(mm) => mm !== undefined && set('chain', { ...chain!, treadMm: mm })"
      />
      <QuantityField
        label="Chain off the sidewall"
        :value="chain.sidewallMm"
        :range="LIMITS.chainRoomMm"
        @change="(mm) => mm !== undefined && set('chain', { ...chain!, sidewallMm: mm })"
      />
    </div>
    <v-checkbox
      :model-value="spare !== undefined"
      label="A spare of the same size"
      hide-details
      density="compact"
      @update:model-value="(on: boolean | null) => set('spare', on ? SPARE : undefined)"
    />
    <div v-if="spare" class="pair">
      <QuantityField
        label="Spare: diameter"
        :value="spare.mostDiameterMm"
        :range="LIMITS.tireDiameterMm"
        :problem="problemAt('finder.constraints.spare.mostDiameterMm')"
        @change="(mm) => mm !== undefined && set('spare', { ...spare!, mostDiameterMm: mm })"
      />
      <QuantityField
        label="Spare: width"
        :value="spare.mostWidthMm"
        :range="LIMITS.tireWidthMm"
        @change="(mm) => mm !== undefined && set('spare', { ...spare!, mostWidthMm: mm })"
      />
    </div>
    <TypedField
      v-if="question.fit === 'staggered'"
      label="Front to rear may differ, %"
      :value="own.staggerMostShare === undefined ? undefined : 100 * own.staggerMostShare"
      :read="readNumber({ min: 0, max: 50, unit: '%' })"
      :write="writeNumber"
      optional
      @change="(value) => set('staggerMostShare', value === undefined ? undefined : value / 100)"
    />
    <p class="small muted">
      Load, pressure and speed must be at least what the vehicle's maker asks for; coverage, poke, spacers and the
      speedometer are matters of local law.
    </p>
  </div>
</template>

<style scoped src="../kit/asked.css"></style>
