import { wrap } from 'comlink';
import type { LowgapFile } from '@/contracts/lowgap-file';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { PlaneWindow } from '@/core/4-clearance/pictures/plane-raster';
import type { MapSize, PostureMap } from '@/core/4-clearance/pictures/posture-map';
import type { SweptShape } from '@/core/4-clearance/pictures/swept-shape';
import type { Result } from '@/core/1-base/problem';
import type { KeepOutDrawing } from '../drawing/keep-out-drawing';
import { DocumentSender } from './document-wire';
import { NewestWins } from './newest-wins';
import type { PictureWorker } from './picture.worker';
import { faultOf, faultResult } from './worker-fault';

interface About {
  readonly file: LowgapFile;
  readonly corner: CornerKey;
}

export interface PictureAnswers {
  readonly keepOut: (answer: Result<KeepOutDrawing>) => void;
  readonly map: (answer: Result<PostureMap>) => void;
  readonly swept: (answer: Result<SweptShape | null>) => void;
}

/** Asks for pictures of a corner; of each kind the newest question wins. */
export class PictureClient {
  readonly keepOut: NewestWins<About & { readonly window: PlaneWindow }, Result<KeepOutDrawing>>;
  readonly map: NewestWins<About & { readonly size: MapSize }, Result<PostureMap>>;
  readonly swept: NewestWins<About, Result<SweptShape | null>>;
  readonly #worker: Worker;

  constructor(deliver: PictureAnswers) {
    this.#worker = new Worker(new URL('./picture.worker.ts', import.meta.url), { type: 'module' });
    const remote = wrap<PictureWorker>(this.#worker);
    const fault = faultOf<never>(this.#worker);
    const sender = new DocumentSender();
    const safely = <T>(answer: Promise<Result<T>>): Promise<Result<T>> =>
      Promise.race([answer, fault]).catch(faultResult);
    this.keepOut = new NewestWins(
      ({ file, corner, window }) =>
        safely(remote.keepOut(sender.wire(file), corner, window) as Promise<Result<KeepOutDrawing>>),
      deliver.keepOut,
    );
    this.map = new NewestWins(
      ({ file, corner, size }) => safely(remote.map(sender.wire(file), corner, size) as Promise<Result<PostureMap>>),
      deliver.map,
    );
    this.swept = new NewestWins(
      ({ file, corner }) => safely(remote.swept(sender.wire(file), corner) as Promise<Result<SweptShape | null>>),
      deliver.swept,
    );
  }

  close(): void {
    for (const asker of [this.keepOut, this.map, this.swept]) asker.forget();
    this.#worker.terminate();
  }
}
