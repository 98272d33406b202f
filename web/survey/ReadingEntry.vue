<script setup lang="ts">
import { computed, nextTick, reactive, ref } from 'vue';
import { fieldText } from '@/contracts/problems';
import type { LowgapCorner, LowgapObstacle, LowgapReading } from '@/contracts/lowgap-file';
import { sideOf, type CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { ReadingPlace } from '@/core/3-survey/reading/reading';
import AcrossPicker from './AcrossPicker.vue';
import { LIMITS } from '@/core/1-base/limits';
import { parseLength, type LengthUnit } from '@/core/1-base/units/length';
import { doubtOf, SAME_READING_MM } from '@/core/3-survey/reading/doubt';
import { heardText } from '../kit/quantity';
import { useUnits } from '../stores/units';
import { useMeasuringUnit } from './measuring-unit';
import { doubtText, fittedRadiusMm, formField, readForm, type FormField, type ReadingForm } from './new-reading';
import { isBorrowed } from './borrowed';
import { useSeenClock } from './seen-clock';
import TapeWay from './TapeWay.vue';
import NumberPad from './NumberPad.vue';

/** One reading at a time: set the place and the posture, type the gap, Enter takes it. */
const props = defineProps<{ cornerKey: CornerKey; corner: LowgapCorner; obstacle: LowgapObstacle; clock: string }>();
const emit = defineEmits<{ take: [reading: LowgapReading]; 'update:clock': [clock: string] }>();

const seen = useSeenClock(
  () => props.clock,
  () => sideOf(props.cornerKey),
  (clock) => emit('update:clock', clock),
);
const form = reactive<{
  across: ReadingPlace;
  steer: ReadingForm['steer'];
  nearest: boolean;
  hubToLip: string;
  gap: string;
  outboard: string;
}>({
  across: 'tread',
  steer: 'straight',
  nearest: false,
  hubToLip: '',
  gap: '',
  outboard: '',
});
const problems = ref<Partial<Record<FormField, string>>>({});
const gapField = ref<{ focus(): void }>();
const askOutboard = computed(() => form.across === 'tread' && !form.nearest && !isCheck.value);

/** A borrowed well is checked where it comes nearest. */
const isCheck = computed(() => isBorrowed(props.obstacle));
const units = useUnits();
const unit = useMeasuringUnit(() => props.corner);
const question = ref('');
/** The gap that was questioned, mm. */
let doubted: number | null = null;

function take(): void {
  const read = readForm(
    { ...form, nearest: form.nearest || isCheck.value, clock: props.clock },
    props.cornerKey,
    props.corner,
    props.obstacle,
    unit.of,
  );
  problems.value = {};
  question.value = '';
  if (!read.ok) {
    for (const problem of read.problems) problems.value[formField(problem)] ??= fieldText(problem);
    return;
  }
  const { gapMm } = read.value;
  const doubt = doubtOf(read.value, props.obstacle.readings ?? [], fittedRadiusMm(props.corner));
  const isAnswer = doubted !== null && Math.abs(gapMm - doubted) <= SAME_READING_MM;
  doubted = doubt && !isAnswer ? gapMm : null;
  if (doubted !== null) return void (question.value = doubtText(doubt, gapMm, sideOf(props.cornerKey)));
  units.goOn('gaps', parseLength(form.gap, unit.of(form.gap, LIMITS.gapMm)).unit);
  emit('take', doubt ? { ...read.value, confirmed: true } : read.value);
  form.gap = '';
  form.outboard = '';
  void nextTick(() => gapField.value?.focus());
}

const isBare = (text: string): boolean => /^[-+\d.,]+$/.test(text.trim());
type Length = 'gap' | 'outboard' | 'hubToLip';
const unitOf = (field: Length): LengthUnit => unit.of(form[field], LIMITS[`${field}Mm`]);
const suffix = (field: Length): string | undefined => (isBare(form[field]) ? unitOf(field) : undefined);
const heard = (field: Length): string => heardText(form[field], LIMITS[`${field}Mm`], unitOf(field));
const errors = (field: FormField): string[] => (problems.value[field] ? [problems.value[field]!] : []);
</script>

<template>
  <form class="entry" @submit.prevent="take">
    <div class="row tops">
      <v-text-field
        label="Clock"
        :model-value="seen.text.value"
        :error-messages="errors('clock')"
        class="clock figures"
        autocomplete="off"
        @update:model-value="(text: string) => seen.type(text)"
      />
      <v-btn-toggle v-model="form.steer" class="steer" aria-label="Steering">
        <v-btn value="left">Full left</v-btn>
        <v-btn value="straight">Straight</v-btn>
        <v-btn value="right">Full right</v-btn>
      </v-btn-toggle>
    </div>
    <TapeWay :nearest="form.nearest || isCheck" :only="isCheck" @choose="(way) => (form.nearest = way)" />
    <AcrossPicker :across="form.across" @choose="(place) => (form.across = place)" />
    <p v-if="problems.steer || problems.across" class="verdict-rubs" role="alert">
      {{ problems.steer ?? problems.across }}
    </p>
    <div class="gap-row row tops">
      <v-text-field
        ref="gapField"
        v-model="form.gap"
        label="Gap"
        :placeholder="unit.run.value === 'in' ? '2 7/8' : '57'"
        :error-messages="errors('gap')"
        :suffix="suffix('gap')"
        :hint="heard('gap')"
        persistent-hint
        class="gap figures"
        autocomplete="off"
        data-testid="gap-field"
      />
      <v-text-field
        v-if="askOutboard"
        v-model="form.outboard"
        label="Outboard of sidewall"
        placeholder="if known"
        :error-messages="errors('outboard')"
        :suffix="suffix('outboard')"
        :hint="heard('outboard')"
        persistent-hint
        class="figures"
        autocomplete="off"
      />
      <v-btn type="submit" color="primary" height="52" class="take">Take the reading</v-btn>
    </div>
    <v-text-field
      v-model="form.hubToLip"
      label="Hub to lip now (empty: at ride height)"
      :error-messages="errors('hubToLip')"
      :suffix="suffix('hubToLip')"
      :hint="heard('hubToLip')"
      persistent-hint
      autocomplete="off"
      class="figures"
    />
    <p v-if="question" class="verdict-close" role="alert" data-testid="reading-question">{{ question }}</p>
    <NumberPad @key="(text) => (form.gap += text)" @back="form.gap = form.gap.slice(0, -1)" @enter="take" />
  </form>
</template>

<style scoped>
.entry {
  display: grid;
  gap: 9px;
  margin-top: 8px;
}
.clock {
  flex: 0 0 110px;
}
.steer {
  flex: 1;
  height: 48px;
}
.steer .v-btn {
  flex: 1;
  height: 48px;
  padding: 0 4px;
}
.gap :deep(.v-field__input) {
  font-size: 24px;
  font-weight: 600;
}
.entry :deep(.v-field__input) {
  font-family: var(--figures);
  min-height: 48px;
}
.take {
  padding-inline: 12px;
}
.gap-row :deep(.v-field__input) {
  min-height: 52px;
}
</style>
