import { onBeforeUnmount, shallowRef, watch, type Ref } from 'vue';
import type { Job } from '@/contracts/job-api';
import type { Evaluation } from '@/core/4-clearance/verdict/evaluate';
import type { ClearanceWorker } from '../workers/clearance.worker';
import { WorkerLink } from '../workers/worker-link';

/** How every job on the board stands, worked out one after the other while the board is looked at; one that cannot be judged is not there. */
export function useBoardVerdicts(jobs: Readonly<Ref<readonly Job[]>>) {
  const found = shallowRef<ReadonlyMap<string, Evaluation>>(new Map());
  const link = new WorkerLink<ClearanceWorker>(
    () => new Worker(new URL('../workers/clearance.worker.ts', import.meta.url), { type: 'module' }),
  );
  let round = 0;
  watch(
    jobs,
    async (all) => {
      const own = ++round;
      for (const { id, document } of all) {
        const answer = await link.ask(({ remote, wire }) => remote.evaluate(wire(document)));
        if (own !== round || answer === null) return;
        if (answer.ok) found.value = new Map([...found.value, [id, answer.value]]);
      }
    },
    { immediate: true },
  );
  onBeforeUnmount(() => {
    round++;
    link.close();
  });
  return found;
}
