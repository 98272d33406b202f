/** Gravity, m/s2 (standard acceleration, ISO 80000-3). */
export const GRAVITY = 9.80665;

/** A coil spring: free length mm, rate N/mm. */
export interface CoilSpring {
  readonly freeLengthMm: number;
  readonly rateNPerMm: number;
}

/** Length of a spring under a load. Hooke's law. */
export const loadedLengthMm = ({ freeLengthMm, rateNPerMm }: CoilSpring, loadN: number): number =>
  freeLengthMm - loadN / rateNPerMm;

/**
 * Lift at the wheel from another coil spring under the same load: what the spring stands longer, over the motion ratio
 * (spring travel over wheel travel).
 */
export const springSwapLiftMm = (
  fitted: CoilSpring,
  next: CoilSpring,
  springLoadN: number,
  motionRatio: number,
): number => (loadedLengthMm(next, springLoadN) - loadedLengthMm(fitted, springLoadN)) / motionRatio;

/**
 * How far a corner sinks under weight put on the vehicle: the share of it this wheel carries over the wheel rate, which is the
 * spring's rate times the square of the motion ratio (virtual work: force and travel both go through it).
 */
export const sagUnderWeightMm = (weightKg: number, share: number, rateNPerMm: number, motionRatio: number): number =>
  (weightKg * GRAVITY * share) / (rateNPerMm * motionRatio * motionRatio);

/**
 * Shares of a weight on front and rear axle by levers: `behindFrontMm` from the front axle to where it sits. Beyond an axle
 * the other one is lightened.
 */
export function axleShares(
  behindFrontMm: number,
  wheelbaseMm: number,
): { readonly front: number; readonly rear: number } {
  const rear = behindFrontMm / wheelbaseMm;
  return { front: 1 - rear, rear };
}

/**
 * A threaded collar's lowest height over the seat it replaces, and so many turns of its thread above that: what it adds under the
 * spring, mm.
 */
export const collarMm = (lowestOverSeatMm: number, turns: number, pitchMm: number): number =>
  lowestOverSeatMm + turns * pitchMm;

/**
 * Lift at the wheel from a torsion bar's adjuster screwed in by `boltMm`: the key, `keyMm` from the bar's axis to the bolt, turns
 * the bar's fixed end; under the same load the bar is twisted as before, so that the lower arm, `armMm` from its pivot to the wheel's
 * centre, turns by the same angle. For an arm near level.
 */
export const torsionBarLiftMm = (boltMm: number, keyMm: number, armMm: number): number =>
  armMm * Math.sin(Math.atan2(boltMm, keyMm));

/**
 * Lift of a leaf pack that gets a leaf more, bolted flat to it: the two are springs side by side, and the new one pushes up by
 * what its free arch stands over the loaded pack's, `archMm`, until both agree (Hooke).
 */
export const addedLeafLiftMm = (packNPerMm: number, leafNPerMm: number, archMm: number): number =>
  (leafNPerMm * archMm) / (packNPerMm + leafNPerMm);
