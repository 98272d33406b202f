import { wrap } from 'comlink';
import type { LowgapFile, LowgapSetup } from '@/contracts/lowgap-file';
import type { Evaluation } from '@/core/4-clearance/verdict/evaluate';
import type { Result } from '@/core/1-base/problem';
import { NewestWins } from './newest-wins';
import type { StudyWorker } from './study.worker';
import { faultOf, faultResult } from './worker-fault';

interface Question {
  readonly file: LowgapFile;
  /** null stands for what is fitted. */
  readonly setups: readonly (LowgapSetup | null)[];
}

type Answers = readonly Result<Evaluation>[];

/** Asks for the verdicts on several setups of one job; the newest question wins. */
export class CompareClient {
  readonly #worker: Worker;
  readonly #asker: NewestWins<Question, Answers>;

  constructor(deliver: (answers: Answers) => void) {
    this.#worker = new Worker(new URL('./study.worker.ts', import.meta.url), { type: 'module' });
    const remote = wrap<StudyWorker>(this.#worker);
    const fault = faultOf<Answers>(this.#worker);
    this.#asker = new NewestWins(
      ({ file, setups }) =>
        Promise.race([remote.compare(file, setups) as Promise<Answers>, fault]).catch((error: unknown) =>
          setups.map(() => faultResult(error)),
        ),
      deliver,
    );
  }

  ask(file: LowgapFile, setups: readonly (LowgapSetup | null)[]): void {
    this.#asker.ask({ file, setups });
  }

  close(): void {
    this.#asker.forget();
    this.#worker.terminate();
  }
}
