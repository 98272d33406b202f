import { demoJobs } from '@/demo/demo-jobs';
import { quantileSorted } from 'd3-array';
import { ask, type Running } from './server-process';

export interface LoadFound {
  readonly clients: number;
  readonly saves: number;
  readonly perSecond: number;
  /** ms, of one save in the middle and of the slowest in twenty. */
  readonly medianMs: number;
  readonly p95Ms: number;
  /** The database's growth over the saves. */
  readonly bytesASave: number;
  /** The same job made anew and opened, without a change. */
  readonly bytesAJob: number;
  readonly openMs: number;
  readonly faults: number;
}

/** So many clients, each with a job of its own, that change one number and go on to the next once the answer is there. */
export async function load(clients: number, seconds: number, server: Running): Promise<LoadFound> {
  const content = JSON.stringify({ ...demoJobs().at(-1)!, title: 'Load' });
  const bytes = async (): Promise<number> =>
    (JSON.parse((await ask(`${server.base}/api/installation`, 'GET')).text) as { databaseBytes: number }).databaseBytes;
  const empty = await bytes();
  const ids: string[] = [];
  for (let i = 0; i < clients; i++) {
    ids.push((JSON.parse((await ask(`${server.base}/api/jobs`, 'POST', content)).text) as { id: string }).id);
  }
  const made = await bytes();
  const opening = performance.now();
  for (const id of ids) await ask(`${server.base}/api/jobs/${id}`, 'GET');
  const openMs = (performance.now() - opening) / clients;
  const took: number[] = [];
  let faults = 0;
  const until = performance.now() + seconds * 1000;
  await Promise.all(
    ids.map(async (id, client) => {
      for (let revision = 1; performance.now() < until; revision++) {
        const was = revision === 1 ? (demoJobs().at(-1)!.customer ?? '') : `Change ${revision - 1}`;
        const change = { path: ['customer'], was, now: `Change ${revision}` };
        const began = performance.now();
        const { status } = await ask(
          `${server.base}/api/jobs/${id}`,
          'PATCH',
          JSON.stringify({ revision, save: `load-${client}-${revision}`, changes: [change] }),
        );
        if (status !== 200) faults++;
        took.push(performance.now() - began);
      }
    }),
  );
  took.sort((a, b) => a - b);
  return {
    clients,
    saves: took.length,
    perSecond: Math.round(took.length / seconds),
    medianMs: Math.round(quantileSorted(took, 0.5)!),
    p95Ms: Math.round(quantileSorted(took, 0.95)!),
    bytesASave: Math.round(((await bytes()) - made) / took.length),
    bytesAJob: Math.round((made - empty) / clients),
    openMs: Math.round(openMs),
    faults,
  };
}
