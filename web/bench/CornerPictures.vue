<script setup lang="ts">
import { computed, defineAsyncComponent, ref, shallowRef, toRef, watch } from 'vue';
import { asCase } from '@/contracts/as-case';
import type { LowgapFile, LowgapSetup } from '@/contracts/lowgap-file';
import { problemText } from '../problem-words';
import { setupForCorner, enteredSetupFor } from '@/core/4-clearance/case/case-description';
import type { CornerDescription } from '@/core/3-survey/description/corner-description';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { ObstacleVerdict } from '@/core/4-clearance/verdict/evaluate';
import type { PlaneWindow } from '@/core/4-clearance/pictures/plane-raster';
import type { PreparedCorner } from '@/core/4-clearance/case/prepared-corner';
import { prepareRotor } from '@/core/2-vehicle/setup/rotor';
import { attempt } from '@/core/1-base/problem';
import { formatMm } from '@/core/1-base/units/length';
import { insideWindow, sectionWindow } from '../drawing/plane-windows';
import { touchSection } from '@/core/4-clearance/pictures/touch-section';
import { sceneWindow, wellScene } from '../drawing/well-scene';
import { useJobStore } from '../stores/job';
import { BENCH_VIEW_NAMES, BENCH_VIEWS, useBenchView } from './bench-view';
import ClearSectionView from './ClearSectionView.vue';
import PostureBar from './PostureBar.vue';
import PostureMapView from './PostureMapView.vue';
import { startingSetup } from '../stores/starting-setup';
import TouchView from './TouchView.vue';
import { trySetup } from './try-setup';
import { usePictures, type PicturesWanted } from './use-pictures';
import { usePosture } from './use-posture';
import WellView from './WellView.vue';

/** The bench's linked pictures of one corner: a pick or a posture in one is seen in all. */
const props = defineProps<{
  file: LowgapFile;
  cornerKey: CornerKey;
  corner: CornerDescription;
  prepared: PreparedCorner;
  verdicts: readonly ObstacleVerdict[];
  picked: ObstacleVerdict | null;
}>();
const emit = defineEmits<{ pick: [id: string] }>();

const WellScene3d = defineAsyncComponent(() => import('../scene/WellScene3d.vue'));

const job = useJobStore();
const view = useBenchView();
const showSwept = ref(false);
const no3d = ref(false);

const prepared = computed(() => props.prepared);
const picked = computed(() => props.picked);
const { looked, free, playing, look, worst } = usePosture(prepared, picked);

const fitted = computed(() => prepareRotor(props.corner.fitted, 'fitted'));
/** What the hand holds: the newest setup, though its verdict may still be on the way. */
const held = computed(() => {
  const file = job.document;
  if (!file?.corners[props.cornerKey]) return prepared.value.rotor;
  const setup = setupForCorner(asCase(file), props.cornerKey);
  const made = attempt(() => prepareRotor(setup, 'setup', setup.allowances));
  return made.ok ? made.value : prepared.value.rotor;
});
const rotors = computed(() => [held.value, fitted.value]);
/** The window stays while the hand is on the section. */
const heldWindow = shallowRef<PlaneWindow | null>(null);
const window = computed(
  () => heldWindow.value ?? (view.value === 'inside' ? insideWindow : sectionWindow)(rotors.value),
);

const wanted = computed<PicturesWanted>(() => ({
  keepOut: view.value === 'section' || view.value === 'inside' ? window.value : null,
  map: view.value === 'map',
  swept: view.value === 'space' || (view.value === 'well' && showSwept.value),
}));
const { keepOut, map, swept, problems, pending } = usePictures(
  // Of the newest numbers, beside the verdict on them; only the first verdict waits for no picture.
  computed(() => (job.answered === null ? null : job.document)),
  toRef(props, 'cornerKey'),
  wanted,
);

const scene = computed(() =>
  view.value === 'well' ? wellScene(prepared.value, props.corner, props.verdicts, looked.value!) : null,
);
const wellWindow = computed(() => (scene.value ? sceneWindow(scene.value) : null));
/** The left column holds the views with y across, the right one the view with x across. */
const columns = computed(() => {
  if (!wellWindow.value) return '1fr 1fr';
  const { x, y } = wellWindow.value;
  return `${y[1] - y[0]}fr ${x[1] - x[0]}fr`;
});
const touch = computed(() => {
  const { posture, met } = looked.value!;
  return met ? touchSection(prepared.value, props.corner, { posture, met }) : null;
});

const labelOf = (id: string): string => props.corner.obstacles.find((o) => o.id === id)?.label ?? id;
const metGap = computed(() => {
  const met = looked.value?.met;
  return met ? { label: labelOf(met.id), gapMm: met.gapMm } : null;
});
const studs = computed(() => job.evaluation?.studPockets.find(({ corner }) => corner === props.cornerKey) ?? null);

const tried = computed(() => setupForCorner(asCase(props.file), props.cornerKey));
const boltOn = computed(() => tried.value.spacerType === 'boltOn' && tried.value.spacerMm > 0);
const pocketMm = computed(() => tried.value.wheel.studPocketMm ?? null);

function drag(change: (setup: LowgapSetup) => LowgapSetup, gesture: string | null): void {
  job.changeSetup((file) => {
    file.setup ??= startingSetup(file);
    const before = enteredSetupFor(asCase(file), props.cornerKey) as LowgapSetup;
    trySetup(file, props.cornerKey, before, change(structuredClone(before)));
  }, gesture);
}
const setOffset = (mm: number, gesture: string | null): void =>
  drag((setup) => {
    const { backspacingMm: _, backspacingSchool: __, ...wheel } = setup.wheel;
    return { ...setup, wheel: { ...wheel, offsetMm: mm } };
  }, gesture);
const setDiameter = (mm: number, gesture: string | null): void =>
  drag((setup) => ({ ...setup, tire: { ...setup.tire, measuredDiameterMm: mm } }), gesture);
const setWidth = (mm: number, gesture: string | null): void =>
  drag((setup) => ({ ...setup, tire: { ...setup.tire, measuredWidthMm: mm } }), gesture);

watch(view, () => (playing.value = false));
const problem = computed(() => (problems.value[0] ? problemText(problems.value[0]) : null));
</script>

<template>
  <section class="panel box close" aria-label="The well, to scale">
    <div class="tabs" role="tablist" aria-label="Pictures of this corner">
      <button
        v-for="one in BENCH_VIEWS"
        :key="one"
        type="button"
        role="tab"
        class="tab"
        :aria-selected="view === one"
        :data-testid="`view-${one}`"
        @click="view = one"
      >
        {{ BENCH_VIEW_NAMES[one] }}
      </button>
    </div>

    <p v-if="problem" class="verdict-rubs" role="alert">{{ problem }}</p>

    <PostureBar
      v-if="view !== 'section' && view !== 'inside'"
      :prepared="prepared"
      :looked="looked!.posture"
      :free="free"
      :playing="playing"
      :gap="metGap"
      @look="look"
      @worst="worst"
      @play="playing = !playing"
    />

    <ClearSectionView
      v-if="view === 'section' || view === 'inside'"
      :key="view"
      :drawing="keepOut"
      :pending="pending.keepOut"
      :prepared="prepared"
      :rotor="held"
      :corner="corner"
      :window="keepOut && pending.keepOut ? keepOut.window : window"
      :verdicts="verdicts"
      :picked="picked"
      :touch="touch"
      :inside="view === 'inside'"
      @pick="emit('pick', $event)"
      @offset="setOffset"
      @diameter="setDiameter"
      @width="setWidth"
      @hold="heldWindow = $event ? window : null"
    />
    <p v-if="view === 'inside'" class="studs" data-testid="stud-pocket">
      <template v-if="studs && pocketMm !== null">
        Stud ends stand {{ formatMm(studs.protrusionMm) }} mm beyond the spacer, the pockets are
        {{ formatMm(pocketMm) }} mm deep:
        <strong>{{
          studs.gapMm < 0
            ? `${formatMm(-studs.gapMm)} mm too long, the wheel will not seat`
            : `${formatMm(studs.gapMm)} mm to spare`
        }}</strong>.
      </template>
      <template v-else-if="boltOn">
        A bolt-on spacer leaves the vehicle's stud ends in the wheel's pockets. Measure how far the studs stand out
        (Baseline) and how deep the pockets are (beside the spacer): until then nobody knows whether the wheel seats.
      </template>
      <template v-else>No bolt-on spacer is tried, so no stud ends in a pocket of the wheel.</template>
    </p>

    <template v-if="view === 'well' && scene && wellWindow">
      <div class="grid" :style="{ '--columns': columns }">
        <WellView
          view="above"
          title="From above"
          :scene="scene"
          :window="wellWindow"
          :looked="looked!.posture"
          :swept="showSwept ? swept : null"
          @pick="emit('pick', $event)"
          @look="look"
        />
        <TouchView v-if="touch && picked" :section="touch" :picked="picked" :gap-mm="looked!.met!.gapMm" />
        <p v-else class="empty">
          Nothing near this tire has been surveyed yet. Each reading taken in the Survey appears here.
        </p>
        <WellView
          v-for="one in ['front', 'side'] as const"
          :key="one"
          :view="one"
          :title="one === 'front' ? 'From the front' : 'From outside'"
          :scene="scene"
          :window="wellWindow"
          :looked="looked!.posture"
          :swept="showSwept ? swept : null"
          @pick="emit('pick', $event)"
          @look="look"
        />
      </div>
      <p class="legend muted">
        <span class="swatch tried" /> tried: take hold of it to steer or lift <span class="swatch fitted" /> fitted,
        parked
        <label class="swept-box"><input v-model="showSwept" type="checkbox" /> all it sweeps</label>
      </p>
    </template>

    <PostureMapView
      v-if="view === 'map'"
      :map="map"
      :pending="pending.map"
      :picked="picked"
      :looked="looked!.posture"
      :label-of="labelOf"
      @look="look"
    />

    <template v-if="view === 'space'">
      <p v-if="no3d" class="empty" data-testid="no-3d">
        This browser has no WebGL, so nothing can be drawn in space. The clear section and the well views say the same,
        to scale.
        <v-btn height="48" variant="outlined" @click="view = 'well'">To the well views</v-btn>
      </p>
      <WellScene3d
        v-else
        :prepared="prepared"
        :corner="corner"
        :looked="looked!"
        :swept="swept"
        :verdicts="verdicts"
        :label-of="labelOf"
        @pick="emit('pick', $event)"
        @absent="no3d = true"
      />
    </template>
  </section>
</template>

<style scoped>
.tabs {
  display: flex;
  flex-wrap: wrap;
  border-bottom: 1px solid var(--rule);
}
.tab:not(.v-btn) {
  flex: 1 0 auto;
  min-height: 48px;
  padding: 0 8px;
  font-size: 16px;
  border-bottom: 4px solid transparent;
}
.tab[aria-selected='true'] {
  border-bottom-color: var(--accent);
  font-weight: 600;
}
.grid {
  display: grid;
  grid-template-columns: var(--columns);
  gap: 4px 12px;
  max-width: 480px;
  width: 100%;
  margin: 0 auto;
}
.swatch {
  display: inline-block;
  width: 26px;
  height: 0;
  border-top: 3px solid var(--accent);
  vertical-align: middle;
  margin: 0 4px 0 8px;
}
.swatch.fitted {
  border-top: 3px dashed var(--ghost);
}
.swept-box {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  min-height: 48px;
  margin-left: 12px;
}
.swept-box input {
  width: 22px;
  height: 22px;
  accent-color: var(--accent);
}
@media (max-width: 760px) {
  .tabs {
    flex-wrap: nowrap;
    overflow-x: auto;
  }
  .grid {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
