import type { SaverStatus } from './saver';

/** Where the newest content is, in a few words that are true of it. */
export function saveWords({ state, keptHere }: Pick<SaverStatus, 'state' | 'keptHere'>): string {
  const here = keptHere ? 'kept in this browser' : 'not kept anywhere yet: leave this page open';
  switch (state) {
    case 'saved':
      return 'Saved';
    case 'saving':
      return 'Saving';
    case 'waiting':
      return `Server not reached; ${here}`;
    case 'conflict':
      return keptHere ? 'Changed elsewhere' : `Changed elsewhere; ${here}`;
    case 'refused':
      return `Not saved; ${here}`;
  }
}

/** Who else has the job open, by name where one is known. */
export function othersWords(names: readonly string[]): string {
  const known = [...new Set(names.filter((name) => name !== ''))];
  const unknown = names.filter((name) => name === '').length;
  const nameless = unknown === 0 ? [] : [unknown === 1 ? 'another window' : `${unknown} other windows`];
  return [...known, ...nameless].join(', ');
}
