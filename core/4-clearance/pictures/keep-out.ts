import type { Posture } from '../../2-vehicle/motion/corner-motion';
import { KEEP_OUT_PLACES_MM } from '../../1-base/tolerances';
import { KeepOutPainter, type KeepOutField, type KeepOutZone } from './keep-out-painter';
import { piecePlaces } from '../../3-survey/shape/piece-places';
import type { PreparedCorner } from '../case/prepared-corner';
import type { PlaneWindow } from './plane-raster';
import { standardRegions, type Standard, wantedAs } from '../case/standard';

export { KEEP_OUT_ZONES, type KeepOutField, type KeepOutZone } from './keep-out-painter';

/**
 * The clear section of a corner: everything the wheel can ever meet, in every posture of its envelope, in the plane of
 * axle line (mm outboard of the hub face) and radius. It does not depend on tire, wheel or spacer.
 */
export interface KeepOut {
  readonly window: PlaneWindow;
  /** null where nothing of that zone lies in the window. */
  readonly zones: Readonly<Record<KeepOutZone, KeepOutField | null>>;
  /** Ids. */
  readonly obstacles: readonly string[];
  readonly postures: readonly Posture[];
  /** Most pieces that were passed over for one that was drawn; 1 unless a scan is very dense. */
  readonly thinnedBy: number;
}

/** Pieces of one obstacle drawn before they are thinned. */
const MOST_PLACES = 6000;

/**
 * The keep-out region on the cells of a window, good to about a cell. A picture and a first sieve: verdicts come from the
 * least gap itself.
 * @throws ProblemError where the linkage locks.
 */
export function keepOut(corner: PreparedCorner, standard: Standard, window: PlaneWindow): KeepOut {
  const painter = new KeepOutPainter(corner, window);
  let thinnedBy = 1;
  corner.obstacles.forEach((obstacle, index) => {
    const places = piecePlaces(obstacle.pieces, KEEP_OUT_PLACES_MM, MOST_PLACES);
    thinnedBy = Math.max(thinnedBy, places.thinnedBy);
    for (const region of standardRegions(standard, corner.envelope.limits)) {
      painter.paint(obstacle, index, places, region, region.requiredMm[wantedAs(obstacle)]);
    }
  });
  return {
    window,
    zones: { free: painter.field('free'), ground: painter.field('ground'), inside: painter.field('inside') },
    obstacles: corner.obstacles.map(({ id }) => id),
    postures: painter.postures,
    thinnedBy,
  };
}
