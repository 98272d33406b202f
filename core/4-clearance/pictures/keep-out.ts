import type { Posture } from '../../2-vehicle/motion/corner-motion';
import { KEEP_OUT_PLACES_MM } from '../../1-base/tolerances';
import { KEEP_OUT_GRID, KeepOutPainter, type KeepOutField, type KeepOutZone } from './keep-out-painter';
import type { GridSize } from './posture-grid';
import { inOneGo, type Piecemeal } from '../../1-base/piecemeal';
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

/** How finely a picture is drawn. */
export interface KeepOutDetail {
  /** mm of a cell's side; null: as the window has it. */
  readonly stepMm: number | null;
  readonly placesMm: number;
  readonly grid: GridSize;
}

/** All there is to see. */
export const KEEP_OUT_WHOLE: KeepOutDetail = { stepMm: null, placesMm: KEEP_OUT_PLACES_MM, grid: KEEP_OUT_GRID };

/** Good to some 8 mm, in a fraction of the time: what moves while a hand does. */
export const KEEP_OUT_COARSE: KeepOutDetail = { stepMm: 4, placesMm: 40, grid: { travel: 5, steer: 9, other: 2 } };

/** The same stretch of the plane in cells of another size; a rest at the far sides counts whole. */
const inCells = (window: PlaneWindow, stepMm: number): PlaneWindow => ({
  ...window,
  stepMm,
  columns: Math.ceil((window.columns * window.stepMm) / stepMm),
  rows: Math.ceil((window.rows * window.stepMm) / stepMm),
});

/**
 * The keep-out region on the cells of a window, good to about a cell. A picture and a first sieve: verdicts come from the
 * least gap itself. Pauses after each obstacle.
 * @throws ProblemError where the linkage locks.
 */
export function* drawKeepOut(
  corner: PreparedCorner,
  standard: Standard,
  asked: PlaneWindow,
  { stepMm, placesMm, grid } = KEEP_OUT_WHOLE,
): Piecemeal<KeepOut> {
  const window = stepMm === null ? asked : inCells(asked, stepMm);
  const painter = new KeepOutPainter(corner, window, grid);
  let thinnedBy = 1;
  for (const [index, obstacle] of corner.obstacles.entries()) {
    const places = piecePlaces(obstacle.pieces, placesMm, MOST_PLACES);
    thinnedBy = Math.max(thinnedBy, places.thinnedBy);
    for (const region of standardRegions(standard, corner.envelope.limits)) {
      painter.paint(obstacle, index, places, region, region.requiredMm[wantedAs(obstacle)]);
    }
    yield;
  }
  return {
    window,
    zones: { free: painter.field('free'), ground: painter.field('ground'), inside: painter.field('inside') },
    obstacles: corner.obstacles.map(({ id }) => id),
    postures: painter.postures,
    thinnedBy,
  };
}

/** The same in one go. */
export const keepOut = (...asked: Parameters<typeof drawKeepOut>): KeepOut => inOneGo(drawKeepOut(...asked));
