import { expose, transfer } from 'comlink';
import { asCase } from '@/contracts/as-case';
import type { LowgapFile } from '@/contracts/lowgap-file';
import type { CornerKey } from '@/core/clearance/description';
import { prepareDescribed } from '@/core/clearance/described-corner';
import { keepOut } from '@/core/clearance/keep-out';
import type { PlaneWindow } from '@/core/clearance/plane-raster';
import { postureMap, type MapSize, type PostureMap } from '@/core/clearance/posture-map';
import type { PreparedCorner } from '@/core/clearance/prepare';
import { ObstacleShelf } from '@/core/clearance/obstacle-shelf';
import { STANDARDS } from '@/core/clearance/standard';
import { sweptShape, type SweptShape } from '@/core/clearance/swept-shape';
import { attempt, type Result } from '@/core/problem';
import { keepOutDrawing, type KeepOutDrawing } from '../drawing/keep-out-drawing';

/** Pictures of a corner's whole envelope: they follow the hand, but need not keep up with it. */
export interface PictureWorker {
  keepOut(file: LowgapFile, corner: CornerKey, window: PlaneWindow): Result<KeepOutDrawing>;
  map(file: LowgapFile, corner: CornerKey, size: MapSize): Result<PostureMap>;
  swept(file: LowgapFile, corner: CornerKey): Result<SweptShape | null>;
}

const shelf = new ObstacleShelf();

const prepared = (file: LowgapFile, corner: CornerKey): PreparedCorner =>
  prepareDescribed(asCase(file), corner, shelf.survey);

const worker: PictureWorker = {
  keepOut: (file, corner, window) =>
    attempt(() => keepOutDrawing(keepOut(prepared(file, corner), STANDARDS[file.standard], window))),
  map: (file, corner, size) => {
    const made = attempt(() => postureMap(prepared(file, corner), STANDARDS[file.standard], size));
    return made.ok
      ? transfer(
          made,
          made.value.obstacles.flatMap(({ gapMm, marginMm }) => [gapMm.buffer, marginMm.buffer]),
        )
      : made;
  },
  swept: (file, corner) => attempt(() => sweptShape(prepared(file, corner))),
};

expose(worker);
