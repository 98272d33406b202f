import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import type { ChangeSet } from '@/contracts/changes/change';
import type { Choice } from '@/contracts/changes/merge';
import type { JobContent } from '@/contracts/job-api';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { CORNER_KEYS, type CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { ObstacleVerdict } from '@/core/4-clearance/verdict/evaluate';
import type { ApiFailure } from '../api';
import { useDocumentHistory } from './document-history';
import { useEngine } from './job-engine';
import { useSaving } from './job-saving';

export interface Pick {
  readonly corner: CornerKey;
  readonly id: string;
}

/** The open job: its document with the way back, its saving, the engine's newest answers, and what is picked. */
export const useJobStore = defineStore('job', () => {
  const id = ref('');
  const title = ref('');
  const customer = ref('');
  const loadFailure = shallowRef<ApiFailure | null>(null);
  let opening: Promise<void> | null = null;
  const pick = shallowRef<Pick | null>(null);

  const { document, refused, undoable, redoable, reset, receive, change, changeSetup, undo, redo } =
    useDocumentHistory(touched);
  const {
    evaluation,
    answered,
    turns,
    problems,
    computing,
    studyOf,
    study,
    rotation,
    today,
    isOld,
    looksOld,
    ...engine
  } = useEngine(document);
  const saving = useSaving(adopt);
  const saveStatus = saving.status;

  const corners = computed(() => CORNER_KEYS.filter((key) => document.value?.corners[key] !== undefined));

  /** The picked obstacle, or the one with the low gap. */
  const picked = computed<ObstacleVerdict | null>(() => {
    const all = evaluation.value?.obstacles ?? [];
    const chosen = all.find((o) => o.corner === pick.value?.corner && o.id === pick.value.id);
    const low = evaluation.value?.lowGap;
    return chosen ?? all.find((o) => o.corner === low?.corner && o.id === low.obstacle) ?? null;
  });

  /** Corners of which something was surveyed. */
  const begun = computed(() => [...new Set((evaluation.value?.obstacles ?? []).map(({ corner }) => corner))]);

  /** A getter, not a function of the store: it is asked for every field at every change. */
  const problemAt = computed(() => {
    const all = problems.value;
    return (path: string): string | undefined => {
      const found = all.find((p) => p.path === path);
      return found ? `Expected ${found.expected}; found ${found.found}.` : undefined;
    };
  });

  /** Opens a job; one that is being opened, or open, goes on. */
  function open(jobId: string): Promise<void> {
    if (opening && id.value === jobId && loadFailure.value === null) return opening;
    void close();
    return (opening = openNew(jobId));
  }

  async function openNew(jobId: string): Promise<void> {
    id.value = jobId;
    engine.start();
    const found = await saving.find(jobId);
    if (id.value !== jobId) return;
    if (!found.ok) {
      loadFailure.value = found.failure;
      return;
    }
    show(found.value.content);
    await saving.begin(jobId, found.value);
  }

  function show(content: JobContent): void {
    title.value = content.title;
    customer.value = content.customer;
    reset(content.document);
    engine.ask();
  }

  /** Resolves once nothing of the job left is under way any more. */
  function close(): Promise<void> {
    opening = null;
    const left = saving.end();
    engine.stop();
    id.value = '';
    reset(null);
    pick.value = null;
    loadFailure.value = null;
    return left;
  }

  function contentNow(): JobContent | null {
    return document.value && { title: title.value, customer: customer.value, document: document.value };
  }

  function touched(): void {
    const content = contentNow();
    if (content) saving.take(content);
    engine.ask();
  }

  function rename(newTitle: string, newCustomer: string): void {
    title.value = newTitle;
    customer.value = newCustomer;
    const content = contentNow();
    if (content) saving.take(content);
  }

  /** What others changed comes in. */
  function adopt(content: JobContent, sets: readonly ChangeSet[], chosen: boolean): void {
    title.value = content.title;
    customer.value = content.customer;
    const own = sets.flatMap(({ changes }) => changes).filter(({ path }) => path[0] === 'document');
    receive(
      content.document,
      own.map((change) => ({ ...change, path: change.path.slice(1) })),
      chosen,
    );
    engine.ask();
  }

  /** Another document in the place of this one, as one change. */
  function become(next: LowgapFile): void {
    change((file) => {
      for (const key of Object.keys(file)) delete (file as Partial<LowgapFile>)[key as keyof LowgapFile];
      Object.assign(file, structuredClone(next));
    });
  }

  /** Settles a conflict, field by field; undo brings back what was here. */
  function settle(choose: Choice): void {
    saving.settle(choose);
  }

  return {
    id,
    title,
    customer,
    document,
    corners,
    refused,
    saveStatus,
    others: saving.others,
    unreadable: saving.unreadable,
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
    today,
    isOld,
    looksOld,
    begun,
    undoable,
    redoable,
    open,
    close,
    change,
    changeSetup,
    become,
    rename,
    undo,
    redo,
    settle,
    trySaving: saving.tryNow,
    problemAt,
  };
});

export type JobStore = ReturnType<typeof useJobStore>;
