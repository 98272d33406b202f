<script setup lang="ts">
import { mdiCameraPlusOutline, mdiDeleteOutline } from '@mdi/js';
import { computed, nextTick, ref, shallowRef } from 'vue';
import type { LowgapCorner } from '@/contracts/lowgap-file';
import type { WheelPhotoEntry } from '@/contracts/wheel-photo-schema';
import { LIMITS } from '@/core/1-base/limits';
import type { Problem } from '@/core/1-base/problem';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import QuantityField from '../../kit/QuantityField.vue';
import { problemText } from '../../problem-words';
import { useJobStore } from '../../stores/job';
import TapeGuides from '../../help/TapeGuides.vue';
import PhotoMarks from './PhotoMarks.vue';
import PhotoSays from './PhotoSays.vue';
import { marksOf, STAGE_NAMES, stageAsks, STAGES, type Stage } from './photo-state';
import { usePhotoMarking } from './use-photo-marking';
import { lookAtEdge, takePicture } from './take-picture';

/** A picture of the wheel measures: rim, hub and tire say where it was taken from, and edges are traced on it. */
const props = defineProps<{ cornerKey: CornerKey; corner: LowgapCorner }>();
const emit = defineEmits<{ walk: []; thing: [id: string] }>();

const job = useJobStore();
const photos = computed(() => props.corner.photos ?? []);
const openId = ref<string | null>(null);
const index = computed(() => {
  const at = photos.value.findIndex(({ photoId }) => photoId === openId.value);
  return at < 0 ? 0 : at;
});
const photo = computed<WheelPhotoEntry | undefined>(() => photos.value[index.value]);
const said = computed(() => {
  const found = job.evaluation?.photos.find(
    ({ corner, photoId }) => corner === props.cornerKey && photoId === photo.value?.photoId,
  );
  return found ?? null;
});
const shown = computed(() => (said.value?.status === 'read' ? said.value : null));

const { stage, tracing, traceable, tracingName, marks, others, change, mark, move, remove, to, goOn } = usePhotoMarking(
  props,
  photo,
  {
    begun: (id) => emit('thing', id),
    marked: (at, gesture) => (at === 'hub' || at === 'rim') && void nextTick(() => lookAgain(gesture)),
  },
);
const off = computed(() =>
  stage.value === 'rim'
    ? (shown.value?.rimOff ?? [])
    : stage.value === 'outline'
      ? (shown.value?.outlineOff ?? [])
      : [],
);

/** The picture's own pixels, once it is there. */
let image: HTMLImageElement | null = null;
const loaded = (picture: HTMLImageElement): void => void (image = picture);
function lookAgain(gesture: string): void {
  const one = photo.value;
  if (!image || !one?.hub || one.rim.length === 0) return;
  const seen = lookAtEdge(image, one.hub, one.rim);
  if (!seen) return;
  change((entry) => {
    const { edgeRisePx: _, ...rest } = entry;
    return { ...rest, edgeShare: seen.share, ...(seen.risePx === null ? {} : { edgeRisePx: seen.risePx }) };
  }, gesture);
}

const busy = ref(false);
const problems = shallowRef<readonly Problem[]>([]);
const picker = ref<HTMLInputElement>();
async function take(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  input.value = '';
  if (!file) return;
  busy.value = true;
  const taken = await takePicture(job.id, file);
  busy.value = false;
  problems.value = taken.ok ? [] : taken.problems;
  if (!taken.ok) return;
  job.change((document) => {
    const corner = document.corners[props.cornerKey];
    if (!corner) return;
    const made: WheelPhotoEntry = { ...taken.value, steer: 'straight', travelMm: 0, rim: [], outline: [], traces: [] };
    corner.photos = [...(corner.photos ?? []), made];
  });
  openId.value = taken.value.photoId;
}
function removePhoto(): void {
  const id = photo.value?.photoId;
  job.change((file) => {
    const corner = file.corners[props.cornerKey];
    if (corner?.photos) corner.photos = corner.photos.filter(({ photoId }) => photoId !== id);
  });
}
const setSteer = (steer: WheelPhotoEntry['steer']): void => change((one) => ({ ...one, steer }));
/** A length told of the picture, as it was typed; none: at ride height, or by the rim's size. */
function setLength(field: 'hubToLipMm' | 'rimEdgeMm', mm: number | undefined, text: string | undefined): void {
  change((one) => {
    const { [field]: _, typed, ...rest } = one;
    const { [field]: __, ...others } = typed ?? {};
    const kept = text === undefined || mm === undefined ? others : { ...others, [field]: text };
    const next: WheelPhotoEntry = { ...rest, ...(mm === undefined ? {} : { [field]: mm }) };
    if (Object.keys(kept).length > 0) next.typed = kept;
    if (next.hubToLipMm === undefined) next.travelMm = 0;
    else delete next.travelMm;
    return next;
  });
}
const countOf = (each: Stage): number =>
  photo.value ? (each === 'trace' ? photo.value.traces.length : marksOf(photo.value, each, null).length) : 0;
const surveyed = computed(() =>
  (job.evaluation?.surveyed ?? []).filter(
    (found) => found.corner === props.cornerKey && photo.value?.traces.some(({ of }) => of === found.id),
  ),
);
const MOST_PHOTOS = 6;
</script>

<template>
  <div class="stack" data-testid="photo-panel">
    <p v-if="!photos.length" class="muted">
      One picture of the wheel from outside, about square to it, from two steps away, wheel and arch whole and sharp. A
      second one from another side, higher or lower, says how far out everything stands. What is traced on them counts
      like readings; behind the tire the tape is still needed.
    </p>
    <div class="row keys">
      <button
        v-for="(one, i) in photos"
        :key="one.photoId"
        type="button"
        class="thumb"
        :aria-label="`Picture ${i + 1}`"
        :aria-pressed="i === index"
        @click="openId = one.photoId"
      >
        <img :src="`/api/photos/${one.photoId}`" alt="" />
      </button>
      <v-btn
        v-if="photos.length < MOST_PHOTOS"
        height="48"
        :variant="photos.length ? 'outlined' : 'flat'"
        :color="photos.length ? undefined : 'primary'"
        :loading="busy"
        :prepend-icon="mdiCameraPlusOutline"
        @click="picker?.click()"
        >{{ photos.length ? 'Another picture' : 'Take a picture' }}</v-btn
      >
      <input
        ref="picker"
        type="file"
        accept="image/*"
        capture="environment"
        hidden
        data-testid="wheel-photo-file"
        @change="take"
      />
    </div>
    <div v-if="problems.length" class="verdict-rubs" role="alert" data-testid="wheel-photo-problems">
      <div v-for="p in problems" :key="p.path + p.code">{{ problemText(p) }}</div>
    </div>
    <div v-if="photo" class="desk">
      <div class="picture">
        <PhotoMarks
          :key="photo.photoId"
          :href="`/api/photos/${photo.photoId}`"
          :width-px="photo.widthPx"
          :height-px="photo.heightPx"
          :label="STAGE_NAMES[stage]"
          :marks="marks"
          :off="off"
          :others="others"
          :shown="shown"
          :tracing="tracing"
          @mark="mark"
          @move="move"
          @remove="remove"
          @loaded="loaded"
        />
      </div>
      <div class="told stack">
        <div class="stages" role="group" aria-label="What is marked">
          <v-btn
            v-for="each in STAGES"
            :key="each"
            height="48"
            :variant="each === stage ? 'flat' : 'outlined'"
            :color="each === stage ? 'primary' : undefined"
            :aria-pressed="each === stage"
            @click="to(each)"
            >{{ STAGE_NAMES[each] }}<template v-if="countOf(each)"> ({{ countOf(each) }})</template></v-btn
          >
        </div>
        <v-select
          v-if="stage === 'trace'"
          v-model="tracing"
          :items="traceable"
          item-value="id"
          item-title="label"
          label="What is traced"
        />
        <p role="status" data-testid="photo-asks">{{ stageAsks(photo, stage, tracingName) }}</p>
        <div class="row keys">
          <v-btn height="48" variant="outlined" :disabled="!marks.length" @click="remove(marks.length - 1)"
            >Take the last mark back</v-btn
          >
          <v-btn v-if="stage === 'plumb'" height="48" variant="outlined" @click="goOn('plumb')"
            >Nothing plumb on it</v-btn
          >
        </div>
        <PhotoSays v-if="said" :said="said" :corner="corner" :surveyed="surveyed" />
        <v-btn v-if="photo.traces.length" height="52" color="primary" @click="emit('walk')">On with the tape</v-btn>
        <h3 class="held">When it was taken</h3>
        <v-btn-toggle
          :model-value="photo.steer"
          mandatory
          aria-label="Steering when it was taken"
          @update:model-value="setSteer"
        >
          <v-btn value="left" height="48">Full left</v-btn>
          <v-btn value="straight" height="48">Straight</v-btn>
          <v-btn value="right" height="48">Full right</v-btn>
        </v-btn-toggle>
        <QuantityField
          label="Hub to lip then (empty: ride height)"
          :value="photo.hubToLipMm"
          :typed="photo.typed?.['hubToLipMm']"
          :range="LIMITS.hubToLipMm"
          optional
          measured
          @change="(mm, typed) => setLength('hubToLipMm', mm, typed)"
        />
        <QuantityField
          label="Across the rim’s edges, if measured"
          :value="photo.rimEdgeMm"
          :typed="photo.typed?.['rimEdgeMm']"
          :range="LIMITS.rimEdgeMm"
          optional
          measured
          @change="(mm, typed) => setLength('rimEdgeMm', mm, typed)"
        />
        <v-btn height="48" variant="text" :prepend-icon="mdiDeleteOutline" @click="removePhoto"
          >Remove the picture</v-btn
        >
      </div>
    </div>
    <TapeGuides v-else :only="['picture']" />
  </div>
</template>

<style scoped>
.thumb {
  border: 3px solid transparent;
  border-radius: 6px;
  min-height: 48px;
}
.thumb[aria-pressed='true'] {
  border-color: var(--accent);
}
.thumb img {
  height: 48px;
  display: block;
}
.desk {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  gap: 14px;
  align-items: start;
}
.stages {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(88px, 1fr));
  gap: 6px;
}
.held {
  font-size: 16px;
  margin-top: 6px;
}
.told .v-btn-toggle .v-btn {
  flex: 1;
}
@media (max-width: 900px) {
  .desk {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
