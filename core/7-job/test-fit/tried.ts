import { LOCK_TO_LOCK, type FitRun } from '../../5-consequences/calibration/fit-run';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import type { Setup } from '../../2-vehicle/setup/setup';
import { travelLimits } from '../../4-clearance/envelope/envelope';
import { HUMPED, type FitPosture, type TriedPosture } from './postures';

/** A part of the envelope that no posture has reached. Lengths mm, from the surveyed ride height, + bump. */
export type Untried =
  /** Above `reachedMm` up to the stop, with any steer. */
  | { readonly what: 'bump'; readonly reachedMm: number; readonly limitMm: number }
  | { readonly what: 'droop'; readonly reachedMm: number; readonly limitMm: number }
  /** Lock to lock as it stands, forward or in reverse. */
  | { readonly what: 'rideForward' | 'rideReverse' | 'loaded' }
  /** How far it went was not measured, so that it cannot be said. */
  | { readonly what: 'notMeasured'; readonly posture: FitPosture };

/** mm by which a travel read with a tape may miss the stop and still count as there. */
const REACHED_MM = 5;

/**
 * Travel at which a corner stood, mm from the surveyed ride height: a hub that is nearer the lip than at the survey is up; what body lift
 * moved the lip is taken off. null: no height to compare with.
 */
export function travelAt(corner: CornerDescription, setup: Setup, hubToLipMm: number): number | null {
  const { bodyLiftMm, linkageDropMm } = setup;
  return corner.hubToLipMm === undefined ? null : corner.hubToLipMm + bodyLiftMm + linkageDropMm - hubToLipMm;
}

/** Heights a corner went through in a posture: from where it is parked to where it was measured. null: not measured. */
function rangeOf(
  corner: CornerDescription,
  setup: Setup,
  { hubToLipMm, stopGapMm }: TriedPosture,
  rideMm: number,
): { readonly lowMm: number; readonly highMm: number } | null {
  const { bump, droop } = travelLimits(corner, setup);
  const byTape = hubToLipMm === undefined ? null : travelAt(corner, setup, hubToLipMm);
  // At the stop it is where the stop is.
  const at = stopGapMm === 0 ? bump : byTape;
  if (at === null) return null;
  const there = Math.min(bump, Math.max(droop, at));
  return { lowMm: Math.min(rideMm, there), highMm: Math.max(rideMm, there) };
}

/** The run of one corner in a posture, lock to lock; as it stands it goes nowhere. null: how far it went was not measured. */
export function runOf(
  corner: CornerDescription,
  setup: Setup,
  tried: TriedPosture,
  /** Measured parked travel; by default where the setup should park it. */
  rideMm = travelLimits(corner, setup).ride,
): FitRun | null {
  if (tried.kind === 'rideForward' || tried.kind === 'rideReverse') {
    return { lowMm: rideMm, highMm: rideMm, ...LOCK_TO_LOCK };
  }
  const range = rangeOf(corner, setup, tried, rideMm);
  return range && { ...range, ...LOCK_TO_LOCK };
}

/** Heights a corner was really taken through, mm from the surveyed ride height, and the postures whose height was not read. */
export interface TriedHeights {
  readonly lowMm: number;
  readonly highMm: number;
  readonly notRead: readonly FitPosture[];
}

export function triedHeights(corner: CornerDescription, setup: Setup, postures: readonly TriedPosture[]): TriedHeights {
  const { ride } = travelLimits(corner, setup);
  const ranges = postures
    .filter((one) => one.done)
    .map((one) => ({ kind: one.kind, range: rangeOf(corner, setup, one, ride) }));
  return {
    lowMm: Math.min(ride, ...ranges.map(({ range }) => range?.lowMm ?? ride)),
    highMm: Math.max(ride, ...ranges.map(({ range }) => range?.highMm ?? ride)),
    notRead: ranges.filter(({ range }) => range === null).map(({ kind }) => kind),
  };
}

/** What of a corner's envelope was not tried. */
export function untried(
  key: CornerKey,
  corner: CornerDescription,
  setup: Setup,
  postures: readonly TriedPosture[],
): Untried[] {
  const limits = travelLimits(corner, setup);
  const { lowMm, highMm, notRead } = triedHeights(corner, setup, postures);
  return [
    ...(['rideForward', 'rideReverse', 'loaded'] as const)
      .filter((kind) => !postures.some((one) => one.done && one.kind === kind))
      .map((what) => ({ what })),
    ...notRead
      .filter((kind) => HUMPED[kind] === key || kind === 'loaded')
      .map((posture) => ({ what: 'notMeasured' as const, posture })),
    ...(highMm < limits.highest - REACHED_MM
      ? [{ what: 'bump' as const, reachedMm: highMm, limitMm: limits.highest }]
      : []),
    ...(lowMm > limits.lowest + REACHED_MM
      ? [{ what: 'droop' as const, reachedMm: lowMm, limitMm: limits.lowest }]
      : []),
  ];
}
