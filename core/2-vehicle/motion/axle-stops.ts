import type { MotionDescription } from './motion-description';

/**
 * Where a beam axle's bump stops and shocks stand, as shares of the distance from hub face to hub face: 1 stands at the hubs, so
 * that each wheel is stopped for itself; less lets one wheel go past its parallel bump while the other one hangs.
 */
export interface AxleStops {
  readonly stops: number;
  readonly shocks: number;
}

/** Heights that both wheels reach together (parallel), mm, + bump. */
export interface ParallelLimits {
  readonly droop: number;
  readonly bump: number;
}

/** Heights of this wheel and of the other one, mm from the surveyed ride height, + bump. */
export interface BothWheels {
  readonly here: number;
  readonly other: number;
}

/**
 * Share of the hub spacing at which stops and shocks of a beam axle nobody measured are taken to stand (common practice, no source:
 * well inboard, 0.5 to 0.7 of the track apart).
 */
export const USUAL_STOP_SHARE = 0.6;

/** Stops further inboard than this share would let the axle see-saw without end. */
const LEAST_SHARE = 0.2;

const shareOf = (spacingMm: number | undefined, hubSpacingMm: number): number =>
  spacingMm === undefined ? 1 : Math.max(LEAST_SHARE, spacingMm / hubSpacingMm);

/** Stops of a motion; null where each wheel is stopped for itself (no beam axle, or one of which nobody said where they stand). */
export function axleStops(motion: MotionDescription): AxleStops | null {
  if (motion.type !== 'beamAxle') return null;
  const { hubSpacingMm, stopSpacingMm, shockSpacingMm } = motion;
  if (stopSpacingMm === undefined && shockSpacingMm === undefined) return null;
  return { stops: shareOf(stopSpacingMm, hubSpacingMm), shocks: shareOf(shockSpacingMm, hubSpacingMm) };
}

/**
 * Height (mm) at which the stop or shock nearer to the first wheel stands, of a pair `share` of the hub spacing apart: on a straight
 * beam a place moves in proportion to its way from hub to hub.
 */
const heightAt = (share: number, near: number, far: number): number => (near + far) / 2 + (share * (near - far)) / 2;

/** Whether both stops are unsquashed and both shocks short of their length. */
export const withinStops = ({ stops, shocks }: AxleStops, { droop, bump }: ParallelLimits, at: BothWheels): boolean => {
  const high = Math.max(at.here, at.other);
  const low = Math.min(at.here, at.other);
  return heightAt(stops, high, low) <= bump && heightAt(shocks, low, high) >= droop;
};

/** Parallel bump (mm) at which the stop of the higher wheel is just closed in this posture of the axle. */
export const parallelBumpOf = (stops: number, { here, other }: BothWheels): number =>
  heightAt(stops, Math.max(here, other), Math.min(here, other));

/** Parallel droop (mm, negative) at which the shock of the lower wheel is just at its length. */
export const parallelDroopOf = (shocks: number, { here, other }: BothWheels): number =>
  heightAt(shocks, Math.min(here, other), Math.max(here, other));

/** Share at which the stops stand if one is just closed in a posture and both close at the parallel bump; NaN where none would do. */
export function stopShareOf(bump: number, { here, other }: BothWheels): number {
  const share = (2 * bump - here - other) / Math.abs(here - other);
  return share > 0 && share <= 1 ? Math.max(LEAST_SHARE, share) : Number.NaN;
}

/** Heights that one wheel reaches with the other where it lets it, mm: one wheel up on its stop while the other hangs on its shock. */
export function oneWheelReach(
  stops: AxleStops | null,
  { droop, bump }: ParallelLimits,
): { readonly lowest: number; readonly highest: number } {
  if (!stops) return { lowest: droop, highest: bump };
  const { stops: k, shocks: m } = stops;
  // Stop of the one and shock of the other both just met: two lines in the two heights.
  return {
    highest: (bump * (1 + m) - droop * (1 - k)) / (k + m),
    lowest: (droop * (1 + k) - bump * (1 - m)) / (k + m),
  };
}

/** Lowest or highest of two limits, each a straight line in this wheel's height: offset and slope. */
export interface LimitLine {
  readonly offset: number;
  readonly slope: number;
}

/** Heights the other wheel may take with this one at a height: above every `low` line, below every `high` one. */
export interface OtherLimits {
  readonly low: readonly LimitLine[];
  readonly high: readonly LimitLine[];
}

/** Lines that bound the other wheel's height: of the near and the far stop, of the near and the far shock. */
export function otherLimits(stops: AxleStops | null, { droop, bump }: ParallelLimits): OtherLimits {
  if (!stops) return { low: [{ offset: droop, slope: 0 }], high: [{ offset: bump, slope: 0 }] };
  // heightAt(share, near, far) = limit, solved for the other wheel: as the far one, then as the near one.
  const asFar = (share: number, limit: number): LimitLine[] =>
    share < 1 ? [{ offset: (2 * limit) / (1 - share), slope: -(1 + share) / (1 - share) }] : [];
  const asNear = (share: number, limit: number): LimitLine => ({
    offset: (2 * limit) / (1 + share),
    slope: -(1 - share) / (1 + share),
  });
  return {
    high: [...asFar(stops.stops, bump), asNear(stops.stops, bump)],
    low: [...asFar(stops.shocks, droop), asNear(stops.shocks, droop)],
  };
}

const valueAt = ({ offset, slope }: LimitLine, x: number): number => offset + slope * x;

/** The other wheel's heights at a height of this one, mm; at most `low` = `high` at the ends of its reach. */
export function otherRange({ low, high }: OtherLimits, here: number): { readonly low: number; readonly high: number } {
  const lowest = Math.max(...low.map((line) => valueAt(line, here)));
  const highest = Math.min(...high.map((line) => valueAt(line, here)));
  // At the very ends of the reach rounding may cross them.
  return lowest <= highest ? { low: lowest, high: highest } : { low: highest, high: highest };
}
