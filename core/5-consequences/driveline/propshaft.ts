import type { Axle } from '../../2-vehicle/setup/corner-key';
import { toDegrees } from '../../1-base/units/angle';

/** A propshaft between the transfer case (or gearbox) and an axle, as measured at the surveyed ride height. Lengths mm. */
export interface Propshaft {
  /** Joint to joint. */
  readonly lengthMm: number;
  /** The case's joint above the axle's. */
  readonly riseMm: number;
  /** Which axle: the front one's shaft runs forward. */
  readonly axle: Axle;
  /** Over level, degrees: + = the case's output points down toward the axle, the axle's pinion up toward the case. */
  readonly outputDeg: number;
  readonly pinionDeg: number;
  /** Slip joint engaged, and its least. */
  readonly engagedMm?: number | undefined;
  readonly leastMm?: number | undefined;
}

/** What the shaft does with the axle elsewhere. */
export interface PropshaftState {
  readonly lengthMm: number;
  readonly shaftDeg: number;
  /** Working angles of the joints: between shaft and output, shaft and pinion. */
  readonly outputJointDeg: number;
  readonly pinionJointDeg: number;
  /** + = the slip joint is pulled apart. */
  readonly pulledApartMm: number;
  readonly engagedMm: number | null;
}

/**
 * The shaft with the axle's joint `droppedMm` lower against the case than at the survey (a lift, or the axle in droop; negative in
 * bump), `forwardMm` further forward, and the pinion turned up by `pinionUpDeg`. A front axle moved forward pulls the joint apart, a rear one
 * pushes it together; an axle that hangs lower pulls it apart where the shaft already slopes down to it, and pushes it together where it slopes up.
 */
export function propshaftAt(
  { lengthMm, riseMm, axle, outputDeg, pinionDeg, engagedMm }: Propshaft,
  {
    droppedMm,
    forwardMm,
    pinionUpDeg,
  }: { readonly droppedMm: number; readonly forwardMm: number; readonly pinionUpDeg: number },
): PropshaftState {
  const along = Math.sqrt(lengthMm * lengthMm - riseMm * riseMm) + (axle === 'front' ? forwardMm : -forwardMm);
  const rise = riseMm + droppedMm;
  const length = Math.hypot(along, rise);
  const shaftDeg = toDegrees(Math.atan2(rise, along));
  const pulledApartMm = length - lengthMm;
  return {
    lengthMm: length,
    shaftDeg,
    outputJointDeg: Math.abs(shaftDeg - outputDeg),
    pinionJointDeg: Math.abs(shaftDeg - (pinionDeg + pinionUpDeg)),
    pulledApartMm,
    engagedMm: engagedMm === undefined ? null : engagedMm - pulledApartMm,
  };
}
