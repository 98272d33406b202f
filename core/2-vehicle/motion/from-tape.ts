import type { Vec3 } from '../../1-base/geometry/vec3';
import { toDegrees, toRadians } from '../../1-base/units/angle';
import type { DoubleWishbonePoints } from './double-wishbone';
import type { MacphersonStrutPoints } from './macpherson-strut';
import type { TrailingArmPoints } from './trailing-arm';

/**
 * Hard points from the few lengths a tape can take at ride height. All mm; "rise" is how far the pivot stands above
 * its joint; left-out values take the defaults below: working values of this project, no published source.
 */

/** A tie rod from rack or drag link to the knuckle; without its length there is none. */
export interface TieRodTape {
  /** Joint to joint. */
  readonly tieRodMm?: number | undefined;
  /** Outer end behind the hub center, - ahead. Default 120. */
  readonly tieRodBehindMm?: number | undefined;
  /** Outer end above the hub center, - below. Default -60. */
  readonly tieRodUpMm?: number | undefined;
  /** Outer end inboard of the mounting face. Default 80. */
  readonly tieRodInboardMm?: number | undefined;
  /** Inner end above the outer one: the rack's height. Default 0. */
  readonly tieRodRiseMm?: number | undefined;
}

/** Arms seen from the front: pivots level fore and aft, so neither dives. */
export interface DoubleWishboneTape extends TieRodTape {
  /** Lower arm, pivot to ball joint, seen from the front. */
  readonly lowerArmMm: number;
  readonly lowerArmRiseMm?: number | undefined;
  /** Default: 0.7 of the lower arm. */
  readonly upperArmMm?: number | undefined;
  readonly upperArmRiseMm?: number | undefined;
  /** Hub center down to the lower ball joint. Default 120. */
  readonly lowerJointDownMm?: number | undefined;
  /** Hub center up to the upper ball joint. Default 160. */
  readonly upperJointUpMm?: number | undefined;
  /** Mounting face in to the lower ball joint. Default 60. */
  readonly lowerJointInboardMm?: number | undefined;
  /** Default: the lower joint's, and 12 degrees of inclination. */
  readonly upperJointInboardMm?: number | undefined;
  /** Upper ball joint behind the lower one. Default: 3 degrees of caster. */
  readonly upperJointBehindMm?: number | undefined;
}

export interface MacphersonStrutTape extends TieRodTape {
  readonly lowerArmMm: number;
  readonly lowerArmRiseMm?: number | undefined;
  readonly lowerJointDownMm?: number | undefined;
  readonly lowerJointInboardMm?: number | undefined;
  /** Hub center up to the strut's upper mount. Default 540. */
  readonly topUpMm?: number | undefined;
  /** Mounting face in to the upper mount. Default: the lower joint's, and 13 degrees of inclination. */
  readonly topInboardMm?: number | undefined;
  /** Upper mount behind the lower joint. Default: 3 degrees of caster. */
  readonly topBehindMm?: number | undefined;
}

export interface TrailingArmTape {
  /** Pivot to hub center, along the vehicle. */
  readonly armMm: number;
  /** Pivot above the hub center. Default 0. */
  readonly pivotRiseMm?: number | undefined;
  /** The pivots' line leaned in plan: + = inner pivot further back (semi-trailing). Default 0. */
  readonly sweepDeg?: number | undefined;
}

export const TAPE_DEFAULTS = {
  upperArmShare: 0.7,
  lowerJointDownMm: 120,
  upperJointUpMm: 160,
  lowerJointInboardMm: 60,
  wishboneInclinationDeg: 12,
  strutInclinationDeg: 13,
  casterDeg: 3,
  topUpMm: 540,
  tieRodBehindMm: 120,
  tieRodUpMm: -60,
  tieRodInboardMm: 80,
  /** Half the distance between an arm's pivots, over the arm's length. */
  pivotSpreadShare: 0.4,
} as const;

/** How far an arm's pivot stands above its joint, mm, by an angle finder on the arm seen from the front: + = rising inboard. */
export const armRiseMm = (armMm: number, angleDeg: number): number => armMm * Math.sin(toRadians(angleDeg));

/** The angle of such an arm, degrees; NaN where the pivot would stand higher than the arm is long. */
export const armAngleDeg = (armMm: number, riseMm: number): number => toDegrees(Math.asin(riseMm / armMm));

/** An arm's two pivots, level, from its joint. */
function pivots(joint: Vec3, armMm: number, riseMm: number): { front: Vec3; rear: Vec3 } {
  const inward = Math.sqrt(Math.max(0, armMm * armMm - riseMm * riseMm));
  const spread = TAPE_DEFAULTS.pivotSpreadShare * armMm;
  const [x, y, z] = [joint[0], joint[1] - inward, joint[2] + riseMm];
  return { front: [x + spread, y, z], rear: [x - spread, y, z] };
}

/** Both ends of the tie rod, level fore and aft; neither without its length. */
function tieRodEnds(tape: TieRodTape): { readonly tieRodInner?: Vec3; readonly tieRodOuter?: Vec3 } {
  const { tieRodMm, tieRodRiseMm: rise = 0 } = tape;
  if (tieRodMm === undefined) return {};
  const tieRodOuter: Vec3 = [
    -(tape.tieRodBehindMm ?? TAPE_DEFAULTS.tieRodBehindMm),
    -(tape.tieRodInboardMm ?? TAPE_DEFAULTS.tieRodInboardMm),
    tape.tieRodUpMm ?? TAPE_DEFAULTS.tieRodUpMm,
  ];
  const inward = Math.sqrt(Math.max(0, tieRodMm * tieRodMm - rise * rise));
  return { tieRodOuter, tieRodInner: [tieRodOuter[0], tieRodOuter[1] - inward, tieRodOuter[2] + rise] };
}

export function doubleWishboneFromTape(tape: DoubleWishboneTape): DoubleWishbonePoints {
  const down = tape.lowerJointDownMm ?? TAPE_DEFAULTS.lowerJointDownMm;
  const up = tape.upperJointUpMm ?? TAPE_DEFAULTS.upperJointUpMm;
  const inboard = tape.lowerJointInboardMm ?? TAPE_DEFAULTS.lowerJointInboardMm;
  const height = up + down;
  const behind = tape.upperJointBehindMm ?? height * Math.tan(toRadians(TAPE_DEFAULTS.casterDeg));
  const upperInboard =
    tape.upperJointInboardMm ?? inboard + height * Math.tan(toRadians(TAPE_DEFAULTS.wishboneInclinationDeg));
  // The axis crosses hub height below the hub center's own x.
  const lower: Vec3 = [(behind * down) / height, -inboard, -down];
  const upper: Vec3 = [lower[0] - behind, -upperInboard, up];
  const lca = pivots(lower, tape.lowerArmMm, tape.lowerArmRiseMm ?? 0);
  const uca = pivots(upper, tape.upperArmMm ?? TAPE_DEFAULTS.upperArmShare * tape.lowerArmMm, tape.upperArmRiseMm ?? 0);
  return {
    ucaFrontPivot: uca.front,
    ucaRearPivot: uca.rear,
    upperBallJoint: upper,
    lcaFrontPivot: lca.front,
    lcaRearPivot: lca.rear,
    lowerBallJoint: lower,
    ...tieRodEnds(tape),
  };
}

export function macphersonStrutFromTape(tape: MacphersonStrutTape): MacphersonStrutPoints {
  const down = tape.lowerJointDownMm ?? TAPE_DEFAULTS.lowerJointDownMm;
  const up = tape.topUpMm ?? TAPE_DEFAULTS.topUpMm;
  const inboard = tape.lowerJointInboardMm ?? TAPE_DEFAULTS.lowerJointInboardMm;
  const height = up + down;
  const behind = tape.topBehindMm ?? height * Math.tan(toRadians(TAPE_DEFAULTS.casterDeg));
  const topInboard = tape.topInboardMm ?? inboard + height * Math.tan(toRadians(TAPE_DEFAULTS.strutInclinationDeg));
  const lower: Vec3 = [(behind * down) / height, -inboard, -down];
  const lca = pivots(lower, tape.lowerArmMm, tape.lowerArmRiseMm ?? 0);
  return {
    strutTop: [lower[0] - behind, -topInboard, up],
    lcaFrontPivot: lca.front,
    lcaRearPivot: lca.rear,
    lowerBallJoint: lower,
    ...tieRodEnds(tape),
  };
}

/** mm between the pivots of a trailing arm worked out from tape; only their line matters. */
const TRAILING_PIVOT_SPREAD_MM = 300;

export function trailingArmFromTape(tape: TrailingArmTape): TrailingArmPoints {
  const rise = tape.pivotRiseMm ?? 0;
  const back = TRAILING_PIVOT_SPREAD_MM * Math.tan(toRadians(tape.sweepDeg ?? 0));
  const ahead = Math.sqrt(Math.max(0, tape.armMm * tape.armMm - rise * rise));
  return { pivotOuter: [ahead, 0, rise], pivotInner: [ahead - back, -TRAILING_PIVOT_SPREAD_MM, rise] };
}
