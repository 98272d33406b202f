/** Numerical tolerances of the engine: each with its unit and its purpose. */

/** mm: chord height allowed when an arc outline is printed as a polygon. */
export const POLYGON_SAG_MM = 0.02;

/** mm: a refined minimum stops moving when its steps are smaller than this at the tire. */
export const REFINEMENT_STEP_MM = 0.002;

/** mm: obstacle edges are first sampled no coarser than this, then refined along the edge. */
export const EDGE_SAMPLE_MM = 20;

/** mm: coarse minima this close above the best are refined as well (a 21 x 21 grid is up to 2.5 mm off). */
export const CANDIDATE_BAND_MM = 6;

/** mm: a typed text and the stored number mean the same length when they differ by no more. */
export const SAME_LENGTH_MM = 0.01;

/** mm: gaps closer than this are the same; keeps rounding noise from being followed as if it were a slope. */
export const SAME_GAP_MM = 1e-7;

/** mm: a linkage is solved when the hub stands within this of the height asked for. */
export const HEIGHT_RESIDUAL_MM = 1e-9;

/** mm: a table of postures gets more terms until it agrees with the linkage to this. */
export const POSTURE_TABLE_MM = 0.001;

/**
 * mm: the fast search may stop this much above the true least gap: 0.1, and in an overlap 0.1 more for all of 25 mm; what
 * is deeper than that is followed to 4 % of what lies beyond.
 */
export function searchToleranceMm(gapMm: number): number {
  if (gapMm >= 0) return 0.1;
  return gapMm >= -25 ? 0.1 - 0.004 * gapMm : 0.2 + 0.04 * (-25 - gapMm);
}

/** mm: a tape held to the same place twice reads alike to this. */
export const READING_REPEAT_MM = 5;

/** mm: a height held by hand may read this much beyond the surveyed travel; it is then taken as the limit itself. */
export const HELD_BEYOND_MM = 6;

/** mm between places along an obstacle's pieces in pictures of the whole envelope: sags under 0.1 mm at a tire's radius. */
export const KEEP_OUT_PLACES_MM = 16;

/** mm between places along an obstacle's pieces in the posture map: sags under 0.5 mm at a shoulder. */
export const MAP_PLACES_MM = 8;
