import type { Posture } from '../motion/corner-motion';
import { KEEP_OUT_PLACES_MM } from '../tolerances';
import { KeepOutPainter } from './keep-out-painter';
import { piecePlaces } from './piece-places';
import type { PreparedCorner } from './prepare';
import type { PlaneWindow } from './plane-raster';
import { standardRegions, type Standard } from './standard';

/**
 * What an image is measured to: the tire and wheel filled to the axis; the same bulged, near the ground; the hollow
 * wheel.
 */
export const KEEP_OUT_ZONES = ['free', 'ground', 'inside'] as const;
export type KeepOutZone = (typeof KEEP_OUT_ZONES)[number];

/** The keep-out region of one zone on the cells of a window; index = row * columns + column. */
export interface KeepOutField {
  /** mm from a cell's middle to what the wheel can meet, less that thing's thickness: under 0 inside it. */
  readonly touchMm: Float32Array;
  /** The same less the room that is wanted to it as well. */
  readonly wantedMm: Float32Array;
  /** Of what is touched first from a cell: its place in `obstacles`, and in `postures`. */
  readonly obstacle: Int16Array;
  readonly posture: Int32Array;
}

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
export const MOST_PLACES = 6000;

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
      painter.paint(obstacle, index, places, region, region.requiredMm[obstacle.material]);
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
