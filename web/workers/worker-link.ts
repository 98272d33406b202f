import { wrap, type Remote } from 'comlink';
import type { LowgapFile } from '@/contracts/lowgap-file';
import type { Result } from '@/core/1-base/problem';
import { DocumentSender, type WiredFile } from './document-wire';
import { NewestWins } from './newest-wins';

/** What a question is given: the worker, and the way of a document to it. */
export interface Line<Api> {
  readonly remote: Remote<Api>;
  readonly wire: (file: LowgapFile) => WiredFile;
}

/** null: given up, since something newer was asked. */
type Question<Api, T> = (line: Line<Api>) => Promise<Result<T> | null>;

interface Running<Api> extends Line<Api> {
  readonly worker: Worker;
  /** Rejects when the worker itself fails, which no call would ever hear of. */
  readonly fault: Promise<never>;
}

export interface LinkOptions {
  /** ms after which a worker that does not answer is given up; null for work that shows how far it is and can be stopped. */
  readonly limitMs?: number | null;
}

/** Longer than anything that does not show how far it is takes on a slow machine. */
const USUAL_LIMIT_MS = 120_000;

/**
 * The one way of every room to its worker. It starts with the first question. A fault, of the worker or of the way to it, is an
 * answer like any other; a worker that failed, or says nothing for too long, is let go of, and the next question starts
 * another. `cancel` ends the worker and answers whatever is open with null.
 */
export class WorkerLink<Api> {
  readonly #make: () => Worker;
  readonly #limitMs: number | null;
  /** The worker and its proxy live and go together: a proxy let go of makes its worker deaf. */
  #running: Running<Api> | null = null;
  readonly #open = new Set<() => void>();
  readonly #newest: NewestWins<never, never>[] = [];

  constructor(make: () => Worker, { limitMs = USUAL_LIMIT_MS }: LinkOptions = {}) {
    this.#make = make;
    this.#limitMs = limitMs;
  }

  /** Starts the worker before the first question. */
  start(): void {
    this.#running ??= this.#started();
  }

  /** null: the question was put an end to. */
  async ask<T>(question: Question<Api, T>): Promise<Result<T> | null> {
    const running = (this.#running ??= this.#started());
    let timer: ReturnType<typeof setTimeout> | undefined;
    let stop: (() => void) | undefined;
    const canceled = new Promise<null>((resolve) => {
      stop = () => resolve(null);
      this.#open.add(stop);
    });
    const late = new Promise<never>((_, reject) => {
      if (this.#limitMs !== null) timer = setTimeout(() => reject(new Error('no answer')), this.#limitMs);
    });
    try {
      return await Promise.race([question(running), running.fault, canceled, late]);
    } catch (error) {
      if (this.#running === running) this.#drop();
      return faultResult(error);
    } finally {
      clearTimeout(timer);
      this.#open.delete(stop!);
    }
  }

  /** Asks one question at a time, always the newest; what is older than what was asked is not delivered. */
  newest<Asked, T>(
    question: (line: Line<Api>, asked: Asked) => Promise<Result<T> | null>,
    deliver: (answer: Result<T>, asked: Asked) => void,
  ): (asked: Asked) => void {
    const asker = new NewestWins<Asked, Result<T> | null>(
      (asked) => this.ask((line) => question(line, asked)),
      (answer, asked) => answer && deliver(answer, asked),
    );
    this.#newest.push(asker as unknown as NewestWins<never, never>);
    return (asked) => asker.ask(asked);
  }

  /** Puts an end to whatever is asked, and to the worker with what it knew. */
  cancel(): void {
    this.#drop();
    for (const stop of [...this.#open]) stop();
  }

  /** The room is left: nothing more is delivered. */
  close(): void {
    for (const asker of this.#newest) asker.forget();
    this.cancel();
  }

  #drop(): void {
    this.#running?.worker.terminate();
    this.#running = null;
  }

  #started(): Running<Api> {
    const worker = this.#make();
    const sender = new DocumentSender();
    const fault = new Promise<never>((_, reject) =>
      worker.addEventListener('error', (event) => reject(new Error(event.message || 'the worker did not start'))),
    );
    fault.catch(() => undefined);
    return { worker, remote: wrap<Api>(worker), wire: (file) => sender.wire(file), fault };
  }
}

/** A fault of a worker or of the way to it, as data. */
export function faultResult(fault: unknown): Result<never> {
  const found = fault instanceof Error ? fault.message : String(fault);
  return {
    ok: false,
    problems: [{ code: 'internal', path: '', expected: 'an answer from the engine', found: found || 'a fault' }],
  };
}
