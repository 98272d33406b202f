import { flatten } from '../../1-base/geometry/outline';
import { unplace } from '../../1-base/geometry/pose';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { toRadians } from '../../1-base/units/angle';
import type { Posture } from '../../2-vehicle/motion/corner-motion';
import { nearestOnSolid, prepareRotor, type Rotor, type Solid } from '../../2-vehicle/setup/rotor';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { PreparedCorner } from '../case/prepared-corner';
import { solidAt } from '../oracle/posture-gap';
import type { ObstacleVerdict } from '../verdict/evaluate';

/** A posture looked at, and where an obstacle is nearest to the tire in it. */
export interface Looked {
  readonly posture: Posture;
  readonly met: { readonly id: string; readonly gapMm: number; readonly at: Vec3 } | null;
}

/** The posture in which an obstacle has its least gap; parked and straight without one. */
export const lookedAt = (corner: PreparedCorner, picked: ObstacleVerdict | null): Looked =>
  picked
    ? {
        posture: { travel: picked.travelMm, steer: toRadians(picked.steerDeg), cross: picked.crossMm },
        met: { id: picked.id, gapMm: picked.gapMm, at: picked.at },
      }
    : { posture: { travel: corner.envelope.limits.ride, steer: 0 }, met: null };

/** The section in the plane through the spin axis and the picked place: the one picture where the gap is true. */
export interface TouchSection {
  readonly tried: readonly (readonly [a: number, r: number])[];
  readonly fitted: readonly (readonly [a: number, r: number])[];
  readonly obstacle: readonly [a: number, r: number];
  readonly nearest: readonly [a: number, r: number];
}

/** Along the spin axis from the mounting face (a, outboard) and out from it (r), mm. */
export function touchSection(
  prepared: PreparedCorner,
  corner: CornerDescription,
  { posture, met }: Looked & { readonly met: NonNullable<Looked['met']> },
): TouchSection {
  const wheel = prepared.motion.wheelPose(posture);
  const [x, y, z] = unplace(wheel, met.at);
  const r = Math.hypot(x, z);
  const insideWheel = prepared.obstacles.find(({ id }) => id === met.id)?.insideWheel === true;
  const solid = solidAt(prepared.rotor, insideWheel, wheel, met.at);
  const near = nearestOnSolid(solid, y - prepared.rotor.centrePlaneMm, r);
  const fitted = prepareRotor(corner.fitted, `corners.${prepared.key}.fitted`);
  return {
    tried: sectionOutline(solid, prepared.rotor),
    fitted: sectionOutline(insideWheel ? fitted.hollow : fitted.filled, fitted),
    obstacle: [y, r],
    nearest: [near.a + prepared.rotor.centrePlaneMm, near.r],
  };
}

/** A solid's section from the mounting face: [mm outboard, mm radius]. */
export const sectionOutline = ({ outline }: Solid, { centrePlaneMm }: Rotor): (readonly [a: number, r: number])[] =>
  flatten(outline, 0.2).map((p) => [p.a + centrePlaneMm, p.r] as const);
