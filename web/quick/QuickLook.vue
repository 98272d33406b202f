<script setup lang="ts">
import { mdiBriefcasePlusOutline, mdiLinkVariant, mdiPrinterOutline } from '@mdi/js';
import { computed, ref, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import { fieldText } from '@/contracts/problems';
import type { Problem } from '@/core/1-base/problem';
import { AXLES, type Axle } from '@/core/2-vehicle/setup/corner-key';
import { VEHICLE_KINDS } from '@/core/2-vehicle/setup/vehicle-kind';
import { QUICK_SUSPENSIONS, suspensionsOf } from '@/core/6-decisions/quick/quick-question';
import { LENGTH_UNITS, type LengthUnit } from '@/core/1-base/units/length';
import { api, problemsOf } from '../api';
import { vFirst } from '../kit/first-field';
import PageHead from '../kit/PageHead.vue';
import PictureChoice from '../kit/PictureChoice.vue';
import SuspensionSketch from '../kit/SuspensionSketch.vue';
import VehicleSilhouette from '../kit/VehicleSilhouette.vue';
import { problemText } from '../problem-words';
import { useUnits } from '../stores/units';
import QuickDrawing from './QuickDrawing.vue';
import { jobOfQuick } from './quick-job';
import QuickPlaces from './QuickPlaces.vue';
import { changeLines, likelyWords, recordWords, saidTogether, shortLabel } from './quick-words';
import { MOTION_NAMES, VEHICLE_KIND_NAMES } from '../words';
import { useQuickLook } from './use-quick-look';

/** A question on the phone: two setups, nothing measured. What changes, where to put a finger, how often it cleared. */
const router = useRouter();
const units = useUnits();
const { texts, set, answer, question, problemAt, look, record, likely, isOld, recordUnreachable } = useQuickLook();

const kinds = [
  ...VEHICLE_KINDS.map((value) => ({ value, title: VEHICLE_KIND_NAMES[value] })),
  { value: null, title: 'Not said' },
];
const suspensions = computed(() => [
  ...QUICK_SUSPENSIONS.filter((value) => texts.value.axle === 'front' || value !== 'macphersonStrut').map((value) => ({
    value,
    title: MOTION_NAMES[value],
  })),
  { value: null, title: 'Not known' },
]);
const AXLE_WORDS: Readonly<Record<Axle, string>> = { front: 'Front', rear: 'Rear' };
const chosenKind = computed(() => VEHICLE_KINDS.find((one) => one === texts.value.vehicle) ?? null);
const chosenSuspension = computed(() => QUICK_SUSPENSIONS.find((one) => one === texts.value.suspension) ?? null);
/** No rear wheel of what is looked at here hangs on a steered strut. */
function setAxle(axle: Axle): void {
  const { suspension } = texts.value;
  set({ axle, suspension: axle === 'rear' && suspension === 'macphersonStrut' ? '' : suspension });
}
function setUnits(unit: LengthUnit): void {
  units.chosen = unit;
  set({ units: unit });
}

const TEXTS = [
  { name: 'fitted', label: 'On it now: tire, wheel, offset', example: '265/70R17 on 17x8 +30' },
  { name: 'wanted', label: 'Wanted: tire, wheel, offset', example: '285/70R17 on 17x9 -12' },
] as const;
/** Nothing is wrong with what is not typed yet. */
const refusal = (name: 'fitted' | 'wanted' | 'lift'): string => {
  const problem = problemAt(name);
  return problem && texts.value[name].trim() !== '' ? fieldText(problem) : '';
};

const lines = computed(() => (look.value ? changeLines(look.value.change, texts.value.units) : []));
const together = computed(() => (look.value ? saidTogether(look.value.places) : ''));
const looked = computed(() => (question.value ? suspensionsOf(question.value).length : 0));
const isReady = computed(() => look.value !== null && question.value !== null);

const copied = ref('');
async function copyLink(): Promise<void> {
  try {
    await navigator.clipboard.writeText(window.location.href);
    copied.value = 'The link is copied: it opens this question.';
  } catch {
    copied.value = window.location.href;
  }
}
const print = (): void => window.print();

const problems = shallowRef<readonly Problem[]>([]);
async function makeJob(): Promise<void> {
  if (!question.value) return;
  const made = await api.createJob(jobOfQuick(question.value, texts.value, look.value?.places ?? []));
  if (made.ok) return void router.push({ name: 'intake', params: { id: made.value.id } });
  problems.value = problemsOf(made);
}
</script>

<template>
  <PageHead title="Quick look" says="Two setups, nothing measured: what changes, and where to put a finger">
    <v-btn variant="outlined" size="large" :prepend-icon="mdiLinkVariant" :disabled="!isReady" @click="copyLink"
      >Copy link</v-btn
    >
    <v-btn variant="outlined" size="large" :prepend-icon="mdiPrinterOutline" :disabled="!isReady" @click="print"
      >Print card</v-btn
    >
    <v-btn
      color="primary"
      size="large"
      :prepend-icon="mdiBriefcasePlusOutline"
      :disabled="question === null"
      @click="makeJob"
      >Make it a job</v-btn
    >
  </PageHead>
  <main class="page quick-look">
    <form class="asked stack" @submit.prevent>
      <v-text-field
        v-for="{ name, label, example } in TEXTS"
        :key="name"
        :model-value="texts[name]"
        :label="label"
        :placeholder="example"
        :error-messages="refusal(name) ? [refusal(name)] : []"
        v-first="name === 'fitted'"
        autocomplete="off"
        spellcheck="false"
        class="figures setup"
        :data-testid="`quick-${name}`"
        @update:model-value="(text: string | null) => set({ [name]: text ?? '' })"
      />
      <div class="pair">
        <v-text-field
          :model-value="texts.lift"
          label="Lift at the wheel"
          placeholder="none"
          :error-messages="refusal('lift') ? [refusal('lift')] : []"
          autocomplete="off"
          class="figures"
          @update:model-value="(text: string | null) => set({ lift: text ?? '' })"
        />
        <v-btn-toggle
          :model-value="texts.units"
          mandatory
          aria-label="A bare number is in"
          @update:model-value="setUnits"
        >
          <v-btn v-for="unit in LENGTH_UNITS" :key="unit" :value="unit" height="48">{{ unit }}</v-btn>
        </v-btn-toggle>
        <v-btn-toggle :model-value="texts.axle" mandatory aria-label="Axle" @update:model-value="setAxle">
          <v-btn v-for="axle in AXLES" :key="axle" :value="axle" height="48">{{ AXLE_WORDS[axle] }}</v-btn>
        </v-btn-toggle>
      </div>
      <PictureChoice
        label="Kind of vehicle"
        :choices="kinds"
        :chosen="chosenKind"
        @choose="(kind) => set({ vehicle: kind ?? '' })"
      >
        <template #default="{ value }"><VehicleSilhouette :kind="value" /></template>
      </PictureChoice>
      <PictureChoice
        label="Suspension at that axle"
        :choices="suspensions"
        :chosen="chosenSuspension"
        @choose="(type) => set({ suspension: type ?? '' })"
      >
        <template #default="{ value }"><SuspensionSketch :type="value" /></template>
      </PictureChoice>
      <p v-for="p in problems" :key="p.path + p.code" class="verdict-rubs" role="alert">{{ problemText(p) }}</p>
      <p v-if="copied" role="status" class="small link">{{ copied }}</p>
    </form>

    <QuickDrawing v-if="look" :look="look" :units="texts.units" class="drawn" :data-old="isOld || undefined" />
    <section class="answer stack" :data-old="(isOld && look !== null) || undefined" aria-label="What it comes to">
      <p v-if="!look" class="empty">
        Type both setups as they are said, <span class="figures">{{ TEXTS[0].example }}</span>, and it shows what
        changes and where today’s tire must have room. Backspacing (<span class="figures">4 1/2 bs</span>) and spacers
        are read too.
      </p>
      <template v-else>
        <div class="only-print">
          <h2>Now {{ texts.fitted }}; wanted {{ texts.wanted }}{{ texts.lift ? `; lift ${texts.lift}` : '' }}</h2>
        </div>
        <dl class="figures changes" data-testid="quick-changes">
          <div v-for="{ what, says } in lines" :key="what">
            <dt>{{ what }}</dt>
            <dd>{{ says }}</dd>
          </div>
        </dl>
        <section class="stack close" aria-labelledby="places-title">
          <h2 id="places-title" class="panel-title">Today’s tire must have at least this much room</h2>
          <p class="small muted">
            {{ texts.axle === 'front' ? 'Front' : 'Rear' }} wheel on the right side, facing it: 12 is up, 3 toward the
            front. As it stands on the ground, square to the tire. The filled part is the least, the open one what
            locks, travel and suspension may ask more.
          </p>
          <QuickPlaces
            :places="look.places"
            :answers="texts.answers"
            :units="texts.units"
            :suspensions="looked"
            :rooms="likely?.rooms ?? {}"
            :problem-at="problemAt"
            @answer="answer"
          />
          <p v-if="together" class="together" role="status" data-testid="quick-together">{{ together }}</p>
        </section>
        <p v-if="likely?.chance != null" data-testid="quick-likely">
          {{ likelyWords(likely, question?.vehicle ?? null) }}
        </p>
        <p class="small" data-testid="quick-record">
          <template v-if="recordUnreachable">The server does not answer: the shop’s record is not known.</template>
          <template v-else-if="record">{{ recordWords(record, question?.vehicle ?? null) }}</template>
          <template v-if="record?.short.length">
            What stopped it:
            {{
              record.short.map(({ label, count }) => `${shortLabel({ label }).toLowerCase()} (${count})`).join(', ')
            }}.
          </template>
        </p>
        <p class="small muted">
          A first word over the counter. What is fitted in the end is decided by a survey of this vehicle, its maker and
          the local rules for poke, covering and speedometers.
        </p>
        <p class="only-print small">At 100 % this is 50 mm: <span class="check"></span></p>
      </template>
    </section>
  </main>
</template>

<style scoped>
.quick-look {
  display: grid;
  grid-template: 'asked answer' auto 'drawn answer' 1fr / minmax(320px, 370px) minmax(0, 1fr);
  gap: 10px 26px;
  align-items: start;
}
.asked {
  grid-area: asked;
}
.drawn {
  grid-area: drawn;
}
.answer {
  grid-area: answer;
}
.setup :deep(input.v-field__input) {
  font-size: 19px;
  font-weight: 600;
}
.pair {
  display: flex;
  gap: 8px;
  align-items: start;
}
.pair > .v-text-field {
  flex: 1 1 130px;
}
.pair .v-btn {
  min-width: 46px;
  padding-inline: 10px;
}
.link {
  overflow-wrap: anywhere;
}
.changes {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(340px, 100%), 1fr));
  gap: 0 22px;
}
.changes > div {
  display: grid;
  grid-template-columns: 106px minmax(0, 1fr);
  gap: 8px;
  padding: 3px 0;
  border-top: 1px solid var(--rule);
  font-size: 16px;
  line-height: 21px;
}
.changes dt {
  color: var(--muted);
}
.changes dd {
  font-weight: 600;
}
.together {
  font-size: 18px;
  font-weight: 600;
}
.check {
  display: inline-block;
  width: 50mm;
  border-bottom: 2px solid #000;
}
@media (max-width: 900px) {
  .quick-look {
    grid-template: 'asked' auto 'answer' auto 'drawn' auto / minmax(0, 1fr);
  }
  .pair {
    flex-wrap: wrap;
  }
}
@media print {
  .quick-look {
    display: flex;
    flex-direction: column;
    align-items: stretch;
  }
  .drawn {
    order: 1;
  }
  .asked {
    display: none;
  }
}
</style>
