<script setup lang="ts">
import { mdiArrowLeft, mdiDownload, mdiFolderOpenOutline, mdiRedo, mdiUndo } from '@mdi/js';
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue';
import { asCase } from '@/contracts/as-case';
import { problemText } from '@/contracts/problems';
import { setupForCorner } from '@/core/4-clearance/case/case-description';
import type { Problem } from '@/core/1-base/problem';
import { formatMm } from '@/core/1-base/units/length';
import GapStrip from '../parts/GapStrip.vue';
import { downloadLowgap, readLowgapUpload } from '../parts/lowgap-upload';
import ThemeSwitch from '../parts/ThemeSwitch.vue';
import { useJobStore, type SaveState } from '../stores/job';
import CornerTabs from './CornerTabs.vue';

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

const SAVE_WORDS: Readonly<Record<SaveState, string>> = {
  saved: 'Saved',
  saving: 'Saving',
  waiting: 'Server not reached; kept in this browser',
  conflict: 'Changed elsewhere',
  refused: 'Not saved',
};

const readingCount = computed(() =>
  job.corners.reduce(
    (sum, key) =>
      sum + (job.document?.corners[key]?.obstacles ?? []).reduce((n, o) => n + (o.readings?.length ?? 0), 0),
    0,
  ),
);
const failing = computed(() => job.evaluation?.obstacles.filter((o) => o.verdict === 'rubs').length ?? 0);

const intakeState = computed(() => {
  const { photos, ...told } = job.document?.intake ?? {};
  const count = Object.keys(told).filter((key) => key !== 'typed').length;
  if (count === 0 && !photos?.length) return 'not taken';
  return `${count} noted${photos?.length ? `, ${photos.length} photo${photos.length === 1 ? '' : 's'}` : ''}`;
});

const finderState = computed(() => {
  const kept = job.document?.finder?.kept;
  if (!kept) return 'not asked yet';
  return kept.rows.length ? `up to ${formatMm(kept.rows[0]!.diameterMm, 0)} mm` : 'nothing found';
});

const planState = computed(() => {
  const chosen = job.document?.plan?.chosen;
  if (!chosen) return 'not planned';
  const { front, rear, bodyLiftMm } = chosen.changes;
  const count =
    chosen.fixes.length + [...Object.values(front), ...Object.values(rear), bodyLiftMm].filter((mm) => mm !== 0).length;
  return `${count} change${count === 1 ? '' : 's'}`;
});

const installState = computed(() => {
  const steps = job.document?.install?.steps ?? [];
  return steps.length ? `${steps.filter(({ doneAt }) => doneAt).length} of ${steps.length}` : 'no sheet';
});

const testFitState = computed(() => {
  const count = job.document?.testFits?.length ?? 0;
  return count === 0 ? 'none yet' : `${count} round${count === 1 ? '' : 's'}`;
});

const followUpState = computed(() => {
  const { handedOver, due = [] } = job.document?.followUp ?? {};
  const left = due.filter(({ doneOn }) => doneOn === undefined).length;
  return handedOver ? (left ? `${left} due` : 'all done') : 'not yet';
});

const stanceState = computed(() => {
  const file = job.document;
  const lifts = file?.setup
    ? job.corners.map((key) => {
        const { suspensionLiftMm, bodyLiftMm, linkageDropMm } = setupForCorner(asCase(file), key);
        return suspensionLiftMm + bodyLiftMm + linkageDropMm;
      })
    : [];
  const [least, most] = [Math.min(0, ...lifts), Math.max(0, ...lifts)];
  const said = most > -least ? most : least;
  return said === 0 ? 'as it stands' : `${said > 0 ? '+' : ''}${formatMm(said, 0)} mm`;
});

const rooms = computed(() => [
  { name: 'intake', label: 'Intake', state: intakeState.value },
  { name: 'baseline', label: 'Baseline', state: `${job.corners.length} of 4 corners` },
  { name: 'survey', label: 'Survey', state: `${readingCount.value} readings` },
  { name: 'stance', label: 'Stance', state: stanceState.value },
  {
    name: 'bench',
    label: 'Bench',
    state: !job.document?.setup
      ? 'nothing tried yet'
      : job.problems.length
        ? 'no verdict'
        : failing.value
          ? `${failing.value} rub${failing.value === 1 ? 's' : ''}`
          : 'nothing rubs',
  },
  { name: 'finder', label: 'Finder', state: finderState.value },
  { name: 'plan', label: 'Plan', state: planState.value },
  { name: 'install', label: 'Install', state: installState.value },
  { name: 'testFit', label: 'Test fit', state: testFitState.value },
  { name: 'followUp', label: 'Follow-up', state: followUpState.value },
]);

function keys(event: KeyboardEvent): void {
  const typing = (event.target as HTMLElement).closest('input, textarea');
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
    <span class="save" :class="`save-${job.saveState}`" role="status" data-testid="save-state">{{
      SAVE_WORDS[job.saveState]
    }}</span>
    <v-btn
      variant="text"
      size="48"
      :icon="mdiUndo"
      aria-label="Undo"
      title="Undo (Ctrl+Z)"
      :disabled="!job.undoable.length"
      @click="job.undo"
    />
    <v-btn
      variant="text"
      size="48"
      :icon="mdiRedo"
      aria-label="Redo"
      title="Redo (Ctrl+Y)"
      :disabled="!job.redoable.length"
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

  <nav class="rooms" aria-label="Rooms of this job">
    <ol>
      <!-- Only what it says changes with a setup: its address need not be worked out again under a dragging hand. -->
      <li v-for="room in rooms" :key="room.name" v-memo="[room.state, id, $route.query]">
        <router-link :to="{ name: room.name, params: { id }, query: $route.query }" class="room">
          <span class="room-name">{{ room.label }}</span>
          <span class="room-state">{{ room.state }}</span>
        </router-link>
      </li>
    </ol>
    <CornerTabs v-if="job.document" />
  </nav>

  <main class="content">
    <v-alert v-if="job.loadFailure" type="error" variant="tonal">
      {{
        job.loadFailure.kind === 'unreachable'
          ? 'The server does not answer. Start it and load this page again.'
          : 'There is no such job. It may have been removed.'
      }}
      <v-btn variant="text" :to="{ name: 'bay' }">To the bay board</v-btn>
    </v-alert>
    <v-alert v-if="job.newer" type="warning" variant="tonal" class="mb-3" data-testid="conflict">
      This job was changed in another window while you worked here. Nothing is lost: choose which one stays.
      <div class="choice">
        <v-btn color="primary" @click="job.settle('mine')">Keep what is here</v-btn>
        <v-btn variant="outlined" @click="job.settle('theirs')">Take the other</v-btn>
      </div>
    </v-alert>
    <v-alert v-if="job.saveState === 'refused'" type="error" variant="tonal" class="mb-3">
      The server did not take the last change; it is kept in this browser.
      <div v-for="p in job.saveProblems.slice(0, 4)" :key="p.path">{{ problemText(p) }}</div>
    </v-alert>
    <v-alert
      v-if="fileProblems.length"
      type="error"
      variant="tonal"
      closable
      class="mb-3"
      data-testid="file-problems"
      @click:close="fileProblems = []"
    >
      <strong>The file was not taken; the job is as it was.</strong>
      <div v-for="p in fileProblems.slice(0, 6)" :key="p.path + p.code">{{ problemText(p) }}</div>
    </v-alert>
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
.rooms {
  display: flex;
  justify-content: space-between;
  align-items: stretch;
  flex-wrap: wrap;
  gap: 0 6px;
  padding: 0 12px;
  border-bottom: 2px solid var(--rule);
}
ol {
  display: flex;
  list-style: none;
  padding: 0;
  min-width: 0;
  max-width: 100%;
  overflow-x: auto;
}
.room {
  display: flex;
  flex-direction: column;
  justify-content: center;
  min-height: 50px;
  min-width: 84px;
  padding: 2px 6px 2px 8px;
  white-space: nowrap;
  color: inherit;
  text-decoration: none;
  border-bottom: 5px solid transparent;
}
.room.router-link-active {
  border-bottom-color: var(--accent);
}
.room-name {
  font-family: var(--figures);
  font-weight: 600;
  font-size: 18px;
  line-height: 22px;
}
.room-state {
  font-size: 14px;
  line-height: 18px;
  color: var(--muted);
}
.content {
  padding: 12px 20px calc(var(--strip-height) + 20px);
}
.choice {
  display: flex;
  gap: 8px;
  margin-top: 8px;
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
  .content,
  .rooms {
    padding-left: 10px;
    padding-right: 10px;
  }
  .room {
    min-width: 90px;
    padding-right: 10px;
  }
  .content {
    padding-bottom: calc(var(--strip-height) + 60px);
  }
}
@media print {
  .head > :not(.what),
  .rooms {
    display: none;
  }
}
</style>
