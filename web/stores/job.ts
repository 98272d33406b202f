import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import type { Job } from '@/contracts/job-api';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { CORNER_KEYS, type CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { Evaluation, ObstacleVerdict } from '@/core/4-clearance/verdict/evaluate';
import type { Problem } from '@/core/1-base/problem';
import { api, type ApiFailure } from '../api';
import { ClearanceClient } from '../workers/clearance-client';
import { StudyClient, type Rotation, type StudyAnswer } from '../workers/study-client';
import { dropDraft, shelveDraft, shelvedDraft } from './draft-shelf';

/** `waiting`: the server cannot be reached, the draft is kept here. `conflict`: somebody else saved first. */
export type SaveState = 'saved' | 'saving' | 'waiting' | 'conflict' | 'refused';

export interface Pick {
  readonly corner: CornerKey;
  readonly id: string;
}

const SAVE_DELAY_MS = 350;
const RETRY_DELAY_MS = 4000;
/** Writing the shelf is felt while a hand drags, so not every change is written at once. */
const SHELVE_DELAY_MS = 150;
const UNDO_DEPTH = 100;

/** The open job: its document, undo, saving, and the engine's newest answer. */
export const useJobStore = defineStore('job', () => {
  const id = ref('');
  const title = ref('');
  const customer = ref('');
  const document = shallowRef<LowgapFile | null>(null);
  const revision = ref(0);
  const saveState = ref<SaveState>('saved');
  const saveProblems = shallowRef<readonly Problem[]>([]);
  const newer = shallowRef<Job | null>(null);
  const loadFailure = shallowRef<ApiFailure | null>(null);

  const evaluation = shallowRef<Evaluation | null>(null);
  /** The document that `evaluation` and `problems` are about. */
  const answered = shallowRef<LowgapFile | null>(null);
  /** How many documents were asked about so far, and how many of them (and those before) are answered. */
  const turns = shallowRef({ asked: 0, answered: 0 });
  const turnOf = new WeakMap<LowgapFile, number>();
  const problems = shallowRef<readonly Problem[]>([]);
  const computing = ref(false);
  const pick = shallowRef<Pick | null>(null);

  const undoable = shallowRef<readonly LowgapFile[]>([]);
  const redoable = shallowRef<readonly LowgapFile[]>([]);

  /** What a room wants studied: a corner, and an obstacle of it that rubs; null: the low gap's corner. */
  const studyOf = shallowRef<{ readonly corner: CornerKey; readonly obstacle: string | null } | null>(null);
  /** Spread and levers of that; null while they are not known for what is shown. */
  const study = shallowRef<StudyAnswer | null>(null);

  /** The verdict with the wheels rotated front to rear; null while it is not known for what is shown. */
  const rotation = shallowRef<Rotation | null>(null);

  let engine: ClearanceClient | null = null;
  let scholar: StudyClient | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;

  const corners = computed(() => CORNER_KEYS.filter((key) => document.value?.corners[key] !== undefined));

  /** The picked obstacle, or the one with the low gap. */
  const picked = computed<ObstacleVerdict | null>(() => {
    const all = evaluation.value?.obstacles ?? [];
    const chosen = all.find((o) => o.corner === pick.value?.corner && o.id === pick.value.id);
    const low = evaluation.value?.lowGap;
    return chosen ?? all.find((o) => o.corner === low?.corner && o.id === low.obstacle) ?? null;
  });

  /** A getter, not a function of the store: it is asked for every field at every change. */
  const problemAt = computed(() => {
    const all = problems.value;
    return (path: string): string | undefined => {
      const found = all.find((p) => p.path === path);
      return found ? `Expected ${found.expected}; found ${found.found}.` : undefined;
    };
  });

  async function open(jobId: string): Promise<void> {
    close();
    id.value = jobId;
    engine = new ClearanceClient((answer, file) => {
      computing.value = false;
      // A setup that cannot be keeps the last answer out of sight rather than showing a stale one.
      evaluation.value = answer.ok ? answer.value : null;
      problems.value = answer.ok ? [] : answer.problems;
      answered.value = file;
      turns.value = { ...turns.value, answered: turnOf.get(file) ?? 0 };
    });
    scholar = new StudyClient(
      (answer) => (study.value = answer),
      (answer, file) => {
        if (answer.ok && file === document.value) evaluation.value = answer.value;
      },
      (found) => (rotation.value = found),
    );
    const read = await api.readJob(jobId);
    if (id.value !== jobId) return;
    const draft = shelvedDraft(jobId);
    if (!read.ok) {
      if (read.failure.kind === 'unreachable' && draft) {
        take(draft, draft.revision);
        saveState.value = 'waiting';
        scheduleSave(RETRY_DELAY_MS);
      } else {
        loadFailure.value = read.failure;
      }
      return;
    }
    if (!draft) {
      take(read.value, read.value.revision);
      return;
    }
    take(draft, draft.revision);
    if (draft.revision === read.value.revision) {
      scheduleSave(0);
    } else {
      newer.value = read.value;
      saveState.value = 'conflict';
    }
  }

  function take(content: { title: string; customer: string; document: LowgapFile }, atRevision: number): void {
    title.value = content.title;
    customer.value = content.customer;
    document.value = content.document;
    revision.value = atRevision;
    ask();
  }

  function close(): void {
    clearTimeout(timer);
    shelveNow();
    if (saveState.value === 'saving') void save();
    engine?.close();
    engine = null;
    scholar?.close();
    scholar = null;
    study.value = null;
    rotation.value = null;
    id.value = '';
    document.value = null;
    evaluation.value = null;
    answered.value = null;
    problems.value = [];
    pick.value = null;
    undoable.value = [];
    redoable.value = [];
    newer.value = null;
    loadFailure.value = null;
    saveState.value = 'saved';
  }

  function ask(): void {
    if (!document.value || !engine) return;
    computing.value = true;
    const asked = turns.value.asked + 1;
    turns.value = { ...turns.value, asked };
    turnOf.set(document.value, asked);
    engine.ask(document.value);
  }

  watch([answered, studyOf], ([, wanted]) => {
    study.value = null;
    rotation.value = null;
    const answer = evaluation.value;
    const corner = wanted?.corner ?? answer?.lowGap?.corner;
    if (!document.value || !corner || !answer?.obstacles.some((o) => o.corner === corner)) return;
    scholar?.ask({ file: document.value, corner, obstacle: wanted?.obstacle ?? null });
  });

  /** The gesture that the newest entry of `undoable` belongs to. */
  let gestureNow: string | null = null;

  /**
   * Changes the document through `edit` on a copy; every change can be undone. Changes of one `gesture` (a drag, a hand
   * on a step key) are undone together.
   */
  function change(edit: (file: LowgapFile) => void, gesture: string | null = null): void {
    if (document.value) changeTo(structuredClone(document.value), edit, gesture);
  }

  /**
   * As `change`, for what is tried, compared and asked for: `edit` must leave the corners alone, which stay the very same
   * object, so that nothing that depends on the survey is sent or worked out again.
   */
  function changeSetup(edit: (file: LowgapFile) => void, gesture: string | null = null): void {
    if (!document.value) return;
    const { corners, ...rest } = document.value;
    changeTo({ ...structuredClone(rest), corners }, edit, gesture);
  }

  function changeTo(next: LowgapFile, edit: (file: LowgapFile) => void, gesture: string | null): void {
    if (!document.value) return;
    edit(next);
    const goesOn = gesture !== null && gesture === gestureNow;
    gestureNow = gesture;
    if (goesOn) {
      adopt(next);
      return;
    }
    undoable.value = [...undoable.value.slice(-UNDO_DEPTH), document.value];
    redoable.value = [];
    adopt(next);
  }

  function adopt(next: LowgapFile): void {
    document.value = next;
    touched();
    ask();
  }

  function touched(): void {
    shelfTimer ??= setTimeout(shelve, SHELVE_DELAY_MS);
    if (saveState.value !== 'conflict') scheduleSave(SAVE_DELAY_MS);
  }

  let shelfTimer: ReturnType<typeof setTimeout> | undefined;

  /** Puts what is not saved yet on the browser's shelf. */
  function shelve(): void {
    clearTimeout(shelfTimer);
    shelfTimer = undefined;
    if (!document.value || id.value === '') return;
    shelveDraft(id.value, {
      title: title.value,
      customer: customer.value,
      document: document.value,
      revision: revision.value,
    });
  }

  /** The page goes away (a reload, a sleeping tablet): what waits for the shelf is put there now. */
  function shelveNow(): void {
    if (shelfTimer !== undefined) shelve();
  }
  if (typeof window !== 'undefined') {
    window.addEventListener('pagehide', shelveNow);
    window.addEventListener('visibilitychange', shelveNow);
  }

  function rename(newTitle: string, newCustomer: string): void {
    title.value = newTitle;
    customer.value = newCustomer;
    touched();
  }

  function undo(): void {
    gestureNow = null;
    const last = undoable.value.at(-1);
    if (!last || !document.value) return;
    redoable.value = [...redoable.value, document.value];
    undoable.value = undoable.value.slice(0, -1);
    adopt(last);
  }

  function redo(): void {
    const next = redoable.value.at(-1);
    if (!next || !document.value) return;
    undoable.value = [...undoable.value, document.value];
    redoable.value = redoable.value.slice(0, -1);
    adopt(next);
  }

  function scheduleSave(delay: number): void {
    clearTimeout(timer);
    saveState.value = saveState.value === 'waiting' ? 'waiting' : 'saving';
    timer = setTimeout(() => void save(), delay);
  }

  let saving: Promise<void> | null = null;

  async function save(): Promise<void> {
    if (saving) await saving;
    saving = saveNow().finally(() => (saving = null));
    await saving;
  }

  async function saveNow(): Promise<void> {
    const sent = document.value;
    const jobId = id.value;
    if (!sent || jobId === '') return;
    const content = { title: title.value, customer: customer.value, document: sent };
    const saved = await api.saveJob(jobId, { ...content, revision: revision.value });
    if (id.value !== jobId) {
      if (saved.ok) dropDraft(jobId);
      return;
    }
    if (saved.ok) {
      revision.value = saved.value.revision;
      const unchanged = document.value === sent && title.value === content.title && customer.value === content.customer;
      if (unchanged) {
        clearTimeout(shelfTimer);
        shelfTimer = undefined;
        dropDraft(jobId);
        saveState.value = 'saved';
      } else {
        touched();
      }
      return;
    }
    const { failure } = saved;
    if (failure.kind === 'unreachable') {
      saveState.value = 'waiting';
      scheduleSave(RETRY_DELAY_MS);
    } else if (failure.newer) {
      newer.value = failure.newer;
      saveState.value = 'conflict';
    } else {
      saveProblems.value = failure.problems;
      saveState.value = 'refused';
    }
  }

  /** Settles a conflict: `mine` is saved over the newer one, `theirs` replaces what is here (undo brings it back). */
  function settle(keep: 'mine' | 'theirs'): void {
    const other = newer.value;
    if (!other || !document.value) return;
    newer.value = null;
    revision.value = other.revision;
    saveState.value = 'saved';
    if (keep === 'mine') {
      touched();
      return;
    }
    dropDraft(id.value);
    undoable.value = [...undoable.value, document.value];
    take(other, other.revision);
  }

  return {
    id,
    title,
    customer,
    document,
    corners,
    revision,
    saveState,
    saveProblems,
    newer,
    loadFailure,
    evaluation,
    answered,
    turns,
    problems,
    computing,
    pick,
    picked,
    study,
    studyOf,
    rotation,
    undoable,
    redoable,
    open,
    close,
    change,
    changeSetup,
    adopt,
    rename,
    undo,
    redo,
    settle,
    problemAt,
  };
});
