import { asCase } from '@/contracts/as-case';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { problemText } from '../problem-words';
import type { SidePhotoEntry } from '@/contracts/stance';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import { attempt } from '@/core/1-base/problem';
import { fenderStand } from '@/core/5-consequences/stance/poke';
import { drawnWheel, type DrawnWheel } from '@/core/5-consequences/stance/side-photo';
import { wheelChange } from '@/core/5-consequences/stance/wheel-change';
import { formatMm } from '@/core/1-base/units/length';
import { bothUnits } from '../../core/1-base/units/length';

/** A marked wheel as it is drawn, with what changes in words, or why it cannot be. */
export interface ShownWheel {
  readonly key: CornerKey;
  readonly wheel: DrawnWheel | null;
  readonly says: string;
  readonly problem: string;
}

/** The marked wheels of the side's corners on a photo of that size, pixels. */
export function shownWheels(
  file: LowgapFile,
  photo: SidePhotoEntry,
  size: { readonly width: number; readonly height: number },
): ShownWheel[] {
  if (!size.width) return [];
  return (['front', 'rear'] as const).flatMap((axle): ShownWheel[] => {
    const marked = photo[axle];
    const key: CornerKey = `${axle}${photo.side === 'left' ? 'Left' : 'Right'}`;
    if (!marked || !file.corners[key]) return [];
    const pixels = ({ x, y }: { x: number; y: number }) => ({ x: x * size.width, y: y * size.height });
    const found = attempt(() => {
      const change = wheelChange(asCase(file), key);
      return {
        change,
        wheel: drawnWheel({ hub: pixels(marked.hub), tireEdge: pixels(marked.tireEdge) }, change, change.loadedShare),
        poke: fenderStand(asCase(file), key).pokeMm,
      };
    });
    if (!found.ok) return [{ key, wheel: null, says: '', problem: problemText(found.problems[0]!) }];
    const { change, wheel, poke } = found.value;
    const says = [
      `tire ${formatMm(change.diameterBeforeMm, 0)} to ${formatMm(change.diameterAfterMm, 0)} mm`,
      `fender over the ground ${change.bodyRiseMm < 0 ? '-' : '+'}${formatMm(Math.abs(change.bodyRiseMm), 0)} mm`,
      poke === null
        ? 'poke not known: the fender’s edge is not surveyed at the top'
        : poke < 0
          ? `tucked ${bothUnits(-poke)}`
          : `poke ${bothUnits(poke)}`,
    ].join(', ');
    return [{ key, wheel, says, problem: wheel ? '' : 'Its two marks lie on one place: mark it again.' }];
  });
}
