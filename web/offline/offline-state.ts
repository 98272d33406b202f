import { shallowRef } from 'vue';
import { KEPT_SINCE } from './kept-answers';

/** When the server gave what is shown now, while it is away; null: it answers, or nothing kept is shown. */
export const shownSince = shallowRef<Date | null>(null);

/** A newer version of the program is here and waits; takes it up, which loads the page anew. */
export const newVersion = shallowRef<(() => void) | null>(null);

/** Notes whether an answer came from the server or out of what this browser kept. */
export function noteAnswer({ headers }: Response): void {
  const kept = headers?.get(KEPT_SINCE) ?? null;
  if (kept === null) shownSince.value = null;
  else if (!shownSince.value) shownSince.value = new Date(kept);
}
