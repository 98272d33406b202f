import {
  axleStops,
  oneWheelReach,
  otherLimits,
  otherRange,
  parallelBumpOf,
  parallelDroopOf,
  stopShareOf,
  type AxleStops,
  type BothWheels,
  type OtherLimits,
  type ParallelLimits,
} from '../../2-vehicle/motion/axle-stops';
import type { Locks } from '../../2-vehicle/motion/corner-motion';
import { joinPath, ProblemError } from '../../1-base/problem';
import { toRadians } from '../../1-base/units/angle';
import { bothUnits } from '../../1-base/units/length';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { DrawnRow, EnvelopeKind } from './envelope-kind';
import type { Setup } from '../../2-vehicle/setup/setup';

/** Heights of the wheel's origin in mm, + bump; `ride` is the parked position. Of a beam axle, `droop` and `bump` are both wheels' together. */
export interface TravelLimits {
  readonly droop: number;
  readonly ride: number;
  /** Full squash of the bump stop. */
  readonly bump: number;
  /** First touch of the bump stop, where it was measured. */
  readonly firstTouch: number | null;
  /** What this wheel reaches with the other one where it lets it; as `droop` and `bump` where each is stopped for itself. */
  readonly lowest: number;
  readonly highest: number;
  /** Where a beam axle's stops and shocks stand; null where each wheel is stopped for itself. */
  readonly stops: AxleStops | null;
}

/** Steers allowed at one height, rad, vehicle sense: `low` (right, <= 0) to `high` (left, >= 0). */
export interface SteerRange {
  readonly low: number;
  readonly high: number;
}

/** All postures a verdict is about. */
export interface Envelope {
  readonly kind: EnvelopeKind;
  readonly limits: TravelLimits;
  /** Heights from the lowest to the highest at which the steer range changes its rule; between them it is smooth. */
  readonly breaks: readonly number[];
  steerRange(travel: number, locks: Locks): SteerRange;
}

/** Lines that bound the other wheel's height; `bump` keeps to an earlier squash of the stops than the envelope's. */
export const otherLimitsOf = ({ limits }: Envelope, bump = limits.bump): OtherLimits =>
  otherLimits(limits.stops, { droop: limits.droop, bump });

/** How much higher than this wheel (mm) the other one stands where it is as near to level with it as the stops allow. */
export function levelCrossMm(envelope: Envelope, travel: number): number {
  const { low, high } = otherRange(otherLimitsOf(envelope), travel);
  return Math.min(high, Math.max(low, travel)) - travel;
}

/** The highest this wheel reaches with the stops squashed no further than to a parallel height `bump`. */
export const highestUpTo = ({ droop, stops }: TravelLimits, bump: number): number =>
  oneWheelReach(stops, { droop, bump }).highest;

/** mm from the parked height within which the street envelope allows full lock. */
const STREET_FREE_MM = 25;

/** Share of the lock the street envelope still allows at the stop. */
const STREET_LEAST_SHARE = 0.25;

/**
 * Travel limits of a setup: -droop to bump - bump-stop extension, shifted by the limit shifts; ride at -lift. A ramp reading of a beam
 * axle puts the stops where it found them, and widens the limits to what it reached.
 * @throws ProblemError when the lift hangs the wheel beyond its droop limit (or sits it on the stop), or the
 * limits pass each other.
 */
export function travelLimits(
  corner: CornerDescription,
  setup: Setup,
  path = 'setup',
  cornerPath = 'corner',
): TravelLimits {
  const { bumpMm, droopMm, firstTouchMm } = corner.travel;
  if (firstTouchMm !== undefined && !(firstTouchMm <= bumpMm)) {
    throw new ProblemError({
      code: 'contradiction',
      path: joinPath(cornerPath, 'travel.firstTouchMm'),
      expected: `first touch before full squash (${bumpMm} mm)`,
      found: `${firstTouchMm} mm`,
    });
  }
  const ramp = rampOf(corner, cornerPath);
  const stops = stopsOf(corner, ramp, cornerPath);
  const surveyed = reachedOnRamp(stops, ramp, { droop: -droopMm, bump: bumpMm });
  const droop = surveyed.droop + setup.droopLimitShiftMm;
  const bump = surveyed.bump - setup.bumpStopMm + setup.bumpLimitShiftMm;
  const ride = -setup.suspensionLiftMm;
  if (!(bump > droop)) {
    throw new ProblemError({
      code: 'contradiction',
      path: `${path}.bumpStopMm`,
      expected: `a bump limit above the droop limit of ${bothUnits(droop)}`,
      found: `bump limit at ${bothUnits(bump)}`,
    });
  }
  if (!(ride >= droop && ride <= bump)) {
    throw new ProblemError({
      code: 'outOfRange',
      path: `${path}.suspensionLiftMm`,
      expected: `${bothUnits(-bump)} to ${bothUnits(-droop)}, so that the parked wheel stays between its stops${ride < droop ? '; to go higher a longer strut or coil-over, a longer shock or a spacer on the strut lets it hang lower' : ''}`,
      found: bothUnits(setup.suspensionLiftMm),
    });
  }
  const firstTouch = firstTouchMm === undefined ? null : firstTouchMm - setup.bumpStopMm + setup.bumpLimitShiftMm;
  return {
    droop,
    ride,
    bump,
    firstTouch: firstTouch !== null && firstTouch > droop ? firstTouch : null,
    ...oneWheelReach(stops, { droop, bump }),
    stops,
  };
}

/** Both wheels on the ramp, the stop of this one closed. @throws ProblemError where one of the two is missing. */
function rampOf({ travel }: CornerDescription, cornerPath: string): BothWheels | null {
  const { rampHereMm, rampOtherMm } = travel;
  if (rampHereMm === undefined && rampOtherMm === undefined) return null;
  if (rampHereMm === undefined || rampOtherMm === undefined) {
    throw new ProblemError({
      code: 'missing',
      path: joinPath(cornerPath, `travel.${rampHereMm === undefined ? 'rampHereMm' : 'rampOtherMm'}`),
      expected: 'both wheels of the ramp reading, or neither',
      found: 'one',
    });
  }
  if (!(rampHereMm > rampOtherMm)) {
    throw new ProblemError({
      code: 'contradiction',
      path: joinPath(cornerPath, 'travel.rampOtherMm'),
      expected: `the other wheel lower than this one (${rampHereMm} mm) on the ramp`,
      found: `${rampOtherMm} mm`,
    });
  }
  return { here: rampHereMm, other: rampOtherMm };
}

/** Where the stops stand: as measured; else, or over a starting value, where a ramp reading and the measured bump put them. */
function stopsOf(corner: CornerDescription, ramp: BothWheels | null, cornerPath: string): AxleStops | null {
  const { motion, starting = [], travel } = corner;
  const stops = axleStops(motion);
  if (!ramp || motion.type !== 'beamAxle') return stops;
  const isMeasured = motion.stopSpacingMm !== undefined && !starting.includes('stopSpacingMm');
  if (isMeasured || starting.includes('bumpMm')) return stops ?? { stops: 1, shocks: 1 };
  const share = stopShareOf(travel.bumpMm, ramp);
  if (Number.isNaN(share)) {
    throw new ProblemError({
      code: 'contradiction',
      path: joinPath(cornerPath, 'travel.rampHereMm'),
      expected: `a ramp reading that goes with ${travel.bumpMm} mm of bump: mean of the two wheels below it, this wheel above it`,
      found: `${ramp.here} mm here, ${ramp.other} mm on the other side`,
    });
  }
  return { stops: share, shocks: stops?.shocks ?? 1 };
}

/** Parallel limits, at least as wide as a ramp reading shows that the axle goes. */
function reachedOnRamp(stops: AxleStops | null, ramp: BothWheels | null, limits: ParallelLimits): ParallelLimits {
  if (!ramp || !stops) return limits;
  return {
    bump: Math.max(limits.bump, parallelBumpOf(stops.stops, ramp)),
    droop: Math.min(limits.droop, parallelDroopOf(stops.shocks, ramp)),
  };
}

/**
 * The envelope of a kind. `loaded` is the street rule about the loaded ride height.
 * @throws ProblemError when it needs something that was not given.
 */
export function makeEnvelope(
  kind: EnvelopeKind,
  limits: TravelLimits,
  extra: { readonly loadedSagMm?: number | undefined; readonly drawn?: readonly DrawnRow[] | undefined },
  path: string,
): Envelope {
  switch (kind) {
    case 'trail':
      return {
        kind,
        limits,
        breaks: [limits.lowest, limits.highest],
        steerRange: (_travel, locks) => ({ low: -locks.right, high: locks.left }),
      };
    case 'street':
      return { kind, limits, ...streetAbout(limits.ride, limits) };
    case 'loaded':
      if (extra.loadedSagMm === undefined) {
        throw new ProblemError({
          code: 'missing',
          path: joinPath(path, 'loadedSagMm'),
          expected: 'how far the loaded vehicle sits below the surveyed ride height, mm',
          found: 'nothing',
        });
      }
      return { kind, limits, ...streetAbout(Math.min(limits.bump, limits.ride + extra.loadedSagMm), limits) };
    case 'drawn':
      return { kind, limits, ...drawnRows(extra.drawn ?? [], limits) };
  }
}

/** Beyond the parallel stops the least share stays. */
function streetAbout(
  ride: number,
  { droop, bump, lowest, highest }: TravelLimits,
): Pick<Envelope, 'breaks' | 'steerRange'> {
  const share = (travel: number): number => {
    const away = Math.abs(travel - ride) - STREET_FREE_MM;
    const room = (travel >= ride ? bump - ride : ride - droop) - STREET_FREE_MM;
    if (away <= 0 || room <= 0) return 1;
    return Math.max(STREET_LEAST_SHARE, 1 - 0.75 * Math.min(1, away / room));
  };
  return {
    breaks: inOrder([droop, ride - STREET_FREE_MM, ride + STREET_FREE_MM, bump], lowest, highest),
    steerRange: (travel, locks) => ({ low: -locks.right * share(travel), high: locks.left * share(travel) }),
  };
}

/** Steer limits drawn row by row, straight between the rows; beyond the outermost rows they stay as there. */
function drawnRows(
  rows: readonly DrawnRow[],
  { lowest, highest }: TravelLimits,
): Pick<Envelope, 'breaks' | 'steerRange'> {
  const sorted = [...rows].sort((a, b) => a.travelMm - b.travelMm);
  if (sorted.length === 0) {
    throw new ProblemError({
      code: 'missing',
      path: 'drawnEnvelope',
      expected: 'at least one row: travel with steer to the left and right',
      found: 'none',
    });
  }
  const at = (travel: number, key: 'leftDeg' | 'rightDeg'): number => {
    const next = sorted.findIndex((row) => row.travelMm >= travel);
    const above = sorted[next < 0 ? sorted.length - 1 : next] as DrawnRow;
    const below = sorted[next <= 0 ? (next < 0 ? sorted.length - 1 : 0) : next - 1] as DrawnRow;
    const span = above.travelMm - below.travelMm;
    const part = span > 0 ? (travel - below.travelMm) / span : 0;
    return toRadians(below[key] + (above[key] - below[key]) * part);
  };
  return {
    breaks: inOrder(
      sorted.map((row) => row.travelMm),
      lowest,
      highest,
    ),
    steerRange: (travel, locks) => ({
      low: -Math.min(locks.right, at(travel, 'rightDeg')),
      high: Math.min(locks.left, at(travel, 'leftDeg')),
    }),
  };
}

/** mm: stretches of travel shorter than this are not worth a rule of their own. */
const LEAST_STRETCH_MM = 1e-6;

/** Sorted heights within the limits, none twice. */
export function inOrder(heights: readonly number[], lowest: number, highest: number): number[] {
  const kept = heights.filter((t) => t > lowest + LEAST_STRETCH_MM && t < highest - LEAST_STRETCH_MM);
  const sorted = [lowest, ...kept.sort((a, b) => a - b), highest];
  return sorted.filter((t, i) => i === 0 || t - (sorted[i - 1] as number) > LEAST_STRETCH_MM);
}

/** Steer in rad (+ vehicle left) at travel `t`, for `part` from -1 (furthest right allowed) to 1 (furthest left). */
export function steerAt(envelope: Envelope, travel: number, locks: Locks, part: number): number {
  const { low, high } = envelope.steerRange(travel, locks);
  return low + ((part + 1) / 2) * (high - low);
}
