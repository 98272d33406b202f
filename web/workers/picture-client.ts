import type { LowgapFile } from '@/contracts/lowgap-file';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { PlaneWindow } from '@/core/4-clearance/pictures/plane-raster';
import type { PostureMap } from '@/core/4-clearance/pictures/posture-map';
import type { SweptShape } from '@/core/4-clearance/pictures/swept-shape';
import type { Result } from '@/core/1-base/problem';
import type { KeepOutDrawing } from '../drawing/keep-out-drawing';
import type { PictureWorker } from './picture.worker';
import { WorkerLink } from './worker-link';

/** What each kind of picture comes as. */
export interface Pictures {
  readonly keepOut: KeepOutDrawing;
  readonly map: PostureMap;
  readonly swept: SweptShape | null;
}

export type PictureKind = keyof Pictures;

/** A picture that is asked for; `whole`: else coarse and at once. The window is the keep-out region's. */
export interface AskedPicture {
  readonly file: LowgapFile;
  readonly corner: CornerKey;
  readonly window?: PlaneWindow | undefined;
  readonly whole: boolean;
}

export type PictureAnswers<Asked extends AskedPicture> = {
  readonly [K in PictureKind]: (answer: Result<Pictures[K]>, asked: Asked) => void;
};

type Ask<Asked> = (asked: Asked) => void;

/** Asks for pictures of a corner; of each kind, coarse ones and whole ones apart, the newest question wins. */
export class PictureClient<Asked extends AskedPicture = AskedPicture> {
  readonly #link = new WorkerLink<PictureWorker>(
    () => new Worker(new URL('./picture.worker.ts', import.meta.url), { type: 'module' }),
  );
  readonly #askers: Readonly<Record<PictureKind, { readonly coarse: Ask<Asked>; readonly whole: Ask<Asked> }>>;

  constructor({ keepOut, map, swept }: PictureAnswers<Asked>) {
    const keepOutAsker = (): Ask<Asked> =>
      this.#link.newest(
        ({ remote, wire }, { file, corner, whole, window }: Asked) =>
          remote.keepOut(wire(file), corner, whole, window!),
        keepOut,
      );
    const mapAsker = (): Ask<Asked> =>
      this.#link.newest(
        ({ remote, wire }, { file, corner, whole }: Asked) => remote.map(wire(file), corner, whole),
        map,
      );
    const sweptAsker = (): Ask<Asked> =>
      this.#link.newest(
        ({ remote, wire }, { file, corner, whole }: Asked) => remote.swept(wire(file), corner, whole),
        swept,
      );
    this.#askers = {
      keepOut: { coarse: keepOutAsker(), whole: keepOutAsker() },
      map: { coarse: mapAsker(), whole: mapAsker() },
      swept: { coarse: sweptAsker(), whole: sweptAsker() },
    };
  }

  ask(kind: PictureKind, asked: Asked): void {
    this.#askers[kind][asked.whole ? 'whole' : 'coarse'](asked);
  }

  close = (): void => this.#link.close();
}
