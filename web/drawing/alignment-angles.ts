/** How the three angles of a wheel are drawn: seen from where, and how much larger than they are. */
import type { Side } from '@/core/2-vehicle/motion/steering';

export type AlignmentAngle = 'camber' | 'caster' | 'toe';

export const ANGLES: Readonly<
  Record<AlignmentAngle, { readonly name: string; readonly seen: string; readonly times: number }>
> = {
  camber: { name: 'Camber', seen: 'from behind, + top out', times: 6 },
  caster: { name: 'Caster', seen: 'from outside, + top toward the rear', times: 2 },
  toe: { name: 'Toe', seen: 'from above, + toe in', times: 12 },
};

/** Degrees beyond which a drawing would say nothing more. */
const MOST_DEG = 32;

/** +1 where outboard is to the right of the drawing: of a right wheel, from behind and from above with the front up. */
export const outboardSign = (side: Side): 1 | -1 => (side === 'right' ? 1 : -1);

/** Degrees clockwise by which it is drawn: camber from behind, caster from outside, toe from above with the front up. */
export function drawnDeg(angle: AlignmentAngle, deg: number, side: Side): number {
  const larger = Math.min(MOST_DEG, Math.max(-MOST_DEG, ANGLES[angle].times * deg));
  // Top out is clockwise on a right wheel from behind; toe in and a top toward the rear are so on a left one.
  return (angle === 'camber' ? outboardSign(side) : -outboardSign(side)) * larger + 0;
}
