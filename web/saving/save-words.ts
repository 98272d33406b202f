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
