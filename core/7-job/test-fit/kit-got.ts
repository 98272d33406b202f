import type { FittedCorner } from './fit-observations';
import { travelAt } from './tried';

/** Lift at the wheel that springs and parts promised, and what was measured of it, mm; - lowers. */
export interface KitGot {
  readonly promisedMm: number;
  readonly gotMm: number;
}

/** null: nothing was promised, or no height was read. */
export function kitGot({ corner, setup, hubToLipMm }: FittedCorner): KitGot | null {
  const promisedMm = setup.suspensionLiftMm;
  const travel = hubToLipMm === undefined ? null : travelAt(corner, setup, hubToLipMm);
  return promisedMm === 0 || travel === null ? null : { promisedMm, gotMm: -travel };
}
