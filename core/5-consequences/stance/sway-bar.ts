import type { CaseDescription } from '../../4-clearance/case/case-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { toDegrees } from '../../1-base/units/angle';
import { atPlaces, type BeforeAndAfter } from '../../4-clearance/case/travel-places';

/**
 * One side's arm of a sway bar with its link, by tape at the surveyed ride height and seen from the side; mm. The link's other
 * end moves up and down with the wheel.
 */
export interface SwayBar {
  /** From the bar's axis to the link's joint on it. */
  readonly armMm: number;
  /** That joint above the bar's axis. */
  readonly armRiseMm: number;
  readonly linkMm: number;
  /** The link's wheel end further from the bar's axis than its bar end, along the vehicle. */
  readonly linkLeanMm: number;
  /** Whether the link runs up from the bar; most run down. */
  readonly linkRunsUp: boolean;
  /** How far the link's wheel end moves over how far the wheel does. */
  readonly linkRatio: number;
}

export interface SwayBarState {
  /** Of the link from upright, degrees. */
  readonly linkLeanDeg: number;
  /** Between arm and link: near 0 or 180 the bar turns over or locks. */
  readonly armToLinkDeg: number;
  /** Of the arm from how it stands at the survey, degrees, + up. */
  readonly armTurnDeg: number;
}

/** Nearest that arm and link may come to lying in line, degrees. Working value of this project, no published source. */
export const LEAST_LINK_DEG = 30;

/**
 * Arm and link when the wheel stands `travelMm` higher (+ bump) than at the survey: a crank and a coupler, whose joint is where two circles
 * meet, on the side on which it stands today; `loweredMm`: the bar's bearings stand lower than then. null: the link does not reach.
 */
export function swayBarAt(bar: SwayBar, travelMm: number, loweredMm = 0): SwayBarState | null {
  const along = Math.sqrt(bar.armMm ** 2 - bar.armRiseMm ** 2);
  const upright = Math.sqrt(bar.linkMm ** 2 - bar.linkLeanMm ** 2) * (bar.linkRunsUp ? 1 : -1);
  if (!(along > 0) || !Number.isFinite(upright)) return null;
  const end = { x: along + bar.linkLeanMm, z: bar.armRiseMm + upright };
  const homeSide = Math.sign(end.x * bar.armRiseMm - end.z * along);
  const z = end.z + bar.linkRatio * travelMm + loweredMm;
  const far = Math.hypot(end.x, z);
  const onLine = (bar.armMm ** 2 - bar.linkMm ** 2 + far ** 2) / (2 * far);
  const beside = bar.armMm ** 2 - onLine ** 2;
  if (!(beside >= 0)) return null;
  const side = homeSide * Math.sqrt(beside);
  const joint = {
    x: (end.x * onLine - z * side) / far,
    z: (z * onLine + end.x * side) / far,
  };
  const link = { x: end.x - joint.x, z: z - joint.z };
  const cosine = -(link.x * joint.x + link.z * joint.z) / (bar.linkMm * bar.armMm);
  return {
    linkLeanDeg: toDegrees(Math.atan2(Math.abs(link.x), Math.abs(link.z))),
    armToLinkDeg: toDegrees(Math.acos(Math.max(-1, Math.min(1, cosine)))),
    armTurnDeg: toDegrees(Math.atan2(joint.z, joint.x) - Math.atan2(bar.armRiseMm, along)),
  };
}

/** Whether arm and link come too near to lying in line. */
export const nearlyInLine = ({ armToLinkDeg }: SwayBarState): boolean =>
  Math.min(armToLinkDeg, 180 - armToLinkDeg) < LEAST_LINK_DEG;

/** The bar at both ends of a corner's travel and parked, the other wheel alike. @throws ProblemError as `travelLimits`. */
export const swayBarReport = (
  description: CaseDescription,
  key: CornerKey,
  bar: SwayBar,
): BeforeAndAfter<SwayBarState> =>
  atPlaces(description, key, (_, travel, { linkageDropMm, swayBarDropMm }) =>
    swayBarAt(bar, travel - linkageDropMm, swayBarDropMm),
  );
