<script setup lang="ts">
import { mdiArrowLeft, mdiDownload, mdiFolderOpenOutline, mdiRedo, mdiUndo } from '@mdi/js';
import { onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue';
import { problemText } from '../problem-words';
import type { Problem } from '@/core/1-base/problem';
import GapStrip from '../kit/GapStrip.vue';
import { downloadLowgap, readLowgapUpload } from '../kit/lowgap-upload';
import ThemeSwitch from '../kit/ThemeSwitch.vue';
import { saveWords } from '../saving/save-words';
import { useJobStore } from '../stores/job';
import RoomsBar from './RoomsBar.vue';
import SaveNotices from './SaveNotices.vue';
import NoticeBox from '../kit/NoticeBox.vue';

const props = defineProps<{ id: string }>();
const job = useJobStore();
const picker = ref<HTMLInputElement>();
const fileProblems = shallowRef<readonly Problem[]>([]);

watch(
  () => props.id,
  (id) => void job.open(id),
  { immediate: true },
);
onBeforeUnmount(() => job.close());

function keys(event: KeyboardEvent): void {
  // A key may come from the window itself, which is no element.
  const typing = event.target instanceof Element && event.target.closest('input, textarea');
  if (!(event.ctrlKey || event.metaKey) || typing) return;
  if (event.key === 'z' && !event.shiftKey) job.undo();
  else if (event.key === 'y' || (event.key === 'Z' && event.shiftKey)) job.redo();
  else return;
  event.preventDefault();
}

onMounted(() => window.addEventListener('keydown', keys));
onBeforeUnmount(() => window.removeEventListener('keydown', keys));

async function loadFile(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  input.value = '';
  if (!file) return;
  const read = await readLowgapUpload(file);
  fileProblems.value = read.ok ? [] : read.problems;
  // Loading is one change like any other: undo brings the former document back.
  if (read.ok) job.change((document) => Object.assign(clear(document), read.value));
}

function clear<T extends object>(target: T): T {
  for (const key of Object.keys(target)) delete (target as Record<string, unknown>)[key];
  return target;
}
</script>

<template>
  <header class="head">
    <v-btn
      variant="text"
      size="48"
      :icon="mdiArrowLeft"
      :to="{ name: 'bay' }"
      aria-label="Bay board"
      title="Bay board"
    />
    <div class="what">
      <h1>{{ job.title || 'Job' }}</h1>
      <p class="muted">
        {{ job.document?.vehicle.label }}<template v-if="job.customer"> · {{ job.customer }}</template>
      </p>
    </div>
    <span class="save" :class="`save-${job.saveStatus.state}`" role="status" data-testid="save-state">{{
      saveWords(job.saveStatus)
    }}</span>
    <v-btn
      variant="text"
      size="48"
      :icon="mdiUndo"
      aria-label="Undo"
      title="Undo (Ctrl+Z)"
      :disabled="!job.undoable"
      @click="job.undo"
    />
    <v-btn
      variant="text"
      size="48"
      :icon="mdiRedo"
      aria-label="Redo"
      title="Redo (Ctrl+Y)"
      :disabled="!job.redoable"
      @click="job.redo"
    />
    <v-btn
      variant="text"
      size="48"
      :icon="mdiDownload"
      aria-label="Save as a file"
      title="Save as a file"
      :disabled="!job.document"
      @click="job.document && downloadLowgap(job.document, job.title)"
    />
    <v-btn
      variant="text"
      size="48"
      :icon="mdiFolderOpenOutline"
      aria-label="Load a file"
      title="Load a file into this job"
      @click="picker?.click()"
    />
    <input ref="picker" type="file" accept=".json,application/json" hidden data-testid="load-file" @change="loadFile" />
    <ThemeSwitch />
  </header>

  <RoomsBar :id="id" />

  <main class="content">
    <SaveNotices />
    <NoticeBox v-if="fileProblems.length" kind="error" closable data-testid="file-problems" @close="fileProblems = []">
      <strong>The file was not taken; the job is as it was.</strong>
      <div v-for="p in fileProblems.slice(0, 6)" :key="p.path + p.code">{{ problemText(p) }}</div>
    </NoticeBox>
    <router-view v-if="job.document" />
  </main>
  <GapStrip v-if="job.document" />
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  gap: 4px;
  padding: 6px 12px 2px;
}
.what {
  flex: 1;
  min-width: 0;
}
h1 {
  font-size: 20px;
  line-height: 24px;
  font-weight: 600;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.what p {
  font-size: 14px;
  line-height: 18px;
}
.save {
  font-size: 14px;
  color: var(--muted);
  padding: 0 8px;
}
.save-waiting,
.save-conflict,
.save-refused {
  color: var(--rubs);
  font-weight: 600;
}
.content {
  padding: 12px 20px calc(var(--strip-height) + 20px);
}
@media (max-width: 760px) {
  .head {
    flex-wrap: wrap;
  }
  .what {
    flex: 1 0 80%;
  }
  .what p {
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .save {
    margin-right: auto;
  }
  .content {
    padding-left: 10px;
    padding-right: 10px;
  }
  .content {
    padding-bottom: calc(var(--strip-height) + 60px);
  }
}
@media print {
  .head > :not(.what) {
    display: none;
  }
}
</style>
