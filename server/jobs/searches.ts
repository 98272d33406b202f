import type { FindRequest, FindState } from '@/contracts/finder-api';

/** Searches running or waiting, of everybody together. */
export const MOST_UNDER_WAY = 20;

export interface UnderWay {
  readonly running: number;
  readonly waiting: number;
}

/** Long searches: begun, looked at and ended by name, at whichever process one asks. */
export interface Searches {
  /** null: so many are under way that one more would not be looked at for minutes. */
  start(request: FindRequest): Promise<FindState | null>;
  /** null: none of that name is kept. */
  state(id: string): Promise<FindState | null>;
  /** Ends a search, or forgets one that is done; false: there is none of that name. */
  cancel(id: string): Promise<boolean>;
  underWay(): Promise<UnderWay>;
  /** Ends this process's part in them. */
  close(): Promise<void>;
}
