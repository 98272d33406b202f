/** What readings of one obstacle can be fitted to. */
export const EDGE_KINDS = ['arch', 'cornerCurve', 'uprightEdge', 'rod', 'box', 'tip'] as const;

/**
 * `arch`: an edge round the wheel, as a fender lip. `cornerCurve`: a short curved edge, as a bumper's lower corner.
 * `uprightEdge`: a straight edge that stands up, as a pinch weld. `rod`: a straight round bar. `box`: a block with faces
 * along the vehicle's axes. `tip`: one small place.
 */
export type EdgeKind = (typeof EDGE_KINDS)[number];

/** Which way a rod lies, about: across the vehicle, fore and aft, or upright. */
export const ROD_RUNS = ['across', 'foreAft', 'upright'] as const;
export type RodRun = (typeof ROD_RUNS)[number];

/** What is known of an obstacle's form beside its readings. Lengths in mm. */
export interface EdgeForm {
  /** Of a rod; `across` by default. */
  readonly runs?: RodRun | undefined;
  /** Of a rod, a usual 25 mm by default; of the ball that a tip ends in, 0 by default. */
  readonly rodDiameterMm?: number | undefined;
  /** Of a box: fore and aft, across, up; usual 80 mm each by default. */
  readonly boxMm?: readonly [number, number, number] | undefined;
}

export const isEdgeKind = (as: string | undefined): as is EdgeKind => EDGE_KINDS.some((kind) => kind === as);
