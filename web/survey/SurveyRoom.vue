<script setup lang="ts">
import { mdiDeleteOutline, mdiPencilOutline } from '@mdi/js';
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue';
import type { LowgapObstacle, LowgapReading } from '@/contracts/lowgap-file';
import { sideOf } from '@/core/2-vehicle/setup/corner-key';
import { attempt } from '@/core/1-base/problem';
import { prepareRotor } from '@/core/2-vehicle/setup/rotor';
import { useCurrentCorner } from '../job/current-corner';
import { EDGE_NAMES } from '../words';
import { bothUnits } from '../../core/1-base/units/length';
import { useJobStore } from '../stores/job';
import type { EdgeKind } from '@/core/3-survey/description/edge-kind';
import AcrossSketch from './AcrossSketch.vue';
import ClockHelp from './ClockHelp.vue';
import ObstacleList from './ObstacleList.vue';
import ObstacleForm from './ObstacleForm.vue';
import ReadingEntry from './ReadingEntry.vue';
import ReadingTable from './ReadingTable.vue';
import RubList from './RubList.vue';
import PhotoPanel from './photo/PhotoPanel.vue';
import ScanPanel from './ScanPanel.vue';
import SurveyWalk from './SurveyWalk.vue';
import TodayPanel from './TodayPanel.vue';
import SurveyPicture from './SurveyPicture.vue';
import { isBorrowed, withCheck } from './borrowed';
import PositionEntry from './PositionEntry.vue';
import { numbersLeft, openSteps, type Asked } from './walk-state';
import DialogBox from '../kit/DialogBox.vue';

const job = useJobStore();
const key = useCurrentCorner();
const corner = computed(() => job.document?.corners[key.value]);
const chosenId = ref<string | null>(null);
const clock = ref('12:00');
const helping = ref(false);
const editing = ref<{ obstacle: LowgapObstacle | null } | null>(null);

const obstacle = computed(() => {
  const all = corner.value?.obstacles ?? [];
  return all.find((o) => o.id === chosenId.value) ?? all.find((o) => o.id === job.pick?.id) ?? all[0];
});
const readings = computed(() => obstacle.value?.readings ?? []);
watch(key, () => (chosenId.value = null));

function choose(id: string): void {
  chosenId.value = id;
  job.pick = { corner: key.value, id };
}

/** Changes this corner's list of obstacles. */
function edit(change: (obstacles: LowgapObstacle[]) => LowgapObstacle[]): void {
  job.change((file) => {
    const target = file.corners[key.value];
    if (target) target.obstacles = change(target.obstacles);
  });
}

const editReadings = (change: (readings: LowgapReading[]) => LowgapReading[]): void =>
  edit((all) =>
    all.map((o) => {
      if (o.id !== obstacle.value?.id) return o;
      return { ...o, readings: change(o.readings ?? []) };
    }),
  );

const editObstacle = (change: Partial<LowgapObstacle>): void =>
  edit((all) => all.map((o) => (o.id === obstacle.value?.id ? { ...o, ...change } : o)));

function take(reading: LowgapReading): void {
  if (obstacle.value && isBorrowed(obstacle.value)) {
    const id = obstacle.value.id;
    edit((all) => all.map((o) => (o.id === id ? withCheck(o, reading) : o)));
    return;
  }
  editReadings((all) => [...all, reading]);
}

function addPlace(point: [number, number, number]): void {
  const points = obstacle.value?.shape?.points ?? [];
  editObstacle({ shape: { type: 'points', points: [...points, point] } });
}

const clearPlaces = (): void => editObstacle({ shape: undefined });

function removeReading(index: number): void {
  const last = readings.value.length === 1 && !obstacle.value?.shape;
  // The engine wants at least one place of every obstacle; one without any waits in the list.
  editReadings((all) => all.filter((_, i) => i !== index));
  if (last) chosenId.value = obstacle.value?.id ?? null;
}

function finishObstacle(changed: LowgapObstacle): void {
  edit((all) =>
    all.some((o) => o.id === changed.id) ? all.map((o) => (o.id === changed.id ? changed : o)) : [...all, changed],
  );
  editing.value = null;
  chosenMode.value = 'free';
  choose(changed.id);
}

/** Whatever names the thing goes with it. */
function removeObstacle(id: string): void {
  job.change((file) => {
    const target = file.corners[key.value];
    if (!target) return;
    target.obstacles = target.obstacles.filter((one) => one.id !== id);
    if (target.pairs) target.pairs = target.pairs.filter(({ a, b }) => a !== id && b !== id);
    if (target.photos) {
      target.photos = target.photos.map((one) => ({ ...one, traces: one.traces.filter(({ of }) => of !== id) }));
    }
  });
}

const disagreeing = computed(() =>
  (job.evaluation?.disagreements ?? []).filter((d) => d.corner === key.value && d.id === obstacle.value?.id),
);

const surveyed = computed(() =>
  job.evaluation?.surveyed.find((found) => found.corner === key.value && found.id === obstacle.value?.id),
);
const things = computed(() =>
  (job.evaluation?.surveyed ?? [])
    .filter((found) => found.corner === key.value)
    .map((found) => {
      const one = corner.value?.obstacles.find(({ id }) => id === found.id);
      const known = { shape: one?.shape && drawable(one.shape) };
      return { id: found.id, label: one?.label ?? found.id, found, known };
    }),
);
/** A scan's points are too many to draw here. */
const drawable = (shape: NonNullable<LowgapObstacle['shape']>) => (shape.type === 'scan' ? undefined : shape);
/** The tire the gaps are read from; a usual one while nothing is known that could be drawn. */
const fitted = computed(() => {
  const now = corner.value?.fitted;
  const found = now && attempt(() => prepareRotor(now, ''));
  return found?.ok ? found.value : prepareRotor(USUAL_FITMENT, '');
});
const picked = ref<number | null>(null);
watch([key, () => obstacle.value?.id], () => (picked.value = null));

const USUAL_FITMENT = {
  tire: { size: '265/70R17' },
  wheel: { diameterIn: 17, widthIn: 8, offsetMm: 0 },
  spacerMm: 0,
} as const;

type Mode = 'walk' | 'photo' | 'free' | 'position' | 'scan';
const MODES: readonly { value: Mode; title: string }[] = [
  { value: 'walk', title: 'Walk' },
  { value: 'photo', title: 'Photo' },
  { value: 'free', title: 'Free' },
  { value: 'position', title: 'Position' },
  { value: 'scan', title: 'Scan' },
];
const chosenMode = ref<Mode | null>(null);
/** Surveyed without the walk, as a job from elsewhere may be. */
const readFreely = computed(() => {
  const readings = (corner.value?.obstacles ?? []).flatMap((o) => o.readings ?? []);
  return readings.length > 0 && readings.every(({ walkStep }) => walkStep === undefined);
});
const mode = computed<Mode>({
  get: () => chosenMode.value ?? (readFreely.value ? 'free' : 'walk'),
  set: (value) => (chosenMode.value = value),
});
const asked = shallowRef<Asked | null>(null);
const lit = computed(() => (mode.value === 'walk' && asked.value?.kind === 'gap' ? asked.value.clock : null));
watch(key, (corner) => (job.studyOf = { corner, obstacle: null }), { immediate: true });
onBeforeUnmount(() => (job.studyOf = null));

function follow(next: Asked | null): void {
  asked.value = next;
  if (next) chosenId.value = corner.value?.obstacles.some(({ id }) => id === next.stop) ? next.stop : chosenId.value;
}

const confirmReading = (index: number): void =>
  editReadings((all) => all.map((reading, i) => (i === index ? { ...reading, confirmed: true } : reading)));

const remaining = computed(() => (corner.value ? numbersLeft(openSteps(corner.value, sideOf(key.value))) : 0));
</script>

<template>
  <p v-if="!corner" class="empty">
    This corner has no baseline yet. The gaps are taken against the fitted tire, so that comes first.
  </p>
  <div v-else class="survey" :class="{ pictured: mode === 'photo' }">
    <ObstacleList
      class="area-list"
      :corner-key="key"
      :corner="corner"
      :chosen="obstacle?.id ?? null"
      @choose="choose"
      @add="editing = { obstacle: null }"
    />

    <section class="panel box area-taken" aria-label="Around the tire">
      <h2 v-if="!obstacle" class="panel-title">Where to hold the tape</h2>
      <div v-else class="taken-head row">
        <h2 class="panel-title">{{ obstacle.label ?? obstacle.id }}</h2>
        <v-btn
          variant="text"
          size="48"
          :icon="mdiPencilOutline"
          aria-label="Change this part"
          title="Change"
          @click="editing = { obstacle }"
        />
        <v-btn
          variant="text"
          size="48"
          :icon="mdiDeleteOutline"
          aria-label="Remove this part"
          title="Remove (undo brings it back)"
          @click="removeObstacle(obstacle.id)"
        />
      </div>
      <TodayPanel :corner-key="key" @look="choose" />
      <SurveyPicture
        v-if="fitted"
        :side="sideOf(key)"
        :section="fitted.section"
        :centre-plane-mm="fitted.centrePlaneMm"
        :things="things"
        :chosen="obstacle?.id ?? null"
        :picked="picked"
        :clock="clock"
        :lit="lit"
        @choose="(at) => (clock = at)"
        @pick="(index) => (picked = index)"
        @thing="choose"
      />
      <AcrossSketch v-if="mode === 'walk' && asked?.kind === 'gap'" :across="asked.across" />
      <p
        v-for="d in disagreeing"
        :key="`${d.first}-${d.second}`"
        class="verdict-close small"
        data-testid="disagreement"
      >
        Readings {{ d.first + 1 }} and {{ d.second + 1 }} are of one place, held alike, and differ by
        {{ bothUnits(d.apartMm) }}: take it once more and remove the wrong one.
      </p>
      <p v-if="obstacle && surveyed && surveyed.toleranceMm !== null" class="small" data-testid="edge-fit">
        {{ EDGE_NAMES[obstacle.readingsAs as EdgeKind] }}: within {{ bothUnits(surveyed.toleranceMm) }} of where its
        readings put it, in 90 % of cases.
      </p>
      <p
        v-else-if="obstacle && surveyed?.readings.some(({ misses }) => misses)"
        class="verdict-rubs small"
        data-testid="edge-missed"
      >
        {{ EDGE_NAMES[obstacle.readingsAs as EdgeKind] }}: the readings in red do not lie on it, so nothing is said of
        how near it is known. Take them again, or say that they stand.
      </p>
      <p
        v-if="obstacle && surveyed?.fitStatus && surveyed.fitStatus !== 'converged'"
        class="verdict-close small"
        data-testid="edge-unsettled"
      >
        The readings of {{ obstacle.label ?? obstacle.id }} did not settle on one edge of this kind: where it is drawn
        is a guess. Take one more reading, or choose another kind of edge.
      </p>
      <ReadingTable
        v-if="obstacle && readings.length"
        :side="sideOf(key)"
        :obstacle="obstacle"
        :surveyed="surveyed"
        :picked="picked"
        @pick="(index) => (picked = index)"
        @remove="removeReading"
        @confirm="confirmReading"
      />
      <p v-if="obstacle && !readings.length" class="muted">
        No reading yet. Tap a clock position, choose the place across the tire, type the gap.
      </p>
      <RubList v-if="obstacle" :obstacle="obstacle" @change="(rubs) => editObstacle({ rubs })" />
    </section>

    <section class="panel box area-entry" aria-label="New reading">
      <v-btn-toggle v-model="mode" mandatory class="modes" aria-label="How readings are taken">
        <v-btn v-for="m in MODES" :key="m.value" :value="m.value" height="48"
          >{{ m.title }}<template v-if="m.value === 'walk' && remaining"> ({{ remaining }})</template></v-btn
        >
      </v-btn-toggle>
      <SurveyWalk v-if="mode === 'walk'" v-model:clock="clock" :corner-key="key" :corner="corner" @ask="follow" />
      <PositionEntry
        v-else-if="mode === 'position' && obstacle"
        :key="obstacle.id"
        :obstacle="obstacle"
        @take="addPlace"
        @clear="clearPlaces"
      />
      <PhotoPanel
        v-else-if="mode === 'photo'"
        :key="key"
        :corner-key="key"
        :corner="corner"
        @walk="chosenMode = 'walk'"
        @thing="choose"
      />
      <ScanPanel v-else-if="mode === 'scan'" :corner-key="key" :corner="corner" />
      <template v-else-if="obstacle">
        <h2 class="panel-title">Next reading: {{ obstacle.label ?? obstacle.id }}</h2>
        <ReadingEntry v-model:clock="clock" :corner-key="key" :corner="corner" :obstacle="obstacle" @take="take" />
      </template>
      <p v-else class="muted">Add what is near the tire first, or take the walk.</p>
      <v-btn v-if="mode !== 'scan' && mode !== 'photo'" variant="text" height="48" @click="helping = true"
        >A finer clock</v-btn
      >
    </section>
  </div>
  <DialogBox
    :model-value="editing !== null"
    label="A part near the tire"
    :width="520"
    @update:model-value="editing = null"
  >
    <ObstacleForm
      v-if="editing && corner"
      :motion="corner.motion"
      :obstacle="editing.obstacle"
      :taken="corner?.obstacles.map((o) => o.id) ?? []"
      @done="finishObstacle"
      @cancel="editing = null"
    />
  </DialogBox>
  <DialogBox v-model="helping" label="A finer clock" :width="480">
    <ClockHelp :side="sideOf(key)" @clock="(at) => ((clock = at), (helping = false))" @close="helping = false" />
  </DialogBox>
</template>

<style scoped>
.survey {
  display: grid;
  grid-template-columns: 250px minmax(0, 1fr) 420px;
  grid-template-areas: 'list taken entry';
  gap: 14px;
  align-items: start;
}
.modes {
  width: 100%;
  height: 48px;
}
.modes .v-btn {
  flex: 1;
}
.area-list {
  grid-area: list;
}
.area-taken {
  grid-area: taken;
}
.area-entry {
  grid-area: entry;
}
/* A picture wants the room; what came of it stands under it. */
.survey.pictured {
  grid-template-columns: 250px minmax(0, 1fr);
  grid-template-areas: 'list entry' '. taken';
}
@media (max-width: 1180px) {
  .survey {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    grid-template-areas: 'taken entry' 'list list';
  }
  .survey.pictured {
    grid-template-columns: minmax(0, 1fr);
    grid-template-areas: 'entry' 'taken' 'list';
  }
}
@media (max-width: 760px) {
  .survey,
  .survey.pictured {
    grid-template-columns: minmax(0, 1fr);
    grid-template-areas: 'entry' 'taken' 'list';
  }
}
</style>
