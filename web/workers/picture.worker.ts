import { expose, transfer } from 'comlink';
import { asCase } from '@/contracts/as-case';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { prepareDescribed } from '@/core/4-clearance/case/described-corner';
import { keepOut } from '@/core/4-clearance/pictures/keep-out';
import type { PlaneWindow } from '@/core/4-clearance/pictures/plane-raster';
import { postureMap, type MapSize, type PostureMap } from '@/core/4-clearance/pictures/posture-map';
import type { PreparedCorner } from '@/core/4-clearance/case/prepared-corner';
import { ObstacleCache } from '@/core/3-survey/prepared/obstacle-cache';
import { STANDARDS, type Standard } from '@/core/4-clearance/case/standard';
import { sweptShape, type SweptShape } from '@/core/4-clearance/pictures/swept-shape';
import { attempt, type Result } from '@/core/1-base/problem';
import { DocumentReceiver, type WiredFile } from './document-wire';
import { keepOutDrawing, type KeepOutDrawing } from '../drawing/keep-out-drawing';

/** Pictures of a corner's whole envelope: they follow the hand, but need not keep up with it. */
export interface PictureWorker {
  keepOut(file: WiredFile, corner: CornerKey, window: PlaneWindow): Result<KeepOutDrawing>;
  map(file: WiredFile, corner: CornerKey, size: MapSize): Result<PostureMap>;
  swept(file: WiredFile, corner: CornerKey): Result<SweptShape | null>;
}

const cache = new ObstacleCache();

const receiver = new DocumentReceiver();

interface Taken {
  readonly standard: Standard;
  readonly prepared: () => PreparedCorner;
}

/** Taken in at once, as documents must be in their order; prepared where a problem is caught. */
function take(wired: WiredFile, corner: CornerKey): Taken {
  const file = receiver.unwire(wired);
  return {
    standard: STANDARDS[file.standard],
    prepared: () => prepareDescribed(asCase(file), corner, cache.survey),
  };
}

export const worker: PictureWorker = {
  keepOut: (file, corner, window) => {
    const { prepared, standard } = take(file, corner);
    return attempt(() => keepOutDrawing(keepOut(prepared(), standard, window)));
  },
  map: (file, corner, size) => {
    const { prepared, standard } = take(file, corner);
    const made = attempt(() => postureMap(prepared(), standard, size));
    return made.ok
      ? transfer(
          made,
          made.value.obstacles.flatMap(({ gapMm, marginMm }) => [gapMm.buffer, marginMm.buffer]),
        )
      : made;
  },
  swept: (file, corner) => {
    const { prepared } = take(file, corner);
    return attempt(() => sweptShape(prepared()));
  },
};

expose(worker);
