import { TRAVEL_PLACES, type ByPlace, type TravelPlace } from '../../4-clearance/case/travel-places';
import type { Axle } from '../../2-vehicle/setup/corner-key';
import { toDegrees } from '../../1-base/units/angle';

/** A driveshaft between the transfer case (or gearbox) and an axle, as measured at the surveyed ride height. Lengths mm. */
export interface Driveshaft {
  /** Joint to joint. */
  readonly lengthMm: number;
  /** The case's joint above the axle's. */
  readonly riseMm: number;
  /** Which axle: the front one's shaft runs forward. */
  readonly axle: Axle;
  /** Over level, degrees: + = the case's output points down toward the axle, the axle's pinion up toward the case. */
  readonly outputDeg: number;
  readonly pinionDeg: number;
  /** The pinion's joint from the hub center: toward the case, and up. Left out: taken to sit at the hub's height and place (older jobs). */
  readonly pinionReachMm?: number | undefined;
  readonly pinionRiseMm?: number | undefined;
  /** Slip joint engaged, and its least. */
  readonly engagedMm?: number | undefined;
  readonly leastMm?: number | undefined;
}

/** What the shaft does with the axle elsewhere. */
export interface DriveshaftState {
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
export function driveshaftAt(
  { lengthMm, riseMm, axle, outputDeg, pinionDeg, engagedMm }: Driveshaft,
  {
    droppedMm,
    forwardMm,
    pinionUpDeg,
  }: { readonly droppedMm: number; readonly forwardMm: number; readonly pinionUpDeg: number },
): DriveshaftState {
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

/** Places at which a slip joint stays engaged by less than its maker wants, mm. */
export interface SlipShort {
  readonly place: TravelPlace;
  readonly engagedMm: number;
  readonly leastMm: number;
}

export function slipJointShort(states: ByPlace<DriveshaftState>, leastMm: number | undefined): SlipShort[] {
  if (leastMm === undefined) return [];
  return TRAVEL_PLACES.flatMap((place) => {
    const engagedMm = states[place]?.engagedMm ?? null;
    return engagedMm !== null && engagedMm < leastMm ? [{ place, engagedMm, leastMm }] : [];
  });
}
