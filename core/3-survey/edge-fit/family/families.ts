import type { Vec3 } from '../../../1-base/geometry/vec3';
import type { EdgeForm, EdgeKind } from '../../description/edge-kind';
import type { EdgeModel } from '../edge-model';
import { archFamily } from './arch';
import { blockFamily } from './block';
import { cornerFamily } from './corner';
import { cornerArcFamily } from './corner-arc';
import { RAIL, ROD, straightFamily, UPRIGHT } from './straight';
import { tipFamily } from './tip';

/** A family, given about where its edge is (places in the mount's frame, mm; at least one). */
export type EdgeFamily = (near: readonly Vec3[]) => EdgeModel;

/**
 * What an edge of a kind may be: where there is more than one family, the readings say which. `lipAtMm`: about where a fender's lip
 * stands outboard, if that is what an arch is.
 */
export function edgeFamilies(kind: EdgeKind, form: EdgeForm, lipAtMm: number | null): readonly EdgeFamily[] {
  switch (kind) {
    case 'arch':
      return [(near) => archFamily(near, lipAtMm)];
    case 'cornerCurve':
      return [cornerFamily, cornerArcFamily];
    case 'uprightEdge':
      return [(near) => straightFamily(near, 'upright', 0, UPRIGHT)];
    case 'rod': {
      const { runs = 'across', rodDiameterMm = 25 } = form;
      return [(near) => straightFamily(near, runs, rodDiameterMm / 2, runs === 'foreAft' ? RAIL : ROD)];
    }
    case 'box':
      return [(near) => blockFamily(near, form.boxMm ?? [80, 80, 80], form.boxMm ? 3 : 15)];
    case 'tip':
      return [(near) => tipFamily(near, (form.rodDiameterMm ?? 0) / 2)];
  }
}
