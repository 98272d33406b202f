import type { OpenDatabase } from '../db/open';
import { SearchRepository } from '../db/search-repository';
import type { FindThreads } from './find-threads';
import type { Searches } from './searches';
import { SearchesHere } from './searches-here';
import { SharedSearches } from './shared-searches';

/** On a PostgreSQL server, where other processes may be, in its queue; else in this process. */
export function openSearches(
  { db, ask, exclusively }: OpenDatabase,
  threads: FindThreads,
  onFault: (error: unknown) => void,
): Promise<Searches> {
  if (!ask) return Promise.resolve(new SearchesHere(threads));
  // Two that lay the queue's tables at once would wait for each other for good.
  return exclusively(() => SharedSearches.open({ rows: new SearchRepository(db), ask, threads, onFault }));
}
