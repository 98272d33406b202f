/**
 * `trail`: all that the stops allow. `street`: less lock the further the wheel is from its parked height. `loaded`:
 * street about the loaded height. `drawn`: steer limits given row by row.
 */
export const ENVELOPES = ['trail', 'street', 'loaded', 'drawn'] as const;
export type EnvelopeKind = (typeof ENVELOPES)[number];

/** One row of a drawn envelope: the steer allowed to each side at a travel; this wheel's angles, both >= 0. */
export interface DrawnRow {
  readonly travelMm: number;
  readonly leftDeg: number;
  readonly rightDeg: number;
}
