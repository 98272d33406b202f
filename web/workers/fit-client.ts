import type { LowgapFile } from '@/contracts/lowgap-file';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { Result } from '@/core/1-base/problem';
import type { RoundGap } from '@/core/7-job/test-fit/predict-round';
import type { FitWorker } from './fit.worker';
import { WorkerLink } from './worker-link';

interface Asked {
  readonly file: LowgapFile;
  readonly round: string;
}

/** Asks the test fit's worker. */
export class FitClient {
  readonly #link = new WorkerLink<FitWorker>(
    () => new Worker(new URL('./fit.worker.ts', import.meta.url), { type: 'module' }),
  );
  readonly #predict: (asked: Asked) => void;

  constructor(predicted: (answer: Result<RoundGap[]>) => void) {
    this.#predict = this.#link.newest(
      ({ remote, wire }, { file, round }) => remote.predict(wire(file), round),
      predicted,
    );
  }

  predict = (file: LowgapFile, round: string): void => this.#predict({ file, round });

  learn = (file: LowgapFile, round: string, corner: CornerKey) =>
    this.#link.ask(({ remote, wire }) => remote.learn(wire(file), round, corner));

  close = (): void => this.#link.close();
}
