import { wrap, type Remote } from 'comlink';
import type { LowgapFile } from '@/contracts/lowgap-file';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { Evaluation } from '@/core/4-clearance/verdict/evaluate';
import type { NextReading } from '@/core/6-decisions/next-reading/next-reading';
import type { ObstacleLevers } from '@/core/6-decisions/levers/levers';
import type { CornerSpread } from '@/core/5-consequences/spread/spread';
import type { Result } from '@/core/1-base/problem';
import type { StudyWorker } from './study.worker';

export interface StudyQuestion {
  readonly file: LowgapFile;
  readonly corner: CornerKey;
  /** The obstacle to find levers for, where it rubs. */
  readonly obstacle: string | null;
}

export interface StudyAnswer {
  readonly corner: CornerKey;
  readonly next: readonly NextReading[];
  readonly spread: CornerSpread | null;
  readonly levers: ObstacleLevers | null;
}

/** A verdict that depends on nothing seen before, and the document it is about. */
export type Settled = (answer: Result<Evaluation>, file: LowgapFile) => void;

/** The verdict after a rotation front to rear; null where that changes nothing. */
export type Rotation = Result<Evaluation | null>;

/** ms a question waits for a newer one. */
const SETTLE_MS = 350;

/**
 * Studies the newest document once the hand rests: the settled verdict, spread and levers. A newer question puts an end to the one under way,
 * so that nothing stale is delivered and nothing long is waited for.
 */
export class StudyClient {
  readonly #deliver: (answer: StudyAnswer) => void;
  readonly #settle: Settled;
  readonly #rotate: (found: Rotation) => void;
  /** The worker and its proxy live and go together: a proxy let go of makes its worker deaf. */
  #study: { readonly worker: Worker; readonly remote: Remote<StudyWorker> } | null = null;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #busy = false;

  constructor(deliver: (answer: StudyAnswer) => void, settle: Settled, rotate: (found: Rotation) => void) {
    this.#rotate = rotate;
    this.#deliver = deliver;
    this.#settle = settle;
  }

  ask(question: StudyQuestion): void {
    clearTimeout(this.#timer);
    if (this.#busy) this.close();
    this.#timer = setTimeout(() => void this.#answer(question), SETTLE_MS);
  }

  /** Stops the worker; nothing more is delivered. */
  close(): void {
    clearTimeout(this.#timer);
    this.#study?.worker.terminate();
    this.#study = null;
    this.#busy = false;
  }

  async #answer({ file, corner, obstacle }: StudyQuestion): Promise<void> {
    const study = (this.#study ??= started());
    const { remote } = study;
    this.#busy = true;
    const settled = await remote.evaluateAfresh(file);
    if (this.#study !== study) return;
    this.#settle(settled as Result<Evaluation>, file);
    // Problems are named by the verdict itself; here there is then simply nothing to add.
    const next = await remote.next(file, corner);
    if (this.#study !== study) return;
    const first = { corner, next: next.ok ? next.value : [], spread: null, levers: null };
    this.#deliver(first);
    const spread = await remote.spread(file, corner);
    if (this.#study !== study) return;
    const answer = { ...first, spread: spread.ok ? spread.value : null };
    this.#deliver(answer);
    if (obstacle !== null) {
      const levers = await remote.levers(file, corner, obstacle);
      if (this.#study !== study) return;
      this.#deliver({ ...answer, levers: levers.ok ? levers.value : null });
    }
    const rotated = await remote.rotated(file);
    if (this.#study !== study) return;
    this.#rotate(rotated as Rotation);
    this.#busy = false;
  }
}

function started(): { worker: Worker; remote: Remote<StudyWorker> } {
  const worker = new Worker(new URL('./study.worker.ts', import.meta.url), { type: 'module' });
  return { worker, remote: wrap<StudyWorker>(worker) };
}
