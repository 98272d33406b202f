import { newToken } from '../saving/tab';

/** An id for an entry of a list in the job: short, and used by no other. */
export const newId = (): string => newToken().slice(0, 12);

/** Puts a change into the entry of that id; what is emptied is left out. */
export function putInto<Entry extends { readonly id: string }>(
  all: readonly Entry[],
  id: string,
  change: Partial<Entry>,
): void {
  const found = all.find((one) => one.id === id) as Record<string, unknown> | undefined;
  if (!found) return;
  for (const [key, value] of Object.entries(change)) {
    if (value === undefined || value === '') delete found[key];
    else found[key] = value;
  }
}
