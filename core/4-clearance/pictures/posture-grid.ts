import { compose, inverse, type Pose } from '../../1-base/geometry/pose';
import type { Posture } from '../../2-vehicle/motion/corner-motion';
import type { Carriage } from '../../2-vehicle/motion/mount';
import { otherRange } from '../../2-vehicle/motion/axle-stops';
import { inOrder, otherLimitsOf, steerAt, type Envelope } from '../envelope/envelope';
import type { TravelStretch } from '../oracle/plain-sweep';
import type { PreparedCorner } from '../case/prepared-corner';

/** Postures an axis is cut into, at least 2 each. */
export interface GridSize {
  readonly travel: number;
  readonly steer: number;
  readonly other: number;
}

/**
 * Postures of an envelope over a stretch of travel: travel slowest, then steer, then the other wheel. Evenly spread, with
 * the heights besides at which the limits of steer turn a corner: chords would cut those off.
 */
export interface PostureGrid {
  /** Counts along travel, steer and the other wheel; 1 where it changes nothing. */
  readonly counts: readonly [travel: number, steer: number, other: number];
  readonly postures: readonly Posture[];
}

const spread = (low: number, high: number, count: number): number[] =>
  count === 1 ? [low] : Array.from({ length: count }, (_, i) => low + ((high - low) * i) / (count - 1));

/** @throws ProblemError where the linkage locks. */
export function postureGrid(
  { motion, envelope }: { readonly motion: PreparedCorner['motion']; readonly envelope: Envelope },
  stretch: TravelStretch,
  size: GridSize,
): PostureGrid {
  const other = otherLimitsOf(envelope, stretch.bump);
  const locks = motion.locksAt(motion.carrierAt(stretch.from, 0));
  const steers = locks.left > 0 || locks.right > 0;
  const heights = heightsOf(envelope, stretch, size.travel);
  const counts = [heights.length, steers ? size.steer : 1, motion.crossArticulates ? size.other : 1] as const;
  const postures = heights.flatMap((travel) => {
    const here = motion.locksAt(motion.carrierAt(travel, 0));
    const { low, high } = otherRange(other, travel);
    return spread(-1, 1, counts[1]).flatMap((part) =>
      (counts[2] === 1 ? [travel] : spread(low, high, counts[2])).map((there): Posture => {
        return { travel, steer: steers ? steerAt(envelope, travel, here, part) : 0, cross: there - travel };
      }),
    );
  });
  return { counts, postures };
}

function heightsOf({ breaks }: Envelope, { from, to }: TravelStretch, count: number): number[] {
  if (!(to > from)) return [from];
  return inOrder([...spread(from, to, count), ...breaks.filter((travel) => travel > from && travel < to)], from, to);
}

/** Numbers a posture takes in `mountsInWheel`. */
export const WHEEL_VIEW = 14;

/**
 * A mount seen from the wheel in each posture: three rows of rotation and shift (mm), mount frame to wheel frame, then
 * vehicle-down in the wheel plane (x, z), made unit.
 */
export function mountsInWheel(
  motion: PreparedCorner['motion'],
  mount: Carriage,
  postures: readonly Posture[],
): Float64Array {
  const views = new Float64Array(WHEEL_VIEW * postures.length);
  postures.forEach((posture, i) => {
    const wheel = motion.wheelPose(posture);
    const at = WHEEL_VIEW * i;
    writeRows(compose(inverse(wheel), motion.mountPose(mount, posture)), views, at);
    const [downX, downZ] = [-wheel.rotation[6], -wheel.rotation[8]];
    const upright = Math.hypot(downX, downZ);
    views[at + DOWN_AT] = downX / upright;
    views[at + DOWN_AT + 1] = downZ / upright;
  });
  return views;
}

/** Where down stands in a view. */
export const DOWN_AT = 12;

function writeRows({ rotation, origin }: Pose, out: Float64Array, at: number): void {
  for (let row = 0; row < 3; row++) {
    for (let k = 0; k < 3; k++) out[at + 4 * row + k] = rotation[3 * row + k] as number;
    out[at + 4 * row + 3] = origin[row] as number;
  }
}
