import type { LowgapFile } from '@/contracts/lowgap-file';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { Evaluation } from '@/core/4-clearance/verdict/evaluate';
import type { NextReading } from '@/core/6-decisions/next-reading/next-reading';
import type { ObstacleLevers } from '@/core/6-decisions/levers/levers';
import type { CornerSpread } from '@/core/5-consequences/spread/spread';
import type { Result } from '@/core/1-base/problem';
import type { TodayDoubt } from '@/core/5-consequences/today/fitted-today';
import type { StudyWorker } from './study.worker';
import { WorkerLink } from './worker-link';

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

/** What the fitted tire says of the survey, and the document it is about. */
export type Judged = (found: Result<TodayDoubt[]>, file: LowgapFile) => void;

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
  readonly #judge: Judged;
  readonly #link = new WorkerLink<StudyWorker>(
    () => new Worker(new URL('./study.worker.ts', import.meta.url), { type: 'module' }),
  );
  #timer: ReturnType<typeof setTimeout> | undefined;
  #busy = false;

  constructor(
    deliver: (answer: StudyAnswer) => void,
    settle: Settled,
    rotate: (found: Rotation) => void,
    judge: Judged = () => undefined,
  ) {
    this.#judge = judge;
    this.#rotate = rotate;
    this.#deliver = deliver;
    this.#settle = settle;
  }

  /** What is studied is old: it is left, so that it does not hold up what is asked next. */
  leave(): void {
    clearTimeout(this.#timer);
    if (this.#busy) this.#link.cancel();
  }

  ask(question: StudyQuestion): void {
    this.leave();
    this.#timer = setTimeout(() => {
      this.#busy = true;
      void this.#answer(question).finally(() => (this.#busy = false));
    }, SETTLE_MS);
  }

  /** Stops the worker; nothing more is delivered. */
  close(): void {
    clearTimeout(this.#timer);
    this.#link.close();
  }

  /** One after the other; null where a newer question, or leaving, put an end to this one. */
  async #answer({ file, corner, obstacle }: StudyQuestion): Promise<void> {
    const settled = await this.#link.ask(({ remote }) => remote.evaluateAfresh(file));
    if (!settled) return;
    this.#settle(settled, file);
    const today = await this.#link.ask(({ remote }) => remote.today(file));
    if (!today) return;
    this.#judge(today, file);
    // Problems are named by the verdict itself; here there is then simply nothing to add.
    const next = await this.#link.ask(({ remote }) => remote.next(file, corner));
    if (!next) return;
    const first = { corner, next: next.ok ? next.value : [], spread: null, levers: null };
    this.#deliver(first);
    const spread = await this.#link.ask(({ remote }) => remote.spread(file, corner));
    if (!spread) return;
    const answer = { ...first, spread: spread.ok ? spread.value : null };
    this.#deliver(answer);
    if (obstacle !== null) {
      const levers = await this.#link.ask(({ remote }) => remote.levers(file, corner, obstacle));
      if (!levers) return;
      this.#deliver({ ...answer, levers: levers.ok ? levers.value : null });
    }
    const rotated = await this.#link.ask(({ remote }) => remote.rotated(file));
    if (rotated) this.#rotate(rotated);
  }
}
