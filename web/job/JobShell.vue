<script setup lang="ts">
import {
  mdiArrowLeft,
  mdiCommentTextOutline,
  mdiDotsVertical,
  mdiDownload,
  mdiFolderOpenOutline,
  mdiHistory,
  mdiRedo,
  mdiUndo,
} from '@mdi/js';
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue';
import { problemText } from '../problem-words';
import type { Problem } from '@/core/1-base/problem';
import GapStrip from '../kit/GapStrip.vue';
import type { JobFile } from '@/contracts/job-file';
import { HistoryDialog, LoadFileDialog } from './late-dialogs';
import { downloadJob, readJobUpload } from '../kit/job-file';
import ThemeSwitch from '../kit/ThemeSwitch.vue';
import { othersWords } from '../saving/save-words';
import { useJobStore } from '../stores/job';
import HelpKey from '../help/HelpKey.vue';
import NextLine from './NextLine.vue';
import CornerTabs from './CornerTabs.vue';
import RoomsBar from './RoomsBar.vue';
import SaveNotices from './SaveNotices.vue';
import SaveState from './SaveState.vue';
import NoticeBox from '../kit/NoticeBox.vue';

const props = defineProps<{ id: string }>();
const job = useJobStore();
/** What the shell itself shows of the document: a key in a room is none of its business. */
const isThere = computed(() => job.document !== null);
const label = computed(() => job.document?.vehicle.label ?? '');
const canUndo = computed(() => job.undoable > 0);
const canRedo = computed(() => job.redoable > 0);
/** On a narrow screen: the keys that are seldom wanted are shown too. */
const more = ref(false);
const history = ref(false);
const picker = ref<HTMLInputElement>();
/** A file that was read and waits for somebody to say what becomes of it. */
const loaded = shallowRef<JobFile | null>(null);
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
  const read = await readJobUpload(file);
  fileProblems.value = read.ok ? [] : read.problems;
  if (read.ok) loaded.value = read.value;
}

async function saveFile(): Promise<void> {
  if (!job.document) return;
  fileProblems.value = await downloadJob({ title: job.title, customer: job.customer, document: job.document });
}
</script>

<template>
  <header class="shell" :class="{ more }">
    <div class="head">
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
          <span v-if="job.others.length" class="others">also open: {{ othersWords(job.others) }} · </span>{{ label
          }}<template v-if="job.customer"> · {{ job.customer }}</template>
        </p>
      </div>
      <SaveState />
      <v-btn
        variant="text"
        size="48"
        :icon="mdiUndo"
        aria-label="Undo"
        title="Undo (Ctrl+Z)"
        :disabled="!canUndo"
        @click="job.undo"
      />
      <v-btn
        class="rare"
        variant="text"
        size="48"
        :icon="mdiRedo"
        aria-label="Redo"
        title="Redo (Ctrl+Y)"
        :disabled="!canRedo"
        @click="job.redo"
      />
      <v-btn
        class="rare"
        variant="text"
        size="48"
        :icon="mdiHistory"
        aria-label="History of this job"
        title="Who changed what, and the way back to any earlier state"
        :disabled="!isThere"
        @click="history = true"
      />
      <v-btn
        class="rare"
        variant="text"
        size="48"
        :icon="mdiDownload"
        aria-label="Save as a file"
        title="Save as a file"
        :disabled="!isThere"
        @click="saveFile"
      />
      <v-btn
        class="rare"
        variant="text"
        size="48"
        :icon="mdiFolderOpenOutline"
        aria-label="Load a file"
        title="Load a file into this job"
        @click="picker?.click()"
      />
      <input
        ref="picker"
        type="file"
        accept=".json,application/json"
        hidden
        data-testid="load-file"
        @change="loadFile"
      />
      <v-btn
        class="rare"
        variant="text"
        size="48"
        :icon="mdiCommentTextOutline"
        :to="{ name: 'customer', params: { id } }"
        aria-label="For the customer"
        title="One page for the customer"
      />
      <HelpKey class="rare" />
      <ThemeSwitch class="rare" />
      <v-btn
        variant="text"
        size="48"
        class="more-key"
        :icon="mdiDotsVertical"
        aria-label="More keys"
        :aria-expanded="more"
        @click="more = !more"
      />
    </div>
    <RoomsBar :id="id" class="bar" />
    <CornerTabs v-if="isThere" class="corner-pick" />
  </header>

  <main id="content" class="content" tabindex="-1">
    <SaveNotices />
    <NoticeBox v-if="fileProblems.length" kind="error" closable data-testid="file-problems" @close="fileProblems = []">
      <strong>Not all of the file went through; the job is as it was.</strong>
      <div v-for="p in fileProblems.slice(0, 6)" :key="p.path + p.code">{{ problemText(p) }}</div>
    </NoticeBox>
    <router-view v-if="isThere" />
    <NextLine v-if="isThere" :id="id" />
  </main>
  <LoadFileDialog v-if="isThere" v-model="loaded" @problems="(all) => (fileProblems = all)" />
  <HistoryDialog v-if="isThere" v-model="history" />
  <GapStrip v-if="isThere" />
</template>

<style scoped>
.shell {
  display: grid;
  grid-template: 'head corners' auto 'bar corners' auto / minmax(0, 1fr) auto;
  column-gap: 10px;
  padding: 4px 12px 0;
  border-bottom: 2px solid var(--rule);
}
.head {
  grid-area: head;
  display: flex;
  align-items: center;
  gap: 2px;
}
.bar {
  grid-area: bar;
}
.corner-pick {
  grid-area: corners;
}
.what {
  flex: 1;
  min-width: 0;
}
h1 {
  font-size: 20px;
  line-height: 24px;
  font-weight: 600;
}
h1,
.what p {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.what p {
  font-size: 14px;
  line-height: 18px;
}
.others {
  font-weight: 600;
}
.more-key {
  display: none;
}
.content {
  padding: 12px 20px calc(var(--strip-height) + 20px);
  outline: none;
}
@media (max-width: 760px), (max-height: 500px) {
  .shell {
    grid-template: 'head' auto 'bar' auto 'corners' auto / minmax(0, 1fr);
    padding: 0 4px;
  }
  .head {
    flex-wrap: nowrap;
  }
  .more .head {
    flex-wrap: wrap;
  }
  .what p {
    display: none;
  }
  .more-key {
    display: inline-grid;
  }
  .shell:not(.more) .rare {
    display: none;
  }
  .content {
    padding: 8px 10px calc(var(--strip-height) + 12px);
  }
}
/* Little height: one line of head, with the rooms beside the title. */
@media (max-height: 500px) {
  .shell {
    grid-template: 'head bar corners' auto / minmax(90px, 0.6fr) minmax(0, 1fr) minmax(0, 0.9fr);
  }
  .shell:not(.more) .save {
    display: none;
  }
}
@media (max-height: 500px) and (max-width: 760px) {
  .shell {
    grid-template: 'head bar' auto / minmax(0, 1fr) minmax(0, 1fr);
  }
  .shell:not(.more) .corner-pick {
    display: none;
  }
  .more {
    grid-template: 'head' auto 'bar' auto 'corners' auto / minmax(0, 1fr);
  }
}
@media print {
  .head > :not(.what) {
    display: none;
  }
}
</style>
