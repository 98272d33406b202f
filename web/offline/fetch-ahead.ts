import { jobListSchema } from '@/contracts/job-api';

/** What rooms ask for whatever the job. */
export const ASKED = ['/api/people/me', '/api/jobs', '/api/catalogue', '/api/wells', '/api/shop'];

/** Jobs of the board that are fetched, the last changed first. */
const MOST_AHEAD = 30;

/**
 * Has everything asked that rooms ask for, and the jobs of the board, so that it is kept by whoever answers `ask`. Stops, without a word, at the first
 * question that has no answer: what is opened later is kept then.
 */
export async function fetchAhead(ask: (path: string) => Promise<Response>): Promise<void> {
  try {
    for (const path of ASKED.filter((one) => one !== '/api/jobs')) await ask(path);
    const listed = jobListSchema.safeParse(await (await ask('/api/jobs')).json());
    const heads = listed.success ? listed.data.jobs : [];
    const newest = heads.toSorted((a, b) => b.updatedAt.localeCompare(a.updatedAt)).slice(0, MOST_AHEAD);
    for (const { id } of newest) await ask(`/api/jobs/${id}`);
  } catch {
    // Away, or nobody is signed in yet.
  }
}
