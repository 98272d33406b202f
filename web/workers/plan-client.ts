import { proxy } from 'comlink';
import type { LowgapFile } from '@/contracts/lowgap-file';
import type { PlanEntry, SheetEntry } from '@/contracts/plan';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { ChosenPlan, PlanJudgement } from '@/core/6-decisions/plan/judge-plan';
import type { Result } from '@/core/1-base/problem';
import type { OrderDocument } from '@/sheets/order-document';
import type { Paper } from '@/sheets/paper';
import type { PlanWorker, TellPlan } from './plan.worker';
import { WorkerLink } from './worker-link';

interface Judged {
  readonly file: LowgapFile;
  readonly plan: PlanEntry;
  readonly chosen: ChosenPlan;
}

/** Asks the planner's worker. A search that is canceled ends the worker, and is answered with null. */
export class PlanClient {
  readonly #link = new WorkerLink<PlanWorker>(
    () => new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' }),
    { limitMs: null },
  );
  readonly judge: (question: Judged) => void;

  constructor(judged: (answer: Result<PlanJudgement>) => void) {
    this.judge = this.#link.newest(
      ({ remote, wire }, { file, plan, chosen }) => remote.judge(wire(file), plan, chosen),
      judged,
    );
  }

  search = (file: LowgapFile, plan: PlanEntry, tell: TellPlan) =>
    this.#link.ask(({ remote, wire }) => remote.search(wire(file), plan, proxy(tell)));

  sections = (file: LowgapFile, plan: PlanEntry, found: readonly ChosenPlan[]) =>
    this.#link.ask(({ remote, wire }) => remote.sections(wire(file), plan, found));

  spacer = (file: LowgapFile, corner: CornerKey, mostMm: number, mended: readonly string[]) =>
    this.#link.ask(({ remote, wire }) => remote.spacer(wire(file), corner, mostMm, mended));

  sheet = (file: LowgapFile, chosen: ChosenPlan, entry: SheetEntry, mirrored: boolean) =>
    this.#link.ask(({ remote, wire }) => remote.sheet(wire(file), chosen, entry, mirrored));

  sheetPdf = (paper: Paper) => this.#link.ask(({ remote }) => remote.sheetPdf(paper));

  orderPdf = (order: OrderDocument, paper: Paper) => this.#link.ask(({ remote }) => remote.orderPdf(order, paper));

  /** Puts an end to whatever is asked; each open question is answered with null. */
  cancel = (): void => this.#link.cancel();

  close = (): void => this.#link.close();
}
