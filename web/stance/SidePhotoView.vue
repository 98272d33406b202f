<script setup lang="ts">
import { computed, ref } from 'vue';
import type { SidePhotoEntry } from '@/contracts/stance';
import type { DrawnWheel } from '@/core/5-consequences/stance/side-photo';
import { useJobStore } from '../stores/job';
import { CORNER_NAMES } from '../../core/2-vehicle/setup/corner-key';
import { shownWheels, type ShownWheel } from './shown-wheels';

/** The customer's own photo from the side, with the wheels moved and grown as the setup will have them. */
const job = useJobStore();
const photos = computed(() => job.document?.intake?.photos ?? []);
/** A photo taken off the wall since is no longer drawn on. */
const entry = computed<SidePhotoEntry | undefined>(() => {
  const kept = job.document?.stance?.sidePhoto;
  return photos.value.some(({ id }) => id === kept?.photoId) ? kept : undefined;
});
const size = ref({ width: 0, height: 0 });
const then = ref(true);

const MARKS = [
  { axle: 'front', mark: 'hub', says: 'the middle of the front wheel' },
  { axle: 'front', mark: 'tireEdge', says: 'the edge of the front tire, at its side' },
  { axle: 'rear', mark: 'hub', says: 'the middle of the rear wheel' },
  { axle: 'rear', mark: 'tireEdge', says: 'the edge of the rear tire, at its side' },
] as const;
/** Marks of this round; whole wheels alone are kept. */
const marks = ref<{ x: number; y: number }[]>([]);
const marking = computed(() => (marks.value.length < MARKS.length ? MARKS[marks.value.length]! : null));
const isMarked = computed(() => entry.value?.front !== undefined || entry.value?.rear !== undefined);
const again = ref(false);
const asks = computed(() => entry.value !== undefined && (!isMarked.value || again.value));

function choose(photoId: string): void {
  marks.value = [];
  again.value = false;
  job.changeSetup((file) => {
    file.stance = { ...file.stance, sidePhoto: { photoId, side: file.stance?.sidePhoto?.side ?? 'left' } };
  });
}
function setSide(side: 'left' | 'right'): void {
  job.changeSetup((file) => {
    if (file.stance?.sidePhoto) file.stance.sidePhoto.side = side;
  });
}
function mark(event: MouseEvent): void {
  if (!asks.value || !marking.value) return;
  const box = (event.currentTarget as SVGElement).getBoundingClientRect();
  const share = (value: number): number => Math.min(1, Math.max(0, value));
  marks.value.push({
    x: share((event.clientX - box.left) / box.width),
    y: share((event.clientY - box.top) / box.height),
  });
  if (marks.value.length === MARKS.length) keepMarks();
}
function keepMarks(): void {
  const [hub, tireEdge, rearHub, rearEdge] = marks.value.map(({ x, y }) => ({ x, y }));
  job.changeSetup((file) => {
    const photo = file.stance?.sidePhoto;
    if (!photo) return;
    delete photo.front;
    delete photo.rear;
    if (hub && tireEdge) photo.front = { hub, tireEdge };
    if (rearHub && rearEdge) photo.rear = { hub: rearHub, tireEdge: rearEdge };
  });
  marks.value = [];
  again.value = false;
}

const wheels = computed<ShownWheel[]>(() =>
  job.document && entry.value ? shownWheels(job.document, entry.value, size.value) : [],
);
const drawn = computed(() => wheels.value.flatMap(({ key, wheel }) => (wheel ? [{ key, wheel }] : [])));
/** The ground under the vehicle after, through both wheels or level under one. */
const ground = computed(() => {
  const [a, b] = drawn.value;
  if (!a) return null;
  const at = (x: number, pick: 'groundBeforeY' | 'groundAfterY'): number => {
    const [ya, yb] = [a.wheel[pick], b?.wheel[pick] ?? a.wheel[pick]];
    const span = b ? b.wheel.before.centre.x - a.wheel.before.centre.x : 1;
    return ya + ((yb - ya) * (x - a.wheel.before.centre.x)) / (span || 1);
  };
  const line = (pick: 'groundBeforeY' | 'groundAfterY'): string =>
    `M0 ${at(0, pick)}L${size.value.width} ${at(size.value.width, pick)}`;
  return { before: line('groundBeforeY'), after: line('groundAfterY') };
});
const href = computed(() => (entry.value ? `/api/photos/${entry.value.photoId}` : ''));
/** The wheel of the photo, grown about its hub and moved to where it will be. */
const moved = ({ before, after }: DrawnWheel): string => {
  const k = after.radiusPx / before.radiusPx;
  return `translate(${after.centre.x - k * before.centre.x} ${after.centre.y - k * before.centre.y}) scale(${k})`;
};
function measured(event: Event): void {
  const { naturalWidth, naturalHeight } = event.target as HTMLImageElement;
  size.value = { width: naturalWidth, height: naturalHeight };
}
</script>

<template>
  <section class="panel box" aria-label="Side photo">
    <h2 class="panel-title">Before and after, on a photo from the side</h2>
    <p v-if="!photos.length" class="muted">
      No photo yet: take one square to the side, wheels straight, on level ground, and add it under Intake.
    </p>
    <template v-else>
      <div class="keys">
        <div class="row pick" role="group" aria-label="Which photo">
          <button
            v-for="(photo, i) in photos"
            :key="photo.id"
            type="button"
            :aria-label="`Take photo ${i + 1}: ${photo.caption || 'no caption'}`"
            :aria-pressed="photo.id === entry?.photoId"
            @click="choose(photo.id)"
          >
            <img :src="`/api/photos/${photo.id}`" alt="" />
          </button>
        </div>
        <v-btn-toggle
          v-if="entry"
          :model-value="entry.side"
          mandatory
          aria-label="Side of the vehicle"
          @update:model-value="setSide"
        >
          <v-btn value="left" height="48">Left side</v-btn>
          <v-btn value="right" height="48">Right side</v-btn>
        </v-btn-toggle>
        <v-btn v-if="isMarked && !again" height="48" variant="outlined" @click="then = !then">{{
          then ? 'Show as it is' : 'Show as it will be'
        }}</v-btn>
        <v-btn v-if="isMarked && !again" height="48" variant="text" @click="again = true">Mark again</v-btn>
        <v-btn v-if="asks && marks.length === 2" height="48" variant="text" @click="keepMarks"
          >The rear wheel is not on it</v-btn
        >
        <v-btn v-if="marks.length" height="48" variant="text" @click="marks.pop()">Take the last mark back</v-btn>
      </div>
      <p v-if="!entry" class="muted">Choose the photo taken from the side.</p>
      <p v-else-if="asks && marking" role="status" data-testid="photo-asks">
        Touch {{ marking.says }}. Its own tire gives the scale.
      </p>
      <p v-for="w in wheels" :key="w.key" :class="w.problem ? 'verdict-rubs' : ''" data-testid="photo-says">
        <strong>{{ CORNER_NAMES[w.key] }}:</strong> {{ w.problem || w.says }}.
      </p>
      <figure v-if="entry" class="photo">
        <img class="measure" :src="href" alt="" @load="measured" />
        <svg
          v-if="size.width"
          :viewBox="`0 0 ${size.width} ${size.height}`"
          :style="{ maxWidth: `calc(48vh * ${size.width / size.height})` }"
          role="img"
          :class="{ asks }"
          :aria-label="then ? 'The vehicle with the new wheels and height' : 'The vehicle as it is'"
          @click="mark"
        >
          <image :href="href" :width="size.width" :height="size.height" />
          <template v-if="then && !asks">
            <defs>
              <clipPath v-for="d in drawn" :id="`tire-${d.key}`" :key="d.key">
                <circle :cx="d.wheel.before.centre.x" :cy="d.wheel.before.centre.y" :r="d.wheel.before.radiusPx" />
              </clipPath>
            </defs>
            <template v-for="d in drawn" :key="`w${d.key}`">
              <circle
                class="well"
                :cx="d.wheel.before.centre.x"
                :cy="d.wheel.before.centre.y"
                :r="d.wheel.before.radiusPx"
              />
              <g :transform="moved(d.wheel)">
                <image :href="href" :width="size.width" :height="size.height" :clip-path="`url(#tire-${d.key})`" />
              </g>
              <circle
                class="was"
                :cx="d.wheel.before.centre.x"
                :cy="d.wheel.before.centre.y"
                :r="d.wheel.before.radiusPx"
              />
              <circle
                class="will"
                :cx="d.wheel.after.centre.x"
                :cy="d.wheel.after.centre.y"
                :r="d.wheel.after.radiusPx"
              />
            </template>
            <path v-if="ground" class="ground" :d="ground.after" />
          </template>
          <circle
            v-for="(m, i) in marks"
            :key="`m${i}`"
            class="mark"
            :cx="m.x * size.width"
            :cy="m.y * size.height"
            :r="size.width / 90"
          />
        </svg>
        <figcaption class="small muted">
          The body stays where it is in the picture: wheels and ground move under it. Drawn for a photo square to the
          side; a lens bends what is near its edge. Dashed: the tire as it is; the line below: the ground then.
        </figcaption>
      </figure>
    </template>
  </section>
</template>

<style scoped>
.pick button {
  border: 3px solid transparent;
  border-radius: 6px;
  min-height: 48px;
}
.pick button[aria-pressed='true'] {
  border-color: var(--accent);
}
.pick img {
  height: 52px;
  display: block;
}
.photo {
  position: relative;
}
.measure {
  position: absolute;
  visibility: hidden;
  width: 1px;
  height: 1px;
}
svg.asks {
  cursor: crosshair;
}
.well {
  fill: #16181a;
}
.was,
.will,
.ground,
.mark {
  fill: none;
  vector-effect: non-scaling-stroke;
}
.was {
  stroke: #fff;
  stroke-width: 2;
  stroke-dasharray: 7 5;
}
.will,
.ground {
  stroke: var(--accent);
  stroke-width: 3;
}
.mark {
  stroke: #fff;
  stroke-width: 3;
  fill: #000;
}
</style>
