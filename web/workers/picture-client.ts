import type { LowgapFile } from '@/contracts/lowgap-file';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { PlaneWindow } from '@/core/4-clearance/pictures/plane-raster';
import type { MapSize, PostureMap } from '@/core/4-clearance/pictures/posture-map';
import type { SweptShape } from '@/core/4-clearance/pictures/swept-shape';
import type { Result } from '@/core/1-base/problem';
import type { KeepOutDrawing } from '../drawing/keep-out-drawing';
import type { PictureWorker } from './picture.worker';
import { WorkerLink } from './worker-link';

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
  readonly #link = new WorkerLink<PictureWorker>(
    () => new Worker(new URL('./picture.worker.ts', import.meta.url), { type: 'module' }),
  );
  readonly keepOut: (asked: About & { readonly window: PlaneWindow }) => void;
  readonly map: (asked: About & { readonly size: MapSize }) => void;
  readonly swept: (asked: About) => void;

  constructor(deliver: PictureAnswers) {
    this.keepOut = this.#link.newest(
      ({ remote, wire }, { file, corner, window }) => remote.keepOut(wire(file), corner, window),
      deliver.keepOut,
    );
    this.map = this.#link.newest(
      ({ remote, wire }, { file, corner, size }) => remote.map(wire(file), corner, size),
      deliver.map,
    );
    this.swept = this.#link.newest(
      ({ remote, wire }, { file, corner }) => remote.swept(wire(file), corner),
      deliver.swept,
    );
  }

  close = (): void => this.#link.close();
}
