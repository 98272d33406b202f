import { useManualRefHistory } from '@vueuse/core';
import { computed, markRaw, shallowRef } from 'vue';
import type { Change } from '@/contracts/changes/change';
import { merged } from '@/contracts/changes/merge';
import type { LowgapFile } from '@/contracts/lowgap-file';
import type { Problem } from '@/core/1-base/problem';
import { checkChange } from '../saving/check-change';
import { withoutProxies } from './without-proxies';

const UNDO_DEPTH = 100;

/**
 * The open document and the way back. A change is made on a copy, checked, and only then adopted: what the document cannot
 * hold is said in `refused` and leaves it as it was. `adopted` is told of every document that takes its place.
 */
export function useDocumentHistory(adopted: () => void) {
  const document = shallowRef<LowgapFile | null>(null);
  const history = useManualRefHistory(document, { capacity: UNDO_DEPTH });
  /** What was wrong with the last change, which was not made; [] when it was. */
  const refused = shallowRef<readonly Problem[]>([]);
  /** The gesture that the newest entry belongs to. */
  let gestureNow: string | null = null;

  function changeTo(copy: LowgapFile, edit: (file: LowgapFile) => void, gesture: string | null): void {
    edit(copy);
    // Forms are reactive: a part of one that reaches the document would end every worker it is sent to.
    const next = withoutProxies(copy, new Set([document.value?.corners]));
    refused.value = checkChange(document.value, next);
    if (refused.value.length > 0) return;
    const goesOn = gesture !== null && gesture === gestureNow;
    gestureNow = gesture;
    document.value = next;
    if (goesOn) history.last.value = { snapshot: markRaw(next), timestamp: Date.now() };
    else history.commit();
    adopted();
  }

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

  function walk(step: () => void, isOpen: boolean): void {
    gestureNow = null;
    if (!isOpen) return;
    step();
    refused.value = [];
    adopted();
  }

  /**
   * `next` in place of the document because somebody else made `changes` on it. They are no step of the way back, which goes
   * on undoing what was done here alone; unless somebody `chose` what stays: that can be undone.
   */
  function receive(next: LowgapFile, changes: readonly Change[], chose: boolean): void {
    if (chose) {
      gestureNow = null;
      document.value = next;
      history.commit();
      return;
    }
    const on = <T extends { snapshot: LowgapFile | null }>(entry: T): T => ({
      ...entry,
      snapshot: entry.snapshot && markRaw(merged(entry.snapshot, changes).value),
    });
    history.undoStack.value = history.undoStack.value.map(on);
    history.redoStack.value = history.redoStack.value.map(on);
    document.value = next;
    history.last.value = { snapshot: markRaw(next), timestamp: Date.now() };
  }

  /** Another document and no way back: a job is opened, or left (null). */
  function reset(next: LowgapFile | null): void {
    gestureNow = null;
    document.value = next;
    refused.value = [];
    history.commit();
    history.clear();
  }

  return {
    document,
    refused,
    undoable: computed(() => history.undoStack.value.length),
    redoable: computed(() => history.redoStack.value.length),
    change,
    changeSetup,
    receive,
    reset,
    undo: () => walk(history.undo, history.canUndo.value),
    redo: () => walk(history.redo, history.canRedo.value),
  };
}
