/**
 * Schools of how far a height may use up what the parts can do. One keeps a reserve everywhere, another goes to the makers' limits, a
 * third takes a lift to bring its corrected arms and longer shocks with it, so that only their absence is called for.
 */
export const HEIGHT_SCHOOLS = ['keepReserve', 'toTheLimit', 'correctedParts'] as const;
export type HeightSchool = (typeof HEIGHT_SCHOOLS)[number];

/** When a school calls for a part. */
export interface SchoolAsks {
  /** Share of what joints and adjusters can do that may be used. */
  readonly share: number;
  /** Travel from the parked height to full droop that is to be left, mm. */
  readonly droopLeftMm: number;
  /** mm that shocks, hoses and slip joints keep to spare. */
  readonly spareMm: number;
  /** Side shift of a beam axle that is put right, mm. */
  readonly sideShiftMm: number;
  /** Lean that a lift may give a sway-bar link, degrees. */
  readonly linkLeanDeg: number;
  /** How far off centre the steering wheel may stand, degrees. */
  readonly steeringWheelDeg: number;
}

/** Working values of this project, no published source. */
export const SCHOOL_ASKS: Readonly<Record<HeightSchool, SchoolAsks>> = {
  keepReserve: { share: 0.7, droopLeftMm: 50, spareMm: 15, sideShiftMm: 3, linkLeanDeg: 5, steeringWheelDeg: 2 },
  toTheLimit: { share: 1, droopLeftMm: 25, spareMm: 0, sideShiftMm: 5, linkLeanDeg: 20, steeringWheelDeg: 5 },
  correctedParts: { share: 0.35, droopLeftMm: 75, spareMm: 25, sideShiftMm: 2, linkLeanDeg: 2, steeringWheelDeg: 1 },
};
