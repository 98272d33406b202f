import { seededRandom } from '@/core/1-base/numeric/seeded-random';
import { demoJobs } from '@/demo/demo-jobs';
import { ask, running } from './server-process';

export interface KillsFound {
  readonly kills: number;
  readonly acknowledged: number;
  readonly lost: number;
}

const WRITERS = 4;

/**
 * Kills a server (SIGKILL) while several writers save, as often as asked, and looks after every start whether each save that
 * was answered is there.
 */
export async function killed(times: number, port: number, env: NodeJS.ProcessEnv, seed: number): Promise<KillsFound> {
  const random = seededRandom(seed);
  const demo = demoJobs().at(-1)!;
  const frontLeft = { ...demo.document.corners.frontLeft!, typed: counters(0) };
  const corners = { ...demo.document.corners, frontLeft };
  const content = { ...demo, title: 'Killed', document: { ...demo.document, corners } };
  const first = await running(port, env);
  const made = await ask(`${first.base}/api/jobs`, 'POST', JSON.stringify(content));
  const { id } = JSON.parse(made.text) as { id: string };
  let server = first;
  /** Of each writer, the last number that was answered, and the last that was sent. */
  const answered = new Array<number>(WRITERS).fill(0);
  const sent = new Array<number>(WRITERS).fill(0);
  let acknowledged = 0;
  let lost = 0;
  for (let kill = 0; kill < times; kill++) {
    let isOver = false;
    const { base } = server;
    const opened = JSON.parse((await ask(`${base}/api/jobs/${id}`, 'GET')).text) as { revision: number };
    const writers = answered.map(async (_from, w) => {
      let { revision } = opened;
      for (let n = answered[w]!; !isOver;) {
        sent[w] = n + 1;
        const path = ['document', 'corners', 'frontLeft', 'typed', `writer${w}`];
        const changes = [{ path, was: String(n), now: String(n + 1) }];
        const body = JSON.stringify({ revision, save: `kill-${kill}-${w}-${n + 1}`, changes });
        const { status, text } = await ask(`${base}/api/jobs/${id}`, 'PATCH', body);
        if (status !== 200) continue;
        ({ revision } = JSON.parse(text) as { revision: number });
        answered[w] = ++n;
        acknowledged++;
      }
    });
    await new Promise((resolve) => setTimeout(resolve, 100 + 900 * random()));
    await server.kill();
    isOver = true;
    await Promise.all(writers);
    server = await running(port, env);
    const { document } = JSON.parse((await ask(`${server.base}/api/jobs/${id}`, 'GET')).text) as typeof content;
    for (let w = 0; w < WRITERS; w++) {
      const kept = Number(document.corners.frontLeft!.typed![`writer${w}`]);
      // What was sent and not answered may be there or not.
      if (!(kept === answered[w] || kept === sent[w])) lost += Math.max(1, answered[w]! - kept);
      answered[w] = kept;
    }
  }
  await server.kill();
  return { kills: times, acknowledged, lost };
}

const counters = (n: number): Record<string, string> =>
  Object.fromEntries(Array.from({ length: WRITERS }, (_, w) => [`writer${w}`, String(n)]));
