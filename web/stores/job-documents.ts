import { defineStore } from 'pinia';
import type { Job, JobHead } from '@/contracts/job-api';
import { api } from '../api';

/** Documents asked for at once. */
const AT_ONCE = 4;

/** Documents kept; the one asked for longest ago goes first. */
const MOST_KEPT = 400;

/**
 * Documents of jobs of the board, fetched where somebody needs them and kept by revision. The list of jobs has none: a
 * thousand of them are not sent to show their names.
 */
export const useJobDocuments = defineStore('jobDocuments', () => {
  const kept = new Map<string, Promise<Job | null>>();

  /** null: it cannot be had now, or this version cannot read it. */
  function documentOf({ id, revision }: Pick<JobHead, 'id' | 'revision'>): Promise<Job | null> {
    const name = `${id}:${revision}`;
    const known = kept.get(name);
    if (known) return known;
    const asked = api.readJob(id).then((read) => {
      if (read.ok) return read.value;
      kept.delete(name);
      return null;
    });
    kept.set(name, asked);
    if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value!);
    return asked;
  }

  /** All of them that can be had, in their order. */
  async function documentsOf(heads: readonly Pick<JobHead, 'id' | 'revision'>[]): Promise<Job[]> {
    const found: (Job | null)[] = [];
    for (let from = 0; from < heads.length; from += AT_ONCE) {
      found.push(...(await Promise.all(heads.slice(from, from + AT_ONCE).map(documentOf))));
    }
    return found.filter((job): job is Job => job !== null);
  }

  return { documentOf, documentsOf };
});
