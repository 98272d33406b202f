<script setup lang="ts">
import { mdiCameraPlusOutline, mdiDeleteOutline } from '@mdi/js';
import { computed, ref, shallowRef } from 'vue';
import type { Photo } from '@/contracts/job-record';
import { problemText } from '../problem-words';
import type { Problem } from '@/core/1-base/problem';
import { api } from '../api';
import { useJobStore } from '../stores/job';
import { shrinkPhoto } from './shrink-photo';
import DialogBox from '../kit/DialogBox.vue';

/** Photos of the job: made small here, kept by the server, with places marked on them. */
const job = useJobStore();
const photos = computed<readonly Photo[]>(() => job.document?.intake?.photos ?? []);
const problems = shallowRef<readonly Problem[]>([]);
const busy = ref(false);
const picker = ref<HTMLInputElement>();
const openId = ref<string | null>(null);
const opened = computed(() => photos.value.find(({ id }) => id === openId.value));
const markLabel = ref('');

function edit(change: (all: readonly Photo[]) => Photo[]): void {
  job.change((file) => {
    file.intake = { ...file.intake, photos: change(file.intake?.photos ?? []) };
  });
}

async function take(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement;
  const files = [...(input.files ?? [])];
  input.value = '';
  busy.value = true;
  const found: Problem[] = [];
  for (const file of files) {
    const small = await shrinkPhoto(file);
    if (!small.ok) {
      found.push(...small.problems);
      continue;
    }
    const sent = await api.addPhoto(job.id, small.value);
    if (sent.ok) edit((all) => [...all, { id: sent.value.id, caption: '', marks: [] }]);
    else if (sent.failure.kind === 'refused') found.push(...sent.failure.problems);
    else found.push({ code: 'internal', path: file.name, expected: 'the server to take it', found: 'no answer' });
  }
  problems.value = found;
  busy.value = false;
}

const change = (id: string, changes: Partial<Photo>): void =>
  edit((all) => all.map((photo) => (photo.id === id ? { ...photo, ...changes } : photo)));

function mark(event: MouseEvent): void {
  const photo = opened.value;
  if (!photo) return;
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
  const place = { x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height };
  change(photo.id, { marks: [...photo.marks, { ...place, label: markLabel.value.trim() || 'here' }] });
  markLabel.value = '';
}

function removePhoto(id: string): void {
  edit((all) => all.filter((photo) => photo.id !== id));
  openId.value = null;
}
</script>

<template>
  <section class="panel leaf" aria-labelledby="photos-title">
    <h2 id="photos-title" class="panel-title">Photos</h2>
    <div v-if="problems.length" class="verdict-rubs" role="alert" data-testid="photo-problems">
      <div v-for="p in problems" :key="p.path + p.found">{{ problemText(p) }}</div>
    </div>
    <ul>
      <li v-for="(photo, i) in photos" :key="photo.id">
        <button
          type="button"
          class="photo"
          :aria-label="`Open photo ${i + 1}: ${photo.caption || 'no caption'}`"
          @click="openId = photo.id"
        >
          <img :src="`/api/photos/${photo.id}`" :alt="photo.caption" loading="lazy" />
          <span
            v-for="(m, k) in photo.marks"
            :key="k"
            class="mark"
            :style="{ left: `${100 * m.x}%`, top: `${100 * m.y}%` }"
          />
        </button>
        <span class="small">{{ photo.caption || 'no caption' }}</span>
      </li>
    </ul>
    <p v-if="!photos.length" class="muted">
      Rust, damage, rub marks and how it looks today: photograph them before anything is touched.
    </p>
    <v-btn variant="outlined" height="48" :loading="busy" :prepend-icon="mdiCameraPlusOutline" @click="picker?.click()"
      >Add photos</v-btn
    >
    <input ref="picker" type="file" accept="image/*" multiple hidden data-testid="photo-file" @change="take" />
    <DialogBox :model-value="opened !== undefined" label="Photo" :width="900" @update:model-value="openId = null">
      <div v-if="opened" class="panel dialog">
        <v-text-field
          label="What it shows"
          maxlength="200"
          :model-value="opened.caption"
          @update:model-value="(caption: string) => change(opened!.id, { caption })"
        />
        <v-text-field v-model="markLabel" label="Name of the next mark; then tap the place" maxlength="80" />
        <button type="button" class="big" aria-label="Mark a place on the photo" @click="mark">
          <img :src="`/api/photos/${opened.id}`" :alt="opened.caption" />
          <span
            v-for="(m, k) in opened.marks"
            :key="k"
            class="mark named"
            :style="{ left: `${100 * m.x}%`, top: `${100 * m.y}%` }"
            >{{ m.label }}</span
          >
        </button>
        <div class="ends">
          <v-btn
            variant="text"
            height="48"
            :disabled="!opened.marks.length"
            @click="change(opened!.id, { marks: opened!.marks.slice(0, -1) })"
            >Remove the last mark</v-btn
          >
          <v-btn variant="text" height="48" :prepend-icon="mdiDeleteOutline" @click="removePhoto(opened!.id)"
            >Remove the photo</v-btn
          >
          <v-btn color="primary" height="48" @click="openId = null">Done</v-btn>
        </div>
      </div>
    </DialogBox>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 10px;
  width: 100%;
}
.photo,
.big {
  position: relative;
  display: block;
  width: 100%;
}
.photo img {
  width: 100%;
  aspect-ratio: 4 / 3;
  object-fit: fill;
  border-radius: 4px;
}
.big img {
  width: 100%;
  display: block;
}
.mark {
  position: absolute;
  width: 18px;
  height: 18px;
  margin: -9px 0 0 -9px;
  border: 3px solid #fff;
  outline: 2px solid #000;
  border-radius: 50%;
  pointer-events: none;
}
.named {
  width: auto;
  height: auto;
  margin: 0;
  border: 0;
  outline: 0;
  border-radius: 3px;
  background: #000;
  color: #fff;
  padding: 1px 6px;
  font-size: 14px;
}
</style>
