import { onScopeDispose, shallowRef, watch, type Ref } from 'vue';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { setupForCorner } from '@/core/4-clearance/case/case-description';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { PlaneWindow } from '@/core/4-clearance/pictures/plane-raster';
import { asCase } from '@/contracts/as-case';
import type { Problem, Result } from '@/core/1-base/problem';
import { PictureClient, type AskedPicture, type PictureKind, type Pictures } from '../workers/picture-client';
import { KeptPictures } from './kept-pictures';

/** What a view wants drawn; null: not now. */
export interface PicturesWanted {
  readonly keepOut: PlaneWindow | null;
  readonly map: boolean;
  readonly swept: boolean;
}

/** ms of rest before a picture is drawn whole; until then it follows the hand, coarse. */
const WHOLE_AFTER_MS = 60;

const KINDS: readonly PictureKind[] = ['keepOut', 'map', 'swept'];

/** Of jobs and corners looked at before, whichever room was in between. */
const KEPT = new KeptPictures();

/**
 * Pictures of the corner's envelope for the document shown, coarse at once and whole when the hand rests. `pending`: what is
 * shown is coarse, or about an older document, and the whole new one is under way.
 */
export function usePictures(file: Ref<LowgapFile | null>, corner: Ref<CornerKey>, wanted: Ref<PicturesWanted>) {
  const pictures = {
    keepOut: shallowRef<Pictures['keepOut'] | null>(null),
    map: shallowRef<Pictures['map'] | null>(null),
    swept: shallowRef<Pictures['swept']>(null),
  };
  const problems = shallowRef<readonly Problem[]>([]);
  const pending = shallowRef({ keepOut: false, map: false, swept: false });
  /** What each kind that was asked for last follows from. */
  const shown: Record<PictureKind, string> = { keepOut: '', map: '', swept: '' };
  /** Of which a whole one is being drawn. */
  const underWay: Record<PictureKind, string> = { keepOut: '', map: '', swept: '' };
  let timer: ReturnType<typeof setTimeout> | undefined;
  // Its worker starts with the first picture, so that it does not hold up the first verdict.
  let started: PictureClient<Asked> | null = null;
  const client = (): PictureClient<Asked> =>
    (started ??= new PictureClient<Asked>({ keepOut: take('keepOut'), map: take('map'), swept: take('swept') }));

  const wait = (kind: PictureKind, isWaiting: boolean): void => {
    if (pending.value[kind] !== isWaiting) pending.value = { ...pending.value, [kind]: isWaiting };
  };

  function take<K extends PictureKind>(kind: K): (answer: Result<Pictures[K]>, asked: Asked) => void {
    return (answer, { key, whole }) => {
      // While a hand moves an older coarse one is shown too; a whole one is only ever the one that is waited for.
      const isNewest = key === shown[kind];
      if (!isNewest && (whole || !pending.value[kind])) return;
      (pictures[kind].value as Pictures[K] | null) = answer.ok ? answer.value : null;
      if (kind !== 'swept') problems.value = answer.ok ? [] : answer.problems;
      if (!whole && answer.ok) return;
      wait(kind, false);
      if (answer.ok) KEPT.keep(kind, key, answer.value);
    };
  }

  watch(
    [file, corner, wanted] as const,
    ([document, key, want]) => {
      clearTimeout(timer);
      if (!document?.corners[key]) {
        for (const kind of KINDS) {
          pictures[kind].value = null;
          shown[kind] = '';
          wait(kind, false);
        }
        return;
      }
      const open = KINDS.filter((kind) => want[kind]).flatMap((kind) => {
        const window = (kind === 'keepOut' && want.keepOut) || undefined;
        const follows = followsFrom(kind, document, key, window);
        const isShown = follows === shown[kind];
        if (isShown && (!pending.value[kind] || underWay[kind] === follows)) return [];
        shown[kind] = follows;
        underWay[kind] = '';
        const kept = KEPT.get(kind, follows);
        if (kept !== undefined) {
          (pictures[kind].value as typeof kept) = kept;
          wait(kind, false);
          return [];
        }
        const asked = { file: document, corner: key, window, key: follows };
        wait(kind, true);
        if (!isShown) client().ask(kind, { ...asked, whole: false } as Asked);
        return [{ kind, asked }];
      });
      if (open.length === 0) return;
      timer = setTimeout(() => {
        for (const { kind, asked } of open) {
          underWay[kind] = asked.key;
          client().ask(kind, { ...asked, whole: true } as Asked);
        }
      }, WHOLE_AFTER_MS);
    },
    { immediate: true },
  );
  onScopeDispose(() => {
    clearTimeout(timer);
    started?.close();
  });
  return { ...pictures, problems, pending };
}

interface Asked extends AskedPicture {
  /** What the picture follows from. */
  readonly key: string;
}

/** All that a picture follows from: of a keep-out region anything but tire, wheel and spacer. */
function followsFrom(kind: PictureKind, file: LowgapFile, key: CornerKey, window: PlaneWindow | undefined): string {
  const { tire, wheel, spacerMm, ...rest } = setupForCorner(asCase(file), key);
  const rotor = kind === 'keepOut' ? null : [tire, wheel, spacerMm];
  return JSON.stringify([
    key,
    file.corners[key],
    rest,
    rotor,
    file.envelope,
    file.drawnEnvelope,
    file.standard,
    window,
  ]);
}
