import { proxy, wrap, type Remote } from 'comlink';
import type { FinderQuestionEntry } from '@/contracts/finder';
import type { LowgapFile } from '@/contracts/lowgap-file';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { Material } from '@/core/3-survey/shape/material';
import type { Result } from '@/core/1-base/problem';
import type { FoundOn } from '@/core/6-decisions/finder/session';
import type { FinderWorker, Tell } from './finder.worker';
import { faultOf, faultResult } from './worker-fault';

/** An answer, or null where the question was put an end to. */
type OrCancelled<T> = Promise<Result<T> | null>;

/** Asks the finder's worker. Cancelling ends the worker, and with it what it knew of the last question. */
export class FinderClient {
  /** The worker and its proxy live and go together: a proxy let go of makes its worker deaf. */
  #running: { readonly worker: Worker; readonly remote: Remote<FinderWorker> } | null = null;
  #cancel: (() => void) | null = null;

  /** Starts the worker before the first question. */
  start(): void {
    this.#running ??= started();
  }

  find = (file: LowgapFile, question: FinderQuestionEntry, tell: Tell) =>
    this.#ask((remote) => remote.find(file, question, proxy(tell)));

  schools = (file: LowgapFile, question: FinderQuestionEntry, tell: Tell) =>
    this.#ask((remote) => remote.schools(file, question, proxy(tell)));

  card = (file: LowgapFile, corner: CornerKey, material: Material) =>
    this.#ask((remote) => remote.card(file, corner, material));

  claim = (file: LowgapFile, text: string) => this.#ask((remote) => remote.claim(file, text));

  takeUp = (file: LowgapFile, question: FinderQuestionEntry) =>
    this.#ask((remote) => remote.takeUp(file, question) as Promise<Result<void>>);

  explain = (axle: FoundOn, number: number) => this.#ask((remote) => remote.explain(axle, number));

  chanceOfRub = (axle: FoundOn, number: number) => this.#ask((remote) => remote.chanceOfRub(axle, number));

  waysTo = (axle: FoundOn, tire: number) =>
    this.#ask(async (remote) => ({ ok: true as const, value: await remote.waysTo(axle, tire) }));

  setup = (axle: FoundOn, number: number) =>
    this.#ask(async (remote) => ({ ok: true as const, value: await remote.setup(axle, number) }));

  pairSetup = (front: number, rear: number) =>
    this.#ask(async (remote) => ({ ok: true as const, value: await remote.pairSetup(front, rear) }));

  /** Puts an end to whatever is asked; each open question is answered with null. */
  cancel(): void {
    this.#running?.worker.terminate();
    this.#running = null;
    this.#cancel?.();
    this.#cancel = null;
  }

  async #ask<T>(question: (remote: Remote<FinderWorker>) => Promise<Result<T>>): OrCancelled<T> {
    const running = (this.#running ??= started());
    const cancelled = new Promise<null>((resolve) => {
      const before = this.#cancel;
      this.#cancel = () => {
        before?.();
        resolve(null);
      };
    });
    try {
      return await Promise.race([question(running.remote), faultOf<Result<T>>(running.worker), cancelled]);
    } catch (error) {
      return faultResult(error);
    }
  }
}

function started(): { worker: Worker; remote: Remote<FinderWorker> } {
  const worker = new Worker(new URL('./finder.worker.ts', import.meta.url), { type: 'module' });
  return { worker, remote: wrap<FinderWorker>(worker) };
}
