import { expose, transfer } from 'comlink';
import { asCase } from '@/contracts/as-case';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { prepareDescribed } from '@/core/4-clearance/case/described-corner';
import { inOneGo, type Piecemeal } from '@/core/1-base/piecemeal';
import { drawKeepOut, KEEP_OUT_COARSE, KEEP_OUT_WHOLE } from '@/core/4-clearance/pictures/keep-out';
import type { PlaneWindow } from '@/core/4-clearance/pictures/plane-raster';
import { drawPostureMap, MAP_COARSE, MAP_SIZE, type PostureMap } from '@/core/4-clearance/pictures/posture-map';
import type { PreparedCorner } from '@/core/4-clearance/case/prepared-corner';
import { ObstacleCache } from '@/core/3-survey/prepared/obstacle-cache';
import { STANDARDS, type Standard } from '@/core/4-clearance/case/standard';
import { drawSweptShape, SWEPT_COARSE, SWEPT_DETAIL, type SweptShape } from '@/core/4-clearance/pictures/swept-shape';
import { attempt, type Result } from '@/core/1-base/problem';
import { DocumentReceiver, type WiredFile } from './document-wire';
import { keepOutDrawing, type KeepOutDrawing } from '../drawing/keep-out-drawing';
import { Turns, unlessOvertaken } from './overtaken';

/**
 * Pictures of a corner's whole envelope, each coarse and at once, or whole. A whole one is given up, and null, when another of its kind
 * is asked for.
 */
export interface PictureWorker {
  keepOut(file: WiredFile, corner: CornerKey, whole: boolean, window: PlaneWindow): Answer<KeepOutDrawing>;
  map(file: WiredFile, corner: CornerKey, whole: boolean): Answer<PostureMap>;
  swept(file: WiredFile, corner: CornerKey, whole: boolean): Answer<SweptShape | null>;
}

type Answer<T> = Promise<Result<T> | null>;

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

const turns = { keepOut: new Turns(), map: new Turns(), swept: new Turns() };

/** Draws one picture, unless it is a whole one that is overtaken. */
async function draw<T>(
  { prepared, standard }: Taken,
  kind: keyof typeof turns,
  whole: boolean,
  drawing: (corner: PreparedCorner, standard: Standard) => Piecemeal<T>,
): Answer<T> {
  const isOvertaken = turns[kind].next();
  const work = attempt(() => drawing(prepared(), standard));
  if (!work.ok) return work;
  if (!whole) return attempt(() => inOneGo(work.value));
  try {
    const value = await unlessOvertaken(work.value, isOvertaken);
    return value === null && isOvertaken() ? null : { ok: true, value: value as T };
  } catch (error) {
    return attempt(() => {
      throw error;
    });
  }
}

export const worker: PictureWorker = {
  keepOut: async (file, corner, whole, window) => {
    const detail = whole ? KEEP_OUT_WHOLE : KEEP_OUT_COARSE;
    const made = await draw(take(file, corner), 'keepOut', whole, (prepared, standard) =>
      drawKeepOut(prepared, standard, window, detail),
    );
    return made?.ok ? attempt(() => keepOutDrawing(made.value)) : made;
  },
  map: async (file, corner, whole) => {
    const made = await draw(take(file, corner), 'map', whole, (prepared, standard) =>
      drawPostureMap(prepared, standard, whole ? MAP_SIZE : MAP_COARSE),
    );
    return made?.ok
      ? transfer(
          made,
          made.value.obstacles.flatMap(({ gapMm, marginMm }) => [gapMm.buffer, marginMm.buffer]),
        )
      : made;
  },
  swept: (file, corner, whole) =>
    draw(take(file, corner), 'swept', whole, (prepared) =>
      drawSweptShape(prepared, whole ? SWEPT_DETAIL : SWEPT_COARSE),
    ),
};

expose(worker);
