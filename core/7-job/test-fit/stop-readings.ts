import { travelLimits } from '../../4-clearance/envelope/envelope';
import type { FittedCorner } from './fit-observations';
import { HUMPED, type FitPosture } from './postures';
import { travelAt } from './tried';

/** What a posture says of where a corner's bump stop is. Travel in mm from the surveyed ride height, + bump. */
export interface StopReading {
  readonly posture: FitPosture;
  /** `reached`: it closed there. `further`: it was still open there, beyond where it was thought to be. */
  readonly is: 'reached' | 'further';
  /** Where this setup's stop was thought to be, and where it is, or is at least. */
  readonly thoughtMm: number;
  readonly foundMm: number;
  /** Bump travel of the baseline that agrees with it. */
  readonly bumpMm: number;
}

/** mm within which heights read with a tape agree with the stop as it was surveyed. */
const AGREES_MM = 5;

/**
 * Where the bump stop of a corner is by the heights and stop gaps read on the hump and loaded, where that is not where the baseline has
 * it; the most telling reading first. On a beam axle one wheel on a hump does not say it: the ramp reading of the baseline does.
 * @throws ProblemError for a setup that cannot stand.
 */
export function stopReadings({ key, corner, setup, postures }: FittedCorner): StopReading[] {
  if (corner.motion.type === 'beamAxle') return [];
  const { bump } = travelLimits(corner, setup);
  const surveyedMore = setup.bumpStopMm - setup.bumpLimitShiftMm;
  return postures
    .filter(({ kind, done }) => done && (HUMPED[kind] === key || kind === 'loaded'))
    .flatMap(({ kind: posture, hubToLipMm, stopGapMm }): StopReading[] => {
      const travel = hubToLipMm === undefined ? null : travelAt(corner, setup, hubToLipMm);
      if (travel === null || stopGapMm === undefined) return [];
      const is = stopGapMm === 0 ? 'reached' : 'further';
      // The stop sits inboard of the wheel: what is left there is at least as much at the wheel.
      const found = travel + stopGapMm;
      const off = found - bump;
      if (is === 'reached' ? Math.abs(off) <= AGREES_MM : off <= AGREES_MM) return [];
      return [{ posture, is, thoughtMm: bump, foundMm: found, bumpMm: found + surveyedMore }];
    })
    .sort((a, b) => Number(b.is === 'reached') - Number(a.is === 'reached') || b.foundMm - a.foundMm);
}
