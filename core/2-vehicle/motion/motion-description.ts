import { MOUNTS, type Mount } from './mount';
import type { BeamAxleDescription } from './beam-axle';
import type { DoubleWishbonePoints } from './double-wishbone';
import type { MacphersonStrutPoints } from './macpherson-strut';
import type { SwingArmDescription } from './swing-arm';
import type { DoubleWishboneTape, MacphersonStrutTape, TrailingArmTape } from './from-tape';
import type { TrailingArmPoints } from './trailing-arm';

/** Hard points, or the few tape measurements they are worked out from; exactly one of the two. */
export interface ByPointsOrTape<Type extends string, Points, Tape> {
  readonly type: Type;
  readonly points?: Points | undefined;
  readonly tape?: Tape | undefined;
}

/** How a corner's wheel moves, as entered. docs/formats.md. */
export type MotionDescription =
  | SwingArmDescription
  | BeamAxleDescription
  | ByPointsOrTape<'doubleWishbone', DoubleWishbonePoints, DoubleWishboneTape>
  | ByPointsOrTape<'macphersonStrut', MacphersonStrutPoints, MacphersonStrutTape>
  | ByPointsOrTape<'trailingArm', TrailingArmPoints, TrailingArmTape>;

/** Whether the steering axis comes from the motion's own joints rather than from entered angles. */
export const hasBallJoints = ({ type }: MotionDescription): boolean =>
  type === 'doubleWishbone' || type === 'macphersonStrut';

/** Mounts an obstacle may have under a motion. */
export function mountsOf(motion: MotionDescription): Mount[] {
  const byPoints = 'points' in motion && motion.points !== undefined && 'tieRodOuter' in motion.points;
  const rod = byPoints || ('tape' in motion && motion.tape !== undefined && 'tieRodMm' in motion.tape);
  const missing: readonly Mount[] = {
    swingArm: ['tieRod'] as const,
    beamAxle: ['upperArm', 'lowerArm', 'tieRod'] as const,
    trailingArm: ['upperArm', 'tieRod'] as const,
    doubleWishbone: rod ? [] : (['tieRod'] as const),
    macphersonStrut: rod ? (['upperArm'] as const) : (['upperArm', 'tieRod'] as const),
  }[motion.type];
  return MOUNTS.filter((mount) => !missing.includes(mount));
}
