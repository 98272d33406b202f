import { proxy } from 'comlink';
import type { FinderQuestionEntry } from '@/contracts/finder';
import type { LowgapFile } from '@/contracts/lowgap-file';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { Material } from '@/core/3-survey/shape/material';
import type { FoundOn } from '@/core/6-decisions/finder/session';
import type { FinderWorker, Tell } from './finder.worker';
import { WorkerLink } from './worker-link';

/** Asks the finder's worker. Cancelling ends the worker, and with it what it knew of the last question; an answer is null then. */
export class FinderClient {
  readonly #link = new WorkerLink<FinderWorker>(
    () => new Worker(new URL('./finder.worker.ts', import.meta.url), { type: 'module' }),
    { limitMs: null },
  );

  /** Starts the worker before the first question. */
  start = (): void => this.#link.start();

  find = (file: LowgapFile, question: FinderQuestionEntry, tell: Tell) =>
    this.#link.ask(({ remote }) => remote.find(file, question, proxy(tell)));

  schools = (file: LowgapFile, question: FinderQuestionEntry, tell: Tell) =>
    this.#link.ask(({ remote }) => remote.schools(file, question, proxy(tell)));

  card = (file: LowgapFile, corner: CornerKey, material: Material) =>
    this.#link.ask(({ remote }) => remote.card(file, corner, material));

  claim = (file: LowgapFile, text: string) => this.#link.ask(({ remote }) => remote.claim(file, text));

  takeUp = (file: LowgapFile, question: FinderQuestionEntry) =>
    this.#link.ask<void>(({ remote }) => remote.takeUp(file, question));

  explain = (axle: FoundOn, number: number) => this.#link.ask(({ remote }) => remote.explain(axle, number));

  chanceOfRub = (axle: FoundOn, number: number) => this.#link.ask(({ remote }) => remote.chanceOfRub(axle, number));

  waysTo = (axle: FoundOn, tire: number) =>
    this.#link.ask(async ({ remote }) => ({ ok: true as const, value: await remote.waysTo(axle, tire) }));

  setup = (axle: FoundOn, number: number) =>
    this.#link.ask(async ({ remote }) => ({ ok: true as const, value: await remote.setup(axle, number) }));

  pairSetup = (front: number, rear: number) =>
    this.#link.ask(async ({ remote }) => ({ ok: true as const, value: await remote.pairSetup(front, rear) }));

  /** Puts an end to whatever is asked; each open question is answered with null. */
  cancel = (): void => this.#link.cancel();
}
