<script setup lang="ts">
import { computed, nextTick, onMounted, ref, shallowRef, watch } from 'vue';
import { fieldText } from '@/contracts/problems';
import type { LowgapCorner, LowgapReading } from '@/contracts/lowgap-file';
import type { CornerKey } from '@/core/clearance/description';
import { sideOf } from '@/core/clearance/motion-under';
import type { WalkHeight } from '@/core/edge-fit/next-reading';
import { LIMITS } from '@/core/limits';
import type { ReadingPlace } from '@/core/obstacle/reading';
import { attempt } from '@/core/problem';
import { formatMm } from '@/core/units/length';
import { formatClock, parseClock } from '@/core/units/clock';
import PostureGlyph from '../parts/PostureGlyph.vue';
import { parseQuantity } from '../parts/quantity';
import { useJobStore } from '../stores/job';
import { ACROSS_NAMES, bothUnits } from '../words';
import AcrossPicker from './AcrossPicker.vue';
import GaugeBar from './GaugeBar.vue';
import { readForm } from './new-reading';
import NumberPad from './NumberPad.vue';
import { takeGap, takeOutboard, type TakenAt } from './take-reading';
import { engineAsks, knownHeight, numbersLeft, openSteps, skipKey, type Asked } from './walk-state';

/** The guided walk: it says what to measure next and in which posture; one number and Enter moves on. */
const props = defineProps<{ cornerKey: CornerKey; corner: LowgapCorner; clock: string }>();
const emit = defineEmits<{ 'update:clock': [clock: string]; ask: [asked: Asked | null] }>();

const job = useJobStore();
const open = computed(() => openSteps(props.corner, sideOf(props.cornerKey)));
const engine = computed(() => (job.study?.corner === props.cornerKey ? engineAsks(job.study.next, props.corner) : []));
const passed = ref<readonly string[]>([]);
const idOf = (asked: Asked): string =>
  asked.kind === 'gap'
    ? [asked.stop, asked.step, asked.steer, asked.height].join(':')
    : [asked.stop, asked.step, 'outboard'].join(':');
const asked = computed<Asked | null>(
  () => open.value[0] ?? engine.value.find((next) => !passed.value.includes(idOf(next))) ?? null,
);
const askedId = computed(() => (asked.value ? idOf(asked.value) : ''));

const text = ref('');
const across = ref<ReadingPlace>('tread');
const refusal = ref('');
const question = ref('');
const several = shallowRef<readonly number[]>([]);
const heights = ref<Partial<Record<WalkHeight, string>>>({});
const last = shallowRef<TakenAt | null>(null);
const field = ref<{ focus(): void }>();

const heightText = (height: WalkHeight): string | null => heights.value[height] ?? knownHeight(props.corner, height);
const heightAsked = computed(() => asked.value?.kind === 'gap' && heightText(asked.value.height) === null);

watch(
  askedId,
  () => {
    const now = asked.value;
    text.value = '';
    refusal.value = '';
    question.value = '';
    several.value = [];
    if (now?.kind === 'gap') {
      emit('update:clock', now.clock);
      across.value = now.across;
    }
    emit('ask', now);
    void nextTick(() => field.value?.focus());
  },
  { immediate: true },
);
watch(
  () => props.cornerKey,
  () => ((heights.value = {}), (last.value = null), (passed.value = [])),
);
onMounted(() => field.value?.focus());

const POSTURES: Readonly<Record<WalkHeight, string>> = {
  ride: 'at ride height',
  bump: 'this wheel on a hump or ramp, or cross-up; a part of the way is enough',
  hang: 'this wheel hanging',
};
const steerWords = { left: 'Full left', straight: 'Straight ahead', right: 'Full right' } as const;

const prompt = computed(() => {
  const now = asked.value;
  if (!now) return '';
  if (now.kind === 'outboard') return 'How far outboard of the tire’s outer sidewall does it lie? (- inboard)';
  if (heightAsked.value) return 'Hub centre to fender lip, as the wheel stands now';
  return now.nearest ? 'Slide the tape along it to where the gap is least' : 'Gap, straight out from the tire';
});

/** mm: a tape from the tire to the inside of a wheel well does not read more. */
const LARGEST_LIKELY_MM = 260;
/** mm and share by which a reading may differ from what the others foretell. */
const FORETOLD = { mm: 15, share: 0.25 } as const;

function doubtOf(mm: number): string {
  const now = asked.value;
  if (mm > LARGEST_LIKELY_MM) return `${bothUnits(mm)} is more than a wheel well leaves. Enter once more if it is so.`;
  if (now?.kind !== 'gap' || now.expectedMm === undefined) return '';
  if (Math.abs(mm - now.expectedMm) <= Math.max(FORETOLD.mm, FORETOLD.share * now.expectedMm)) return '';
  return `The other readings foretell about ${bothUnits(now.expectedMm)} here. Enter once more if it is so.`;
}

function take(by: 'tape' | 'gauge' = 'tape'): void {
  const now = asked.value;
  if (!now) return;
  refusal.value = '';
  if (heightAsked.value && now.kind === 'gap') {
    const read = parseQuantity(text.value, 'length', LIMITS.hubToLipMm);
    if (!read.ok) return void (refusal.value = read.problems.map(fieldText).join(' '));
    // Landed on trial with a small gap: a height beyond the travel is refused here, where it stands.
    heights.value = { ...heights.value, [now.height]: text.value.trim() };
    text.value = '';
    question.value = '';
    return;
  }
  if (now.kind === 'outboard') {
    const read = parseQuantity(text.value, 'length', LIMITS.outboardMm);
    if (!read.ok) return void (refusal.value = read.problems.map(fieldText).join(' '));
    last.value = takeOutboard(job, props.cornerKey, now, read.value, text.value.trim());
    return;
  }
  const typed = parseQuantity(text.value, 'length', LIMITS.gapMm);
  if (!typed.ok && !(text.value.trim() === '' && several.value.length > 0)) {
    return void (refusal.value = typed.problems.map(fieldText).join(' '));
  }
  const all = typed.ok ? [...several.value, typed.value] : [...several.value];
  const mm = all.reduce((sum, v) => sum + v, 0) / all.length;
  const doubt = doubtOf(mm);
  if (doubt !== '' && question.value !== doubt) return void (question.value = doubt);
  const averaged = all.length > 1;
  const read = readForm(
    {
      clock: props.clock,
      across: across.value,
      steer: now.steer,
      hubToLip: heightText(now.height) ?? '',
      gap: averaged ? formatMm(mm) : text.value,
      outboard: now.outboardMm === undefined ? '' : String(now.outboardMm),
    },
    props.cornerKey,
    props.corner,
    { id: now.stop, mount: 'body', material: 'sheetMetal' },
  );
  if (!read.ok) {
    refusal.value = read.problems.map(fieldText).join(' ');
    if (read.problems.some(({ path }) => path.endsWith('hubToLipMm'))) {
      const { [now.height]: _wrong, ...rest } = heights.value;
      heights.value = rest;
    }
    return;
  }
  const reading: LowgapReading = {
    ...read.value,
    ...(now.nearest ? { nearest: true } : {}),
    ...(now.outboardMm === undefined || across.value !== 'tread' ? {} : { outboardAsBefore: true }),
    ...(now.step === null ? {} : { walkStep: now.step }),
    ...(averaged ? { average: all } : {}),
    ...(question.value === '' ? {} : { confirmed: true }),
    ...(by === 'gauge' ? { by } : {}),
  };
  last.value = takeGap(job, props.cornerKey, now.stop, reading);
  if (now.step === null) passed.value = [...passed.value, askedId.value];
}

function takeFromGauge(mm: number): void {
  text.value = formatMm(mm);
  take('gauge');
}

function addToAverage(): void {
  const read = parseQuantity(text.value, 'length', LIMITS.gapMm);
  if (!read.ok) return void (refusal.value = read.problems.map(fieldText).join(' '));
  refusal.value = '';
  several.value = [...several.value, read.value];
  text.value = '';
}

function skip(whole: boolean): void {
  const now = asked.value;
  if (!now) return;
  if (now.step === null) {
    passed.value = [...passed.value, askedId.value];
    return;
  }
  const name = whole ? now.stop : skipKey(now.stop, now.step, now.kind);
  job.change((file) => {
    const corner = file.corners[props.cornerKey];
    if (corner) corner.skipped = [...new Set([...(corner.skipped ?? []), name])];
  });
}

function retake(): void {
  job.undo();
  last.value = null;
  passed.value = passed.value.slice(0, -1);
}

/** Arrow keys move the clock by ten minutes: half a degree to a minute. */
function turnClock(minutes: number): void {
  const now = attempt(() => parseClock(props.clock));
  if (now.ok) emit('update:clock', formatClock(now.value + minutes / 2));
}

const skippedCount = computed(() => props.corner.skipped?.length ?? 0);
function askSkippedAgain(): void {
  job.change((file) => delete file.corners[props.cornerKey]?.skipped);
}
const remaining = computed(() => numbersLeft(open.value));
</script>

<template>
  <form v-if="asked" class="walk" data-testid="walk" :data-asked="askedId" @submit.prevent="take()">
    <p class="progress muted" role="status">
      <template v-if="remaining"
        >{{ remaining }} more number{{ remaining === 1 ? '' : 's' }} of the usual walk</template
      >
      <template v-else-if="asked.kind === 'gap' && asked.worthMm !== undefined"
        >Beyond the usual walk: this one would settle the low gap by about {{ formatMm(asked.worthMm) }} mm</template
      >
    </p>
    <h3 class="what" data-testid="walk-what">{{ asked.label }}</h3>
    <div v-if="asked.kind === 'gap'" class="posture">
      <PostureGlyph
        :steer-deg="asked.steer === 'left' ? 30 : asked.steer === 'right' ? -30 : 0"
        :droop-mm="-100"
        :bump-mm="100"
        :travel-mm="asked.height === 'bump' ? 60 : asked.height === 'hang' ? -60 : 0"
      />
      <p>
        <strong data-testid="walk-posture">{{ steerWords[asked.steer] }}</strong>, {{ POSTURES[asked.height] }}.<br />
        <template v-if="!heightAsked"
          ><strong class="figures" data-testid="walk-clock">{{ clock }}</strong
          >, {{ ACROSS_NAMES[across]
          }}<template v-if="asked.outboardMm !== undefined">
            · outboard as before, {{ formatMm(asked.outboardMm) }} mm</template
          ></template
        >
      </p>
      <div v-if="!heightAsked" class="turn" role="group" aria-label="Clock by ten minutes">
        <v-btn
          variant="outlined"
          height="48"
          min-width="48"
          aria-label="Clock ten minutes earlier"
          @click="turnClock(-10)"
          >−</v-btn
        >
        <v-btn variant="outlined" height="48" min-width="48" aria-label="Clock ten minutes later" @click="turnClock(10)"
          >+</v-btn
        >
      </div>
    </div>
    <AcrossPicker
      v-if="asked.kind === 'gap' && !heightAsked && asked.outboardMm === undefined"
      plain
      :across="across"
      @choose="(place) => (across = place)"
    />
    <div class="row">
      <v-text-field
        ref="field"
        v-model="text"
        :label="prompt"
        placeholder="2 7/8 or 57 mm"
        :error-messages="refusal ? [refusal] : []"
        class="gap figures"
        autocomplete="off"
        data-testid="walk-field"
        @keydown.up.prevent="turnClock(10)"
        @keydown.down.prevent="turnClock(-10)"
      />
      <v-btn
        v-if="asked.kind === 'gap' && !heightAsked"
        variant="outlined"
        height="52"
        title="Take several and keep their mean"
        @click="addToAverage"
        >Average<template v-if="several.length"> ({{ several.length }})</template></v-btn
      >
    </div>
    <p v-if="question" class="verdict-close" role="alert" data-testid="walk-question">{{ question }}</p>
    <NumberPad @key="(k) => (text += k)" @back="text = text.slice(0, -1)" @enter="take()" />
    <GaugeBar @take="takeFromGauge" />
    <div class="keys">
      <v-btn variant="text" height="48" :disabled="!last" @click="retake">Take the last again</v-btn>
      <v-btn variant="text" height="48" @click="skip(false)">Skip</v-btn>
      <v-btn v-if="asked.step !== null" variant="text" height="48" @click="skip(true)">Not on this vehicle</v-btn>
    </div>
    <button type="submit" hidden />
  </form>
  <div v-else class="done" data-testid="walk-done">
    <p>
      The walk is done<template v-if="job.study">; no further reading would settle the low gap much better</template>.
    </p>
    <p class="muted">Add what else is near the tire on the left, or go on to the bench.</p>
  </div>
  <v-btn v-if="skippedCount" variant="text" height="48" @click="askSkippedAgain"
    >Ask the {{ skippedCount }} skipped again</v-btn
  >
</template>

<style scoped>
.walk {
  display: grid;
  gap: 8px;
}
.progress {
  font-size: 14px;
}
.what {
  font-size: 22px;
  line-height: 26px;
  font-weight: 600;
}
.posture {
  display: flex;
  gap: 12px;
  align-items: center;
  min-height: 52px;
}
.posture p {
  flex: 1;
  font-size: 16px;
  line-height: 21px;
}
.posture p strong.figures {
  font-size: 21px;
}
.turn {
  display: flex;
  gap: 4px;
}
.row {
  display: flex;
  gap: 8px;
  align-items: flex-start;
}
.gap :deep(.v-field__input) {
  font-family: var(--figures);
  font-size: 26px;
  font-weight: 600;
}
.keys {
  display: flex;
  justify-content: space-between;
  flex-wrap: wrap;
}
.done {
  display: grid;
  gap: 8px;
  padding: 16px 0;
  font-size: 18px;
}
</style>
