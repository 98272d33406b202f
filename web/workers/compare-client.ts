import type { LowgapFile, LowgapSetup } from '@/contracts/lowgap-file';
import type { Evaluation } from '@/core/4-clearance/verdict/evaluate';
import type { Result } from '@/core/1-base/problem';
import type { StudyWorker } from './study.worker';
import { WorkerLink } from './worker-link';

interface Question {
  readonly file: LowgapFile;
  /** null stands for what is fitted. */
  readonly setups: readonly (LowgapSetup | null)[];
}

type Answers = readonly Result<Evaluation>[];

/** Asks for the verdicts on several setups of one job; the newest question wins. */
export class CompareClient {
  readonly #link = new WorkerLink<StudyWorker>(
    () => new Worker(new URL('./study.worker.ts', import.meta.url), { type: 'module' }),
  );
  readonly #ask: (question: Question) => void;

  constructor(deliver: (answers: Answers) => void) {
    this.#ask = this.#link.newest(
      async ({ remote }, { file, setups }) => ({ ok: true as const, value: await remote.compare(file, setups) }),
      // A fault is the fault of each.
      (answer, { setups }) => deliver(answer.ok ? answer.value : setups.map(() => answer)),
    );
  }

  ask(file: LowgapFile, setups: readonly (LowgapSetup | null)[]): void {
    this.#ask({ file, setups });
  }

  close(): void {
    this.#link.close();
  }
}
