import { onBeforeUnmount, shallowRef } from 'vue';
import type { Job, JobHead } from '@/contracts/job-api';
import type { Evaluation } from '@/core/4-clearance/verdict/evaluate';
import { useJobDocuments } from '../stores/job-documents';
import type { ClearanceWorker } from '../workers/clearance.worker';
import { WorkerLink } from '../workers/worker-link';

export interface Standing {
  readonly job: Job;
  /** null: it cannot be judged. */
  readonly evaluation: Evaluation | null;
}

/** How jobs on the board stand, worked out one after the other as their cards come into sight; one whose document cannot be had is not there. */
export function useBoardVerdicts() {
  const found = shallowRef<ReadonlyMap<string, Standing>>(new Map());
  const documents = useJobDocuments();
  const link = new WorkerLink<ClearanceWorker>(
    () => new Worker(new URL('../workers/clearance.worker.ts', import.meta.url), { type: 'module' }),
  );
  const wanted: JobHead[] = [];
  let isLeft = false;
  let isWorking = false;

  async function work(): Promise<void> {
    if (isWorking) return;
    isWorking = true;
    for (let head = wanted.shift(); head && !isLeft; head = wanted.shift()) {
      const { id } = head;
      const job = await documents.documentOf(head);
      if (!job || isLeft) continue;
      const answer = await link.ask(({ remote, wire }) => remote.evaluate(wire(job.document)));
      if (isLeft || answer === null) continue;
      found.value = new Map([...found.value, [id, { job, evaluation: answer.ok ? answer.value : null }]]);
    }
    isWorking = false;
  }

  /** A card came into sight. */
  function see(head: JobHead): void {
    if (found.value.get(head.id)?.job.revision === head.revision || wanted.includes(head)) return;
    wanted.push(head);
    void work();
  }

  onBeforeUnmount(() => {
    isLeft = true;
    link.close();
  });
  return { found, see };
}
