import type { Pose } from '../../1-base/geometry/pose';
import type { CarrierState } from '../../2-vehicle/motion/carrier';
import type { Posture } from '../../2-vehicle/motion/corner-motion';
import type { Carriage } from '../../2-vehicle/motion/mount';
import { otherRange } from '../../2-vehicle/motion/axle-stops';
import { inOrder, otherLimitsOf, steerAt, type Envelope } from '../envelope/envelope';
import type { TravelStretch } from '../oracle/plain-sweep';
import { SEEN_NUMBERS, seenFromWheel } from '../oracle/seen-from-wheel';
import type { PreparedCorner } from '../case/prepared-corner';

/** Postures an axis is cut into at most, at least 2 each. */
export interface GridSize {
  readonly travel: number;
  readonly steer: number;
  readonly other: number;
}

/**
 * Postures of an envelope over a stretch of travel: travel slowest, then steer, then the other wheel. Evenly spread, with
 * the heights besides at which the limits of steer turn a corner: chords would cut those off. Heights between which everything
 * moves straight are left out, and so are heights of the other wheel.
 */
export interface PostureGrid {
  /** Counts along travel, steer and the other wheel; 1 where it changes nothing. */
  readonly counts: readonly [travel: number, steer: number, other: number];
  readonly postures: readonly Posture[];
}

const spread = (low: number, high: number, count: number): number[] =>
  count === 1 ? [low] : Array.from({ length: count }, (_, i) => low + ((high - low) * i) / (count - 1));

/** mm that a straight way between two postures may be off at a tire's tread for those between them to be left out. */
const STRAIGHT_MM = 0.3;

/** mm from the hub at which it is looked at. */
const LEVER_MM = 500;

/** @throws ProblemError where the linkage locks. */
export function postureGrid(
  { motion, envelope }: { readonly motion: PreparedCorner['motion']; readonly envelope: Envelope },
  stretch: TravelStretch,
  size: GridSize,
): PostureGrid {
  const limits = otherLimitsOf(envelope, stretch.bump);
  const locks = motion.locksAt(motion.carrierAt(stretch.from, 0));
  const steers = locks.left > 0 || locks.right > 0;
  /** `share`, 0 to 1, of the other wheel's way; `part` as in `steerAt`. */
  const postureAt = (travel: number, part: number, share: number): Posture => {
    const here = motion.locksAt(motion.carrierAt(travel, 0));
    const { low, high } = otherRange(limits, travel);
    const other = motion.crossArticulates ? low + share * (high - low) : travel;
    return { travel, steer: steers ? steerAt(envelope, travel, here, part) : 0, cross: other - travel };
  };
  const parts = spread(-1, 1, steers ? size.steer : 1);
  const evenShares = motion.crossArticulates ? spread(0, 1, size.other) : [0];
  const evenHeights = heightsOf(envelope, stretch, size.travel);
  const ends = (values: readonly number[]): number[] => [...new Set([values[0]!, values.at(-1)!])];
  const states = carrierStates(motion);
  const poses = (ofParts: readonly number[], ofShares: readonly number[], ofHeights: readonly number[]): Pose[] =>
    ofHeights.flatMap((travel) =>
      ofParts.flatMap((part) =>
        ofShares.map((share) => {
          const posture = postureAt(travel, part, share);
          return motion.wheelFrom(states(posture), posture.steer);
        }),
      ),
    );
  const sides = steers ? [-1, 0, 1] : [-1];
  const heights = withoutStraight(evenHeights, (travel) => poses(sides, ends(evenShares), [travel]));
  const shares = withoutStraight(evenShares, (share) => poses(sides, [share], ends(evenHeights)));
  const postures = heights.flatMap((travel) =>
    parts.flatMap((part) => shares.map((share) => postureAt(travel, part, share))),
  );
  return { counts: [heights.length, parts.length, shares.length], postures };
}

/** The first and last of some values, and as few between them as keep straight ways from one to the next within `STRAIGHT_MM`. */
function withoutStraight(values: readonly number[], posesAt: (value: number) => readonly Pose[]): number[] {
  const seen = values.map(posesAt);
  const kept = values.slice(0, 1);
  for (let from = 0; from < values.length - 1;) {
    let to = from + 1;
    while (to + 1 < values.length && isStraight(from, to + 1)) to++;
    kept.push(values[to]!);
    from = to;
  }
  return kept;

  function isStraight(from: number, to: number): boolean {
    for (let k = from + 1; k < to; k++) {
      const share = (values[k]! - values[from]!) / (values[to]! - values[from]!);
      const off = seen[k]!.some((pose, i) => offMm(pose, seen[from]![i]!, seen[to]![i]!, share) > STRAIGHT_MM);
      if (off) return false;
    }
    return true;
  }
}

/** mm by which a pose is off the straight way from one to another, at `LEVER_MM`. */
function offMm(pose: Pose, from: Pose, to: Pose, share: number): number {
  const off = (key: 'origin' | 'rotation'): number =>
    Math.hypot(...pose[key].map((v, i) => v - (1 - share) * from[key][i]! - share * to[key][i]!));
  // A turn's numbers change by the root of two times its angle.
  return off('origin') + LEVER_MM * off('rotation') * Math.SQRT1_2;
}

function heightsOf({ breaks }: Envelope, { from, to }: TravelStretch, count: number): number[] {
  if (!(to > from)) return [from];
  return inOrder([...spread(from, to, count), ...breaks.filter((travel) => travel > from && travel < to)], from, to);
}

/** A mount seen from the wheel in each posture: `SEEN_NUMBERS` each. */
export function mountsInWheel(
  motion: PreparedCorner['motion'],
  mount: Carriage,
  postures: readonly Posture[],
): Float64Array {
  const views = new Float64Array(SEEN_NUMBERS * postures.length);
  const states = carrierStates(motion);
  postures.forEach((posture, i) => {
    const state = states(posture);
    const { steer } = posture;
    seenFromWheel(motion.wheelFrom(state, steer), motion.mountFrom(state, mount, steer), views, SEEN_NUMBERS * i);
  });
  return views;
}

/** The linkage solved once for all steers at a height. */
function carrierStates(motion: PreparedCorner['motion']): (posture: Posture) => CarrierState {
  const known = new Map<string, CarrierState>();
  return ({ travel, cross = 0 }) => {
    const key = `${travel}:${cross}`;
    const state = known.get(key) ?? motion.carrierAt(travel, cross);
    known.set(key, state);
    return state;
  };
}
