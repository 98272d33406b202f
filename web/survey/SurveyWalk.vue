<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import type { LowgapCorner } from '@/contracts/lowgap-file';
import { sideOf, type CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { seenClock } from '@/core/1-base/units/clock';
import type { WalkHeight } from '@/core/3-survey/walk/walk-height';
import { enoughRead, worthWords } from '@/core/6-decisions/next-reading/enough';
import { starterReadings, starterWell } from '@/core/3-survey/well/starter-well';
import { formatMm } from '@/core/1-base/units/length';
import { usualWords } from '../kit/usual-words';
import PostureGlyph from '../kit/PostureGlyph.vue';
import { useJobStore } from '../stores/job';
import { ACROSS_NAMES } from '../words';
import AcrossPicker from './AcrossPicker.vue';
import GaugeBar from './GaugeBar.vue';
import TapeGuides from '../help/TapeGuides.vue';
import { guidesFor } from './walk-guides';
import TapeWay from './TapeWay.vue';
import NumberPad from './NumberPad.vue';
import { useWalk } from './use-walk';
import type { Asked } from './walk-state';

/** The guided walk: it says what to measure next and at which steer and travel; one number and Enter moves on. */
const props = defineProps<{ cornerKey: CornerKey; corner: LowgapCorner; clock: string }>();
const emit = defineEmits<{ 'update:clock': [clock: string]; ask: [asked: Asked | null] }>();

const job = useJobStore();
const field = ref<{ focus(): void }>();
const walk = useWalk(props, {
  setClock: (clock) => emit('update:clock', clock),
  ask: (asked) => emit('ask', asked),
  focus: () => field.value?.focus(),
});
const {
  asked,
  askedId,
  text,
  across,
  nearest,
  refusal,
  question,
  several,
  last,
  heightAsked,
  heard,
  unit,
  prompt,
  remaining,
  skippedCount,
} = walk;
const { take, takeFromGauge, addToAverage, skip, retake, turnClock, askSkippedAgain } = walk;
onMounted(() => field.value?.focus());

/** Later is clockwise as it is seen. */
const turnSeen = (minutes: number): void => turnClock(sideOf(props.cornerKey) === 'left' ? -minutes : minutes);

const enough = computed(() => {
  const { study, evaluation } = job;
  const known = evaluation?.known.find(({ corner }) => corner === props.cornerKey);
  if (!known || study?.corner !== props.cornerKey || !study.spread) return null;
  return enoughRead(study.spread, known, study.next);
});
/** Before it is read: what such vehicles usually have there, and what this one's readings make of it. */
const usual = computed(() => {
  const now = asked.value;
  if (now?.kind !== 'gap' || now.height !== 'ride' || heightAsked.value || now.outboardMm !== undefined) return '';
  const kind = job.document?.vehicle.kind ?? null;
  const start = starterWell(kind, props.cornerKey, starterReadings(props.corner));
  const room = start.at({ thing: now.stop, steer: now.steer });
  return room ? usualWords(room.fromMm, room.toMm, unit.value) : '';
});
const guides = computed(() => (asked.value ? guidesFor(asked.value, heightAsked.value) : []));
const nameOf = (id: string): string => props.corner.obstacles.find((o) => o.id === id)?.label ?? id;

const POSTURES: Readonly<Record<WalkHeight, string>> = {
  ride: 'at ride height',
  bump: 'this wheel on a hump or ramp, or cross-up; a part of the way is enough',
  hang: 'this wheel hanging',
};
const steerWords = { left: 'Full left', straight: 'Straight ahead', right: 'Full right' } as const;
</script>

<template>
  <form v-if="asked" class="stack" data-testid="walk" :data-asked="askedId" @submit.prevent="take()">
    <p class="muted small" role="status">
      <template v-if="remaining"
        >{{ remaining }} more number{{ remaining === 1 ? '' : 's' }} of the usual walk</template
      >
      <template v-else-if="asked.kind === 'gap' && asked.isUnread"
        >Beyond the usual walk: its least gap falls at this lock, and nothing was read of it here</template
      >
      <template v-else-if="asked.kind === 'gap' && asked.worthMm !== undefined && asked.doubtLeft !== undefined"
        >Beyond the usual walk: this one number
        {{ worthWords({ worthMm: asked.worthMm, doubtLeft: asked.doubtLeft }) }}</template
      >
    </p>
    <p v-if="enough" class="enough" data-testid="walk-enough">
      <strong>Enough for the verdict.{{ ' ' }}</strong>
      <template v-if="enough.kind === 'fallsShort'">
        {{ nameOf(enough.id) }} is {{ Math.floor(100 * enough.chance) }} % likely to fall short, whatever else is read.
        Read on to know what else does, and by how much.
      </template>
      <template v-else>
        It is {{ Math.floor(100 * enough.chance) }} % likely that nothing falls short; another reading would not change
        that.
      </template>
    </p>
    <h3 class="what" data-testid="walk-what">{{ asked.label }}</h3>
    <div v-if="asked.kind === 'gap'" class="posture">
      <PostureGlyph
        :steer-deg="asked.steer === 'left' ? 30 : asked.steer === 'right' ? -30 : 0"
        :lowest-mm="-100"
        :highest-mm="100"
        :travel-mm="asked.height === 'bump' ? 60 : asked.height === 'hang' ? -60 : 0"
      />
      <p>
        <strong data-testid="walk-posture">{{ steerWords[asked.steer] }}</strong>, {{ POSTURES[asked.height] }}.<br />
        <template v-if="!heightAsked"
          ><strong class="figures" data-testid="walk-clock">{{ seenClock(clock, sideOf(cornerKey)) }}</strong
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
          @click="turnSeen(-10)"
          >−</v-btn
        >
        <v-btn variant="outlined" height="48" min-width="48" aria-label="Clock ten minutes later" @click="turnSeen(10)"
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
    <TapeWay
      v-if="asked.kind === 'gap' && !heightAsked && asked.outboardMm === undefined && !asked.withOutboard"
      :nearest="nearest"
      @choose="(way) => (nearest = way)"
    />
    <TapeWay v-else-if="asked.kind === 'gap' && !heightAsked" only :nearest="false" />
    <p v-if="asked.kind === 'gap' && asked.height !== 'ride'" class="verdict-close small">
      Level ground, wheels chocked; stands, never blocks; nobody under a vehicle on its jack.
    </p>
    <div class="row tops">
      <v-text-field
        ref="field"
        v-model="text"
        :label="prompt"
        :placeholder="unit === 'in' ? '2 7/8 or 57 mm' : '57 or 2 7/8 in'"
        :error-messages="refusal ? [refusal] : []"
        :suffix="/^[-+\d.,]+$/.test(text.trim()) ? unit : undefined"
        :hint="heard || usual"
        persistent-hint
        class="gap figures"
        autocomplete="off"
        data-testid="walk-field"
        @keydown.up.prevent="turnSeen(10)"
        @keydown.down.prevent="turnSeen(-10)"
      />
      <v-btn
        v-if="asked.kind === 'gap' && !heightAsked"
        variant="outlined"
        height="52"
        title="Take several and keep their mean"
        @click="addToAverage"
        >Average<template v-if="several.length"> ({{ several.length }})</template></v-btn
      >
      <v-btn type="submit" color="primary" height="52">Take it</v-btn>
    </div>
    <p v-if="question" class="verdict-close" role="alert" data-testid="walk-question">{{ question }}</p>
    <NumberPad @key="(k) => (text += k)" @back="text = text.slice(0, -1)" @enter="take()" />
    <GaugeBar @take="takeFromGauge" />
    <details v-if="guides.length" class="guide" data-testid="walk-guide">
      <summary>Where the tape goes</summary>
      <TapeGuides :only="guides" />
    </details>
    <div class="keys">
      <v-btn variant="text" height="48" :disabled="!last" @click="retake">Take the last again</v-btn>
      <v-btn variant="text" height="48" @click="skip(false)">Skip</v-btn>
      <v-btn v-if="asked.step !== null" variant="text" height="48" @click="skip(true)">Not on this vehicle</v-btn>
    </div>
  </form>
  <div v-else class="done" data-testid="walk-done">
    <p>
      The walk is done<template v-if="job.study">; no further reading would settle the low gap much better</template>.
      <template v-if="enough">The verdict is sure as it is.</template>
    </p>
    <p class="muted">Add what else is near the tire on the left, or go on to the bench.</p>
  </div>
  <v-btn v-if="skippedCount" variant="text" height="48" @click="askSkippedAgain"
    >Ask the {{ skippedCount }} skipped again</v-btn
  >
</template>

<style scoped>
.what {
  font-size: 22px;
  line-height: 26px;
  font-weight: 600;
}
.guide summary {
  padding: 13px 0;
  cursor: pointer;
  font-weight: 600;
}
.enough {
  padding: 8px 12px;
  border-left: 4px solid var(--accent);
  background: color-mix(in srgb, var(--accent) 9%, var(--paper));
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
.gap :deep(.v-field__input) {
  font-family: var(--figures);
  font-size: 26px;
  font-weight: 600;
}
.keys {
  justify-content: space-between;
}
.done {
  display: grid;
  gap: 8px;
  padding: 16px 0;
  font-size: 18px;
}
</style>
