import { onScopeDispose, shallowRef, watch, type Ref } from 'vue';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { setupForCorner } from '@/core/4-clearance/case/case-description';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { PlaneWindow } from '@/core/4-clearance/pictures/plane-raster';
import { MAP_SIZE, type MapSize, type PostureMap } from '@/core/4-clearance/pictures/posture-map';
import type { SweptShape } from '@/core/4-clearance/pictures/swept-shape';
import { asCase } from '@/contracts/as-case';
import type { Problem } from '@/core/1-base/problem';
import type { KeepOutDrawing } from '../drawing/keep-out-drawing';
import { PictureClient, type PictureAnswers } from '../workers/picture-client';

/** What a view wants drawn; null: not now. */
export interface PicturesWanted {
  readonly keepOut: PlaneWindow | null;
  readonly map: boolean;
  readonly swept: boolean;
}

const QUICK_MAP: MapSize = { steers: 21, travels: 21, others: 3 };

/** ms of rest before the fine map is drawn. */
const FINE_AFTER_MS = 400;

/**
 * Pictures of the corner's envelope for the document shown. `pending`: what is shown is about an older one, and the new
 * one is under way.
 */
export function usePictures(file: Ref<LowgapFile | null>, corner: Ref<CornerKey>, wanted: Ref<PicturesWanted>) {
  const keepOut = shallowRef<KeepOutDrawing | null>(null);
  const map = shallowRef<PostureMap | null>(null);
  const swept = shallowRef<SweptShape | null>(null);
  const problems = shallowRef<readonly Problem[]>([]);
  const pending = shallowRef({ keepOut: false, map: false, swept: false });
  const settled = (kind: keyof typeof pending.value): void => {
    pending.value = { ...pending.value, [kind]: false };
  };
  let shown = '';
  let timer: ReturnType<typeof setTimeout> | undefined;
  // Its worker starts with the first picture, so that it does not hold up the first verdict.
  let started: PictureClient | null = null;
  const client = (): PictureClient => (started ??= new PictureClient(deliver));
  const deliver: PictureAnswers = {
    keepOut: (answer) => {
      keepOut.value = answer.ok ? answer.value : null;
      problems.value = answer.ok ? [] : answer.problems;
      settled('keepOut');
    },
    map: (answer) => {
      map.value = answer.ok ? answer.value : null;
      problems.value = answer.ok ? [] : answer.problems;
      settled('map');
    },
    swept: (answer) => {
      swept.value = answer.ok ? answer.value : null;
      settled('swept');
    },
  };

  watch(
    [file, corner, wanted] as const,
    ([document, key, want]) => {
      clearTimeout(timer);
      if (!document?.corners[key]) {
        [keepOut.value, map.value, swept.value, shown] = [null, null, null, ''];
        return;
      }
      if (want.keepOut) {
        const depends = keepOutDepends(document, key, want.keepOut);
        if (depends !== shown) {
          shown = depends;
          pending.value = { ...pending.value, keepOut: true };
          client().keepOut({ file: document, corner: key, window: want.keepOut });
        }
      }
      if (want.map) {
        pending.value = { ...pending.value, map: true };
        client().map({ file: document, corner: key, size: QUICK_MAP });
        timer = setTimeout(() => client().map({ file: document, corner: key, size: MAP_SIZE }), FINE_AFTER_MS);
      }
      if (want.swept) {
        pending.value = { ...pending.value, swept: true };
        client().swept({ file: document, corner: key });
      }
    },
    { immediate: true },
  );
  onScopeDispose(() => {
    clearTimeout(timer);
    started?.close();
  });
  return { keepOut, map, swept, problems, pending };
}

/** All that a keep-out region follows from: anything but tire, wheel and spacer. */
function keepOutDepends(file: LowgapFile, key: CornerKey, window: PlaneWindow): string {
  const { tire: _, wheel: __, spacerMm: ___, ...rest } = setupForCorner(asCase(file), key);
  return JSON.stringify([key, file.corners[key], rest, file.envelope, file.drawnEnvelope, file.standard, window]);
}
