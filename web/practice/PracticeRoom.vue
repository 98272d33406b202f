<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, shallowRef } from 'vue';
import { problemText } from '../problem-words';
import type { LeverKind } from '@/core/6-decisions/levers/lever-kinds';
import { missesOfOffset, missesOfTouch } from '@/core/6-decisions/practice/score';
import {
  MISS_KINDS,
  PRACTICE_LEVELS,
  type MissKind,
  type PracticeLevel,
  type PracticeTask,
} from '@/core/6-decisions/practice/task';
import type { Problem } from '@/core/1-base/problem';
import { tireSection } from '@/core/2-vehicle/tire/section';
import { setupLine } from '@/sheets/order-head';
import QuantityField from '../kit/QuantityField.vue';
import PageHead from '../kit/PageHead.vue';
import { bothUnits } from '../../core/1-base/units/length';
import type { PracticeWorker } from '../workers/practice.worker';
import { WorkerLink } from '../workers/worker-link';
import PosturePad from './PosturePad.vue';
import PracticeTruth from './PracticeTruth.vue';
import { keepRecord, readRecord, withMisses } from './practice-record';
import { LEVEL_WORDS, LEVER_NAMES, MISS_WORDS } from './practice-words';
import WellSketch from './WellSketch.vue';

/** An invented corner: what touches first, where, at which steer and travel, by how much? Point, then look. */
const link = new WorkerLink<PracticeWorker>(
  () => new Worker(new URL('../workers/practice.worker.ts', import.meta.url), { type: 'module' }),
);
onBeforeUnmount(() => link.close());

const level = ref<PracticeLevel>('offset');
const task = shallowRef<PracticeTask | null>(null);
const problems = shallowRef<readonly Problem[]>([]);
const busy = ref(false);
const record = ref(readRecord());
const misses = shallowRef<readonly MissKind[] | null>(null);

const thing = ref('');
const steerDeg = ref(0);
const travelMm = ref(0);
const gapMm = ref<number | undefined>(undefined);
const inwardMm = ref<number | undefined>(undefined);
const outwardMm = ref<number | undefined>(undefined);
const lever = ref<LeverKind | null>(null);
const pointed = ref(false);

async function next(): Promise<void> {
  busy.value = true;
  task.value = null;
  misses.value = null;
  thing.value = '';
  steerDeg.value = 0;
  travelMm.value = 0;
  pointed.value = false;
  gapMm.value = inwardMm.value = outwardMm.value = undefined;
  lever.value = null;
  const asked = level.value;
  const made = await link.ask(({ remote }) => remote.make(asked, 1 + Math.floor(Math.random() * 100_000)));
  busy.value = false;
  if (!made) return;
  problems.value = made.ok ? [] : made.problems;
  if (made.ok) task.value = made.value;
}
onMounted(next);
function setLevel(to: PracticeLevel): void {
  level.value = to;
  void next();
}
const lacks = computed(() => {
  const asked = task.value;
  if (!asked) return ['a task'];
  if (asked.level === 'offset') {
    return [
      ...(inwardMm.value === undefined ? ['how far in'] : []),
      ...(outwardMm.value === undefined ? ['how far out'] : []),
    ];
  }
  return [
    ...(thing.value ? [] : ['the part']),
    ...(pointed.value ? [] : ['the steer and travel']),
    ...(gapMm.value === undefined ? ['the gap'] : []),
  ];
});
function answer(): void {
  const asked = task.value;
  if (!asked || lacks.value.length || misses.value) return;
  misses.value =
    asked.level === 'offset'
      ? missesOfOffset(asked, { inwardMm: inwardMm.value!, outwardMm: outwardMm.value! })
      : missesOfTouch(asked, {
          thing: thing.value,
          steerDeg: steerDeg.value,
          travelMm: travelMm.value,
          gapMm: gapMm.value!,
          ...(lever.value ? { lever: lever.value } : {}),
        });
  record.value = withMisses(record.value, misses.value);
  keepRecord(record.value);
}
const touch = computed(() => (task.value && task.value.level !== 'offset' ? task.value : null));
const offset = computed(() => (task.value?.level === 'offset' ? task.value : null));
const tire = computed(() => {
  const setup = touch.value?.setup;
  if (!setup) return { diameterMm: 800, widthMm: 250, centrePlaneMm: 0 };
  const { diameterMm, widthMm } = tireSection(setup.tire, setup.wheel.widthIn);
  return { diameterMm, widthMm, centrePlaneMm: setup.spacerMm - (setup.wheel.offsetMm ?? 0) };
});
const pad = computed(() => {
  const asked = touch.value;
  const corner = asked?.corner;
  return corner
    ? {
        leftDeg: corner.steering?.lockLeftDeg ?? 0,
        rightDeg: corner.steering?.lockRightDeg ?? 0,
        bumpMm: corner.travel.bumpMm,
        droopMm: corner.travel.droopMm,
        parkedMm: -asked.setup.suspensionLiftMm,
      }
    : null;
});
const GAP = { min: -200, max: 400, unit: 'mm' };
const isRight = computed(() => misses.value?.length === 0);
</script>

<template>
  <PageHead title="Practice" says="An invented corner; point first, then the engine shows it" />
  <main class="page stack practice">
    <v-btn-toggle :model-value="level" mandatory aria-label="Level" @update:model-value="setLevel">
      <v-btn v-for="l in PRACTICE_LEVELS" :key="l" :value="l" height="48">{{ LEVEL_WORDS[l] }}</v-btn>
    </v-btn-toggle>
    <p v-if="busy" class="panel box muted" role="status">A corner is being made up …</p>
    <p v-for="p in problems" :key="p.path" class="panel box verdict-rubs" role="alert">{{ problemText(p) }}</p>
    <section v-if="offset" class="panel box" aria-label="Task">
      <p>
        On it now: <strong>{{ setupLine(offset.from) }}</strong>. Tried: <strong>{{ setupLine(offset.to) }}</strong>.
      </p>
      <p>How much further in does the inner sidewall stand, and how much further out the outer one? Less is minus.</p>
      <div class="row numbers">
        <QuantityField
          label="Inner sidewall, further in"
          :value="inwardMm"
          :range="GAP"
          optional
          @change="(mm) => (inwardMm = mm)"
        />
        <QuantityField
          label="Outer sidewall, further out"
          :value="outwardMm"
          :range="GAP"
          optional
          @change="(mm) => (outwardMm = mm)"
        />
      </div>
    </section>
    <section v-if="touch && pad" class="panel box" aria-label="Task">
      <p>
        Front left, <strong>{{ setupLine(touch.setup) }}</strong>{{
          touch.setup.suspensionLiftMm ? `, ${bothUnits(touch.setup.suspensionLiftMm)} of lift on the springs` : ''
        }}. Everything the stops allow. <strong>What comes nearest, at which steer and travel, and how near?</strong>
      </p>
      <div class="point">
        <WellSketch
          :things="touch.things"
          :tire-diameter-mm="tire.diameterMm"
          :tire-width-mm="tire.widthMm"
          :centre-plane-mm="tire.centrePlaneMm"
          :chosen="thing"
          :answer="misses ? touch.answer.id : null"
          @choose="(id) => !misses && (thing = id)"
        />
        <PosturePad
          v-bind="pad"
          :steer-deg="steerDeg"
          :travel-mm="travelMm"
          :pointed="pointed"
          :answer="misses ? touch.answer : null"
          @point="
            (steer, travel) => {
              if (misses) return;
              steerDeg = steer;
              travelMm = travel;
              pointed = true;
            }
          "
        />
      </div>
      <div class="row numbers">
        <QuantityField
          label="Least gap, minus for overlap"
          :value="gapMm"
          :range="GAP"
          optional
          @change="(mm) => (gapMm = mm)"
        />
        <v-btn-toggle v-if="touch.levers.length" v-model="lever" aria-label="What clears it" class="levers">
          <v-btn v-for="l in touch.levers" :key="l.kind" :value="l.kind" height="48">{{
            LEVER_NAMES[l.kind] ?? l.kind
          }}</v-btn>
        </v-btn-toggle>
      </div>
      <p v-if="touch.levers.length" class="muted">
        Which one of these, alone, clears it by the never-rub standard? Leave it where none does.
      </p>
    </section>
    <section v-if="task" class="panel box" aria-label="Answer">
      <div class="row numbers">
        <v-btn v-if="!misses" height="48" color="primary" :disabled="lacks.length > 0" @click="answer">Show it</v-btn>
        <span v-if="!misses && lacks.length" class="muted">Still to say: {{ lacks.join(', ') }}.</span>
        <v-btn v-if="misses" height="48" color="primary" @click="next">Another one</v-btn>
      </div>
      <p v-if="misses" :class="isRight ? 'verdict-clear' : 'verdict-rubs'" role="status" data-testid="practice-says">
        {{ isRight ? 'Right.' : `Missed: ${misses.map((kind) => MISS_WORDS[kind]).join(', ')}.` }}
      </p>
      <PracticeTruth v-if="misses" :task="task" />
    </section>
    <section class="panel box" aria-label="Own record">
      <p data-testid="practice-record">
        {{ record.asked }} tasks, {{ record.right }} right.
        <template v-if="record.asked > record.right">
          Missed:
          {{
            MISS_KINDS.filter((kind) => record.missed[kind])
              .map((kind) => `${MISS_WORDS[kind]} ${record.missed[kind]}`)
              .join(', ')
          }}.
        </template>
        <span class="muted">Kept in this browser.</span>
      </p>
    </section>
  </main>
</template>

<style scoped>
.practice {
  justify-items: start;
}
.practice > section,
.practice > p {
  width: 100%;
}
.point {
  display: grid;
  grid-template-columns: minmax(0, 2.2fr) minmax(0, 1fr);
  gap: 12px;
}
.numbers :deep(.quantity) {
  flex: 0 1 260px;
}
@media (max-width: 900px) {
  .point {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
