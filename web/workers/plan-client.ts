import { proxy, wrap, type Remote } from 'comlink';
import type { LowgapFile } from '@/contracts/lowgap-file';
import type { PlanEntry, SheetEntry } from '@/contracts/plan';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { ChosenPlan, PlanJudgement } from '@/core/6-decisions/plan/judge-plan';
import type { Result } from '@/core/1-base/problem';
import { DocumentSender } from './document-wire';
import { NewestWins } from './newest-wins';
import type { PlanWorker, TellPlan } from './plan.worker';
import { faultOf, faultResult } from './worker-fault';

interface Judged {
  readonly file: LowgapFile;
  readonly plan: PlanEntry;
  readonly chosen: ChosenPlan;
}

interface Running {
  readonly worker: Worker;
  readonly remote: Remote<PlanWorker>;
  readonly sender: DocumentSender;
}

/** Asks the planner's worker. A search that is cancelled ends the worker; the next question starts another. */
export class PlanClient {
  #running: Running | null = null;
  #cancel: (() => void) | null = null;
  readonly #judge: NewestWins<Judged, Result<PlanJudgement> | null>;

  constructor(judged: (answer: Result<PlanJudgement>) => void) {
    this.#judge = new NewestWins(
      ({ file, plan, chosen }) => this.#ask(({ remote, sender }) => remote.judge(sender.wire(file), plan, chosen)),
      (answer) => answer && judged(answer),
    );
  }

  judge = (question: Judged): void => this.#judge.ask(question);

  search = (file: LowgapFile, plan: PlanEntry, tell: TellPlan) =>
    this.#ask(({ remote, sender }) => remote.search(sender.wire(file), plan, proxy(tell)));

  spacer = (file: LowgapFile, corner: CornerKey, mostMm: number, mended: readonly string[]) =>
    this.#ask(({ remote, sender }) => remote.spacer(sender.wire(file), corner, mostMm, mended));

  sheet = (file: LowgapFile, chosen: ChosenPlan, entry: SheetEntry, mirrored: boolean) =>
    this.#ask(({ remote, sender }) => remote.sheet(sender.wire(file), chosen, entry, mirrored));

  /** Puts an end to whatever is asked; each open question is answered with null. */
  cancel(): void {
    this.#running?.worker.terminate();
    this.#running = null;
    this.#cancel?.();
    this.#cancel = null;
  }

  close(): void {
    this.#judge.forget();
    this.cancel();
  }

  async #ask<T>(question: (running: Running) => Promise<Result<T>>): Promise<Result<T> | null> {
    const running = (this.#running ??= started());
    const cancelled = new Promise<null>((resolve) => {
      const before = this.#cancel;
      this.#cancel = () => {
        before?.();
        resolve(null);
      };
    });
    try {
      return await Promise.race([question(running), faultOf<Result<T>>(running.worker), cancelled]);
    } catch (error) {
      return faultResult(error);
    }
  }
}

function started(): Running {
  const worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
  return { worker, remote: wrap<PlanWorker>(worker), sender: new DocumentSender() };
}
