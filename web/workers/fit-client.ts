import { wrap, type Remote } from 'comlink';
import type { LowgapFile } from '@/contracts/lowgap-file';
import type { Calibration } from '@/core/5-consequences/calibration/calibrate';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { Result } from '@/core/1-base/problem';
import type { RoundGap } from '@/core/7-job/test-fit/predict-round';
import { DocumentSender } from './document-wire';
import type { FitWorker } from './fit.worker';
import { NewestWins } from './newest-wins';
import { faultOf, faultResult } from './worker-fault';

interface Running {
  readonly worker: Worker;
  readonly remote: Remote<FitWorker>;
  readonly sender: DocumentSender;
}

interface Asked {
  readonly file: LowgapFile;
  readonly round: string;
}

/** Asks the test fit's worker. */
export class FitClient {
  #running: Running | null = null;
  readonly #predict: NewestWins<Asked, Result<RoundGap[]>>;

  constructor(predicted: (answer: Result<RoundGap[]>) => void) {
    this.#predict = new NewestWins(
      ({ file, round }) => this.#ask(({ remote, sender }) => remote.predict(sender.wire(file), round)),
      predicted,
    );
  }

  predict = (file: LowgapFile, round: string): void => this.#predict.ask({ file, round });

  learn = (file: LowgapFile, round: string, corner: CornerKey): Promise<Result<Calibration>> =>
    this.#ask(({ remote, sender }) => remote.learn(sender.wire(file), round, corner));

  close(): void {
    this.#predict.forget();
    this.#running?.worker.terminate();
    this.#running = null;
  }

  async #ask<T>(question: (running: Running) => Promise<Result<T>>): Promise<Result<T>> {
    const running = (this.#running ??= started());
    try {
      return await Promise.race([question(running), faultOf<Result<T>>(running.worker)]);
    } catch (error) {
      return faultResult(error);
    }
  }
}

function started(): Running {
  const worker = new Worker(new URL('./fit.worker.ts', import.meta.url), { type: 'module' });
  return { worker, remote: wrap<FitWorker>(worker), sender: new DocumentSender() };
}
