import { useDebounceFn } from '@vueuse/core';
import { ref, watch, type Ref } from 'vue';
import { useJobStore } from '../stores/job';
import { drafts } from './draft-store';

/** What was typed into forms since the page was loaded, by job and form. */
const typed = new Map<string, unknown>();

/** ms of rest before a form is put away in the browser. */
const REST_MS = 200;

/** A copy without reactivity. */
const copy = <T>(value: T): T => (value === undefined ? value : (JSON.parse(JSON.stringify(value)) as T));

/**
 * What is typed into a form and not added to the job yet: it stays over a change of room, and in this browser over a
 * reload. Set back to `blank`, it is forgotten. `form` names the form within the job.
 */
export function useKept<T>(form: string, blank: () => T): Ref<T> {
  const job = useJobStore().id;
  const key = `${job} ${form}`;
  const value = ref(typed.has(key) ? copy(typed.get(key)) : blank()) as Ref<T>;
  let touched = typed.has(key);
  const putAway = useDebounceFn((now: T) => {
    const isBlank = JSON.stringify(now) === JSON.stringify(blank());
    const done = isBlank ? drafts().dropForm(job, form) : drafts().putForm({ job, form, value: now });
    // A browser that keeps nothing still keeps it for as long as the page stays.
    return done.catch(() => undefined);
  }, REST_MS);
  if (!touched) {
    void drafts()
      .form(job, form)
      .then((kept) => {
        if (kept === undefined || touched) return;
        value.value = (isRecord(kept) ? { ...blank(), ...kept } : kept) as T;
      })
      .catch(() => undefined);
  }
  watch(
    value,
    (now) => {
      touched = true;
      const plain = copy(now);
      typed.set(key, plain);
      void putAway(plain);
    },
    { deep: true },
  );
  return value;
}

const isRecord = (value: unknown): value is object =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
